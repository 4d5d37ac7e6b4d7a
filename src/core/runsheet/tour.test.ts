import fc from 'fast-check';
import { fewestTrips, type Job } from './tour';

/** Trips of an order, walked as it stands. */
const walked = (jobs: readonly Job[], order: readonly number[], here?: string): number =>
  order.reduce<[number, string | undefined]>(
    ([trips, place], n) => [trips + (place !== undefined && place !== jobs[n].place ? 1 : 0), jobs[n].place],
    [0, here],
  )[0];

/** The fewest walks of all orders that keep to `after`, by trying every one. */
function byTryingAll(jobs: readonly Job[], here?: string): number {
  let best = Infinity;
  const visit = (order: number[]): void => {
    if (order.length === jobs.length) best = Math.min(best, walked(jobs, order, here));
    jobs.forEach(({ after }, n) => {
      if (!order.includes(n) && after.every((before) => order.includes(before))) visit([...order, n]);
    });
  };
  visit([]);
  return best;
}

const jobs$ = fc
  .array(
    fc.record({ place: fc.constantFrom('stage', 'desk', 'lockside'), after: fc.array(fc.nat(6), { maxLength: 2 }) }),
    {
      maxLength: 7,
    },
  )
  // Only earlier ones, so that nothing waits in a circle.
  .map((jobs): Job[] => jobs.map(({ place, after }, n) => ({ place, after: after.filter((before) => before < n) })));
const here$ = fc.option(fc.constantFrom('stage', 'desk', 'lockside'), { nil: undefined });

test('no order takes fewer trips than the one found, and it keeps to what comes before what', () => {
  fc.assert(
    fc.property(jobs$, here$, (jobs, here) => {
      const { order, trips, fewest } = fewestTrips(jobs, here);
      expect(order.toSorted((a, b) => a - b)).toEqual(jobs.map((_, n) => n));
      order.forEach((n, at) => jobs[n].after.forEach((before) => expect(order.indexOf(before)).toBeLessThan(at)));
      expect([walked(jobs, order, here), fewest]).toEqual([trips, true]);
      expect(trips).toBe(jobs.length ? byTryingAll(jobs, here) : 0);
    }),
    { numRuns: 150 },
  );
});

test('a search that is given up still ends with an order that holds, and does not claim to be the best', () => {
  fc.assert(
    fc.property(jobs$, (jobs) => {
      const { order, trips, fewest } = fewestTrips(jobs, undefined, 0);
      expect(walked(jobs, order)).toBeLessThanOrEqual(trips);
      if (trips > 0) expect(fewest).toBe(false);
      expect(order).toHaveLength(jobs.length);
    }),
  );
});

test('jobs that wait for each other are refused', () => {
  const circle = [
    { place: 'stage', after: [1] },
    { place: 'desk', after: [0] },
  ];
  expect(() => fewestTrips(circle)).toThrow(/block each other/);
});
