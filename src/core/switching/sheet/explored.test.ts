import { carriedOut, SMALL, TWO, wish } from '../../../../tests/sheets';
import type { SheetRig } from './rig';
import { firstBreach, sequence, type Wanted } from './sequence';
import { bare, type Action, type SheetState } from './state';

/** Every state of a small rig that matters: ends, feeds, charge, mutes, monitors, each of them possibly unknown. */
function* states(rig: SheetRig): Generator<SheetState> {
  const choices: [keyof SheetState, string, unknown][][] = [
    ...rig.lines.map(({ id }) =>
      [true, false, 'unknown'].map((end): [keyof SheetState, string, unknown] => [
        'ends',
        id,
        { stage: end, desk: end },
      ]),
    ),
    ...rig.groups.map(({ key }) =>
      [
        { feed: 'off', since: -1e6 },
        { feed: 'off', since: 0 },
        { feed: 'P48', since: -1e6 },
        { feed: 'P48', since: 0 },
        { feed: 'unknown', since: 'unknown' },
      ].map((feed): [keyof SheetState, string, unknown] => ['feeds', key, feed]),
    ),
    ...rig.lines.map(({ id }) =>
      [true, false, 'unknown'].map((muted): [keyof SheetState, string, unknown] => ['muted', id, muted]),
    ),
  ];
  const visit = function* (n: number, state: SheetState): Generator<SheetState> {
    if (n === choices.length) {
      for (const monitors of ['down', 'open', 'unknown'] as const) yield { ...state, monitors };
      return;
    }
    for (const [field, key, value] of choices[n])
      yield* visit(n + 1, { ...state, [field]: { ...(state[field] as object), [key]: value } });
  };
  yield* visit(0, bare(rig));
}

function* wishes(rig: SheetRig): Generator<Wanted> {
  const sets = <T>(list: readonly T[]): T[][] =>
    list.reduce<T[][]>((all, each) => [...all, ...all.map((set) => [...set, each])], [[]]);
  for (const plugged of sets(rig.lines.map(({ id }) => id)))
    for (const on of sets(rig.groups.map(({ key }) => key)))
      yield wish(plugged, Object.fromEntries(on.map((key) => [key, 'P48' as const])), plugged, plugged.slice(0, 1));
}

type Generate = typeof sequence;

/** Tries every state against every wish; the first breach of an invariant, or a wanted state that is not reached. */
function explored(rig: SheetRig, generate: Generate): string | undefined {
  for (const state of states(rig))
    for (const wanted of wishes(rig)) {
      const { steps, refused } = generate(rig, state, wanted);
      const found = firstBreach(rig, state, steps);
      if (found) return `${found.breach.invariant}: ${found.breach.why} at ${JSON.stringify(steps[found.step])}`;
      const end = carriedOut(rig, state, steps);
      for (const { id } of rig.lines)
        if ((end.ends[id].stage === true && end.ends[id].desk === true) !== wanted.plugged.has(id))
          return `${id} is not as wanted`;
      for (const { key } of rig.groups)
        if (end.feeds[key].feed !== (refused.length ? end.feeds[key].feed : (wanted.feeds[key] ?? 'off')))
          return `${key} is not as wanted`;
      if (wanted.open.size && end.monitors !== 'open') return 'the monitors are not open';
    }
  return undefined;
}

describe('every state of small rigs', () => {
  test.each([
    ['two lines on one switch', SMALL],
    ['a line on two switches', TWO],
  ])('%s: no sequence breaks an invariant, each ends as wanted', (_, rig) =>
    expect(explored(rig, sequence)).toBeUndefined(),
  );

  const without =
    (drop: (action: Action) => boolean): Generate =>
    (...given) => {
      const made = sequence(...given);
      return { ...made, steps: made.steps.filter(({ action }) => !drop(action)) };
    };
  const reversed: Generate = (...given) => {
    const made = sequence(...given);
    const on = made.steps.findIndex(({ action }) => action.do === 'feed' && action.to !== 'off');
    return on < 0 ? made : { ...made, steps: [made.steps[on], ...made.steps.toSpliced(on, 1)] };
  };

  test.each<[string, Generate]>([
    ['never waits', without(({ do: what }) => what === 'wait')],
    ['never mutes', without(({ do: what }) => what === 'mute')],
    ['leaves the monitors open', without((action) => action.do === 'monitors' && action.to === 'down')],
    ['leaves feeds on', without((action) => action.do === 'feed' && action.to === 'off')],
    ['turns feeds on first', reversed],
  ])('a generator that %s is found out', (_, broken) =>
    expect(explored(SMALL, broken)).toMatch(/^[1-6]: |not as wanted|not open/),
  );
});
