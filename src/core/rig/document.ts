import { DEFAULT_SCHOOLS, type Schools } from '../schools/schools';
import type { Figure, Grounding, InletRef, Part } from '../gear';
import type { FeedName } from '../standards/feeds';
import type { DirectCurrent } from './directCurrent';
import type { ListColumn } from './listColumns';
import type { Arrangement } from './arrangement';

export type { InletRef } from '../gear';

/** Name and version of the open format. */
export const FORMAT = 'inlet-check';
export const VERSION = 2;

/** Most lines and devices one document may hold. */
export const MOST_LINES = 512;
export const MOST_DEVICES = 128;
/** Largest document that is read, in bytes. */
export const MOST_BYTES = 4 * 1024 * 1024;

/** An inlet of a device. Its feed is the switch group's. */
export interface DeviceInlet extends Part {
  id: string;
}

/** The inlets whose feed one switch turns on together. */
export interface SwitchGroup {
  id: string;
  name: string;
  inlets: string[];
  /** Feeds it can be set to besides off. */
  offers: Exclude<FeedName, 'off'>[];
  /** What it is set to now. */
  feed: FeedName;
  /** Where the switch is found, in the user's words: "menu, inputs, page 2". */
  control?: string;
  /** It keeps its state without mains and comes back with it. */
  latched?: boolean;
  /** It mutes its inlets while it switches. */
  mutes?: boolean;
  /** Time over which the feed rises or falls. */
  ramp?: Figure;
}

/** Cells a device runs on. */
export interface Batteries {
  cells: number;
  chemistry: 'alkaline' | 'nickel metal hydride' | 'lithium' | 'lithium ion' | 'power bank' | 'other';
  /** Charge of one cell. */
  capacity?: Figure;
  /** Share of the charge that can be used before the device gives up, in %. */
  usable?: Figure;
  /** What the device takes with every feed off, in W. */
  baseLoad?: Figure;
  /** How much of what the feeds' converter takes arrives at the inlets, in %. */
  efficiency?: Figure;
  /** How much of a power bank’s charge arrives behind its own converter, in %. */
  bankEfficiency?: Figure;
  /** The load below which a power bank shuts off, in W. */
  shutsOff?: Figure;
  /** How long one set has to last, in h. */
  hours?: Figure;
  /** What has to be left at the end, for the last take, in h. */
  reserve?: Figure;
}

export interface Device {
  id: string;
  name: string;
  note?: string;
  item?: string;
  /** Where it stands. */
  location?: string;
  inlets: DeviceInlet[];
  groups: SwitchGroup[];
  /** How its ground stands to mains earth; what runs on batteries floats unless this says otherwise. */
  ground?: Grounding;
  /** Most current of all its feeds together. */
  feedLimit?: Figure;
  batteries?: Batteries;
}

/** A socket of a link on another line. */
export interface Socket {
  line: string;
  /** Id of that link. */
  link: string;
  /** Name of its further socket. */
  port: string;
}

interface LineHead {
  id: string;
  name: string;
  note?: string;
  /** Where its source stands. */
  location?: string;
  links: Part[];
}
type Beginning = { source: Part } | { source: { from: Socket } };
type Ending = { inlet: InletRef } | { inlet: { into: Socket } };

/** One line as a document holds it; it may begin at another line's link (splitter) or end in one (link-through, Y-lead). */
export type RigLine = LineHead & Beginning & Ending;

/** A line's beginning or end put in another's place. */
export const withEnds = (line: RigLine, ends: Partial<Pick<RigLine, 'source' | 'inlet'>>): RigLine =>
  ({ ...line, ...ends }) as RigLine;

/**
 * A rig as a file holds it: devices, lines, the schools it follows where they differ from the careful default, where
 * things stand, what a plan has to keep to, and what hangs on direct-current supplies.
 */
export interface RigDocument extends Arrangement {
  format: typeof FORMAT;
  version: typeof VERSION;
  name: string;
  note?: string;
  schools?: Partial<Schools>;
  devices: Device[];
  lines: RigLine[];
  directCurrent?: DirectCurrent;
  /** Columns of the input list that it was read from last. */
  listColumns?: ListColumn[];
}

/** Every school of a rig, defaults filled in. */
export const schoolsOf = (document: Pick<RigDocument, 'schools'>): Schools => ({
  ...DEFAULT_SCHOOLS,
  ...document.schools,
});

export const emptyRig = (name: string): RigDocument => ({
  format: FORMAT,
  version: VERSION,
  name,
  devices: [],
  lines: [],
});

type FromLink = LineHead & { source: { from: Socket } } & Ending;
type IntoLink = LineHead & Beginning & { inlet: { into: Socket } };
export const startsAtLink = (line: RigLine): line is FromLink => 'from' in line.source;
export const endsInLink = (line: RigLine): line is IntoLink => 'into' in line.inlet;

/** The switch group of an inlet, if it has one. */
export const groupOf = (device: Device, inlet: string): SwitchGroup | undefined =>
  device.groups.find((group) => group.inlets.includes(inlet));
