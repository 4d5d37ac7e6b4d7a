import type { Volts } from '../units';
import { factor, solve, workspace } from './linear/real';
import type { NonLinear, System } from './equations';
import { stampTangent, still, voltage } from './tangent';

const STEPS = 60;
/** Largest share of a row's terms that may remain as its error. */
const ROUNDING = 1e-13;

/**
 * Newton iteration on the non-linear elements alone. The linear rest is decomposed once, with the tangents at 0 V in it;
 * seen from the k non-linear elements it is k voltages behind a k × k resistance, and each step solves only those.
 * @returns undefined where that is not precise enough or does not settle; the whole circuit has to be iterated then
 */
export function reduced(system: System, pins: number[]): { x: Float64Array; slopes: number[] } | undefined {
  const { size: n, g, z, nonLinear } = system;
  const count = nonLinear.length;
  const a = g.slice();
  const b = z.slice();
  for (const pin of pins) a[pin * n + pin] += 1;
  const inside = nonLinear.map((part) => stampTangent(part, 0, a, b, n));
  const space = workspace(n);
  if (factor(a, n, space) >= 0) return undefined;
  const x = new Float64Array(n);
  solve(a, n, space, z, x);
  if (count === 0) return { x, slopes: [] };

  const ways = nonLinear.map((part) => {
    const into = new Float64Array(n);
    if (part.a >= 0) into[part.a] = 1;
    if (part.b >= 0) into[part.b] -= 1;
    const way = new Float64Array(n);
    solve(a, n, space, into, way);
    return way;
  });
  const open = nonLinear.map((part) => voltage(x, part));
  const seen = nonLinear.map((part) => ways.map((way) => voltage(way, part)));

  const volts = iterate(nonLinear, inside, open, seen);
  if (!volts) return undefined;
  nonLinear.forEach(({ characteristic }, k) => {
    // What flows besides the share that is already inside the decomposed matrix.
    const rest = characteristic.at(volts[k]).amps - inside[k] * volts[k];
    for (let row = 0; row < n; row++) x[row] -= ways[k][row] * rest;
  });
  return precise(system, pins, x)
    ? { x, slopes: nonLinear.map(({ characteristic }, k) => characteristic.at(volts[k]).siemens) }
    : undefined;
}

/** The voltages v with v + seen · (i(v) - inside · v) = open. */
function iterate(nonLinear: NonLinear[], inside: number[], open: Volts[], seen: number[][]): Volts[] | undefined {
  const count = nonLinear.length;
  const space = workspace(count);
  const matrix = new Float64Array(count * count);
  const right = new Float64Array(count);
  const next = new Float64Array(count);
  const at = nonLinear.map(() => 0);
  for (let step = 0; step < STEPS; step++) {
    const tangents = nonLinear.map(({ characteristic }, k) => characteristic.at(at[k]));
    for (let row = 0; row < count; row++) {
      right[row] = open[row];
      for (let k = 0; k < count; k++) {
        const { amps, siemens } = tangents[k];
        matrix[row * count + k] = (row === k ? 1 : 0) + seen[row][k] * (siemens - inside[k]);
        right[row] -= seen[row][k] * (amps - siemens * at[k]);
      }
    }
    if (factor(matrix, count, space) >= 0) return undefined;
    solve(matrix, count, space, right, next);
    let settled = true;
    nonLinear.forEach(({ characteristic }, k) => {
      const to = characteristic.limit(next[k], at[k]);
      if (!still(characteristic, at[k], to)) settled = false;
      at[k] = to;
    });
    if (settled) return at;
  }
  return undefined;
}

/** Whether every equation holds to within rounding of its own terms. */
function precise({ size: n, g, z, nonLinear }: System, pins: number[], x: Float64Array): boolean {
  const error = new Float64Array(n);
  const terms = new Float64Array(n);
  const add = (row: number, amount: number) => {
    if (row < 0) return;
    error[row] += amount;
    terms[row] += Math.abs(amount);
  };
  for (const part of nonLinear) {
    const { amps } = part.characteristic.at(voltage(x, part));
    add(part.a, amps);
    add(part.b, -amps);
  }
  for (const pin of pins) add(pin, x[pin]);
  for (let row = 0; row < n; row++) {
    let sum = error[row] - z[row];
    let size = terms[row] + Math.abs(z[row]);
    for (let column = 0; column < n; column++) {
      const value = g[row * n + column];
      if (value === 0) continue;
      sum += value * x[column];
      size += Math.abs(value * x[column]);
    }
    if (!(Math.abs(sum) <= ROUNDING * size)) return false;
  }
  return true;
}
