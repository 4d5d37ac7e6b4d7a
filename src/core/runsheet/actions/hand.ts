import { fedAt, silent } from '../invariants';
import { lineOf } from '../rig';
import { isHeard } from '../state';
import type { ActionOf } from './action';
import type { ActionRules } from './rules';
import { hasLine } from './saying';

/** A battery, a pad, a volume at a source is set, or packed. */
export const hand: ActionRules<ActionOf<'hand'>> = {
  takes: () => 15,
  several: 'settings',
  touches: () => [],
  about: (_rig, { line }) => [line],
  isOf: (rig, { line }) => hasLine(rig, line),
  after: (_rig, state, { line, ready }) => ({ ...state, ready: { ...state.ready, [line]: ready } }),
  breach(rig, state, { line: id }) {
    const line = lineOf(rig, id);
    const { stage, desk } = state.ends[id];
    // It is heard where its line is plugged through.
    if (stage !== false && desk !== false && !silent(state, line) && isHeard(rig, state, line.device))
      return { invariant: 2, why: `The inlet of “${line.name}” is unmuted.` };
    // A patch point makes one contact before the other: the whole feed is across the source for a moment.
    return line.unfed ? fedAt(rig, state, line, false, true) : undefined;
  },
  isUnknown: () => false,
  doubtful(_rig, state, { line }) {
    const { [line]: _was, ...ready } = state.ready ?? {};
    return { ...state, ready };
  },
  without: (_rig, aim, _state, { line }) => ({ ...aim, asIs: [...new Set([...(aim.asIs ?? []), line])] }),
  // What was found of a setting is put right, and that is the step.
  likely: () => [],
  words(rig, { line, ready: isReady }) {
    const { name, ready = [], unset = [] } = lineOf(rig, line);
    return isReady
      ? { title: `Set “${name}” before you plug it`, detail: `${ready.join('. ')}.` }
      : { title: `Switch “${name}” off at the source`, detail: `${unset.join('. ')}.` };
  },
  check: (rig, action) => hand.words(rig, action).title,
};
