import type { MeasuredTones, NoBudget, NoiseBudget, NoiseRemedy } from '@/core/noise/budget';
import type { PairReading } from '@/core/signal';
import type { Computed } from '@/core/noise/ladder';
import type { Measurement } from '@/core/noise/measurement';
import type { Hunt, HuntView } from '@/core/noise/hunt';
import type { HumDifference, MainsAsk, MainsReport } from '@/core/mains';
import type { RigDocument } from '@/core/rig';
import type { Hertz, Seconds } from '@/core/units';

/** What every line of a rig should deliver. */
export interface LineFloor {
  line: string;
  budget: NoiseBudget | NoBudget;
}

/** What a page asks the noise worker. `ticket` comes back with the answer. */
export type NoiseQuestion = { ticket: number } &
  /** @param hums what was measured last on lines, by their ids: it counts instead of what is calculated */
  (
    | { ask: 'floors'; document: RigDocument; hums: Readonly<Record<string, MeasuredTones>> }
    | { ask: 'budget'; document: RigDocument; line: string; gain?: number; hum?: MeasuredTones }
    | { ask: 'hunt'; hunt: Hunt; document: RigDocument }
    | { ask: 'mains'; document: RigDocument }
    | { ask: 'mains asks'; document: RigDocument; report: MainsReport }
  );

export type NoiseAnswer = { ticket: number } & (
  | { ask: 'floors'; floors: LineFloor[] }
  | { ask: 'budget'; budget: NoiseBudget | NoBudget; remedies: NoiseRemedy[]; computed: Computed }
  | { ask: 'hunt'; view: HuntView; difference?: HumDifference }
  | { ask: 'mains'; report: MainsReport }
  | { ask: 'mains asks'; asks: MainsAsk[] }
  | { ask: 'failed'; message: string }
);

/** What a page tells the worker that measures. It measures one recording and is then done with. */
export type MeterOrder =
  | { do: 'file'; file: File }
  /** Sound from this application's own server. */
  | { do: 'fetch'; path: string }
  /** Samples come in as blocks, until the end. */
  | { do: 'listen'; sampleRate: Hertz; channels: number }
  | { do: 'block'; block: Float32Array[] }
  | { do: 'end' };

/** One recording measured. */
export interface Recorded {
  /** One a channel. */
  measurements: Measurement[];
  seconds: Seconds;
  sampleRate: Hertz;
  /** The file ended before it said it would. */
  truncated: boolean;
  pairs: PairReading[];
  patterns: string[];
  /** Gain that the simulated interface says it had. */
  gain?: number;
  /** The sound itself, where it came from this application's server or the browser's input. */
  audio?: Blob;
}

export type MeterReport =
  /** `share` is missing where nobody knows how much will come. */
  | { tells: 'progress'; seconds: Seconds; share?: number; peak: number }
  | { tells: 'measured'; recorded: Recorded }
  | { tells: 'failed'; message: string };
