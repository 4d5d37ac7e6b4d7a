/** Work that is done at one place, all of it at one visit. */
export interface Job {
  place: string;
  /** Indices of jobs that have to be done before it. */
  after: readonly number[];
}

export interface Tour {
  /** Indices of the jobs in the order they are done. */
  order: number[];
  /** How often somebody walks from one place to another. */
  trips: number;
  /** Every order was tried or shown to be no better; otherwise the search was given up and this is a good one. */
  fewest: boolean;
}

/** States looked at before the search is given up. */
const MOST_STATES = 20_000;

interface Standing {
  place: string;
  done: bigint;
  order: number[];
}

/**
 * The order of jobs with the fewest walks between places, by breadth-first search over what is done and where one stands.
 * Whatever can be done where one stands is done at once: that never costs a walk.
 * @param here where one stands now; anywhere if nobody knows
 * @throws RangeError if these steps block each other; choose fewer lines
 */
export function fewestTrips(jobs: readonly Job[], here?: string, mostStates = MOST_STATES): Tour {
  const places = [...new Set(jobs.map(({ place }) => place))];
  const masks = jobs.map(({ after }) => after.reduce((mask, n) => mask | (1n << BigInt(n)), 0n));
  const all = (1n << BigInt(jobs.length)) - 1n;
  const arrive = (place: string, { done, order }: Pick<Standing, 'done' | 'order'>): Standing => {
    let [now, list] = [done, order];
    for (let more = true; more;) {
      more = false;
      jobs.forEach((job, n) => {
        const bit = 1n << BigInt(n);
        if (job.place !== place || now & bit || (masks[n] & ~now) !== 0n) return;
        now |= bit;
        list = [...list, n];
        more = true;
      });
    }
    return { place, done: now, order: list };
  };

  const nothing = { done: 0n, order: [] };
  let layer = (here === undefined ? places : [here]).map((place) => arrive(place, nothing));
  if (jobs.length === 0) return { order: [], trips: 0, fewest: true };
  const best = new Map<string, bigint[]>();
  let looked = 0;
  for (let trips = 0; layer.length; trips++) {
    const end = layer.find(({ done }) => done === all);
    if (end) return { order: end.order, trips, fewest: true };
    const next: Standing[] = [];
    for (const standing of layer) {
      if (++looked > mostStates) return greedy(places, arrive, standing, all, trips);
      for (const place of places) {
        if (place === standing.place) continue;
        const there = arrive(place, standing);
        if (there.done === standing.done || !isNew(best, there)) continue;
        next.push(there);
      }
    }
    layer = next;
  }
  throw new RangeError('these steps block each other; choose fewer lines');
}

/** Whether nobody has stood there with at least as much done. */
function isNew(best: Map<string, bigint[]>, { place, done }: Standing): boolean {
  const seen = best.get(place) ?? [];
  if (seen.some((other) => (done & ~other) === 0n)) return false;
  best.set(place, [...seen.filter((other) => (other & ~done) !== 0n), done]);
  return true;
}

/** Goes on to wherever most can be done. */
function greedy(
  places: readonly string[],
  arrive: (place: string, from: Standing) => Standing,
  from: Standing,
  all: bigint,
  walked: number,
): Tour {
  let [standing, trips] = [from, walked];
  while (standing.done !== all) {
    const options = places.map((place) => arrive(place, standing));
    const most = options.reduce((a, b) => (b.order.length > a.order.length ? b : a));
    if (most.done === standing.done) throw new RangeError('these steps block each other; choose fewer lines');
    standing = most;
    trips++;
  }
  return { order: standing.order, trips, fewest: false };
}
