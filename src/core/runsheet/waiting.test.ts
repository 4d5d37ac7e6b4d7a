import { group, line, rigWith } from '../../../tests/sheets';
import { decayWait, settleWait } from './rig';
import { bare, type SheetState } from './state';
import { reasonsFor, waitFor, withWaits } from './waiting';
import type { Step } from './step';

/** Two switches that discharge and settle in different times. */
const RIG = rigWith(
  [line('one', ['a']), line('two', ['b']), line('own', ['b'], { supply: true })],
  [
    group('a', { decay: decayWait('longer', 90), settle: settleWait(8) }),
    group('b', { decay: decayWait('longer', 20), settle: settleWait(1) }),
  ],
);
const at = (feeds: Partial<SheetState['feeds']>, more: Partial<SheetState> = {}): SheetState => ({
  ...bare(RIG),
  now: 1000,
  ...more,
  feeds: { ...bare(RIG).feeds, ...(feeds as SheetState['feeds']) },
});
const pull = (id: string): Step => ({ action: { do: 'unplug', line: id, end: 'desk' }, place: 'desk end' });
const open = (...lines: string[]): Step => ({ action: { do: 'open', lines }, place: 'desk end' });
const off = (since: number) => ({ feed: 'off' as const, since });
const on = (since: number) => ({ feed: 'P48' as const, since });

test('one wait for all that follows, as long as the longest of it; each with both figures', () => {
  const state = at({ a: off(1000), b: off(1000) });
  const steps = withWaits(RIG, state, [pull('one'), pull('two')]);
  expect(steps.map(({ action }) => action)).toEqual([
    { do: 'wait', seconds: 90 },
    pull('one').action,
    pull('two').action,
  ]);
  expect(steps[0].reasons).toMatchObject([
    { of: 'a', until: 'discharged', left: 90, wait: { computed: 90, school: 60, counts: 'computed' } },
    { of: 'b', until: 'discharged', left: 60, wait: { computed: 20, school: 60, counts: 'school' } },
  ]);
});

test('what has passed is taken off', () => {
  expect(waitFor(RIG, at({ a: off(960), b: off(990) }), [pull('one'), pull('two')])).toBe(50);
  expect(waitFor(RIG, at({ a: off(900) }), [pull('one')])).toBe(0);
});

test('nobody waits for a switch that has nothing to do with what follows', () => {
  const state = at({ a: off(1000), b: off(1000) });
  expect(waitFor(RIG, state, [pull('two')])).toBe(60);
  expect(reasonsFor(RIG, state, [pull('two')], 60).map(({ of }) => of)).toEqual(['b']);
});

test('before an inlet opens: settling, a supply of its own too', () => {
  const state = at({ a: on(1000), b: on(1000) }, { supplies: { own: { on: true, since: 1000 } } });
  expect(waitFor(RIG, state, [open('one')])).toBe(8);
  expect(waitFor(RIG, state, [open('two')])).toBe(3);
  const [wait] = withWaits(RIG, state, [open('own')]);
  expect(wait).toMatchObject({ action: { seconds: 10 }, reasons: [{ of: 'own', until: 'settled' }, { of: 'b' }] });
});

test('where waiting does not help, there is none: a feed that is on stays on', () => {
  const state = at({ a: on(0) });
  expect(waitFor(RIG, state, [pull('one')])).toBe(0);
  expect(withWaits(RIG, state, [pull('one')])).toEqual([pull('one')]);
});
