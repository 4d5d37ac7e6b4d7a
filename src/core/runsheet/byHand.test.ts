import { carriedOut, group, line, rigWith, wish } from '../../../tests/sheets';
import { demoRig } from '../../../tests/planning';
import type { Part, PathLink } from '../gear';
import { emptyRig, type RigLine } from '../rig';
import { aimFor } from './aims';
import { byHand, isFirstSide, partName } from './byHand';
import { sheetRig } from './fromRig';
import { happenings } from './happenings';
import { breach } from './actions';
import { takenOver } from './room';
import type { SheetRig } from './rig';
import { sequence } from './sequence';
import type { Step } from './step';
import { newSession, reported, type Session } from './session';
import { bare, type FeedState, type SheetState } from './state';
import { stepWords } from './wording';

/** A box with a battery, an instrument, and a microphone that nobody has to set anything on. */
const RIG = rigWith(
  [
    line('box', ['a'], { ready: ['Box: battery in', 'Its pad −20 dB'], unset: ['Box: battery off, or out'] }),
    line('piano', ['a'], { ready: ['Its volume at zero'], unset: ['Its volume at zero, then off'] }),
    line('mic', ['a']),
  ],
  [group('a')],
);
const ALL = ['box', 'piano', 'mic'];
const set = wish(ALL, { a: 'P48' }, ALL);
const struck = wish([], {}, []);
const setUp = (): SheetState => carriedOut(RIG, bare(RIG), sequence(RIG, bare(RIG), set).steps);
const told = (steps: readonly Step[]) =>
  steps.flatMap(({ action }) =>
    action.do === 'hand'
      ? [`${action.ready ? 'set' : 'off'} ${action.line}`]
      : (action.do === 'plug' || action.do === 'unplug') && action.end === 'stage'
        ? [`${action.do} ${action.line}`]
        : [],
  );
const before = (steps: readonly Step[], first: string, second: string): boolean => {
  const all = told(steps);
  return all.includes(first) && all.indexOf(first) < all.indexOf(second);
};

test.each(['time', 'walks'] as const)('order %s: set before it is plugged, off when it is out', (order) => {
  const up = sequence(RIG, bare(RIG), { ...set, order }).steps;
  expect([before(up, 'set box', 'plug box'), before(up, 'set piano', 'plug piano')]).toEqual([true, true]);
  const down = sequence(RIG, setUp(), { ...struck, order }).steps;
  expect([before(down, 'unplug box', 'off box'), before(down, 'unplug piano', 'off piano')]).toEqual([true, true]);
  // There is nothing to set on the microphone, and nothing takes a walk of its own.
  expect(told([...up, ...down]).filter((each) => each === 'set mic' || each === 'off mic')).toEqual([]);
});

test('what is set already is not set again; after something else was plugged there it is', () => {
  const state = setUp();
  expect(told(sequence(RIG, state, { ...set, exchanged: new Set(['box']) }).steps)).toEqual(['unplug box', 'plug box']);
  const other: SheetRig = {
    ...RIG,
    lines: RIG.lines.map((each) => (each.id === 'box' ? { ...each, way: 'new' } : each)),
  };
  expect(takenOver(other, RIG, state, new Set(['box'])).state.ready).toEqual({ piano: true });
  expect(takenOver(RIG, RIG, state).state.ready).toEqual({ box: true, piano: true });
});

test('nobody knows how a rig that was found is set: it is switched off when it is struck', () => {
  const found: SheetState = { ...setUp(), ready: undefined };
  expect(told(sequence(RIG, found, struck).steps)).toContain('off box');
});

test('a setting that cannot be made stays in sight; its line is plugged all the same, and it may be tried again', () => {
  const aim = aimFor('set-up', RIG, bare(RIG), { a: 'P48' }, ALL);
  const begun: Session = reported(RIG, newSession(bare(RIG)), { report: 'begin', aim }, 1000);
  expect(begun.steps[0].action).toEqual({ do: 'hand', line: 'box', ready: true });
  const report = { report: 'not possible', why: 'no battery' } as const;
  const left = reported(RIG, begun, report, 1001);
  expect(told(left.steps)).not.toContain('set box');
  expect(told(left.steps)).toContain('plug box');
  expect(left.leftOut).toMatchObject([{ action: { do: 'hand', line: 'box' }, why: 'no battery' }]);
  expect(happenings(RIG, begun, report)[0].text).toBe('Not done: Set “box” before you plug it (no battery)');
  expect(told(reported(RIG, left, { report: 'retry', left: 0 }, 1002).steps)).toContain('set box');
});

test('gone back to, it is asked for again', () => {
  const aim = aimFor('set-up', RIG, bare(RIG), { a: 'P48' }, ALL);
  const begun = reported(RIG, newSession(bare(RIG)), { report: 'begin', aim }, 1000);
  const done = reported(RIG, begun, { report: 'done' }, 1001);
  expect(done.state.ready).toEqual({ box: true });
  expect(told(reported(RIG, done, { report: 'back', to: 0 }, 1002).steps)).toContain('set box');
});

test('nothing is switched at a source that is heard', () => {
  const off = { do: 'hand', line: 'box', ready: false } as const;
  expect(breach(RIG, setUp(), off)?.invariant).toBe(2);
  expect(breach(RIG, { ...setUp(), monitors: { monitors: 'down' } }, off)).toBeUndefined();
  expect(breach(RIG, bare(RIG), off)).toBeUndefined();
});

test('the words say what is done, and where the battery goes', () => {
  const words = (ready: boolean) => stepWords(RIG, undefined, { action: { do: 'hand', line: 'box', ready } });
  expect(words(true)).toEqual({ title: 'Set “box” before you plug it', detail: 'Box: battery in. Its pad −20 dB.' });
  expect(words(false)).toEqual({ title: 'Switch “box” off at the source', detail: 'Box: battery off, or out.' });
});

describe('a patch point', () => {
  const rig = rigWith([line('ribbon', ['a'], { ready: ['plugs in'], unfed: true })], [group('a')]);
  const patch = { do: 'hand', line: 'ribbon', ready: true } as const;
  const at = (desk: boolean, feed: FeedState): SheetState => ({
    ...bare(rig),
    now: 1000,
    ends: { ribbon: { stage: false, desk } },
    feeds: { a: feed },
  });
  test.each<[string, SheetState, number | undefined]>([
    ['with the feed on', at(true, { feed: 'P48', since: 0 }), 1],
    ['with the feed unknown', at(true, { feed: 'unknown', since: 'unknown' }), 1],
    ['while it is charged', at(true, { feed: 'off', since: 990 }), 1],
    ['with the feed off, and the wait over', at(true, { feed: 'off', since: 0 }), undefined],
    ['with nothing in at the inlet', at(false, { feed: 'P48', since: 0 }), undefined],
  ])('is patched %s', (_, state, invariant) => expect(breach(rig, state, patch)?.invariant).toBe(invariant));

  test('has a step of its own, after the feed is off and before its line is plugged', () => {
    const { steps } = sequence(rig, at(true, { feed: 'P48', since: 0 }), wish(['ribbon'], {}, []));
    expect(steps.map(({ action }) => action.do)).toEqual(['feed', 'wait', 'hand', 'plug']);
  });

  test('on a line of a document: TRS has the step, XLR makes its ground first and has none', () => {
    const demo = demoRig('lock-nine');
    const own = (kind: string) => {
      const links = [{ kind, name: 'patch 12' }];
      const lines = demo.lines.filter(({ id }) => id === 'announcer').map((each) => ({ ...each, links }));
      return sheetRig({ ...demo, lines, units: [] }).lines[0];
    };
    expect(own('trs-patch-point')).toMatchObject({ ready: ['patch 12: plugs in and pushed home'], unfed: true });
    expect(own('three-pin-patch-point').unfed).toBeUndefined();
  });
});

describe('the demo', () => {
  const rig = sheetRig(demoRig('lock-nine-mended'));
  const own = (id: string) => rig.lines.find((each) => each.id === id)!;
  test('a transmitter and an instrument, once for both its sides, and a battery', () => {
    const handed = rig.lines.filter(({ ready }) => ready).map(({ name }) => name);
    expect(handed).toEqual([
      'Electric piano, left',
      'Inherited shotgun',
      'Lock keeper, self-powered',
      'Wireless receiver',
      'Laptop, playback',
    ]);
    expect(own('keeper-self-powered').unset).toEqual(['self-powered lavalier: battery off, or out']);
  });
  test('what is off is looked at with the plug, and has no step of its own', () => {
    expect(own('double-bass').ready).toBeUndefined();
    expect(own('double-bass').set).toEqual(['active direct box: battery off, pad off']);
  });
  test('the supply of a valve microphone has its own steps', () => expect(own('valve').unset).toBeUndefined());
});

describe('from the rig', () => {
  const written = (source: Part, links: PathLink[] = [], name = 'line'): RigLine => ({
    id: name,
    name,
    source,
    links,
    inlet: { device: 'desk', inlet: '1' },
  });

  test('a part is called by its own name, else by that of its kind, source or link', () => {
    expect(partName({ kind: 'cable' })).toBe('Cable');
    expect(partName({ kind: 'moving-coil' })).toBe('Dynamic');
    expect(partName({ kind: 'cable', name: 'the yellow one' })).toBe('the yellow one');
  });

  test('what runs on a battery is switched off when it is packed, source or box; what does not is left alone', () => {
    const battery = { kind: 'battery-or-phantom-condenser', choices: { battery: 'on' } };
    expect(byHand(written(battery), true).unset).toEqual([expect.stringMatching(/: battery off, or out$/)]);
    expect(byHand(written({ kind: 'battery-or-phantom-condenser', choices: { battery: 'off' } }), true).unset).toBe(
      undefined,
    );
    expect(byHand(written({ kind: 'moving-coil' }, [{ kind: 'cable' }]), true)).toEqual({});
  });

  test('the two sides of one instrument are looked after once, with the first; alone, each is the first', () => {
    const piano = { kind: 'line-output' };
    const [left, right] = [written(piano, [], 'Piano, left'), written(piano, [], 'Piano, right')];
    const firsts = (...lines: RigLine[]) =>
      lines.filter((each) => isFirstSide({ ...emptyRig('Hold'), lines }, each)).map(({ name }) => name);
    expect(firsts(left, right)).toEqual(['Piano, left']);
    expect(firsts(right, left)).toEqual(['Piano, right']);
    expect(firsts(right)).toEqual(['Piano, right']);
    // Another kind of source, or another name, is another instrument.
    expect(firsts(left, written({ kind: 'moving-coil' }, [], 'Piano, right'))).toHaveLength(2);
    expect(firsts(left, written(piano, [], 'Organ, right'))).toHaveLength(2);
    expect(firsts(left, written(piano, [], 'Piano'))).toHaveLength(2);
  });
});
