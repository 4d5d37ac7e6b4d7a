import { opening } from '../invariants';
import { heardOn, lineOf, onInletsOf, type SheetRig } from '../rig';
import type { Known, SheetState } from '../state';
import type { ActionOf } from './action';
import { linesAsTheyAre, switchesAsTheyAre } from './leaving';
import type { ActionRules } from './rules';
import { hasLine, names } from './saying';

type Hearing = ActionOf<'mute' | 'open'>;

/** More inlets than this are not asked for one by one. */
const MANY = 4;

/** Inlets are muted, or unmuted. */
export const hearing: ActionRules<Hearing> = {
  // Muted in one go, unmuted one at a time, by ear.
  takes: ({ do: what, lines }) => (what === 'mute' ? 6 : 6 * lines.length),
  touches: ({ lines }) => lines,
  about: (_rig, { lines }) => lines,
  isOf: (rig, { lines }) => lines.every((id) => hasLine(rig, id)),
  after: (rig, state, { do: what, lines }) => heardAs(rig, state, lines, what === 'mute'),
  breach: (rig, state, { do: what, lines }) =>
    what === 'mute'
      ? undefined
      : opening(
          rig,
          state,
          lines.map((id) => lineOf(rig, id)),
        ),
  isUnknown: ({ muted }, { lines }) => lines.every((id) => muted[id] === 'unknown'),
  doubtful: (rig, state, { lines }) => heardAs(rig, state, lines, 'unknown'),
  without(rig, aim, state, { do: what, lines }) {
    if (what === 'open') return linesAsTheyAre(aim, state, lines);
    const reached = rig.lines.filter(({ id }) => lines.includes(id)).flatMap(({ groups }) => groups);
    const own = switchesAsTheyAre(rig, aim, state, reached);
    const loose = lines.filter((id) => !own.left.includes(id));
    return loose.length ? linesAsTheyAre(own, state, loose) : own;
  },
  likely(rig, _state, { do: what, lines }) {
    const inlets = inletsOf(rig, lines);
    if (inlets.size > MANY) return [];
    return [...inlets].map(([inlet, id]) => ({
      text: `${inlet} is already ${what === 'mute' ? 'muted' : 'unmuted'}`,
      what: { muted: id, is: what === 'mute' },
    }));
  },
  words: (rig, { do: what, lines }) =>
    what === 'mute'
      ? {
          title: `Mute ${inlets(rig, lines)}`,
          detail: names(rig, lines),
          look: 'Mutes are lit. No mute button? Fader and gain down.',
        }
      : {
          title: `Unmute ${inlets(rig, lines)}${inletsOf(rig, lines).size === 1 ? '' : ', one at a time'}`,
          detail: names(rig, lines),
          look: 'Each meter follows its source and is still without it.',
        },
  check: (rig, { do: what, lines }) =>
    `Check ${inlets(rig, lines)} ${inletsOf(rig, lines).size === 1 ? 'is' : 'are'} ${what === 'mute' ? 'muted' : 'unmuted'}`,
};

/** The inlets that hear some lines, in words, each with the first of its lines. */
const inletsOf = (rig: SheetRig, lines: readonly string[]): Map<string, string> =>
  new Map(lines.toReversed().map((id) => [heardOn(lineOf(rig, id)), id]));

function inlets(rig: SheetRig, lines: readonly string[]): string {
  const { size } = inletsOf(rig, lines);
  return size === 1 ? heardOn(lineOf(rig, lines[0])) : `${size} inlets`;
}

/** A state in which the inlets of some lines are muted, or not, with everything that they hear. */
export const heardAs = (
  rig: SheetRig,
  state: SheetState,
  lines: readonly string[],
  muted: Known<boolean>,
): SheetState => ({
  ...state,
  muted: { ...state.muted, ...Object.fromEntries(onInletsOf(rig, lines).map(({ id }) => [id, muted])) },
});
