import type { Decibels, Hertz, Seconds } from '../../units';
import { HISS, observer, VOICE } from './features';
import { BANDS, FRAME, type Frames } from './frames';
import { quietOf } from './quiet';
import type { Segments, Stretch } from './spectrum';

const RATE = 48_000;
const PER_FRAME = 1120;
const HOP = 8192;
const STEP: Hertz = RATE / (2 * HOP);
const SECONDS: Seconds = 20;
const COUNT = Math.floor((SECONDS * RATE) / PER_FRAME);
const frame = (seconds: Seconds) => Math.round(seconds / FRAME);

/** What one sound from 5 to 10 s shows: its level over a floor of −80 dBFS by band and second, and its lines. */
function seen({
  level = () => 20,
  lines = () => [],
  tonal = 0,
  clicks = [],
  from = 5,
  to = 10,
}: {
  level?: (band: number, seconds: Seconds) => Decibels;
  /** Frequency and power over the density of the floor, by segment of the sound. */
  lines?: (segment: number) => readonly (readonly [Hertz, number])[];
  tonal?: number;
  clicks?: readonly Seconds[];
  from?: Seconds;
  to?: Seconds;
}) {
  const dbfs = (band: number, n: number) => {
    const seconds = n * FRAME;
    return -80 + (seconds >= from && seconds < to ? level(band, seconds - from) : 0);
  };
  const frames: Frames = {
    count: COUNT,
    seconds: FRAME,
    level: dbfs,
    powers: (band) => Float64Array.from({ length: COUNT }, (_, n) => 10 ** (dbfs(band, n) / 10)),
    tonal: () => tonal,
  };
  const quiet = { ...quietOf(frames), others: [{ from: frame(from), to: frame(to) }] };
  const stretches = Array.from({ length: Math.floor((SECONDS * RATE) / HOP) - 1 }, (_, at): Stretch => {
    const sum = new Float32Array(HOP + 1).fill(1e-12);
    const [start, end] = [(at * HOP) / RATE, ((at + 2) * HOP) / RATE];
    if (start >= from && end <= to)
      for (const [hz, power] of lines(at - Math.ceil((from * RATE) / HOP))) {
        const bin = Math.round(hz / STEP);
        for (const [off, part] of [
          [-1, 0.25],
          [0, 1],
          [1, 0.25],
        ])
          sum[bin + off] += power * part * 1e-12;
      }
    return { from: at, to: at + 1, sum, levels: [0, 0, 0] };
  });
  const segments: Segments = { step: STEP, hop: HOP, stretches, weighted: [] };
  return observer(frames, quiet, segments, PER_FRAME, clicks.map(frame))(quiet.others);
}

describe('levels over the floor', () => {
  test('by band, their part of the recording, and clicks within', () => {
    const found = seen({ level: (band) => 10 + band, clicks: [2, 5.5, 7, 9, 12] });
    expect(found.bands).toEqual(Array.from({ length: BANDS }, (_, band) => expect.closeTo(10 + band, 0)));
    expect(found.share).toBeCloseTo(0.25, 2);
    expect(found.clicks).toBe(3);
  });

  test('alike above 1 kHz it may be a gain, and how much of that stays within 1.5 dB', () => {
    expect(seen({})).toMatchObject({
      gainLike: expect.closeTo(1, 1),
      flat: expect.closeTo(1, 1),
      least: expect.closeTo(20, 0),
    });
    // Apart by two decibels and more in deviation, it is a sound.
    expect(seen({ level: (band) => 20 + (band % 2 ? 2.1 : -2.1) }).gainLike).toBeLessThan(0.05);
    expect(seen({ level: (band) => 20 + (band % 2 ? 1.8 : -1.8) }).gainLike).toBeGreaterThan(0.9);
    // Bands below 1 kHz say nothing of it.
    expect(seen({ level: (band) => (band < HISS ? 40 : 20) }).gainLike).toBeGreaterThan(0.9);
    const steps = (apart: Decibels) =>
      seen({ level: (_, seconds) => 20 + (Math.floor(seconds * 2) % 2 ? apart : 0) }).flat;
    expect(steps(1.2)).toBeGreaterThan(0.9);
    expect(steps(3)).toBeLessThan(0.6);
    // Less than 4 dB up it says nothing.
    expect(seen({ level: () => 3.8 }).gainLike).toBeLessThan(0.05);
    expect(seen({ level: (band) => (band === 6 ? 12 : 20) }).least).toBeCloseTo(12, 0);
  });

  test('goes up slowly, comes down slowly, comes down fast', () => {
    const slope = (perSecond: Decibels, start: Decibels) =>
      seen({ level: (_, seconds) => start + perSecond * seconds });
    const moving = frame(5) - frame(0.2);
    expect(slope(6, 4).falling).toBeLessThan(3);
    expect(slope(6, 4).rising / moving).toBeGreaterThan(0.9);
    expect(slope(-6, 40).falling / moving).toBeGreaterThan(0.9);
    // Less than 2 dB a second is no movement.
    expect(slope(1.8, 10).rising).toBeLessThan(12);
    expect(slope(-2.2, 30).falling).toBeLessThan(12);
    expect(slope(2.2, 10).rising / moving).toBeGreaterThan(0.8);
    expect(slope(-2.8, 30).falling / moving).toBeGreaterThan(0.8);
    // Up by more than 30 dB a second is a sound that begins; down by more than 45 is a drop.
    const saw = (perSecond: Decibels) =>
      seen({ level: (_, seconds) => (perSecond > 0 ? 5 : 55) + perSecond * (seconds % 1) });
    expect(saw(28).rising).toBeGreaterThan(100);
    expect(saw(33).rising).toBeLessThan(20);
    expect(saw(-43).dropping).toBeLessThan(8);
    expect(saw(-48).dropping).toBeGreaterThan(100);
    // What moves bands apart is no gain.
    const apart = seen({ level: (band, seconds) => 10 + 6 * seconds + (band % 2 ? 2.5 : -2.5) });
    expect(apart).toMatchObject({ rising: 0, falling: 0, dropping: 0 });
  });

  test('swells as often as it rises again by 6 dB after a dip of 6', () => {
    const swelling = (times: number, depth: Decibels) =>
      seen({ level: (_, seconds) => 20 + (Math.floor((seconds * times * 2) / 5) % 2 ? -depth : 0) }).syllables;
    expect(swelling(5, 15)).toBe(5);
    expect(swelling(5, 7)).toBe(5);
    expect(swelling(5, 5)).toBe(1);
    // In a voice's bands.
    expect(VOICE).toEqual([2, 3, 4, 5]);
    expect(seen({ level: (band) => (VOICE.includes(band) ? 3 : 30) }).syllables).toBe(0);
  });

  test('moves between its quarters, in the band where it moves most', () => {
    expect(seen({ level: (band, seconds) => (band === 3 && seconds > 2.5 ? 24 : 20) }).spread).toBeCloseTo(4, 0);
    expect(seen({}).spread).toBeLessThan(0.5);
  });

  test('lasts as long as one of its sounds stands 6 dB out of the hiss, in the middle', () => {
    expect(seen({}).lasting).toBeCloseTo(5, 1);
    const pulses = (decibels: Decibels) => seen({ level: (_, seconds) => (seconds % 1 < 0.3 ? decibels : 0) }).lasting;
    expect(Math.abs(pulses(20) - 0.3)).toBeLessThan(0.08);
    expect(pulses(5)).toBe(0);
    expect(seen({ level: (band) => (band < HISS ? 20 : 0) }).lasting).toBe(0);
  });

  test('one tone between 1.5 and 10 kHz, while something sounds there', () => {
    expect(seen({ tonal: 0.7 }).pitch).toBe(0.7);
    expect(seen({ tonal: 0.7, level: (band) => (band === 5 || band === 6 ? 4 : 20) }).pitch).toBe(0);
    for (const band of [5, 6]) expect(seen({ tonal: 0.7, level: (own) => (own === band ? 8 : 0) }).pitch).toBe(0.7);
  });
});

describe('lines', () => {
  const steady =
    (...hz: Hertz[]) =>
    () =>
      hz.map((each) => [each, 1e5] as const);

  test('on the slots of a telephone (26 in 120 ms, GSM 05.02): several of them', () => {
    const slot = 26 / 0.12;
    expect(seen({ lines: steady(slot, 2 * slot, 5 * slot) }).slots).toBeGreaterThan(0.9);
    expect(seen({ lines: steady(slot + 20, 2 * slot + 20, 5 * slot + 20) }).slots).toBeLessThan(0.2);
    expect(seen({ lines: steady(2 * slot, 3 * slot, 1000, 1500) }).slots).toBeCloseTo(0.5, 1);
    // One line alone is none: nine tenths of what lies on slots.
    expect(seen({ lines: steady(3 * slot) }).slots).toBe(0);
    // Above 4.4 kHz they are not looked for.
    expect(seen({ lines: steady(2 * slot, 3 * slot, 21 * slot, 22 * slot, 23 * slot) }).slots).toBeGreaterThan(0.9);
  });

  test('on multiples of one mains frequency from 45 to 65 Hz', () => {
    expect(seen({ lines: steady(50, 150, 250) }).mains).toBeGreaterThan(0.9);
    expect(seen({ lines: steady(63.1, 3 * 63.1) }).mains).toBeGreaterThan(0.9);
    expect(seen({ lines: steady(50, 100) }).mains).toBeGreaterThan(0.9);
    // One line alone lies on a multiple of almost anything; at 50, 60, 100 and 120 Hz it is the mains.
    for (const hz of [50, 60, 100, 120]) expect(seen({ lines: steady(hz) }).mains).toBeGreaterThan(0.9);
    for (const hz of [75, 150, 440]) expect(seen({ lines: steady(hz) }).mains).toBe(0);
  });

  test('narrow ones from 90 Hz to 5 kHz by their part of the power, and those that stay', () => {
    const { lines, staying } = seen({ lines: steady(440, 1000, 2500) });
    expect(lines).toBeGreaterThan(0.9);
    expect(staying).toBeCloseTo(lines, 2);
    // It moves from one segment to the next, and from that to the one after.
    const moving = seen({ lines: (n) => [[440 + 30 * n, 1e5]] });
    expect(moving.lines).toBeGreaterThan(0.9);
    expect(moving.staying).toBe(0);
    // Two segments overlap by half: there in one and the one after the next it has stayed.
    const alternating = seen({ lines: (n) => [[440 + 60 * (n % 2), 1e5]] });
    expect(alternating.staying).toBeCloseTo(alternating.lines, 2);
    for (const hz of [70, 5100]) expect(seen({ lines: steady(hz) }).lines).toBe(0);
    for (const hz of [100, 4900]) expect(seen({ lines: steady(hz) }).lines).toBeGreaterThan(0.9);
    // What stands less than six times above both sides is no line.
    expect(seen({ lines: () => [[1000, 9]] }).lines).toBe(0);
    expect(seen({ lines: () => [[1000, 13]] }).lines).toBeGreaterThan(0);
    expect(seen({ lines: () => [] })).toMatchObject({ lines: 0, staying: 0, mains: 0, slots: 0 });
  });
});
