import type { Seconds } from '../units';
import type { System } from './equations';
import { carveOn } from './linear/carve';
import { stagesOf } from './stage';
import { voltage } from './tangent';

/**
 * Two-stage diagonally implicit Runge-Kutta method of second order, stiffly accurate and L-stable: it forgets what the
 * algebraic part was before a switch moved. (Alexander, SIAM J. Numer. Anal. 14, 1977, from memory.)
 */
const GAMMA = 1 - Math.SQRT1_2;

/** One step from a solution: the next one, and its error as a share of what is allowed; undefined if it cannot be made. */
export type Step = (
  x: Float64Array,
  now: Seconds,
  length: Seconds,
) => { next: Float64Array; error: number } | undefined;

/** Makes steps of one phase, in which no switch moves. */
export function stepperOf(system: System, tolerance: number, history: Float64Array[], careful = false): Step {
  const { size: n, c, nonLinear } = system;
  const watched = watchedOf(system);
  const largest = watched.map((each) => history.reduce((most, x) => Math.max(most, Math.abs(of(x, each))), each.floor));
  const charge = new Float64Array(n);
  const flow = new Float64Array(n);
  const stage = stagesOf(system, careful);
  const stored = entriesOf(c, n);

  /** share · C·(x − from). */
  const timesC = (x: Float64Array, from: Float64Array, share: number, into: Float64Array) => {
    into.fill(0);
    for (const { row, column, value } of stored) into[row] += value * (x[column] - from[column]) * share;
  };
  const zero = new Float64Array(n);
  const first = new Float64Array(n);
  const volts = nonLinear.map(() => 0);
  const take = carveOn(n);

  return (x, now, length) => {
    const share = 1 / (GAMMA * length);
    timesC(x, zero, share, charge);
    nonLinear.forEach((part, k) => (volts[k] = voltage(x, part)));
    if (!stage(charge, now + GAMMA * length, share, volts, first, false)) return undefined;
    timesC(first, x, share, flow);
    for (let row = 0; row < n; row++) charge[row] += ((1 - GAMMA) / GAMMA) * flow[row];
    const next = take();
    if (!stage(charge, now + length, share, volts, next, true)) return undefined;
    let error = 0;
    watched.forEach((each, k) => {
      const before = of(x, each);
      const middle = of(first, each);
      const end = of(next, each);
      // How far the end lies from the straight line through the start and the middle.
      const bend = Math.abs(end - before - (middle - before) / GAMMA);
      largest[k] = Math.max(largest[k], Math.abs(end));
      error = Math.max(error, bend / (tolerance * largest[k]));
    });
    return { next, error: Math.max(error, 1e-4) };
  };
}

/** What a matrix has besides zeros. */
function entriesOf(matrix: Float64Array, n: number) {
  const entries: { row: number; column: number; value: number }[] = [];
  matrix.forEach((value, k) => {
    if (value !== 0) entries.push({ row: Math.floor(k / n), column: k % n, value });
  });
  return entries;
}

/** A quantity that holds energy: the difference of two unknowns, -1 standing for ground; and what counts as little of it. */
interface Watched {
  a: number;
  b: number;
  floor: number;
}

const of = (x: Float64Array, { a, b }: Watched): number => (a < 0 ? 0 : x[a]) - (b < 0 ? 0 : x[b]);

/** What holds energy: the quantities whose error is watched. */
function watchedOf(system: System): Watched[] {
  return system.netlist.elements.flatMap((element) => {
    if (element.type === 'capacitor') return [{ a: system.node(element.a)!, b: system.node(element.b)!, floor: 1e-3 }];
    return element.type === 'inductor' ? [{ a: system.branch(element.name)!, b: -1, floor: 1e-6 }] : [];
  });
}
