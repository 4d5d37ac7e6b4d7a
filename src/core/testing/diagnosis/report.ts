import type { Situation } from '../situation';
import type { Diagnosed } from './diagnose';

/** A diagnosis as the terminal and other programs read it. */
export interface Report {
  /** Id of the line; of a cable, its connector. */
  line: string;
  hypotheses: { what: string; part: string; probability: number }[];
  next: { instrument: string; at: string; ask: string; bits: number; seconds: number } | null;
  acts: { what: string; probability: number; seconds: number }[];
  /** Acting now is cheaper than looking further. */
  act: boolean;
  ruledOut: string[];
  notSeen: string[];
  /** Observations that do not fit the others, by their place. */
  contradictions: number[];
  /** What has to be known before anything is touched. */
  cautions: string[];
}

const rounded = (value: number, digits = 4): number => Number(value.toFixed(digits));
const partKey = (part: string | number): string => (typeof part === 'number' ? `link ${part}` : part);

/** What has to be known before a line is touched, in words. */
const cautionsOf = ({ asWired, harmed }: Situation): string[] => [
  ...(harmed.length
    ? [
        `The feed of this switch harms ${harmed.join('; ')}: turn it off, pull them, and only then turn it on again. Nothing is asked that needs it on.`,
      ]
    : []),
  ...(asWired ? [`With good cables it is ${asWired.verdict} all the same, as it is wired: ${asWired.what}.`] : []),
];

export function reportOf(line: string, found: Diagnosed, situation?: Situation): Report {
  const { left, next, acts, act, ruledOut, notSeen, contradictions } = found;
  return {
    line,
    hypotheses: left.map(({ what, part, probability }) => ({
      what,
      part: partKey(part),
      probability: rounded(probability),
    })),
    next: next
      ? {
          instrument: next.instrument,
          at: next.at,
          ask: next.ask,
          bits: rounded(next.bits, 3),
          seconds: Math.round(next.seconds),
        }
      : null,
    acts: acts.map(({ text, probability, seconds }) => ({
      what: text,
      probability: rounded(probability),
      seconds: Math.round(seconds),
    })),
    act,
    ruledOut,
    notSeen,
    contradictions,
    cautions: situation ? cautionsOf(situation) : [],
  };
}
