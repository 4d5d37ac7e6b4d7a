import FFT from 'fft.js';
import seedrandom from 'seedrandom';
import type { Hertz } from '../../units';
import { ratio } from '../../units';
import type { Scene } from './scene';

/** Samples of a stretch of noise; half of it overlaps the next. */
const LENGTH = 8192;
const HOP = LENGTH / 2;
/** A gate opens and shuts within this, in seconds. */
const SHUTS = 0.004;
/** It stays open for so long after the last sound, in seconds. */
const HOLDS = 0.15;
/** Sounds of a room fall to a third within this, in seconds: by 60 dB within 0.4 s. */
const DIES_AWAY = 0.06;

/** Samples of a scene, one stretch after the other; the same seed gives the same samples. */
export interface Renderer {
  /** The next samples, full scale being 1. */
  next: (frames: number) => Float32Array;
}

/** Renders what a simulated inlet records. @param seed any text */
export function renderer(scene: Scene, sampleRate: Hertz, seed: string): Renderer {
  // 32 bits are enough for noise.
  const random = seedrandom(seed).quick;
  const normal = normals(random);
  const noise = stretches(scene.noise, sampleRate, normal);
  const tones = scene.tones.map(({ hz, dbfs }) => ({
    step: (2 * Math.PI * hz) / sampleRate,
    phase: 2 * Math.PI * random(),
    peak: Math.SQRT2 * ratio(dbfs),
  }));
  let at = 0;
  let gate = 1;
  return {
    next(frames) {
      const samples = new Float32Array(frames);
      if (scene.muted) return samples;
      for (let n = 0; n < frames; n++) samples[n] = noise();
      for (const { step, phase, peak } of tones)
        for (let n = 0; n < frames; n++) samples[n] += peak * Math.sin(step * (at + n) + phase);
      if (scene.talk) {
        const { level, every, lasts } = scene.talk;
        const rms = ratio(level);
        const shut = scene.gate === undefined ? 1 : ratio(-scene.gate);
        const pull = 1 - Math.exp(-1 / (SHUTS * sampleRate));
        for (let n = 0; n < frames; n++) {
          const moment = ((at + n) / sampleRate) % every;
          const sounds = moment < lasts;
          // Syllables: the loudness goes up and down four times a second; the room lets the last one die away.
          const swell = sounds
            ? 0.55 - 0.45 * Math.cos(2 * Math.PI * 4 * moment)
            : (0.55 - 0.45 * Math.cos(2 * Math.PI * 4 * lasts)) * Math.exp((lasts - moment) / DIES_AWAY);
          samples[n] += rms * 1.6 * swell * normal();
          gate += ((moment < lasts + HOLDS ? 1 : shut) - gate) * pull;
          samples[n] *= gate;
        }
      }
      at += frames;
      return samples;
    },
  };
}

/** Normally distributed numbers, two at a time by the polar method (Marsaglia and Bray, 1964). */
function normals(random: () => number): () => number {
  let other: number | undefined;
  return () => {
    if (other !== undefined) {
      const kept = other;
      other = undefined;
      return kept;
    }
    for (;;) {
      const [x, y] = [2 * random() - 1, 2 * random() - 1];
      const square = x * x + y * y;
      if (square <= 0 || square >= 1) continue;
      const factor = Math.sqrt((-2 * Math.log(square)) / square);
      other = y * factor;
      return x * factor;
    }
  };
}

/** Gaussian noise of a density: stretches made in the frequency domain, faded into each other at constant power. */
function stretches(density: Scene['noise'], sampleRate: Hertz, normal: () => number): () => number {
  const fft = new FFT(LENGTH);
  const step = sampleRate / LENGTH;
  const amplitude = Float64Array.from({ length: HOP + 1 }, (_, k) =>
    Math.sqrt((densityAt(density, k * step) * step) / 2),
  );
  const fade = Float64Array.from({ length: LENGTH }, (_, n) => Math.sin((Math.PI * (n + 0.5)) / LENGTH));
  const spectrum = fft.createComplexArray();
  const out = fft.createComplexArray();
  const make = (): Float64Array => {
    spectrum.fill(0);
    for (let k = 1; k < HOP; k++) {
      // Half of the power at either sign of the frequency.
      const [re, im] = [amplitude[k] * normal(), amplitude[k] * normal()];
      spectrum[2 * k] = re / Math.SQRT2;
      spectrum[2 * k + 1] = im / Math.SQRT2;
      spectrum[2 * (LENGTH - k)] = re / Math.SQRT2;
      spectrum[2 * (LENGTH - k) + 1] = -im / Math.SQRT2;
    }
    fft.inverseTransform(out, spectrum);
    // The inverse divides by the length, which the amplitudes do not want.
    return Float64Array.from({ length: LENGTH }, (_, n) => out[2 * n] * LENGTH * fade[n]);
  };
  let before = make();
  let after = make();
  let n = 0;
  return () => {
    if (n === HOP) {
      [before, after, n] = [after, make(), 0];
    }
    const value = before[HOP + n] + after[n];
    n++;
    return value;
  };
}

/** The density at a frequency; level beyond the ends. */
function densityAt(density: Scene['noise'], hz: Hertz): number {
  const above = density.findIndex((point) => point.hz >= hz);
  if (density.length === 0) return 0;
  // Microphones and amplifiers let little through from below the band: 12 dB less an octave.
  if (above === 0) return density[0].power * (hz / density[0].hz) ** 4;
  if (above < 0) return density.at(-1)!.power;
  const [a, b] = [density[above - 1], density[above]];
  if (a.power <= 0 || b.power <= 0) return Math.max(0, b.power);
  return a.power * (b.power / a.power) ** (Math.log(hz / a.hz) / Math.log(b.hz / a.hz));
}
