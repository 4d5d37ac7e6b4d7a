import { WHOLE } from '../../../../tests/explore';
import { readRecording } from '../../../../tests/recordings/read';
import { add, amplitudeOf, comb, room, seeded, telephone, white } from '../../../../tests/recordings/sounds';
import type { ChannelReading } from './analysis';

const RATE = 48_000;
const SECONDS = 10;
const FRAMES = SECONDS * RATE;
const random = seeded('tones');

const read = (samples: ArrayLike<number>): ChannelReading => readRecording(RATE, samples).channels[0];
const floor = (dbfs = -70): Float64Array => room(random, FRAMES, RATE, dbfs);

describe('mains', () => {
  const odd = (level: number): [number, number][] => [1, 3, 5, 7].map((order) => [order, level - 4 * order]);

  test.each([
    [50.03, odd(-65)],
    [59.94, odd(-65)],
    [47.3, odd(-50)],
    [53.1, odd(-50)],
    [62.5, odd(-50)],
  ])('%d Hz of a supply or a generator is found', (hertz, levels) => {
    const reading = read(add(floor(), comb(FRAMES, RATE, hertz, levels, random)));
    expect(Math.abs(reading.mains!.frequencyHz - hertz)).toBeLessThan(0.05);
  });

  test('a telephone is no mains of 54.17 Hz, a note of 55 Hz no mains of 55', () => {
    const phone = read(add(floor(), telephone(random, SECONDS, RATE, -50)));
    expect(phone.mains).toBeNull();
    const note = Array.from({ length: 8 }, (_, n): [number, number] => [n + 1, -55 - 3 * n]);
    for (const hertz of [55, 61.74 * 2, 41.2, 220])
      expect(read(add(floor(), comb(FRAMES, RATE, hertz, note, random))).mains).toBeNull();
    // One line off a supply's frequency is a tone.
    const single = read(add(floor(), comb(FRAMES, RATE, 53, [[1, -60]], random)));
    expect(single.mains).toBeNull();
    expect(single.tones[0].hz).toBeCloseTo(53, 0);
  });

  test('a data bus at 1, 2, 3 and 8 kHz beside hum of 50 Hz is told apart from its comb, or as either', () => {
    for (const hertz of [50, 49.98]) {
      const bus = comb(
        FRAMES,
        RATE,
        1000,
        [
          [1, -75],
          [2, -80],
          [3, -84],
          [8, -80],
        ],
        random,
      );
      const { mains, tones } = read(add(add(floor(-80), bus), comb(FRAMES, RATE, hertz, odd(-60), random)));
      expect(Math.abs(mains!.frequencyHz - hertz)).toBeLessThan(0.02);
      const told = tones.map(({ hz }) => Math.round(hz / 1000));
      expect(told).toEqual(expect.arrayContaining([1, 2, 3, 8]));
      if (hertz === 50) expect(tones.find(({ hz }) => Math.abs(hz - 1000) < 1)?.harmonic).toBe(20);
    }
    // A long comb of its own is no bus.
    const buzz = Array.from({ length: 40 }, (_, n): [number, number] => [2 * n + 2, -66 - 3 * Math.log2(n + 1)]);
    const { tones, mains } = read(add(floor(-85), comb(FRAMES, RATE, 50, buzz, random)));
    expect(tones).toEqual([]);
    expect(mains!.harmonics.length).toBe(40);
  });

  const STEP = WHOLE ? 1.031 : 1.097;
  test('no blind frequencies: a tone anywhere beside hum is told, as a tone or a harmonic', () => {
    const hum = comb(FRAMES / 2, RATE, 50.02, [...odd(-65), [2, -70], [4, -75], [6, -78]], random);
    const hiss = white(random, FRAMES / 2, amplitudeOf(-75));
    const blind: number[] = [];
    for (let hertz = 27; hertz < 19_500; hertz *= STEP) {
      const { tones, mains } = read(add(add(hiss.slice(), hum), comb(FRAMES / 2, RATE, hertz, [[1, -72]], random)));
      const lines = [...tones, ...(mains?.harmonics ?? [])];
      if (!lines.some(({ hz }) => Math.abs(hz - hertz) < 3)) blind.push(hertz);
    }
    // Within two and a half bins of a louder line nothing is told apart: a window of Hann is four bins wide.
    expect(blind.filter((hertz) => Math.abs(hertz / 50.02 - Math.round(hertz / 50.02)) * 50.02 > 7.4)).toEqual([]);
  }, 120_000);

  test('a whine that wanders is told with its range', () => {
    const samples = floor(-75);
    let phase = 0;
    for (let n = 0; n < FRAMES; n++) {
      phase += (2 * Math.PI * (3400 + 300 * Math.sin((2 * Math.PI * 0.1 * n) / RATE))) / RATE;
      samples[n] += Math.SQRT2 * amplitudeOf(-70) * Math.sin(phase);
    }
    const { wandering, patterns } = read(samples);
    expect(wandering).toHaveLength(1);
    expect(wandering[0].fromHz).toBeGreaterThan(3050);
    expect(wandering[0].toHz).toBeLessThan(3750);
    expect(Math.abs(wandering[0].dbfs + 70)).toBeLessThan(2);
    expect(patterns.map(({ code }) => code)).toContain('wandering-whine');
    expect(read(floor(-75)).wandering).toEqual([]);
  });
});

test.each([44_100, 48_000, 88_200, 96_000, 176_400, 192_000])('%d Hz: the same hum, hiss, slope and tones', (rate) => {
  const frames = 8 * rate;
  const samples = white(random, frames, amplitudeOf(-80 + 10 * Math.log10(rate / 48_000)));
  add(
    samples,
    comb(
      frames,
      rate,
      50.02,
      [
        [1, -60],
        [3, -68],
        [5, -74],
      ],
      random,
    ),
  );
  add(samples, comb(frames, rate, 4310.4, [[1, -75]], random));
  const [reading] = readRecording(rate, samples).channels;
  expect(Math.abs(reading.mains!.frequencyHz - 50.02)).toBeLessThan(0.05);
  for (const [order, dbfs] of [
    [1, -60],
    [3, -68],
    [5, -74],
  ])
    expect(Math.abs(reading.mains!.harmonics.find((each) => each.order === order)!.dbfs - dbfs)).toBeLessThan(0.5);
  expect(Math.abs(reading.tones[0].hz - 4310.4)).toBeLessThan(0.05);
  expect(Math.abs(reading.tones[0].dbfs + 75)).toBeLessThan(0.5);
  // White noise of −80 dBFS up to 24 kHz: −80.8 in the band, 2.05 dB less A-weighted.
  expect(Math.abs(reading.hissDbfs + 82.85)).toBeLessThan(0.5);
  expect(Math.abs(reading.slopeDbPerOctave)).toBeLessThan(0.2);
});
