import type { Decibels } from '../../units';
import { expectation, type Explanation, type On } from './explain';

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
const WORTHWHILE = 0.1;
/** Explanations that a proposal is weighed with. */
const MOST = 200;
const NEGLIGIBLE = 5e-4;
/** A component explained so surely needs nothing more. */
const SETTLED = 0.95;

/**
 * The state that splits what is left best, few units turned; undefined where no measurement would tell more.
 * @param components the explanations of each component
 * @param now what is on
 * @param fixed what always stays on
 * @param measured states that were measured already
 */
export function nextStep(
  components: readonly { list: readonly Explanation[]; scatter: Decibels }[],
  count: number,
  now: On,
  fixed: On,
  measured: readonly On[],
): Proposal | undefined {
  const open = components
    .filter(({ list: [first] }) => first && first.share < SETTLED)
    .map(({ list, scatter }) => ({
      apart: Math.max(APART, 2 * scatter),
      list: list
        .slice(0, MOST)
        .filter(({ share }) => share > NEGLIGIBLE)
        .map((each) => ({ share: each.share, expects: expectation(each) })),
    }));
  const known = new Set(measured);
  const weighed = new Map<On, number>();
  const informs = (on: On): number => {
    const before = weighed.get(on);
    if (before !== undefined) return before;
    const found = open.reduce((sum, { list, apart }) => sum + entropy(list, on, apart), 0);
    weighed.set(on, found);
    return found;
  };
  const worth = (on: On): number => (known.has(on) ? -1 : informs(on) - TOGGLE * bitsOf(on ^ now));
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
  const bits = informs(best.on);
  return bits < WORTHWHILE ? undefined : { on: best.on, bits };
}

const bitsOf = (value: number): number => {
  let count = 0;
  for (let rest = value; rest; rest &= rest - 1) count++;
  return count;
};

/** How uncertain the outcome of a measurement is, by what the explanations say of it, in bits. */
function entropy(list: readonly { share: number; expects: (on: On) => Decibels }[], on: On, apart: Decibels): number {
  const outcomes = new Map<number, number>();
  let total = 0;
  for (const { share, expects } of list) {
    // Of what an explanation has never heard nobody knows how loud it will be.
    const outcome = Math.round(expects(on) / apart);
    outcomes.set(outcome, (outcomes.get(outcome) ?? 0) + share);
    total += share;
  }
  let sum = 0;
  for (const share of outcomes.values()) sum -= (share / total) * Math.log2(share / total);
  return sum;
}
