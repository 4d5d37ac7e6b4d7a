import type { Aim } from '../report';
import type { SheetRig } from '../rig';
import type { SheetState } from '../state';
import type { Action, ActionName, ActionOf } from './action';
import { feed } from './feed';
import { hand } from './hand';
import { hearing } from './hearing';
import { mains } from './mains';
import { monitors } from './monitors';
import { plug } from './plug';
import type { ActionRules } from './rules';
import { supply } from './supply';
import { wait } from './wait';

export type { Action, ActionName } from './action';
export type { ActionRules, Likely, StepWords } from './rules';

/** What can be done, and what each of it means. */
const ACTIONS: { [N in ActionName]: ActionRules<ActionOf<N>> } = {
  plug,
  unplug: plug,
  hand,
  feed,
  mute: hearing,
  open: hearing,
  supply,
  monitors,
  mains,
  wait,
};

/** What an action means. */
export const rulesOf = (action: Action): ActionRules<Action> => ACTIONS[action.do] as ActionRules<Action>;

/** The state after an action. */
export const after = (rig: SheetRig, state: SheetState, action: Action): SheetState =>
  rulesOf(action).after(rig, state, action);

/** What speaks against an action in a state; undefined if nothing does. */
export const breach = (rig: SheetRig, state: SheetState, action: Action) => rulesOf(action).breach(rig, state, action);

/** A state in which nobody knows whether an action was carried out. */
export const doubtful = (rig: SheetRig, state: SheetState, action: Action): SheetState =>
  rulesOf(action).doubtful(rig, state, action);

/** The aim without what cannot be done. */
export const without = (rig: SheetRig, aim: Aim, state: SheetState, action: Action): Aim =>
  rulesOf(action).without(rig, aim, state, action);
