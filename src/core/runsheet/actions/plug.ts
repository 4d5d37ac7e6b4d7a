import { fedAt, harmedBySupply, harming, silent, SUPPLY_WAIT, within, type Breach } from '../invariants';
import { groupOf, joined, lineOf, othersOf, sourceEnd, type SheetLine, type SheetRig } from '../rig';
import { isHeard, live, withEnd, type SheetState } from '../state';
import type { ActionOf } from './action';
import { ending, linesAsTheyAre } from './leaving';
import type { ActionRules, StepWords } from './rules';
import { harmingLine, hasLine, HEARING, settingsOf } from './saying';

type Plug = ActionOf<'plug' | 'unplug'>;

/** A plug goes in, or comes out, at either end of a line. */
export const plug: ActionRules<Plug> = {
  takes: ({ do: what }) => (what === 'plug' ? 15 : 8),
  several: 'plugs',
  touches: ({ line }) => [line],
  about: (_rig, { line }) => [line],
  isOf: (rig, { line }) => hasLine(rig, line),
  after(rig, state, { do: what, line, end }) {
    const made = withEnd(state, lineOf(rig, line), end, what === 'plug');
    const ends = made.ends[line];
    const through = what === 'plug' && ends.stage !== false && ends.desk !== false;
    const hot = through && lineOf(rig, line).groups.some((key) => live(rig, state, key));
    return hot ? { ...made, pluggedLive: { ...state.pluggedLive, [line]: state.now } } : made;
  },
  breach: (rig, state, action) => plugging(rig, state, lineOf(rig, action.line), action),
  isUnknown: ({ ends }, { line, end }) => ends[line][end] === 'unknown',
  doubtful: (rig, state, { line, end }) => withEnd(state, lineOf(rig, line), end, 'unknown'),
  without(rig, aim, state, { do: what, line, end }) {
    const as = {
      ...linesAsTheyAre(aim, state, [line]),
      fixed: [...new Set([...(aim.fixed ?? []), `${line} ${end}`])],
    };
    // The source could not be pulled from a feed that harms it: nobody here can end that.
    const pulled = Object.entries(aim.ending ?? {}).filter(([, how]) => how === 'pull');
    const own = lineOf(rig, line);
    const given = pulled.filter(([key]) => key === line || own.groups.includes(key)).map(([key]) => key);
    return what === 'unplug' && end === sourceEnd(own) && given.length ? ending(as, given, 'none') : as;
  },
  likely(rig, state, { do: what, line, end }) {
    const is = what === 'plug';
    return [
      { text: `The plug is ${is ? 'in' : 'out'} already`, what: { line, end, is } },
      ...lineOf(rig, line).groups.flatMap((key) => settingsOf(rig, state, key)),
    ];
  },
  words(rig, { do: what, line: id, end }, state): StepWords {
    const line = lineOf(rig, id);
    const lamps = line.groups.map((key) => groupOf(rig, key).name);
    const hot = line.hotPlugs && state && line.groups.some((key) => live(rig, state, key));
    const still = 'The inlet’s meter is not moving.';
    const quiet = hot
      ? 'The feed stays on, as your school allows here: its inlet is muted, straight in or straight out.'
      : lamps.length
        ? `${lamps.join(' and ')}: shows off (lamp, menu or icon). ${still}`
        : still;
    const source = end === sourceEnd(line);
    if (what === 'unplug') {
      const title = `Unplug “${line.name}” ${end === 'stage' ? 'at the source' : `from ${line.inlet}`}`;
      if (!source) return { title, look: quiet };
      return state && harmingLine(rig, state, line).length > 0
        ? {
            title: `${title} now`,
            detail: line.source,
            caution: `Its feed cannot be turned off and harms it. ${HEARING}`,
          }
        : { title, detail: line.source, look: quiet };
    }
    const detail = source ? [line.source, ...way(line)].join('. ') : undefined;
    if (end === 'desk')
      return { title: `Plug “${line.name}” into ${line.inlet}`, ...(detail && { detail }), look: quiet };
    return {
      title: `Plug “${line.name}” at the source`,
      detail,
      look: hot ? `${quiet} The plug is locked.` : 'The plug is home and locked.',
    };
  },
  check(rig, { do: what, line, end }) {
    const { name, inlet } = lineOf(rig, line);
    if (what === 'plug')
      return `Check: ${end === 'stage' ? `“${name}” is plugged at the source` : `“${name}” is in at ${inlet}`}. If not, plug it.`;
    return `Check: “${name}” is out ${end === 'stage' ? 'at the source' : `at ${inlet}`}. If not, unplug it.`;
  },
};

function plugging(rig: SheetRig, state: SheetState, line: SheetLine, { do: what, end }: Plug): Breach | undefined {
  const former = othersOf(rig, line).find((other) => state.ends[other.id][end] !== false);
  if (what === 'plug' && former)
    return { invariant: 7, why: `${former.name} is in there, or may be: ${former.inlet}.` };
  // Pulling the source ends harm that is running: nothing else comes before that.
  const harmed =
    line.groups.some((key) => harming(rig, state, key).includes(line)) || harmedBySupply(rig, state).includes(line);
  if (what === 'unplug' && end === sourceEnd(line) && harmed) return undefined;
  const open = joined(rig, line).find((each) => !silent(state, each) && isHeard(rig, state, each.device));
  if (open) return { invariant: 1, why: `The inlet of “${open.name}” is unmuted.` };
  const fed = line.hotPlugs ? undefined : fedAt(rig, state, line, end === 'desk', what === 'plug');
  if (fed) return fed;
  const supply = state.supplies[line.id];
  if (supply && supply.on !== false) return { invariant: 6, why: `The supply of ${line.name} is on, or may be.` };
  if (supply && within(state, supply.since, SUPPLY_WAIT))
    return { invariant: 6, why: `The supply of ${line.name} may still be charged.` };
  return undefined;
}

/** What goes between a line's source and its inlet, and what is off there. */
function way({ parts, through = parts.slice(1, -1), set = [] }: SheetLine): string[] {
  return [
    ...(through.length ? [`Through ${through.join(', ')}`] : []),
    ...(set.length ? [`Set ${set.join('; ')}`] : []),
  ];
}
