import { FRAME } from './frames';
import { levelMeter } from './levels';

const RATE = 48_000;
/** Samples of a frame. */
const A_FRAME = Math.round(FRAME * RATE);
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
  // At the start, within a frame, across the end of one, up to it, up to the end.
  for (const at of [0, 100, A_FRAME - 60, A_FRAME - PAUSE, 9600 - PAUSE])
    for (const piece of [9600, 1000, 7])
      test(`zeros from sample ${at} on, in pieces of ${piece}, count from five milliseconds on`, () => {
        expect(levelsOf(held(at, PAUSE, 0), piece)).toMatchObject({ zeroRuns: 1, zeros: PAUSE / RATE });
        expect(levelsOf(held(at, PAUSE - 1, 0), piece).zeroRuns).toBe(0);
      });

  for (const at of [100, A_FRAME - 5, A_FRAME - 11])
    test(`a held value from sample ${at} on counts from twelve samples on`, () => {
      expect(levelsOf(held(at, 12, 0.05)).dropouts).toMatchObject({ held: 1, zeros: 0 });
      expect(levelsOf(held(at, 11, 0.05)).dropouts.held).toBe(0);
      expect(levelsOf(held(at, 12, 0)).dropouts).toMatchObject({ held: 0, zeros: 1 });
    });
});

test.each([8000, 44_100, 48_000, 96_000])(
  'levels over time stand where they belong, at %d Hz, after a minute too',
  (rate) => {
    const meter = levelMeter(rate);
    // Loud from 40 s on.
    for (let second = 0; second < 60; second++)
      meter.push(
        Float32Array.from({ length: rate }, (_, n) => (second < 40 ? 0.01 : 0.1) * (n % 2 ? 1 : -1) + n * 1e-9),
      );
    const { windows } = meter.levels();
    expect(windows).toHaveLength(150);
    expect(windows.findIndex((power) => power > 0.005)).toBe(100);
    expect(windows[99]).toBeCloseTo(0.0001, 6);
    expect(windows[100]).toBeCloseTo(0.01, 4);
  },
);
