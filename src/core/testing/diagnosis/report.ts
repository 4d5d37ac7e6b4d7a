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
}

const rounded = (value: number, digits = 4): number => Number(value.toFixed(digits));
const partKey = (part: string | number): string => (typeof part === 'number' ? `link ${part}` : part);

export function reportOf(line: string, found: Diagnosed): Report {
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
  };
}
