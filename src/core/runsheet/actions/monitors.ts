import { opening, silent } from '../invariants';
import { lineOf, monitorsNamed, monitorsOf, type SheetRig } from '../rig';
import type { ActionOf } from './action';
import { switchesAsTheyAre } from './leaving';
import type { ActionRules } from './rules';

type Monitors = ActionOf<'monitors'>;

/** Loudspeakers and headphones are turned down, or brought up. */
export const monitors: ActionRules<Monitors> = {
  takes: () => 6,
  touches: () => [],
  about: () => [],
  isOf: (rig, { group }) => monitorsOf(rig).some(({ id }) => id === group),
  after: (_rig, state, { group, to }) => ({ ...state, monitors: { ...state.monitors, [group]: to } }),
  // They hear every inlet of their devices that is open.
  breach: (rig, state, { group, to }) =>
    to === 'down'
      ? undefined
      : opening(
          rig,
          state,
          rig.lines.filter((line) => !silent(state, line) && monitorsNamed(rig, group).devices.includes(line.device)),
        ),
  isUnknown: (state, { group }) => state.monitors[group] === 'unknown',
  doubtful: (_rig, state, { group }) => ({ ...state, monitors: { ...state.monitors, [group]: 'unknown' } }),
  without(rig, aim, state, { group }) {
    const { devices } = monitorsNamed(rig, group);
    const hears = (device: string) => devices.includes(device);
    const heard = rig.groups.filter(
      ({ key, device }) => hears(device) || rig.lines.some((line) => line.groups.includes(key) && hears(line.device)),
    );
    return {
      ...switchesAsTheyAre(
        rig,
        aim,
        state,
        heard.map(({ key }) => key),
      ),
      open: aim.open.filter((id) => !hears(lineOf(rig, id).device)),
      unpowered: aim.unpowered.filter((id) => !hears(id)),
    };
  },
  likely: (_rig, _state, { group, to }) => [
    { text: `They are already ${to === 'open' ? 'up' : 'down'}`, what: { monitors: group, is: to } },
  ],
  words(rig, { group, to }) {
    const { called, which } = nameOf(rig, group);
    return to === 'down'
      ? {
          title: `Turn ${called} down`,
          detail: `${which}Amplifiers and powered speakers: on last, off first.`,
          look: 'Every level control is at zero.',
        }
      : {
          title: `Bring ${called} up slowly`,
          detail: `${which}Amplifiers and powered speakers go on now, last of all.`,
          look: 'You hear what the meters show, and nothing else.',
          caution: 'Start from zero: a hidden fault is loud.',
        };
  },
  check(rig, { group, to }) {
    const { called } = nameOf(rig, group);
    const [are, them] = /s$/i.test(called) ? ['are', 'them'] : ['is', 'it'];
    return to === 'down' ? `Check ${called} ${are} down. If not, turn ${them} down.` : `Check ${called} ${are} up`;
  },
};

/** Monitors as they are called; those without a name are all there are, or all others. */
function nameOf(rig: SheetRig, group: string): { called: string; which: string } {
  const { name } = monitorsNamed(rig, group);
  return {
    called: name || (monitorsOf(rig).length > 1 ? 'all other monitors' : 'monitors'),
    which: name ? '' : 'Speakers, headphones, foldback, stream. ',
  };
}
