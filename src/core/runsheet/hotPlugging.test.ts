import { demoRig } from '../../../tests/planning';
import { carriedOut, group, line, rigWith, wish } from '../../../tests/sheets';
import { sheetRig } from './fromRig';
import { breach, after } from './actions';
import { firstBreach, sequence } from './sequence';
import { takenOver } from './room';
import { bare } from './state';
import { stepWords } from './wording';

/**
 * Connecting XLR with the feed on. Two schools (common practice): never, or a sound three-pin connector, muted, where
 * nothing on the line is a ribbon or unbalanced.
 */

const hotPlugging = (schools: object) =>
  sheetRig({ ...demoRig(), schools })
    .lines.filter(({ hotPlugs }) => hotPlugs)
    .map(({ id }) => id);

describe('which lines of Lock Nine the school lets be plugged live', () => {
  test('never: none', () => expect(hotPlugging({ connectLive: 'never' })).toEqual([]));
  test('by default: none', () => expect(hotPlugging({})).toEqual([]));

  const allowed = hotPlugging({ connectLive: 'sound-xlr' });
  test.each(['pair-a-left', 'pair-a-right', 'active-ribbon'])('%s: a condenser over sound cables', (id) =>
    expect(allowed).toContain(id),
  );
  test.each([
    ['ribbon-left', 'a ribbon'],
    ['long-ribbon', 'a ribbon over a patch point'],
    ['announcer', 'a dead cable'],
    ['guide-body-worn', 'an adapter'],
    ['double-bass', 'a direct box'],
    ['singer', 'a splitter that reaches a second desk'],
    ['laptop', 'an output'],
  ])('not %s: %s', (id) => {
    expect(demoRig().lines.map((each) => each.id)).toContain(id);
    expect(allowed).not.toContain(id);
  });
});

describe('a sheet where one line may be plugged live', () => {
  const rig = rigWith([line('hot', ['a'], { hotPlugs: true }), line('careful', ['a'])], [group('a')]);
  const all = ['hot', 'careful'];
  const on = carriedOut(rig, bare(rig), sequence(rig, bare(rig), wish(all, { a: 'P48' }, all)).steps);
  const exchange = (id: string) => sequence(rig, on, wish(all, { a: 'P48' }, all, [id]));

  test('its change-over leaves the switch on and disturbs nobody', () => {
    const { steps, disturbed, refused } = exchange('hot');
    expect(refused).toEqual([]);
    expect(disturbed).toEqual([]);
    expect(steps.map(({ action }) => action.do)).not.toContain('feed');
    expect(firstBreach(rig, on, steps)).toBeUndefined();
  });

  test('it is muted first, and waits to settle before it is opened', () => {
    const steps = exchange('hot').steps.map(({ action }) => action);
    const does = steps.map((action) => action.do);
    expect(does.indexOf('mute')).toBeLessThan(does.indexOf('unplug'));
    expect(does.lastIndexOf('plug')).toBeLessThan(does.indexOf('wait'));
    expect(steps).toContainEqual({ do: 'wait', seconds: 5 });
    expect(does.indexOf('wait')).toBeLessThan(does.indexOf('open'));
  });

  test('the other line on the same switch still has it turned off first', () => {
    const { steps, disturbed } = exchange('careful');
    expect(disturbed).toEqual(['hot']);
    expect(steps.map(({ action }) => action)).toContainEqual({ do: 'feed', group: 'a', to: 'off' });
  });

  test('a plug whose other end is out meets no feed yet; the second one does, and a removed line is forgotten', () => {
    const out = { ...on, ends: { ...on.ends, hot: { stage: false, desk: false } } };
    const first = after(rig, out, { do: 'plug', line: 'hot', end: 'stage' });
    expect(first.pluggedLive).toBeUndefined();
    const second = after(rig, first, { do: 'plug', line: 'hot', end: 'desk' });
    expect(second.pluggedLive).toEqual({ hot: on.now });
    expect(breach(rig, second, { do: 'open', lines: ['hot'] })).toMatchObject({ invariant: 4 });
    const gone = takenOver(rigWith([line('careful', ['a'])], [group('a')]), rig, second, new Set(['hot']));
    expect(gone.state.pluggedLive).toBeUndefined();
    const kept = takenOver(rigWith([line('careful', ['a'])], [group('a')]), rig, second);
    expect(Object.values(kept.state.pluggedLive!)).toEqual([on.now]);
  });

  test('with its inlet open it is refused all the same', () => {
    expect(breach(rig, on, { do: 'unplug', line: 'hot', end: 'desk' })).toMatchObject({ invariant: 1 });
  });

  test('the step says that the feed stays on', () => {
    const step = exchange('hot').steps.find(({ action }) => action.do === 'unplug')!;
    expect(stepWords(rig, on, step).look).toMatch(/feed stays on.*muted/);
    expect(stepWords(rig, bare(rig), step).look).not.toMatch(/stays on/);
  });
});
