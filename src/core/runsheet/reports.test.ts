import fc from 'fast-check';
import { RIG } from '../../../tests/sheets';
import { ReportRefused, type Aim, type Found, type Report } from './report';
import { firstBreach } from './sequence';
import { newSession, reported, type Session } from './session';
import { bare, packed, unknown } from './state';

/** Any reports at any time, on a rig with a ribbon, a latched switch and an outboard supply. */

const CLOCK = 1_795_000_000.123;
const LINES = RIG.lines.map(({ id }) => id);
const known = fc.constantFrom<(boolean | 'unknown')[]>(true, false, 'unknown');
const feed = fc.constantFrom('P48' as const, 'off' as const, 'unknown' as const);
const end = fc.constantFrom('stage' as const, 'desk' as const);

const aims = fc
  .record({
    plugged: fc.subarray(LINES),
    exchanged: fc.subarray(LINES),
    on: fc.subarray(['a', 'b']),
    open: fc.subarray(LINES),
    unpowered: fc.subarray(['desk']),
    left: fc.subarray(LINES, { maxLength: 1 }),
    stuck: fc.subarray(['a', 'b'], { maxLength: 1 }),
  })
  .map(({ on, ...rest }): Aim => ({
    kind: 'change-over',
    feeds: Object.fromEntries(on.map((key) => [key, 'P48' as const])),
    ...rest,
  }));

const founds: fc.Arbitrary<Found> = fc.oneof(
  fc.record({ feed: fc.constantFrom('a', 'b'), is: feed }),
  fc.record({ line: fc.constantFrom(...LINES), end, is: known }),
  fc.record({ muted: fc.constantFrom(...LINES), is: known }),
  fc.record({ supply: fc.constant('boxed'), is: known }),
  fc.record({ mains: fc.constant('desk'), is: known }),
  fc.record({
    monitors: fc.constant('monitors'),
    is: fc.constantFrom('down' as const, 'open' as const, 'unknown' as const),
  }),
);

const reports: fc.Arbitrary<Report> = fc.oneof(
  { weight: 2, arbitrary: aims.map((aim): Report => ({ report: 'begin', aim })) },
  { weight: 8, arbitrary: fc.constant<Report>({ report: 'done' }) },
  { weight: 2, arbitrary: fc.nat(4).map((count): Report => ({ report: 'done', count: count + 1 })) },
  { weight: 2, arbitrary: fc.constant<Report>({ report: 'not possible' }) },
  { weight: 4, arbitrary: founds.map((what): Report => ({ report: 'found', what })) },
  {
    weight: 2,
    arbitrary: fc.record({ from: fc.nat(8), to: fc.nat(8) }).map((at): Report => ({ report: 'move', ...at })),
  },
  { weight: 1, arbitrary: fc.nat(8).map((to): Report => ({ report: 'back', to })) },
);

const starts = fc.constantFrom(bare(RIG), packed(RIG), unknown(RIG));

/** Everything reported, one after the other; what is refused changes nothing. */
function told(
  start: Session,
  list: readonly (readonly [Report, number])[],
  each: (session: Session, now: number) => void,
): Session {
  // As large as a clock's: what rounding does to it must not matter.
  let [session, now] = [{ ...start, state: { ...start.state, now: CLOCK } }, CLOCK];
  for (const [report, later] of list) {
    now += later;
    try {
      session = reported(RIG, session, report, now);
    } catch (error) {
      if (!(error instanceof ReportRefused)) throw error;
    }
    each(session, now);
  }
  return session;
}

test('whatever is reported, no step that is left breaks an invariant when it may be done', () => {
  fc.assert(
    fc.property(starts, fc.array(fc.tuple(reports, fc.nat(90)), { maxLength: 25 }), (state, list) => {
      told(newSession(state), list, (session, now) =>
        expect(firstBreach(RIG, { ...session.state, now }, session.steps)).toBeUndefined(),
      );
    }),
    { numRuns: 1500 },
  );
});

test('whatever is not possible, the sheet comes to an end', () => {
  fc.assert(
    fc.property(starts, aims, fc.array(fc.boolean(), { maxLength: 60 }), (state, aim, possible) => {
      let session = reported(RIG, newSession(state), { report: 'begin', aim }, CLOCK);
      let now = CLOCK;
      for (let n = 0; session.steps.length && n < 120; n++) {
        now = Math.max(now + 1, session.until ?? 0);
        const report: Report = { report: (possible[n] ?? true) ? 'done' : 'not possible' };
        session = reported(RIG, session, report, now);
      }
      expect(session.steps).toEqual([]);
    }),
    { numRuns: 600 },
  );
});
