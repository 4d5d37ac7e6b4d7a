import type { FeedName } from '../standards/feeds';

/** Name and version of the open format. */
export const [FORMAT, VERSION] = ['inlet-check-log', 1] as const;

/** What an entry is about. */
export const ENTRY_KINDS = {
  sheet: 'Run sheet',
  step: 'Step done',
  found: 'It was different',
  'not-possible': 'Couldn’t be done',
  'line-check': 'Line check',
  incident: 'Incident',
  measured: 'Measured',
  hunt: 'Noise hunt',
  tested: 'Tested',
  note: 'Note',
  rig: 'Rig saved',
} as const;
export type EntryKind = keyof typeof ENTRY_KINDS;

/** The feeds that sources have at a moment, by line; lines without one are left out. */
export type Fed = Record<string, FeedName | 'unknown'>;

/** What is written down of one thing that happened. */
export interface Happening {
  kind: EntryKind;
  text: string;
  place?: string;
  /** Ids of the lines that it is about. */
  lines: string[];
  /** Id of a photo that is kept with the rig. */
  photo?: string;
}

export interface LogEntry extends Happening {
  id: number;
  /** As ISO 8601 in UTC. */
  at: string;
  /** A free name. */
  who: string;
  /** What the sources had from then on; absent where nothing is known of it. */
  fed?: Fed;
}
