import { RIG } from '../../../tests/sheets';
import { aimFor } from './aims';
import { fedBy, happenings } from './happenings';
import type { Found, Report } from './report';
import { newSession, reported, type Session } from './session';
import { bare, packed, unknown } from './state';
import { backMeans, stepWords } from './wording';

const aim = aimFor('set-up', RIG, bare(RIG), { a: 'P48', b: 'off' }, ['mic', 'boxed']);
const begun = reported(RIG, newSession(bare(RIG)), { report: 'begin', aim }, 0);
/** Done until a step of a kind is next. */
function until(what: string, session = begun): [Session, number] {
  let [current, now] = [session, 0];
  while (current.steps.length && current.steps[0].action.do !== what) {
    now = Math.max(now + 1, current.until ?? 0);
    current = reported(RIG, current, { report: 'done' }, now);
  }
  return [current, now];
}
const [set] = until('nothing');
const told = (session: Session, report: Report) =>
  happenings(RIG, session, report).map(({ kind, text }) => `${kind}: ${text}`);
const found = (session: Session, what: Found) => told(session, { report: 'found', what });

test('what is reported is told in the words of the sheet, with its place and lines', () => {
  expect(happenings(RIG, begun, { report: 'done' })).toEqual([
    { kind: 'step', text: 'Plug “mic” into inlet of mic', lines: ['mic'], place: 'desk end' },
  ]);
  expect(told(begun, { report: 'done', count: 2 })).toHaveLength(2);
  expect(told(begun, { report: 'not possible' })).toEqual(['not-possible: Not done: Plug “mic” into inlet of mic']);
  expect(told(begun, { report: 'not possible', why: ' can’t get there ' })).toEqual([
    'not-possible: Not done: Plug “mic” into inlet of mic (can’t get there)',
  ]);
  expect(told(set, { report: 'back', to: 0 })).toEqual(['sheet: Back to: Plug “mic” into inlet of mic']);
  expect(told(set, { report: 'begin', aim })).toEqual(['sheet: Set-up begun']);
  expect(told(set, { report: 'end' })).toEqual(['sheet: Sheet ended, everything done']);
  expect(told(begun, { report: 'move', from: 1, to: 0 })).toEqual([]);
});

test('a feed that was on all the time is an incident for whoever was plugged meanwhile', () => {
  const [waiting] = until('feed');
  expect(found(waiting, { feed: 'a', is: 'P48' })).toEqual([
    'found: Reported: a at 48 V',
    'incident: mic was plugged or pulled with a at 48 V',
  ]);
  expect(found(waiting, { feed: 'a', is: 'off' })).toEqual(['found: Reported: a off']);
});

test('a plug that moved while its switch was on is an incident', () => {
  expect(found(set, { line: 'ribbon', end: 'stage', is: true })).toEqual([
    'found: Reported: ribbon plugged at its source',
    'incident: ribbon was plugged live, at 48 V',
  ]);
  expect(found(set, { line: 'mic', end: 'desk', is: false })[1]).toBe('incident: mic was pulled live, at 48 V');
  expect(found(begun, { line: 'mic', end: 'desk', is: true })).toHaveLength(1);
});

test('a latched switch that returns after a power cut is an incident, and one more for whom it harms', () => {
  const dark = reported(RIG, set, { report: 'found', what: { mains: 'desk', is: false } }, 1000);
  expect(found(set, { mains: 'desk', is: false })).toEqual(['found: Reported: desk has lost its power']);
  const ribbon = reported(RIG, dark, { report: 'found', what: { line: 'ribbon', end: 'stage', is: true } }, 1001);
  const both = reported(RIG, ribbon, { report: 'found', what: { line: 'ribbon', end: 'desk', is: true } }, 1002);
  expect(found(both, { mains: 'desk', is: true })).toEqual([
    'found: Reported: desk has its power again',
    'incident: a came on with the mains, with inlets unmuted and monitors up',
    'incident: ribbon may have been exposed to 48 V: test it before use',
  ]);
});

test('a latched switch that returns over muted inlets is told without them', () => {
  const muted = RIG.lines.reduce(
    (session, { id }) => reported(RIG, session, { report: 'found', what: { muted: id, is: true } }, 1000),
    set,
  );
  const dark = reported(RIG, muted, { report: 'found', what: { mains: 'desk', is: false } }, 1001);
  expect(found(dark, { mains: 'desk', is: true })).toContain('incident: a came on with the mains');
});

test('a photo of what could not be done is kept with it, and where it was', () => {
  const [entry] = happenings(RIG, begun, { report: 'not possible', photo: 'picture' });
  expect(entry).toMatchObject({ photo: 'picture', place: 'desk end' });
  expect(happenings(RIG, begun, { report: 'not possible' })[0]).not.toHaveProperty('photo');
});

test('what is not there to go back to, or to try again, is not told', () => {
  expect(told(set, { report: 'back', to: 99 })).toEqual([]);
  expect(told(set, { report: 'retry', left: 99 })).toEqual([]);
});

test.each<[string, Found]>([
  ['switch', { feed: 'nowhere', is: 'off' }],
  ['line', { line: 'nowhere', end: 'desk', is: true }],
  ['line', { muted: 'nowhere', is: true }],
  ['supply of its own on line', { supply: 'mic', is: true }],
  ['device', { mains: 'nowhere', is: true }],
  ['group of monitors', { monitors: 'nowhere', is: 'down' }],
])('a %s that the rig does not have is refused by its name', (what, is) =>
  expect(() => reported(RIG, begun, { report: 'found', what: is }, 1)).toThrow(
    new RegExp(`^There is no ${what} (nowhere|mic) in this sheet; load it again\\.$`),
  ),
);

test('what sources have: nothing before the feed, the feed after it, nothing without mains', () => {
  expect(fedBy(RIG, begun.state)).toEqual({});
  expect(fedBy(RIG, set.state)).toEqual({ mic: 'P48' });
  const dark = reported(RIG, set, { report: 'found', what: { mains: 'desk', is: false } }, 1000);
  expect(fedBy(RIG, dark.state)).toEqual({});
  expect(fedBy(RIG, unknown(RIG))).toEqual({ ribbon: 'unknown', mic: 'unknown', boxed: 'unknown' });
});

test('words: what nobody knows is made sure of, hazards carry their caution', () => {
  const step = { action: { do: 'feed', group: 'a', to: 'off' } } as const;
  expect(stepWords(RIG, unknown(RIG), step).title).toBe('Check a is off. If it is on, turn it off.');
  expect(stepWords(RIG, bare(RIG), step).title).toBe('Turn the feed off: a');
  const dark = reported(RIG, newSession(packed(RIG)), { report: 'begin', aim }, 0);
  const words = dark.steps.map((each) => stepWords(RIG, undefined, each));
  expect(words.every(({ title, look }) => title && look)).toBe(true);
  const cautions = dark.steps.filter((each) => stepWords(RIG, undefined, each).caution).map(({ action }) => action.do);
  expect(cautions).toEqual(expect.arrayContaining(['feed', 'mains', 'monitors']));
  // High voltage is where a valve microphone is, and nowhere else.
  const supply = { action: { do: 'supply', line: 'boxed', on: true } } as const;
  expect(stepWords(RIG, undefined, supply).caution).toBeUndefined();
  const valve = { ...RIG, lines: RIG.lines.map((each) => ({ ...each, highVoltage: true as const })) };
  expect(stepWords(valve, undefined, supply).caution).toMatch(/^High voltage inside/);
});

test('going back says what becomes uncertain', () => {
  const feed = set.done.findIndex(({ action }) => action.do === 'feed');
  const means = backMeans(RIG, set.done.slice(feed)).join(' ');
  expect(means).toMatch(/^a: state unknown again\. Treated as live; turned off first, full wait\./);
  expect(means).toMatch(/treated as unmuted/);
  expect(backMeans(RIG, set.done.slice(0, 1))).toEqual(['mic: plugged or not is unknown again.']);
});
