import { group, line, rigWith } from '../../../tests/sheets';
import { firstBreach } from './sequence';
import type { Aim, Report } from './report';
import { newSession, reported, type Session } from './session';
import { continued } from './takeover';
import { bare } from './state';

const RIG = rigWith([line('one', ['bank']), line('two', ['bank'])], [group('bank')]);

const AIM: Aim = {
  kind: 'set-up',
  plugged: ['one', 'two'],
  exchanged: [],
  feeds: { bank: 'P48' },
  open: ['one', 'two'],
  unpowered: [],
  left: [],
  stuck: [],
};
const begun = (aim = AIM): Session => reported(RIG, newSession(bare(RIG)), { report: 'begin', aim }, 1000);
const next = ({ steps }: Session) => steps[0]?.action;

/** Does every step as soon as it may be done, two seconds for each that is no wait. */
function followed(
  session: Session,
  now: number,
  until: (session: Session) => boolean = () => false,
): [Session, number] {
  let [current, time] = [session, now];
  while (next(current) && !until(current)) {
    time = Math.max(time + 2, current.until ?? 0);
    current = reported(RIG, current, { report: 'done' }, time);
  }
  return [current, time];
}

test('a set-up is followed to its end', () => {
  const [end] = followed(begun(), 1000);
  expect(end.state.feeds.bank.feed).toBe('P48');
  expect(end.state).toMatchObject({ monitors: { monitors: 'open' }, muted: { one: false, two: false } });
  expect(next(end)).toBeUndefined();
});

test('a wait starts by itself, is not over before its time, and counts what hands took', () => {
  const [waiting, now] = followed(begun(), 1000, (session) => next(session)?.do === 'wait');
  expect(waiting.until).toBe(now + 5);
  expect(() => reported(RIG, waiting, { report: 'done' }, now + 4)).toThrow(/Still waiting: 1 s left/);
  expect(next(reported(RIG, waiting, { report: 'done' }, now + 5))).toMatchObject({ do: 'open' });
});

test('what is left of a wait is computed anew: time that has passed is not waited for twice', () => {
  const [on, now] = followed(begun(), 1000);
  const strike = reported(
    RIG,
    on,
    { report: 'begin', aim: { ...AIM, kind: 'strike', plugged: [], feeds: {}, open: [] } },
    now,
  );
  const [before, later] = followed(strike, now, (session) => session.steps[1]?.action.do === 'wait');
  // The switch goes off 2 s later; the sheet had reckoned with the whole minute from then on.
  expect(reported(RIG, before, { report: 'done' }, later + 2).until).toBe(later + 62);
});

test('a feed that is found on is turned off first, and waited for', () => {
  const found: Report = { report: 'found', what: { feed: 'bank', is: 'P48' } };
  const session = reported(RIG, begun(), found, 1010);
  expect(session.steps.map(({ action }) => action.do).slice(0, 2)).toEqual(['feed', 'wait']);
  expect(firstBreach(RIG, session.state, session.steps)).toBeUndefined();
});

test('a plug that cannot be put in is left out, everything else goes on', () => {
  const first = begun();
  expect(next(first)).toMatchObject({ do: 'plug', line: 'one' });
  const session = reported(RIG, first, { report: 'not possible' }, 1010);
  expect(session.aim?.plugged).toEqual(['two']);
  expect(session.steps.some(({ action }) => 'line' in action && action.line === 'one')).toBe(false);
  const [end] = followed(session, 1010);
  expect(end.state.ends).toMatchObject({ one: { stage: false, desk: false }, two: { stage: true, desk: true } });
});

test('a switch that cannot be turned off leaves everybody on it as they are', () => {
  const [on, now] = followed(begun(), 1000);
  const over = reported(RIG, on, { report: 'begin', aim: { ...AIM, kind: 'change-over', exchanged: ['one'] } }, now);
  const [stuck, later] = followed(over, now, (session) => next(session)?.do === 'feed');
  const session = reported(RIG, stuck, { report: 'not possible' }, later);
  expect(session.steps.some(({ action }) => action.do === 'unplug' || action.do === 'plug')).toBe(false);
  expect(firstBreach(RIG, session.state, session.steps)).toBeUndefined();
});

test('an exchanged line that is out already is not pulled again when the rest is planned anew', () => {
  const off = { ...AIM, feeds: {} };
  const [on, now] = followed(begun(off), 1000);
  const over = reported(RIG, on, { report: 'begin', aim: { ...off, kind: 'change-over', exchanged: ['one'] } }, now);
  const [half, later] = followed(over, now, ({ pulled }) => pulled.length === 2);
  const session = reported(RIG, half, { report: 'found', what: { muted: 'two', is: false } }, later);
  expect(session.steps.map(({ action }) => action.do)).toEqual(['plug', 'open']);
});

test('going back makes everything that was touched unknown, and makes it known first', () => {
  const [on, now] = followed(begun(), 1000);
  const feed = on.done.findIndex(({ action }) => action.do === 'feed');
  const session = reported(RIG, on, { report: 'back', to: feed }, now + 100);
  expect(session.done).toHaveLength(feed);
  expect(session.state.feeds.bank).toEqual({ feed: 'unknown', since: 'unknown' });
  expect(session.state).toMatchObject({ monitors: { monitors: 'unknown' }, muted: { one: 'unknown', two: 'unknown' } });
  expect(session.steps.map(({ action }) => action.do).slice(0, 3)).toEqual(['monitors', 'mute', 'feed']);
  expect(() => reported(RIG, on, { report: 'back', to: 99 }, now)).toThrow(/no such step/);
});

test('a step is moved only within the invariants', () => {
  const session = begun();
  const moved = reported(RIG, session, { report: 'move', from: 1, to: 0 }, 1001);
  expect(moved.steps.slice(0, 2)).toEqual([session.steps[1], session.steps[0]]);
  const feed = session.steps.findIndex(({ action }) => action.do === 'feed');
  expect(() => reported(RIG, session, { report: 'move', from: feed, to: 0 }, 1001)).toThrow(/^Nothing is plugged/);
  expect(() => reported(RIG, session, { report: 'move', from: 0, to: 99 }, 1001)).toThrow(/no such step/);
});

test('several steps are done at once, but no wait among them', () => {
  const session = begun();
  const plugs = session.steps.findIndex(({ action }) => action.do === 'feed');
  const some = reported(RIG, session, { report: 'done', count: plugs }, 1010);
  expect(some.done.map(({ at }) => at)).toEqual(Array(plugs).fill(1010));
  expect(() => reported(RIG, session, { report: 'done', count: plugs + 2 }, 1010)).toThrow(/by itself/);
});

test('mains that come back with a latched switch on make the bank live and charged', () => {
  const latched = rigWith([line('one', ['bank'])], [group('bank', { latched: true })]);
  const aim = { ...AIM, plugged: ['one'], open: ['one'] };
  let session = reported(latched, newSession(bare(latched)), { report: 'begin', aim }, 0);
  for (let now = 0; session.steps.length; now += 100) session = reported(latched, session, { report: 'done' }, now);
  const found = (is: boolean, now: number) =>
    (session = reported(latched, session, { report: 'found', what: { mains: 'desk', is } }, now));
  // Everything is shut and the switch turned off before the power is tried again.
  expect(found(false, 2000).steps.map(({ action }) => action.do)).toEqual(
    expect.arrayContaining(['monitors', 'mute', 'feed', 'mains']),
  );
  expect(found(true, 2010).state.feeds.bank).toEqual({ feed: 'P48', since: 2010 });
  session = reported(latched, session, { report: 'begin', aim: { ...aim, plugged: [], open: [], feeds: {} } }, 2011);
  expect(session.steps.map(({ action }) => action.do).slice(0, 4)).toEqual(['monitors', 'mute', 'feed', 'wait']);
});

test('a report about what the rig does not have says so', () => {
  const told = (report: Report) => () => reported(RIG, begun(), report, 1010);
  expect(told({ report: 'found', what: { feed: 'other', is: 'off' } })).toThrow('There is no switch other');
  expect(told({ report: 'found', what: { mains: 'other', is: true } })).toThrow('There is no device other');
  expect(told({ report: 'found', what: { supply: 'one', is: true } })).toThrow('no supply of its own on line one');
  expect(told({ report: 'begin', aim: { ...AIM, plugged: ['three'] } })).toThrow('There is no line three');
  expect(told({ report: 'begin', aim: { ...AIM, feeds: { bank: 'P12' } } })).toThrow('bank has no setting P12');
});

test('a rig that has changed is taken over: what is gone is still in the room, what is new is out', () => {
  const [on] = followed(begun(), 1000);
  const other = rigWith([line('two', ['bank']), line('three', ['bank'])], [group('bank')]);
  const { rig, session } = continued(other, RIG, on, new Set());
  const was = rig.lines.find((each) => each.was === 'one')!;
  expect(session.state.ends).toEqual({
    two: { stage: true, desk: true },
    three: { stage: false, desk: false },
    [was.id]: { stage: true, desk: true },
  });
  expect(session.aim?.plugged).toEqual(['two']);
  // It is pulled, with the bank off meanwhile.
  const steps = session.steps.map(({ action }) => action);
  expect(steps).toContainEqual({ do: 'unplug', line: was.id, end: 'stage' });
  expect(steps).toContainEqual({ do: 'unplug', line: was.id, end: 'desk' });
  const out = continued(other, RIG, on, new Set(['one']));
  expect(out.rig.lines.map(({ id }) => id)).toEqual(['two', 'three']);
  expect(out.session.steps).toEqual([]);
});

test('nothing can be reported done where no step is next', () => {
  expect(() => reported(RIG, newSession(bare(RIG)), { report: 'done' }, 0)).toThrow('No step is next.');
  expect(() => reported(RIG, newSession(bare(RIG)), { report: 'not possible' }, 0)).toThrow('No step is next.');
});

test.each([
  [-1, 1],
  [1, -1],
  [0, 99],
  [0.5, 1],
])('a step that is not there is not moved: %s to %s', (from, to) => {
  expect(() => reported(RIG, begun(), { report: 'move', from, to }, 1001)).toThrow(/There is no such step/);
});

test('a step that has become dangerous meanwhile is refused, whatever the sheet says', () => {
  const started = begun();
  const plug = started.steps.findIndex(({ action }) => action.do === 'plug' && action.end === 'desk');
  // Somebody has turned the feed on, and nothing was planned anew.
  const feeds = { bank: { feed: 'P48' as const, since: 0 } };
  const live = { ...started, steps: started.steps.slice(plug), state: { ...started.state, feeds } };
  expect(() => reported(RIG, live, { report: 'done' }, 2000)).toThrow(/Nothing is plugged or unplugged while its feed/);
});
