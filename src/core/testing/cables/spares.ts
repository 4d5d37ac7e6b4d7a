/** Before anything is counted: half a failure in no time (Jeffreys' prior for a rate). */
const PRIOR = 0.5;
/** How sure it is that the spares last. */
const SURE_TO_LAST = 0.95;
const MOST = 999;

/**
 * How many spares last a job with 95 %, by failures that were counted: the rate is uncertain (gamma), failures come by
 * chance (Poisson), so their number on the job is negative binomial.
 * @param failures counted @param days over which they were, of as many cables as on the job @param job days of it
 */
export function sparesFor(failures: number, days: number, job: number): number {
  if (!(failures >= 0) || !(days > 0) || !(job >= 0)) throw new RangeError('failures and days must be counted');
  const shape = failures + PRIOR;
  const stays = days / (days + job);
  let chance = stays ** shape;
  let total = chance;
  for (let count = 0; count < MOST; count++) {
    if (total >= SURE_TO_LAST) return count;
    chance *= ((shape + count) / (count + 1)) * (1 - stays);
    total += chance;
  }
  return MOST;
}
