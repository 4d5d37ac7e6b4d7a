import { carriedOut, group, line, rigWith, wish } from '../../../tests/sheets';
import { happenings } from './happenings';
import { checkable, checkedText, checksOf } from './lineCheck';
import type { Report } from './report';
import { newSession, reported } from './session';
import { sequence } from './sequence';
import { takenOver } from './room';
import { continued } from './takeover';
import { bare } from './state';

const RIG = rigWith([line('Pair left', ['a']), line('Pair right', ['a']), line('Bass', ['a'])], [group('a')]);
const all = RIG.lines.map(({ id }) => id);
const set = carriedOut(RIG, bare(RIG), sequence(RIG, bare(RIG), wish(all.slice(0, 2), {}, all.slice(0, 2))).steps);
const report = (id: string, more: Partial<Extract<Report, { report: 'checked' }>> = {}): Report => ({
  report: 'checked',
  line: id,
  bad: [],
  ...more,
});

test('the two sides of a pair have more to be listened for', () => {
  expect(checksOf(RIG, RIG.lines[0])).toEqual(['arrives', 'clean', 'side', 'polarity', 'gain', 'armed', 'label']);
  expect(checksOf(RIG, RIG.lines[2])).toEqual(['arrives', 'clean', 'gain', 'armed', 'label']);
  // A left without a right is a name.
  expect(checksOf({ ...RIG, lines: RIG.lines.slice(0, 1) }, RIG.lines[0])).not.toContain('side');
});

test('what is plugged through can be listened to, and nothing else', () => {
  expect(checkable(RIG, set).map(({ id }) => id)).toEqual(['Pair left', 'Pair right']);
  expect(() => reported(RIG, newSession(set), report('Bass'), 100)).toThrow('“Bass” is not plugged through');
  expect(() => reported(RIG, newSession(set), report('nobody'), 100)).toThrow('There is no line nobody');
});

test('it is kept with what was wrong, put right by hearing it again, and forgotten when the line is pulled', () => {
  let session = reported(RIG, newSession(set), report('Pair left', { bad: ['polarity'], note: ' adapter? ' }), 100);
  session = reported(RIG, session, report('Pair right'), 110);
  expect(session.checked).toEqual({
    'Pair left': { at: 100, bad: ['polarity'], note: 'adapter?' },
    'Pair right': { at: 110, bad: [] },
  });
  session = reported(RIG, session, report('Pair left'), 120);
  expect(session.checked!['Pair left']).toEqual({ at: 120, bad: [] });
  const aim = {
    kind: 'change-over' as const,
    plugged: ['Pair left', 'Pair right'],
    exchanged: ['Pair left'],
    exchangedAt: { 'Pair left': 'stage' as const },
    feeds: {},
    open: [],
    unpowered: [],
    left: [],
    stuck: [],
  };
  session = reported(RIG, session, { report: 'begin', aim }, 130);
  for (let now = 140; session.steps.length; now += 1) {
    now = Math.max(now, session.until ?? 0);
    session = reported(RIG, session, { report: 'done' }, now);
  }
  expect(Object.keys(session.checked!)).toEqual(['Pair right']);
});

test('the log says what was heard', () => {
  const told = (what: Report) =>
    happenings(RIG, newSession(set), what).map(({ kind, text, lines }) => [kind, text, lines]);
  expect(told(report('Pair left'))).toEqual([
    ['line-check', 'Line check: Pair left on inlet of Pair left: good', ['Pair left']],
  ]);
  expect(checkedText(RIG.lines[2], { bad: ['arrives', 'label'], note: 'box is empty' })).toBe(
    'Line check: Bass on inlet of Bass: no sound, or on another inlet, label wrong or missing (box is empty)',
  );
});

test('found unplugged, it is listened to anew; so is a line that has another way on paper now', () => {
  const heard = reported(RIG, newSession(set), report('Pair left'), 100);
  const pulled = reported(RIG, heard, { report: 'found', what: { line: 'Pair left', end: 'desk', is: false } }, 110);
  expect(pulled.checked).toEqual({});
  const paper = {
    ...RIG,
    lines: RIG.lines.map((each) => (each.id === 'Pair left' ? { ...each, way: 'another' } : each)),
  };
  expect(continued(paper, RIG, heard, new Set(['Pair left'])).session.checked).toEqual({});
  expect(continued(RIG, RIG, heard, new Set()).session.checked).toEqual(heard.checked);
});

test('nobody has looked at the mute of an inlet that a line comes onto for the first time', () => {
  const paper = { ...RIG, lines: [...RIG.lines, line('new', ['a'], { inlet: 'inlet 9' })] };
  expect(takenOver(paper, RIG, set).state.muted).toEqual({ ...set.muted, new: 'unknown' });
});
