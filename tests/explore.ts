/** Whether everything is explored (`npm run explore`), or a sample that the test command has time for. */
export const WHOLE = process.env.EXPLORE === 'whole';

/** How often a slow property is tried: a sixth as often in the sample, five times at least. */
export const runs = (times: number): number => (WHOLE ? times : Math.max(Math.min(5, times), Math.round(times / 6)));

/**
 * All of many things, or so many of them evenly spread, always the same ones.
 * @param most in the sample
 */
export function* spread<T>(list: () => Iterable<T>, most: number): Generator<T> {
  if (WHOLE) return yield* list();
  let count = 0;
  for (const _each of list()) count++;
  const step = Math.max(1, count / most);
  let next = 0;
  let n = 0;
  for (const each of list()) {
    if (n++ < next) continue;
    yield each;
    next += step;
  }
}
