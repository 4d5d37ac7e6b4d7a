import type { Aim, Ending } from '../report';
import type { SheetRig } from '../rig';
import type { SheetState } from '../state';

/** What becomes of an aim where something cannot be done. */

/** The aim with the plugs of some lines as they are; what may be in counts as in. */
export function linesAsTheyAre(aim: Aim, state: SheetState, lines: readonly string[]): Aim {
  const kept = new Set(lines);
  const mayBeIn = (id: string) => state.ends[id].stage !== false || state.ends[id].desk !== false;
  return {
    ...aim,
    plugged: [...aim.plugged.filter((id) => !kept.has(id)), ...lines.filter(mayBeIn)],
    exchanged: aim.exchanged.filter((id) => !kept.has(id)),
    open: aim.open.filter((id) => !kept.has(id) || state.muted[id] === false),
    left: [...aim.left.filter((id) => !kept.has(id)), ...lines],
  };
}

/** Switches as they are, and every line that they reach. */
export function switchesAsTheyAre(rig: SheetRig, aim: Aim, state: SheetState, keys: readonly string[]): Aim {
  const on = rig.lines.filter(({ groups }) => groups.some((key) => keys.includes(key)));
  return {
    ...linesAsTheyAre(
      aim,
      state,
      on.map(({ id }) => id),
    ),
    stuck: [...new Set([...aim.stuck, ...keys])],
  };
}

/** The aim with another way to end the harm that some switches or supplies do. */
export const ending = (aim: Aim, keys: readonly string[], how: Ending): Aim =>
  keys.length ? { ...aim, ending: { ...aim.ending, ...Object.fromEntries(keys.map((key) => [key, how])) } } : aim;
