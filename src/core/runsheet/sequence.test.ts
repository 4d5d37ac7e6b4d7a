import { carriedOut, group, line, RIG, rigWith, SMALL, TWO, wish } from '../../../tests/sheets';
import { breach, after } from './actions';
import { decayWait, settleWait } from './rig';
import { reordered, sequence, trips } from './sequence';
import type { Step } from './step';
import { bare, type SheetState } from './state';

describe('set-up, change-over, strike', () => {
  const all = wish(['mic', 'boxed'], { a: 'P48' }, ['mic', 'boxed']);
  const told = (steps: readonly Step[]) =>
    steps.map(({ action }) => `${action.do}${'to' in action ? ` ${action.to}` : ''}`);

  test('set-up from nothing: plugs, feed, one wait, open; from the stage to the desk once', () => {
    const rig = { ...RIG, lines: RIG.lines.map((each) => ({ ...each, supply: false })) };
    const { steps } = sequence(rig, bare(rig), all);
    expect(told(steps)).toEqual(['plug', 'plug', 'plug', 'plug', 'feed P48', 'wait', 'open', 'open', 'monitors open']);
    expect(trips(steps)).toBe(1);
  });

  test('change-over on a shared switch names who else is disturbed, and waits once', () => {
    const present = carriedOut(RIG, bare(RIG), sequence(RIG, bare(RIG), wish(['mic', 'ribbon'], {}, ['mic'])).steps);
    const { steps, disturbed } = sequence(RIG, present, wish(['mic', 'ribbon'], {}, ['mic'], ['mic']));
    expect(disturbed).toEqual([]);
    expect(told(steps)).toEqual(['mute', 'unplug', 'plug', 'unplug', 'plug', 'open']);
    const on = carriedOut(
      TWO,
      bare(TWO),
      sequence(TWO, bare(TWO), wish(['one', 'both'], { a: 'P48' }, ['one', 'both'])).steps,
    );
    const over = sequence(TWO, on, wish(['one', 'both'], { a: 'P48' }, ['one', 'both'], ['one']));
    expect(over.disturbed).toEqual(['both']);
    expect(told(over.steps).filter((what) => what === 'wait')).toHaveLength(2);
    expect(over.steps.filter(({ action }) => action.do === 'mute')).toHaveLength(1);
  });

  test('a feed that would harm a line that is wanted is refused, and everything else done', () => {
    const { steps, refused } = sequence(RIG, bare(RIG), wish(['ribbon', 'mic'], { a: 'P48' }, ['mic']));
    expect(refused).toMatchObject([{ invariant: 3, group: 'a', feed: 'P48' }]);
    expect(told(steps)).not.toContain('feed P48');
  });

  test('what nobody knows is taken as on and charged: the first steps make it known', () => {
    const unknown: SheetState = {
      ...bare(RIG),
      monitors: { monitors: 'unknown' },
      feeds: { ...bare(RIG).feeds, a: { feed: 'unknown', since: 'unknown' } },
      muted: { ...bare(RIG).muted, mic: 'unknown' },
    };
    const { steps } = sequence(RIG, unknown, wish(['mic'], {}, []));
    expect(told(steps).slice(0, 4)).toEqual(['monitors down', 'mute', 'feed off', 'wait']);
  });

  test('mains that come back with a latched switch on make the bank live and charged', () => {
    const latched: SheetState = {
      ...bare(RIG),
      mains: { desk: false },
      feeds: { ...bare(RIG).feeds, a: { feed: 'P48', since: -1e6 } },
    };
    const back = after(RIG, latched, { do: 'mains', device: 'desk', on: true });
    expect(back.feeds.a).toEqual({ feed: 'P48', since: 0 });
    const ribbon = { ...latched, ends: { ...latched.ends, ribbon: { stage: true, desk: true } } };
    expect(breach(RIG, ribbon, { do: 'mains', device: 'desk', on: true })).toMatchObject({ invariant: 5 });
  });

  test('steps are reordered only within the invariants, and the refusal says which one', () => {
    const { steps } = sequence(SMALL, bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic']));
    const feed = steps.findIndex(({ action }) => action.do === 'feed');
    expect(reordered(SMALL, bare(SMALL), steps, 0, 1)).toMatchObject({
      steps: [steps[1], steps[0], ...steps.slice(2)],
    });
    expect(reordered(SMALL, bare(SMALL), steps, feed, 0)).toEqual({
      refused: expect.stringMatching(/^Nothing is plugged or unplugged while its feed is on.* a is on, or may be\.$/),
    });
  });

  test('waits: the school’s figure beside the computed one, and which of them counts', () => {
    expect(decayWait('longer', 20)).toEqual({ seconds: 60, computed: 20, school: 60, counts: 'school' });
    expect(decayWait('longer', 90)).toMatchObject({ seconds: 90, counts: 'computed' });
    expect(decayWait('computed', 20)).toEqual({ seconds: 20, computed: 20, counts: 'computed' });
    expect(decayWait('120', 200)).toMatchObject({ seconds: 200, school: 120, counts: 'computed' });
    expect(decayWait('120', 20)).toMatchObject({ seconds: 120, counts: 'school' });
    expect(decayWait('longer', undefined).seconds).toBe(600);
    expect(settleWait(0.2).seconds).toBe(3);
  });
});

describe('what would do harm is refused', () => {
  const refused = (...given: Parameters<typeof sequence>) =>
    sequence(...given).refused.map((each) => ('group' in each ? each.group : each.line));

  test('to whoever is on the same conductors, though nobody wants that line itself', () => {
    const rig = rigWith(
      [line('one', ['a'], { shares: ['two'], stops: { a: ['P48'] } }), line('two', ['a'], { shares: ['one'] })],
      [group('a')],
    );
    expect(refused(rig, bare(rig), wish(['two'], { a: 'P48' }, []))).toEqual(['a']);
    expect(refused(rig, bare(rig), wish([], { a: 'P48' }, []))).toEqual([]);
  });

  test.each([
    ['its inlet', { stage: false, desk: true }],
    ['its source', { stage: true, desk: false }],
  ])('to a line that is left in at %s', (_end, ends) => {
    const state: SheetState = { ...bare(RIG), ends: { ...bare(RIG).ends, ribbon: ends } };
    const left = { ...wish(['mic'], { a: 'P48' }, []), left: new Set(['ribbon']) };
    expect(refused(RIG, state, left)).toEqual(['a']);
    expect(refused(RIG, bare(RIG), left)).toEqual([]);
  });

  test('by a plug that stays loose on this switch, and on no other', () => {
    const state: SheetState = { ...bare(TWO), ends: { ...bare(TWO).ends, one: { stage: false, desk: true } } };
    const loose = (feeds: Parameters<typeof wish>[1]) => ({
      ...wish(['both'], feeds, []),
      left: new Set(['one']),
      fixed: new Set(['one desk']),
    });
    expect(refused(TWO, state, loose({ a: 'P48' }))).toEqual(['a']);
    expect(refused(TWO, state, loose({ b: 'P48' }))).toEqual([]);
  });
});
