import type { Decibels, Seconds } from '../../units';
import { BANDS, EDGES, FRAME, framesPerSecond, NOTHING, type Frames } from './frames';

/** A part of a recording, in frames: from the first to before the last. */
export interface Span {
  from: number;
  to: number;
}

/** What of a recording is its floor, and what is not. */
export interface Quiet {
  /** Mean level of each band in the rest. */
  baseline: Float64Array;
  /** Mean squares of each band, smoothed, by frame. */
  smooth: Float64Array[];
  /** Spans that belong to something else. */
  others: Span[];
  /** 1 where a frame belongs to something else. */
  taken: Uint8Array;
  /** From the first to the last frame in which there is anything: a recorder may begin before anything arrives. */
  sounding: Span;
}

/** The quietest of the recording that the first guess of the floor is taken from. */
const QUIETEST = 0.2;
const BLOCK = Math.round(0.4 / FRAME);
/** Frames over which a band is smoothed: low ones say less in a frame. */
const SMOOTH = EDGES.slice(1).map((to) => (to <= 500 ? 13 : 7));
/** How many standard deviations of steady noise, at least so many decibels, are something else. */
const [SIGMAS, LEAST]: [number, Decibels] = [5, 2.5];
/** A span begins this much before it stands out, and ends this much after, as rooms sound on; gaps shorter than this belong to it. */
const [BEFORE, AFTER, GAP] = [0.08, 0.2, 0.3].map((seconds: Seconds) => Math.round(seconds / FRAME));

/** Standard deviation in decibels of a band's level over so many frames of steady noise (chi-square; a Hann window keeps two thirds). */
function deviation(band: number, frames: number): Decibels {
  const products = (EDGES[band + 1] - EDGES[band]) * frames * FRAME * 0.6;
  return 4.34 / Math.sqrt(Math.max(1, products));
}

export function quietOf(frames: Frames): Quiet {
  const { count } = frames;
  const bands = Array.from({ length: BANDS }, (_, band) => frames.powers(band));
  const smooth = bands.map((powers, band) => smoothed(powers, SMOOTH[band]));
  const sounding = soundingOf(bands, count);
  let baseline = first(bands, sounding);
  let taken = new Uint8Array(count);
  for (let round = 0; round < 3; round++) {
    taken = standing(bands, smooth, baseline, count);
    const rest = meanOf(bands, sounding, (n) => taken[n] === 0);
    // Where next to nothing is left the first guess stays.
    if (rest.count < Math.max(framesPerSecond / 2, 0.03 * count)) break;
    baseline = rest.means;
  }
  const others = spansOf(taken, count);
  taken.fill(0);
  for (const { from, to } of others) taken.fill(1, from, to);
  return { baseline, smooth, others, taken, sounding };
}

/** How far a mean square lies over another. */
export const over = (power: number, floor: number): Decibels => 10 * Math.log10((power + 1e-16) / (floor + 1e-16));

/** Running means over so many frames, the frame in the middle. */
export function smoothed(powers: ArrayLike<number>, width: number): Float64Array {
  const half = width >> 1;
  const out = new Float64Array(powers.length);
  let sum = 0;
  let [from, to] = [0, 0];
  for (let n = 0; n < powers.length; n++) {
    while (to < Math.min(powers.length, n + half + 1)) sum += powers[to++];
    while (from < n - half) sum -= powers[from++];
    out[n] = Math.max(0, sum / (to - from));
  }
  return out;
}

function soundingOf(bands: readonly Float64Array[], count: number): Span {
  const isSilent = (n: number): boolean => bands.every((powers) => powers[n] <= NOTHING);
  let [from, to] = [0, count];
  while (from < to && isSilent(from)) from++;
  while (to > from && isSilent(to - 1)) to--;
  // Nothing anywhere: all of it is as good.
  return from < to ? { from, to } : { from: 0, to: count };
}

function meanOf(bands: readonly Float64Array[], { from, to }: Span, chosen: (frame: number) => boolean) {
  let count = 0;
  const means = new Float64Array(bands.length);
  for (let n = from; n < to; n++) {
    if (!chosen(n)) continue;
    count++;
    for (let band = 0; band < bands.length; band++) means[band] += bands[band][n];
  }
  for (let band = 0; band < bands.length; band++) means[band] /= count || 1;
  return { means, count };
}

/** The floor as the quietest blocks have it, over all bands. */
function first(bands: readonly Float64Array[], { from, to: end }: Span): Float64Array {
  const blocks = Array.from({ length: Math.max(1, Math.floor((end - from) / BLOCK)) }, (_, block) => {
    const start = from + block * BLOCK;
    const to = Math.min(end, start + BLOCK);
    return bands.map((powers) => {
      let sum = 0;
      for (let n = start; n < to; n++) sum += powers[n];
      return sum / (to - start || 1);
    });
  });
  const lowest = bands.map((_, band) => {
    const sorted = blocks.map((block) => block[band]).sort((a, b) => a - b);
    return sorted[Math.floor(0.1 * sorted.length)];
  });
  const scored = blocks
    .map((block) => ({
      block,
      score: block.reduce((sum, power, band) => sum + Math.max(0, over(power, lowest[band])), 0),
    }))
    .sort((a, b) => a.score - b.score)
    .slice(0, Math.max(3, Math.ceil(QUIETEST * blocks.length)));
  return Float64Array.from(bands, (_, band) => scored.reduce((sum, { block }) => sum + block[band], 0) / scored.length);
}

/** Frames that stand out of a floor, in any band: for long, or sharply for a moment. */
function standing(
  bands: readonly Float64Array[],
  smooth: readonly Float64Array[],
  baseline: Float64Array,
  count: number,
): Uint8Array<ArrayBuffer> {
  const taken = new Uint8Array(count);
  for (let band = 0; band < bands.length; band++) {
    const long = Math.max(LEAST, SIGMAS * deviation(band, SMOOTH[band]));
    const short = Math.max(LEAST + 1.5, 1.3 * SIGMAS * deviation(band, 1));
    const [longPower, shortPower, again] = [long, short, long / 2].map(
      (decibels) => baseline[band] * 10 ** (decibels / 10),
    );
    const own = new Uint8Array(count);
    for (let n = 0; n < count; n++) if (smooth[band][n] > longPower || bands[band][n] > shortPower) own[n] = 1;
    // What has stood out goes on until it has died away.
    for (let n = 1; n < count; n++) if (!own[n] && own[n - 1] && smooth[band][n] > again) own[n] = 1;
    for (let n = count - 2; n >= 0; n--) if (!own[n] && own[n + 1] && smooth[band][n] > again) own[n] = 1;
    for (let n = 0; n < count; n++) taken[n] |= own[n];
  }
  return taken;
}

function spansOf(taken: Uint8Array, count: number): Span[] {
  const spans: Span[] = [];
  for (let n = 0; n < count; n++) {
    if (!taken[n]) continue;
    const last = spans.at(-1);
    if (last && n - last.to < GAP + BEFORE + AFTER) last.to = n + 1;
    else spans.push({ from: n, to: n + 1 });
  }
  return spans.map(({ from, to }) => ({ from: Math.max(0, from - BEFORE), to: Math.min(count, to + AFTER) }));
}
