import { noise, sine, sum } from '../../../../tests/signals';
import { BANDS, EDGES, FRAME, frameMeter } from './frames';
import { plainTransforms } from './transform';

const framesOf = (samples: Float32Array, rate = 48_000, piece = 5000) => {
  const meter = frameMeter(rate, plainTransforms);
  for (let at = 0; at < samples.length; at += piece) meter.push(samples.subarray(at, at + piece));
  return meter.frames();
};

test.each([44_100, 48_000, 96_000, 192_000])('at %d Hz a frame is 7/300 s, and a line is in its own band', (rate) => {
  for (const [band, hz] of [
    [0, 70],
    [2, 375],
    [4, 1500],
    [7, 12_000],
  ]) {
    const frames = framesOf(sine(rate, hz, 0.1, rate), rate);
    expect(frames.count).toBe(Math.floor(rate / Math.round(FRAME * rate)));
    expect(frames.seconds).toBeCloseTo(FRAME, 5);
    // Half a decibel fine; a Hann window leaves a little of a low line outside its band.
    expect(Math.abs(frames.level(band, 20) + 23.01)).toBeLessThan(1.3);
    expect(frames.powers(band)[20]).toBeCloseTo(10 ** (frames.level(band, 20) / 10), 12);
    for (let other = 0; other < BANDS; other++)
      if (Math.abs(other - band) > 1) expect(frames.level(other, 20)).toBeLessThan(-60);
  }
});

test('a band of white noise has its share of the power', () => {
  const frames = framesOf(noise(480_000, 0.1));
  for (let band = 0; band < BANDS; band++) {
    const powers = frames.powers(band);
    const mean = 10 * Math.log10(powers.reduce((total, power) => total + power, 0) / powers.length);
    // Bands hold whole bins of 46.9 Hz.
    const [from, to] = [EDGES[band], EDGES[band + 1]].map((hz) => Math.round(hz / (48_000 / 1024)));
    expect(Math.abs(mean - (10 * Math.log10((to - from) / 512) - 20))).toBeLessThan(0.3);
  }
});

test('about an octave each: 120, 250, 500, 1000, 2000, 4000 and 8000 Hz lie between two', () => {
  [120, 250, 500, 1000, 2000, 4000, 8000].forEach((hz, below) => {
    // A line of a Hann window is two bins of 46.9 Hz wide to either side.
    const off = Math.max(0.06 * hz, 70);
    const louder = (at: number) => {
      const frames = framesOf(sine(48_000, at, 0.1));
      return frames.level(below, 20) > frames.level(below + 1, 20);
    };
    expect(louder(hz - Math.min(off, hz / 2))).toBe(true);
    expect(louder(hz + off)).toBe(false);
  });
  // Nothing above 16 kHz, little below 30 Hz.
  const outside = framesOf(sine(48_000, 17_000, 0.1));
  for (let band = 0; band < BANDS; band++) expect(outside.level(band, 20)).toBeLessThan(-60);
  expect(framesOf(sine(48_000, 15_000, 0.1)).level(7, 20)).toBeCloseTo(-23, 0);
});

test('levels from −140 to −12.5 dBFS are kept; nothing is −140', () => {
  expect(framesOf(new Float32Array(48_000)).level(3, 5)).toBe(-140);
  expect(framesOf(sine(48_000, 700, 1)).level(3, 5)).toBe(-12.5);
  expect(framesOf(sine(48_000, 700, 1e-6)).level(3, 5)).toBeCloseTo(-123, 0);
});

test('how much of what lies between 1.5 and 10 kHz is one tone', () => {
  const hiss = noise(48_000, 0.01);
  expect(framesOf(sum(hiss, sine(48_000, 3000, 0.1))).tonal(10)).toBeGreaterThan(0.9);
  expect(framesOf(hiss).tonal(10)).toBeLessThan(0.2);
  expect(framesOf(sum(hiss, sine(48_000, 3000, 0.1), sine(48_000, 5000, 0.1))).tonal(10)).toBeCloseTo(0.5, 1);
  for (const outside of [1300, 10_300])
    expect(framesOf(sum(hiss, sine(48_000, outside, 0.1))).tonal(10)).toBeLessThan(0.3);
  for (const inside of [1700, 9800])
    expect(framesOf(sum(hiss, sine(48_000, inside, 0.1))).tonal(10)).toBeGreaterThan(0.9);
  expect(framesOf(new Float32Array(48_000)).tonal(10)).toBe(0);
});

test('the same in pieces of any length', () => {
  const samples = noise(20_000, 0.1);
  const whole = framesOf(samples, 48_000, 20_000);
  for (const piece of [1, 1119, 1120, 1121, 7000]) {
    const frames = framesOf(samples, 48_000, piece);
    expect(frames.count).toBe(whole.count);
    for (let band = 0; band < BANDS; band++) expect(frames.powers(band)).toEqual(whole.powers(band));
  }
});
