import { carriers, groupOf, type SheetLine, type SheetRig } from './rig';
import type { Seconds } from '../units';
import { elapsed, feeding, isHeard, live, type Known, type SheetState } from './state';

/** What holds in every state of every sequence; the numbers are those of the design. */
export type Invariant = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9;

export const INVARIANTS: Record<Invariant, string> = {
  1: 'Nothing is plugged or unplugged while its feed is on or charged (unless your school allows it on this line), before the wait has passed, or while its inlet is unmuted.',
  2: 'No feed, battery or pad is switched while anything it can thump through is unmuted.',
  3: 'No switch goes on while a line it reaches would be harmed by that feed, or ends in a loose plug.',
  4: 'After a feed came on, nothing is unmuted before it has settled.',
  5: 'Before a device is powered up, its latched switches are off, or every line on them can take the feed.',
  6: 'An outboard supply goes on last: volume down, source to supply, supply to inlet, supply on, wait, unmute. One that harms its source stays off.',
  7: 'The room is not the paper: what was plugged before the rig changed on paper is pulled before its line is plugged anew.',
  8: 'The power of a device changes only with monitors and headphones down.',
  9: 'What a device without power is set to is not known: nothing is turned on it, and nothing plugged into a bank whose switch may come back on, before it has power and somebody has looked.',
};

/** An invariant that an action would break, and why. */
export interface Breach {
  invariant: Invariant;
  why: string;
}

/** A moment in seconds since 1970 is exact to a fraction of a microsecond: whoever waited to the millisecond has waited. */
const EXACT: Seconds = 1e-3;

/** Whether less than a wait has passed since something changed. */
export const within = (state: SheetState, since: Known<Seconds>, wait: Seconds): boolean =>
  elapsed(state, since) < wait - EXACT;

/** Whether a line is in at its inlet, or may be. */
export const reached = (state: SheetState, { id }: SheetLine): boolean => state.ends[id].desk !== false;

/** Whether nothing can be heard of an inlet: it is muted, or its device has no power. */
export const silent = ({ muted, mains }: SheetState, { id, device }: SheetLine): boolean =>
  muted[id] === true || mains[device] === false;

/** Whether a feed that is known to be on harms a line that is in, or may be. */
export const harming = (rig: SheetRig, state: SheetState, key: string): SheetLine[] => {
  const { feed } = state.feeds[key];
  if (feed === 'off' || feed === 'unknown' || state.mains[groupOf(rig, key).device] === false) return [];
  return rig.lines.filter((line) => line.stops[key]?.includes(feed) && connected(rig, state, line, key));
};

/** Lines whose own supply is known to be on and harms them. */
export const harmedBySupply = (rig: SheetRig, { supplies, ends }: SheetState): SheetLine[] =>
  rig.lines.filter(({ id, supplyHarms }) => supplyHarms && supplies[id]?.on === true && ends[id].stage !== false);

/** Whether a switch gets on the conductors of a line by any plug that is in, or may be, and its source hangs on them. */
const connected = (rig: SheetRig, state: SheetState, line: SheetLine, key: string): boolean =>
  state.ends[line.id].stage !== false && carriers(rig, line, key).some((each) => reached(state, each));

/**
 * Whether a feed is on the conductors of a line, or may be, or charged.
 * @param own what is touched is the line's own end at the switch @param made it is connected, and not taken apart
 */
export function fedAt(
  rig: SheetRig,
  state: SheetState,
  line: SheetLine,
  own: boolean,
  made: boolean,
): Breach | undefined {
  for (const key of line.groups) {
    const group = groupOf(rig, key);
    // An end that is nowhere connected to the switch may be plugged at any time.
    const by = carriers(rig, line, key);
    if (!(own && by.includes(line)) && !by.some((each) => reached(state, each))) continue;
    if (made && state.feeds[key].feed === 'unknown' && !feeding(state, group))
      return { invariant: 9, why: `${group.name} may come back on with its power.` };
    if (live(rig, state, key)) return { invariant: 1, why: `${group.name} is on, or may be.` };
    if (within(state, state.feeds[key].since, group.decay.seconds))
      return { invariant: 1, why: `${group.name} may still be charged.` };
  }
  return undefined;
}

/** After an outboard supply went off, before its line is pulled, in seconds (common practice). */
export const SUPPLY_WAIT = 60;
/** After it came on, before anything opens, in seconds (common practice). */
const SUPPLY_SETTLE = 10;
/** The same for a valve, which has to warm up before anybody listens to it, in seconds (common practice: a minute or more). */
const VALVE_SETTLE = 60;
/** How long a line's own supply is on before its inlet opens. */
export const supplySettle = ({ highVoltage }: Pick<SheetLine, 'highVoltage'>): Seconds =>
  highVoltage ? VALVE_SETTLE : SUPPLY_SETTLE;

/** Nothing that a switch reaches can be heard. */
export const shut = (rig: SheetRig, state: SheetState, key: string): boolean =>
  !isHeard(rig, state, groupOf(rig, key).device) &&
  rig.lines.every((line) => !line.groups.includes(key) || (silent(state, line) && !isHeard(rig, state, line.device)));

/** Lines of a switch that are in at their inlet while their other end hangs loose. */
export const looseOn = (rig: SheetRig, state: SheetState, key: string): SheetLine[] =>
  rig.lines.filter((line) => line.key === key && state.ends[line.id].desk === true && isLoose(state, line));
const isLoose = ({ ends }: SheetState, { id }: SheetLine): boolean => ends[id].stage === false;

/** What speaks against hearing some lines. */
export function opening(rig: SheetRig, state: SheetState, lines: readonly SheetLine[]): Breach | undefined {
  for (const line of lines) {
    for (const key of line.groups) {
      const { name, settle } = groupOf(rig, key);
      const { feed, since } = state.feeds[key];
      if (feed === 'unknown' && live(rig, state, key))
        return { invariant: 4, why: `The setting of ${name} is unknown.` };
      if (live(rig, state, key) && within(state, since, settle.seconds))
        return { invariant: 4, why: `${name} has not settled yet.` };
      const plugged = state.pluggedLive?.[line.id];
      if (live(rig, state, key) && plugged !== undefined && within(state, plugged, settle.seconds))
        return { invariant: 4, why: `${line.name} was plugged with its feed on and has not settled yet.` };
    }
    const supply = state.supplies[line.id];
    if (!supply || supply.on === false) continue;
    if (supply.on === 'unknown' || within(state, supply.since, supplySettle(line)))
      return {
        invariant: 6,
        why: line.highVoltage ? `${line.name} is still warming up.` : `The supply of ${line.name} has not settled yet.`,
      };
  }
  return undefined;
}
