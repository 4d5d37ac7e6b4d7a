import type { Figure } from '../gear';
import type { DbSpl } from '../units';
import type { InletRef, RigDocument } from './document';
import { rigPath } from './paths';

/** Where sources and devices stand. Cable is measured between locations. */
export interface Location {
  id: string;
  name: string;
  /** How loud it is there with everybody quiet, in dB(A). */
  room?: Figure;
  /** The same by octaves, in dB; taken before `room` where both are stated. */
  roomBands?: RoomBand[];
}

/** Level of the octave around a frequency, in dB SPL. */
export interface RoomBand {
  hz: number;
  level: number;
}

/** The noise of the place where a line's source stands; undefined where nobody has stated it. */
export function roomOf(
  document: RigDocument,
  line: string,
): { level: DbSpl } | { bands: readonly RoomBand[] } | undefined {
  const source = rigPath(document, line)?.source;
  const at = document.lines.find(({ id }) => id === source)?.location;
  const location = document.locations?.find(({ id }) => id === at);
  if (location?.roomBands?.length) return { bands: location.roomBands };
  return location?.room && { level: location.room.value };
}

/** The cable that is needed from one location to another, either way, laid as it will lie. */
export interface Run {
  between: [string, string];
  /** In metres. */
  length: Figure;
}

/** What can hum, buzz or whine on a job. */
export const UNIT_KINDS = {
  'audio device': 'audio device on the mains',
  computer: 'computer',
  display: 'display',
  supply: 'plug-in supply or adapter',
  charger: 'charger',
  lamp: 'lamp or dimmer',
  wireless: 'wireless unit or telephone',
  transformer: 'transformer',
  'cable run': 'run of cable beside mains',
  motor: 'motor, pump or refrigerator',
  loudspeaker: 'loudspeaker or amplifier',
} as const;
export type UnitKind = keyof typeof UNIT_KINDS;

/** Something on the job that may disturb a recording, whether sound runs through it or not. */
export interface Unit {
  id: string;
  name: string;
  kind: UnitKind;
  /** The outlet or strip that it hangs on, in the user's words. */
  outlet?: string;
  /** The device of the rig that it is. */
  device?: string;
  /** The line whose source it is. */
  line?: string;
}

/** What a plan of who goes where has to keep to. */
export interface Wishes {
  /** Lines that belong on one particular inlet. */
  pinned?: { line: string; to: InletRef }[];
  /** Inlets that are not to be used: by one line, or, where none is named, by any. */
  forbidden?: { to: InletRef; line?: string }[];
  /** Pairs of lines that belong on neighbouring inlets of one device. */
  neighbours?: [string, string][];
}

/** Loudspeakers, headphones or a stream that are turned up and down together. */
export interface MonitorGroup {
  id: string;
  name: string;
  /** Where they are turned up and down; where their devices are, if nobody says. */
  location?: string;
  /** Devices that are heard on them. */
  devices: string[];
}

/** What a document says of places and wishes besides its devices and lines. */
export interface Arrangement {
  locations?: Location[];
  runs?: Run[];
  wishes?: Wishes;
  /** What is heard where; everything in one place, if nobody says. */
  monitors?: MonitorGroup[];
  /** What hangs on the mains. */
  units?: Unit[];
}

/** The length of the run between two locations in metres, 0 within one; undefined where nobody has stated it. */
export function runLength({ runs }: Arrangement, from: string, to: string): number | undefined {
  if (from === to) return 0;
  return runs?.find(({ between }) => between.includes(from) && between.includes(to))?.length.value;
}

/** A document that says nothing of lines, inlets and devices that are gone. */
export function tidied(document: RigDocument): RigDocument {
  const { wishes: before, units, monitors, ...rest } = document;
  const wishes = wishesFor(before, document);
  const known = new Set(document.devices.map(({ id }) => id));
  return {
    ...rest,
    ...(wishes && { wishes }),
    ...(monitors && {
      monitors: monitors.map((each) => ({ ...each, devices: each.devices.filter((id) => known.has(id)) })),
    }),
    ...(units && { units: units.map((unit) => without(unit, document)) }),
  };
}

/** A unit without what it was in the rig, where that is gone. */
function without({ device, line, ...unit }: Unit, { devices, lines }: Pick<RigDocument, 'lines' | 'devices'>): Unit {
  return {
    ...unit,
    ...(devices.some(({ id }) => id === device) && { device }),
    ...(lines.some(({ id }) => id === line) && { line }),
  };
}

function wishesFor(
  wishes: Wishes | undefined,
  { lines, devices }: Pick<RigDocument, 'lines' | 'devices'>,
): Wishes | undefined {
  if (!wishes) return undefined;
  const known = new Set(lines.map(({ id }) => id));
  const inlets = new Set(devices.flatMap(({ id, inlets: own }) => own.map((inlet) => `${id} ${inlet.id}`)));
  const there = ({ device, inlet }: InletRef) => inlets.has(`${device} ${inlet}`);
  const kept: Wishes = {
    pinned: wishes.pinned?.filter(({ line, to }) => known.has(line) && there(to)),
    forbidden: wishes.forbidden?.filter(({ line, to }) => (line === undefined || known.has(line)) && there(to)),
    neighbours: wishes.neighbours?.filter((pair) => pair.every((line) => known.has(line))),
  };
  const filled = Object.entries(kept).filter(([, list]) => list?.length);
  return filled.length ? Object.fromEntries(filled) : undefined;
}
