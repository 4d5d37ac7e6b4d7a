import { opening } from '../invariants';
import { heardOn, inletOf, lineOf, type SheetLine, type SheetRig } from '../rig';
import { withMuted } from '../state';
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
  after: (rig, state, { do: what, lines }) => withMuted(rig, state, lines, what === 'mute'),
  breach: (rig, state, { do: what, lines }) =>
    what === 'mute'
      ? undefined
      : opening(
          rig,
          state,
          lines.map((id) => lineOf(rig, id)),
        ),
  isUnknown: ({ muted }, { lines }) => lines.every((id) => muted[id] === 'unknown'),
  doubtful: (rig, state, { lines }) => withMuted(rig, state, lines, 'unknown'),
  without(rig, aim, state, { do: what, lines }) {
    if (what === 'open') return linesAsTheyAre(aim, state, lines);
    const reached = rig.lines.filter(({ id }) => lines.includes(id)).flatMap(({ groups }) => groups);
    const own = switchesAsTheyAre(rig, aim, state, reached);
    const loose = lines.filter((id) => !own.left.includes(id));
    return loose.length ? linesAsTheyAre(own, state, loose) : own;
  },
  likely(rig, _state, { do: what, lines }) {
    const each = onePerInlet(rig, lines);
    if (each.length > MANY) return [];
    return each.map((line) => ({
      text: `${heardOn(line)} is already ${what === 'mute' ? 'muted' : 'unmuted'}`,
      what: { muted: line.id, is: what === 'mute' },
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
          title: `Unmute ${inlets(rig, lines)}${onePerInlet(rig, lines).length === 1 ? '' : ', one at a time'}`,
          detail: names(rig, lines),
          look: 'Each meter follows its source and is still without it.',
        },
  check: (rig, { do: what, lines }) =>
    `Check ${inlets(rig, lines)} ${onePerInlet(rig, lines).length === 1 ? 'is' : 'are'} ${what === 'mute' ? 'muted' : 'unmuted'}`,
};

/** Lines of which no other one before them is heard on the same inlet: one for each inlet. */
const onePerInlet = (rig: SheetRig, ids: readonly string[]): SheetLine[] =>
  ids
    .map((id) => lineOf(rig, id))
    .filter((line, n, all) => all.findIndex((other) => inletOf(other) === inletOf(line)) === n);

function inlets(rig: SheetRig, lines: readonly string[]): string {
  const [first, ...others] = onePerInlet(rig, lines);
  return others.length ? `${others.length + 1} inlets` : heardOn(first);
}
