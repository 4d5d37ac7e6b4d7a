import { noise, sine, sum } from '../../../../tests/signals';
import { densityOf, framesOf, powerIn, segmentFor, welch } from './spectrum';
import { plainTransforms } from './transform';

const RATE = 48_000;
const read = (samples: Float32Array, { rate = RATE, length = 1024, channels = 1, piece = 5000 } = {}) => {
  const meter = welch(rate, length, channels, plainTransforms);
  for (let at = 0; at < samples.length; at += piece) meter.push(samples.subarray(at, at + piece));
  return meter.segments();
};

describe('the length of a segment', () => {
  test.each([
    [44_100, 16_384],
    [48_000, 16_384],
    [96_000, 32_768],
    [192_000, 65_536],
    [8000, 2048],
  ])('at %d Hz about three hertz from bin to bin', (rate, length) => {
    expect(segmentFor(rate, undefined)).toBe(length);
    expect(rate / length).toBeGreaterThan(2.6);
    expect(rate / length).toBeLessThan(4);
  });
  test('shorter where there are fewer than eight of them, half overlapping; not below 1024', () => {
    expect(segmentFor(RATE, 4.5 * 16_384)).toBe(16_384);
    expect(segmentFor(RATE, 4.5 * 16_384 - 1)).toBe(8192);
    expect(segmentFor(RATE, 4.5 * 2048)).toBe(2048);
    expect(segmentFor(RATE, 4.5 * 1024)).toBe(1024);
    expect(segmentFor(RATE, 0)).toBe(1024);
  });
});

describe('a density', () => {
  test('adds up to the mean square, for noise, a line, and what is constant', () => {
    const samples = sum(noise(4 * RATE, 0.01), sine(4 * RATE, 997, 0.02), new Float32Array(4 * RATE).fill(0.005));
    const density = densityOf(read(samples));
    const truth = samples.reduce((total, x) => total + x * x, 0) / samples.length;
    expect(Math.abs(10 * Math.log10(powerIn(density, 0, RATE / 2) / truth))).toBeLessThan(0.05);
    expect(density.step).toBeCloseTo(46.875, 6);
    expect(density.segments).toBe(Math.floor((4 * RATE - 1024) / 512) + 1);
    // 14 decimal places below the greatest is what the arithmetic adds.
    expect(density.least / Math.max(...density.values)).toBeCloseTo(1e-14, 18);
  });

  test('the ends of the spectrum have no negative frequency: white noise has half there', () => {
    const { values } = densityOf(read(noise(60 * RATE, 0.01), { length: 1024, rate: 44_100 }));
    const middle = values.slice(10, 500).reduce((total, value) => total + value, 0) / 490;
    expect(values).toHaveLength(513);
    expect(values[0] / middle).toBeGreaterThan(0.35);
    expect(values[0] / middle).toBeLessThan(0.65);
    expect(values[512] / middle).toBeGreaterThan(0.35);
    expect(values[512] / middle).toBeLessThan(0.65);
    // At higher rates nothing above 24 kHz is kept, and the last bin is one like any other.
    const fast = densityOf(read(noise(60 * RATE, 0.01), { rate: 96_000, length: 1024 })).values;
    expect(fast).toHaveLength(257);
    expect(fast[256] / fast[200]).toBeGreaterThan(0.7);
  });

  test('of what is shorter than a segment is that of what is there', () => {
    const short = noise(700, 0.01);
    const truth = short.reduce((total, x) => total + x * x, 0) / short.length;
    const { stretches, weighted, ...rest } = read(short);
    expect(stretches).toHaveLength(1);
    expect(stretches[0]).toMatchObject({ from: 0, to: 1 });
    expect(weighted).toHaveLength(1);
    expect(weighted[0]).toBeGreaterThan(0.2 * truth);
    const total = powerIn(densityOf({ stretches, weighted, ...rest }), 0, RATE / 2);
    // A window over no more than two thirds of it.
    expect(total / truth).toBeGreaterThan(0.5);
    expect(total / truth).toBeLessThan(2);
    expect(weighted[0] / truth).toBeLessThan(2);
    // Half a window has half its squares: in the mean of many it is the mean square.
    const ratios = Array.from({ length: 40 }, (_, seed) => {
      const half = noise(512, 0.01, seed + 1);
      const own = half.reduce((sum, x) => sum + x * x, 0) / half.length;
      return powerIn(densityOf(read(half)), 0, RATE / 2) / own;
    });
    expect(ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length).toBeCloseTo(1, 1);
    expect(densityOf(read(new Float32Array(0))).values.every((value) => value === 0)).toBe(true);
    expect(densityOf({ step: 1, hop: 1, stretches: [], weighted: [] }, []).values).toEqual(new Float64Array(2));
  });

  test('A-weighted, segment by segment, from 20 Hz to 20 kHz', () => {
    const line = (hz: number) => read(sine(2 * RATE, hz, 0.1), { length: 16_384 }).weighted;
    for (const power of line(1000)) expect(10 * Math.log10(power)).toBeCloseTo(-23.01, 1);
    // −19.1 dB at 100 Hz (IEC 61672-1, table 3, from memory).
    for (const power of line(100)) expect(Math.abs(10 * Math.log10(power) + 23.01 + 19.1)).toBeLessThan(0.1);
    for (const power of [...line(10), ...line(21_000)]) expect(10 * Math.log10(power)).toBeLessThan(-100);
  });

  test('the part of it between two frequencies, each weighted', () => {
    const density = { step: 2, values: Float64Array.from([1, 1, 1, 1, 1, 1]), segments: 1, least: 0 };
    expect(powerIn(density, 2, 6)).toBe(6);
    expect(powerIn(density, 2.5, 5.5)).toBe(2);
    expect(powerIn(density, -5, 1000)).toBe(12);
    expect(powerIn(density, 2, 6, (hertz) => hertz)).toBe(24);
  });
});

describe('what is kept of a long recording', () => {
  const most = (channels: number, seconds: number) => read(noise(seconds * RATE, 0.01), { channels }).stretches;
  const isWhole = (stretches: ReturnType<typeof most>, count: number) => {
    expect(stretches[0].from).toBe(0);
    stretches.slice(1).forEach(({ from }, n) => expect(from).toBe(stretches[n].to));
    expect(stretches.at(-1)!.to).toBe(count);
  };
  test('256 stretches between all channels, 24 each at least; none is lost', () => {
    const count = (seconds: number) => Math.floor((seconds * RATE - 1024) / 512) + 1;
    for (const [channels, limit] of [
      [1, 256],
      [4, 64],
      [64, 24],
    ]) {
      const stretches = most(channels, 12);
      expect(stretches.length).toBeLessThanOrEqual(limit);
      expect(stretches.length).toBeGreaterThan(limit / 2 - 1);
      isWhole(stretches, count(12));
    }
    expect(most(1, 2)).toHaveLength(count(2));
  });

  test('neighbours that are alike are summed first: a sound of a quarter of a second spoils what it lies in alone', () => {
    const samples = noise(20 * RATE, 0.01);
    for (let n = 10 * RATE; n < 10.25 * RATE; n++) samples[n] *= 10;
    const segments = read(samples);
    const [loud, quiet] = [true, false].map((wanted) =>
      segments.stretches.filter(
        ({ sum: own, from, to }) => own.reduce((a, b) => a + b) / (to - from) > 2e-5 === wanted,
      ),
    );
    // It spoils those alone that it lies in.
    for (const { from, to } of quiet) expect(to < (10 * RATE) / 512 || from > (10.25 * RATE) / 512 - 1).toBe(true);
    expect(loud.length).toBeGreaterThan(0);
    expect(loud.length).toBeLessThan(20);
    const floor = densityOf(segments, quiet);
    expect(Math.abs(10 * Math.log10(powerIn(floor, 0, RATE / 2)) + 40)).toBeLessThan(0.1);
    // All together it is the mean of the recording still.
    const truth = samples.reduce((total, x) => total + x * x, 0) / samples.length;
    expect(Math.abs(10 * Math.log10(powerIn(densityOf(segments), 0, RATE / 2) / truth))).toBeLessThan(0.05);
  });
});

test('the frames that a stretch reaches over: two hops for the last of its segments', () => {
  const segments = { step: 1, hop: 512, stretches: [], weighted: [] };
  const stretch = { from: 4, to: 6, sum: new Float32Array(2), levels: [0, 0, 0] as [number, number, number] };
  expect(framesOf(stretch, segments, 1120, 100)).toEqual({ from: 1, to: 4 });
  expect(framesOf(stretch, segments, 1120, 3)).toEqual({ from: 1, to: 3 });
});
