import type { Floor } from '../check/floor';
import type { ChannelReading } from '../signal';
import type { Dbfs, Decibels } from '../units';
import type { MeasuredTones, NoiseBudget } from './budget';
import type { LadderKind, RungReading } from './ladder';
import type { Measurement } from './measurement';

/** Where a recording came from. */
export const ORIGINS = {
  file: 'file',
  browser: 'input of a browser',
  simulated: 'simulated interface',
} as const;
export type Origin = keyof typeof ORIGINS;

/** What lists of measurements have of each: its figures without its spectrum and its course, which are nine tenths of it. */
export type KeptFigures = Omit<Measurement, 'spectrum' | 'course'>;

/** A measurement as it is kept: figures, line, gain, date; the sound only where somebody asked for it. */
export interface KeptMeasurement {
  id: number;
  line: string;
  /** In UTC. */
  at: string;
  who: string;
  origin: Origin;
  name: string;
  /** As set while it was recorded; absent where nobody said. */
  gain?: Decibels;
  measurement: KeptFigures;
  /** What was predicted for that line at that gain, as far as it was known. */
  predicted?: { dbfs: Dbfs; dbfsA: Dbfs };
  /** The sound is kept too. */
  audio?: true;
}

/** A prediction as it is kept beside what was measured. */
export const predictedOf = ({ reads }: NoiseBudget): KeptMeasurement['predicted'] => ({
  dbfs: reads['as-set'].known,
  dbfsA: reads['a-weighted'].known,
});

/** The same with everything that was kept of it. */
export interface WholeMeasurement extends KeptMeasurement {
  measurement: Measurement;
}

export interface KeptLadder {
  id: number;
  line: string;
  at: string;
  who: string;
  kind: LadderKind;
  readings: RungReading[];
}

/** Hum and tones of a line as they were last measured at a known gain; undefined where there were none, or nobody measured. */
export function lastTones(measurements: readonly KeptMeasurement[]): MeasuredTones | undefined {
  const last = measurements.findLast(({ gain, measurement }) => gain !== undefined && measurement.reading.usable);
  if (!last) return undefined;
  const { mains, tones } = last.measurement.reading;
  const all = [...(mains?.harmonics ?? []), ...tones].map(({ hz, dbfs }) => ({ hz, dbfs }));
  return all.length ? { gain: last.gain!, tones: all } : undefined;
}

/** The same of each line that has any, in the order of their ids: it reads the same whichever was measured last. */
export function lastHums(measurements: readonly KeptMeasurement[]): Record<string, MeasuredTones> {
  const byLine = new Map<string, KeptMeasurement[]>();
  for (const each of measurements) {
    const own = byLine.get(each.line);
    if (own) own.push(each);
    else byLine.set(each.line, [each]);
  }
  return Object.fromEntries(
    [...byLine.keys()].sort().flatMap((line) => {
      const tones = lastTones(byLine.get(line)!);
      return tones ? [[line, tones]] : [];
    }),
  );
}

/** The noise floor of each line as it was last measured; only usable readings count. */
export function lastFloors(measurements: readonly KeptMeasurement[]): Record<string, Floor> {
  const floors: Record<string, Floor> = {};
  for (const { line, measurement } of measurements)
    if (measurement.reading.usable) floors[line] = { dbfs: floorAs(measurement.reading), from: 'measured' };
  return floors;
}

/** A measured floor as each meter reads it; readings from before it was told apart have the whole recording's level. */
export const floorAs = ({
  floorDbfs,
  rmsDbfs,
  bandDbfs,
  cut80Dbfs = bandDbfs,
  aWeightedDbfs,
}: ChannelReading): Floor['dbfs'] => ({
  'as-set': floorDbfs ?? rmsDbfs,
  'cut-80': cut80Dbfs,
  'a-weighted': aWeightedDbfs,
});
