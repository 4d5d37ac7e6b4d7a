import fc from 'fast-check';
import { group, line, rigWith } from '../../../../tests/sheets';
import { firstBreach } from './sequence';
import { newSession, reported, ReportRefused, type Aim, type Report, type Session } from './session';
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
  expect(end.state).toMatchObject({ monitors: 'open', muted: { one: false, two: false } });
  expect(next(end)).toBeUndefined();
});

test('a wait starts by itself, is not over before its time, and counts what hands took', () => {
  const [waiting, now] = followed(begun(), 1000, (session) => next(session)?.do === 'wait');
  expect(waiting.until).toBe(now + 5);
  expect(() => reported(RIG, waiting, { report: 'done' }, now + 4)).toThrow(/not over: 1 s/);
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

const aims = fc
  .record({
    plugged: fc.subarray(['one', 'two']),
    exchanged: fc.subarray(['one', 'two']),
    on: fc.boolean(),
    open: fc.subarray(['one', 'two']),
  })
  .map(({ on, ...rest }): Aim => ({
    kind: 'change-over',
    feeds: on ? { bank: 'P48' } : {},
    unpowered: [],
    left: [],
    ...rest,
  }));
const reports: fc.Arbitrary<Report> = fc.oneof(
  aims.map((aim): Report => ({ report: 'begin', aim })),
  fc.constant<Report>({ report: 'done' }),
  fc.constant<Report>({ report: 'done' }),
  fc.constant<Report>({ report: 'not possible' }),
  fc
    .oneof(
      fc.constantFrom('P48' as const, 'off' as const, 'unknown' as const).map((is) => ({ feed: 'bank', is })),
      fc.constantFrom(true, false, 'unknown' as const).map((is) => ({ line: 'one', end: 'desk' as const, is })),
      fc.constantFrom(true, false, 'unknown' as const).map((is) => ({ muted: 'two', is })),
      fc.constantFrom('down' as const, 'open' as const, 'unknown' as const).map((monitors) => ({ monitors })),
    )
    .map((what): Report => ({ report: 'found', what })),
);

test('whatever is reported, the step that is next breaks no invariant when it may be done', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(reports, fc.nat(90)), { maxLength: 25 }), (told) => {
      let [session, now] = [begun(), 1000];
      for (const [report, later] of told) {
        now += later;
        try {
          session = reported(RIG, session, report, now);
        } catch (error) {
          if (!(error instanceof ReportRefused)) throw error;
        }
        expect(firstBreach(RIG, { ...session.state, now }, session.steps)).toBeUndefined();
      }
    }),
    { numRuns: 500 },
  );
});

test('nothing can be reported done where no step is next', () => {
  expect(() => reported(RIG, newSession(bare(RIG)), { report: 'done' }, 0)).toThrow('No step is next.');
  expect(() => reported(RIG, newSession(bare(RIG)), { report: 'not possible' }, 0)).toThrow('No step is next.');
});
