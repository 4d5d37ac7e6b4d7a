import type { Floor, LineResult, ProbeTip } from '@/core/check';
import type { FeedOption, RigResult } from '@/core/rigcheck';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';

/** Noise floors that are known, by line. */
export type Floors = Readonly<Record<string, Floor>>;

/** What a page asks the check worker. `ticket` comes back with the answer; all but `rig` speak of the rig asked about last. */
export type Question = { ticket: number } & (
  | { ask: 'rig'; document: RigDocument; kit: readonly KitItem[]; floors: Floors }
  | { ask: 'line'; id: string }
  | { ask: 'feeds'; device: string; group: string }
  | { ask: 'probe'; id: string; red: ProbeTip; black: ProbeTip }
);

export type Answer = { ticket: number } & (
  | ({ ask: 'rig' } & RigAnswer)
  | { ask: 'line'; result?: LineResult }
  | { ask: 'feeds'; options: FeedOption[] }
  | { ask: 'probe'; volts: number }
  | { ask: 'failed'; message: string }
);

/** The rig solved; only those lines are sent that came out otherwise than they did last time. */
export interface RigAnswer {
  changed: LineResult[];
  unsolved: RigResult['unsolved'];
  groups: RigResult['groups'];
}
