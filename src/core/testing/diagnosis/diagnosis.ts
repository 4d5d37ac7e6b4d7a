import type { PartRef } from '../../gear';
import type { Seconds } from '../../units';
import { beliefOf, contradictions, instrumentOf, likelihoods, type Seen, type Table } from '../belief/belief';
import type { Act, Hypothesis } from '../hypotheses/hypothesis';
import { nextOf, type ActNow } from '../belief/asking';
import { fitsNothing } from '../belief/pairs';
import type { At } from '../instruments';
import type { Repair } from '../hypotheses/priors';

/** What it may still be, alike ones together. */
export interface Left {
  what: string;
  part: PartRef | 'desk' | 'nothing';
  act: Act;
  probability: number;
  /** As what a repair counts, with whether each look fits. */
  counts: Repair;
}

/** What is asked next, and why this. */
export interface Question {
  instrument: string;
  label: string;
  at: At;
  ask: string;
  how: string;
  about: string;
  where: 'source' | 'desk' | 'both';
  bits: number;
  seconds: Seconds;
  /** What it may show, with how likely and what it would mean; the likeliest first. */
  answers: { key: string; text: string; likely: number; means: string }[];
  /** Faults of the circuit that it shows nothing of. */
  notSeen: string[];
  /** Something is unplugged for it. */
  unplugs: boolean;
  /** The numbers it shows, where it shows any: in what unit, and by what names. */
  numbers?: { unit: string; labels: string[] };
}

/** What is known after some looks. */
export interface Diagnosis {
  left: Left[];
  /** The same with contacts of one part taken together, for whoever reads it. */
  alike: { what: string; probability: number }[];
  acts: ActNow[];
  /** Acting now is cheaper than asking on. */
  act: boolean;
  /** Bits that are still to be decided between the acts. */
  open: number;
  next?: Question;
  /** The other looks, most told for its time first. */
  others: Question[];
  /** What was thinkable and is not any more. */
  ruledOut: string[];
  /** Faults of what was looked at that none of the looks could show. */
  notSeen: string[];
  /** Looks that do not fit the others, by their place. */
  contradictions: number[];
  /** Everything that was seen together fits no single fault. */
  unexplained: boolean;
}

/** Ruled out is what is less likely than the first, and by so much less likely than before anything was looked at. */
const [RULED_OUT, TIMES_LESS] = [0.005, 10];
/** What was thinkable and is not any more. */
export const ruledOutBy = ({ hypotheses }: Table, shares: readonly number[]): Hypothesis[] =>
  hypotheses.filter(({ prior }, n) => shares[n] < Math.min(RULED_OUT, prior / TIMES_LESS));

/** What is left and likelier than this is listed. */
const LISTED = 0.002;
const MOST_MEANINGS = 3;

/** @param cannot keys of looks that somebody cannot make */
export function diagnosis(table: Table, seen: readonly Seen[], cannot: ReadonlySet<string> = new Set()): Diagnosis {
  const { shares } = beliefOf(table, seen);
  const { acts, looks, act, open } = nextOf(table, seen, cannot);
  const questions = looks.map(({ look, bits, seconds }): Question => {
    const { label, about, numbers } = instrumentOf(look);
    return {
      instrument: look.instrument,
      label,
      about,
      at: look.at,
      ask: look.ask,
      how: look.how,
      where: look.where,
      unplugs: look.unplugs === true,
      ...(numbers && { numbers: numbers(table.subject, look) }),
      bits,
      seconds,
      answers: answersOf(table, look, shares),
      notSeen: look.at === 'desk' ? [] : missedBy(table, look, shares),
    };
  });
  const against = new Set(contradictions(table, seen).map((each) => each.seen));
  return {
    left: leftOf(table, shares, seen),
    alike: together(
      table.hypotheses.flatMap((hypothesis, n) => (shares[n] > LISTED ? [{ hypothesis, share: shares[n] }] : [])),
    ).map(({ what, share }) => ({ what, probability: share })),
    acts: acts.filter(({ probability }) => probability > LISTED),
    act,
    open,
    ...(!act && questions[0] && { next: questions[0] }),
    others: act ? questions : questions.slice(1),
    ruledOut: wordsOf(ruledOutBy(table, shares)),
    notSeen: notSeenBy(table, seen),
    contradictions: seen.flatMap((each, n) => (against.has(each) ? [n] : [])),
    unexplained: fitsNothing(table, seen),
  };
}

/** Several contacts of one part with the same sort of fault, in words. */
const ANY: Partial<Record<Repair['type'], string>> = {
  open: 'a contact open',
  'open at times': 'a contact open at times',
  shorted: 'two contacts shorted',
  'shorted at times': 'two contacts shorted at times',
  resistive: 'a bad joint',
  swapped: 'two contacts swapped',
  damp: 'damp between contacts',
};

/** Hypotheses of one sort and one part as one, with what they are worth together; most worth first. */
function together(hypotheses: readonly { hypothesis: Hypothesis; share: number }[]): { what: string; share: number }[] {
  const groups = new Map<string, { hypothesis: Hypothesis; share: number }[]>();
  for (const each of hypotheses) {
    const { part, what, counts } = each.hypothesis;
    const key = ANY[counts.type] ? `${part} ${counts.type}` : what;
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  return [...groups.values()]
    .map((group) => {
      const [first] = group.toSorted((a, b) => b.share - a.share);
      const { what, counts } = first.hypothesis;
      // One contact that stands out is named.
      const several = group.filter(({ share }) => share > STANDS_OUT * first.share).length > 1;
      return {
        what: several && ANY[counts.type] ? `${what.slice(0, what.lastIndexOf(': '))}: ${ANY[counts.type]}` : what,
        share: group.reduce((sum, { share }) => sum + share, 0),
      };
    })
    .sort((a, b) => b.share - a.share);
}

/** What is less likely than this part of the likeliest contact is not named beside it. */
const STANDS_OUT = 0.2;

const wordsOf = (hypotheses: readonly Hypothesis[]): string[] => [...new Set(hypotheses.map(({ what }) => what))];

/** What is shown more rarely than this if something is so does not fit it. */
const FITS = 0.02;

function leftOf(table: Table, shares: readonly number[], seen: readonly Seen[]): Left[] {
  const looksOf = (n: number): NonNullable<Repair['looks']> =>
    seen.map(({ look, key }) => ({
      instrument: look.instrument,
      fits: (table.shown(look)[n].find((each) => each.key === key)?.share ?? 0) >= FITS,
    }));
  return table.hypotheses
    .flatMap(({ what, part, act, counts }, n): Left[] =>
      shares[n] > LISTED ? [{ what, part, act, counts: { ...counts, looks: looksOf(n) }, probability: shares[n] }] : [],
    )
    .sort((a, b) => b.probability - a.probability);
}

/** A look that shows of a fault what it would show without, more often than not. */
function isMissed(table: Table, look: Seen['look'], n: number): boolean {
  const { world, condition } = table.hypotheses[n];
  if (world.faults.length === 0 || condition) return false;
  const good = new Set(
    instrumentOf(look)
      .shows(table.subject, look, undefined)
      .map(({ key }) => key),
  );
  const told = table.shown(look)[n].reduce((sum, { key, share }) => sum + (good.has(key) ? 0 : share), 0);
  return told < 0.5;
}

/** What is still likely of what a look shows nothing of. */
const missedBy = (table: Table, look: Seen['look'], shares: readonly number[]): string[] =>
  together(
    table.hypotheses.flatMap((hypothesis, n) =>
      shares[n] > LISTED && isMissed(table, look, n) ? [{ hypothesis, share: shares[n] }] : [],
    ),
  ).map(({ what }) => what);

/** Faults of what was looked at that every look so far would have missed. */
function notSeenBy(table: Table, seen: readonly Seen[]): string[] {
  const looks = seen.filter(({ look }) => look.at.startsWith('junction') || look.at.startsWith('link'));
  return wordsOf(
    table.hypotheses.filter(({ world, condition }, n) => {
      if (world.faults.length === 0 || condition) return false;
      const own = looks.filter(({ look }) => !world.faults.every((fault) => instrumentOf(look).misses?.(look, fault)));
      return own.length > 0 && own.every(({ look }) => isMissed(table, look, n));
    }),
  );
}

function answersOf(table: Table, look: Seen['look'], shares: readonly number[]): Question['answers'] {
  return table
    .outcomes(look)
    .map(({ key, text }) => {
      const own = likelihoods(table, look, [key]).map((likelihood, n) => likelihood * shares[n]);
      const likely = own.reduce((sum, each) => sum + each, 0);
      const meant = together(table.hypotheses.map((hypothesis, n) => ({ hypothesis, share: own[n] / (likely || 1) })))
        .slice(0, MOST_MEANINGS)
        .filter(({ share }) => share > 0.1);
      return { key, text, likely, means: meant.map(({ what }) => what).join('; ') };
    })
    .sort((a, b) => b.likely - a.likely);
}
