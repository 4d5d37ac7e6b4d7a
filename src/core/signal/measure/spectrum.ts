import FFT from 'fft.js';
import type { Hertz } from '../../units';
import { aWeight } from './weighting';

/** Mean square per hertz at equally spaced frequencies from 0 to half the sample rate, full scale being 1. */
export interface Density {
  /** From one bin to the next. */
  step: Hertz;
  values: Float64Array;
  /** How many segments it is the mean of. */
  segments: number;
}

/** The band that A-weighted figures are taken over. */
const [LOWEST, HIGHEST]: [Hertz, Hertz] = [20, 20_000];

/** Longest segment: three hertz from bin to bin at 48 kHz, which tells mains harmonics apart; longer ones leave the cache. */
const LONGEST = 16_384;
const SHORTEST = 1024;

/** A segment that a recording of so many frames holds eight of, as far as possible. @param frames undefined for no end in sight */
export function segmentFor(frames: number | undefined): number {
  let length = LONGEST;
  while (length > SHORTEST && frames !== undefined && frames < 4.5 * length) length /= 2;
  return length;
}

/** What the segments of a recording say. */
export interface Segments extends Density {
  /** A-weighted mean square of each segment, 20 Hz to 20 kHz. */
  weighted: number[];
}

/**
 * The power spectral density of what is pushed, by the method of Welch (1967): Hann window, half overlapping segments.
 * Its integral is the mean square of the samples. Two segments go through one transform, one as its real, one as its
 * imaginary part: half the work, as both are real.
 */
export function welch(sampleRate: Hertz, length: number) {
  const fft = new FFT(length);
  const hop = length / 2;
  const step = sampleRate / length;
  const window = Float64Array.from({ length }, (_, n) => 0.5 - 0.5 * Math.cos((2 * Math.PI * n) / length));
  const scale = 1 / (sampleRate * window.reduce((sum, w) => sum + w * w, 0));
  const weight = Float64Array.from({ length: hop + 1 }, (_, k) =>
    k * step >= LOWEST && k * step <= HIGHEST ? aWeight(k * step) * scale * step : 0,
  );
  const sum = new Float64Array(hop + 1);
  const weighted: number[] = [];
  const held = new Float32Array(length + hop);
  const packed = new Float64Array(2 * length);
  // A plain array: the transform is twice as quick into one as into a typed one.
  const spectrum = fft.createComplexArray();
  let filled = 0;

  /** Adds the segment at the start of what is held to a sum, and the next one if there is room for both. */
  const add = (into: Float64Array, both: boolean): [number, number] => {
    pack(packed, held, window, both ? hop : undefined);
    fft.transform(spectrum, packed);
    const [together, apart] = unpack(into, spectrum, weight);
    return [(together + apart) / 2, (together - apart) / 2];
  };

  return {
    push(samples: Float32Array): void {
      for (let at = 0; at < samples.length;) {
        const count = Math.min(held.length - filled, samples.length - at);
        held.set(samples.subarray(at, at + count), filled);
        filled += count;
        at += count;
        if (filled < held.length) continue;
        weighted.push(...add(sum, true));
        held.copyWithin(0, length);
        filled = hop;
      }
    },
    /** What has come so far; a recording shorter than a segment counts as followed by silence. */
    density(): Segments {
      const mean = (values: Float64Array, count: number) => values.map((value) => (value * scale) / count);
      if (filled < length && weighted.length > 0)
        return { step, values: mean(sum, weighted.length), segments: weighted.length, weighted };
      const last = sum.slice();
      if (filled < length) held.fill(0, filled);
      const [own] = add(last, false);
      const all = [...weighted, own];
      if (filled >= length) return { step, values: mean(last, all.length), segments: all.length, weighted: all };
      return { step, values: mean(last, filled / length || 1), segments: 1, weighted: all };
    },
  };
}

/** One segment as real parts and, where there is one, the next as imaginary parts; both behind the window. */
function pack(packed: Float64Array, held: Float32Array, window: Float64Array, next: number | undefined): void {
  const { length } = window;
  if (next === undefined) packed.fill(0);
  for (let n = 0; n < length; n++) packed[2 * n] = held[n] * window[n];
  if (next !== undefined) for (let n = 0; n < length; n++) packed[2 * n + 1] = held[next + n] * window[n];
}

/**
 * Adds the powers of both packed segments, A + B, to a sum.
 * @returns the weighted sums of A + B and of A − B
 */
function unpack(into: Float64Array, spectrum: ArrayLike<number>, weight: Float64Array): [number, number] {
  const half = into.length - 1;
  let [together, apart] = [0, 0];
  for (let k = 0, mirror = 0; k <= half; k++) {
    const re = spectrum[2 * k];
    const im = spectrum[2 * k + 1];
    const mirrorRe = spectrum[mirror];
    const mirrorIm = spectrum[mirror + 1];
    mirror = 4 * half - 2 * (k + 1);
    const power = re * re + im * im + mirrorRe * mirrorRe + mirrorIm * mirrorIm;
    into[k] += power;
    together += power * weight[k];
    apart += 2 * (re * mirrorRe - im * mirrorIm) * weight[k];
  }
  // What lies at either end has no negative frequency of its own.
  into[0] -= spectrum[0] ** 2 + spectrum[1] ** 2;
  into[half] -= spectrum[2 * half] ** 2 + spectrum[2 * half + 1] ** 2;
  return [together, apart];
}

/** The mean square between two frequencies, each bin weighted. */
export function powerIn(
  { step, values }: Density,
  from: Hertz,
  to: Hertz,
  weight: (hertz: Hertz) => number = () => 1,
): number {
  let sum = 0;
  const last = Math.min(values.length - 1, Math.floor(to / step));
  for (let k = Math.max(0, Math.ceil(from / step)); k <= last; k++) sum += values[k] * weight(k * step);
  return sum * step;
}

/** The middle value around a bin, itself and its lobe left out: what there would be without a tone. */
export function floorAround({ values }: Density, bin: number, reach: number, lobe = 4): number {
  const around: number[] = [];
  for (let k = Math.max(1, bin - reach); k <= Math.min(values.length - 1, bin + reach); k++)
    if (Math.abs(k - bin) > lobe) around.push(values[k]);
  around.sort((a, b) => a - b);
  return around[around.length >> 1] ?? 0;
}
