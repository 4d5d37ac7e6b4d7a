import type { Seconds } from '../../units';
import { beliefOf, instrumentOf, likelihoods, lookKey, type Seen, type Table } from './belief';
import { onAgain, PLUG, untilOff, walkTo, type Standing } from '../costs';
import { cures, type Act } from '../hypotheses/hypothesis';
import type { Look } from '../instruments';
import { highVoltageOf, unplugged, type Subject } from '../subject';

/** What somebody may do now, with how likely it is to help and what it takes. */
export interface ActNow extends Act {
  probability: number;
  seconds: Seconds;
  /** What is done before and after; empty where there is nothing to say. */
  how: string;
  /** Something is unplugged for it. */
  unplugs: boolean;
  /** The feed goes on for it. */
  feedOn: boolean;
}

/** A look, with what it would tell. */
export interface Proposal {
  look: Look;
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
  const { look } = last;
  return { where: look.where === 'both' ? 'desk' : look.where, off: instrumentOf(look).leavesOff };
}

const secondsOfAct = ({ subject }: Table, act: Act, standing: Standing): Seconds => {
  if (act.part === 'desk') return walkTo('desk', standing) + 8;
  const where = act.part === 'inlet' ? 'desk' : 'source';
  return walkTo(where, standing) + untilOff(subject, standing) + 3 * PLUG + onAgain(subject);
};

/** Acts that turn a feed on, or to another voltage. */
const TURNS_FEED: ReadonlySet<string> = new Set(['feed on', 'feed voltage']);

/** How an act is done so that nobody is hurt and nothing is opened live. */
function wayOf(subject: Subject, { id, part }: Act): Pick<ActNow, 'how' | 'unplugs' | 'feedOn'> {
  if (TURNS_FEED.has(id))
    return {
      how: 'Mute, monitors down, headphones off; unmute when it has settled.',
      unplugs: false,
      feedOn: true,
    };
  if (part === 'desk' || id === 'source on') return { how: '', unplugs: false, feedOn: false };
  const how = `${unplugged(subject, 'do it')} Monitors down, headphones off while you switch.`;
  return {
    how: part === 'source' ? `${how}${highVoltageOf(subject)}` : how,
    unplugs: true,
    feedOn: subject.livesOnFeed,
  };
}

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
const outlooks = (table: Table, look: Look, shares: readonly number[]): { likely: number; shares: number[] }[] =>
  table.outcomes(look).map(({ key }) => {
    const weights = likelihoods(table, look, [key]).map((likelihood, n) => likelihood * shares[n]);
    const likely = weights.reduce((sum, weight) => sum + weight, 0);
    return { likely, shares: weights.map((weight) => weight / (likely || 1)) };
  });

/** Looks that were not made yet, best first, and whether to act instead. @param cannot looks that somebody cannot make */
export function nextOf(table: Table, seen: readonly Seen[], cannot: ReadonlySet<string> = new Set()): Next {
  const { shares } = beliefOf(table, seen);
  const standing = standingAfter(seen);
  const done = new Set(seen.map(({ look }) => lookKey(look)));
  const cured = curedBy(table, standing);
  const acts = cured
    .map(({ act, hypotheses, seconds }): ActNow => ({
      ...act,
      ...wayOf(table.subject, act),
      probability: hypotheses.reduce((sum, n) => sum + shares[n], 0),
      seconds,
    }))
    .sort((a, b) => b.probability - a.probability);
  const open = entropy(byAct(table, shares).values());
  const acting = costOfActing(shares, cured);
  let cheapest = Infinity;
  const looks = table.looks
    .filter((look) => !done.has(lookKey(look)) && !cannot.has(lookKey(look)))
    .flatMap((look): Proposal[] => {
      const takes = walkTo(look.where, standing) + instrumentOf(look).seconds(table.subject, look, standing);
      const after = outlooks(table, look, shares);
      // Once an act is likely enough there is nothing more to decide.
      const left = after.map(({ shares: then }) => (isDecided(then, cured) ? 0 : entropy(byAct(table, then).values())));
      const bits = open - after.reduce((sum, each, n) => sum + each.likely * left[n], 0);
      if (bits < NOTHING_NEW) return [];
      cheapest = Math.min(
        cheapest,
        takes + after.reduce((sum, each) => sum + each.likely * costOfActing(each.shares, cured), 0),
      );
      return [{ look, bits, seconds: takes }];
    })
    .sort((a, b) => b.bits / b.seconds - a.bits / a.seconds);
  const [likeliest] = acts;
  const act =
    looks.length === 0 || likeliest.probability >= SURE || (likeliest.probability >= UNSURE && acting <= cheapest);
  return { acts, looks, act, open };
}
