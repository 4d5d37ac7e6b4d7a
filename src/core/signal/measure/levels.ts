import type { Hertz, Seconds } from '../../units';

/** A stretch of samples that say nothing. */
const ZERO_RUN: Seconds = 0.005;
/** So many samples at full scale in a row are clipped. */
const CLIPPED_RUN = 3;
const FULL: number = 1 - 1 / 32_768;
const WINDOW: Seconds = 0.4;
const SHORT: Seconds = 0.02;
/** Below this the short windows hardly listen: rumble is no speech, and comes and goes by itself. */
const CUT: Hertz = 1000;
/** A click bends the wave this many times as far as it usually bends within 20 ms. */
const CLICK = 14;

/** What a channel's samples say without any spectrum. Powers are mean squares, full scale being 1. */
export interface Levels {
  frames: number;
  peak: number;
  power: number;
  mean: number;
  /** Of every 400 ms. */
  windows: number[];
  /** Of every 20 ms above 1 kHz; hours of them, so they are kept small. */
  short: Float32Array;
  clippedRuns: number;
  zeroRuns: number;
  /** Seconds of exact zeros. */
  zeros: Seconds;
  clicks: number;
}

/** What one stretch of samples adds up to. */
interface Stretch {
  peak: number;
  squares: number;
  sum: number;
  /** Squares above the cut. */
  high: number;
  /** Size of the second difference: its sum and its greatest. */
  bends: number;
  bend: number;
  zeros: number;
}

/** Follows one channel sample by sample. */
export function levelMeter(sampleRate: Hertz) {
  const perShort = Math.round(SHORT * sampleRate);
  const perWindow = Math.round(WINDOW / SHORT);
  const zeroRun = Math.round(ZERO_RUN * sampleRate);
  const pass = Math.exp((-2 * Math.PI * CUT) / sampleRate);
  const windows: number[] = [];
  let shorts = new Float32Array(1024);
  let shortCount = 0;
  let [frames, peak, squares, sum] = [0, 0, 0, 0];
  let [window, inWindow, short, inShort] = [0, 0, 0, 0];
  let [full, zero, clippedRuns, zeroRuns, zeros, clicks] = [0, 0, 0, 0, 0, 0];
  /** Mean size of the second difference in what came before. */
  let usual = 0;
  let lastClick = -Infinity;
  const held = { x1: 0, x2: 0, high: 0 };

  /** The samples between two places, all in one short window. */
  const stretch = (samples: Float32Array, from: number, to: number): Stretch => {
    let { x1, x2, high } = held;
    let [most, square, total, highs, bends, bend, nothing] = [0, 0, 0, 0, 0, 0, 0];
    for (let n = from; n < to; n++) {
      const x = samples[n];
      const size = Math.abs(x);
      most = Math.max(most, size);
      square += x * x;
      total += x;
      if (x === 0) nothing++;
      high = pass * (high + x - x1);
      highs += high * high;
      const second = Math.abs(x - x1 - (x1 - x2));
      bends += second;
      bend = Math.max(bend, second);
      x2 = x1;
      x1 = x;
    }
    held.x1 = x1;
    held.x2 = x2;
    held.high = high;
    return { peak: most, squares: square, sum: total, high: highs, bends, bend, zeros: nothing };
  };

  /** Runs of samples at full scale. */
  const countFull = (samples: Float32Array, from: number, to: number) => {
    for (let n = from; n < to; n++)
      if (Math.abs(samples[n]) < FULL) full = 0;
      else if (++full === CLIPPED_RUN) clippedRuns++;
  };

  /** Runs of exact zeros. */
  const countZeros = (samples: Float32Array, from: number, to: number) => {
    for (let n = from; n < to; n++)
      if (samples[n] === 0) zero++;
      else endZeros();
  };
  const endZeros = () => {
    if (zero >= zeroRun) {
      zeroRuns++;
      zeros += zero;
    }
    zero = 0;
  };

  return {
    push(samples: Float32Array): void {
      for (let from = 0; from < samples.length;) {
        const to = Math.min(samples.length, from + perShort - inShort);
        const found = stretch(samples, from, to);
        peak = Math.max(peak, found.peak);
        squares += found.squares;
        sum += found.sum;
        window += found.squares;
        short += found.high;
        if (found.peak >= FULL) countFull(samples, from, to);
        else full = 0;
        if (found.zeros > 0) countZeros(samples, from, to);
        else endZeros();
        // A click bends the wave far more than the samples before it did; one is counted once, wherever the pieces end.
        const click = found.bend > CLICK * usual && found.bend > 1e-5 && frames > perShort;
        if (click && frames - lastClick > perShort) clicks++;
        if (click) lastClick = frames;
        else usual += (found.bends / (to - from) - usual) * Math.min(1, (to - from) / perShort) || 0;
        frames += to - from;
        inShort += to - from;
        from = to;
        if (inShort < perShort) continue;
        if (shortCount === shorts.length) {
          const longer = new Float32Array(2 * shorts.length);
          longer.set(shorts);
          shorts = longer;
        }
        shorts[shortCount++] = short / perShort;
        short = inShort = 0;
        if (++inWindow < perWindow) continue;
        windows.push(window / (perWindow * perShort));
        window = inWindow = 0;
      }
    },
    levels(): Levels {
      const open = zero >= zeroRun ? 1 : 0;
      return {
        frames,
        peak,
        power: frames ? squares / frames : 0,
        mean: frames ? sum / frames : 0,
        windows: windows.length ? windows : frames ? [squares / frames] : [],
        short: shorts.subarray(0, shortCount),
        clippedRuns,
        zeroRuns: zeroRuns + open,
        zeros: (zeros + (open ? zero : 0)) / sampleRate,
        clicks,
      };
    },
  };
}
