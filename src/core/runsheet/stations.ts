import type { Seconds } from '../units';
import { breach, after } from './actions';
import type { SheetRig } from './rig';
import { firstBreach } from './sequence';
import type { Step, WaitReason } from './step';
import { scratch, type SheetState } from './state';
import { reasonsFor, waitFor, withWaits } from './waiting';

/** What somebody at one place of a sheet does next, and whether it can be done now. */
export interface Standing {
  place: string;
  /** Which of the session's steps it is. */
  index: number;
  step: Step;
  /** Nothing stands in the way. */
  ready: boolean;
  /** What is left to wait, and what for. */
  wait?: { seconds: Seconds; reasons: WaitReason[] };
  /** A step elsewhere that has to be done first. */
  behind?: Step;
}

/** A sheet as far as it has come: how the rig is, and what is left. */
export interface Following {
  state: SheetState;
  steps: readonly Step[];
}

/** Places that a sheet still has steps at, in the order of their first. */
export const stationsOf = ({ steps }: Pick<Following, 'steps'>): string[] => [
  ...new Set(steps.flatMap(({ place }) => (place === undefined ? [] : [place]))),
];

/**
 * The next step of one place. Places do not wait for each other, but where an invariant needs it: a step may be done as
 * soon as nothing speaks against it and everything that is left can still be done after it.
 * @returns undefined where nothing is left to do there
 */
export function standingAt(
  rig: SheetRig,
  { state: kept, steps }: Following,
  place: string,
  now: Seconds,
): Standing | undefined {
  const index = steps.findIndex((step) => step.place === place);
  if (index < 0) return undefined;
  const step = steps[index];
  const state = { ...kept, now: Math.max(now, kept.now) };
  const own = { place, index, step };
  if (canDo(rig, state, steps, index)) return { ...own, ready: true };
  const seconds = waitFor(rig, state, [step]);
  if (seconds > 0 && canDo(rig, { ...state, now: state.now + seconds }, steps, index))
    return { ...own, ready: false, wait: { seconds, reasons: reasonsFor(rig, state, [step], seconds) } };
  const before = steps.slice(0, index).filter(({ action }) => action.do !== 'wait');
  if (before.length === 0) return { ...own, ready: false };
  // The first of the steps before it after which it could be done, waits aside; after all of them it can.
  const could = (done: number): boolean => {
    const made = before.slice(0, done).reduce((at, each) => scratch(after(rig, at, each.action)), scratch(state));
    return canDo(rig, { ...made, now: made.now + PATIENCE }, [...before.slice(done), step], before.length - done);
  };
  let [low, high] = [1, before.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (could(middle)) high = middle;
    else low = middle + 1;
  }
  const behind = before.slice(0, low).findLast((each) => each.place !== place);
  return { ...own, ready: false, ...(behind && { behind }) };
}

/** Longer than any wait. */
const PATIENCE: Seconds = 1e5;

/**
 * Whether a step can be done before the ones in front of it, and they after it. What comes behind all of them finds
 * everything as it would have, but for the clocks, and waits are counted anew.
 */
function canDo(rig: SheetRig, state: SheetState, steps: readonly Step[], index: number): boolean {
  const { action } = steps[index];
  if (breach(rig, state, action)) return false;
  // Nobody listens to an inlet before its line is through.
  if (action.do === 'open' && action.lines.some((id) => isStillPlugged(steps, index, id))) return false;
  if (index === 0) return true;
  const then = after(rig, state, action);
  const overtaken = steps.slice(0, index).filter((each) => each.action.do !== 'wait');
  return firstBreach(rig, then, withWaits(rig, then, overtaken)) === undefined;
}

const isStillPlugged = (steps: readonly Step[], index: number, line: string): boolean =>
  steps.slice(0, index).some(({ action }) => action.do === 'plug' && action.line === line);

/** What is left of some steps when one of them was done before the others, with the waits that this needs. */
export const steppedOver = (rig: SheetRig, state: SheetState, steps: readonly Step[], index: number): Step[] =>
  withWaits(
    rig,
    state,
    steps.filter(({ action }, n) => n !== index && action.do !== 'wait'),
  );
