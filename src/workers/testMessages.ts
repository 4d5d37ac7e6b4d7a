import type { ConnectorId, Part } from '@/core/gear';
import type { RigDocument } from '@/core/rig';
import type { CableTested, Diagnosed, Experience, Observation, Situation } from '@/core/testing';

/** What a page asks the worker that finds faults. `ticket` comes back with the answer. */
export type TestQuestion = { ticket: number } & (
  | {
      ask: 'line';
      document: RigDocument;
      line: string;
      observations: Observation[];
      experience: Experience;
      /** Names of the instruments that are at hand; all where left out. */
      only?: string[];
      cannot: string[];
      /** What the feed would harm is not plugged in any more. */
      pulled: boolean;
    }
  | {
      ask: 'cable';
      connector: ConnectorId;
      cable: Part;
      observations: Observation[];
      experience: Experience;
      only?: string[];
    }
);

export type TestAnswer = { ticket: number } & (
  | { ask: 'line'; found: Diagnosed; situation: Situation }
  | { ask: 'cable'; found: CableTested }
  | { ask: 'failed'; message: string }
);
