import { feedLabel, type FeedName } from '../standards/feeds';
import { INVARIANTS, type Breach } from './invariants';
import { breach, after } from './actions';
import { jobsOf } from './jobs';
import { joined, type SheetRig } from './rig';
import type { SheetState } from './state';
import { fewestTrips } from './tour';
import { withWaits } from './waiting';
import type { Step } from './step';
import type { Wanted } from './wanted';

export interface Sequence {
  steps: Step[];
  /** What is wanted and would do harm: it is not done. */
  refused: (Breach & ({ group: string; feed: FeedName } | { line: string }))[];
  /** Lines that stay plugged and are muted or lose their feed for a while, because they share a switch. */
  disturbed: string[];
  /** No order that keeps the invariants and the rules of `jobsOf` takes fewer trips: all of them were tried. */
  fewest: boolean;
}

/**
 * The steps from a state to a wanted one that keep every invariant, in the order that takes the fewest trips from place
 * to place; waits stand where they are first needed and run side by side. What nobody knows is taken as on, charged and
 * open.
 * @param here where one stands
 */
export function sequence(rig: SheetRig, present: SheetState, wanted: Wanted, here?: string): Sequence {
  const refused = harmful(rig, present, wanted);
  const feeds = Object.fromEntries(
    rig.groups.map(({ key }): [string, FeedName] => [
      key,
      refused.some((each) => 'group' in each && each.group === key) ? 'off' : (wanted.feeds[key] ?? 'off'),
    ]),
  );
  const { jobs, disturbed } = jobsOf(rig, present, { ...wanted, feeds });
  const { order, fewest } = fewestTrips(jobs, here);
  const steps = order.flatMap((n) => jobs[n].actions.map((action): Step => ({ action, place: jobs[n].place })));
  return { steps: withWaits(rig, present, steps), refused, disturbed, fewest };
}

/** Feeds that are wanted and would harm a line that is wanted too, or that stays where it is; and supplies that would. */
function harmful(rig: SheetRig, { ends, feeds: present }: SheetState, wanted: Wanted): Sequence['refused'] {
  const { plugged, left, stuck, feeds, fixed } = wanted;
  const isIn = (id: string) => ends[id].stage !== false || ends[id].desk !== false;
  const stays = (id: string) => left?.has(id) && isIn(id);
  const through = (id: string) => plugged.has(id) || stays(id);
  const byFeed = rig.groups.flatMap(({ key, name }): Sequence['refused'] => {
    const feed = stuck?.has(key) ? present[key].feed : (feeds[key] ?? 'off');
    if (feed === 'off' || feed === 'unknown') return [];
    const harmed = rig.lines
      .filter((line) => line.stops[key]?.includes(feed) && joined(rig, line).some(({ id }) => through(id)))
      .map((line) => line.name);
    const loose = rig.lines
      .filter(({ id, key: own }) => own === key && left?.has(id) && fixed?.has(`${id} desk`))
      .filter(({ id }) => ends[id].stage === false && ends[id].desk !== false)
      .map((line) => line.name);
    if (harmed.length === 0 && loose.length === 0) return [];
    const why = harmed.length
      ? `${name}: ${harmed.join(', ')} would be harmed by ${feedLabel(feed)}.`
      : `${name}: ${loose.join(', ')} is in at its inlet and not at its source.`;
    return [{ invariant: 3, why, group: key, feed }];
  });
  const bySupply = rig.lines
    .filter(({ id, supplyHarms }) => supplyHarms && plugged.has(id))
    .map(({ id, name }): Sequence['refused'][number] => ({
      invariant: 6,
      why: `The supply of ${name} would harm it.`,
      line: id,
    }));
  return [...byFeed, ...bySupply];
}

/** How often somebody walks from one place to another. */
export function trips(steps: readonly Step[], here?: string): number {
  const places = [here, ...steps.map(({ place }) => place)].filter((place) => place !== undefined);
  return places.filter((place, n) => n > 0 && place !== places[n - 1]).length;
}

/** The state before each of some steps, and after the last. */
export function afterSteps(rig: SheetRig, from: SheetState, steps: readonly Step[]): SheetState[] {
  const states = [from];
  for (const { action } of steps) states.push(after(rig, states[states.length - 1], action));
  return states;
}

/** The first step that would break an invariant, when steps are carried out from a state. */
export function firstBreach(
  rig: SheetRig,
  from: SheetState,
  steps: readonly Step[],
): { step: number; breach: Breach } | undefined {
  let state = from;
  for (const [step, { action }] of steps.entries()) {
    const found = breach(rig, state, action);
    if (found) return { step, breach: found };
    state = after(rig, state, action);
  }
  return undefined;
}

/** Steps with one of them carried elsewhere, or the invariant that this would break. */
export function reordered(
  rig: SheetRig,
  from: SheetState,
  steps: readonly Step[],
  at: number,
  to: number,
): { steps: Step[] } | { refused: string } {
  const rest = steps.toSpliced(at, 1);
  const moved = rest.toSpliced(to, 0, steps[at]);
  const found = firstBreach(rig, from, moved);
  return found ? { refused: `${INVARIANTS[found.breach.invariant]} ${found.breach.why}` } : { steps: moved };
}
