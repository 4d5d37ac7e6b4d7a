import type { Decibels } from '../../units';
import { ofPower } from '../../signal';

/** Suspects as bits of a number: those that are on. */
export type On = number;

/** One measurement of one component. */
export interface Heard {
  on: On;
  power: number;
}

/** Who makes a component: sets of suspects that make it when all of a set are on. None, one or two of them. */
export interface Explanation {
  culprits: readonly On[];
  /** How likely, all explanations together being 1. */
  share: number;
  /** Mean level where these culprits are on, by bits: the first is 1, the second is 2. Undefined where never measured. */
  levels: (Decibels | undefined)[];
}

/** Readings of the same state differ by about this much. */
const SPREAD: Decibels = 1.5;
/** A culprit adds this much at least. */
const ADDS: Decibels = 3;
/** How much less likely a pair is than one suspect, and each further culprit. */
const [PAIR, FURTHER] = [1 / 6, 1 / 30];
/** Explanations less likely than this are forgotten. */
const FORGOTTEN = 1e-5;

/** Whether all of a set are on. */
const active = (culprit: On, on: On): boolean => (on & culprit) === culprit;

/** Which of the culprits are active, as bits. */
export const activity = (culprits: readonly On[], on: On): number =>
  culprits.reduce((bits, culprit, n) => (active(culprit, on) ? bits | (1 << n) : bits), 0);

/**
 * Every way to explain what was heard, the likeliest first.
 * @param count how many suspects there are
 */
export function explanations(heard: readonly Heard[], count: number): Explanation[] {
  const levels = heard.map(({ power }) => ofPower(power));
  const singles = Array.from({ length: count }, (_, n) => 1 << n);
  const pairs = singles.flatMap((a, n) => singles.slice(n + 1).map((b) => a | b));
  const sets = [...singles.map((on) => ({ on, prior: 1 })), ...pairs.map((on) => ({ on, prior: PAIR }))];
  const found: Explanation[] = [];
  const weigh = (culprits: On[], prior: number) => {
    const explained = fitted(culprits, heard, levels);
    if (explained) found.push({ culprits, share: prior * explained.likelihood, levels: explained.means });
  };
  weigh([], 1);
  for (const { on, prior } of sets) weigh([on], prior);
  for (let a = 0; a < sets.length; a++)
    for (let b = a + 1; b < sets.length; b++)
      // One that needs the other as well would add nothing to it.
      if ((sets[a].on & sets[b].on) !== sets[a].on)
        weigh([sets[a].on, sets[b].on], sets[a].prior * sets[b].prior * FURTHER);
  const total = found.reduce((sum, { share }) => sum + share, 0) || 1;
  return found
    .map((each) => ({ ...each, share: each.share / total }))
    .filter(({ share }) => share > FORGOTTEN)
    .sort((a, b) => b.share - a.share);
}

/** How well culprits explain what was heard; undefined where they contradict it. */
function fitted(
  culprits: readonly On[],
  heard: readonly Heard[],
  levels: readonly Decibels[],
): { likelihood: number; means: (Decibels | undefined)[] } | undefined {
  const states = 1 << culprits.length;
  const sums = new Array<number>(states).fill(0);
  const counts = new Array<number>(states).fill(0);
  const stateOf = heard.map(({ on }) => activity(culprits, on));
  stateOf.forEach((state, n) => {
    sums[state] += levels[n];
    counts[state]++;
  });
  const means = sums.map((sum, state) => (counts[state] ? sum / counts[state] : undefined));
  // Whoever joins in adds; with one of two already on it may be covered by the other.
  for (let state = 0; state < states; state++)
    for (let n = 0; n < culprits.length; n++) {
      const joined = means[state | (1 << n)];
      const without = means[state];
      if (state & (1 << n) || joined === undefined || without === undefined) continue;
      if (joined - without < (state === 0 ? ADDS : -SPREAD)) return undefined;
    }
  // With both on it is as loud as both together; without knowing the rest, no louder than that.
  if (states === 4 && [1, 2, 3].every((state) => means[state] !== undefined)) {
    const power = (state: number) => 10 ** (means[state]! / 10);
    const both = 10 * Math.log10(power(1) + power(2) - (means[0] === undefined ? 0 : power(0)));
    const over = means[3]! - both;
    if (over > 2 * SPREAD || (means[0] !== undefined && over < -2 * SPREAD)) return undefined;
  }
  const squares = levels.reduce((sum, level, n) => sum + ((level - means[stateOf[n]]!) / SPREAD) ** 2, 0);
  return { likelihood: Math.exp(-squares / 2), means };
}
