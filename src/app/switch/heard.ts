import type { Session, SheetRig } from '@/core/runsheet';
import { unlessSame } from '@/ui/shell/useSame';

/** How far a rig's run sheet has come, as the server tells it; `now` is the sheets' clock, in seconds. */
export interface LiveSheet {
  version: number;
  revision: number;
  rig: SheetRig;
  session: Session;
  now: number;
}

/** A sheet with what its clock, and the clock on the wall, are ahead of this page's when it was heard, in seconds. */
export type Heard = LiveSheet & { offset: number; wall: number };

export const heard = (sheet: LiveSheet, wall = Date.now() / 1000 - sheet.now): Heard => ({
  ...sheet,
  offset: sheet.now - steady(),
  wall,
});

/** What a clock may be off before it is put right, in seconds: answers take a little longer now and then. */
const SLACK = 0.02;
const setRight = (clock: number, now: number): number => (Math.abs(now - clock) < SLACK ? clock : now);

/**
 * What is to be shown of what was heard: the rig comes with every report and is mostly the same, and what is told comes as
 * an answer and over the stream; answers may overtake each other.
 */
export function newest(shown: unknown, came: unknown): Heard {
  const [before, sheet] = [shown as Heard | undefined, came as Heard];
  if (!before) return sheet;
  const clocks = { offset: setRight(before.offset, sheet.offset), wall: setRight(before.wall, sheet.wall) };
  if (sheet.version < before.version) return { ...before, ...clocks };
  return {
    ...sheet,
    rig: unlessSame(before.rig, sheet.rig),
    session: unlessSame(before.session, sheet.session),
    ...clocks,
  };
}

/** Seconds by a clock that nobody sets, since this page was opened. */
export const steady = (): number => performance.now() / 1000;
