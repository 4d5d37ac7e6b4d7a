import type { Components } from '../components';
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
  /** When, in UTC. */
  at: string;
}

/** A hunt as it is kept. */
export interface Hunt {
  way: Way;
  line: string;
  suspects: Suspect[];
  steps: HuntStep[];
}

/** Suspects as bits. */
export const bitOf = (suspects: readonly Suspect[], ids: readonly string[]): On =>
  suspects.reduce((bits, { id }, n) => (ids.includes(id) ? bits | (1 << n) : bits), 0);
/** Ids of the suspects of a set. */
export const idsOf = (suspects: readonly Suspect[], on: On): string[] =>
  suspects.filter((_, n) => on & (1 << n)).map(({ id }) => id);
