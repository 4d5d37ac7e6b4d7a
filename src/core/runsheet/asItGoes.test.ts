import { group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { newSession, reported, type Session } from './session';
import { packed, type SheetState } from './state';
import type { SheetKind } from './report';

/** What happens on the day: each has its way, and touches no more than it must. */

const RIG = rigWith(
  [line('one', ['a']), line('two', ['a']), line('guest', ['b']), line('fourth', ['b'])],
  [group('a', { latched: true }), group('b', { latched: true })],
);
const FEEDS = { a: 'P48', b: 'P48' } as const;

/** Begins a sheet and does it to the end, or until a step is next. */
function follow(
  state: SheetState,
  kind: SheetKind,
  lines: string[],
  now: number,
  at?: 'stage' | 'desk',
  until?: string,
) {
  const aim = aimFor(kind, RIG, { ...state, now }, FEEDS, lines, at);
  return onwards(reported(RIG, newSession(state), { report: 'begin', aim }, now), now, until);
}
function onwards(from: Session, begin: number, until?: string): { session: Session; now: number } {
  let [session, now] = [from, begin];
  while (session.steps.length && !(until && JSON.stringify(session.steps[0].action).includes(until))) {
    now = Math.max(now + 1, session.until ?? 0);
    session = reported(RIG, session, { report: 'done' }, now);
  }
  return { session, now };
}
const plugsOf = ({ done }: Session) =>
  done.flatMap(({ action }) => (action.do === 'plug' || action.do === 'unplug' ? [`${action.do} ${action.line}`] : []));
const isThrough = ({ state }: Session, ...ids: string[]) =>
  ids.every((id) => state.ends[id].stage === true && state.ends[id].desk === true && state.muted[id] === false);

const today = follow(packed(RIG), 'set-up', ['one', 'two'], 1000);

test('half today, half tomorrow: what is in stays in, and only the rest is plugged', () => {
  expect(isThrough(today.session, 'one', 'two')).toBe(true);
  const tomorrow = follow(today.session.state, 'set-up', ['guest', 'fourth'], today.now + 20 * 3600);
  expect(isThrough(tomorrow.session, 'one', 'two', 'guest', 'fourth')).toBe(true);
  expect(plugsOf(tomorrow.session).every((text) => /guest|fourth/.test(text))).toBe(true);
});

test('a late guest on a bank of their own: nobody else loses their feed or is muted', () => {
  const late = follow(today.session.state, 'set-up', ['guest'], today.now + 600);
  expect(isThrough(late.session, 'one', 'two', 'guest')).toBe(true);
  const others = late.session.done.filter(
    ({ action }) =>
      (action.do === 'feed' && action.group === 'a') ||
      ((action.do === 'mute' || action.do === 'open') && action.lines.some((id) => id === 'one' || id === 'two')),
  );
  expect(others).toEqual([]);
});

test('a dead cable in the middle of a set-up: it is left out, the others come up, and later both of its ends are changed', () => {
  const half = follow(packed(RIG), 'set-up', ['one', 'two'], 1000, undefined, '"plug","line":"two"');
  const left = reported(RIG, half.session, { report: 'not possible', why: 'the cable is dead' }, half.now + 1);
  const rest = onwards(left, half.now + 1);
  expect(rest.session.leftOut).toMatchObject([{ why: 'the cable is dead' }]);
  expect(isThrough(rest.session, 'one')).toBe(true);
  const again = onwards(reported(RIG, rest.session, { report: 'retry', left: 0 }, rest.now + 60), rest.now + 60);
  expect(isThrough(again.session, 'one', 'two')).toBe(true);
  expect(plugsOf(again.session)).not.toContain('unplug one');
});

test('a microphone is swapped between two songs: one plug out, one in, at one end', () => {
  const swap = follow(today.session.state, 'change-over', ['one'], today.now + 300, 'stage');
  expect(plugsOf(swap.session)).toEqual(['unplug one', 'plug one']);
  expect(isThrough(swap.session, 'one', 'two')).toBe(true);
});

test('an interruption of an hour: waits are over, nothing has to be done twice', () => {
  const half = follow(packed(RIG), 'set-up', ['one', 'two'], 1000, undefined, '"wait"');
  const back = half.now + 3600;
  const rest = onwards(reported(RIG, half.session, { report: 'done' }, back), back);
  expect(isThrough(rest.session, 'one', 'two')).toBe(true);
  expect(plugsOf(rest.session)).toHaveLength(4);
});
