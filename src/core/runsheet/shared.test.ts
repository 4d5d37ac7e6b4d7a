import { group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { breach, after } from './actions';
import { preview } from './session';
import { bare, type SheetState } from './state';

/** One microphone over a splitter to two desks: each line hears of the other's switch. */
const SPLIT = rigWith(
  [
    line('hall', ['a', 'b'], { key: 'a', shares: ['stream'] }),
    line('stream', ['a', 'b'], {
      key: 'b',
      shares: ['hall'],
      desk: 'stream desk',
      mixedAt: 'stream desk',
      device: 'stream',
    }),
  ],
  [group('a'), group('b', { device: 'stream', place: 'stream desk' })],
);
const rig = {
  ...SPLIT,
  devices: [...SPLIT.devices, { id: 'stream', name: 'stream', place: 'stream desk', power: 'mains' as const }],
};
const state = (more: Partial<SheetState>): SheetState => ({ ...bare(rig), now: 1000, ...more });
const liveB = { ...bare(rig).feeds, b: { feed: 'P48' as const, since: 0 } };
const ends = (hall: [boolean, boolean], stream: [boolean, boolean]) => ({
  hall: { stage: hall[0], desk: hall[1] },
  stream: { stage: stream[0], desk: stream[1] },
});

describe('plugging on shared conductors', () => {
  test('the source end counts every inlet that is in, whoever’s it is', () => {
    const streamIn = state({ ends: ends([false, false], [false, true]), feeds: liveB });
    expect(breach(rig, streamIn, { do: 'plug', line: 'hall', end: 'stage' })).toMatchObject({ invariant: 1 });
    const nobodyIn = state({ ends: ends([false, false], [false, false]), feeds: liveB });
    expect(breach(rig, nobodyIn, { do: 'plug', line: 'hall', end: 'stage' })).toBeUndefined();
  });

  test('an inlet end too: the other desk’s feed comes through', () => {
    const streamIn = state({ ends: ends([true, false], [true, true]), feeds: liveB });
    expect(breach(rig, streamIn, { do: 'plug', line: 'hall', end: 'desk' })).toMatchObject({ invariant: 1 });
    expect(
      breach(rig, state({ ends: ends([true, false], [true, false]), feeds: liveB }), {
        do: 'plug',
        line: 'hall',
        end: 'desk',
      }),
    ).toBeUndefined();
    expect(
      breach(rig, state({ ends: ends([true, false], [true, false]), feeds: liveB }), {
        do: 'plug',
        line: 'stream',
        end: 'desk',
      }),
    ).toMatchObject({ invariant: 1 });
  });

  test('charge counts like a feed', () => {
    const charged = { ...bare(rig).feeds, b: { feed: 'off' as const, since: 990 } };
    const streamIn = state({ ends: ends([false, false], [false, true]), feeds: charged });
    expect(breach(rig, streamIn, { do: 'plug', line: 'hall', end: 'stage' })?.why).toMatch(/may still be charged/);
  });

  test('pulling a shared source mutes every inlet that it reaches', () => {
    const open = state({
      ends: ends([true, true], [true, true]),
      muted: { hall: true, stream: false },
      monitors: { monitors: 'open' },
    });
    expect(breach(rig, open, { do: 'unplug', line: 'hall', end: 'stage' })).toMatchObject({ invariant: 1 });
    const aim = aimFor('strike', rig, open, {}, ['hall']);
    const { steps } = preview(rig, open, { ...aim, open: ['stream'] });
    const mute = steps.findIndex(({ action }) => action.do === 'mute' && action.lines.includes('stream'));
    expect(mute).toBeGreaterThanOrEqual(0);
    expect(mute).toBeLessThan(steps.findIndex(({ action }) => action.do === 'unplug'));
  });

  test('a feed harms a source over whichever plug is in', () => {
    const harmed = { ...rig, lines: rig.lines.map((each) => ({ ...each, stops: { b: ['P48' as const] } })) };
    const down = state({ ends: ends([true, true], [true, true]) });
    expect(breach(harmed, down, { do: 'feed', group: 'b', to: 'P48' })).toMatchObject({ invariant: 3 });
    const out = state({ ends: ends([true, true], [false, false]) });
    expect(breach(harmed, out, { do: 'feed', group: 'b', to: 'P48' })).toBeUndefined();
  });
});

describe('power', () => {
  test.each([
    [true, 'open'],
    [true, 'unknown'],
    [false, 'open'],
    [false, 'unknown'],
  ] as const)('turned %s with monitors %s: never', (on, monitors) => {
    const now = state({ mains: { desk: !on, stream: !on }, monitors: { monitors } });
    expect(breach(rig, now, { do: 'mains', device: 'desk', on })).toMatchObject({ invariant: 8 });
  });

  test('of a device without any feed as well, and by no moving of a step', () => {
    const mixer = { ...rig, groups: [], lines: rig.lines.map((each) => ({ ...each, groups: [], stops: {} })) };
    const loud: SheetState = { ...state({ monitors: { monitors: 'open' } }), feeds: {} };
    expect(breach(mixer, loud, { do: 'mains', device: 'desk', on: false })).toMatchObject({ invariant: 8 });
    const aim = aimFor('strike', mixer, loud, {}, ['hall', 'stream']);
    const { steps } = preview(mixer, loud, aim);
    const down = steps.findIndex(({ action }) => action.do === 'monitors');
    const off = steps.findIndex(({ action }) => action.do === 'mains');
    expect(down).toBeGreaterThanOrEqual(0);
    expect(down).toBeLessThan(off);
  });

  test('what is on already may be called on again', () =>
    expect(
      breach(rig, state({ monitors: { monitors: 'open' } }), { do: 'mains', device: 'desk', on: true }),
    ).toBeUndefined());

  test('with monitors down it goes', () => {
    expect(breach(rig, state({}), { do: 'mains', device: 'desk', on: false })).toBeUndefined();
    const off = after(rig, state({}), { do: 'mains', device: 'desk', on: false });
    expect(breach(rig, off, { do: 'mains', device: 'desk', on: true })).toBeUndefined();
  });
});
