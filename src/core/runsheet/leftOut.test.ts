import { group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { happenings } from './happenings';
import { newSession, reported, type Session } from './session';
import { continued } from './takeover';
import { bare } from './state';

const RIG = rigWith([line('one', ['a']), line('two', ['a'])], [group('a')]);
const begun = (): Session => {
  const aim = aimFor('set-up', RIG, bare(RIG), { a: 'P48' }, ['one', 'two']);
  return reported(RIG, newSession(bare(RIG)), { report: 'begin', aim }, 1000);
};
const cannot = (session: Session, why?: string) =>
  reported(RIG, session, { report: 'not possible', ...(why && { why }) }, 1001);
const touches = ({ steps }: Session, id: string) =>
  steps.some(
    ({ action }) => ('line' in action && action.line === id) || ('lines' in action && action.lines.includes(id)),
  );

test('what cannot be done stays in the sheet, with why', () => {
  const left = cannot(begun(), 'can’t get there');
  expect(left.leftOut).toMatchObject([{ action: { do: 'plug', line: 'one' }, why: 'can’t get there', at: 1001 }]);
  expect(touches(left, 'one')).toBe(false);
  expect(touches(left, 'two')).toBe(true);
});

test('it is tried again: the line is back, as it was wanted', () => {
  const left = cannot(begun(), 'broken');
  const again = reported(RIG, left, { report: 'retry', left: 0 }, 1100);
  expect(again.leftOut).toEqual([]);
  expect(touches(again, 'one')).toBe(true);
  expect(again.aim).toEqual(begun().aim);
});

test('of two that were left out one may come back alone, in either order', () => {
  const both = cannot(cannot(begun(), 'first'), 'second');
  expect(both.leftOut).toHaveLength(2);
  const second = reported(RIG, both, { report: 'retry', left: 1 }, 1100);
  expect([touches(second, 'one'), touches(second, 'two')]).toEqual([false, true]);
  const first = reported(RIG, both, { report: 'retry', left: 0 }, 1100);
  expect([touches(first, 'one'), touches(first, 'two')]).toEqual([true, false]);
  const all = reported(
    RIG,
    reported(RIG, both, { report: 'retry', left: 0 }, 1100),
    { report: 'retry', left: 0 },
    1200,
  );
  expect([touches(all, 'one'), touches(all, 'two')]).toEqual([true, true]);
});

test('a switch that could not be turned, too', () => {
  let [session, at] = [begun(), 1000];
  while (session.steps[0].action.do !== 'feed') {
    if (session.until !== undefined) at = session.until;
    session = reported(RIG, session, { report: 'done' }, ++at);
  }
  const stuck = reported(RIG, session, { report: 'not possible', why: 'locked' }, at);
  expect(stuck.aim!.stuck).toEqual(['a']);
  const again = reported(RIG, stuck, { report: 'retry', left: 0 }, at);
  expect(again.aim!.stuck).toEqual([]);
  expect(again.steps.some(({ action }) => action.do === 'feed')).toBe(true);
});

test('a new sheet has left nothing out; what was never left out cannot be tried again', () => {
  const left = cannot(begun());
  const aim = aimFor('set-up', RIG, left.state, { a: 'P48' }, ['one', 'two']);
  expect(reported(RIG, left, { report: 'begin', aim }, 1200).leftOut).toEqual([]);
  expect(() => reported(RIG, begun(), { report: 'retry', left: 0 }, 1200)).toThrow(/Nothing like that was left out/);
});

test('the log has why, and that it was tried again', () => {
  const texts = (session: Session, report: Parameters<typeof happenings>[2]) =>
    happenings(RIG, session, report).map(({ kind, text, lines }) => [kind, text, lines]);
  expect(texts(begun(), { report: 'not possible', why: 'the cable doesn’t reach' })).toEqual([
    ['not-possible', 'Not done: Plug “one” at the source (the cable doesn’t reach)', ['one']],
  ]);
  expect(texts(cannot(begun(), 'x'), { report: 'retry', left: 0 })).toEqual([
    ['sheet', 'Tried again: Plug “one” at the source', ['one']],
  ]);
});

test('the paper changes after something was left out, and again: tried again, its line comes back whole', () => {
  const left = cannot(begun(), 'the adapter is missing');
  // The line gets another way, twice, while it is out; each time the sheet goes on with it.
  const other = (way: string) => ({
    ...RIG,
    lines: RIG.lines.map((each) => (each.id === 'one' ? { ...each, way } : each)),
  });
  const once = continued(other('over a box'), RIG, left, new Set());
  const twice = continued(other('straight'), once.rig, once.session, new Set());
  expect(touches(twice.session, 'one')).toBe(false);
  const again = reported(twice.rig, twice.session, { report: 'retry', left: 0 }, 1300);
  expect(again.leftOut).toEqual([]);
  expect(again.aim).toEqual(begun().aim);
  const ends = again.steps.flatMap(({ action }) => (action.do === 'plug' && action.line === 'one' ? [action.end] : []));
  expect(ends.toSorted()).toEqual(['desk', 'stage']);
});

test('what is gone from the paper is not tried again', () => {
  const left = cannot(begun(), 'broken');
  const { session } = continued({ ...RIG, lines: RIG.lines.slice(1) }, RIG, left, new Set());
  expect(session.leftOut).toEqual([]);
  expect(session.aim!.plugged).toEqual(['two']);
});
