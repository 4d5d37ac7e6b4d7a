import type { Found } from './report';
import { groupOf, lineOf, type SheetRig } from './rig';
import { after, doubtful } from './actions';
import { withEnd, withMuted, type SheetState } from './state';

/** A state put right by what was found. */
export function corrected(rig: SheetRig, state: SheetState, what: Found): SheetState {
  if ('feed' in what) {
    // Nobody has seen when it went on or off: it may have been a moment ago, unless it came with the power as it is.
    // What feeds has its power.
    const { darkSince } = state.feeds[what.feed];
    const since = what.is === 'off' && darkSince !== undefined ? darkSince : state.now;
    const feeds = { ...state.feeds, [what.feed]: { feed: what.is, since } };
    const powered = what.is === 'off' || what.is === 'unknown' ? {} : { [groupOf(rig, what.feed).device]: true };
    return { ...state, feeds, mains: { ...state.mains, ...powered } };
  }
  if ('line' in what) return withEnd(state, lineOf(rig, what.line), what.end, what.is);
  if ('muted' in what) return withMuted(rig, state, [what.muted], what.is);
  if ('supply' in what)
    return { ...state, supplies: { ...state.supplies, [what.supply]: { on: what.is, since: state.now } } };
  if ('mains' in what)
    return what.is === 'unknown'
      ? doubtful(rig, state, { do: 'mains', device: what.mains, on: true })
      : after(rig, state, { do: 'mains', device: what.mains, on: what.is });
  return { ...state, monitors: { ...state.monitors, [what.monitors]: what.is } };
}
