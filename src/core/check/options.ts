import type { FreeInlet } from '../gear';
import type { Plugging } from '../transients';
import type { Spare } from './case';
import type { Shared } from './shared';

/** What a line may be moved to, and whether to spend time on what only a reader of its reasons wants to know. */
export interface CheckOptions {
  /** Inlets that nothing is plugged into. */
  free?: readonly FreeInlet[];
  /** Links of the kit that nothing uses. */
  kit?: readonly Spare[];
  /** What the source takes while it is plugged live, followed over time. */
  plugged?: () => Plugging;
  /** What was computed for other lines of the rig. */
  shared?: Shared;
}
