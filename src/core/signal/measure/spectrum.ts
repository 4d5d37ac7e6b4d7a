import FFT from 'fft.js';
import type { Hertz } from '../../units';

/** Mean square per hertz at equally spaced frequencies from 0 to half the sample rate, full scale being 1. */
export interface Density {
  /** From one bin to the next. */
  step: Hertz;
  values: Float64Array;
  /** How many segments it is the mean of. */
  segments: number;
}

/** Longest segment: three hertz from bin to bin at 48 kHz, which tells mains harmonics apart; longer ones leave the cache. */
const LONGEST = 16_384;
const SHORTEST = 1024;

/** A segment that a recording of so many frames holds eight of, as far as possible. @param frames undefined for no end in sight */
export function segmentFor(frames: number | undefined): number {
  let length = LONGEST;
  while (length > SHORTEST && frames !== undefined && frames < 4.5 * length) length /= 2;
  return length;
}

/**
 * The power spectral density of what is pushed, by the method of Welch (1967): Hann window, half overlapping segments.
 * Its integral is the mean square of the samples.
 */
export function welch(sampleRate: Hertz, length: number) {
  const fft = new FFT(length);
  const window = Float64Array.from({ length }, (_, n) => 0.5 - 0.5 * Math.cos((2 * Math.PI * n) / length));
  const scale = 1 / (sampleRate * window.reduce((sum, w) => sum + w * w, 0));
  const sum = new Float64Array(length / 2 + 1);
  const held = new Float64Array(length);
  const windowed = new Float64Array(length);
  // A plain array: the transform is twice as quick into one as into a typed one.
  const spectrum = fft.createComplexArray();
  let filled = 0;
  let segments = 0;

  const segment = () => {
    for (let n = 0; n < length; n++) windowed[n] = held[n] * window[n];
    fft.realTransform(spectrum, windowed);
    for (let k = 0; k <= length / 2; k++) {
      const power = spectrum[2 * k] ** 2 + spectrum[2 * k + 1] ** 2;
      sum[k] += k === 0 || k === length / 2 ? power : 2 * power;
    }
    segments++;
  };

  return {
    push(samples: Float32Array): void {
      for (let at = 0; at < samples.length;) {
        const count = Math.min(length - filled, samples.length - at);
        held.set(samples.subarray(at, at + count), filled);
        filled += count;
        at += count;
        if (filled < length) continue;
        segment();
        held.copyWithin(0, length / 2);
        filled = length / 2;
      }
    },
    /** What has come so far; a recording shorter than a segment counts as followed by silence. */
    density(): Density {
      const mean = (values: Float64Array, count: number) => values.map((value) => (value * scale) / Math.max(1, count));
      if (segments > 0 || filled === 0) return { step: sampleRate / length, values: mean(sum, segments), segments };
      const short = welch(sampleRate, length);
      short.push(Float32Array.from({ length }, (_, n) => (n < filled ? held[n] : 0)));
      const { step, values } = short.density();
      return { step, values: values.map((value) => (value * length) / filled), segments: 1 };
    },
  };
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
