import type { Seconds } from '../units';
import { eliminate } from './eliminated';
import { factor, solve, workspace, type Workspace } from './linear/real';
import { singular } from './operatingPoint';
import { iterate } from './reduced';
import type { System } from './equations';
import { stampTangent, still, voltage } from './tangent';

const NEWTON_STEPS = 80;
/** Decompositions that are kept, one for each length of a step. */
const KEPT = 64;
/** Where voltages that cancel each other are larger than this, too many digits are lost, in volts. */
const TOO_LARGE = 1e5;

/** The linear circuit for one length of a step, decomposed, and what its non-linear elements see of it. */
interface Decomposed {
  a: Float64Array;
  space: Workspace;
  /** What 1 A through each does to the unknowns that are kept. */
  ways: Float64Array[];
  /** What it does to the voltages of all, k × k in rows. */
  resistances: Float64Array;
}

/**
 * Solves G·x + i(x) + share · C·x = z + charge at a moment, beginning at a guess; undefined where it does not settle.
 * @param charge n values, 0 in every row without a capacitor or an inductor
 */
export type Stage = (charge: Float64Array, at: Seconds, share: number, guess: Float64Array) => Float64Array | undefined;

/**
 * The equations of one stage of a step. Few unknowns hold energy, and most steps of a course have a length that others had
 * before: the others are eliminated once, the rest is decomposed once for each length, and Newton's iteration concerns the
 * non-linear elements alone. Where that loses digits, the whole circuit is iterated.
 * @param careful iterates the whole circuit always
 * @throws CircuitError `singular`
 */
export function stagesOf(system: System, careful = false): Stage {
  const { size: n, nonLinear } = system;
  const pins = system.islands('signal').map(([node]) => system.node(node)!);
  const small = eliminate(system, pins);
  const { kept, inside, into, over, beside } = small;
  const m = kept.length;
  const count = nonLinear.length;
  const lengths = new Map<number, Decomposed | undefined>();
  const right = new Float64Array(m);
  const x = new Float64Array(m);
  const open = new Float64Array(count);
  const rest = new Float64Array(count);

  const decomposed = (share: number): Decomposed | undefined => {
    if (lengths.has(share)) return lengths.get(share);
    const a = new Float64Array(m * m);
    for (let k = 0; k < a.length; k++) a[k] = small.s[k] + share * small.c[k];
    const space = workspace(m);
    let made: Decomposed | undefined;
    if (factor(a, m, space) < 0) {
      const ways = into.map((current) => {
        const way = new Float64Array(m);
        solve(a, m, space, current, way);
        return way;
      });
      const resistances = beside.slice();
      for (let i = 0; i < count; i++)
        for (let j = 0; j < count; j++) resistances[i * count + j] += dot(over[i], ways[j]);
      made = { a, space, ways, resistances };
    }
    if (lengths.size >= KEPT) lengths.delete(lengths.keys().next().value!);
    lengths.set(share, made);
    return made;
  };

  const quick: Stage = (charge, at, share, guess) => {
    const found = decomposed(share);
    if (!found) return undefined;
    const driven = small.driven(at);
    for (let i = 0; i < m; i++) right[i] = driven.right[i] + charge[kept[i]];
    solve(found.a, m, found.space, right, x);
    if (count > 0) {
      for (let k = 0; k < count; k++) open[k] = driven.open[k] + dot(over[k], x);
      const { resistances, ways } = found;
      const solved = (from: number[]) => iterate(nonLinear, { inside, open, resistances, from }, closeEnough);
      // A guess that is far off may lead nowhere: then from nothing.
      const volts = solved(nonLinear.map((part) => voltage(guess, part))) ?? solved(nonLinear.map(() => 0));
      if (!volts) return undefined;
      for (let k = 0; k < count; k++) {
        rest[k] = nonLinear[k].characteristic.at(volts[k]).amps - inside[k] * volts[k];
        if (!(Math.abs(resistances[k * count + k] * rest[k]) < TOO_LARGE)) return undefined;
        const way = ways[k];
        for (let i = 0; i < m; i++) x[i] -= way[i] * rest[k];
      }
    }
    const whole = new Float64Array(n);
    small.expand(x, rest, at, whole);
    return whole;
  };

  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const space = workspace(n);
  /** Newton's iteration on everything, where the quick way has no answer. */
  const iterated = (z: Float64Array, share: number, guess: Float64Array): Float64Array | undefined => {
    const at = nonLinear.map((part) => voltage(guess, part));
    for (let iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      b.set(z);
      for (let k = 0; k < a.length; k++) a[k] = system.g[k] + share * system.c[k];
      for (const pin of pins) a[pin * n + pin] += 1;
      nonLinear.forEach((part, k) => stampTangent(part, at[k], a, b, n));
      const column = factor(a, n, space);
      if (column >= 0) throw singular(system, column);
      const next = new Float64Array(n);
      solve(a, n, space, b, next);
      // Rounding may keep a stiff circuit from settling as finely as one would like: then what stays within 10 µV will do.
      const near = iteration < NEWTON_STEPS / 2 ? 1e-7 : 1e-5;
      let settled = true;
      nonLinear.forEach((part, k) => {
        const to = part.characteristic.limit(voltage(next, part), at[k]);
        if (!still(part.characteristic, at[k], to) && Math.abs(to - at[k]) > near * (1 + Math.abs(to))) settled = false;
        at[k] = to;
      });
      if (settled) return next;
    }
    return undefined;
  };

  return (charge, at, share, guess) => {
    const found = careful ? undefined : quick(charge, at, share, guess);
    if (found) return found;
    const z = small.whole(at);
    for (let row = 0; row < n; row++) z[row] += charge[row];
    return iterated(z, share, guess);
  };
}

const dot = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k] * b[k];
  return sum;
};

/** A voltage that moves by less than 0.1 µV, or as small a share of itself, has settled. */
const closeEnough = (before: number, next: number): boolean => Math.abs(next - before) <= 1e-7 * (1 + Math.abs(next));
