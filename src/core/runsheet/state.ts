import type { FeedName } from '../standards/feeds';
import type { Seconds } from '../units';
import {
  groupOf,
  monitorsOf,
  onInletsOf,
  type End,
  type SheetDevice,
  type SheetGroup,
  type SheetLine,
  type SheetRig,
} from './rig';

/** Something that may be so, or otherwise, or that nobody knows. */
export type Known<T> = T | 'unknown';

/** What a switch is set to, and since when. */
export interface FeedState {
  feed: Known<FeedName>;
  since: Known<Seconds>;
  /** Its device was without power until `since`: nothing had fed since then, if it turns out to be off. */
  darkSince?: Seconds;
}

/** The rig as it really is at a moment. */
export interface SheetState {
  now: Seconds;
  /** By line: whether each of its ends is in. */
  ends: Record<string, { stage: Known<boolean>; desk: Known<boolean> }>;
  /** By switch: what it is set to and since when; since when is unknown means it may have been a moment ago. */
  feeds: Record<string, FeedState>;
  /** By line: its inlet is muted, or its fader and gain are down. */
  muted: Record<string, Known<boolean>>;
  /** By line with a supply of its own. */
  supplies: Record<string, { on: Known<boolean>; since: Known<Seconds> }>;
  /** Loudspeakers and headphones, by what is turned up and down together. */
  monitors: Record<string, Known<'down' | 'open'>>;
  /** By device. */
  mains: Record<string, Known<boolean>>;
  /** By line: whether what is set by hand at its source is set; nobody knows of those that are not here. */
  ready?: Record<string, boolean>;
  /** By line: when it was last plugged with its feed on. */
  pluggedLive?: Record<string, Seconds>;
}

/** Everything out, everything off, everything shut: a rig that nobody has begun with. */
export const bare = (rig: SheetRig): SheetState => ({
  now: 0,
  ends: Object.fromEntries(rig.lines.map(({ id }) => [id, { stage: false, desk: false }])),
  feeds: Object.fromEntries(rig.groups.map(({ key }) => [key, { feed: 'off' as FeedName, since: -1e6 }])),
  muted: Object.fromEntries(rig.lines.map(({ id }) => [id, true])),
  supplies: Object.fromEntries(
    rig.lines.filter(({ supply }) => supply).map(({ id }) => [id, { on: false, since: -1e6 }]),
  ),
  monitors: monitorsAt(rig, 'down'),
  mains: Object.fromEntries(rig.devices.map(({ id }) => [id, true])),
});

/**
 * As it comes out of the van: everything out, nothing charged, and no device has its power. Faders, monitors and what a
 * latched switch comes back with are as whoever packed them left them: nobody knows.
 */
export const packed = (rig: SheetRig): SheetState => {
  const { feeds, ...rest } = bare(rig);
  return {
    ...rest,
    feeds: Object.fromEntries(
      rig.groups.map(({ key, latched }) => [key, latched ? { ...feeds[key], feed: 'unknown' as const } : feeds[key]]),
    ),
    muted: Object.fromEntries(rig.lines.map(({ id }) => [id, 'unknown'])),
    monitors: monitorsAt(rig, 'unknown'),
    mains: eachOf(rig.devices, () => false),
  };
};

/** A rig that somebody else has left: nothing is known. */
export const unknown = (rig: SheetRig): SheetState => ({
  now: 0,
  ends: Object.fromEntries(rig.lines.map(({ id }) => [id, { stage: 'unknown', desk: 'unknown' }])),
  feeds: Object.fromEntries(rig.groups.map(({ key }) => [key, { feed: 'unknown', since: 'unknown' }])),
  muted: Object.fromEntries(rig.lines.map(({ id }) => [id, 'unknown'])),
  supplies: Object.fromEntries(
    rig.lines.filter(({ supply }) => supply).map(({ id }) => [id, { on: 'unknown', since: 'unknown' }]),
  ),
  monitors: monitorsAt(rig, 'unknown'),
  mains: eachOf(rig.devices, () => 'unknown'),
});

const scratches = new WeakSet<SheetState>();
/**
 * A state of one's own, that goes on without being copied for every plug: of hundreds of lines that takes most of the time.
 * Whoever has it goes on with what comes back, and keeps none that came before.
 */
export function scratch(state: SheetState): SheetState {
  if (scratches.has(state)) return state;
  const own = { ...state, ends: { ...state.ends }, muted: { ...state.muted } };
  scratches.add(own);
  return own;
}

/** A state in which the inlets of some lines are muted, or not, with everything that they hear. */
export function withMuted(rig: SheetRig, state: SheetState, lines: readonly string[], is: Known<boolean>): SheetState {
  const own = scratches.has(state) ? state : { ...state, muted: { ...state.muted } };
  for (const { id } of onInletsOf(rig, lines)) own.muted[id] = is;
  return own;
}

/** A state with one end of a line in, or out; with both, where it is one plug. */
export function withEnd(
  state: SheetState,
  { id, straight }: Pick<SheetLine, 'id' | 'straight'>,
  end: End,
  is: Known<boolean>,
): SheetState {
  const own = scratches.has(state) ? state : { ...state, ends: { ...state.ends } };
  own.ends[id] = straight ? { stage: is, desk: is } : { ...own.ends[id], [end]: is };
  return own;
}

const eachOf = <T>(devices: readonly SheetDevice[], value: () => T): Record<string, T> =>
  Object.fromEntries(devices.map(({ id }) => [id, value()]));

/** Every monitor of a rig up, down, or nobody knows. */
export const monitorsAt = (rig: SheetRig, is: Known<'down' | 'open'>): SheetState['monitors'] =>
  Object.fromEntries(monitorsOf(rig).map(({ id }) => [id, is]));

/** Whether anything that hears a device is up, or may be. */
export const isHeard = (rig: SheetRig, { monitors }: SheetState, device: string): boolean =>
  monitorsOf(rig).some(({ id, devices }) => devices.includes(device) && monitors[id] !== 'down');

/** Whether a switch puts a voltage on its lines, for all that is known; without power it puts none, whatever it is set to. */
export const feeding = ({ feeds, mains }: SheetState, { key, device }: Pick<SheetGroup, 'key' | 'device'>): boolean =>
  feeds[key].feed !== 'off' && mains[device] !== false;
export const live = (rig: SheetRig, state: SheetState, key: string): boolean => feeding(state, groupOf(rig, key));

/** Seconds since something changed; none where nobody knows. */
export const elapsed = ({ now }: SheetState, since: Known<Seconds>): Seconds => (since === 'unknown' ? 0 : now - since);
