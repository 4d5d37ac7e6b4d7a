import type { Dbfs, Hertz, Seconds } from '../../units';
import { gathering } from './gather';
import { growingBytes } from './growing';
import { hannPower, type Transforms } from './transform';

/**
 * Everything that happens is told from stretches of this length. It is no whole number of periods of 50 or 60 Hz, nor near
 * one: 1.17 and 1.4 of them. Hum that drifts against the clock would else stand in the same place of one frame after the
 * other and swell and fade over many seconds in those bands that hold two of its lines; so it is the same again in the mean
 * of a few frames. At 44.1 and 48 kHz it is a whole number of samples.
 */
export const FRAME: Seconds = 7 / 300;
/** What of it is looked at: 1024 samples at 48 kHz, the length of a transform. */
const SEEN: Seconds = 1024 / 48_000;
export const framesPerSecond = 1 / FRAME;

/** Bands in which frames are read, about an octave each. */
export const EDGES: readonly Hertz[] = [30, 120, 250, 500, 1000, 2000, 4000, 8000, 16_000];
export const BANDS = EDGES.length - 1;

/** Where a single moving tone is looked for: birds, whistling. */
const [PITCH_FROM, PITCH_TO]: [Hertz, Hertz] = [1500, 10_000];

/** Levels are kept in half decibels above this, a byte each. */
const LOWEST: Dbfs = -140;

const levelOf = (byte: number): Dbfs => byte / 2 + LOWEST;
/** What a band has in which there is nothing at all. */
export const NOTHING = 10 ** (LOWEST / 10);
const POWERS = Float64Array.from({ length: 256 }, (_, byte) => 10 ** (levelOf(byte) / 10));

/** A recording frame by frame. */
export interface Frames {
  count: number;
  /** From one to the next, in whole samples of this recording. */
  seconds: Seconds;
  /** Level of a band in a frame, in dBFS; half a decibel fine. */
  level: (band: number, frame: number) => Dbfs;
  /** The same as mean squares, of all frames. */
  powers: (band: number) => Float64Array;
  /** How much of what lies between 1.5 and 10 kHz is one tone, from 0 to 1. */
  tonal: (frame: number) => number;
}

/** Follows a channel frame by frame, each behind a Hann window. */
export function frameMeter(sampleRate: Hertz, transforms: Transforms) {
  const hop = Math.round(FRAME * sampleRate);
  const size = Math.round(SEEN * sampleRate);
  const length = 2 ** Math.ceil(Math.log2(size));
  const step = sampleRate / length;
  // A mean square: Parseval over the length, the window's own power taken out, half the bins.
  const scale = 2 / length / hannPower(size);
  const bins = EDGES.map((hz) => Math.min(length / 2, Math.max(1, Math.round(hz / step))));
  const [pitchFrom, pitchTo] = [Math.ceil(PITCH_FROM / step), Math.floor(PITCH_TO / step)];
  const levels = growingBytes();
  const tonals = growingBytes();
  const spectrum = transforms(size, length);
  const power = new Float32Array(Math.max(bins[BANDS], pitchTo + 3));

  const { push } = gathering(hop, 0, (samples, from) => {
    spectrum(samples, from, power, scale);
    for (let band = 0; band < BANDS; band++) {
      const sum = sumOf(power, bins[band], bins[band + 1]);
      const dbfs = sum > 0 ? 10 * Math.log10(sum) : LOWEST;
      levels.push(Math.max(0, Math.min(255, Math.round(2 * (dbfs - LOWEST)))));
    }
    const best = greatestOf(power, pitchFrom, pitchTo);
    const sum = sumOf(power, pitchFrom, pitchTo);
    const own = power[best - 2] + power[best - 1] + power[best] + power[best + 1] + power[best + 2];
    tonals.push(sum > 0 ? Math.round((255 * Math.min(own, sum)) / sum) : 0);
  });

  return {
    push,
    frames(): Frames {
      const [bytes, shares] = [levels.values(), tonals.values()];
      return {
        count: shares.length,
        seconds: hop / sampleRate,
        level: (band, frame) => levelOf(bytes[frame * BANDS + band]),
        powers: (band) => {
          const powers = new Float64Array(shares.length);
          for (let n = 0; n < powers.length; n++) powers[n] = POWERS[bytes[n * BANDS + band]];
          return powers;
        },
        tonal: (frame) => shares[frame] / 255,
      };
    },
  };
}

/** The sum of what lies between two places. */
function sumOf(values: Float32Array, from: number, to: number): number {
  let sum = 0;
  for (let k = from; k < to; k++) sum += values[k];
  return sum;
}

/** Where the greatest lies between two places. */
function greatestOf(values: Float32Array, from: number, to: number): number {
  let best = from;
  let most = values[from];
  for (let k = from + 1; k < to; k++)
    if (values[k] > most) {
      most = values[k];
      best = k;
    }
  return best;
}
