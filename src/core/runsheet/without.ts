import { rulesOf, type Action } from './actions';
import type { Aim } from './report';
import type { SheetRig } from './rig';
import type { SheetState } from './state';

/** The aim without what cannot be done: a line's plugs stay as they are, a switch too and everybody on it. */
export const without = (rig: SheetRig, aim: Aim, state: SheetState, action: Action): Aim =>
  rulesOf(action).without(rig, aim, state, action);
