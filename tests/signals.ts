/** Signals for tests, made without anything of the application; seeded, so that they repeat. */

/** Numbers from 0 to 1 by a multiplicative congruence (Park and Miller, 1988). */
export function uniform(seed: number): () => number {
  let state = seed % 2147483647 || 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** White noise of a known RMS, Gaussian by Box and Muller (1958). */
export function noise(frames: number, rms: number, seed = 1): Float32Array {
  const random = uniform(seed);
  const out = new Float32Array(frames);
  for (let n = 0; n < frames; n++)
    out[n] = rms * Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  return out;
}

export function sine(frames: number, hertz: number, peak: number, sampleRate = 48_000, phase = 0): Float32Array {
  const out = new Float32Array(frames);
  for (let n = 0; n < frames; n++) out[n] = peak * Math.sin((2 * Math.PI * hertz * n) / sampleRate + phase);
  return out;
}

export function sum(first: Float32Array, ...others: Float32Array[]): Float32Array {
  const total = first.slice();
  for (const signal of others) for (let n = 0; n < total.length; n++) total[n] += signal[n];
  return total;
}

/** Amplitude of a level in decibels. */
export const amplitude = (decibels: number): number => 10 ** (decibels / 20);
