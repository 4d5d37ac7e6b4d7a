import type { FreeInlet } from '../gear';
import type { Spare } from './case';

/** What a line may be moved to, and whether to spend time on what only a reader of its reasons wants to know. */
export interface CheckOptions {
  /** Inlets that nothing is plugged into. */
  free?: readonly FreeInlet[];
  /** Links of the kit that nothing uses. */
  kit?: readonly Spare[];
  /** Follow over time what happens while it is plugged. */
  overTime?: boolean;
}
