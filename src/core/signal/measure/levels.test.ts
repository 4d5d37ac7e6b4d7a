import { levelMeter } from './levels';

const RATE = 48_000;
/** Five milliseconds, from which on zeros count as a pause. */
const PAUSE = 240;

/** Samples that never stand still, with one value over some of them. */
function held(at: number, count: number, value: number): Float32Array {
  const samples = Float32Array.from({ length: 9600 }, (_, n) => (n % 2 ? 0.1 : -0.1) + n * 1e-6);
  return samples.fill(value, at, at + count);
}

const levelsOf = (samples: Float32Array, piece = samples.length) => {
  const meter = levelMeter(RATE);
  for (let at = 0; at < samples.length; at += piece) meter.push(samples.subarray(at, at + piece));
  return meter.levels();
};

describe('runs of one value', () => {
  // At the start, across the end of a frame of 960 samples, within one, up to the end.
  for (const at of [0, 100, 900, 960 - PAUSE, 9600 - PAUSE])
    for (const piece of [9600, 1000, 7])
      test(`zeros from sample ${at} on, in pieces of ${piece}, count from five milliseconds on`, () => {
        expect(levelsOf(held(at, PAUSE, 0), piece)).toMatchObject({ zeroRuns: 1, zeros: PAUSE / RATE });
        expect(levelsOf(held(at, PAUSE - 1, 0), piece).zeroRuns).toBe(0);
      });

  for (const at of [100, 955, 949])
    test(`a held value from sample ${at} on counts from twelve samples on`, () => {
      expect(levelsOf(held(at, 12, 0.05)).dropouts).toMatchObject({ held: 1, zeros: 0 });
      expect(levelsOf(held(at, 11, 0.05)).dropouts.held).toBe(0);
      expect(levelsOf(held(at, 12, 0)).dropouts).toMatchObject({ held: 0, zeros: 1 });
    });
});
