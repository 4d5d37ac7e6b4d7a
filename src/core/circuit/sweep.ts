import type { Hertz } from '../units';
import { solveHessenberg, toHessenberg } from './linear/hessenberg';
import { factor, solve, workspace } from './linear/real';
import type { Node } from './netlist';
import { singular, type OperatingPoint } from './operatingPoint';
import { linearisedAt, type Complex } from './response';

/** Where the circuit is decomposed; in the middle of the band, so that neither end is far from it. */
const SHIFT = 2 * Math.PI * 1000;

/**
 * The signal voltage of `a` over `b` at any frequency (Hz), for many of them: the circuit is decomposed once, and each
 * frequency costs n² steps instead of n³. With s = jω and a real shift σ, (G + s·C)⁻¹·z is (I + (s - σ)·M)⁻¹·w where
 * M = (G + σ·C)⁻¹·C and w = (G + σ·C)⁻¹·z; M is brought to Hessenberg form.
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

  const m = new Float64Array(n * n);
  const column = new Float64Array(n);
  const solved = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    let empty = true;
    for (let row = 0; row < n; row++) {
      column[row] = c[row * n + k];
      if (column[row] !== 0) empty = false;
    }
    if (empty) continue;
    solve(matrix, n, space, column, solved);
    for (let row = 0; row < n; row++) m[row * n + k] = solved[row];
  }
  const driven = new Float64Array(n);
  solve(matrix, n, space, signal, driven);
  const reading = new Float64Array(n);
  const [high, low] = [system.node(a) ?? -1, system.node(b) ?? -1];
  if (high >= 0) reading[high] += 1;
  if (low >= 0) reading[low] -= 1;
  toHessenberg(m, n, [driven, reading]);

  const [re, im] = [new Float64Array(n * n), new Float64Array(n * n)];
  const [xRe, xIm] = [new Float64Array(n), new Float64Array(n)];
  return (frequency) => {
    const omega = 2 * Math.PI * frequency;
    // Only what lies on and above the first subdiagonal is ever read.
    for (let row = 0; row < n; row++) {
      for (let k = row * n + Math.max(row - 1, 0); k < (row + 1) * n; k++) {
        re[k] = -SHIFT * m[k];
        im[k] = omega * m[k];
      }
      re[row * n + row] += 1;
    }
    xRe.set(driven);
    xIm.fill(0);
    solveHessenberg(re, im, n, xRe, xIm);
    const volts = { re: 0, im: 0 };
    for (let k = 0; k < n; k++) {
      volts.re += reading[k] * xRe[k];
      volts.im += reading[k] * xIm[k];
    }
    return volts;
  };
}
