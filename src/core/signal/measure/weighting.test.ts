import { aWeighting } from './weighting';

/** IEC 61672-1, table 3, nominal frequencies, from memory; exact frequencies are 10^(n/10). */
test.each([
  [31.5, -39.4],
  [63, -26.2],
  [125, -16.1],
  [250, -8.6],
  [500, -3.2],
  [1000, 0],
  [2000, 1.2],
  [4000, 1.0],
  [8000, -1.1],
  [16_000, -6.6],
])('A-weighting at %d Hz: %d dB', (hertz, decibels) => {
  const exact = 10 ** (Math.round(10 * Math.log10(hertz)) / 10);
  expect(Math.abs(aWeighting(exact) - decibels)).toBeLessThan(0.06);
});

test('white noise from 20 Hz to 20 kHz loses 2.05 dB, by integrating the formula', () => {
  let [flat, weighted] = [0, 0];
  for (let f = 20; f <= 20_000; f++) {
    flat++;
    weighted += 10 ** (aWeighting(f) / 10);
  }
  expect(10 * Math.log10(flat / weighted)).toBeCloseTo(2.05, 2);
});
