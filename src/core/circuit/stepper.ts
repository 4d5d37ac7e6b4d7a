import type { Seconds } from '../units';
import { factor, solve, workspace } from './linear/real';
import { singular } from './operatingPoint';
import type { System } from './equations';
import { stampTangent, still, voltage } from './tangent';
import { waveAt } from './wave';

/**
 * Two-stage diagonally implicit Runge-Kutta method of second order, stiffly accurate and L-stable: it forgets what the
 * algebraic part was before a switch moved. (Alexander, SIAM J. Numer. Anal. 14, 1977, from memory.)
 */
const GAMMA = 1 - Math.SQRT1_2;
const NEWTON_STEPS = 80;

/** One step from a solution: the next one, and its error as a share of what is allowed; undefined if it cannot be made. */
export type Step = (
  x: Float64Array,
  now: Seconds,
  length: Seconds,
) => { next: Float64Array; error: number } | undefined;

/** Makes steps of one phase, in which no switch moves. */
export function stepperOf(system: System, tolerance: number, history: Float64Array[]): Step {
  const { size: n, g, c, nonLinear } = system;
  const pins = system.islands('signal').map(([node]) => system.node(node)!);
  const sources = wavesOf(system);
  const watched = watchedOf(system);
  const largest = watched.map(({ of, floor }) => history.reduce((most, x) => Math.max(most, Math.abs(of(x))), floor));
  const space = workspace(n);
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const charge = new Float64Array(n);
  let factored = 0;

  const timesC = (x: Float64Array, from: Float64Array, share: number, into: Float64Array) => {
    for (let row = 0; row < n; row++) {
      let sum = 0;
      for (let column = 0; column < n; column++) {
        const value = c[row * n + column];
        if (value !== 0) sum += value * (x[column] - from[column]);
      }
      into[row] = sum * share;
    }
  };
  const zero = new Float64Array(n);

  /** Solves G·x + i(x) + C·x/(γh) = right; the matrix of a linear circuit is kept as long as the step is. */
  const stage = (right: Float64Array, length: Seconds, guess: Float64Array): Float64Array | undefined => {
    const share = 1 / (GAMMA * length);
    const linear = nonLinear.length === 0;
    const at = nonLinear.map((part) => voltage(guess, part));
    for (let iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      b.set(right);
      if (!linear || factored !== length) {
        for (let k = 0; k < a.length; k++) a[k] = g[k] + share * c[k];
        for (const pin of pins) a[pin * n + pin] += 1;
        nonLinear.forEach((part, k) => stampTangent(part, at[k], a, b, n));
        const column = factor(a, n, space);
        if (column >= 0) throw singular(system, column);
        factored = length;
      }
      const x = new Float64Array(n);
      solve(a, n, space, b, x);
      // Rounding may keep a stiff circuit from settling as finely as one would like: then what stays within 10 µV will do.
      const near = iteration < NEWTON_STEPS / 2 ? 1e-7 : 1e-5;
      let settled = true;
      nonLinear.forEach((part, k) => {
        const next = part.characteristic.limit(voltage(x, part), at[k]);
        if (!still(part.characteristic, at[k], next) && Math.abs(next - at[k]) > near * (1 + Math.abs(next)))
          settled = false;
        at[k] = next;
      });
      if (settled) return x;
    }
    return undefined;
  };

  return (x, now, length) => {
    const share = 1 / (GAMMA * length);
    timesC(x, zero, share, charge);
    const right = sources(now + GAMMA * length);
    for (let row = 0; row < n; row++) right[row] += charge[row];
    const first = stage(right, length, x);
    if (!first) return undefined;
    const flow = new Float64Array(n);
    timesC(first, x, share, flow);
    const after = sources(now + length);
    for (let row = 0; row < n; row++) after[row] += charge[row] + ((1 - GAMMA) / GAMMA) * flow[row];
    const next = stage(after, length, first);
    if (!next) return undefined;
    let error = 0;
    watched.forEach(({ of }, k) => {
      const before = of(x);
      const [middle, end] = [of(first), of(next)];
      // How far the end lies from the straight line through the start and the middle.
      const bend = Math.abs(end - before - (middle - before) / GAMMA);
      largest[k] = Math.max(largest[k], Math.abs(end));
      error = Math.max(error, bend / (tolerance * largest[k]));
    });
    return { next, error: Math.max(error, 1e-4) };
  };
}

/** The right-hand side at a moment. */
function wavesOf(system: System): (at: Seconds) => Float64Array {
  const moving = system.netlist.elements.flatMap((element) =>
    'wave' in element && element.wave?.length ? [{ element, wave: element.wave }] : [],
  );
  return (at) => {
    const z = system.z.slice();
    for (const { element, wave } of moving) {
      if (element.type === 'voltageSource') z[system.branch(element.name)!] += waveAt(wave, at) - element.volts;
      else {
        const [a, b] = [system.node(element.a)!, system.node(element.b)!];
        const more = waveAt(wave, at) - element.amps;
        if (a >= 0) z[a] -= more;
        if (b >= 0) z[b] += more;
      }
    }
    return z;
  };
}

/** What holds energy: the quantities whose error is watched. */
function watchedOf(system: System): { of: (x: Float64Array) => number; floor: number }[] {
  return system.netlist.elements.flatMap((element) => {
    if (element.type === 'capacitor') {
      const [a, b] = [system.node(element.a)!, system.node(element.b)!];
      return [{ of: (x: Float64Array) => (a < 0 ? 0 : x[a]) - (b < 0 ? 0 : x[b]), floor: 1e-3 }];
    }
    if (element.type !== 'inductor') return [];
    const branch = system.branch(element.name)!;
    return [{ of: (x: Float64Array) => x[branch], floor: 1e-6 }];
  });
}
