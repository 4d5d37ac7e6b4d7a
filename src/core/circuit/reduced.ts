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
  const a = g.slice();
  const b = z.slice();
  for (const pin of pins) a[pin * n + pin] += 1;
  const inside = nonLinear.map((part) => stampTangent(part, 0, a, b, n));
  const space = workspace(n);
  if (factor(a, n, space) >= 0) return undefined;
  const x = new Float64Array(n);
  solve(a, n, space, z, x);
  const count = nonLinear.length;
  if (count === 0) return { x, slopes: [] };

  const into = new Float64Array(n);
  const ways = nonLinear.map((part) => {
    into.fill(0);
    if (part.a >= 0) into[part.a] = 1;
    if (part.b >= 0) into[part.b] -= 1;
    const way = new Float64Array(n);
    solve(a, n, space, into, way);
    return way;
  });
  const open = Float64Array.from(nonLinear, (part) => voltage(x, part));
  const resistances = new Float64Array(count * count);
  nonLinear.forEach((part, row) => {
    for (let k = 0; k < count; k++) resistances[row * count + k] = voltage(ways[k], part);
  });
  const volts = iterate(nonLinear, { inside, open, resistances, from: nonLinear.map(() => 0) });
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

/** What the iteration on so many elements needs; one runs at a time. */
const scratchOf = (count: number) => ({
  space: workspace(count),
  matrix: new Float64Array(count * count),
  right: new Float64Array(count),
  next: new Float64Array(count),
});
const scratch: ReturnType<typeof scratchOf>[] = [];

/**
 * The voltages v with v + resistances · (i(v) - inside · v) = open, from a guess, which is overwritten.
 * @param close whether a step from one voltage to another may be the last; else those count that change nothing any more
 */
export function iterate(
  nonLinear: NonLinear[],
  seen: { inside: readonly number[]; open: Float64Array; resistances: Float64Array; from: Volts[] },
  close?: (before: Volts, next: Volts) => boolean,
): Volts[] | undefined {
  const { inside, open, resistances, from: at } = seen;
  const count = nonLinear.length;
  const { space, matrix, right, next } = (scratch[count] ??= scratchOf(count));
  for (let step = 0; step < STEPS; step++) {
    right.set(open);
    for (let k = 0; k < count; k++) {
      const { amps, siemens } = nonLinear[k].characteristic.at(at[k]);
      const more = siemens - inside[k];
      const rest = amps - siemens * at[k];
      for (let row = 0; row < count; row++) {
        const ohms = resistances[row * count + k];
        matrix[row * count + k] = (row === k ? 1 : 0) + ohms * more;
        right[row] -= ohms * rest;
      }
    }
    if (count === 1) next[0] = right[0] / matrix[0];
    else {
      if (factor(matrix, count, space) >= 0) return undefined;
      solve(matrix, count, space, right, next);
    }
    let settled = true;
    for (let k = 0; k < count; k++) {
      const { characteristic } = nonLinear[k];
      const to = characteristic.limit(next[k], at[k]);
      if (!close?.(at[k], to) && !still(characteristic, at[k], to)) settled = false;
      at[k] = to;
    }
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
