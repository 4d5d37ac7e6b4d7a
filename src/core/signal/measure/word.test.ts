import { levelMeter } from './levels';
import { wordOf } from './word';

const LEVELS = levelMeter(48_000).levels();
const step = (bits: number) => 2 ** (1 - bits);
const word = (bits: number | undefined, steps: number, still = 0.6) =>
  wordOf({ ...LEVELS, bits, still }, bits === undefined ? 1e-9 : (steps * step(bits)) ** 2);

test('triangular dither alone has half a step; from three quarters on there is more', () => {
  expect(word(16, 0.5)).toMatchObject({ only: 'dither', bits: 16 });
  expect(word(16, 0.74)).toMatchObject({ only: 'dither' });
  expect(word(16, 0.76).only).toBeUndefined();
  // Undithered samples are what the one before was in more than eight of ten: six of ten are with dither.
  expect(word(16, 0.5, 0.79).only).toBe('dither');
  expect(word(16, 0.5, 0.81).only).toBe('undithered');
});

test('undithered, four steps are little enough to be lost between them', () => {
  expect(word(12, 3.9, 0.9).only).toBe('undithered');
  expect(word(12, 4.1, 0.9).only).toBeUndefined();
});

test('words of 21 bits and more are no limit, nor are samples of no whole number', () => {
  expect(word(20, 0.5).only).toBe('dither');
  expect(word(21, 0.5)).toEqual({ bits: 21, carries: -Infinity });
  expect(word(undefined, 0.5)).toEqual({ bits: undefined, carries: -Infinity });
});

test('without dither a tone of less than half a step is not carried', () => {
  // Half a step of 16 bits is 96.33 dB below full scale, its RMS 3.01 less.
  expect(word(16, 0.5, 0.9).carries).toBeCloseTo(-99.34, 2);
  expect(word(16, 0.5).carries).toBe(-Infinity);
});
