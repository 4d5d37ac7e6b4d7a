import { FRAME } from './frames';
import { isConstant, levelMeter } from './levels';

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

describe('what a run of one value is', () => {
  test('a pause from an eighth of a second on is none that was lost, nor one near the peak', () => {
    // 25 times the five milliseconds of a pause.
    const long = Float32Array.from({ length: 20_000 }, (_, n) => (n % 2 ? 0.1 : -0.1) + n * 1e-6);
    const lost = (count: number) => levelsOf(long.slice().fill(0.05, 100, 100 + count)).dropouts.held;
    expect(lost(25 * PAUSE - 1)).toBe(1);
    expect(lost(25 * PAUSE)).toBe(0);
    const flat = (share: number) => levelsOf(held(5000, 20, 0.11 * share)).dropouts.held;
    expect(flat(0.85)).toBe(1);
    expect(flat(0.95)).toBe(0);
    // A recording that begins with one, and one that ends with it.
    for (const value of [0, 0.05])
      for (const piece of [9600, 7, 1]) {
        expect(levelsOf(held(0, 20, value), piece).dropouts).toMatchObject({ held: 0, zeros: 0, frames: [] });
        expect(levelsOf(held(9580, 20, value), piece).dropouts).toMatchObject({ held: 0, zeros: 0 });
        expect(levelsOf(held(1, 20, value), piece).dropouts.frames).toHaveLength(1);
      }
  });

  test('three samples at full scale in a row are clipped, of either sign, wherever pieces end', () => {
    for (const value of [1, -1, 1 - 1 / 32_768])
      for (const piece of [9600, 7, 1]) {
        expect(levelsOf(held(500, 3, value), piece).clippedRuns).toBe(1);
        expect(levelsOf(held(500, 2, value), piece).clippedRuns).toBe(0);
        expect(levelsOf(held(500, 300, value), piece).clippedRuns).toBe(1);
      }
    expect(levelsOf(held(500, 3, 0.9999)).clippedRuns).toBe(0);
    const twice = held(500, 3, 1).fill(1, 510, 513);
    expect(levelsOf(twice).clippedRuns).toBe(2);
  });

  test('how many samples are as the one before, and whether all are', () => {
    expect(levelsOf(held(500, 101, 0.05)).still).toBeCloseTo(100 / 9600, 6);
    expect(isConstant(levelsOf(new Float32Array(100).fill(0.3)))).toBe(true);
    expect(isConstant(levelsOf(new Float32Array(100).fill(0.3).fill(0.2, 99)))).toBe(false);
    expect(isConstant(levelsOf(new Float32Array(1)))).toBe(false);
  });
});

describe('zeros that a recording begins or ends with', () => {
  test('are told apart from those in between, wherever pieces end', () => {
    const samples = held(0, 1000, 0).fill(0, 4000, 4500).fill(0, 9000);
    for (const piece of [9600, 700, 7]) {
      const { zeros, zerosAtEnds } = levelsOf(samples, piece);
      expect(zeros).toBeCloseTo(2100 / RATE, 9);
      expect(zerosAtEnds).toBeCloseTo(1600 / RATE, 9);
    }
    expect(levelsOf(held(4000, 500, 0)).zerosAtEnds).toBe(0);
    expect(levelsOf(held(1, 500, 0)).zerosAtEnds).toBe(0);
  });

  test('what comes after nothing, or is louder from some time on, is no click over and over', () => {
    const rising = (before: number, times: number) =>
      levelsOf(
        Float32Array.from({ length: 2 * RATE }, (_, n) => 1e-3 * Math.sin(n * n) * (n < RATE ? before : times)),
        1000,
      ).clicks;
    expect(rising(0, 1)).toBe(0);
    expect(rising(1, 1)).toBe(0);
    // A hundred times as loud it is one, and soon usual.
    expect(rising(1, 100)).toBe(1);
    expect(rising(100, 1)).toBe(0);
  });
});

describe('a click', () => {
  /** A sine whose second difference is known in the mean, 2 / π of its greatest, with one sample moved. */
  const RATIO = 2 / Math.PI;
  const wave = (moved: readonly [at: number, times: number][], hertz = 200, peak = 0.1) => {
    const turn = (2 * Math.PI * hertz) / RATE;
    const samples = Float32Array.from({ length: RATE }, (_, n) => peak * Math.sin(turn * n));
    // Twice what a sample is moved by is how far the wave bends there.
    for (const [at, times] of moved) samples[at] += (times * peak * turn * turn * RATIO) / 2;
    return levelsOf(samples, 1000);
  };
  test('bends the wave 14 times as far as it usually bends', () => {
    // The bend of the wave itself adds or takes up to 1.6: where it crosses zero it has none.
    const zero = 24_000;
    expect(wave([[zero, 13.4]]).clicks).toBe(0);
    expect(wave([[zero, 14.6]]).clicks).toBe(1);
    expect(wave([[zero, -14.6]]).clicks).toBe(1);
  });
  test('is counted once in a frame, and its place kept', () => {
    const far = A_FRAME + 400;
    expect(
      wave([
        [24_000, 100],
        [24_010, 100],
      ]),
    ).toMatchObject({ clicks: 1, clickFrames: [Math.floor(24_000 / A_FRAME)] });
    expect(
      wave([
        [24_000, 100],
        [24_000 + 2 * far, 100],
      ]),
    ).toMatchObject({ clicks: 2 });
    // Two in neighbouring frames are one that goes on.
    expect(
      wave([
        [24_000, 100],
        [24_000 + A_FRAME - 100, 100],
      ]).clicks,
    ).toBe(1);
  });
  test('is none in the first frame, where nothing is usual yet, nor below what a converter has', () => {
    expect(wave([[500, 100]]).clicks).toBe(0);
    expect(wave([[2 * A_FRAME + 10, 100]]).clicks).toBe(1);
    // 14 times of hardly anything: a bend of 0.00001 is 100 dB down.
    const faint = 1e-6;
    expect(wave([[24_000, 9e-6 / (faint * ((2 * Math.PI * 200) / RATE) ** 2 * RATIO)]], 200, faint).clicks).toBe(0);
    expect(wave([[24_000, 11e-6 / (faint * ((2 * Math.PI * 200) / RATE) ** 2 * RATIO)]], 200, faint).clicks).toBe(1);
  });
});

describe('the samples themselves', () => {
  test('peak, mean square and mean of all of them, in pieces of any length', () => {
    const samples = Float32Array.from({ length: 5000 }, (_, n) => 0.3 * Math.sin(n) + 0.1 - (n === 4321 ? 0.7 : 0));
    const power = samples.reduce((total, x) => total + x * x, 0) / 5000;
    const mean = samples.reduce((total, x) => total + x, 0) / 5000;
    for (const piece of [5000, 999, 1]) {
      const found = levelsOf(samples, piece);
      expect(found.frames).toBe(5000);
      expect(found.peak).toBeCloseTo(Math.max(...samples.map(Math.abs)), 6);
      expect(found.power).toBeCloseTo(power, 6);
      expect(found.mean).toBeCloseTo(mean, 6);
      expect(found.frameLevels).toHaveLength(4);
      expect(found.frameLevels[1]).toBeCloseTo(
        samples.subarray(A_FRAME, 2 * A_FRAME).reduce((total, x) => total + x * x, 0) / A_FRAME,
        6,
      );
      expect(found.frameMeans[3]).toBeCloseTo(
        samples.subarray(3 * A_FRAME, 4 * A_FRAME).reduce((total, x) => total + x, 0) / A_FRAME,
        6,
      );
      // Shorter than a window of 400 ms it is one.
      expect(found.windows).toEqual([expect.closeTo(power, 6)]);
    }
    expect(levelsOf(new Float32Array(0))).toMatchObject({
      frames: 0,
      peak: 0,
      power: 0,
      mean: 0,
      windows: [],
      still: 0,
    });
  });

  test.each([8, 12, 16, 20, 24])('%i bits are told by the lowest that is ever used', (bits) => {
    const whole = Float32Array.from(
      { length: 9600 },
      (_, n) => Math.round(Math.sin(n) * 2 ** (bits - 2)) / 2 ** (bits - 1),
    );
    expect(levelsOf(whole).bits).toBe(bits);
  });
  test('samples of no whole number have no bits, nor has silence', () => {
    expect(levelsOf(Float32Array.from({ length: 9600 }, (_, n) => Math.sin(n) / 1e3)).bits).toBeUndefined();
    expect(levelsOf(new Float32Array(9600)).bits).toBeUndefined();
  });

  test('what is no number counts as zero, is made zero for whoever comes next, and is told', () => {
    const samples = Float32Array.from({ length: 3000 }, (_, n) => 0.1 * Math.sin(n));
    const mended = samples.map((x, n) => ([5, 6, 2000].includes(n) ? 0 : x));
    const broken = samples.map((x, n) => (n === 5 ? NaN : n === 6 ? -Infinity : n === 2000 ? Infinity : x));
    const { broken: count, ...found } = levelsOf(broken);
    expect(count).toBe(3);
    expect(broken).toEqual(mended);
    const { broken: none, ...truth } = levelsOf(mended.slice());
    expect(none).toBe(0);
    expect(found).toEqual(truth);
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
