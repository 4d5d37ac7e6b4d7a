import { trendOf, type Floor } from './trend';

const at = (hours: number): string => new Date(Date.UTC(2026, 4, 1, 12) + hours * 3_600_000).toISOString();
const floors = (count: number, every: number): Floor[] =>
  Array.from({ length: count }, (_, n) => ({ at: at(n * every), plain: -70 + (n % 3), weighted: -80 + (n % 3) }));

test('a few floors stand one by one, the oldest first, in whatever order they come', () => {
  const few = floors(40, 1);
  const points = trendOf(few.toReversed());
  expect(points.map((point) => point.at)).toEqual(few.map((floor) => floor.at));
  expect(points.every(({ count, least, most, plain }) => count === 1 && least === plain && most === plain)).toBe(true);
  expect(trendOf([])).toEqual([]);
});

test('many stand together by the day, by their median, with the quietest and the loudest of them', () => {
  const points = trendOf(floors(72, 2));
  expect(points.map(({ count }) => count)).toEqual([6, 12, 12, 12, 12, 12, 6]);
  expect(points[1]).toMatchObject({ plain: -69, weighted: -79, least: -70, most: -68 });
});

test.each([
  ['a year, one a day', 365, 24],
  ['ten years, one a week', 520, 168],
  ['a century, one a month', 1200, 730],
])('never more than a chart can show but for centuries, and none is lost: %s', (_, count, every) => {
  const points = trendOf(floors(count, every));
  expect(points.length).toBeLessThanOrEqual(count === 1200 ? 101 : 40);
  expect(points.reduce((sum, point) => sum + point.count, 0)).toBe(count);
  expect(points.map((point) => point.at)).toEqual(points.map((point) => point.at).toSorted());
});
