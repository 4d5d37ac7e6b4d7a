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
/** A click is this many times what the second difference usually is. */
const CLICK = 14;

/** What a channel's samples say without any spectrum. Powers are mean squares, full scale being 1. */
export interface Levels {
  frames: number;
  peak: number;
  power: number;
  mean: number;
  /** Of every 400 ms. */
  windows: number[];
  /** Of every 20 ms above 1 kHz. */
  short: number[];
  clippedRuns: number;
  zeroRuns: number;
  /** Seconds of exact zeros. */
  zeros: Seconds;
  clicks: number;
}

/** Follows one channel sample by sample. */
export function levelMeter(sampleRate: Hertz) {
  const perWindow = Math.round(WINDOW * sampleRate);
  const perShort = Math.round(SHORT * sampleRate);
  const zeroRun = Math.round(ZERO_RUN * sampleRate);
  const learning = 1 / perShort;
  const pass = Math.exp((-2 * Math.PI * CUT) / sampleRate);
  const windows: number[] = [];
  const shorts: number[] = [];
  const held = {
    frames: 0,
    peak: 0,
    squares: 0,
    sum: 0,
    window: 0,
    inWindow: 0,
    short: 0,
    inShort: 0,
    full: 0,
    zero: 0,
    clippedRuns: 0,
    zeroRuns: 0,
    zeros: 0,
    clicks: 0,
    lastClick: -Infinity,
    x1: 0,
    x2: 0,
    high: 0,
    bend: 0,
  };

  return {
    push(samples: Float32Array): void {
      // Held in locals while samples pass: this runs for every one of them.
      let { frames, peak, squares, sum, window, inWindow, short, inShort, full, zero } = held;
      let { clippedRuns, zeroRuns, zeros, clicks, lastClick, x1, x2, high, bend } = held;
      for (let n = 0; n < samples.length; n++) {
        const x = samples[n];
        const size = x < 0 ? -x : x;
        if (size > peak) peak = size;
        const square = x * x;
        squares += square;
        sum += x;
        window += square;
        high = pass * (high + x - x1);
        short += high * high;
        if (size >= FULL) {
          if (++full === CLIPPED_RUN) clippedRuns++;
        } else full = 0;
        if (x === 0) zero++;
        else if (zero > 0) {
          if (zero >= zeroRun) {
            zeroRuns++;
            zeros += zero;
          }
          zero = 0;
        }
        const second = Math.abs(x - 2 * x1 + x2);
        if (second > CLICK * bend && frames > perShort && second > 1e-5) {
          if (frames - lastClick > perShort) clicks++;
          lastClick = frames;
        } else bend += (second - bend) * learning;
        x2 = x1;
        x1 = x;
        frames++;
        if (++inWindow === perWindow) {
          windows.push(window / perWindow);
          window = inWindow = 0;
        }
        if (++inShort === perShort) {
          shorts.push(short / perShort);
          short = inShort = 0;
        }
      }
      Object.assign(held, { frames, peak, squares, sum, window, inWindow, short, inShort, full, zero });
      Object.assign(held, { clippedRuns, zeroRuns, zeros, clicks, lastClick, x1, x2, high, bend });
    },
    levels(): Levels {
      const { frames, peak, squares, sum, zero, clippedRuns, zeroRuns, zeros, clicks } = held;
      const open = zero >= zeroRun ? 1 : 0;
      return {
        frames,
        peak,
        power: frames ? squares / frames : 0,
        mean: frames ? sum / frames : 0,
        windows: windows.length ? windows : frames ? [squares / frames] : [],
        short: shorts,
        clippedRuns,
        zeroRuns: zeroRuns + open,
        zeros: (zeros + (open ? zero : 0)) / sampleRate,
        clicks,
      };
    },
  };
}
