import type { LineResult, ProbeTip, Verdict } from '@/core/check';
import type { FeedOption, RigResult } from '@/core/rigcheck';
import type { KitItem } from '@/core/kit';
import type { Floors } from '@/core/noise/heard';
import type { RigDocument } from '@/core/rig';

/** What a page asks the check worker. `ticket` comes back with the answer; all but `rig` speak of the rig asked about last. */
export type Question = { ticket: number } & (
  | { ask: 'rig'; document: RigDocument; kit: readonly KitItem[]; floors: Floors }
  | { ask: 'line'; id: string }
  | { ask: 'feeds'; device: string; group: string }
  | { ask: 'probe'; id: string; red: ProbeTip; black: ProbeTip }
  /** Lines that are not in the rig yet: the rig asked about last stays as it is. */
  | { ask: 'typed'; document: RigDocument; ids: string[] }
);

export type Answer = { ticket: number } & (
  | ({ ask: 'rig' } & RigAnswer)
  | { ask: 'line'; result?: LineResult }
  | { ask: 'feeds'; options: FeedOption[] }
  | { ask: 'probe'; volts: number }
  | { ask: 'typed'; verdicts: TypedVerdict[] }
  | { ask: 'failed'; message: string }
);

/** What a line would be if it were put in, and its worst finding. */
export interface TypedVerdict {
  id: string;
  verdict: Verdict;
  what: string;
}

/** The rig solved; only those lines are sent that came out otherwise than they did last time. */
export interface RigAnswer {
  changed: LineResult[];
  unsolved: RigResult['unsolved'];
  groups: RigResult['groups'];
}
