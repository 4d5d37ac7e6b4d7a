import type { Decibels, Seconds } from '../../units';
import type { Disturbance } from './disturbance';
import type { Levels } from './levels';
import type { Reach } from './reach';
import type { Density } from './spectrum';
import type { Mains, Tone, Wandering } from './tones';
import type { Refusal } from './usable';
import type { Word } from './word';

/** What a recording looks like, and what that usually comes from. */
export interface Pattern {
  code:
    | 'magnetic-pick-up'
    | 'rectifier-buzz'
    | 'motor-tones'
    | 'computer-tones'
    | 'wandering-whine'
    | 'hiss'
    | 'gate'
    | 'exact-zeros'
    | 'rumble'
    | 'crackle'
    | 'ticking'
    | 'dropouts'
    | 'direct-offset'
    | 'clipped-upstream'
    | 'dead-channel'
    | 'cut-off'
    | 'word-length';
  what: string;
  usually: string;
  evidence: string;
}

/** What a channel shows. */
export interface Seen {
  mains: Mains | undefined;
  tones: readonly Tone[];
  /** Mean squares. */
  rumble: number;
  inBand: number;
  /** What is as white as the top of the band, and all that is no tone, A-weighted. */
  hiss: number;
  weighted: number;
  /** The hiss again, unweighted. */
  white: number;
  /** Everything, A-weighted. */
  inBandA: number;
  slope: Decibels;
  density: Density;
  reach: Reach;
  levels: Levels;
  /** From one frame to the next. */
  frame: Seconds;
  wandering: readonly Wandering[];
  /** Mean square of the floor; null where there is none. */
  floor: number | null;
  /** Direct offset of what is the floor, as a share of full scale. */
  offset: number;
  word: Word;
  disturbances: readonly Disturbance[];
  reasons: readonly Refusal[];
}
