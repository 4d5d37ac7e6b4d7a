import fc from 'fast-check';
import type { FeedName } from '../../standards/feeds';
import { breach } from './invariants';
import { decayWait, settleWait, type SheetGroup, type SheetLine, type SheetRig } from './rig';
import { firstBreach, reordered, sequence, trips, type Step, type Wanted } from './sequence';
import { after, bare, type Action, type SheetState } from './state';

const group = (key: string, more: Partial<SheetGroup> = {}): SheetGroup => ({
  key,
  name: key,
  device: 'desk',
  place: 'desk end',
  offers: ['P48'],
  latched: false,
  mutes: false,
  decay: decayWait('longer', 20),
  settle: settleWait(5),
  ...more,
});
const line = (id: string, groups: string[], more: Partial<SheetLine> = {}): SheetLine => ({
  id,
  name: id,
  stage: 'stage end',
  desk: 'desk end',
  groups,
  stops: {},
  supply: false,
  ...more,
});

/** A ribbon and a condenser on one switch, a third line with a supply of its own on another. */
const RIG: SheetRig = {
  lines: [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a']), line('boxed', ['b'], { supply: true })],
  groups: [group('a', { latched: true }), group('b')],
};

const wish = (
  plugged: string[],
  feeds: Record<string, FeedName>,
  open: string[],
  exchanged: string[] = [],
): Wanted => ({
  plugged: new Set(plugged),
  feeds,
  open: new Set(open),
  exchanged: new Set(exchanged),
});

const carriedOut = (rig: SheetRig, from: SheetState, steps: readonly Step[]): SheetState =>
  steps.reduce((state, { action }) => after(rig, state, action), from);

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

const SMALL: SheetRig = {
  lines: [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a'])],
  groups: [group('a', { latched: true })],
};
const TWO: SheetRig = { lines: [line('one', ['a']), line('both', ['a', 'b'])], groups: [group('a'), group('b')] };

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

describe('partly carried out and planned anew', () => {
  const states$ = fc.record({
    ends: fc.array(fc.constantFrom(true, false, 'unknown' as const), { minLength: 3, maxLength: 3 }),
    feeds: fc.array(
      fc.constantFrom(
        { feed: 'off' as const, since: -1e6 },
        { feed: 'off' as const, since: 0 },
        { feed: 'P48' as const, since: 0 },
        { feed: 'unknown' as const, since: 'unknown' as const },
      ),
      { minLength: 2, maxLength: 2 },
    ),
    supply: fc.constantFrom(true, false, 'unknown' as const),
    muted: fc.array(fc.constantFrom(true, false, 'unknown' as const), { minLength: 3, maxLength: 3 }),
    monitors: fc.constantFrom('down' as const, 'open' as const, 'unknown' as const),
    mains: fc.boolean(),
  });
  const wanted$ = fc
    .record({
      plugged: fc.subarray(['ribbon', 'mic', 'boxed']),
      on: fc.subarray(['a', 'b']),
      open: fc.subarray(['ribbon', 'mic', 'boxed']),
      exchanged: fc.subarray(['ribbon', 'mic', 'boxed']),
    })
    .map(({ plugged, on, open, exchanged }) =>
      wish(plugged, Object.fromEntries(on.map((key) => [key, 'P48' as const])), open, exchanged),
    );
  const at = (
    made: Record<string, never> | (typeof states$ extends fc.Arbitrary<infer S> ? S : never),
  ): SheetState => ({
    ...bare(RIG),
    ends: Object.fromEntries(RIG.lines.map(({ id }, n) => [id, { stage: made.ends[n], desk: made.ends[n] }])),
    feeds: Object.fromEntries(RIG.groups.map(({ key }, n) => [key, made.feeds[n]])),
    muted: Object.fromEntries(RIG.lines.map(({ id }, n) => [id, made.muted[n]])),
    supplies: { boxed: { on: made.supply, since: made.supply === 'unknown' ? 'unknown' : 0 } },
    monitors: made.monitors,
    mains: { desk: made.mains },
  });

  test('whatever is broken off and wanted otherwise, no step breaks an invariant', () => {
    fc.assert(
      fc.property(
        states$,
        fc.array(fc.tuple(wanted$, fc.nat(12), fc.nat(100)), { minLength: 1, maxLength: 4 }),
        (made, turns) => {
          let state = at(made);
          for (const [wanted, done, later] of turns) {
            const { steps } = sequence(RIG, state, wanted);
            const some = steps.slice(0, done);
            expect(firstBreach(RIG, state, steps)).toBeUndefined();
            state = after(RIG, carriedOut(RIG, state, some), { do: 'wait', seconds: later });
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('set-up, change-over, strike', () => {
  const all = wish(['mic', 'boxed'], { a: 'P48' }, ['mic', 'boxed']);
  const told = (steps: readonly Step[]) =>
    steps.map(({ action }) => `${action.do}${'to' in action ? ` ${action.to}` : ''}`);

  test('set-up from nothing: plugs, feed, one wait, open; from the stage to the desk once', () => {
    const rig = { ...RIG, lines: RIG.lines.map((each) => ({ ...each, supply: false })) };
    const { steps } = sequence(rig, bare(rig), all);
    expect(told(steps)).toEqual(['plug', 'plug', 'plug', 'plug', 'feed P48', 'wait', 'open', 'monitors open']);
    expect(trips(steps)).toBe(1);
  });

  test('change-over on a shared switch names who else is disturbed, and waits once', () => {
    const present = carriedOut(RIG, bare(RIG), sequence(RIG, bare(RIG), wish(['mic', 'ribbon'], {}, ['mic'])).steps);
    const { steps, disturbed } = sequence(RIG, present, wish(['mic', 'ribbon'], {}, ['mic'], ['mic']));
    expect(disturbed).toEqual([]);
    expect(told(steps)).toEqual(['mute', 'unplug', 'plug', 'unplug', 'plug', 'open']);
    const on = carriedOut(
      TWO,
      bare(TWO),
      sequence(TWO, bare(TWO), wish(['one', 'both'], { a: 'P48' }, ['one', 'both'])).steps,
    );
    const over = sequence(TWO, on, wish(['one', 'both'], { a: 'P48' }, ['one', 'both'], ['one']));
    expect(over.disturbed).toEqual(['both']);
    expect(told(over.steps).filter((what) => what === 'wait')).toHaveLength(2);
    expect(over.steps.filter(({ action }) => action.do === 'mute')).toHaveLength(1);
  });

  test('a feed that would harm a line that is wanted is refused, and everything else done', () => {
    const { steps, refused } = sequence(RIG, bare(RIG), wish(['ribbon', 'mic'], { a: 'P48' }, ['mic']));
    expect(refused).toMatchObject([{ invariant: 3, group: 'a', feed: 'P48' }]);
    expect(told(steps)).not.toContain('feed P48');
  });

  test('what nobody knows is taken as on and charged: the first steps make it known', () => {
    const unknown: SheetState = {
      ...bare(RIG),
      monitors: 'unknown',
      feeds: { ...bare(RIG).feeds, a: { feed: 'unknown', since: 'unknown' } },
      muted: { ...bare(RIG).muted, mic: 'unknown' },
    };
    const { steps } = sequence(RIG, unknown, wish(['mic'], {}, []));
    expect(told(steps).slice(0, 4)).toEqual(['monitors down', 'mute', 'feed off', 'wait']);
  });

  test('mains that come back with a latched switch on make the bank live and charged', () => {
    const latched: SheetState = {
      ...bare(RIG),
      mains: { desk: false },
      feeds: { ...bare(RIG).feeds, a: { feed: 'P48', since: -1e6 } },
    };
    const back = after(RIG, latched, { do: 'mains', device: 'desk', on: true });
    expect(back.feeds.a).toEqual({ feed: 'P48', since: 0 });
    const ribbon = { ...latched, ends: { ...latched.ends, ribbon: { stage: true, desk: true } } };
    expect(breach(RIG, ribbon, { do: 'mains', device: 'desk', on: true })).toMatchObject({ invariant: 5 });
  });

  test('steps are reordered only within the invariants, and the refusal says which one', () => {
    const { steps } = sequence(SMALL, bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic']));
    const feed = steps.findIndex(({ action }) => action.do === 'feed');
    expect(reordered(SMALL, bare(SMALL), steps, 0, 1)).toMatchObject({
      steps: [steps[1], steps[0], ...steps.slice(2)],
    });
    expect(reordered(SMALL, bare(SMALL), steps, feed, 0)).toEqual({
      refused: expect.stringMatching(/^Nothing is plugged or unplugged while its feed is on.* a is on, or may be\.$/),
    });
  });

  test('waits: the school’s figure beside the computed one, and which of them counts', () => {
    expect(decayWait('longer', 20)).toEqual({ seconds: 60, computed: 20, school: 60, counts: 'school' });
    expect(decayWait('longer', 90)).toMatchObject({ seconds: 90, counts: 'computed' });
    expect(decayWait('computed', 20)).toEqual({ seconds: 20, computed: 20, counts: 'computed' });
    expect(decayWait('120', 200)).toMatchObject({ seconds: 120, counts: 'school' });
    expect(decayWait('longer', undefined).seconds).toBe(600);
    expect(settleWait(0.2).seconds).toBe(3);
  });
});

/** The fewest trips that any way to a wanted state takes, by trying all ways: actions cost nothing, walking does. */
function fewestTrips(rig: SheetRig, from: SheetState, wanted: Wanted): number {
  const actions: { action: Action; place?: string }[] = [
    ...rig.lines.flatMap(({ id, stage, desk }) =>
      (['plug', 'unplug'] as const).flatMap((what) => [
        { action: { do: what, line: id, end: 'stage' as const }, place: stage },
        { action: { do: what, line: id, end: 'desk' as const }, place: desk },
      ]),
    ),
    ...rig.lines.flatMap(({ id, desk }) => [
      { action: { do: 'mute' as const, lines: [id] }, place: desk },
      { action: { do: 'open' as const, lines: [id] }, place: desk },
    ]),
    ...rig.groups.flatMap(({ key, place }) => [
      { action: { do: 'feed' as const, group: key, to: 'off' as const }, place },
      { action: { do: 'feed' as const, group: key, to: 'P48' as const }, place },
      { action: { do: 'monitors' as const, to: 'down' as const }, place },
      { action: { do: 'monitors' as const, to: 'open' as const }, place },
    ]),
    { action: { do: 'wait', seconds: 1000 } },
  ];
  const reached = (state: SheetState) =>
    rig.lines.every(
      ({ id }) =>
        (state.ends[id].stage === true && state.ends[id].desk === true) === wanted.plugged.has(id) &&
        state.ends[id].stage === state.ends[id].desk,
    ) &&
    rig.groups.every(({ key }) => state.feeds[key].feed === (wanted.feeds[key] ?? 'off') && true) &&
    rig.lines.every(({ id }) => !wanted.open.has(id) || state.muted[id] === false) &&
    state.monitors === (wanted.open.size ? 'open' : state.monitors);
  /** States that differ in nothing but times long past are one. */
  const key = (state: SheetState, place: string | undefined) =>
    JSON.stringify([
      state.ends,
      state.muted,
      state.monitors,
      rig.groups.map((each) => [
        state.feeds[each.key].feed,
        Math.min(state.now - Number(state.feeds[each.key].since), 900),
      ]),
      place,
    ]);
  let layer: [SheetState, string | undefined][] = [[from, undefined]];
  const seen = new Set<string>();
  for (let walked = 0; ; walked++) {
    const next: [SheetState, string | undefined][] = [];
    while (layer.length) {
      const [state, place] = layer.pop()!;
      if (seen.has(key(state, place))) continue;
      seen.add(key(state, place));
      if (reached(state)) return walked;
      for (const { action, place: there } of actions) {
        if (breach(rig, state, action)) continue;
        const moved = after(rig, state, action);
        if (there === undefined || place === undefined || there === place) layer.push([moved, there ?? place]);
        else next.push([moved, there]);
      }
    }
    layer = next;
  }
}

describe('the fewest trips', () => {
  const on = carriedOut(SMALL, bare(SMALL), sequence(SMALL, bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic'])).steps);
  test.each<[string, SheetState, Wanted]>([
    ['set-up', bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic'])],
    ['set-up without a feed', bare(SMALL), wish(['ribbon', 'mic'], {}, ['mic'])],
    ['strike', on, wish([], {}, [])],
    ['one out, another in', on, wish(['ribbon'], {}, ['ribbon'])],
    ['feed off alone', on, wish(['mic'], {}, ['mic'])],
  ])('%s: no way at all takes fewer', (_, from, wanted) =>
    expect(trips(sequence(SMALL, from, wanted).steps)).toBe(fewestTrips(SMALL, from, wanted)),
  );
});
