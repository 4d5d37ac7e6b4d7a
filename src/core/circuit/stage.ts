import type { Seconds, Volts } from '../units';
import { eliminate } from './eliminated';
import { carve } from './linear/carve';
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
 * Solves G·x + i(x) + share · C·x = z + charge at a moment.
 * @param charge n values, 0 in every row without a capacitor or an inductor
 * @param volts across each non-linear element: a guess to begin with, and afterwards what it has become
 * @param into n values that are overwritten: the unknowns
 * @param whole whether all of them are asked for; else those that hold energy are enough, and others are not to be read
 * @returns whether it settles
 */
export type Stage = (
  charge: Float64Array,
  at: Seconds,
  share: number,
  volts: Volts[],
  into: Float64Array,
  whole: boolean,
) => boolean;

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
  /** Of which each decomposition needs an order of its own. */
  const scratch = workspace(m);

  const decomposed = (share: number): Decomposed | undefined => {
    if (lengths.has(share)) return lengths.get(share);
    const take = carve(m * m + count * m + count * count);
    const a = take(m * m);
    for (let k = 0; k < a.length; k++) a[k] = small.s[k] + share * small.c[k];
    const space = { ...scratch, order: new Int32Array(m) };
    let made: Decomposed | undefined;
    if (factor(a, m, space) < 0) {
      const ways = into.map((current) => {
        const way = take(m);
        solve(a, m, space, current, way);
        return way;
      });
      const resistances = take(count * count);
      resistances.set(beside);
      for (let i = 0; i < count; i++)
        for (let j = 0; j < count; j++) resistances[i * count + j] += dot(over[i], ways[j]);
      made = { a, space, ways, resistances };
    }
    if (lengths.size >= KEPT) lengths.delete(lengths.keys().next().value!);
    lengths.set(share, made);
    return made;
  };

  const quick: Stage = (charge, at, share, volts, into, whole) => {
    const found = decomposed(share);
    if (!found) return false;
    const driven = small.driven(at);
    for (let i = 0; i < m; i++) right[i] = driven.right[i] + charge[kept[i]];
    solve(found.a, m, found.space, right, x);
    if (count > 0) {
      for (let k = 0; k < count; k++) open[k] = driven.open[k] + dot(over[k], x);
      const { resistances, ways } = found;
      const seen = { inside, open, resistances, from: volts };
      if (!iterate(nonLinear, seen, closeEnough)) {
        // A guess that is far off may lead nowhere: then from nothing.
        volts.fill(0);
        if (!iterate(nonLinear, seen, closeEnough)) return false;
      }
      for (let k = 0; k < count; k++) {
        rest[k] = nonLinear[k].characteristic.at(volts[k]).amps - inside[k] * volts[k];
        if (!(Math.abs(resistances[k * count + k] * rest[k]) < TOO_LARGE)) return false;
        const way = ways[k];
        for (let i = 0; i < m; i++) x[i] -= way[i] * rest[k];
      }
    }
    if (whole) small.expand(x, rest, at, into);
    else for (let i = 0; i < m; i++) into[kept[i]] = x[i];
    return true;
  };

  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const space = workspace(n);
  /** Newton's iteration on everything, where the quick way has no answer. */
  const iterated = (z: Float64Array, share: number, volts: Volts[], into: Float64Array): boolean => {
    for (let iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      b.set(z);
      for (let k = 0; k < a.length; k++) a[k] = system.g[k] + share * system.c[k];
      for (const pin of pins) a[pin * n + pin] += 1;
      nonLinear.forEach((part, k) => stampTangent(part, volts[k], a, b, n));
      const column = factor(a, n, space);
      if (column >= 0) throw singular(system, column);
      solve(a, n, space, b, into);
      // Rounding may keep a stiff circuit from settling as finely as one would like: then what stays within 10 µV will do.
      const near = iteration < NEWTON_STEPS / 2 ? 1e-7 : 1e-5;
      let settled = true;
      nonLinear.forEach((part, k) => {
        const to = part.characteristic.limit(voltage(into, part), volts[k]);
        if (Math.abs(to - volts[k]) > near * (1 + Math.abs(to)) && !still(part.characteristic, volts[k], to))
          settled = false;
        volts[k] = to;
      });
      if (settled) return true;
    }
    return false;
  };

  const began = new Array<Volts>(count).fill(0);
  return (charge, at, share, volts, into, whole) => {
    for (let k = 0; k < count; k++) began[k] = volts[k];
    if (!careful && quick(charge, at, share, volts, into, whole)) return true;
    for (let k = 0; k < count; k++) volts[k] = began[k];
    const z = small.whole(at);
    for (let row = 0; row < n; row++) z[row] += charge[row];
    return iterated(z, share, volts, into);
  };
}

const dot = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k] * b[k];
  return sum;
};

/** A voltage that moves by less than 0.1 µV, or as small a share of itself, has settled. */
const closeEnough = (before: number, next: number): boolean => Math.abs(next - before) <= 1e-7 * (1 + Math.abs(next));
