import { SEVERITIES, VERDICT_ORDER, type Finding, rankOf } from '../../check/finding';
import type { Dbu, Decibels, Hertz } from '../../units';
import { quantity } from '../../units/format';
import type { Judged } from './search';
import { plural } from '../../units';

/** Own noise of a good preamplifier, A-weighted or not hardly matters here (common practice: about -128 dBu). */
const PREAMPLIFIER: Dbu = -128;

/** How well a chain carries the signal. */
export interface Quality {
  /** Loudest expected sound above the own noise of a usual preamplifier. */
  aboveNoise?: Decibels;
  gainNeeded?: Decibels;
  balanced: boolean;
  lowCut?: Hertz;
  highCut?: Hertz;
}

const UNBALANCED = new Set(['unbalanced-entry', 'long-unbalanced', 'one-sided']);

export function qualityOf({ level, findings, lowCut, highCut }: Judged): Quality {
  return {
    ...(level && { aboveNoise: level.inlet - PREAMPLIFIER, gainNeeded: level.gainNeeded }),
    balanced: !findings.some(({ code }) => UNBALANCED.has(code)),
    lowCut,
    highCut,
  };
}

export const worst = (findings: readonly Finding[]): Finding | undefined =>
  SEVERITIES.filter((severity) => severity !== 'note')
    .map((severity) => findings.find((finding) => finding.severity === severity))
    .find(Boolean);

/** Differences below this are not worth a place, in dB. */
const AUDIBLE: Decibels = 1;

interface Criterion {
  /** Less is better. */
  of: (chain: Compared) => number;
  /** What is said of the one that is worse. */
  say: (chain: Compared, better: Compared) => string;
}

export interface Compared {
  judged: Judged;
  quality: Quality;
  usesUp: string[];
}

const steps = (value: number, size: number): number => Math.round(value / size);

/** In the order in which they count. */
const CRITERIA: Criterion[] = [
  {
    of: ({ judged }) => VERDICT_ORDER.length - rankOf(judged.verdict),
    say: ({ judged }) => worst(judged.findings)?.what ?? judged.verdict,
  },
  {
    of: ({ judged }) => judged.findings.filter(({ severity }) => severity === 'watch').length,
    say: ({ judged }) => worst(judged.findings)?.what ?? '',
  },
  { of: ({ quality }) => Number(!quality.balanced), say: () => 'It is unbalanced.' },
  {
    // Level above noise; beyond 90 dB more of it is not heard.
    of: ({ quality }) => -steps(Math.min(quality.aboveNoise ?? -200, 90), 3 * AUDIBLE),
    say: ({ quality }, better) =>
      `${quantity((better.quality.aboveNoise ?? 0) - (quality.aboveNoise ?? 0), 'dB')} less level above the noise of a preamplifier.`,
  },
  {
    of: ({ quality }) => steps(Math.log2(Math.max(quality.lowCut ?? 10, 10)), 0.5),
    say: ({ quality }) => `Its low cut is higher, at ${quantity(quality.lowCut ?? 0, 'Hz')}.`,
  },
  {
    of: ({ quality }) => -steps(Math.log2(Math.min(quality.highCut ?? 20e3, 20e3)), 0.5),
    say: ({ quality }) => `Its high cut is lower, at ${quantity(quality.highCut ?? 0, 'Hz')}.`,
  },
  {
    of: ({ judged }) => judged.chain.steps.length,
    say: ({ judged }, better) => {
      const more = judged.chain.steps.length - better.judged.chain.steps.length;
      return `${plural(more, 'link')} more.`;
    },
  },
  { of: ({ judged }) => judged.complexity, say: () => 'More complicated links.' },
  { of: ({ usesUp }) => usesUp.length, say: ({ usesUp }) => `It uses your last: ${usesUp.join(', ')}.` },
  { of: ({ judged }) => judged.changes, say: () => 'More to change against what is there now.' },
];

/** Best first; of two that are as good, always in the same order. */
export const order = (a: Compared, b: Compared): number =>
  CRITERIA.reduce((found, { of }) => found || of(a) - of(b), 0) ||
  a.judged.uses.join().localeCompare(b.judged.uses.join());

/** Why a chain stands first. */
export const whyBest = (best: Compared, second: Compared | undefined): string => {
  if (!second) return 'The only one that works.';
  const by = CRITERIA.find(({ of }) => of(best) < of(second));
  return by ? `Best of those that work.` : 'Ties with the next; use either.';
};

/** The first point in which a chain is worse than the one above it. */
export function whyBelow(chain: Compared, better: Compared): string {
  const by = CRITERIA.find(({ of }) => of(chain) > of(better));
  return by ? by.say(chain, better) : 'As good as the one above.';
}
