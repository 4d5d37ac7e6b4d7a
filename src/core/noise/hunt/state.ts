import type { Components } from '../components';
import type { Measurement } from '../measurement';
import type { On } from './explain';
import type { Suspect } from './suspects';

/** Accepted ways to work: from a bare chain upwards, or from everything downwards. */
export const WAYS = {
  'build-up': 'Start with only the device on',
  'take-away': 'Start with everything on',
} as const;
export type Way = keyof typeof WAYS;

/** One measurement of a hunt. */
export interface HuntStep {
  /** Ids of the suspects that were on. */
  on: string[];
  components: Components;
  /** Density in dBFS per hertz; absent in hunts from before it was kept. */
  spectrum?: Measurement['spectrum'];
  /** When, in UTC. */
  at: string;
}

/** Who may be behind what a line hears, as far as it can be computed before anything is heard. */
export interface Expected {
  /** Of harmonics of the mains, or of whine. */
  of: 'mains' | 'whine';
  /** Ids of suspects: those that it takes all of. */
  culprits: string[];
  /** How much of it they account for: 0 to 1. */
  share: number;
}

/** A hunt as it is kept. */
export interface Hunt {
  way: Way;
  line: string;
  suspects: Suspect[];
  steps: HuntStep[];
  /** What the mains side suggests. */
  expected?: Expected[];
}

/** Suspects as bits. */
export const bitOf = (suspects: readonly Suspect[], ids: readonly string[]): On =>
  suspects.reduce((bits, { id }, n) => (ids.includes(id) ? bits | (1 << n) : bits), 0);
/** Ids of the suspects of a set. */
export const idsOf = (suspects: readonly Suspect[], on: On): string[] =>
  suspects.filter((_, n) => on & (1 << n)).map(({ id }) => id);
