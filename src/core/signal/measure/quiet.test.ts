import type { Dbfs, Decibels, Seconds } from '../../units';
import { BANDS, EDGES, FRAME, type Frames } from './frames';
import { over, quietOf, smoothed } from './quiet';

const frames = (seconds: Seconds): number => Math.round(seconds / FRAME);
const FLOOR: Dbfs = -80;

/** Levels of bands by frame, as a recording has them: even, unless something else is said. */
function course(seconds: Seconds, levelOf: (band: number, frame: number) => Decibels): Frames {
  const count = frames(seconds);
  return {
    count,
    seconds: FRAME,
    level: (band, n) => FLOOR + levelOf(band, n),
    powers: (band) => Float64Array.from({ length: count }, (_, n) => 10 ** ((FLOOR + levelOf(band, n)) / 10)),
    tonal: () => 0,
  };
}
/** One sound: so many decibels in one band, from some frame on, for so many. */
const sound = (band: number, decibels: Decibels, at: number, count: number) => (own: number, n: number) =>
  own === band && n >= at && n < at + count ? decibels : 0;
const spans = (...said: Parameters<typeof course>) => quietOf(course(...said)).others;
const levels = (baseline: Float64Array) => [...baseline].map((power) => 10 * Math.log10(power));

test('even noise is all floor, and so is nothing', () => {
  const quiet = quietOf(course(10, () => 0));
  expect(quiet.others).toEqual([]);
  expect(levels(quiet.baseline)).toEqual(Array(BANDS).fill(expect.closeTo(FLOOR, 4)));
  expect(quiet.taken).toEqual(new Uint8Array(frames(10)));
  expect(spans(0, () => 0)).toEqual([]);
});

describe('what stands out', () => {
  test('for long, by 2.5 dB where a band says much, by five deviations where it says less', () => {
    // By chi-square: 4.34 dB over the root of bandwidth × time, of which a Hann window keeps six tenths.
    const deviation = (band: number, width: number) =>
      4.34 / Math.sqrt((EDGES[band + 1] - EDGES[band]) * width * FRAME * 0.6);
    for (const [band, limit] of [
      [7, 2.5],
      [4, 2.5],
      [0, 5 * deviation(0, 13)],
      [1, 5 * deviation(1, 13)],
    ] as const) {
      expect(spans(20, sound(band, limit + 0.15, 200, 100))).toHaveLength(1);
      expect(spans(20, sound(band, limit - 0.15, 200, 100))).toEqual([]);
    }
    expect(5 * deviation(0, 13)).toBeCloseTo(5.4, 1);
  });

  test('for a moment, by four decibels and more', () => {
    expect(spans(20, sound(7, 4.1, 200, 1))).toHaveLength(1);
    expect(spans(20, sound(7, 3.9, 200, 1))).toEqual([]);
    const low = 1.3 * 5 * (4.34 / Math.sqrt(90 * FRAME * 0.6));
    expect(spans(20, sound(0, low + 0.2, 200, 1))).toHaveLength(1);
    expect(spans(20, sound(0, Math.min(low, 11) - 0.2, 200, 1))).toEqual([]);
  });

  test('until it has died away to half of that, before and after', () => {
    const fading = (band: number, n: number) => (band === 7 && n >= 200 && n < 400 ? (n < 300 ? 6 : 2) : 0);
    const [{ from, to }] = spans(20, fading);
    expect(from).toBeLessThan(200);
    expect(to).toBeGreaterThan(400);
    const rising = (band: number, n: number) => fading(band, 600 - n);
    const [other] = spans(20, rising);
    expect(other.from).toBeLessThan(201);
    expect(other.to).toBeGreaterThan(400);
    const gone = (band: number, n: number) => (band === 7 && n >= 200 && n < 400 ? (n < 300 ? 6 : 1) : 0);
    expect(spans(20, gone)[0].to).toBeLessThan(320);
  });

  test('a span begins 0.08 s before and ends 0.2 s after, and takes in gaps of 0.3 s', () => {
    const [before, after, gap] = [0.08, 0.2, 0.3].map(frames);
    expect(spans(20, sound(7, 30, 200, 1))).toEqual([
      // Seven frames are smoothed: three on either side are lifted too.
      { from: 200 - 3 - before, to: 201 + 3 + after },
    ]);
    const two = (apart: number) => (band: number, n: number) =>
      band === 7 && (n === 200 || n === 200 + apart) ? 30 : 0;
    // From the end of one to the beginning of the other there are so many frames in between.
    const limit = gap + before + after + 7;
    expect(spans(20, two(limit - 1))).toHaveLength(1);
    expect(spans(20, two(limit))).toHaveLength(2);
    // Not before the beginning nor after the end.
    expect(spans(2, sound(7, 30, 0, 1))[0].from).toBe(0);
    expect(spans(2, sound(7, 30, frames(2) - 1, 1))[0].to).toBe(frames(2));
  });

  test('what belongs to it is marked, frame by frame', () => {
    const { taken, others } = quietOf(course(20, sound(7, 30, 200, 50)));
    expect(others).toHaveLength(1);
    taken.forEach((one, n) => expect(one).toBe(n >= others[0].from && n < others[0].to ? 1 : 0));
  });
});

describe('the floor', () => {
  test('is what is left, however much longer something else goes on', () => {
    for (const share of [0.1, 0.5, 0.75]) {
      const loud = (_: number, n: number) => (n < share * frames(20) ? 20 : 0);
      const { baseline, others } = quietOf(course(20, loud));
      expect(levels(baseline)).toEqual(Array(BANDS).fill(expect.closeTo(FLOOR, 1)));
      expect(others).toHaveLength(1);
    }
  });
  test('is the mean of what is left, not its quietest', () => {
    const uneven = (_: number, n: number) => (n % 2 ? 1 : -1);
    const mean = 10 * Math.log10((10 ** 0.1 + 10 ** -0.1) / 2);
    expect(levels(quietOf(course(20, uneven)).baseline)).toEqual(Array(BANDS).fill(expect.closeTo(FLOOR + mean, 1)));
  });
  test('moments without anything at all are no floor where there is one', () => {
    // A fifth of the recording tells the first guess.
    const dips = (_: number, n: number) => (n % 200 < 4 ? -60 : 0);
    expect(levels(quietOf(course(20, dips)).baseline)[3]).toBeGreaterThan(FLOOR - 1);
  });
});

test('before anything arrives, and after, there is no floor: it is that of what sounds', () => {
  const [from, to] = [100, frames(20) - 200];
  const late = course(20, (_, n) => (n >= from && n < to ? 0 : -60));
  const { sounding, baseline, others } = quietOf(late);
  expect(sounding).toEqual({ from, to });
  expect(levels(baseline)).toEqual(Array(BANDS).fill(expect.closeTo(FLOOR, 4)));
  expect(others).toEqual([]);
  // In between it stays what it is; and nothing anywhere is all the same.
  expect(quietOf(course(20, (_, n) => (n === 300 ? -60 : 0))).sounding).toEqual({ from: 0, to: frames(20) });
  expect(quietOf(course(20, () => -60)).sounding).toEqual({ from: 0, to: frames(20) });
});

test('running means over frames, the frame in the middle, fewer at the ends', () => {
  expect([...smoothed([3, 6, 9, 12], 3)]).toEqual([4.5, 6, 9, 10.5]);
  expect([...smoothed([1, 2, 3], 1)]).toEqual([1, 2, 3]);
  expect([...smoothed([], 3)]).toEqual([]);
});

test('how far one mean square lies over another; nothing over nothing is none', () => {
  expect(over(1e-6, 1e-8)).toBeCloseTo(20, 4);
  expect(over(0, 0)).toBe(0);
  expect(over(0, 1e-8)).toBeCloseTo(-80, 1);
});
