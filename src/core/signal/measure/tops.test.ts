import { noise, sine } from '../../../../tests/signals';
import { topMeter } from './tops';

function flatness(samples: Float32Array, piece = 480): number {
  const meter = topMeter();
  for (let at = 0; at < samples.length; at += piece) {
    const to = Math.min(samples.length, at + piece);
    let peak = 0;
    for (let n = at; n < to; n++) peak = Math.max(peak, Math.abs(samples[n]));
    meter.push(samples, at, to, peak);
  }
  return meter.flatness();
}
const SECOND = 12_000;
const wave = sine(4 * SECOND, 97.3, 0.5);
const cut = (at: number) => wave.map((x) => Math.max(-at, Math.min(at, x)));

test('a sine has 1.36: by the arc sine, what it spends in its top 1 % against the next 2 %', () => {
  // acos(0.99) against acos(0.97) − acos(0.99).
  const sineHas = Math.acos(0.99) / (Math.acos(0.97) - Math.acos(0.99));
  expect(sineHas).toBeCloseTo(1.36, 1);
  expect(Math.abs(flatness(wave) - sineHas)).toBeLessThan(0.05);
  for (const piece of [7, 1000, wave.length]) expect(Math.abs(flatness(wave, piece) - sineHas)).toBeLessThan(0.05);
});

test('noise has less than one', () => expect(flatness(noise(4 * SECOND, 0.1))).toBeLessThan(1));

test('a wave that was cut off has more the further down it was cut, on one side too', () => {
  expect(flatness(cut(0.49))).toBeGreaterThan(2.5);
  expect(flatness(cut(0.4))).toBeGreaterThan(flatness(cut(0.49)));
  const upper = wave.map((x) => Math.min(0.3, x));
  // Cut on one side alone, what is highest lies on the other.
  expect(flatness(upper)).toBeGreaterThan(10);
  expect(flatness(upper.map((x) => -x))).toBeCloseTo(flatness(upper), 6);
});

test('the same from the bottom up as from the top down: what was counted moves when something greater comes', () => {
  const swelling = wave.map((x, n) => x * (n < 2 * SECOND ? 0.985 : 1));
  const fading = wave.map((x, n) => x * (n < 2 * SECOND ? 1 : 0.985));
  expect(Math.abs(flatness(swelling) / flatness(fading) - 1)).toBeLessThan(0.1);
  const before = cut(0.4).subarray(0, SECOND).map(Math.abs);
  const late = Float32Array.from([...before, ...new Float32Array(480).fill(0.47)]);
  // What lies 15 % below something greater is not near the top any more.
  expect(flatness(late)).toBeGreaterThan(100);
  expect(flatness(Float32Array.from([...before, 0.47]))).toBe(0);
});

test('what is cut off after a good while of the same, hardly quieter, is found', () => {
  const before = sine(20 * SECOND, 97.3, 0.385);
  expect(flatness(Float32Array.from([...before, ...cut(0.4)]))).toBeGreaterThan(2.5);
  expect(flatness(Float32Array.from([...cut(0.4), ...before]))).toBeGreaterThan(2.5);
});

test('thirty samples near the top at least say anything', () => {
  expect(flatness(new Float32Array(29).fill(0.5))).toBe(0);
  expect(flatness(new Float32Array(30).fill(0.5))).toBe(30);
  expect(topMeter().flatness()).toBe(0);
  expect(flatness(new Float32Array(1000))).toBe(0);
});
