import fc from 'fast-check';
import { runs } from '../../../tests/explore';
import { carriedOut, RIG, wish } from '../../../tests/sheets';
import { corrected } from './corrected';
import { firstBreach, sequence } from './sequence';
import { bare, type Known, type SheetState } from './state';
import { after } from './actions';

describe('partly carried out and planned anew', () => {
  const states$ = fc.record({
    ends: fc.array(fc.constantFrom(true, false, 'unknown' as const), { minLength: 3, maxLength: 3 }),
    feeds: fc.array(
      fc.constantFrom(
        { feed: 'off' as const, since: -1e6 },
        { feed: 'off' as const, since: 0 },
        { feed: 'P48' as const, since: 0 },
        { feed: 'unknown' as const, since: 'unknown' as const },
      ),
      { minLength: 2, maxLength: 2 },
    ),
    supply: fc.constantFrom(true, false, 'unknown' as const),
    muted: fc.array(fc.constantFrom(true, false, 'unknown' as const), { minLength: 3, maxLength: 3 }),
    monitors: fc.constantFrom('down' as const, 'open' as const, 'unknown' as const),
    mains: fc.constantFrom(true, false, 'unknown' as const),
  });
  const wanted$ = fc
    .record({
      plugged: fc.subarray(['ribbon', 'mic', 'boxed']),
      on: fc.subarray(['a', 'b']),
      open: fc.subarray(['ribbon', 'mic', 'boxed']),
      exchanged: fc.subarray(['ribbon', 'mic', 'boxed']),
    })
    .map(({ plugged, on, open, exchanged }) =>
      wish(plugged, Object.fromEntries(on.map((key) => [key, 'P48' as const])), open, exchanged),
    );
  const at = (made: Record<string, never> | (typeof states$ extends fc.Arbitrary<infer S> ? S : never)): SheetState =>
    poweredAs(made.mains, {
      ...bare(RIG),
      ends: Object.fromEntries(RIG.lines.map(({ id }, n) => [id, { stage: made.ends[n], desk: made.ends[n] }])),
      feeds: Object.fromEntries(RIG.groups.map(({ key }, n) => [key, made.feeds[n]])),
      muted: Object.fromEntries(RIG.lines.map(({ id }, n) => [id, made.muted[n]])),
      supplies: { boxed: { on: made.supply, since: made.supply === 'unknown' ? 'unknown' : 0 } },
      monitors: { monitors: made.monitors },
    });
  /** The desk's power is gone, or nobody knows of it, since just now. */
  const poweredAs = (mains: Known<boolean>, state: SheetState): SheetState =>
    mains === true ? state : corrected(RIG, state, { mains: 'desk', is: mains });

  test('whatever is broken off and wanted otherwise, no step breaks an invariant', () => {
    fc.assert(
      fc.property(
        states$,
        fc.array(fc.tuple(wanted$, fc.nat(12), fc.nat(100)), { minLength: 1, maxLength: 4 }),
        (made, turns) => {
          let state = at(made);
          for (const [wanted, done, later] of turns) {
            const { steps } = sequence(RIG, state, wanted);
            const some = steps.slice(0, done);
            expect(firstBreach(RIG, state, steps)).toBeUndefined();
            state = after(RIG, carriedOut(RIG, state, some), { do: 'wait', seconds: later });
          }
        },
      ),
      { numRuns: runs(1500) },
    );
  });
});
