import { group, line, RIG, rigWith } from '../../../../tests/sheets';
import { aimFor } from '../aims';
import { fedAt, harming } from '../invariants';
import { lineOf, type SheetRig } from '../rig';
import type { Aim } from '../report';
import { bare, type SheetState } from '../state';
import { stepWords } from '../wording';
import { after, breach, doubtful, rulesOf, without, type Action } from './index';

const aim = (rig: SheetRig, more: Partial<Aim> = {}): Aim => ({
  ...aimFor('set-up', rig, bare(rig), {}, []),
  ...more,
});
const at = (rig: SheetRig, more: Partial<SheetState>): SheetState => ({ ...bare(rig), ...more });
const title = (rig: SheetRig, state: SheetState, action: Action) =>
  stepWords(rig, state, { action, place: 'desk end' }).title;
const IN = { stage: true, desk: true };

/** Two desks that share a splitter's conductors, and a recorder by itself. */
const SHARED: SheetRig = {
  ...rigWith(
    [
      line('one', ['a', 'b'], { shares: ['two'], key: 'a', stops: { a: ['P48'], b: ['P48'] } }),
      line('two', ['a', 'b'], { shares: ['one'], key: 'b', device: 'other', stops: { a: ['P48'], b: ['P48'] } }),
    ],
    [group('a', { latched: true }), group('b', { device: 'other' })],
  ),
  devices: [
    { id: 'desk', name: 'desk', place: 'desk end', power: 'mains' },
    { id: 'other', name: 'other', place: 'desk end', power: 'mains' },
  ],
};

describe('an action is one of a rig', () => {
  test.each<[string, Action, Action]>([
    ['lines', { do: 'mute', lines: ['mic', 'boxed'] }, { do: 'mute', lines: ['mic', 'nobody'] }],
    ['device', { do: 'mains', device: 'desk', on: true }, { do: 'mains', device: 'recorder', on: true }],
    ['switch', { do: 'feed', group: 'a', to: 'P48' }, { do: 'feed', group: 'c', to: 'P48' }],
    [
      'monitors',
      { do: 'monitors', group: 'monitors', to: 'down' },
      { do: 'monitors', group: 'wheelhouse', to: 'down' },
    ],
  ])('by its %s, all of them', (_what, own, foreign) => {
    expect(rulesOf(own).isOf(RIG, own)).toBe(true);
    expect(rulesOf(foreign).isOf(RIG, foreign)).toBe(false);
  });
});

describe('what is asked for, and what is known', () => {
  test('of several inlets one that is known is enough not to ask for all', () => {
    const mute: Action = { do: 'mute', lines: ['mic', 'boxed'] };
    expect(title(RIG, at(RIG, { muted: { ribbon: true, mic: 'unknown', boxed: 'unknown' } }), mute)).toMatch(/^Check /);
    expect(title(RIG, at(RIG, { muted: { ribbon: true, mic: 'unknown', boxed: true } }), mute)).toMatch(/^Mute /);
  });

  test('inlets are unmuted one at a time, where there are several; each is said as what it has to be', () => {
    expect(title(RIG, bare(RIG), { do: 'open', lines: ['mic', 'boxed'] })).toBe('Unmute 2 inlets, one at a time');
    expect(title(RIG, bare(RIG), { do: 'open', lines: ['mic'] })).toBe('Unmute inlet of mic');
    const unknown = at(RIG, { muted: { ribbon: true, mic: 'unknown', boxed: 'unknown' } });
    expect(title(RIG, unknown, { do: 'open', lines: ['mic'] })).toBe('Check inlet of mic is unmuted');
    expect(title(RIG, unknown, { do: 'mute', lines: ['mic'] })).toBe('Check inlet of mic is muted');
  });

  test('a source is pulled now where its feed harms it and cannot be turned off', () => {
    const pull: Action = { do: 'unplug', line: 'ribbon', end: 'stage' };
    const ends = { ...bare(RIG).ends, ribbon: IN };
    const harmed = at(RIG, { ends, feeds: { ...bare(RIG).feeds, a: { feed: 'P48', since: 0 } } });
    expect(stepWords(RIG, harmed, { action: pull })).toMatchObject({
      title: 'Unplug “ribbon” at the source now',
      caution: expect.stringContaining('cannot be turned off'),
    });
    expect(title(RIG, at(RIG, { ends }), pull)).toBe('Unplug “ribbon” at the source');
  });

  test('what may have been found instead says which supply, and how it is', () =>
    expect(
      rulesOf({ do: 'supply', line: 'boxed', on: true }).likely(RIG, bare(RIG), {
        do: 'supply',
        line: 'boxed',
        on: true,
      }),
    ).toEqual([{ text: 'It is on already', what: { supply: 'boxed', is: true } }]));
});

describe('what is not possible', () => {
  test('a feed that cannot be turned up leaves its switch as it is, and ends nobody’s harm', () => {
    const rig = rigWith([line('old', ['a'], { stops: { a: ['P12'] } })], [group('a', { offers: ['P12', 'P48'] })]);
    const harmed = at(rig, { ends: { old: IN }, feeds: { a: { feed: 'P12', since: 0 } } });
    expect(harming(rig, harmed, 'a')).toHaveLength(1);
    expect(without(rig, aim(rig), harmed, { do: 'feed', group: 'a', to: 'P48' })).toMatchObject({ stuck: ['a'] });
    expect(without(rig, aim(rig), harmed, { do: 'feed', group: 'a', to: 'P48' }).ending).toBeUndefined();
    // Off is another matter: then the power of its device goes.
    expect(without(rig, aim(rig), harmed, { do: 'feed', group: 'a', to: 'off' })).toMatchObject({
      ending: { a: 'mains' },
      unpowered: ['desk'],
    });
  });

  test('an inlet that cannot be unmuted keeps its switch free; one that cannot be muted holds it', () => {
    expect(without(RIG, aim(RIG), bare(RIG), { do: 'open', lines: ['mic'] }).stuck).toEqual([]);
    expect(without(RIG, aim(RIG), bare(RIG), { do: 'mute', lines: ['mic'] }).stuck).toEqual(['a']);
  });

  test('a line is left once, whether a switch reaches it or none does', () => {
    const rig = rigWith([line('fed', ['a']), line('bare', [])], [group('a')]);
    const { left } = without(rig, aim(rig), bare(rig), { do: 'mute', lines: ['fed', 'bare'] });
    expect(left.toSorted()).toEqual(['bare', 'fed']);
  });

  test('monitors that cannot be turned down hold the switches that reach them by another device’s line, too', () => {
    const rig: SheetRig = {
      ...SHARED,
      monitors: [
        { id: 'hall', name: 'hall', place: 'desk end', devices: ['desk'] },
        { id: 'cans', name: 'cans', place: 'desk end', devices: ['other'] },
      ],
    };
    const { stuck } = without(rig, aim(rig), bare(rig), { do: 'monitors', group: 'cans', to: 'down' });
    expect(stuck.toSorted()).toEqual(['a', 'b']);
  });

  test('only the pull that was to end harm gives it up: the other end, and plugging, do not', () => {
    const ending = { ending: { a: 'pull' as const } };
    const given = (action: Action) => without(RIG, aim(RIG, ending), bare(RIG), action).ending;
    expect(given({ do: 'unplug', line: 'ribbon', end: 'stage' })).toEqual({ a: 'none' });
    expect(given({ do: 'unplug', line: 'ribbon', end: 'desk' })).toEqual({ a: 'pull' });
    expect(given({ do: 'plug', line: 'ribbon', end: 'stage' })).toEqual({ a: 'pull' });
    expect(given({ do: 'unplug', line: 'boxed', end: 'stage' })).toEqual({ a: 'pull' });
  });
});

describe('the power of a device', () => {
  test('nobody knows whether it went: its feeds are not known either, since when neither; what is off is off', () => {
    const on = after(RIG, bare(RIG), { do: 'feed', group: 'a', to: 'P48' });
    expect(doubtful(RIG, on, { do: 'mains', device: 'desk', on: false })).toMatchObject({
      mains: { desk: 'unknown' },
      feeds: { a: { feed: 'unknown', since: 'unknown' }, b: bare(RIG).feeds.b },
    });
  });

  test('what has none may be said to have none again, with everything up', () => {
    const open = at(RIG, { monitors: { monitors: 'open' }, mains: { desk: false } });
    expect(breach(RIG, open, { do: 'mains', device: 'desk', on: false })).toBeUndefined();
    expect(breach(RIG, { ...open, mains: { desk: true } }, { do: 'mains', device: 'desk', on: false })).toMatchObject({
      invariant: 8,
    });
  });

  test('a latched switch that nobody knows was dark for as long as its device was', () => {
    const dark = at(RIG, {
      now: 500,
      mains: { desk: false },
      feeds: { ...bare(RIG).feeds, a: { feed: 'unknown', since: 100 } },
    });
    const back = after(RIG, dark, { do: 'mains', device: 'desk', on: true });
    expect(back.feeds.a).toEqual({ feed: 'unknown', since: 500, darkSince: 100 });
    // Of one that may have had its power all the time that cannot be said.
    const maybe = after(RIG, { ...dark, mains: { desk: 'unknown' } }, { do: 'mains', device: 'desk', on: true });
    expect(maybe.feeds.a).toEqual({ feed: 'unknown', since: 500 });
  });

  test('one of several inlets on a splitter is enough for a latched switch to reach what it harms', () => {
    const rig: SheetRig = { ...SHARED, lines: SHARED.lines.map((each) => ({ ...each, key: 'a' })) };
    const dark = at(rig, {
      mains: { desk: false, other: true },
      feeds: { ...bare(rig).feeds, a: { feed: 'P48', since: 0 } },
      ends: { one: { stage: true, desk: false }, two: { stage: true, desk: true } },
    });
    expect(breach(rig, dark, { do: 'mains', device: 'desk', on: true })).toMatchObject({ invariant: 5 });
    const out = { ...dark, ends: { one: { stage: true, desk: false }, two: { stage: true, desk: false } } };
    expect(breach(rig, out, { do: 'mains', device: 'desk', on: true })).toBeUndefined();
    // So is harm that is running.
    const lit = { ...dark, mains: { desk: true, other: true } };
    expect(harming(rig, lit, 'a').map(({ id }) => id)).toEqual(['one', 'two']);
  });
});

describe('what is touched is not heard', () => {
  const up: Partial<SheetState> = {
    monitors: { monitors: 'open' },
    muted: { ribbon: true, mic: false, boxed: false },
  };
  test('a battery is heard where its line is plugged through, and nowhere else', () => {
    const hand: Action = { do: 'hand', line: 'mic', ready: true };
    const plugged = (ends: SheetState['ends'][string]) =>
      breach(RIG, at(RIG, { ...up, ends: { ...bare(RIG).ends, mic: ends } }), hand);
    expect(plugged({ stage: true, desk: false })).toBeUndefined();
    expect(plugged({ stage: false, desk: true })).toBeUndefined();
    expect(plugged(IN)).toMatchObject({ invariant: 2 });
  });

  test('a supply that harms goes off with everything up; another one waits for quiet', () => {
    const off: Action = { do: 'supply', line: 'boxed', on: false };
    const on = { boxed: { on: true, since: 0 } };
    const harmed = { ...RIG, lines: RIG.lines.map((each) => ({ ...each, supplyHarms: true as const })) };
    const state = at(RIG, { ...up, supplies: on, ends: { ...bare(RIG).ends, boxed: IN } });
    expect(breach(harmed, state, off)).toBeUndefined();
    expect(breach(RIG, state, off)).toMatchObject({ invariant: 6 });
  });

  test('with the feed off, what was once plugged live has nothing to settle', () => {
    const state = at(RIG, { now: 1, pluggedLive: { mic: 0 }, ends: { ...bare(RIG).ends, mic: IN } });
    expect(breach(RIG, state, { do: 'open', lines: ['mic'] })).toBeUndefined();
    const fed = { ...state, feeds: { ...state.feeds, a: { feed: 'P48' as const, since: -100 } } };
    expect(breach(RIG, fed, { do: 'open', lines: ['mic'] })).toMatchObject({ invariant: 4 });
  });

  test('an unknown switch is no harm that is known, and is not taken for off', () => {
    const unknown = at(RIG, {
      ends: { ...bare(RIG).ends, ribbon: IN },
      feeds: { ...bare(RIG).feeds, a: { feed: 'unknown', since: 'unknown' } },
    });
    expect(harming(RIG, unknown, 'a')).toEqual([]);
    expect(fedAt(RIG, unknown, lineOf(RIG, 'ribbon'), false, true)).toMatchObject({ invariant: 1 });
  });
});

describe('the room is not the paper', () => {
  const was = line('mic as it was', ['a'], { was: 'mic' });
  const rig = rigWith([...RIG.lines, was], RIG.groups);
  const state = at(rig, { ends: { ...bare(rig).ends, [was.id]: IN } });
  test('what is still in there comes out before its line goes in; nothing else waits for it', () => {
    expect(breach(rig, state, { do: 'plug', line: 'mic', end: 'desk' })).toMatchObject({ invariant: 7 });
    expect(breach(rig, state, { do: 'unplug', line: 'mic', end: 'desk' })).toBeUndefined();
    expect(breach(rig, state, { do: 'plug', line: 'ribbon', end: 'desk' })).toBeUndefined();
    const out = { ...state, ends: { ...state.ends, [was.id]: { stage: true, desk: false } } };
    expect(breach(rig, out, { do: 'plug', line: 'mic', end: 'desk' })).toBeUndefined();
    expect(breach(rig, out, { do: 'plug', line: 'mic', end: 'stage' })).toMatchObject({ invariant: 7 });
  });
});

describe('words of a plug', () => {
  const words = (action: Action) => stepWords(RIG, bare(RIG), { action });
  test('where it goes, what is to be seen there, and what it is plugged to', () => {
    expect(words({ do: 'plug', line: 'mic', end: 'desk' })).toEqual({
      title: 'Plug “mic” into inlet of mic',
      look: expect.stringContaining('shows off'),
    });
    expect(words({ do: 'plug', line: 'mic', end: 'stage' })).toMatchObject({
      title: 'Plug “mic” at the source',
      detail: 'a source',
    });
    expect(words({ do: 'unplug', line: 'mic', end: 'desk' }).title).toBe('Unplug “mic” from inlet of mic');
  });
  test('what may be found instead says how it is: in already, or out already', () => {
    const likely = (what: 'plug' | 'unplug') =>
      rulesOf({ do: what, line: 'mic', end: 'desk' }).likely(RIG, bare(RIG), { do: what, line: 'mic', end: 'desk' })[0];
    expect(likely('plug')).toEqual({ text: 'The plug is in already', what: { line: 'mic', end: 'desk', is: true } });
    expect(likely('unplug')).toEqual({
      text: 'The plug is out already',
      what: { line: 'mic', end: 'desk', is: false },
    });
  });
});

test('only the pull that ends harm is given up; a way that is given up already, or another one, stays', () => {
  const pull: Action = { do: 'unplug', line: 'ribbon', end: 'stage' };
  const left = (how: 'mains' | 'none') => without(RIG, aim(RIG, { ending: { a: how } }), bare(RIG), pull).ending;
  expect(left('mains')).toEqual({ a: 'mains' });
  expect(left('none')).toEqual({ a: 'none' });
});

test('a feed is turned where there is power, and by nothing else than what it is set to now', () => {
  const dark = at(RIG, { mains: { desk: false } });
  expect(breach(RIG, dark, { do: 'feed', group: 'b', to: 'P48' })).toMatchObject({ invariant: 9 });
  expect(breach(RIG, at(RIG, { mains: { desk: 'unknown' } }), { do: 'feed', group: 'b', to: 'P48' })).toMatchObject({
    invariant: 9,
  });
  expect(breach(RIG, bare(RIG), { do: 'feed', group: 'b', to: 'P48' })).toBeUndefined();
  expect(after(RIG, at(RIG, { now: 7 }), { do: 'feed', group: 'b', to: 'P48' }).feeds.b).toEqual({
    feed: 'P48',
    since: 7,
  });
});

test('the power of one device does not answer for the latched switches of another', () => {
  const rig: SheetRig = { ...SHARED, lines: SHARED.lines.map((each) => ({ ...each, key: 'a' })) };
  const state = at(rig, {
    mains: { desk: false, other: false },
    feeds: { ...bare(rig).feeds, a: { feed: 'P48', since: 0 } },
    ends: { one: { stage: true, desk: false }, two: { stage: true, desk: true } },
  });
  expect(breach(rig, state, { do: 'mains', device: 'other', on: true })).toBeUndefined();
  expect(breach(rig, state, { do: 'mains', device: 'desk', on: true })).toMatchObject({ invariant: 5 });
});
