import type { Hertz, Seconds } from '../../units';
import { FRAME } from './frames';
import { growingFloats } from './growing';
import { topMeter } from './tops';

/** A stretch of samples that say nothing. */
const ZERO_RUN: Seconds = 0.005;
/** So many samples at full scale in a row are clipped. */
const CLIPPED_RUN = 3;
/** So many samples of one value stand still: a converter or a link has lost some (common practice). */
const STILL_RUN = 12;
/** Samples of 24 bits. */
const WHOLE = 2 ** 23;
const FULL: number = 1 - 1 / 32_768;
/** Levels over time are means of this length. */
export const WINDOW: Seconds = 0.4;
/** A click bends the wave this many times as far as it usually bends within a frame. */
const CLICK = 14;

/** Places of more clicks than this are not kept. */
const MOST_CLICKS = 20_000;

/** What a channel's samples say without any spectrum. Powers are mean squares, full scale being 1. */
export interface Levels {
  frames: number;
  peak: number;
  power: number;
  mean: number;
  /** Of every 400 ms. */
  windows: number[];
  /** Of every frame; hours of them, so they are kept small. */
  frameLevels: Float32Array;
  /** The mean sample of each. */
  frameMeans: Float32Array;
  clippedRuns: number;
  zeroRuns: number;
  /** Exact zeros, in all. */
  zeros: Seconds;
  /** Those of them that the recording begins or ends with: nothing has arrived yet, or no longer. */
  zerosAtEnds: Seconds;
  clicks: number;
  /** Frames in which a click lies. */
  clickFrames: number[];
  /** Stretches shorter than those that stand still, by zeros or by a value that is held, within something that sounds. */
  dropouts: { zeros: number; held: number; frames: number[] };
  /** Part of the samples that are as large as the one before. */
  still: number;
  /** Samples that were no numbers, or without end: they count as zero. */
  broken: number;
  /** Bits that the samples use; undefined for samples that are no whole numbers of 24 bits. */
  bits?: number;
  /** How many times more samples lie within 1 % of the greatest than in the next 2 %: a clipped wave stays there. */
  flatTop: number;
}

/** What one stretch of samples adds up to. */
interface Stretch {
  peak: number;
  squares: number;
  sum: number;
  /** Size of the second difference: its sum and its greatest. */
  bends: number;
  bend: number;
  /** Samples that are what the one before was, and the most of them in a row. */
  same: number;
  longest: number;
}

/** The last two samples of a channel, and how many of the last are the same. */
interface Before {
  x1: number;
  x2: number;
  run: number;
}

/** The samples between two places, all in one short window; `held` goes on to the last of them. */
function stretchOf(samples: Float32Array, from: number, to: number, held: Before): Stretch {
  let { x1, x2, run } = held;
  let longest = run;
  // This is gone through once for every sample: plain comparisons, and each by itself, which is three times as quick as
  // taken out of a row.
  let most = 0;
  let least = 0;
  let squares = 0;
  let sum = 0;
  let bends = 0;
  let bend = 0;
  let same = 0;
  for (let n = from; n < to; n++) {
    const x = samples[n];
    if (x > most) most = x;
    else if (x < least) least = x;
    squares += x * x;
    sum += x;
    if (x === x1) {
      same++;
      if (++run > longest) longest = run;
    } else run = 0;
    const second = Math.abs(x - x1 - (x1 - x2));
    bends += second;
    if (second > bend) bend = second;
    x2 = x1;
    x1 = x;
  }
  held.x1 = x1;
  held.x2 = x2;
  held.run = run;
  return { peak: Math.max(most, -least), squares, sum, bends, bend, same, longest };
}

/** Whether every sample is the same: nothing arrives, whatever the direct offset. */
export const isConstant = ({ frames, still }: Pick<Levels, 'frames' | 'still'>): boolean =>
  frames > 1 && still * frames > frames - 1.5;

/** Takes what is no number out of some samples: zero in its place. @returns how many there were */
function mend(samples: Float32Array, from: number, to: number): number {
  let count = 0;
  for (let n = from; n < to; n++)
    if (!Number.isFinite(samples[n])) {
      samples[n] = 0;
      count++;
    }
  return count;
}

/** Follows one channel sample by sample. */
export function levelMeter(sampleRate: Hertz) {
  const perFrame = Math.round(FRAME * sampleRate);
  const perWindow = Math.round(WINDOW * sampleRate);
  const zeroRun = Math.round(ZERO_RUN * sampleRate);
  const windows: number[] = [];
  const clickFrames: number[] = [];
  const totals = growingFloats();
  const means = growingFloats();
  let [frames, peak, squares, sum] = [0, 0, 0, 0];
  let [window, inWindow, frame, frameSum, inFrame] = [0, 0, 0, 0, 0];
  let [full, zero, clippedRuns, zeroRuns, zeros, before, clicks] = [0, 0, 0, 0, 0, 0, 0];
  /** Mean size of the second difference in what came before. */
  let usual = 0;
  let lastClick = -Infinity;
  // Nothing came before the first sample.
  const held: Before = { x1: 0, x2: 0, run: -1 };

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
      else endZeros(frames + n - from);
  };
  /** @param at the sample that they end before */
  const endZeros = (at: number) => {
    if (zero >= zeroRun) {
      zeroRuns++;
      zeros += zero;
      if (zero === at) before = zero;
    }
    zero = 0;
  };

  const tops = topMeter();
  let [stillRun, stillValue, sames, word, broken] = [0, NaN, 0, 0, 0];
  let isWhole = true;
  const dropouts = { zeros: 0, held: 0, frames: [] as number[] };
  /** Runs of one value, neither so long that they are a pause nor at the ends. */
  const countStill = (samples: Float32Array, from: number, to: number) => {
    for (let n = from; n < to; n++)
      if (samples[n] === stillValue) stillRun++;
      else {
        endStill(frames + n - from);
        stillValue = samples[n];
        stillRun = 1;
      }
  };
  /** @param at the sample that it ends before */
  const endStill = (at: number) => {
    const isPause = stillRun >= 25 * zeroRun || stillRun === at;
    if (stillRun >= STILL_RUN && !isPause && Math.abs(stillValue) < 0.9 * peak) {
      if (stillValue === 0) dropouts.zeros++;
      else dropouts.held++;
      if (dropouts.frames.length < MOST_CLICKS) dropouts.frames.push(totals.count());
    }
    stillRun = 0;
    stillValue = NaN;
  };
  /** The lowest bit that is ever used, by some of the samples. */
  const countBits = (samples: Float32Array, from: number, to: number) => {
    for (let n = from; n < to; n += 16) {
      const value = samples[n] * WHOLE;
      word |= value;
      if (value !== Math.trunc(value)) isWhole = false;
    }
  };

  return {
    /** @param samples those among them that are no numbers are made zero, so that whoever follows them next is spared them */
    push(samples: Float32Array): void {
      for (let from = 0; from < samples.length;) {
        const to = Math.min(samples.length, from + perFrame - inFrame, from + perWindow - inWindow);
        const heldBefore = { ...held };
        let found = stretchOf(samples, from, to, held);
        if (!Number.isFinite(found.squares)) {
          broken += mend(samples, from, to);
          found = stretchOf(samples, from, to, Object.assign(held, heldBefore));
        }
        peak = Math.max(peak, found.peak);
        squares += found.squares;
        sum += found.sum;
        window += found.squares;
        frame += found.squares;
        frameSum += found.sum;
        sames += found.same;
        if (found.longest + 1 >= STILL_RUN) countStill(samples, from, to);
        else {
          // No run is long enough to count: what the last sample began goes on.
          stillRun = held.run + 1;
          stillValue = held.x1;
        }
        if (isWhole) countBits(samples, from, to);
        tops.push(samples, from, to, found.peak);
        if (found.peak >= FULL) countFull(samples, from, to);
        else full = 0;
        if (found.longest + 1 >= zeroRun) countZeros(samples, from, to);
        else zero = held.x1 === 0 ? held.run + 1 : 0;
        // A click bends the wave far more than the samples before it did; one is counted once, wherever the pieces end.
        const click = usual > 0 && found.bend > CLICK * usual && found.bend > 1e-5 && frames > perFrame;
        if (click && frames - lastClick > perFrame) clicks++;
        if (click && clickFrames.at(-1) !== totals.count() && clickFrames.length < MOST_CLICKS)
          clickFrames.push(totals.count());
        if (click) lastClick = frames;
        // What stays louder is no click for long: what is usual follows it, by twice as much from frame to frame. After
        // nothing it may begin anywhere within these samples.
        const bends = Math.min(found.bends / (to - from), click ? 2 * usual : Infinity);
        if (usual > 0 || frames === 0) usual += (bends - usual) * Math.min(1, (to - from) / perFrame) || 0;
        else usual = found.bend;
        frames += to - from;
        inFrame += to - from;
        inWindow += to - from;
        from = to;
        if (inWindow === perWindow) {
          windows.push(window / perWindow);
          window = inWindow = 0;
        }
        if (inFrame < perFrame) continue;
        totals.push(frame / perFrame);
        means.push(frameSum / perFrame);
        frame = frameSum = inFrame = 0;
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
        frameLevels: totals.values(),
        frameMeans: means.values(),
        clippedRuns,
        zeroRuns: zeroRuns + open,
        zeros: (zeros + (open ? zero : 0)) / sampleRate,
        zerosAtEnds: (before + (open ? zero : 0)) / sampleRate,
        clicks,
        clickFrames,
        dropouts,
        still: frames ? sames / frames : 0,
        broken,
        ...(isWhole && word !== 0 && { bits: 24 - Math.round(Math.log2(word & -word)) }),
        flatTop: tops.flatness(),
      };
    },
  };
}
