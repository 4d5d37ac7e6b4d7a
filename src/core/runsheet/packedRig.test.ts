import { carriedOut, group, line, rigWith, wish } from '../../../tests/sheets';
import { aimFor } from './aims';
import { breach, after } from './actions';
import { newSession, preview, reported } from './session';
import { firstBreach, sequence } from './sequence';
import type { Step } from './step';
import { packed, unknown, type SheetState } from './state';
import { stepWords } from './wording';

/** A ribbon and a condenser on a switch that comes back with the power as it was. */
const RIG = rigWith(
  [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a'])],
  [group('a', { latched: true })],
);
const FEEDS = { a: 'off' } as const;
const ALL = ['ribbon', 'mic'];
const said = (steps: readonly Step[]) =>
  steps.map(({ action: { do: what, ...rest } }) =>
    'to' in rest ? `${what} ${rest.to}` : 'on' in rest ? `${what} ${rest.on ? 'on' : 'off'}` : what,
  );
const dark: SheetState = packed(RIG);
const lit = (state: SheetState) => after(RIG, state, { do: 'mains', device: 'desk', on: true });

test('nothing is plugged before power is on, and mutes and what came back with it have been looked at', () => {
  const { steps } = sequence(RIG, dark, wish(ALL, FEEDS, ALL));
  expect(said(steps)).toEqual([
    'monitors down',
    'mains on',
    'mute',
    'feed off',
    'wait',
    'plug',
    'plug',
    'plug',
    'plug',
    'open',
    'open',
    'monitors open',
  ]);
  const shown = steps.map((step, n) => stepWords(RIG, carriedOut(RIG, dark, steps.slice(0, n)), step).title);
  expect(shown.slice(0, 4)).toEqual([
    'Check monitors are down. If not, turn them down.',
    'Turn desk on',
    'Check 2 inlets are muted',
    'Check a is off. If it is on, turn it off.',
  ]);
});

test.each<[string, SheetState, Parameters<typeof breach>[2], number | undefined]>([
  ['a plug into a bank that may come back on', dark, { do: 'plug', line: 'mic', end: 'desk' }, 9],
  ['a plug at its source while the other end is out', dark, { do: 'plug', line: 'mic', end: 'stage' }, undefined],
  ['a lamp that has no power', dark, { do: 'feed', group: 'a', to: 'off' }, 9],
  ['power with monitors that nobody looked at', dark, { do: 'mains', device: 'desk', on: true }, 8],
  [
    'power with monitors down and nothing plugged',
    { ...dark, monitors: { monitors: 'down' } },
    { do: 'mains', device: 'desk', on: true },
    undefined,
  ],
  [
    'power over a ribbon',
    { ...dark, monitors: { monitors: 'down' }, ends: { ...dark.ends, ribbon: { stage: true, desk: true } } },
    { do: 'mains', device: 'desk', on: true },
    5,
  ],
  [
    'a plug after power, before the look',
    lit({ ...dark, monitors: { monitors: 'down' } }),
    { do: 'plug', line: 'mic', end: 'desk' },
    1,
  ],
])('%s', (_, state, action, invariant) => expect(breach(RIG, state, action)?.invariant).toBe(invariant));

test('a switch that is not latched is off without power, and needs no look', () => {
  const plain = rigWith([line('mic', ['a'])], [group('a')]);
  expect(said(sequence(plain, packed(plain), wish(['mic'], {}, ['mic'])).steps)).not.toContain('feed off');
});

describe('what came up with the power', () => {
  const aim = aimFor('set-up', RIG, dark, FEEDS, ALL);
  const looking = (['done', 'done', 'done'] as const).reduce(
    (session, report, n) => reported(RIG, session, { report }, 100 + n),
    reported(RIG, newSession(dark), { report: 'begin', aim }, 100),
  );
  test('found off, it never was on: plugs go in at once', () => {
    expect(looking.steps[0].action).toEqual({ do: 'feed', group: 'a', to: 'off' });
    const found = reported(RIG, looking, { report: 'found', what: { feed: 'a', is: 'off' } }, 110);
    expect(found.steps[0].action.do).toBe('plug');
  });
  test('found on and turned off, it is charged: plugs wait', () => {
    expect(reported(RIG, looking, { report: 'done' }, 110).steps[0].action).toMatchObject({ do: 'wait', seconds: 60 });
  });
  test('found off long after nobody knew since when, it may have been on a moment ago', () => {
    const state = { ...unknown(RIG), now: 100, mains: { desk: true } };
    const begun = reported(RIG, newSession(state), { report: 'begin', aim }, 100);
    const found = reported(RIG, begun, { report: 'found', what: { feed: 'a', is: 'off' } }, 110);
    expect(found.steps.map(({ action }) => action.do)).toContain('wait');
  });
});

describe('somebody else’s rig: nobody knows whether it has power', () => {
  test('without power it feeds nothing: it is taken away, what could be harmed is pulled, then one looks', () => {
    const { steps } = sequence(RIG, unknown(RIG), wish(ALL, FEEDS, ALL));
    expect(firstBreach(RIG, unknown(RIG), steps)).toBeUndefined();
    expect(said(steps).slice(0, 9)).toEqual([
      'monitors down',
      'mute',
      'mains off',
      'wait',
      'unplug',
      'mains on',
      'feed off',
      'wait',
      'plug',
    ]);
    // Only the ribbon, and only at its inlet.
    expect(steps.filter(({ action }) => action.do === 'unplug').map(({ action }) => action)).toEqual([
      { do: 'unplug', line: 'ribbon', end: 'desk' },
    ]);
  });
  test('where nothing on it can be harmed, its power is looked at first', () => {
    const fit = rigWith([line('mic', ['a'])], [group('a', { latched: true })]);
    const { steps } = sequence(fit, unknown(fit), wish(['mic'], { a: 'P48' }, ['mic']));
    expect(said(steps).slice(0, 4)).toEqual(['monitors down', 'mains on', 'mute', 'feed off']);
  });
  test('a strike takes the power first; nothing needs to be seen', () => {
    const aim = aimFor('strike', RIG, unknown(RIG), FEEDS, ALL);
    const { steps } = preview(RIG, unknown(RIG), aim);
    expect(said(steps).slice(0, 4)).toEqual(['monitors down', 'mute', 'mains off', 'wait']);
    expect(carriedOut(RIG, unknown(RIG), steps).mains).toEqual({ desk: false });
  });
});

test('what runs on cells and mains goes off at its own switch; what runs on cells has no mains caution', () => {
  const on = (power: 'mains' | 'cells' | 'both') =>
    stepWords({ ...RIG, devices: [{ ...RIG.devices[0], power }] }, undefined, {
      action: { do: 'mains', device: 'desk', on: false },
    });
  expect(on('both')).toMatchObject({
    detail: 'At its own switch: it runs on batteries as well.',
    caution: expect.any(String),
  });
  expect(on('mains').detail).toBeUndefined();
  expect(on('cells').caution).toBeUndefined();
});

describe('a swap of one end', () => {
  const set = carriedOut(RIG, dark, preview(RIG, dark, aimFor('set-up', RIG, dark, FEEDS, ALL)).steps);
  const plugs = (at?: 'stage' | 'desk') =>
    preview(RIG, set, aimFor('change-over', RIG, set, FEEDS, ['mic'], at)).steps.flatMap(({ action }) =>
      action.do === 'plug' || action.do === 'unplug' ? [`${action.do} ${action.end}`] : [],
    );
  test.each([
    ['a microphone', 'stage' as const, ['unplug stage', 'plug stage']],
    ['an inlet', 'desk' as const, ['unplug desk', 'plug desk']],
  ])('%s touches that end alone', (_, at, wanted) => expect(plugs(at)).toEqual(wanted));
  test('a cable is out at both', () => expect(plugs()).toHaveLength(4));
  test('once it is out it only goes in, whatever is planned anew', () => {
    const aim = aimFor('change-over', RIG, set, FEEDS, ['mic'], 'stage');
    let session = reported(RIG, newSession(set), { report: 'begin', aim }, set.now + 1000);
    while (session.steps[0].action.do !== 'unplug')
      session = reported(RIG, session, { report: 'done' }, Math.max(session.state.now, session.until ?? 0));
    session = reported(RIG, session, { report: 'done' }, session.state.now + 1);
    session = reported(
      RIG,
      session,
      { report: 'found', what: { monitors: 'monitors', is: 'down' } },
      session.state.now + 1,
    );
    expect(said(session.steps)).not.toContain('unplug');
    expect(said(session.steps)).toContain('plug');
  });
});
