import type { Hertz } from '../../units';
import { floorAround, type Density, type Stretch } from './spectrum';
import { mainsOf, tonesOf, wanderingOf } from './tones';

/** From bin to bin, as at 48 kHz. */
const STEP: Hertz = 48_000 / 16_384;
/** Mean square per hertz around the lines. */
const AROUND = 1e-12;

/** How a line spreads behind a Hann window, in power, so many bins from its middle (Harris, 1978): one at 0, a quarter at 1. */
function lobe(bins: number): number {
  if (Math.abs(bins) < 1e-9) return 1;
  if (Math.abs(Math.abs(bins) - 1) < 1e-9) return 0.25;
  return (Math.sin(Math.PI * bins) / (Math.PI * bins) / (1 - bins * bins)) ** 2;
}

type Line = readonly [hz: Hertz, power: number];

/** What lines of some mean squares look like in an even floor; the squares of a lobe add up to three halves. */
function densityWith(lines: readonly Line[], segments = 64): Density {
  const values = new Float64Array(8193).fill(AROUND);
  for (const [hz, power] of lines)
    for (let k = Math.max(0, Math.floor(hz / STEP) - 12); k < Math.min(values.length, hz / STEP + 12); k++)
      values[k] += (power / 1.5 / STEP) * lobe(k - hz / STEP);
  return { step: STEP, values, segments, least: 0 };
}

/** The mean square of a line in the middle of a bin that stands so many times as high as what is around it. */
const standing = (times: number): number => 1.5 * STEP * AROUND * (times - 1);
/** The middle of a bin. */
const onBin = (hz: Hertz): Hertz => Math.round(hz / STEP) * STEP;
const LOUD = standing(1e4);
const comb = (hertz: Hertz, orders: readonly number[], power = LOUD): Line[] =>
  orders.map((order) => [order * hertz, power]);
const found = (density: Density): Hertz[] => tonesOf(density, undefined).map(({ hz }) => Math.round(hz));

describe('a line', () => {
  test('stands out from 12 dB over what is around it on, and not below', () => {
    for (const hz of [60, 997, 8000, 19_000]) {
      expect(tonesOf(densityWith([[onBin(hz), standing(16.3)]]), undefined)).toMatchObject([
        { hz: expect.closeTo(onBin(hz), 0) },
      ]);
      expect(found(densityWith([[onBin(hz), standing(15.7)]]))).toEqual([]);
    }
  });

  test('has its frequency and its level wherever between two bins it lies', () => {
    for (let bin = 300; bin <= 301; bin += 0.125) {
      const [tone] = tonesOf(densityWith([[bin * STEP, LOUD]]), undefined);
      expect(Math.abs(tone.hz - bin * STEP)).toBeLessThan(0.02);
      expect(Math.abs(10 * Math.log10(tone.power / LOUD))).toBeLessThan(0.05);
      expect(tone.dbfs).toBeCloseTo(10 * Math.log10(tone.power), 6);
    }
  });

  test('is a tone from 20 Hz on; lower lies rumble', () => {
    expect(found(densityWith([[onBin(18), LOUD]]))).toEqual([]);
    expect(found(densityWith([[onBin(21), LOUD]]))).toEqual([Math.round(onBin(21))]);
  });

  test('is told beside another four bins away, and a slope is none', () => {
    const [one, other] = [onBin(997), onBin(997) + 4 * STEP];
    expect(found(densityWith([...comb(one, [1]), [other, LOUD / 2]]))).toEqual([one, other].map(Math.round));
    const steep = densityWith([]);
    const slope = { ...steep, values: steep.values.map((value, k) => value * (100 / Math.max(5, k)) ** 4) };
    expect(found(slope)).toEqual([]);
    expect(mainsOf(slope)).toBeUndefined();
  });

  test('loudest first, and no more than asked for', () => {
    const many = densityWith(Array.from({ length: 50 }, (_, n) => [onBin(1000 + 150 * n), LOUD * (n + 1)]));
    expect(tonesOf(many, undefined)).toHaveLength(40);
    expect(tonesOf(many, undefined, 2).map(({ hz }) => hz)).toEqual([
      expect.closeTo(onBin(8350), 1),
      expect.closeTo(onBin(8200), 1),
    ]);
  });

  test('is measured against what is around it, its own lobe and a few others left out', () => {
    const values = new Float64Array(200).fill(2);
    values.fill(1e6, 96, 105);
    for (const other of [70, 80, 120, 130]) values[other] = 1e6;
    expect(floorAround({ values, least: 0 }, 100, 40)).toBe(2);
    // Four tenths of the way up from the least: quiet places count, but not one alone.
    values.fill(1, 60, 90);
    expect(floorAround({ values, least: 0 }, 100, 40)).toBe(1);
    values.fill(2, 60, 90).fill(1, 60, 80);
    expect(floorAround({ values, least: 0 }, 100, 40)).toBe(2);
    expect(floorAround({ values, least: 5 }, 100, 40)).toBe(5);
    // At either end there is less around.
    expect(floorAround({ values, least: 0 }, 3, 40)).toBe(2);
    expect(floorAround({ values, least: 0 }, 199, 40)).toBe(2);
  });
});

describe('the mains', () => {
  const hertzOf = (lines: readonly Line[]) => mainsOf(densityWith(lines))?.frequencyHz;

  test.each([
    [50.55, 50.65],
    [49.45, 49.35],
    [60.55, 60.65],
    [59.45, 59.35],
  ])('one line of %d Hz is those of a supply (1 %%, EN 50160), one of %d Hz is a tone', (near, far) => {
    expect(hertzOf(comb(near, [1]))).toBeCloseTo(near, 1);
    expect(hertzOf(comb(far, [1]))).toBeUndefined();
    expect(tonesOf(densityWith(comb(far, [1])), undefined)[0].hz).toBeCloseTo(far, 1);
  });

  test.each([
    [45.2, 44.5],
    [54.5, 54.8],
    [57.2, 56.8],
    [64.8, 65.3],
  ])('a comb of %d Hz may be a generator’s, one of %d Hz is none', (inside, outside) => {
    expect(hertzOf(comb(inside, [1, 2, 3, 4]))).toBeCloseTo(inside, 1);
    expect(hertzOf(comb(outside, [1, 2, 3, 4]))).toBeUndefined();
  });

  test('a generator has three teeth at least, an odd one among them', () => {
    expect(hertzOf(comb(47, [1, 2, 3]))).toBeCloseTo(47, 1);
    expect(hertzOf(comb(47, [1, 3]))).toBeUndefined();
    expect(hertzOf(comb(47, [2, 4, 6, 8]))).toBeUndefined();
    // Far up they say nothing of it.
    expect(hertzOf(comb(47, [1, 14, 15, 16]))).toBeUndefined();
  });

  test('every second tooth is a rectifier’s, every third or fourth another’s comb', () => {
    expect(hertzOf(comb(50, [2, 4, 6, 8]))).toBeCloseTo(50, 2);
    expect(hertzOf(comb(50, [3, 6, 9, 12]))).toBeUndefined();
    expect(hertzOf(comb(50, [4, 8, 12]))).toBeUndefined();
  });

  test('harmonics to 10 kHz, with their orders, frequencies and levels', () => {
    const mains = mainsOf(
      densityWith(
        comb(
          50.02,
          Array.from({ length: 239 }, (_, n) => n + 1),
        ),
      ),
    )!;
    expect(mains.frequencyHz).toBeCloseTo(50.02, 3);
    expect(mains.harmonics.map(({ order }) => order)).toEqual(Array.from({ length: 199 }, (_, n) => n + 1));
    for (const { order, hz, power } of mains.harmonics) {
      expect(Math.abs(hz - 50.02 * order)).toBeLessThan(0.1);
      expect(Math.abs(10 * Math.log10(power / LOUD))).toBeLessThan(0.1);
    }
  });

  test('the better of two combs, and of one that is half of it the true one', () => {
    expect(hertzOf([...comb(50, [1, 2, 3, 4]), ...comb(60, [1, 2, 3, 4], LOUD / 4)])).toBeCloseTo(50, 1);
    expect(hertzOf([...comb(60, [1, 2, 3, 4]), ...comb(50, [1, 2, 3, 4], LOUD / 4)])).toBeCloseTo(60, 1);
  });

  test('a line 0.7 Hz off its multiple is no harmonic, but a tone', () => {
    for (const [off, orders, tones] of [
      [0.5, [1, 2, 4], 0],
      [0.95, [1, 2], 1],
    ] as const) {
      const density = densityWith([...comb(50, [1, 2], 100 * LOUD), [200 + off, standing(400)]]);
      const mains = mainsOf(density)!;
      expect(mains.harmonics.map(({ order }) => order)).toEqual(orders);
      expect(tonesOf(density, mains).filter(({ hz }) => hz > 150)).toHaveLength(tones);
    }
  });

  test('from the eighth on, what stands 9 dB out of the comb is a tone too; lower it is the comb’s', () => {
    const orders = Array.from({ length: 16 }, (_, n) => n + 1);
    for (const [order, times, alone] of [
      [7, 20, false],
      [8, 8.3, true],
      [8, 7.7, false],
      [12, 20, true],
    ] as const) {
      const density = densityWith([...comb(50, orders), [order * 50, LOUD * (times - 1)]]);
      const mains = mainsOf(density)!;
      expect(mains.harmonics.some((each) => each.order === order)).toBe(!alone);
      expect(tonesOf(density, mains)).toMatchObject(
        alone ? [{ hz: expect.closeTo(order * 50, 1), harmonic: order }] : [],
      );
    }
    // Five orders away there is nothing beside it.
    const lone = densityWith([...comb(50, [1, 2, 3, 4]), [450, LOUD], [400, LOUD / 4]]);
    expect(mainsOf(lone)!.harmonics.map(({ order }) => order)).toEqual([1, 2, 3, 4, 8, 9]);
    expect(mainsOf(densityWith([...comb(50, [1, 2, 3, 4]), [450, LOUD]]))!.harmonics).toHaveLength(4);
  });

  test('where a tooth is awaited it stands out by eight deviations of the mean, below 2 kHz', () => {
    // Half-way between two bins, so that its frequency is known though it hardly stands out; where a multiple lies so.
    const between = (hz: Hertz): Hertz => (Math.floor(hz / STEP) + 0.5) * STEP;
    const isBetween = (order: number) => Math.abs(between(50 * order) - 50 * order) < 0.4;
    const low = [7, 9, 10, 11, 12, 13, 14, 15].find(isBetween)!;
    const high = [41, 42, 43, 44, 45, 46, 47].find(isBetween)!;
    const orders = (segments: number, order: number, times: number) =>
      mainsOf(
        densityWith([...comb(50, [1, 2, 3, 4]), [between(50 * order), standing(times) / lobe(0.5)]], segments),
      )!.harmonics.map((each) => each.order);
    expect(orders(64, low, 2.15)).toContain(low);
    expect(orders(64, low, 1.85)).not.toContain(low);
    expect(orders(16, low, 2.85)).not.toContain(low);
    expect(orders(16, low, 3.15)).toContain(low);
    // Few segments: no less than what any line needs, no more.
    expect(orders(0.1, low, 15.5)).not.toContain(low);
    expect(orders(0.1, low, 16.5)).toContain(low);
    expect(orders(64, high, 15)).not.toContain(high);
  });

  describe('with its low end hidden', () => {
    const hidden = (orders: readonly number[], hertz = 50) => hertzOf(comb(hertz, orders));
    test('is told by the distance of its teeth, four at least', () => {
      expect(hidden([20, 22, 24, 26])).toBeCloseTo(50, 1);
      expect(hidden([20, 22, 24])).toBeUndefined();
      expect(hidden([24, 26, 28, 30, 32, 34], 60)).toBeCloseTo(60, 1);
    });
    test('six of ten of them are there', () => {
      expect(hidden([12, 14, 18, 20, 24])).toBeCloseTo(50, 1);
      expect(hidden([12, 14, 24, 34])).toBeUndefined();
      // Odd ones do not fill it.
      expect(hidden([12, 13, 14, 15, 16, 30])).toBeUndefined();
      // Seven over twelve places, six over ten.
      expect(hidden([12, 16, 18, 22, 26, 30, 34])).toBeUndefined();
      expect(hidden([12, 14, 18, 22, 26, 30])).toBeCloseTo(50, 1);
    });
    test('below 2 kHz, and of a supply', () => {
      expect(hidden([42, 44, 46, 48, 50])).toBeUndefined();
      expect(hidden([20, 22, 24, 26, 28], 52)).toBeUndefined();
    });
  });
});

describe('a whine that wanders', () => {
  /** Stretches of one segment each, with a line in some of them, smeared over 31 bins to so many times what is around. */
  const stretches = (courses: readonly (Hertz | undefined)[], times = 60): Stretch[] =>
    courses.map((hz, from) => {
      const sum = new Float32Array(8193).fill(AROUND);
      const bin = Math.round((hz ?? 0) / STEP);
      if (hz !== undefined) for (let k = -15; k <= 15; k++) sum[bin + k] = AROUND * times * (1 - Math.abs(k) / 100);
      return { from, to: from + 1, sum, levels: [0, 0, 0] };
    });
  const told = (courses: readonly (Hertz | undefined)[], times?: number, steady: readonly Hertz[] = []) =>
    wanderingOf(
      stretches(courses, times),
      { step: STEP, least: 0 },
      steady.map((hz) => ({ hz, dbfs: 0, power: 1 })),
    ).map(({ fromHz, toHz }) => [fromHz, toHz].map(Math.round));
  const moving = (by: Hertz, from: Hertz = 1000, count = 10) =>
    Array.from({ length: count }, (_, n) => onBin(from + by * (n % 2)));
  const range = (...hz: Hertz[]) => [hz.map((each) => Math.round(onBin(each)))];

  test('is told with its range and its level', () => {
    expect(told(moving(60))).toEqual(range(1000, 1060));
    const [whine] = wanderingOf(stretches(moving(60)), { step: STEP, least: 0 }, []);
    // Of a stretch of several segments it is their mean.
    const longer = stretches(moving(60)).map((each, n) => ({ ...each, from: 3 * n, to: 3 * n + 3 }));
    for (const { sum } of longer) sum.forEach((value, k) => (sum[k] = 3 * value));
    expect(wanderingOf(longer, { step: STEP, least: 0 }, [])[0].dbfs).toBeCloseTo(whine.dbfs, 3);
    // 31 bins, highest in the middle.
    const power = 31 * STEP * AROUND * (60 * (1 - 7.74 / 100) - 1);
    expect(Math.abs(whine.dbfs - 10 * Math.log10(power))).toBeLessThan(0.2);
  });
  test('moves by 120 Hz from one to the next at most, higher up by 6 % of itself', () => {
    expect(told(moving(115))).toEqual(range(1000, 1115));
    expect(told(moving(126))).not.toEqual(range(1000, 1126));
    expect(told(moving(225, 4000))).toEqual(range(4000, 4225));
    expect(told(moving(260, 4000))).not.toEqual(range(4000, 4260));
  });
  test('is there in six of ten stretches, of six at least', () => {
    const some = (there: number) => Array.from({ length: 10 }, (_, n) => (n < there ? onBin(2000) : undefined));
    expect(told(some(6))).toEqual(range(2000, 2000));
    expect(told(some(5))).toEqual([]);
    expect(told(moving(60, 1000, 6))).toHaveLength(1);
    expect(told(moving(60, 1000, 5))).toEqual([]);
  });
  test('stands out further than noise in one segment does: 15 dB', () => {
    expect(told(moving(60), 31)).toHaveLength(1);
    expect(told(moving(60), 29)).toEqual([]);
  });
  test('has the level that it has half of the time, and of what is smeared it is one', () => {
    const loud = stretches(moving(60)).map((each, n) => (n < 4 ? stretches(moving(60), 600)[n] : each));
    const [whine, ...others] = wanderingOf(loud, { step: STEP, least: 0 }, []);
    expect(others).toEqual([]);
    expect(whine.dbfs).toBeCloseTo(wanderingOf(stretches(moving(60)), { step: STEP, least: 0 }, [])[0].dbfs, 1);
    // Two that are further apart than they are smeared are two.
    const [low, high] = [moving(60), moving(60, 4000)].map((courses) => stretches(courses));
    const both = low.map((each, n) => ({ ...each, sum: each.sum.map((value, k) => Math.max(value, high[n].sum[k])) }));
    expect(wanderingOf(both, { step: STEP, least: 0 }, [])).toHaveLength(2);
  });
  test('is above 250 Hz, and none that is told as a steady tone', () => {
    expect(told(moving(0, 240))).toEqual([]);
    expect(told(moving(0, 260))).toHaveLength(1);
    expect(told(moving(0, 2000), 60, [onBin(2000)])).toEqual([]);
    expect(told(moving(0, 2000), 60, [onBin(2000) + 5 * STEP])).toHaveLength(1);
  });
});
