import loadPffft from '@echogarden/pffft-wasm/simd';
import { pffftTransforms } from '../../src/core/signal';
import { WHOLE } from '../explore';
import { FAMILIES, type Family } from './families';
import { figuresOf, kept, type FamilyFigures } from './figures';

const EACH = WHOLE ? 3 : 1;
const NAMES = Object.keys(FAMILIES) as Family[];
const all = new Map<Family, FamilyFigures>();
beforeAll(async () => {
  const quick = pffftTransforms(await loadPffft());
  for (const family of NAMES) all.set(family, figuresOf(family, kept(EACH), quick));
});

test.each(NAMES)('%s: no floor is made up, and none is off by half a decibel', (family) => {
  const figures = all.get(family)!;
  expect(figures.count).toBe(EACH);
  expect(figures.false).toBe(0);
  expect(figures.worst).toBeLessThan(0.5);
});

test.each<Family>([
  'clean',
  'hum that stays',
  'machine that comes on or goes off',
  'speech at the ends',
  'events',
  'crackle',
  'telephone',
])('%s: leaves enough for a floor', (family) => {
  expect(all.get(family)!.usable).toBeGreaterThanOrEqual(Math.max(1, EACH - 1));
});

test('at least nine in ten are called what they are', () => {
  const right = [...all.values()].reduce((sum, each) => sum + each.right, 0);
  expect(right / (EACH * NAMES.length)).toBeGreaterThanOrEqual(0.9);
});
