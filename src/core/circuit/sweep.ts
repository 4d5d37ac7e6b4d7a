import type { Hertz } from '../units';
import { carve } from './linear/carve';
import { solveHessenberg, toHessenberg } from './linear/hessenberg';
import { factor, solve, workspace } from './linear/real';
import type { Node } from './netlist';
import { singular, type OperatingPoint } from './operatingPoint';
import { linearisedAt, type Complex } from './response';

/** Where the circuit is decomposed; in the middle of the band, so that neither end is far from it. */
const SHIFT = 2 * Math.PI * 1000;

/**
 * The signal voltage of `a` over `b` at any frequency (Hz), for many of them: the circuit is decomposed once, and each
 * frequency costs few steps more. With s = jω and a real shift σ, x = (G + s·C)⁻¹·z solves (I + (s - σ)·M)·x = w where
 * M = (G + σ·C)⁻¹·C and w = (G + σ·C)⁻¹·z. Columns of M are zero where C has none; only the unknowns of the others, x₁,
 * take part, and the rest follows from them: x₂ = w₂ - (s - σ)·M₂₁·x₁. M₁₁ is brought to Hessenberg form.
 * @throws CircuitError `singular`
 */
export function sweep(point: OperatingPoint, a: Node, b: Node): (frequency: Hertz) => Complex {
  const { system } = point;
  const { size: n, c, signal } = system;
  const matrix = linearisedAt(point);
  for (let k = 0; k < matrix.length; k++) matrix[k] += SHIFT * c[k];
  const space = workspace(n);
  const at = factor(matrix, n, space);
  if (at >= 0) throw singular(system, at);

  const moving = columnsOf(c, n);
  const size = moving.length;
  const take = carve(5 * n + 3 * size * size + 5 * size);
  const reading = take(n);
  const [high, low] = [system.node(a) ?? -1, system.node(b) ?? -1];
  if (high >= 0) reading[high] += 1;
  if (low >= 0) reading[low] -= 1;
  const w = take(n);
  solve(matrix, n, space, signal, w);

  // The reading is steady + (before + (s - σ)·after)·x₁.
  const m = take(size * size);
  const [before, after, driven] = [take(size), take(size), take(size)];
  moving.forEach((k, at) => {
    before[at] = reading[k];
    driven[at] = w[k];
  });
  for (const k of moving) reading[k] = 0;
  let steady = 0;
  for (let row = 0; row < n; row++) steady += reading[row] * w[row];
  const [column, solved] = [take(n), take(n)];
  moving.forEach((k, at) => {
    for (let row = 0; row < n; row++) column[row] = c[row * n + k];
    solve(matrix, n, space, column, solved);
    moving.forEach((other, row) => (m[row * size + at] = solved[other]));
    for (let row = 0; row < n; row++) after[at] -= reading[row] * solved[row];
  });
  toHessenberg(m, size, [driven, before, after]);

  const [re, im] = [take(size * size), take(size * size)];
  const [xRe, xIm] = [take(size), take(size)];
  return (frequency) => {
    const omega = 2 * Math.PI * frequency;
    // Only what lies on and above the first subdiagonal is ever read.
    for (let row = 0; row < size; row++) {
      for (let k = row * size + Math.max(row - 1, 0); k < (row + 1) * size; k++) {
        re[k] = -SHIFT * m[k];
        im[k] = omega * m[k];
      }
      re[row * size + row] += 1;
    }
    xRe.set(driven);
    xIm.fill(0);
    solveHessenberg(re, im, size, xRe, xIm);
    const volts = { re: steady, im: 0 };
    for (let k = 0; k < size; k++) {
      const byRe = before[k] - SHIFT * after[k];
      const byIm = omega * after[k];
      volts.re += byRe * xRe[k] - byIm * xIm[k];
      volts.im += byRe * xIm[k] + byIm * xRe[k];
    }
    return volts;
  };
}

/** Columns of a row-major n × n matrix that are not all zero. */
function columnsOf(c: Float64Array, n: number): number[] {
  const found: number[] = [];
  for (let column = 0; column < n; column++)
    for (let row = 0; row < n; row++)
      if (c[row * n + column] !== 0) {
        found.push(column);
        break;
      }
  return found;
}
