import { rulesOf, type StepWords } from './actions';
import { list } from './actions/saying';
import { groupOf, lineOf, monitorsOf, type SheetRig } from './rig';
import type { Step } from './step';
import type { SheetState } from './state';

/** The words of a step. What nobody knows is looked at and made so where it is not; without a state, all is known. */
export function stepWords(rig: SheetRig, state: SheetState | undefined, { action }: Step): StepWords {
  const { words, check, isUnknown } = rulesOf(action);
  const said = words(rig, action, state);
  return state && isUnknown(state, action) ? { ...said, title: check(rig, action) } : said;
}

/** Monitors with a name that some steps turn down, and those that stay as they are. */
export function monitorsMoved(rig: SheetRig, steps: readonly Step[]): { down: string[]; stay: string[] } {
  const moved = new Set(steps.flatMap(({ action }) => (action.do === 'monitors' ? [action.group] : [])));
  const named = monitorsOf(rig).filter(({ name }) => name);
  const names = (moves: boolean) => named.filter(({ id }) => moved.has(id) === moves).map(({ name }) => name);
  return { down: names(true), stay: names(false) };
}

/** What it would mean to go back to a step that was done, in sentences. */
export function backMeans(rig: SheetRig, undone: readonly Step[]): string[] {
  const switches = new Set(
    undone.flatMap(({ action }) => (action.do === 'feed' ? [groupOf(rig, action.group).name] : [])),
  );
  const plugs = new Set(
    undone.flatMap(({ action }) =>
      action.do === 'plug' || action.do === 'unplug' ? [lineOf(rig, action.line).name] : [],
    ),
  );
  const supplies = undone.flatMap(({ action }) => (action.do === 'supply' ? [lineOf(rig, action.line).name] : []));
  const hands = undone.flatMap(({ action }) => (action.do === 'hand' ? [lineOf(rig, action.line).name] : []));
  const heard = undone.some(({ action }) => action.do === 'mute' || action.do === 'open' || action.do === 'monitors');
  return [
    ...(switches.size
      ? [`${list([...switches])}: state unknown again. Treated as live; turned off first, full wait.`]
      : []),
    ...(supplies.length ? [`The supply of ${list(supplies)}: treated as on; turned off first.`] : []),
    ...(plugs.size ? [`${list([...plugs])}: plugged or not is unknown again.`] : []),
    ...(hands.length ? [`${list(hands)}: set at the source or not is unknown again.`] : []),
    ...(heard ? ['Inlets and monitors that these steps muted or unmuted: treated as unmuted.'] : []),
  ];
}
