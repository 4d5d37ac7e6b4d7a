import { accusationsOf, SORTS, worldOf, type Accusation, type World } from './worlds';

/** Worlds of every sort, the same each time; `npm run bench:noise` hunts two thousand others. */
const COUNT = 4 * SORTS.length;
let found: ({ world: World } & ReturnType<typeof accusationsOf>)[];
let all: Accusation[];
beforeAll(() => {
  found = Array.from({ length: COUNT }, (_, n) => ({ world: worldOf(n), ...accusationsOf(n) }));
  all = found.flatMap(({ accusations }) => accusations);
});

test('whoever is accused with more than 90 % is it, but for one in fifty', () => {
  const sure = all.filter(({ certainty }) => certainty > 0.9);
  expect(sure.length).toBeGreaterThan(COUNT / 2);
  expect(sure.filter(({ right }) => !right).length / sure.length).toBeLessThanOrEqual(0.02);
});

test('one to four culprits and loops of two and three are found, whatever scatters', () => {
  const steady = found.filter(({ world }) => !['comes and goes', 'nobody listed'].includes(world.sort));
  const culprits = steady.reduce((sum, { world }) => sum + world.makes.length, 0);
  expect(steady.reduce((sum, { missed }) => sum + missed, 0) / culprits).toBeLessThan(0.05);
});

test('an inlet device that stays on is never accused, nor anybody for it', () => {
  for (const { world, accusations } of found) if (world.sort === 'inlet device') expect(accusations).toEqual([]);
});

test('hunts end, whatever is left open', () => {
  for (const { world, steps } of found) expect(steps).toBeLessThanOrEqual(2 * world.suspects.length + 4);
});
