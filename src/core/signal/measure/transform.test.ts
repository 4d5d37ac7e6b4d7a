import loadPffft, { type Pffft } from '@echogarden/pffft-wasm/simd';
import { noise, sine, sum } from '../../../../tests/signals';
import { pffftTransforms } from './pffft';
import { hann, hannPower, plainTransforms } from './transform';

let pffft: Pffft;
beforeAll(async () => {
  pffft = await loadPffft();
});

/** |X|² behind a Hann window, by the definition of the transform. */
function byDefinition(samples: Float32Array, from: number, size: number, length: number, bin: number): number {
  const window = hann(size);
  let [re, im] = [0, 0];
  for (let n = 0; n < size; n++) {
    re += samples[from + n] * window[n] * Math.cos((2 * Math.PI * bin * n) / length);
    im -= samples[from + n] * window[n] * Math.sin((2 * Math.PI * bin * n) / length);
  }
  return re * re + im * im;
}

test.each([
  [64, 64],
  [1024, 1024],
  [941, 1024],
  [2048, 4096],
])('%i samples in a transform of %i are what the definition says, constant and highest included', (size, length) => {
  const samples = sum(noise(6000, 0.1), sine(6000, 997, 0.2), new Float32Array(6000).fill(0.05));
  const half = length / 2;
  const bins = [0, 1, 2, 7, half >> 1, half - 2, half - 1, half];
  for (const transforms of [plainTransforms, pffftTransforms(pffft)]) {
    const powers = new Float32Array(half + 1);
    transforms(size, length)(samples, 123, powers, 3);
    for (const bin of bins) {
      const truth = 3 * byDefinition(samples, 123, size, length, bin);
      // Single precision, against the largest there is.
      expect(Math.abs(Math.sqrt(powers[bin]) - Math.sqrt(truth))).toBeLessThan(2e-5 * Math.sqrt(3) * size * 0.1);
    }
  }
});

test('as many bins as there is room for, and nothing behind them', () => {
  const samples = noise(2000, 0.1);
  for (const size of [512, 500]) {
    const all = new Float32Array(257);
    const some = new Float32Array(100);
    const transform = pffftTransforms(pffft)(size, 512);
    transform(samples, 0, all, 1);
    transform(samples, 0, some, 1);
    expect([...some]).toEqual([...all.subarray(0, 100)]);
  }
});

test('lengths that are used in turn do not disturb each other, nor does memory that grows', () => {
  const samples = noise(40_000, 0.1);
  const transforms = pffftTransforms(pffft);
  const alone = new Float32Array(513);
  transforms(1024, 1024)(samples, 0, alone, 1);
  const [short, long] = [transforms(1024, 1024), transforms(32_768, 32_768)];
  const before = pffft.HEAPF32.buffer;
  for (let n = 0; n < 40; n++) pffft._pffft_aligned_malloc(1 << 20);
  expect(pffft.HEAPF32.buffer).not.toBe(before);
  long(samples, 100, new Float32Array(16_385), 1);
  const after = new Float32Array(513);
  short(samples, 0, after, 1);
  expect([...after]).toEqual([...alone]);
});

test('the squares of a Hann window add up to three eighths of it', () => {
  for (const size of [64, 941, 16_384])
    expect(hann(size).reduce((power, w) => power + w * w, 0)).toBeCloseTo(hannPower(size), 2);
});
