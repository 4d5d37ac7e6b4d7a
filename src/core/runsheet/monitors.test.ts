import { demoRig } from '../../../tests/planning';
import { group, line, rigWith, SMALL, wish } from '../../../tests/sheets';
import { parseDocument, readDocument, tidied, type RigDocument } from '../rig';
import { aimFor } from './aims';
import { sheetRig } from './fromRig';
import { breach, type Action } from './actions';
import { monitorsOf, type SheetRig } from './rig';
import { sequence } from './sequence';
import { continued } from './takeover';
import { newSession, reported } from './session';
import type { Step } from './step';
import { bare, monitorsAt, unknown, type SheetState } from './state';
import { monitorsMoved, stepWords } from './wording';

/** A desk on loudspeakers in the hall, a recorder on headphones in the wheelhouse, a microphone on each. */
const RIG: SheetRig = {
  ...rigWith(
    [line('singer', ['a']), line('guide', ['b'], { device: 'bag', desk: 'wheelhouse', mixedAt: 'wheelhouse' })],
    [group('a'), group('b', { device: 'bag', place: 'wheelhouse' })],
  ),
  devices: [
    { id: 'desk', name: 'desk', place: 'desk end', power: 'mains' },
    { id: 'bag', name: 'bag', place: 'wheelhouse', power: 'mains' },
  ],
  monitors: [
    { id: 'hall', name: 'Hall loudspeakers', place: 'desk end', devices: ['desk'] },
    { id: 'phones', name: 'Wheelhouse headphones', place: 'wheelhouse', devices: ['bag'] },
  ],
};
const IN = { stage: true, desk: true };
const state = (more: Partial<SheetState> = {}): SheetState => ({
  ...bare(RIG),
  now: 1000,
  ends: { singer: IN, guide: IN },
  ...more,
});
const broken = (hall: 'down' | 'open', phones: 'down' | 'open', action: Action, more: Partial<SheetState> = {}) =>
  breach(RIG, state({ monitors: { hall, phones }, ...more }), action)?.invariant;

describe('what is heard elsewhere does not matter, what is heard here does', () => {
  test.each<[string, Action, Partial<SheetState>, number]>([
    ['a feed', { do: 'feed', group: 'b', to: 'P48' }, {}, 2],
    ['the power of a device', { do: 'mains', device: 'bag', on: false }, {}, 8],
    ['its power again', { do: 'mains', device: 'bag', on: true }, { mains: { desk: true, bag: false } }, 8],
    [
      'a plug of an open inlet',
      { do: 'unplug', line: 'guide', end: 'desk' },
      { muted: { singer: true, guide: false } },
      1,
    ],
    [
      'a pad of an open inlet',
      { do: 'hand', line: 'guide', ready: true },
      { muted: { singer: true, guide: false } },
      2,
    ],
  ])('%s', (_, action, more, invariant) => {
    expect(broken('open', 'down', action, more)).toBeUndefined();
    expect(broken('down', 'open', action, more)).toBe(invariant);
    expect(broken('open', 'open', action, more)).toBe(invariant);
  });

  test('headphones that come up hear the inlets of their own device only', () => {
    const settling = {
      muted: { singer: true, guide: false },
      feeds: { a: { feed: 'off' as const, since: 0 }, b: { feed: 'P48' as const, since: 999 } },
    };
    expect(broken('down', 'down', { do: 'monitors', group: 'phones', to: 'open' }, settling)).toBe(4);
    expect(broken('down', 'down', { do: 'monitors', group: 'hall', to: 'open' }, settling)).toBeUndefined();
  });

  test('what nobody has said anything of is taken as up', () => {
    expect(breach(RIG, state({ monitors: {} }), { do: 'feed', group: 'b', to: 'P48' })?.invariant).toBe(2);
  });
});

describe('only those a feed can thump through go down', () => {
  const loud = state({ monitors: monitorsAt(RIG, 'open'), muted: { singer: false, guide: false } });
  const changed = (id: string) =>
    sequence(RIG, loud, wish(['singer', 'guide'], { a: 'P48', b: 'P48' }, ['singer', 'guide'], [id]));
  const fed: SheetState = {
    ...loud,
    feeds: { a: { feed: 'P48', since: 0 }, b: { feed: 'P48', since: 0 } },
  };

  test('a microphone of the recorder is exchanged: the hall goes on playing, and the sheet says so', () => {
    const { steps } = sequence(
      RIG,
      fed,
      wish(['singer', 'guide'], { a: 'P48', b: 'P48' }, ['singer', 'guide'], ['guide']),
    );
    const moved = steps.flatMap(({ action, place }) =>
      action.do === 'monitors' ? [[action.group, action.to, place]] : [],
    );
    expect(moved).toEqual([
      ['phones', 'down', 'wheelhouse'],
      ['phones', 'open', 'wheelhouse'],
    ]);
    expect(monitorsMoved(RIG, steps)).toEqual({ down: ['Wheelhouse headphones'], stay: ['Hall loudspeakers'] });
  });

  test('feeds come on everywhere: both go down, each where it is turned', () => {
    const { steps } = changed('guide');
    expect(monitorsMoved(RIG, steps).stay).toEqual([]);
    expect(
      stepWords(
        RIG,
        undefined,
        steps.find(({ action }) => action.do === 'monitors')!,
      ).title,
    ).toMatch(/^Turn (Hall loudspeakers|Wheelhouse headphones) down$/);
  });

  test('monitors that cannot be turned down hold up what is heard on them, and nothing else', () => {
    const aim = {
      kind: 'set-up' as const,
      plugged: ['singer', 'guide'],
      exchanged: [],
      feeds: { a: 'P48' as const, b: 'P48' as const },
      open: [],
      unpowered: [],
      left: [],
      stuck: [],
    };
    let session = reported(
      RIG,
      newSession({ ...loud, ends: { singer: NOTHING, guide: NOTHING } }),
      { report: 'begin', aim },
      1000,
    );
    while (!(session.steps[0].action.do === 'monitors' && session.steps[0].action.group === 'phones'))
      session = reported(RIG, session, { report: 'done' }, session.state.now + 1);
    session = reported(RIG, session, { report: 'not possible', why: 'nobody there' }, session.state.now + 1);
    const left = session.steps.flatMap(({ action }) => (action.do === 'feed' ? [action.group] : []));
    expect(left).toEqual(['a']);
    expect(session.steps.filter(({ action }) => 'line' in action && action.line === 'guide')).toEqual([]);
  });
});

const NOTHING = { stage: false, desk: false };

describe('from a document', () => {
  const demo = demoRig('lock-nine-mended');
  const small: RigDocument = { ...demo, lines: demo.lines.slice(0, 2), units: [] };
  const heard = (monitors: RigDocument['monitors']) => monitorsOf(sheetRig({ ...small, monitors }));

  test('where nobody says anything, all is heard in one place', () => {
    expect(heard(undefined)).toEqual([
      { id: 'monitors', name: '', place: 'Hold, desk end', devices: demo.devices.map(({ id }) => id) },
    ]);
  });

  test('what is heard on nothing that is named is heard somewhere all the same', () => {
    const [phones, rest] = heard([{ id: 'phones', name: 'Wheelhouse headphones', devices: ['bag'] }]);
    expect(phones).toEqual({ id: 'phones', name: 'Wheelhouse headphones', place: 'Wheelhouse', devices: ['bag'] });
    expect(rest).toMatchObject({
      id: 'monitors',
      name: '',
      devices: demo.devices.map(({ id }) => id).filter((id) => id !== 'bag'),
    });
  });

  test('a device or a place that is not there is refused by name; one that is removed is forgotten', () => {
    const wrong = { ...small, monitors: [{ id: 'x', name: 'X', location: 'attic', devices: ['organ'] }] };
    expect(() => readDocument(structuredClone(wrong))).toThrow(/attic|organ/);
    const kept = tidied({
      ...small,
      devices: small.devices.filter(({ id }) => id !== 'bag'),
      monitors: [{ id: 'phones', name: 'Headphones', devices: ['bag', 'desk'] }],
    });
    expect(kept.monitors).toEqual([{ id: 'phones', name: 'Headphones', devices: ['desk'] }]);
  });

  test('it is saved and read again', () => {
    const document = {
      ...small,
      monitors: [{ id: 'hall', name: 'Hall', location: small.locations![0].id, devices: ['desk'] }],
    };
    expect(parseDocument(JSON.stringify(document)).monitors).toEqual(document.monitors);
  });

  test('monitors that get a name while a sheet is followed: nobody knows whether they are down', () => {
    const room = sheetRig(small);
    const paper = sheetRig({ ...small, monitors: [{ id: 'hall', name: 'Hall', devices: ['desk'] }] });
    const session = newSession({ ...bare(room), monitors: monitorsAt(room, 'down') });
    const { session: next } = continued(paper, room, session, new Set());
    expect(next.state.monitors).toEqual({ hall: 'unknown', monitors: 'down' });
  });

  test('steps about monitors that have another name now are forgotten: every step that is left has its words', () => {
    const room = sheetRig(small);
    const aim = aimFor('set-up', room, unknown(room), { 'desk bank-a': 'P48' }, ['pair-a-left']);
    const begun = reported(room, newSession(unknown(room)), { report: 'begin', aim }, 1000);
    expect(begun.steps[0].action).toMatchObject({ do: 'monitors', group: 'monitors' });
    const all = { id: 'all', name: 'Everything', devices: small.devices.map(({ id }) => id) };
    const paper = sheetRig({ ...small, monitors: [all] });
    for (const report of [{ report: 'done' }, { report: 'not possible', why: 'nobody there' }] as const) {
      const { rig, session } = continued(paper, room, reported(room, begun, report, 1001), new Set());
      const steps = [...session.done, ...session.steps, ...(session.leftOut ?? [])];
      const named = steps.flatMap(({ action }) => (action.do === 'monitors' ? [action.group] : []));
      expect(new Set(named)).toEqual(new Set(report.report === 'done' ? ['all'] : named));
      for (const step of steps) expect(stepWords(rig, session.state, step).title).toBeTruthy();
    }
  });

  test('monitors that a sheet does not have are refused by name', () => {
    const room = sheetRig(small);
    expect(() =>
      reported(room, newSession(bare(room)), { report: 'found', what: { monitors: 'attic', is: 'down' } }, 1),
    ).toThrow('There is no group of monitors attic in this sheet; load it again.');
  });
});

test('of monitors without a name nothing is said apart: there are no others', () => {
  const steps: Step[] = [{ action: { do: 'monitors', group: 'monitors', to: 'down' }, place: 'desk end' }];
  expect(monitorsMoved(SMALL, steps)).toEqual({ down: [], stay: [] });
  const named: SheetRig = {
    ...SMALL,
    monitors: [
      { id: 'hall', name: 'hall', place: 'desk end', devices: ['desk'] },
      { id: 'rest', name: '', place: 'desk end', devices: [] },
    ],
  };
  expect(monitorsMoved(named, [])).toEqual({ down: [], stay: ['hall'] });
});
