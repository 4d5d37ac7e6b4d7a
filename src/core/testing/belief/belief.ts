import { instrumentNamed, INSTRUMENTS, type Instrument, type Look } from '../instruments';
import { atTimes } from '../instruments/listening';
import { mixed, type Shown } from '../outcome';
import type { Hypothesis } from '../hypotheses/hypothesis';
import type { Repair } from '../hypotheses/priors';
import { misreadings, rateOf } from './misreadings';
import type { Subject } from '../subject';

/** One thing that was looked at, and what was seen: an outcome's key. */
export interface Seen {
  look: Look;
  key: string;
}

/** What every look would show under every hypothesis, worked out when it is asked for. */
export interface Table {
  subject: Subject;
  hypotheses: readonly Hypothesis[];
  looks: readonly Look[];
  /** By hypothesis. */
  shown: (look: Look) => readonly Shown[];
  /** How often an instrument is misread. */
  errs: (look: Look) => number;
  /** Everything that a look may show. */
  outcomes: (look: Look) => Shown;
}

export const lookKey = ({ instrument, at }: Pick<Look, 'instrument' | 'at'>): string => `${instrument} at ${at}`;

export const instrumentOf = ({ instrument }: Look): Instrument => instrumentNamed(instrument)!;

/** @param repairs that helped, for how often instruments were misread before */
export function tableOf(subject: Subject, hypotheses: readonly Hypothesis[], repairs: readonly Repair[] = []): Table {
  const misread = misreadings(repairs);
  const shown = new Map<string, readonly Shown[]>();
  const outcomes = new Map<string, Shown>();
  const looks = INSTRUMENTS.flatMap((each) => each.looks(subject));
  const of = (look: Look): readonly Shown[] => {
    const known = shown.get(lookKey(look));
    if (known) return known;
    const found = hypotheses.map((each) => shownOf(subject, look, each));
    shown.set(lookKey(look), found);
    return found;
  };
  return {
    subject,
    hypotheses,
    looks,
    shown: of,
    errs: (look) => rateOf(instrumentOf(look), misread),
    outcomes(look) {
      const known = outcomes.get(lookKey(look));
      if (known) return known;
      const all = new Map<string, Shown[number]>();
      const sound = instrumentOf(look).shows(subject, look, undefined);
      for (const each of [...sound, ...of(look).flat()]) if (!all.has(each.key)) all.set(each.key, each);
      outcomes.set(lookKey(look), [...all.values()]);
      return [...all.values()];
    },
  };
}

/**
 * The looks that can be made with what is at hand.
 * @param only names of instruments; all where left out @param feedStaysOff nothing is asked that turns the feed on
 */
export function atHand(looks: readonly Look[], only?: ReadonlySet<string>, feedStaysOff = false): Look[] {
  const has = (name: string) => only?.has(name) ?? true;
  return looks.filter((look) => {
    const { failing } = instrumentOf(look);
    return has(look.instrument) && !(failing && has(failing)) && !(feedStaysOff && look.feedOn);
  });
}

/** What a look shows if a hypothesis is true; what is there at times may be there while somebody looks, or not. */
function shownOf(subject: Subject, look: Look, hypothesis: Hypothesis): Shown {
  const instrument = instrumentOf(look);
  // What lies elsewhere than where is looked changes nothing there.
  const { line, faults } = hypothesis.world;
  const elsewhere =
    line === subject.line && faults.length > 0 && faults.every((fault) => instrument.misses?.(look, fault));
  const there = instrument.shows(subject, look, elsewhere ? undefined : hypothesis);
  if (!hypothesis.sometimes) return there;
  if (look.instrument === 'listening') return atTimes();
  return mixed(there, instrument.catches, instrument.shows(subject, look, undefined));
}

/** How likely what was seen is under each hypothesis. @param look what was looked at @param keys everything different that was seen there */
export function likelihoods(table: Table, look: Look, keys: readonly string[]): number[] {
  const errs = table.errs(look);
  const others = Math.max(1, table.outcomes(look).length - 1);
  return table.shown(look).map((shown) =>
    keys.reduce((product, key) => {
      const share = shown.find((each) => each.key === key)?.share ?? 0;
      return product * (share * (1 - errs) + (1 - share) * (errs / others));
    }, 1),
  );
}

/** What was seen, by look: what was read twice and was the same counts once, for it says nothing new. */
function byUse(seen: readonly Seen[]): { look: Look; keys: string[] }[] {
  const found = new Map<string, { look: Look; keys: string[] }>();
  for (const { look, key } of seen) {
    const known = found.get(lookKey(look)) ?? { look, keys: [] };
    if (!known.keys.includes(key)) known.keys.push(key);
    found.set(lookKey(look), known);
  }
  return [...found.values()];
}

export interface Belief {
  /** By hypothesis, all together 1. */
  shares: number[];
  /** How likely all that was seen was, whatever is wrong. */
  evidence: number;
}

/** What is left after some looks, in whatever order they came. */
export function beliefOf(table: Table, seen: readonly Seen[]): Belief {
  const weights = table.hypotheses.map(({ prior }) => prior);
  for (const { look, keys } of byUse(seen))
    likelihoods(table, look, keys).forEach((likelihood, n) => (weights[n] *= likelihood));
  const evidence = weights.reduce((sum, weight) => sum + weight, 0);
  return { shares: weights.map((weight) => weight / (evidence || 1)), evidence };
}

/** Looks that hardly fit what the others say: which, and how likely each was by them. */
export function contradictions(table: Table, seen: readonly Seen[]): { seen: Seen; likely: number }[] {
  if (seen.length < 2) return [];
  return seen.flatMap((each) => {
    const { shares } = beliefOf(
      table,
      seen.filter((other) => lookKey(other.look) !== lookKey(each.look)),
    );
    const own = likelihoods(table, each.look, [each.key]);
    const likely = own.reduce((sum, likelihood, n) => sum + likelihood * shares[n], 0);
    return likely < UNLIKELY ? [{ seen: each, likely }] : [];
  });
}

/** What was less likely than this by all the rest does not fit it. */
const UNLIKELY = 0.05;
