import { instrumentNamed, INSTRUMENTS, type Instrument, type Use } from '../instruments';
import { atTimes } from '../instruments/listening';
import { mixed, type Shown } from '../outcome';
import type { Hypothesis } from '../hypotheses/hypotheses';
import type { Subject } from '../subject';

/** One thing that was looked at, and what was seen: an outcome's key. */
export interface Seen {
  use: Use;
  key: string;
}

/** What every look would show under every hypothesis, worked out when it is asked for. */
export interface Table {
  subject: Subject;
  hypotheses: readonly Hypothesis[];
  uses: readonly Use[];
  /** By hypothesis. */
  shown: (use: Use) => readonly Shown[];
  /** Everything that a look may show. */
  outcomes: (use: Use) => Shown;
}

export const lookKey = ({ instrument, at }: Pick<Use, 'instrument' | 'at'>): string => `${instrument} at ${at}`;

export const instrumentOf = ({ instrument }: Use): Instrument => instrumentNamed(instrument)!;

export function tableOf(subject: Subject, hypotheses: readonly Hypothesis[]): Table {
  const shown = new Map<string, readonly Shown[]>();
  const outcomes = new Map<string, Shown>();
  const uses = INSTRUMENTS.flatMap((each) => each.uses(subject));
  const of = (use: Use): readonly Shown[] => {
    const known = shown.get(lookKey(use));
    if (known) return known;
    const found = hypotheses.map((each) => shownOf(subject, use, each));
    shown.set(lookKey(use), found);
    return found;
  };
  return {
    subject,
    hypotheses,
    uses,
    shown: of,
    outcomes(use) {
      const known = outcomes.get(lookKey(use));
      if (known) return known;
      const all = new Map<string, Shown[number]>();
      const sound = instrumentOf(use).shows(subject, use, undefined);
      for (const each of [...sound, ...of(use).flat()]) if (!all.has(each.key)) all.set(each.key, each);
      outcomes.set(lookKey(use), [...all.values()]);
      return [...all.values()];
    },
  };
}

/** The looks that can be made with what is at hand. @param only names of instruments; all where left out */
export function atHand(uses: readonly Use[], only?: ReadonlySet<string>): Use[] {
  const has = (name: string) => only?.has(name) ?? true;
  return uses.filter(({ instrument }) => {
    const { failing } = instrumentNamed(instrument)!;
    return has(instrument) && !(failing && has(failing));
  });
}

/** What a look shows if a hypothesis is true; what is there at times may be there while somebody looks, or not. */
function shownOf(subject: Subject, use: Use, hypothesis: Hypothesis): Shown {
  const instrument = instrumentOf(use);
  // What lies elsewhere than where is looked changes nothing there.
  const { line, faults } = hypothesis.world;
  const elsewhere =
    line === subject.line && faults.length > 0 && faults.every((fault) => instrument.misses?.(use, fault));
  const there = instrument.shows(subject, use, elsewhere ? undefined : hypothesis);
  if (!hypothesis.sometimes) return there;
  if (use.instrument === 'listening') return atTimes();
  return mixed(there, instrument.catches, instrument.shows(subject, use, undefined));
}

/** How likely what was seen is under each hypothesis. @param use what was looked at @param keys everything different that was seen there */
export function likelihoods(table: Table, use: Use, keys: readonly string[]): number[] {
  const { errs } = instrumentOf(use);
  const others = Math.max(1, table.outcomes(use).length - 1);
  return table.shown(use).map((shown) =>
    keys.reduce((product, key) => {
      const share = shown.find((each) => each.key === key)?.share ?? 0;
      return product * (share * (1 - errs) + (1 - share) * (errs / others));
    }, 1),
  );
}

/** What was seen, by look: what was read twice and was the same counts once, for it says nothing new. */
function byUse(seen: readonly Seen[]): { use: Use; keys: string[] }[] {
  const found = new Map<string, { use: Use; keys: string[] }>();
  for (const { use, key } of seen) {
    const known = found.get(lookKey(use)) ?? { use, keys: [] };
    if (!known.keys.includes(key)) known.keys.push(key);
    found.set(lookKey(use), known);
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
  for (const { use, keys } of byUse(seen))
    likelihoods(table, use, keys).forEach((likelihood, n) => (weights[n] *= likelihood));
  const evidence = weights.reduce((sum, weight) => sum + weight, 0);
  return { shares: weights.map((weight) => weight / (evidence || 1)), evidence };
}

/** Looks that hardly fit what the others say: which, and how likely each was by them. */
export function contradictions(table: Table, seen: readonly Seen[]): { seen: Seen; likely: number }[] {
  if (seen.length < 2) return [];
  return seen.flatMap((each) => {
    const { shares } = beliefOf(
      table,
      seen.filter((other) => lookKey(other.use) !== lookKey(each.use)),
    );
    const own = likelihoods(table, each.use, [each.key]);
    const likely = own.reduce((sum, likelihood, n) => sum + likelihood * shares[n], 0);
    return likely < UNLIKELY ? [{ seen: each, likely }] : [];
  });
}

/** What was less likely than this by all the rest does not fit it. */
const UNLIKELY = 0.05;
