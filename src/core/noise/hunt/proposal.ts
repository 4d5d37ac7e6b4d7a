import type { Decibels } from '../../units';
import { activity, type Explanation, type On } from './explain';

/** What to measure next. */
export interface Proposal {
  on: On;
  /** How much is learned, in bits, over all components. */
  bits: number;
}

/** Levels closer than this are not told apart. */
const APART: Decibels = 3;
/** What turning one more unit on or off costs, in bits. */
const TOGGLE = 0.08;
/** Less than this is not worth a measurement. */
const WORTHWHILE = 0.08;
/** Explanations that a proposal is weighed with. */
const MOST = 400;

/**
 * The state that splits what is left best, few units turned; undefined where no measurement would tell more.
 * @param components the explanations of each component
 * @param now what is on
 * @param fixed what always stays on
 * @param measured states that were measured already
 */
export function nextStep(
  components: readonly (readonly Explanation[])[],
  count: number,
  now: On,
  fixed: On,
  measured: readonly On[],
): Proposal | undefined {
  const open = components.map((list) => list.slice(0, MOST)).filter(([first]) => first && first.share < 0.98);
  const known = new Set(measured);
  const worth = (on: On): number =>
    known.has(on) ? -1 : open.reduce((sum, list) => sum + entropy(list, on), 0) - TOGGLE * bitsOf(on ^ now);
  const units = Array.from({ length: count }, (_, n) => 1 << n).filter((unit) => !(unit & fixed));
  const all = units.reduce((sum, unit) => sum | unit, fixed);
  // From where things stand, from everything, from nothing, and from halves that differ.
  const halves = Array.from({ length: 5 }, (_, bit) =>
    units.reduce((sum, unit, n) => ((n >> bit) & 1 ? sum | unit : sum), fixed),
  );
  let best: { on: On; worth: number } | undefined;
  for (const start of new Set([now, all, fixed, ...halves, ...halves.map((half) => (all & ~half) | fixed)])) {
    let on = start;
    let here = worth(on);
    for (;;) {
      let better: { on: On; worth: number } | undefined;
      for (const unit of units) {
        const other = on ^ unit;
        const there = worth(other);
        if (there > here + 1e-9 && there > (better?.worth ?? -Infinity)) better = { on: other, worth: there };
      }
      if (!better) break;
      on = better.on;
      here = better.worth;
    }
    if (!best || here > best.worth + 1e-9) best = { on, worth: here };
  }
  if (!best || known.has(best.on)) return undefined;
  const bits = open.reduce((sum, list) => sum + entropy(list, best.on), 0);
  return bits < WORTHWHILE ? undefined : { on: best.on, bits };
}

const bitsOf = (value: number): number => {
  let count = 0;
  for (let rest = value; rest; rest &= rest - 1) count++;
  return count;
};

/** How uncertain the outcome of a measurement is, by what the explanations say of it, in bits. */
function entropy(list: readonly Explanation[], on: On): number {
  const outcomes = new Map<string, number>();
  let total = 0;
  for (const { culprits, levels, share } of list) {
    const state = activity(culprits, on);
    const level = levels[state];
    // A state that this explanation has never seen is told by who is on: none, or whichever.
    const outcome = level === undefined ? `new ${state === 0 ? 'quiet' : 'loud'}` : `${Math.round(level / APART)}`;
    outcomes.set(outcome, (outcomes.get(outcome) ?? 0) + share);
    total += share;
  }
  let sum = 0;
  for (const share of outcomes.values()) sum -= (share / total) * Math.log2(share / total);
  return sum;
}
