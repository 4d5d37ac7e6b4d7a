import { ofPower, WINDOW, type ChannelReading, type RecordingMeter } from '../signal';
import type { Dbfs, Hertz, Seconds } from '../units';

/** A mean square and how far it may be off (one standard deviation), from the spread between windows. */
export interface Measured {
  power: number;
  error: number;
}

/** One channel of a recording, as small as it can be kept. */
export interface Measurement {
  seconds: Seconds;
  sampleRate: Hertz;
  reading: ChannelReading;
  /** Of windows of 400 ms of the floor. */
  plain: Measured;
  /** A-weighted, of the segments of its spectrum. */
  weighted: Measured;
  /** Level over time, RMS, and how long each lasts. */
  course: { every: Seconds; levels: Dbfs[] };
  /** Mean density in dBFS per hertz, at frequencies that rise evenly by ratio. */
  spectrum: { hz: Hertz; level: Dbfs }[];
}

/** Most points of a course and of a spectrum that are kept. */
const MOST_LEVELS = 400;
const POINTS = 320;
const LOWEST: Hertz = 10;

/** What a channel has said so far. */
export function measurementOf(meter: RecordingMeter, channel: number): Measurement {
  const { sampleRate, seconds, channels } = meter.reading();
  const windows = meter.windows(channel);
  const density = meter.density(channel);
  return {
    seconds,
    sampleRate,
    reading: channels[channel],
    plain: spread(windows.floor),
    weighted: spread(density.weighted),
    course: courseOf(windows.all),
    spectrum: thinned(density.values, density.step),
  };
}

/** The mean of some powers and its standard error. */
export function spread(powers: readonly number[]): Measured {
  const { length } = powers;
  const mean = powers.reduce((sum, power) => sum + power, 0) / (length || 1);
  if (length < 2) return { power: mean, error: mean };
  const variance = powers.reduce((sum, power) => sum + (power - mean) ** 2, 0) / (length - 1);
  return { power: mean, error: Math.sqrt(variance / length) };
}

function courseOf(windows: readonly number[]): Measurement['course'] {
  const per = Math.ceil(windows.length / MOST_LEVELS) || 1;
  const levels = Array.from({ length: Math.ceil(windows.length / per) }, (_, n) => {
    const part = windows.slice(n * per, (n + 1) * per);
    return rounded(ofPower(part.reduce((sum, power) => sum + power, 0) / part.length));
  });
  return { every: per * WINDOW, levels };
}

/** Means between frequencies that rise evenly; a bin where there is less than one to each. */
function thinned(values: Float64Array, step: Hertz): Measurement['spectrum'] {
  const highest = (values.length - 1) * step;
  const ratio = (highest / LOWEST) ** (1 / POINTS);
  const points: Measurement['spectrum'] = [];
  let last = -1;
  for (let n = 0; n < POINTS; n++) {
    const from = LOWEST * ratio ** n;
    const first = Math.max(last + 1, Math.round(from / step));
    const end = Math.max(first + 1, Math.round((from * ratio) / step));
    if (first >= values.length || first > Math.round((from * ratio) / step)) continue;
    const bins = values.subarray(first, Math.min(end, values.length));
    last = first + bins.length - 1;
    points.push({
      hz: rounded(((first + last) / 2) * step),
      level: rounded(ofPower(bins.reduce((sum, value) => sum + value, 0) / bins.length)),
    });
  }
  return points;
}

const rounded = (value: number): number => Math.round(value * 100) / 100;
