import type { KitItem } from '@/core/kit';
import type {
  DcAssignment,
  OwnCells,
  Plan,
  PlanProgress,
  PlanRequest,
  RankedChains,
  RunningTime,
  SupplyOption,
} from '@/core/plan';
import type { DirectCurrent, InletRef, RigDocument } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';

/** What a page asks the plan worker. `ticket` comes back with the answer. */
export type PlanQuestion = { ticket: number } & (
  | { ask: 'plan'; request: PlanRequest }
  | { ask: 'chains'; document: RigDocument; kit: readonly KitItem[]; line: string; inlet: InletRef; feed: FeedName }
  | { ask: 'supplies'; document: RigDocument; kit: readonly KitItem[]; line: string }
  | { ask: 'batteries'; document: RigDocument }
  | { ask: 'outlets'; directCurrent: DirectCurrent }
);

export type PlanAnswer = { ticket: number } &
  /** Comes any number of times before the plan. */
  (
    | { ask: 'progress'; progress: PlanProgress }
    | { ask: 'plan'; plan: Plan; seconds: number }
    | { ask: 'chains'; chains?: RankedChains }
    | { ask: 'supplies'; options?: SupplyOption[] }
    | { ask: 'batteries'; times: RunningTime[]; cells: OwnCells[] }
    | { ask: 'outlets'; outlets: DcAssignment }
    | { ask: 'failed'; message: string }
  );
