import type { LineResult, ProbeTip, Schools } from '@/core/check';
import type { Line } from '@/core/gear';

/** What a page asks the check worker. `ticket` comes back with the answer. */
export type Question =
  | { ticket: number; ask: 'check'; line: Line; schools: Schools }
  | { ticket: number; ask: 'probe'; line: Line; red: ProbeTip; black: ProbeTip };

export type Answer =
  | { ticket: number; ask: 'check'; result: LineResult }
  | { ticket: number; ask: 'probe'; volts: number }
  | { ticket: number; ask: 'failed'; message: string };
