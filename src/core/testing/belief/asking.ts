import type { Seconds } from '../../units';
import { beliefOf, instrumentOf, lookKey, type Seen, type Table } from './belief';
import { onAgain, PLUG, untilOff, walkTo, type Standing } from './costs';
import { cures, type Act } from '../hypotheses/hypotheses';
import type { Use } from '../instruments';

/** What somebody may do now, with how likely it is to help and what it takes. */
export interface ActNow extends Act {
  probability: number;
  seconds: Seconds;
}

/** A look, with what it would tell. */
export interface Proposal {
  use: Use;
  /** How much less there is to decide between the acts, on average; nothing is left to decide once one is likely enough. */
  bits: number;
  seconds: Seconds;
}

export interface Next {
  /** Likeliest first. */
  acts: ActNow[];
  /** What to look at, most told for its time first. */
  looks: Proposal[];
  /** Acting now is cheaper than looking further. */
  act: boolean;
  /** Bits that are still to be decided. */
  open: number;
}

/** An act that does not help costs what it takes, and about so much more until one is where one was (assumed). */
const IN_VAIN: Seconds = 240;
/** An act that is so likely is done; below the second it is not, while there is anything worth looking at. */
const [SURE, UNSURE] = [0.985, 0.955];
/** What tells less than this tells nothing. */
const NOTHING_NEW = 0.01;

/** Where somebody stands after what was looked at: where they were last, and how the line was left. */
export function standingAfter(seen: readonly Seen[]): Standing {
  const last = seen.at(-1);
  if (!last) return { where: 'desk', off: false };
  const { use } = last;
  return { where: use.where === 'both' ? 'desk' : use.where, off: instrumentOf(use).leavesOff };
}

const secondsOfAct = ({ subject }: Table, act: Act, standing: Standing): Seconds => {
  if (act.part === 'desk') return walkTo('desk', standing) + 8;
  const where = act.part === 'inlet' ? 'desk' : 'source';
  return walkTo(where, standing) + untilOff(subject, standing) + 3 * PLUG + onAgain(subject);
};

/** Shares of the acts, by their id. */
function byAct({ hypotheses }: Table, shares: readonly number[]): Map<string, number> {
  const found = new Map<string, number>();
  hypotheses.forEach(({ act }, n) => found.set(act.id, (found.get(act.id) ?? 0) + shares[n]));
  return found;
}

const entropy = (shares: Iterable<number>): number => {
  let bits = 0;
  for (const share of shares) if (share > 0) bits -= share * Math.log2(share);
  return bits;
};

/** What it costs to do the act that is best, with what it costs when it is in vain. */
function costOfActing(shares: readonly number[], cured: readonly Cured[]): Seconds {
  let least = Infinity;
  for (const { hypotheses, seconds } of cured) {
    let share = 0;
    for (const n of hypotheses) share += shares[n];
    least = Math.min(least, seconds + (1 - share) * IN_VAIN);
  }
  return least;
}

/** An act with the hypotheses, by their place, that it puts right. */
interface Cured {
  act: Act;
  hypotheses: number[];
  seconds: Seconds;
}

const curedBy = (table: Table, standing: Standing): Cured[] =>
  [...new Map(table.hypotheses.map(({ act }) => [act.id, act])).values()].map((act) => ({
    act,
    hypotheses: table.hypotheses.flatMap((each, n) => (cures(act, each, table.subject.links) ? [n] : [])),
    seconds: secondsOfAct(table, act, standing),
  }));

const isDecided = (shares: readonly number[], cured: readonly Cured[]): boolean =>
  cured.some(({ hypotheses }) => hypotheses.reduce((sum, n) => sum + shares[n], 0) >= UNSURE);

/** What may be seen of a look, with how likely, and what would be left then. */
function outlooks(table: Table, use: Use, shares: readonly number[]): { likely: number; shares: number[] }[] {
  const { errs } = instrumentOf(use);
  const outcomes = table.outcomes(use);
  const others = Math.max(1, outcomes.length - 1);
  const shown = table.shown(use);
  return outcomes.map(({ key }) => {
    const weights = shares.map((share, n) => {
      if (share === 0) return 0;
      const seen = shown[n].find((each) => each.key === key)?.share ?? 0;
      return share * (seen * (1 - errs) + (1 - seen) * (errs / others));
    });
    const likely = weights.reduce((sum, weight) => sum + weight, 0);
    return { likely, shares: weights.map((weight) => weight / (likely || 1)) };
  });
}

/** Looks that were not made yet, best first, and whether to act instead. @param cannot looks that somebody cannot make */
export function nextOf(table: Table, seen: readonly Seen[], cannot: ReadonlySet<string> = new Set()): Next {
  const { shares } = beliefOf(table, seen);
  const standing = standingAfter(seen);
  const done = new Set(seen.map(({ use }) => lookKey(use)));
  const cured = curedBy(table, standing);
  const acts = cured
    .map(({ act, hypotheses, seconds }): ActNow => ({
      ...act,
      probability: hypotheses.reduce((sum, n) => sum + shares[n], 0),
      seconds,
    }))
    .sort((a, b) => b.probability - a.probability);
  const open = entropy(byAct(table, shares).values());
  const acting = costOfActing(shares, cured);
  let cheapest = Infinity;
  const looks = table.uses
    .filter((use) => !done.has(lookKey(use)) && !cannot.has(lookKey(use)))
    .flatMap((use): Proposal[] => {
      const takes = walkTo(use.where, standing) + instrumentOf(use).seconds(table.subject, use, standing);
      const after = outlooks(table, use, shares);
      // Once an act is likely enough there is nothing more to decide.
      const left = after.map(({ shares: then }) => (isDecided(then, cured) ? 0 : entropy(byAct(table, then).values())));
      const bits = open - after.reduce((sum, each, n) => sum + each.likely * left[n], 0);
      if (bits < NOTHING_NEW) return [];
      cheapest = Math.min(
        cheapest,
        takes + after.reduce((sum, each) => sum + each.likely * costOfActing(each.shares, cured), 0),
      );
      return [{ use, bits, seconds: takes }];
    })
    .sort((a, b) => b.bits / b.seconds - a.bits / a.seconds);
  const [likeliest] = acts;
  const act =
    looks.length === 0 || likeliest.probability >= SURE || (likeliest.probability >= UNSURE && acting <= cheapest);
  return { acts, looks, act, open };
}
