import { group, line, RIG, rigWith, TWO } from '../../../tests/sheets';
import { INVARIANTS, SUPPLY_WAIT, supplySettle, type Invariant } from './invariants';
import { breach, type Action } from './actions';
import type { SheetRig } from './rig';
import { bare, type SheetState } from './state';

/** The invariants of a run sheet, one after the other: what breaks each of them, and what just does not. */

const NOW = 1_795_000_000;
interface Change {
  ends?: SheetState['ends'];
  feeds?: SheetState['feeds'];
  muted?: SheetState['muted'];
  supplies?: SheetState['supplies'];
  monitors?: SheetState['monitors'];
  mains?: SheetState['mains'];
}
function at(rig: SheetRig, change: Change): SheetState {
  const state = bare(rig);
  return {
    ...state,
    now: NOW,
    ends: { ...state.ends, ...change.ends },
    feeds: { ...state.feeds, ...change.feeds },
    muted: { ...state.muted, ...change.muted },
    supplies: { ...state.supplies, ...change.supplies },
    monitors: change.monitors ?? state.monitors,
    mains: { ...state.mains, ...change.mains },
  };
}
const broken = (change: Change, action: Action, rig = RIG): Invariant | undefined =>
  breach(rig, at(rig, change), action)?.invariant;

const IN = { stage: true, desk: true } as const;
const on = (ago: number) => ({ feed: 'P48' as const, since: NOW - ago });
const off = (ago: number) => ({ feed: 'off' as const, since: NOW - ago });
const plug: Action = { do: 'plug', line: 'mic', end: 'desk' };

describe('1: nothing is plugged while its feed is on, charged, or before the wait', () => {
  test.each<[string, Change, Action, Invariant | undefined]>([
    ['off for long', {}, plug, undefined],
    ['on', { feeds: { a: on(500) } }, plug, 1],
    ['not known', { feeds: { a: { feed: 'unknown', since: 'unknown' } } }, plug, 1],
    ['off, nobody knows since when', { feeds: { a: { feed: 'off', since: 'unknown' } } }, plug, 1],
    ['off for 59 s', { feeds: { a: off(59) } }, plug, 1],
    ['off for 60 s', { feeds: { a: off(60) } }, plug, undefined],
    ['the other switch is on', { feeds: { b: on(500) } }, plug, undefined],
    ['inlet and monitors open', { muted: { mic: false }, monitors: { monitors: 'open' } }, plug, 1],
    ['inlet open, monitors down', { muted: { mic: false } }, plug, undefined],
    ['pulled while on', { ends: { mic: IN }, feeds: { a: on(5) } }, { do: 'unplug', line: 'mic', end: 'stage' }, 1],
    [
      'the source of a line that is not in at its inlet',
      { feeds: { a: on(5) } },
      { do: 'plug', line: 'mic', end: 'stage' },
      undefined,
    ],
  ])('%s', (_, change, action, invariant) => expect(broken(change, action)).toBe(invariant));

  test('a line on two switches waits for both', () => {
    const both: Action = { do: 'plug', line: 'both', end: 'desk' };
    expect(broken({ feeds: { a: off(100), b: on(100) } }, both, TWO)).toBe(1);
    expect(broken({ feeds: { a: off(100), b: off(100) } }, both, TWO)).toBeUndefined();
  });
});

describe('2: no feed changes while anything it can bang into is open', () => {
  const turn: Action = { do: 'feed', group: 'a', to: 'P48' };
  test.each<[string, Change, Action, Invariant | undefined]>([
    ['all shut', {}, turn, undefined],
    ['one inlet open', { muted: { mic: false } }, turn, 2],
    ['one inlet not known', { muted: { mic: 'unknown' } }, turn, 2],
    ['monitors open', { monitors: { monitors: 'open' } }, turn, 2],
    ['monitors not known', { monitors: { monitors: 'unknown' } }, turn, 2],
    ['an inlet of another switch open', { muted: { boxed: false } }, turn, undefined],
    ['off is a change too', { feeds: { a: on(5) }, muted: { mic: false } }, { do: 'feed', group: 'a', to: 'off' }, 2],
    ['to what it is already', { feeds: { a: on(5) }, muted: { mic: false } }, turn, undefined],
    [
      'a latched switch with the mains: mutes cannot be seen without power, monitors are down',
      { mains: { desk: false }, feeds: { a: on(5) }, muted: { mic: false } },
      { do: 'mains', device: 'desk', on: true },
      undefined,
    ],
    [
      'a latched switch with the mains, monitors up',
      { mains: { desk: false }, feeds: { a: on(5) }, monitors: { monitors: 'open' } },
      { do: 'mains', device: 'desk', on: true },
      8,
    ],
    [
      'the mains off under a feed',
      { feeds: { a: on(5) }, muted: { mic: false } },
      { do: 'mains', device: 'desk', on: false },
      2,
    ],
  ])('%s', (_, change, action, invariant) => expect(broken(change, action)).toBe(invariant));
});

describe('3: no switch goes on while a line it reaches would be harmed', () => {
  const turn: Action = { do: 'feed', group: 'a', to: 'P48' };
  test.each<[string, Change, Invariant | undefined]>([
    ['the ribbon is out', {}, undefined],
    ['the ribbon is in', { ends: { ribbon: IN } }, 3],
    ['the ribbon may be in', { ends: { ribbon: { stage: 'unknown', desk: 'unknown' } } }, 3],
    ['the ribbon is in at its inlet only', { ends: { ribbon: { stage: false, desk: true } } }, 3],
  ])('%s', (_, change, invariant) => expect(broken(change, turn)).toBe(invariant));
});

describe('4: nothing opens before it has settled', () => {
  const open: Action = { do: 'open', lines: ['mic'] };
  test.each<[string, Change, Action, Invariant | undefined]>([
    ['on for 4 s', { feeds: { a: on(4) } }, open, 4],
    ['on for 5 s', { feeds: { a: on(5) } }, open, undefined],
    ['off a moment ago', { feeds: { a: off(0) } }, open, undefined],
    ['not known', { feeds: { a: { feed: 'unknown', since: 'unknown' } } }, open, 4],
    [
      'monitors hear what is open',
      { feeds: { a: on(1) }, muted: { mic: false } },
      { do: 'monitors', group: 'monitors', to: 'open' },
      4,
    ],
    [
      'monitors do not hear what is muted',
      { feeds: { a: on(1) } },
      { do: 'monitors', group: 'monitors', to: 'open' },
      undefined,
    ],
  ])('%s', (_, change, action, invariant) => expect(broken(change, action)).toBe(invariant));
});

describe('5: before a device gets its mains, latched switches are off or fit for every line', () => {
  const power: Action = { do: 'mains', device: 'desk', on: true };
  const dark = { desk: false } as const;
  test.each<[string, Change, SheetRig, Invariant | undefined]>([
    ['off', { mains: dark, ends: { ribbon: IN } }, RIG, undefined],
    ['on, the ribbon in', { mains: dark, feeds: { a: on(500) }, ends: { ribbon: IN } }, RIG, 5],
    [
      'not known, the ribbon in',
      { mains: dark, feeds: { a: { feed: 'unknown', since: 0 } }, ends: { ribbon: IN } },
      RIG,
      5,
    ],
    ['on, only what is fit for it', { mains: dark, feeds: { a: on(500) }, ends: { mic: IN } }, RIG, undefined],
    [
      'not latched',
      { mains: dark, feeds: { a: on(500) }, ends: { ribbon: IN } },
      rigWith([line('ribbon', ['a'], { stops: { a: ['P48'] } })], [group('a')]),
      undefined,
    ],
  ])('%s', (_, change, rig, invariant) => expect(broken(change, power, rig)).toBe(invariant));
});

describe('6: an outboard supply goes on last', () => {
  const supply: Action = { do: 'supply', line: 'boxed', on: true };
  const boxed = (isOn: boolean, ago: number) => ({ boxed: { on: isOn, since: NOW - ago } });
  test.each<[string, Change, Action, Invariant | undefined]>([
    ['plugged through, all shut', { ends: { boxed: IN } }, supply, undefined],
    ['its inlet end is out', { ends: { boxed: { stage: true, desk: false } } }, supply, 6],
    ['nobody knows whether it is in', { ends: { boxed: { stage: true, desk: 'unknown' } } }, supply, 6],
    ['its inlet open', { ends: { boxed: IN }, muted: { boxed: false } }, supply, 6],
    ['monitors open', { ends: { boxed: IN }, monitors: { monitors: 'open' } }, supply, 6],
    ['plugged while it is on', { supplies: boxed(true, 500) }, { do: 'plug', line: 'boxed', end: 'desk' }, 6],
    [
      'pulled too soon',
      { ends: { boxed: IN }, supplies: boxed(false, SUPPLY_WAIT - 1) },
      { do: 'unplug', line: 'boxed', end: 'desk' },
      6,
    ],
    [
      'pulled in time',
      { ends: { boxed: IN }, supplies: boxed(false, SUPPLY_WAIT) },
      { do: 'unplug', line: 'boxed', end: 'desk' },
      undefined,
    ],
    [
      'opened too soon',
      { ends: { boxed: IN }, supplies: boxed(true, supplySettle({}) - 1) },
      { do: 'open', lines: ['boxed'] },
      6,
    ],
    [
      'opened in time',
      { ends: { boxed: IN }, supplies: boxed(true, supplySettle({})) },
      { do: 'open', lines: ['boxed'] },
      undefined,
    ],
  ])('%s', (_, change, action, invariant) => expect(broken(change, action)).toBe(invariant));
});

test('what shuts or waits breaks nothing', () => {
  for (const action of [
    { do: 'mute', lines: ['mic'] },
    { do: 'wait', seconds: 9 },
    { do: 'monitors', group: 'monitors', to: 'down' },
  ] as Action[])
    expect(broken({ feeds: { a: on(0) }, monitors: { monitors: 'open' } }, action)).toBeUndefined();
});

test('each has its sentence', () => {
  for (const text of Object.values(INVARIANTS)) expect(text).toMatch(/^[A-Z].+\.$/);
});

test('a valve warms up for a minute before its inlet opens; another supply takes ten seconds (common practice)', () => {
  const valve = { ...RIG, lines: RIG.lines.map((each) => ({ ...each, highVoltage: true as const })) };
  const at = (rig: typeof RIG, seconds: number) =>
    breach(
      rig,
      {
        ...bare(rig),
        now: seconds,
        ends: { ...bare(rig).ends, boxed: { stage: true, desk: true } },
        supplies: { boxed: { on: true, since: 0 } },
      },
      { do: 'open', lines: ['boxed'] },
    )?.why;
  expect(at(valve, 59)).toBe('boxed is still warming up.');
  expect(at(valve, 60)).toBeUndefined();
  expect([at(RIG, 9), at(RIG, 10)]).toEqual(['The supply of boxed has not settled yet.', undefined]);
});

test('waits that no circuit decides are those of the trade, in seconds (common practice)', () => {
  expect(SUPPLY_WAIT).toBe(60);
  expect([supplySettle({}), supplySettle({ highVoltage: true })]).toEqual([10, 60]);
});
