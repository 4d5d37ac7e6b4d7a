import { spread, WHOLE } from '../../../tests/explore';
import { carriedOut, group, line, rigWith, SMALL, TWO, wish } from '../../../tests/sheets';
import { breach, after, type Action } from './actions';
import { lineOf, MONITORS, monitorsOf, type SheetRig } from './rig';
import { firstBreach, sequence } from './sequence';
import type { Wanted } from './wanted';
import type { Step } from './step';
import { bare, live, packed, unknown, type SheetState } from './state';

/** Every state of a small rig that matters: ends, feeds, charge, mutes, monitors, each of them possibly unknown. */
function* states(rig: SheetRig): Generator<SheetState> {
  // Where several monitors multiply the states, what is unknown is left to the rigs with one of them: it counts as in and open.
  const each = monitorsOf(rig).length > 1 ? [true, false] : [true, false, 'unknown'];
  const choices: [keyof SheetState, string, unknown][][] = [
    ...rig.lines.map(({ id }) =>
      each.map((end): [keyof SheetState, string, unknown] => ['ends', id, { stage: end, desk: end }]),
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
    ...rig.lines.map(({ id }) => each.map((muted): [keyof SheetState, string, unknown] => ['muted', id, muted])),
    ...rig.lines
      .filter(({ supply }) => supply)
      .map(({ id }) =>
        [
          { on: true, since: 0 },
          { on: false, since: -1e6 },
          { on: 'unknown', since: 'unknown' },
        ].map((supply): [keyof SheetState, string, unknown] => ['supplies', id, supply]),
      ),
  ];
  const visit = function* (n: number, state: SheetState): Generator<SheetState> {
    if (n === choices.length) {
      for (const monitors of monitorStates(rig)) yield { ...state, monitors };
      return;
    }
    for (const [field, key, value] of choices[n])
      yield* visit(n + 1, { ...state, [field]: { ...(state[field] as object), [key]: value } });
  };
  yield* visit(0, bare(rig));
}

/** All that hears a rig down, up or unknown; where there are several, each down or up. */
const monitorStates = (rig: SheetRig): SheetState['monitors'][] =>
  monitorsOf(rig).length > 1
    ? monitorsOf(rig).reduce<SheetState['monitors'][]>(
        (all, { id }) => all.flatMap((each) => (['down', 'open'] as const).map((is) => ({ ...each, [id]: is }))),
        [{}],
      )
    : (['down', 'open', 'unknown'] as const).map((is) => ({ [MONITORS]: is }));

function* wishes(rig: SheetRig): Generator<Wanted> {
  const sets = <T>(list: readonly T[]): T[][] =>
    list.reduce<T[][]>((all, each) => [...all, ...all.map((set) => [...set, each])], [[]]);
  for (const plugged of sets(rig.lines.map(({ id }) => id)))
    for (const on of sets(rig.groups.map(({ key }) => key)))
      yield wish(plugged, Object.fromEntries(on.map((key) => [key, 'P48' as const])), plugged, plugged.slice(0, 1));
}

/** Whether steps do anything that is heard on some devices: a plug, a feed, a supply, an inlet that opens there. */
const mayThump = (rig: SheetRig, steps: readonly Step[], devices: readonly string[]): boolean => {
  const heard = (id: string) => devices.includes(lineOf(rig, id).device);
  return steps.some(({ action }) => {
    if (action.do === 'feed') return rig.lines.some(({ id, groups }) => groups.includes(action.group) && heard(id));
    if (action.do === 'mute' || action.do === 'open') return action.lines.some(heard);
    return 'line' in action && heard(action.line);
  });
};

type Generate = typeof sequence;

/** Whether one source would be in two ways at once: as it was, and as on paper. */
const twice = (rig: SheetRig, has: (id: string) => boolean): boolean =>
  rig.lines.some(({ id, was }) => was !== undefined && has(id) && has(was));

/** Every state with every wish. */
function* cases(rig: SheetRig): Generator<{ state: SheetState; wanted: Wanted }> {
  const wanted = [...wishes(rig)].filter(({ plugged }) => !twice(rig, (id) => plugged.has(id)));
  for (const state of states(rig))
    if (!twice(rig, (id) => state.ends[id].stage === true)) for (const each of wanted) yield { state, wanted: each };
}

/**
 * Tries states against wishes; the first breach of an invariant, or a wanted state that is not reached.
 * @param most how many are tried in the sample
 */
function explored(rig: SheetRig, generate: Generate, most: number): string | undefined {
  for (const { state, wanted } of spread(() => cases(rig), most)) {
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
    for (const { id, devices } of monitorsOf(rig)) {
      const heard = rig.lines.some((line) => wanted.open.has(line.id) && devices.includes(line.device));
      if (heard && end.monitors[id] !== 'open') return 'the monitors are not open';
      const touched = steps.some(
        ({ action }) => action.do === 'monitors' && action.group === id && action.to === 'down',
      );
      if (touched && !mayThump(rig, steps, devices)) return `${id} is turned down for nothing`;
    }
  }
  return undefined;
}

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

const mainsFirst: Generate = (...given) => {
  const made = sequence(...given);
  const mains = made.steps.findIndex(({ action }) => action.do === 'mains');
  return mains < 0 ? made : { ...made, steps: [made.steps[mains], ...made.steps.toSpliced(mains, 1)] };
};

/** One microphone over a splitter to two desks, each with a switch. */
const SHARED = rigWith(
  [
    line('hall', ['a', 'b'], { key: 'a', shares: ['stream'], stops: { b: ['P48'] } }),
    line('stream', ['a', 'b'], { key: 'b', shares: ['hall'] }),
  ],
  [group('a'), group('b')],
);
/** A ribbon that hangs in the room otherwise than on paper. */
const CHANGED = rigWith(
  [
    line('ribbon', ['b'], { stops: { b: ['P48'] } }),
    line('ribbon as it was', ['a'], { was: 'ribbon', stops: { a: ['P48'] } }),
  ],
  [group('a'), group('b')],
);
/** A ribbon behind a supply box that harms it, and a microphone that lives on one. */
const BOXED = rigWith(
  [line('ribbon', ['a'], { supply: true, supplyHarms: true }), line('mic', ['a'], { supply: true })],
  [group('a')],
);

/** A direct box with a battery, and an instrument that is turned down. */
const HANDED = rigWith(
  [
    line('box', ['bank'], { ready: ['battery in'], unset: ['battery out'] }),
    line('piano', ['bank'], { ready: ['volume at zero'], unset: ['off'] }),
  ],
  [group('bank')],
);

/** Two devices, each heard on loudspeakers of its own, with a source of its own; and one source on both. */
const heardApart = (lines: SheetRig['lines']): SheetRig => ({
  ...rigWith(lines, [group('a'), group('b', { device: 'bag', place: 'wheelhouse' })]),
  devices: ['desk', 'bag'].map((id) => ({ id, name: id, place: id, power: 'mains' })),
  monitors: [
    { id: 'hall', name: 'Hall loudspeakers', place: 'desk end', devices: ['desk'] },
    { id: 'phones', name: 'Wheelhouse headphones', place: 'wheelhouse', devices: ['bag'] },
  ],
});
const APART = heardApart([line('singer', ['a']), line('guide', ['b'], { device: 'bag', mixedAt: 'wheelhouse' })]);
const HEARD_TWICE = heardApart([
  line('hall', ['a', 'b'], { key: 'a', shares: ['stream'], stops: { b: ['P48'] } }),
  line('stream', ['a', 'b'], { key: 'b', shares: ['hall'], device: 'bag', mixedAt: 'wheelhouse' }),
]);

/** A line over a patch point, and another one on its switch. */
const PATCHED = rigWith(
  [line('patched', ['bank'], { ready: ['plugs in'], unfed: true }), line('mic', ['bank'])],
  [group('bank')],
);

/** A generator whose steps of one sort come before those of another. */
const swapped =
  (first: (action: Action) => boolean): Generate =>
  (...given) => {
    const made = sequence(...given);
    const at = made.steps.findIndex(({ action }) => first(action));
    return at < 0 ? made : { ...made, steps: [made.steps[at], ...made.steps.toSpliced(at, 1)] };
  };

/** A generator that takes one sort of monitors for another. */
const otherMonitors: Generate = (...given) => {
  const made = sequence(...given);
  const other = { hall: 'phones', phones: 'hall' } as Record<string, string>;
  return {
    ...made,
    steps: made.steps.map((step) =>
      step.action.do === 'monitors' ? { ...step, action: { ...step.action, group: other[step.action.group] } } : step,
    ),
  };
};

/** A ribbon and a microphone that are plugged straight in, one of them set by hand before. */
const AT_ITS_INLET = { straight: true, stage: 'desk end' } as const;
const STRAIGHT = rigWith(
  [
    line('ribbon', ['a'], { ...AT_ITS_INLET, stops: { a: ['P48'] } }),
    line('mic', ['a'], { ...AT_ITS_INLET, ready: ['mic: battery on'], unset: ['mic: battery out'] }),
  ],
  [group('a', { latched: true })],
);

/** How many cases the sample has of each rig; more where something is wrong that has to be found out. */
const SAMPLE = 1500;
const BROKEN = 20_000;

describe('every state of small rigs', () => {
  test.each([
    ['two lines on one switch', SMALL],
    ['things set by hand', HANDED],
    ['a patch point', PATCHED],
    ['sources that go straight in', STRAIGHT],
    ['a line on two switches', TWO],
    ['a source on two desks', SHARED],
    ['a line that has changed on paper', CHANGED],
    ['supplies of their own', BOXED],
    ['two devices, each on loudspeakers of its own', APART],
    ['one source on two devices, each on loudspeakers of its own', HEARD_TWICE],
  ])('%s: no sequence breaks an invariant, each ends as wanted', (_, rig) =>
    expect(explored(rig, sequence, SAMPLE)).toBeUndefined(),
  );

  test.each([
    ['a source on two desks', SHARED],
    ['a line that has changed on paper', CHANGED],
  ])('%s: nor does the order with the fewest walks', (_, rig) =>
    expect(
      explored(rig, (of, state, wanted, here) => sequence(of, state, { ...wanted, order: 'walks' }, here), SAMPLE),
    ).toBeUndefined(),
  );

  test.each<[string, SheetRig, Generate]>([
    ['plugs before it pulls what was there', CHANGED, swapped(({ do: what }) => what === 'plug')],
    ['forgets what is in the room', CHANGED, without((a) => a.do === 'unplug' && a.line === 'ribbon as it was')],
    ['turns its feed on over another plug', SHARED, swapped((a) => a.do === 'feed' && a.to !== 'off')],
    ['leaves the inlet of a shared source open', SHARED, without((a) => a.do === 'mute' || a.do === 'monitors')],
    ['turns the wrong loudspeakers down', APART, otherMonitors],
    ['forgets the second loudspeakers', HEARD_TWICE, without((a) => a.do === 'monitors' && a.group === 'phones')],
    ['patches before the feed is off', PATCHED, swapped((a) => a.do === 'hand')],
    ['turns a supply on first', BOXED, swapped((a) => a.do === 'supply' && a.on)],
  ])('a generator that %s is found out', (_, rig, broken) =>
    expect(explored(rig, broken, BROKEN)).toMatch(/^[1-9]: |not as wanted|not open/),
  );

  test.each<[string, Generate]>([
    ['never waits', without(({ do: what }) => what === 'wait')],
    ['never mutes', without(({ do: what }) => what === 'mute')],
    ['leaves the monitors open', without((action) => action.do === 'monitors' && action.to === 'down')],
    ['leaves feeds on', without((action) => action.do === 'feed' && action.to === 'off')],
    ['turns feeds on first', reversed],
  ])('a generator that %s is found out', (_, broken) =>
    expect(explored(SMALL, broken, BROKEN)).toMatch(/^[1-9]: |not as wanted|not open/),
  );
});

/** A state as far as it matters: how long ago something was counts only until every wait is over. */
const sameState = (rig: SheetRig, state: SheetState): string =>
  JSON.stringify([
    state.ends,
    state.muted,
    state.monitors.monitors,
    state.mains,
    rig.groups.map(({ key }) => {
      const { feed, since } = state.feeds[key];
      return [feed, since === 'unknown' ? since : Math.min(state.now - since, 60)];
    }),
  ]);

/**
 * Follows every sheet step by step from where somebody may begin, changing to any other wish after any step, while the
 * mains go and come back and time passes; the first step that breaks an invariant, and how many states there are.
 */
function interleaved(
  rig: SheetRig,
  generate: Generate,
  begins: readonly SheetState[],
  most = Infinity,
): { found?: string; states: number } {
  // What is exchanged comes out at every new beginning: without that as well, so that something is ever finished.
  const wanted = [...wishes(rig)].flatMap((each) => [each, { ...each, exchanged: new Set<string>() }]);
  const seen = new Set(begins.map((state) => sameState(rig, state)));
  const open = [...begins];
  for (let state = open.pop(); state && seen.size < most; state = open.pop()) {
    const here = state;
    const nexts = wanted.flatMap((wish): Action[] =>
      generate(rig, here, wish)
        .steps.slice(0, 1)
        .map(({ action }) => action),
    );
    for (const action of nexts) {
      const found = breach(rig, here, action);
      if (found) return { found: `${found.invariant}: ${found.why} at ${JSON.stringify(action)}`, states: seen.size };
    }
    // What happens by itself, or by somebody who follows no sheet.
    const nature: Action[] = [
      { do: 'wait', seconds: 30 },
      ...rig.devices.map(({ id }): Action => ({ do: 'mains', device: id, on: here.mains[id] !== true })),
      ...rig.groups.map(({ key }): Action => ({ do: 'feed', group: key, to: live(rig, here, key) ? 'off' : 'P48' })),
      ...rig.lines.map(({ id }): Action => ({ do: 'open', lines: [id] })),
      { do: 'monitors', group: MONITORS, to: 'open' },
    ];
    for (const action of [...nexts, ...nature]) {
      const next = after(rig, here, action);
      const key = sameState(rig, next);
      if (!seen.has(key)) open.push(next);
      seen.add(key);
    }
  }
  return { states: seen.size };
}

describe('every interleaving on a small rig', () => {
  const ONE = rigWith(
    [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a'])],
    [group('a', { latched: true })],
  );
  test('whatever is wanted after whichever step, while mains go, switches turn and inlets open by themselves', () => {
    const most = WHOLE ? Infinity : 600;
    const { found, states: count } = interleaved(ONE, sequence, [bare(ONE), packed(ONE), unknown(ONE)], most);
    expect(found).toBeUndefined();
    expect(count).toBeGreaterThan(500);
  });
  test.each<[string, Generate]>([
    ['never waits', without(({ do: what }) => what === 'wait')],
    ['turns feeds on first', reversed],
    ['forgets latched switches before the mains', mainsFirst],
    ['leaves the monitors up', without((action) => action.do === 'monitors' && action.to === 'down')],
  ])('a generator that %s is found out', (_, broken) =>
    expect(interleaved(ONE, broken, [bare(ONE), packed(ONE)]).found).toMatch(/^[1-9]: /),
  );
});
