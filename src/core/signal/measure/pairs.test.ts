import { noise, sum } from '../../../../tests/signals';
import { levelMeter } from './levels';
import { channelPairs } from './pairs';

const FRAMES = 48_000;
const OWN = [1, 2].map((seed) => orthogonal(seed));

/** Noise that has nothing in common with that of the other seed, exactly: each lives in samples of its own. */
function orthogonal(seed: number): Float32Array {
  const own = noise(FRAMES, 1, seed).map((x, n) => (n % 2 === seed - 1 ? x : 0));
  const mean = own.reduce((total, x) => total + x, 0) / (FRAMES / 2);
  const free = own.map((x, n) => (n % 2 === seed - 1 ? x - mean : 0));
  const rms = Math.sqrt(free.reduce((total, x) => total + x * x, 0) / FRAMES);
  return free.map((x) => (0.1 * x) / rms);
}
const scaled = (signal: Float32Array, by: number) => signal.map((x) => x * by);
function read(...channels: Float32Array[]) {
  const pairs = channelPairs(channels.length);
  for (let at = 0; at < FRAMES; at += 7001) pairs.push(channels.map((each) => each.subarray(at, at + 7001)));
  return pairs.readings(
    channels.map((each) => {
      const meter = levelMeter(48_000);
      meter.push(each.slice());
      return meter.levels();
    }),
  );
}
/** A second channel that has this correlation with the first, at the same level. */
const alike = (correlation: number) =>
  sum(scaled(OWN[0], correlation), scaled(OWN[1], Math.sqrt(1 - correlation ** 2)));
const relation = (other: Float32Array) => read(OWN[0], other)[0]?.relation;

test('one signal twice from a correlation of 0.995 on', () => {
  expect(relation(alike(0.9955))).toBe('same signal twice');
  expect(relation(alike(0.9945))).toBeUndefined();
  expect(read(OWN[0], alike(0.9955))[0].correlation).toBeCloseTo(0.9955, 3);
});

test('reversed from −0.6 on: each has noise of its own', () => {
  expect(relation(alike(-0.61))).toBe('reversed polarity');
  expect(relation(alike(-0.59))).toBeUndefined();
});

test('what comes over 15 dB down and lower is crosstalk, from the louder to the quieter', () => {
  const over = (decibels: number, own = 0) => sum(scaled(OWN[0], 10 ** (decibels / 20)), scaled(OWN[1], own));
  expect(read(OWN[0], over(-15.3))).toMatchObject([{ relation: 'crosstalk', fromChannel: 0, channels: [0, 1] }]);
  expect(read(OWN[0], over(-15.3))[0].ratioDb).toBeCloseTo(-15.3, 1);
  expect(relation(over(-14.7))).toBe('same signal twice');
  expect(read(over(-30), OWN[0])).toMatchObject([
    { relation: 'crosstalk', fromChannel: 1, ratioDb: expect.closeTo(-30, 1) },
  ]);
  expect(read(OWN[0], scaled(over(-30), -1))).toMatchObject([
    { relation: 'crosstalk', ratioDb: expect.closeTo(-30, 1) },
  ]);
  // It is a quarter of what is there, in correlation: −30 dB beside 0.12 and 0.13 of its own.
  expect(relation(over(-30, 0.03162 * 3.8))).toBe('crosstalk');
  expect(relation(over(-30, 0.03162 * 3.95))).toBeUndefined();
});

test('a direct offset is no likeness, and silence has none', () => {
  const raised = OWN.map((each) => each.map((x) => x + 0.5));
  expect(read(raised[0], raised[1])).toEqual([]);
  expect(read(raised[0], scaled(OWN[0], 1))).toMatchObject([{ relation: 'same signal twice' }]);
  expect(read(OWN[0], new Float32Array(FRAMES))).toEqual([]);
  expect(channelPairs(2).readings([levelMeter(48_000).levels(), levelMeter(48_000).levels()])).toEqual([]);
});

test('every two of them, of the first sixteen', () => {
  const pairs = read(...Array.from({ length: 18 }, () => OWN[0]));
  expect(pairs).toHaveLength(120);
  expect(pairs.at(-1)!.channels).toEqual([14, 15]);
  expect(read(OWN[0], OWN[1], scaled(OWN[0], -1)).map(({ channels }) => channels)).toEqual([[0, 2]]);
});
