import { FAMILIES, type Family } from './families';
import { figuresOf, kept } from './figures';

const EACH = 3;
const all = (Object.keys(FAMILIES) as Family[]).map((family) => figuresOf(family, kept(EACH)));

test.each(all)('$family: no floor is made up, and none is off by half a decibel', (figures) => {
  expect(figures.false).toBe(0);
  expect(figures.worst).toBeLessThan(0.5);
});

test.each([
  'clean',
  'hum that stays',
  'machine that comes on or goes off',
  'speech at the ends',
  'events',
  'crackle',
  'telephone',
])('%s: leaves enough for a floor', (family) => {
  expect(all.find((each) => each.family === family)!.usable).toBeGreaterThanOrEqual(EACH - 1);
});

test('at least nine in ten are called what they are', () => {
  const right = all.reduce((sum, each) => sum + each.right, 0);
  expect(right / (EACH * all.length)).toBeGreaterThanOrEqual(0.9);
});
