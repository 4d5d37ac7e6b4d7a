import type { Seconds } from '../units';
import type { SheetRig } from './rig';
import type { Step } from './step';
import { standingAt, stationsOf, steppedOver, type Following } from './stations';
import { WALK } from '../rig/places';
import { after, rulesOf } from './actions';

/** How long a step takes whoever stands where it is done; a wait as long as it is. */
const takes = ({ action }: Pick<Step, 'action'>): Seconds => rulesOf(action).takes(action);

/** About how long steps take one person, walks and waits included. @param walks how often they go from place to place */
export const takesAlone = (steps: readonly Step[], walks: number): Seconds =>
  steps.reduce((sum, step) => sum + takes(step), walks * WALK);

interface Person {
  place: string;
  walks: number;
  /** At work at that place until then. */
  until?: Seconds;
}

/**
 * About how long steps take several people, each of whom does what is ready where they stand and otherwise goes where
 * something is; and how often each of them walks. Where nothing is ready they wait. What somebody is at counts when it
 * is done.
 * @throws RangeError for nobody, or if nothing can be done any more
 */
export function crewTakes(
  rig: SheetRig,
  { state: from, steps: all }: Following,
  people: number,
): { seconds: Seconds; walks: number[] } {
  if (people < 1) throw new RangeError('somebody has to do it');
  let following: Following = { state: from, steps: all };
  const first = stationsOf(following);
  // Whoever is one too many at first stands nowhere, and is in nobody's way.
  const crew = Array.from({ length: people }, (_, n): Person => ({ place: first[n] ?? '', walks: 0 }));
  let now = from.now;
  while (following.steps.some(({ action }) => action.do !== 'wait')) {
    for (const person of crew)
      if (person.until !== undefined && person.until <= now) {
        following = doneHere(rig, following, person.place, now);
        delete person.until;
      }
    const open = stationsOf(following).flatMap((place) => standingAt(rig, following, place, now) ?? []);
    for (const person of crew.filter(({ until }) => until === undefined)) {
      const free = open.filter(
        ({ ready, place }) => ready && !crew.some((other) => other !== person && other.place === place),
      );
      const next = free.find(({ place }) => place === person.place) ?? free[0];
      if (!next) continue;
      if (next.place !== person.place) person.walks++;
      person.until = now + takes(next.step) + (next.place === person.place ? 0 : WALK);
      person.place = next.place;
    }
    const moments = [
      ...crew.flatMap(({ until }) => until ?? []),
      ...open.flatMap(({ wait }) => (wait ? now + wait.seconds + CLOCK : [])),
    ].filter((moment) => moment > now);
    if (following.steps.some(({ action }) => action.do !== 'wait')) {
      if (moments.length === 0) throw new RangeError('nothing can be done any more');
      now = Math.min(...moments);
    }
  }
  return { seconds: now - from.now, walks: crew.map(({ walks }) => walks) };
}

/** A wait is over when its clock says so, and not an instant before. */
const CLOCK: Seconds = 0.01;

/** What is next at a place, done; if something else has come in between, it is begun again. */
function doneHere(rig: SheetRig, following: Following, place: string, now: Seconds): Following {
  const standing = standingAt(rig, following, place, now);
  if (!standing?.ready) return following;
  const state = after(rig, { ...following.state, now }, standing.step.action);
  const { index } = standing;
  return { state, steps: index === 0 ? following.steps.slice(1) : steppedOver(rig, state, following.steps, index) };
}
