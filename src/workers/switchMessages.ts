import type { ActionCourse } from '@/core/rigcheck';
import type { RigDocument } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';
import type { SheetRig, SheetState, Way } from '@/core/runsheet';

/** What a page asks the switch worker. `ticket` comes back with the answer. */
export type SwitchQuestion = { ticket: number } & (
  | {
      ask: 'course';
      document: RigDocument;
      line: string;
      device: string;
      group: string;
      feed: FeedName;
      action: 'on' | 'off';
    }
  | { ask: 'ways'; document: RigDocument; rig: SheetRig; state: SheetState; line: string }
);

export type SwitchAnswer = { ticket: number } & (
  { ask: 'course'; course?: ActionCourse } | { ask: 'ways'; ways: Way[] } | { ask: 'failed'; message: string }
);
