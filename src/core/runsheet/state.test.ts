import { group, line, RIG, rigWith } from '../../../tests/sheets';
import { takenOver } from './room';
import { bare, elapsed, live, packed, scratch, unknown, type SheetState } from './state';
import { after, type Action } from './actions';

const done = (state: SheetState, ...actions: Action[]) => actions.reduce((at, action) => after(RIG, at, action), state);

test('an action changes what it is about, and nothing else', () => {
  const before = bare(RIG);
  const plugged = done(before, { do: 'plug', line: 'mic', end: 'desk' });
  expect(plugged.ends).toEqual({ ...before.ends, mic: { stage: false, desk: true } });
  expect({ ...plugged, ends: before.ends }).toEqual(before);
  expect(done(plugged, { do: 'unplug', line: 'mic', end: 'desk' })).toEqual(before);
  expect(done(before, { do: 'open', lines: ['mic', 'boxed'] }).muted).toEqual({
    ribbon: true,
    mic: false,
    boxed: false,
  });
  expect(done(before, { do: 'monitors', group: 'monitors', to: 'open' }).monitors).toEqual({ monitors: 'open' });
});

test('a state of one’s own goes on where it is, and leaves the one that it comes from as it was', () => {
  const from = bare(RIG);
  const steps: Action[] = [
    { do: 'plug', line: 'mic', end: 'desk' },
    { do: 'plug', line: 'mic', end: 'stage' },
    { do: 'open', lines: ['mic', 'boxed'] },
  ];
  const own = scratch(from);
  const further = done(own, ...steps);
  expect(further).toBe(own);
  expect(further).toEqual(done(from, ...steps));
  expect(from).toEqual(bare(RIG));
  // What comes of it by another way is nobody's own.
  const later = done(own, { do: 'wait', seconds: 1 });
  expect(done(later, { do: 'unplug', line: 'mic', end: 'desk' }).ends.mic.desk).toBe(false);
  expect(later.ends.mic.desk).toBe(true);
});

test('a switch keeps its time while it is set to what it is set to', () => {
  const on = done(
    bare(RIG),
    { do: 'wait', seconds: 10 },
    { do: 'feed', group: 'a', to: 'P48' },
    { do: 'wait', seconds: 5 },
  );
  expect(on.feeds.a).toEqual({ feed: 'P48', since: 10 });
  expect(done(on, { do: 'feed', group: 'a', to: 'P48' }).feeds.a.since).toBe(10);
  expect(done(on, { do: 'feed', group: 'a', to: 'off' }).feeds.a).toEqual({ feed: 'off', since: 15 });
  const supplied = done(on, { do: 'supply', line: 'boxed', on: true }, { do: 'wait', seconds: 5 });
  expect(done(supplied, { do: 'supply', line: 'boxed', on: true }).supplies.boxed).toEqual({ on: true, since: 15 });
});

test('without mains a plain switch is off, a latched one comes back; what was off keeps its time', () => {
  const on = done(bare(RIG), { do: 'feed', group: 'a', to: 'P48' }, { do: 'feed', group: 'b', to: 'P48' });
  const dark = done(on, { do: 'wait', seconds: 100 }, { do: 'mains', device: 'desk', on: false });
  expect(dark.feeds).toEqual({ a: { feed: 'P48', since: 100 }, b: { feed: 'off', since: 100 } });
  const back = done(dark, { do: 'wait', seconds: 50 }, { do: 'mains', device: 'desk', on: true });
  expect(back.feeds).toEqual({ a: { feed: 'P48', since: 150 }, b: { feed: 'off', since: 100 } });
});

test('what nobody knows counts as on, and as changed a moment ago', () => {
  const state = unknown(RIG);
  expect(live(RIG, state, 'a')).toBe(true);
  expect(elapsed(state, state.feeds.a.since)).toBe(0);
  expect(Object.values(state.muted)).toEqual(['unknown', 'unknown', 'unknown']);
  expect(state.supplies).toEqual({ boxed: { on: 'unknown', since: 'unknown' } });
});

test('packed and off: what a latched switch comes back with, faders and monitors are not known; nothing feeds or is charged', () => {
  const state = packed(RIG);
  expect(state.mains).toEqual({ desk: false });
  expect(state.feeds).toEqual({ a: { feed: 'unknown', since: -1e6 }, b: { feed: 'off', since: -1e6 } });
  expect(live(RIG, state, 'a')).toBe(false);
  expect([state.monitors.monitors, ...Object.values(state.muted)]).toEqual([
    'unknown',
    'unknown',
    'unknown',
    'unknown',
  ]);
});

test('a changed rig: lines that are new are out, switches that are new are not known, what is gone is dropped', () => {
  const other = rigWith([line('mic', ['a']), line('new', ['c'], { supply: true })], [group('a'), group('c')]);
  const { state } = takenOver(other, RIG, done(bare(RIG), { do: 'plug', line: 'mic', end: 'desk' }));
  expect(state.ends).toEqual({ mic: { stage: false, desk: true }, new: { stage: false, desk: false } });
  expect(state.feeds).toEqual({ a: { feed: 'off', since: -1e6 }, c: { feed: 'unknown', since: 'unknown' } });
  expect(state.supplies).toEqual({ new: { on: false, since: -1e6 } });
});
