import { rulesOf, breach, after } from './actions';
import type { Seconds } from '../units';
import { SUPPLY_WAIT, supplySettle } from './invariants';
import { groupOf, lineOf, type SheetRig } from './rig';
import type { Step, WaitReason } from './step';
import { elapsed, live, scratch, type SheetState } from './state';

/** Steps with a wait before the first of them that needs one, and again where something has changed since. */
export function withWaits(rig: SheetRig, from: SheetState, steps: readonly Step[]): Step[] {
  const made: Step[] = [];
  let state = scratch(from);
  const take = (step: Step) => {
    made.push(step);
    state = scratch(after(rig, state, step.action));
  };
  steps.forEach((step, n) => {
    if (breach(rig, state, step.action)) {
      const rest = steps.slice(n);
      const seconds = waitFor(rig, state, rest);
      if (seconds > 0) take({ action: { do: 'wait', seconds }, reasons: reasonsFor(rig, state, rest, seconds) });
    }
    take(step);
  });
  return made;
}

/**
 * The shortest wait after which the next step may be done, and as many of those behind it as waiting can help;
 * zero if it may be done at once or if waiting does not help.
 */
export function waitFor(rig: SheetRig, state: SheetState, steps: readonly Step[]): Seconds {
  const lefts = [...new Set([0, ...reasonsLeft(rig, state).map(({ left }) => left)])].sort((a, b) => a - b);
  let [best, reach] = [0, -1];
  for (const left of lefts) {
    const goes = howFar(rig, { ...state, now: state.now + left }, steps);
    if (goes > reach) [best, reach] = [left, goes];
    if (reach === steps.length) break;
  }
  return reach > 0 ? best : 0;
}

/** How many steps can be done before an invariant stands in the way, or the next wait. */
function howFar(rig: SheetRig, from: SheetState, steps: readonly Step[]): number {
  let state = scratch(from);
  for (const [n, { action }] of steps.entries()) {
    if (action.do === 'wait' || breach(rig, state, action)) return n;
    state = scratch(after(rig, state, action));
  }
  return steps.length;
}

/** Everything that has not discharged or settled yet. */
function reasonsLeft(rig: SheetRig, state: SheetState): WaitReason[] {
  const groups = rig.groups.map(({ key, name, decay, settle }): WaitReason => {
    const passed = elapsed(state, state.feeds[key].since);
    return live(rig, state, key)
      ? { of: key, name, until: 'settled', wait: settle, left: settle.seconds - passed }
      : { of: key, name, until: 'discharged', wait: decay, left: decay.seconds - passed };
  });
  const supplies = Object.entries(state.supplies).map(([line, { on, since }]): WaitReason => {
    const school = on === false ? SUPPLY_WAIT : supplySettle(lineOf(rig, line));
    return {
      of: line,
      name: `Supply of ${lineOf(rig, line).name}`,
      until: on === false ? 'discharged' : 'settled',
      wait: { seconds: school, school, counts: 'school' },
      left: school - elapsed(state, since),
    };
  });
  const hot = Object.entries(state.pluggedLive ?? {}).flatMap(([id, at]): WaitReason[] => {
    const line = lineOf(rig, id);
    const settles = line.groups.filter((key) => live(rig, state, key)).map((key) => groupOf(rig, key).settle);
    return settles.map((wait) => ({
      of: id,
      name: line.name,
      until: 'settled',
      wait,
      left: wait.seconds - elapsed(state, at),
    }));
  });
  return [...groups, ...supplies, ...hot].filter(({ left }) => left > 1e-3);
}

/** What a wait before some steps is for, longest first. */
export function reasonsFor(rig: SheetRig, state: SheetState, steps: readonly Step[], seconds: Seconds): WaitReason[] {
  const reach = howFar(rig, { ...state, now: state.now + seconds }, steps);
  const lines = steps.slice(0, reach).flatMap(({ action }) =>
    rulesOf(action)
      .touches(action)
      .map((id) => lineOf(rig, id)),
  );
  const touched = new Set(lines.flatMap(({ id, groups }) => [id, ...groups]));
  return reasonsLeft(rig, state)
    .filter(({ of, left }) => touched.has(of) && left <= seconds)
    .sort((a, b) => b.left - a.left);
}
