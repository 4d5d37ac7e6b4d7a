import type { Decibels, Hertz, Seconds } from '../../units';
import { BANDS, EDGES, FRAME, type Frames } from './frames';
import { over, smoothed, type Quiet, type Span } from './quiet';
import { densityOf, framesOf, type Segments, type Stretch } from './spectrum';

/** What tells disturbances apart; decibels are over the floor. */
export interface Features {
  /** Part of the recording. */
  share: number;
  /** Mean over the frames that stand out, by band. */
  bands: Decibels[];
  /** Part of those frames in which all bands above 1 kHz are up by the same. */
  gainLike: number;
  /** Part of those in which the level then stays within 1.5 dB of its middle. */
  flat: number;
  /** The band above 1 kHz that is least up, most of the time. */
  least: Decibels;
  /** Frames in which all bands go up together slowly, come down slowly, and come down fast. */
  rising: number;
  falling: number;
  dropping: number;
  /** Part of what is more that lies on multiples of a telephone's slots, and of a mains frequency. */
  slots: number;
  mains: number;
  /** Part of what sounds from 1.5 to 10 kHz that is one tone. */
  pitch: number;
  /** Part of the power that is in narrow lines, and in lines that stay for a third of a second. */
  lines: number;
  staying: number;
  /** Times that the level rises again by 6 dB. */
  syllables: number;
  clicks: number;
  /** Between the quarters of the level in the band where it moves most: what runs evenly has little. */
  spread: Decibels;
  /** Seconds that one sound stands out of the hiss. */
  lasting: Seconds;
}

/** Lowest of the bands that show a gain that moves: those of hiss. */
export const HISS = EDGES.indexOf(1000);
/** Bands of a voice. */
export const VOICE = [EDGES.indexOf(250), EDGES.indexOf(500), EDGES.indexOf(1000), EDGES.indexOf(2000)];
/** A slot of a telephone comes 26 times in 120 ms (GSM 05.02). */
const SLOTS = 26 / 0.12;

/** Reads features of some spans. */
export function observer(
  frames: Frames,
  { baseline, smooth, taken }: Quiet,
  segments: Segments,
  samplesPerFrame: number,
  clickFrames: readonly number[],
) {
  const { count } = frames;
  const excess = Array.from({ length: BANDS }, (_, band) =>
    smoothed(frames.powers(band), 3).map((power) => over(power, baseline[band])),
  );
  const hiss = excess.slice(HISS);
  const together = new Float32Array(count);
  const apart = new Float32Array(count);
  for (let n = 0; n < count; n++) {
    const mean = hiss.reduce((sum, band) => sum + band[n], 0) / hiss.length;
    together[n] = mean;
    apart[n] = Math.sqrt(hiss.reduce((sum, band) => sum + (band[n] - mean) ** 2, 0) / hiss.length);
  }
  const spanOf = (stretch: Stretch) => framesOf(stretch, segments, samplesPerFrame, count);
  const isFree = (stretch: Stretch): boolean => {
    const { from, to } = spanOf(stretch);
    for (let n = from; n < to; n++) if (taken[n]) return false;
    return true;
  };
  const free = densityOf(segments, segments.stretches.filter(isFree)).values;

  return (spans: readonly Span[]): Features => {
    const chosen = spans.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, n) => from + n));
    const mean = (band: Float64Array) =>
      10 * Math.log10(chosen.reduce((sum, n) => sum + 10 ** (band[n] / 10), 0) / (chosen.length || 1));
    const within = (n: number) => spans.some(({ from, to }) => n >= from && n < to);
    const inside = segments.stretches.filter((stretch) => {
      const { from, to } = spanOf(stretch);
      let own = 0;
      for (let n = from; n < to; n++) if (within(n)) own++;
      return own > 0.5 * (to - from);
    });
    const density = densityOf(segments, inside).values.map((value, k) => Math.max(0, value - free[k]));
    const sounding = chosen.filter((n) => excess[5][n] > 5 || excess[6][n] > 5);
    return {
      share: chosen.length / (count || 1),
      bands: excess.map(mean),
      ...movesOf(chosen, together, apart),
      least: Math.min(
        ...hiss.map((band) =>
          quantile(
            chosen.filter((n) => together[n] > 1.5).map((n) => band[n]),
            0.15,
          ),
        ),
      ),
      slots: slotsIn(density, segments.step),
      mains: Math.max(...Array.from({ length: 400 }, (_, n) => mainsIn(density, segments.step, 45 + n * 0.05))),
      pitch:
        quantile(
          sounding.map((n) => frames.tonal(n)),
          0.5,
        ) || 0,
      ...linesOf(inside, free, segments.step),
      syllables: syllablesOf(spans, excess),
      clicks: clickFrames.filter(within).length,
      spread: Math.max(...smooth.map((band) => spreadOf(chosen.map((n) => over(band[n], 1))))),
      lasting: lastingOf(chosen, hiss),
    };
  };
}

function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

const spreadOf = (values: readonly number[]): number => quantile(values, 0.75) - quantile(values, 0.25);

/** How all bands of hiss move together. */
function movesOf(chosen: readonly number[], together: Float32Array, apart: Float32Array) {
  const over = Math.round(0.2 / FRAME);
  let [rising, falling, dropping] = [0, 0, 0];
  for (const n of chosen) {
    if (n < over || (together[n] < 2 && together[n - over] < 2)) continue;
    if (apart[n] > 2 || apart[n - over] > 2 || apart[n - (over >> 1)] > 2) continue;
    // Decibels a second.
    const slope = (together[n] - together[n - over]) / (over * FRAME);
    if (slope > 2 && slope < 30) rising++;
    if (slope <= -45) dropping++;
    else if (slope < -2.5) falling++;
  }
  const alike = chosen.filter((n) => apart[n] < 2 && together[n] > 4).map((n) => together[n]);
  const middle = quantile(alike, 0.5);
  const flat = alike.filter((level) => Math.abs(level - middle) < 1.5).length / (alike.length || 1);
  return { rising, falling, dropping, gainLike: alike.length / (chosen.length || 1), flat };
}

/** One line alone lies on a multiple of almost anything: this much of what lies on multiples is not of one of them. */
const ALONE = 0.9;

/** Part of a density that lies on multiples of a telephone's slots; one line alone is none. */
function slotsIn(density: Float64Array, step: number): number {
  const { share, most } = onMultiples(density, step, SLOTS, 9, [110, 4450]);
  return most > ALONE ? 0 : share;
}

/** Part of a density that lies on multiples of a frequency; one line alone counts at the lowest ones of 50 and 60 Hz. */
function mainsIn(density: Float64Array, step: number, hertz: Hertz): number {
  const { share, most, order } = onMultiples(density, step, hertz, 5, [30, 1100]);
  const isMains = order <= 2 && Math.min(Math.abs(hertz - 50), Math.abs(hertz - 60)) <= 1;
  return most > ALONE && !isMains ? 0 : share;
}

/** Part of a density between two frequencies that lies near multiples of one, and part of that on the one with most. */
function onMultiples(
  density: Float64Array,
  step: number,
  hertz: number,
  near: number,
  [from, to]: readonly [number, number],
): { share: number; most: number; order: number } {
  const sum = (low: number, high: number) => {
    let total = 0;
    for (let k = Math.ceil(low / step); k <= high / step; k++) total += density[k] ?? 0;
    return total;
  };
  let [on, most, order] = [0, 0, 0];
  for (let n = 1; n * hertz + near < to; n++) {
    const own = sum(n * hertz - near, n * hertz + near);
    on += own;
    if (own > most) [most, order] = [own, n];
  }
  return { share: on / (sum(from, to) || 1), most: most / (on || 1), order };
}

/** Part of the power from 90 Hz to 5 kHz that is in narrow lines, and that stays where it is for a third of a second. */
function linesOf(inside: readonly Stretch[], free: Float64Array, step: number) {
  const [from, to] = [Math.max(7, Math.ceil(90 / step)), Math.floor(5000 / step)];
  // Longer stretches are means: a line in them has stayed.
  const found = inside.map(({ from: at, to: end, sum }) => {
    const lines: { bin: number; power: number }[] = [];
    let total = 0;
    for (let k = from; k < to; k++) {
      total += sum[k];
      const stands = sum[k] > sum[k - 1] && sum[k] >= sum[k + 1] && sum[k] > 6 * (sum[k - 6] + sum[k + 6]);
      if (stands && sum[k] > 8 * free[k] * (end - at)) lines.push({ bin: k, power: sum[k - 1] + sum[k] + sum[k + 1] });
    }
    return { at, end, lines, total };
  });
  let [all, narrow, stay] = [0, 0, 0];
  for (const { at, end, lines, total } of found) {
    all += total;
    // Half overlapping segments hear the same; the one after the next does not.
    const beside = found.filter(
      (other) => other.at === end + 1 || other.at === end + 2 || other.end === at - 1 || other.end === at - 2,
    );
    for (const { bin, power } of lines) {
      narrow += power;
      const stays = end - at > 3 || beside.some((other) => other.lines.some((line) => Math.abs(line.bin - bin) <= 1));
      if (stays) stay += power;
    }
  }
  return { lines: narrow / (all || 1), staying: stay / (all || 1) };
}

/** How long one of the sounds stands 6 dB out of the hiss, in the middle. */
function lastingOf(chosen: readonly number[], hiss: readonly ArrayLike<number>[]): Seconds {
  const runs: number[] = [];
  let [run, last] = [0, -2];
  for (const n of chosen) {
    const stands = hiss.some((band) => band[n] > 6);
    if (run > 0 && (!stands || n !== last + 1)) {
      runs.push(run);
      run = 0;
    }
    if (stands) run++;
    last = n;
  }
  if (run > 0) runs.push(run);
  return quantile(runs, 0.5) * FRAME;
}

/** How often the level of a voice's bands rises again by 6 dB after a dip. */
function syllablesOf(spans: readonly Span[], excess: readonly Float64Array[]): number {
  let count = 0;
  for (const { from, to } of spans) {
    let [low, high, up] = [0, 0, false];
    for (let n = from; n < to; n++) {
      const level = Math.max(...VOICE.map((band) => excess[band][n]));
      if (up) {
        high = Math.max(high, level);
        if (level < high - 6) [up, low] = [false, level];
      } else {
        low = Math.min(low, level);
        if (level > low + 6) [up, high, count] = [true, level, count + 1];
      }
    }
  }
  return count;
}
