import { harmedBySupply, silent } from '../invariants';
import { lineOf } from '../rig';
import { isHeard } from '../state';
import type { ActionOf } from './action';
import { ending, linesAsTheyAre } from './leaving';
import type { ActionRules } from './rules';
import { hasLine } from './saying';

const HIGH_VOLTAGE = 'High voltage inside. Never open this supply or its cable.';

/** A supply that a line has of its own goes on, or off. */
export const supply: ActionRules<ActionOf<'supply'>> = {
  takes: () => 10,
  several: 'supplies',
  touches: () => [],
  about: (_rig, { line }) => [line],
  isOf: (rig, { line }) => hasLine(rig, line),
  after: (_rig, state, { line, on }) =>
    state.supplies[line].on === on
      ? state
      : { ...state, supplies: { ...state.supplies, [line]: { on, since: state.now } } },
  breach(rig, state, { line: id, on }) {
    const line = lineOf(rig, id);
    if (!on && harmedBySupply(rig, state).includes(line)) return undefined;
    if (!silent(state, line) || isHeard(rig, state, line.device))
      return { invariant: 6, why: `The inlet of “${line.name}” is unmuted, or monitors are up.` };
    const { stage, desk } = state.ends[id];
    if (on && line.supplyHarms) return { invariant: 6, why: `It would harm ${line.name}.` };
    return on && (stage !== true || desk !== true)
      ? { invariant: 6, why: `${line.name} is not plugged through yet.` }
      : undefined;
  },
  isUnknown: ({ supplies }, { line }) => supplies[line].on === 'unknown',
  doubtful: (_rig, state, { line }) => ({
    ...state,
    supplies: { ...state.supplies, [line]: { on: 'unknown', since: 'unknown' } },
  }),
  without(rig, aim, state, { line, on }) {
    const as = linesAsTheyAre(aim, state, [line]);
    return !on && harmedBySupply(rig, state).some(({ id }) => id === line) ? ending(as, [line], 'pull') : as;
  },
  likely: (_rig, _state, { line, on }) => [
    { text: `It is ${on ? 'on' : 'off'} already`, what: { supply: line, is: on } },
  ],
  words(rig, { line, on }) {
    const { name, highVoltage } = lineOf(rig, line);
    const valve = highVoltage && { caution: HIGH_VOLTAGE };
    return on
      ? {
          title: `Turn on the supply of “${name}”`,
          detail: 'First: both cables plugged, gain down.',
          look: 'It shows on.',
          ...valve,
        }
      : { title: `Turn off the supply of “${name}”`, look: 'It shows off.', ...valve };
  },
  check(rig, { line, on }) {
    const { name } = lineOf(rig, line);
    return on
      ? `Check the supply of “${name}” is on. If not, turn it on.`
      : `Check the supply of “${name}” is off. If it is on, turn it off.`;
  },
};
