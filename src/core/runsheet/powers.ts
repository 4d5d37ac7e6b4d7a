import type { FeedName } from '../standards/feeds';
import { harming } from './invariants';
import { carriers, joined, ownId, type SheetGroup, type SheetLine, type SheetRig } from './rig';
import type { Wanted } from './wanted';
import { live, type SheetState } from './state';

/** Which devices get their power, or lose it, before anything is plugged, because nobody can look at them without. */
export interface Powers {
  /** Those that have power in the end and may not have it now. */
  on: Set<string>;
  /** Of these, the ones that get it before anything moves: nothing that hangs on them can come to harm. */
  first: Set<string>;
  /** The others: what a switch that comes back on would harm is pulled first. */
  between: Set<string>;
  /** Devices that are without power while plugs are pulled: nobody knows whether they have it, nor what they feed. */
  cut: Set<string>;
  /** Lines that are pulled at their inlet before power comes. */
  risky: Set<SheetLine>;
}

interface Moving {
  handled: readonly SheetLine[];
  opened: readonly SheetLine[];
  outOf: (line: SheetLine) => readonly unknown[];
}

/** Decides it from what is known of each device's power and of what its switches come back with. */
export function powersOf(
  rig: SheetRig,
  present: SheetState,
  wanted: Wanted,
  { handled, opened, outOf }: Moving,
): Powers {
  const made: Powers = { on: new Set(), first: new Set(), between: new Set(), cut: new Set(), risky: new Set() };
  const isStuck = (key: string) => wanted.stuck?.has(key) ?? false;
  const comes = (line: SheetLine) =>
    wanted.plugged.has(line.id) &&
    (outOf(line).length > 0 || present.ends[line.id].stage !== true || present.ends[line.id].desk !== true);
  for (const { id } of rig.devices) {
    const known = present.mains[id];
    if (known === true) continue;
    const groups = rig.groups.filter(({ device }) => device === id);
    const on = (line: SheetLine) => line.device === id || groups.some(({ key }) => line.groups.includes(key));
    const moving = handled.filter((line) => on(line) && (comes(line) || outOf(line).length > 0));
    const doubtful = groups.filter(({ key }) => present.feeds[key].feed === 'unknown');
    const risky = groups.flatMap((group) => atRisk(rig, present, wanted, group));
    const able =
      !wanted.unpowered?.has(id) &&
      !groups.some(({ key, latched }) => latched && isStuck(key) && present.feeds[key].feed !== 'off') &&
      risky.every((line) => handled.includes(line));
    const needed =
      groups.some(({ key }) => (wanted.feeds[key] ?? 'off') !== 'off') ||
      opened.some(({ device }) => device === id) ||
      doubtful.some(({ key }) => moving.some((line) => comes(line) && line.groups.includes(key)));
    if (able && needed) {
      made.on.add(id);
      (risky.length ? made.between : made.first).add(id);
      for (const line of risky) made.risky.add(line);
    }
    // Whether it feeds anything now cannot be told apart from whether it has power: without, it feeds nothing.
    const unsure = known === 'unknown' && groups.some(({ key }) => live(rig, present, key) && !isStuck(key));
    const touched =
      moving.length > 0 || groups.some(({ key }) => (wanted.feeds[key] ?? 'off') !== present.feeds[key].feed);
    if (unsure && touched && !made.first.has(id)) made.cut.add(id);
  }
  return made;
}

/** Lines, and whatever else hangs on their conductors, that a switch would harm if it came back on with the power. */
function atRisk(rig: SheetRig, present: SheetState, wanted: Wanted, group: SheetGroup): SheetLine[] {
  const { key, latched, offers } = group;
  const { feed } = present.feeds[key];
  if (!latched || feed === 'off') return [];
  // Harm that is known to be running is ended at its switch, before everything.
  if (harming(rig, present, key).length && !wanted.stuck?.has(key)) return [];
  const possible: readonly FeedName[] = feed === 'unknown' ? offers : [feed];
  return rig.lines
    .filter((line) => line.stops[key]?.some((each) => possible.includes(each)))
    .flatMap((line) => carriers(rig, line, key))
    .filter(({ id }) => present.ends[id].desk !== false);
}

/** By device, the part of the rig that it belongs to: devices that a line, or a source on two of them, holds together. */
export function partsOf(rig: SheetRig): (device: string) => string {
  const root = new Map(rig.devices.map(({ id }) => [id, id]));
  const find = (id: string): string => {
    const up = root.get(id) ?? id;
    return up === id ? id : find(up);
  };
  for (const line of rig.lines) {
    // What a line was before its rig changed on paper has to come out before it goes in anew.
    const former = rig.lines.filter((other) => ownId(other) === ownId(line));
    const devices = [...joined(rig, line), ...former].flatMap((each) => [
      each.device,
      ...rig.groups.filter(({ key }) => each.groups.includes(key)).map(({ device }) => device),
    ]);
    for (const device of devices) root.set(find(device), find(line.device));
  }
  return find;
}
