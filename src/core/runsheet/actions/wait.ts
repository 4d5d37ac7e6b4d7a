import type { ActionOf } from './action';
import { switchesAsTheyAre } from './leaving';
import type { ActionRules } from './rules';
import { settingsOf } from './saying';

/** Time passes. */
export const wait: ActionRules<ActionOf<'wait'>> = {
  takes: ({ seconds }) => seconds,
  touches: () => [],
  about: () => [],
  isOf: () => true,
  after: (_rig, state, { seconds }) => ({ ...state, now: state.now + seconds }),
  breach: () => undefined,
  isUnknown: () => false,
  // What had waited has waited: time does not go back.
  doubtful: (_rig, state) => state,
  without: (rig, aim, state) => ({
    ...switchesAsTheyAre(
      rig,
      aim,
      state,
      rig.groups.map(({ key }) => key),
    ),
    open: [],
    unpowered: [],
  }),
  likely: (rig, state, _action, reasons = []) =>
    reasons.flatMap(({ of }) => (state.feeds[of] ? settingsOf(rig, state, of) : [])),
  words: () => ({ title: 'Wait', look: 'Don’t plug, unplug or unmute anything until the clock ends.' }),
  check: () => 'Wait',
};
