import type { Figure, InletRef } from '../gear';
import type { Mains, MainsPlug } from './mains';

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
  /** How it is joined to the mains; by its kind where nobody says. */
  plug?: MainsPlug;
  /** From each pole it is joined to over a capacitor to its chassis. */
  leakage?: Figure;
  /** What it takes from the mains. */
  current?: Figure;
  /** Between its chassis and earth, measured; RMS. */
  chassis?: Figure;
  /** What flows to earth through whoever touches it, measured by the shop, never with an earth conductor opened. */
  touch?: Figure;
  /** How its audio ground stands to its chassis; directly where nobody says. */
  audioGround?: 'resistor' | 'lifted';
  /** A listed device in its mains lead that stops small earth currents and passes a fault. */
  blocks?: true;
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
  /** Outlets, leads and what joins grounds beside the lines. */
  mains?: Mains;
}
