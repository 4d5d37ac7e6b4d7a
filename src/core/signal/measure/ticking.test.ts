import type { Seconds } from '../../units';
import { FRAME } from './frames';
import { rateOf } from './ticking';

const every = (seconds: Seconds, count: number): Seconds[] =>
  Array.from({ length: count }, (_, n) => 0.3 + n * seconds);
const without = (list: readonly Seconds[], ...places: number[]) => list.filter((_, n) => !places.includes(n));
const moved = (list: readonly Seconds[], place: number, by: Seconds) =>
  list.map((at, n) => (n === place ? at + by : at));

test('six clicks at one distance are a rate, five are none', () => {
  expect(rateOf(every(0.5, 6))).toBeCloseTo(0.5, 6);
  expect(rateOf(every(0.5, 5))).toBeUndefined();
  expect(rateOf([])).toBeUndefined();
});

test('a click that goes on over two frames is one', () => {
  const double = every(0.5, 6).flatMap((at) => [at, at + 2 * FRAME]);
  expect(rateOf(double)).toBeCloseTo(0.5, 6);
  expect(rateOf(every(0.5, 5).flatMap((at) => [at, at + 2 * FRAME]))).toBeUndefined();
});

test('quicker than one in five frames is no ticking', () => {
  expect(rateOf(every(5.1 * FRAME, 10))).toBeCloseTo(5.1 * FRAME, 6);
  expect(rateOf(every(4.9 * FRAME, 10))).toBeUndefined();
});

test('each may miss its time by a frame at either end', () => {
  expect(rateOf(moved(every(0.5, 8), 3, 1.9 * FRAME))).toBeCloseTo(0.5, 6);
  expect(rateOf(moved(every(0.5, 8), 3, 2.1 * FRAME))).toBeUndefined();
  expect(rateOf(moved(every(0.5, 8), 3, -1.9 * FRAME))).toBeCloseTo(0.5, 6);
  expect(rateOf(moved(every(0.5, 8), 3, -2.1 * FRAME))).toBeUndefined();
});

test('of four gaps one may have lost a click', () => {
  expect(rateOf(without(every(0.5, 9), 3))).toBeCloseTo(0.5, 6);
  // Nine gaps of which two are longer; eight of which three are.
  expect(rateOf(without(every(0.5, 12), 3, 8))).toBeCloseTo(0.5, 6);
  expect(rateOf(without(every(0.5, 12), 3, 6, 9))).toBeUndefined();
  // Two in a row are one gap.
  expect(rateOf(without(every(0.5, 9), 3, 4))).toBeCloseTo(0.5, 6);
});

test('clicks at random have none, nor a third between two beats', () => {
  expect(rateOf([0.5, 1.2, 2.9, 3.3, 4.8, 5.1, 5.9, 7.7, 8.2, 9.4])).toBeUndefined();
  expect(rateOf([...every(0.5, 8), 0.55].sort((a, b) => a - b))).toBeUndefined();
});
