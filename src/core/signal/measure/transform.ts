import FFT from 'fft.js';

/**
 * The power spectrum of some samples, from one of them on, behind a Hann window: |X|² · scale, into as many bins as there
 * is room for; that is up to half the length and one more.
 */
export type PowerSpectrum = (samples: Float32Array, from: number, powers: Float32Array, scale: number) => void;

/**
 * Makes power spectra.
 * @param size samples behind the window
 * @param length of the transform, a power of two from 32 on, not below the size; what is missing is zero
 */
export type Transforms = (size: number, length: number) => PowerSpectrum;

/** A Hann window that goes on as a period. */
export const hann = (size: number): Float32Array =>
  Float32Array.from({ length: size }, (_, n) => 0.5 - 0.5 * Math.cos((2 * Math.PI * n) / size));

/** The sum of its squares. */
export const hannPower = (size: number): number => (3 * size) / 8;

/** Needs nothing to be loaded; takes four times as long as `pffftTransforms`. */
export const plainTransforms: Transforms = (size, length) => {
  const fft = new FFT(length);
  const window = hann(size);
  const input = new Float32Array(length);
  // A plain array: the transform is twice as quick into one as into a typed one.
  const spectrum = fft.createComplexArray();
  return (samples, from, powers, scale) => {
    behindWindow(samples, from, window, input, 0);
    fft.realTransform(spectrum, input);
    for (let k = 0, at = 0; k < powers.length; k++, at += 2)
      powers[k] = scale * (spectrum[at] * spectrum[at] + spectrum[at + 1] * spectrum[at + 1]);
  };
};

/** Writes samples behind a window to some place. Loops over every sample are quick where nothing but arguments is used. */
export function behindWindow(
  samples: Float32Array,
  from: number,
  window: Float32Array,
  into: Float32Array,
  at: number,
): void {
  const length = window.length;
  for (let n = 0; n < length; n++) into[at + n] = samples[from + n] * window[n];
}
