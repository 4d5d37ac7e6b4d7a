import fc from 'fast-check';
import { carriedOut, group, line, rigWith, wish } from '../../../tests/sheets';
import { aimFor } from './aims';
import { breach, after } from './actions';
import { ReportRefused } from './report';
import type { SheetRig } from './rig';
import { newSession, reported, type Session } from './session';
import { sequence } from './sequence';
import type { Step } from './step';
import { bare, packed, unknown, type SheetState } from './state';
import { standingAt, stationsOf, steppedOver, type Following, type Standing } from './stations';

/** A ribbon and a condenser on one bank, a third line on another desk elsewhere. */
const RIG = rigWith(
  [
    line('ribbon', ['a'], { stops: { a: ['P48'] } }),
    line('mic', ['a']),
    line('far', ['b'], { device: 'bag', stage: 'stage end', desk: 'wheelhouse', mixedAt: 'wheelhouse' }),
  ],
  [group('a', { latched: true }), group('b', { device: 'bag', place: 'wheelhouse' })],
);
const TWO: SheetRig = {
  ...RIG,
  devices: [...RIG.devices, { id: 'bag', name: 'bag', place: 'wheelhouse', power: 'cells' }],
};
const ALL = ['ribbon', 'mic', 'far'];
const WANTED = wish(['mic', 'far'], { a: 'P48', b: 'P48' }, ['mic', 'far']);
const starts: [string, SheetState][] = [
  ['set up', bare(TWO)],
  ['packed', packed(TWO)],
  ['not known', unknown(TWO)],
];

type Ready = (rig: SheetRig, following: Following, place: string, now: number) => Standing | undefined;

/**
 * Follows every order in which people at their places may do what is ready, time passing only where nothing is; the
 * first breach of an invariant, a sheet that ends otherwise than wanted, or nothing.
 */
function everyOrder(rig: SheetRig, from: SheetState, steps: readonly Step[], standing: Ready): string | undefined {
  const end = JSON.stringify(settled(carriedOut(rig, from, steps)));
  const seen = new Set<string>();
  const open: Following[] = [{ state: from, steps }];
  for (let here = open.pop(); here; here = open.pop()) {
    const { state } = here;
    const left = here.steps.filter(({ action }) => action.do !== 'wait');
    if (left.length === 0) {
      if (JSON.stringify(settled(state)) !== end) return 'it ends otherwise';
      continue;
    }
    const at = stationsOf(here).flatMap((place) => standing(rig, here, place, state.now) ?? []);
    const ready = at.filter((each) => each.ready);
    const visit = (next: Following) => {
      // Moments are alike where the same waits are still running.
      const running = stationsOf(next).map((place) => standing(rig, next, place, next.state.now)?.wait !== undefined);
      const key = JSON.stringify([settled(next.state), next.steps.map(({ action }) => action.do), running]);
      if (!seen.has(key)) open.push(next);
      seen.add(key);
    };
    for (const { step, index } of ready) {
      const found = breach(rig, state, step.action);
      if (found) return `${found.invariant}: ${found.why}`;
      const then = after(rig, state, step.action);
      visit({ state: then, steps: steppedOver(rig, then, here.steps, index) });
    }
    const waits = at.flatMap(({ wait }) => wait?.seconds ?? []);
    if (ready.length + waits.length === 0) return 'nobody can do anything';
    for (const seconds of waits) visit({ ...here, state: { ...state, now: state.now + seconds } });
  }
  return undefined;
}
/** A state without its times. */
const settled = ({ ends, feeds, muted, monitors, mains, supplies }: SheetState) => [
  ends,
  Object.entries(feeds).map(([key, { feed }]) => [key, feed]),
  muted,
  monitors,
  mains,
  supplies,
];

describe('everybody at their own place', () => {
  test.each(starts)('from %s: whatever order they work in, no invariant breaks and it ends as wanted', (_, from) => {
    const { steps } = sequence(TWO, from, WANTED);
    expect(everyOrder(TWO, from, steps, standingAt)).toBeUndefined();
  });
  test('a strike too, in either of its orders', () => {
    const set = carriedOut(TWO, bare(TWO), sequence(TWO, bare(TWO), WANTED).steps);
    for (const order of ['time', 'walks'] as const)
      expect(
        everyOrder(TWO, set, sequence(TWO, set, { ...wish([], {}, []), order }).steps, standingAt),
      ).toBeUndefined();
  });
  test.each<[string, Ready]>([
    [
      'does not look whether the others can still do theirs',
      (rig, following, place, now) => {
        const found = standingAt(rig, following, place, now);
        return found && { ...found, ready: !breach(rig, { ...following.state, now }, found.step.action) };
      },
    ],
    ['holds everything ready', (...given) => ({ ...standingAt(...given)!, ready: true })],
    [
      'holds nothing ready that is not first',
      (...given) => {
        const found = standingAt(...given);
        return found && { ...found, ready: false };
      },
    ],
  ])('one who %s is found out', (_, broken) => {
    const { steps } = sequence(TWO, bare(TWO), WANTED);
    expect(everyOrder(TWO, bare(TWO), steps, broken)).toMatch(/^\d: |otherwise|nobody/);
  });
});

describe('what a place is told', () => {
  const { steps } = sequence(TWO, bare(TWO), WANTED);
  test('each has its own next step at once: plugs at the stage wait for nobody at the desk', () => {
    const at = (place: string) => standingAt(TWO, { state: bare(TWO), steps }, place, 0);
    expect(at('stage end')).toMatchObject({ ready: true, step: { action: { do: 'plug', end: 'stage' } } });
    expect(at('desk end')).toMatchObject({ ready: true, step: { action: { do: 'plug', line: 'mic', end: 'desk' } } });
    expect(at('wheelhouse')).toMatchObject({ ready: true });
    expect(at('sluice')).toBeUndefined();
  });
  test('where an invariant needs it, it waits for the other, and says for which step', () => {
    const plugged = ['mic'].reduce((state, id) => after(TWO, state, { do: 'plug', line: id, end: 'desk' }), bare(TWO));
    const rest = steps.filter(
      ({ action }) => !(action.do === 'plug' && action.line === 'mic' && action.end === 'desk'),
    );
    // Its feed comes on when the source is plugged, which is done elsewhere.
    expect(standingAt(TWO, { state: plugged, steps: rest }, 'desk end', 0)).toMatchObject({
      ready: false,
      behind: { action: { do: 'plug' }, place: 'stage end' },
    });
  });
});

describe('reports of two people', () => {
  const aim = { ...aimFor('set-up', TWO, bare(TWO), { a: 'P48', b: 'P48' }, ['mic', 'far']) };
  const begun = reported(TWO, newSession(bare(TWO)), { report: 'begin', aim }, 100);
  const seen = (session: Session, place: string) => ({
    place,
    actions: [session.steps.find((step) => step.place === place)!.action],
  });
  test('each ticks off what they saw as next, whatever the other has done meanwhile', () => {
    const [stage, desk] = [seen(begun, 'stage end'), seen(begun, 'desk end')];
    const one = reported(
      TWO,
      reported(TWO, begun, { report: 'done', at: stage }, 101),
      { report: 'done', at: desk },
      102,
    );
    const two = reported(
      TWO,
      reported(TWO, begun, { report: 'done', at: desk }, 101),
      { report: 'done', at: stage },
      102,
    );
    expect(settled(one.state)).toEqual(settled(two.state));
    expect(one.done.map(({ place }) => place)).toEqual(['stage end', 'desk end']);
  });
  test('the same step twice, by two at one place: the second is refused', () => {
    const stage = seen(begun, 'stage end');
    const once = reported(TWO, begun, { report: 'done', at: stage }, 101);
    expect(() => reported(TWO, once, { report: 'done', at: stage }, 102)).toThrow(
      'Something else is next at stage end',
    );
  });
  test('too early it is refused, and says what comes first', () => {
    let session = begun;
    while (session.steps.find(({ place }) => place === 'desk end')!.action.do === 'plug')
      session = reported(TWO, session, { report: 'done', at: seen(session, 'desk end') }, 101);
    const report = { report: 'done', at: seen(session, 'desk end') } as const;
    expect(() => reported(TWO, session, report, 102)).toThrow('First, at stage end: Plug “mic” at the source');
  });
  test('one cannot do theirs: the others go on, and the line is left out for all', () => {
    const session = reported(TWO, begun, { report: 'not possible', why: 'broken', at: seen(begun, 'wheelhouse') }, 101);
    expect(session.leftOut).toMatchObject([{ why: 'broken', place: 'wheelhouse' }]);
    expect(session.steps.some(({ action }) => 'line' in action && action.line === 'far')).toBe(false);
    expect(session.steps.some(({ action }) => 'line' in action && action.line === 'mic')).toBe(true);
  });
  test('by chance: late, double and wrong reports change nothing, the rest never breaks an invariant', () => {
    const place = fc.constantFrom('stage end', 'desk end', 'wheelhouse', 'nowhere');
    fc.assert(
      fc.property(
        fc.constantFrom(...starts.map(([, state]) => state)),
        fc.array(fc.tuple(place, fc.nat(3), fc.nat(90)), { maxLength: 40 }),
        (from, list) => {
          const wanted = aimFor('set-up', TWO, from, { a: 'P48', b: 'P48' }, ALL.slice(1));
          const history = [reported(TWO, newSession(from), { report: 'begin', aim: wanted }, 100)];
          let now = 100;
          for (const [at, late, later] of list) {
            now += later;
            const current = history.at(-1)!;
            // What somebody has seen may be some reports old.
            const shown = history[Math.max(0, history.length - 1 - late)];
            const step = shown.steps.find((each) => each.place === at);
            if (!step) continue;
            try {
              history.push(reported(TWO, current, { report: 'done', at: { place: at, actions: [step.action] } }, now));
            } catch (error) {
              if (!(error instanceof ReportRefused)) throw error;
              continue;
            }
            expect(breach(TWO, { ...current.state, now }, step.action)).toBeUndefined();
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});
