import { group, line, rigWith, wish } from '../../../tests/sheets';
import { powersOf } from './powers';
import type { SheetRig } from './rig';
import { bare, type SheetState } from './state';
import type { Wanted } from './wanted';

/** A desk with a latched switch and another one, a recorder beside it. */
const RIG: SheetRig = {
  ...rigWith(
    [
      line('ribbon', ['a'], { stops: { a: ['P48'] } }),
      line('mic', ['a']),
      line('talk', ['b']),
      line('boom', ['c'], { device: 'recorder' }),
    ],
    [group('a', { latched: true }), group('b'), group('c', { device: 'recorder' })],
  ),
  devices: [
    { id: 'desk', name: 'desk', place: 'desk end', power: 'mains' },
    { id: 'recorder', name: 'recorder', place: 'desk end', power: 'mains' },
  ],
};
const NOTHING = wish([], {}, []);

interface Asked {
  wanted?: Wanted;
  handled?: string[];
  opened?: string[];
  out?: string[];
}
const powers = (more: Partial<SheetState>, { wanted = NOTHING, handled = [], opened = [], out = [] }: Asked = {}) => {
  const lines = (ids: string[]) => RIG.lines.filter(({ id }) => ids.includes(id));
  const { on, first, between, cut } = powersOf(
    RIG,
    { ...bare(RIG), mains: { desk: true, recorder: true }, ...more },
    wanted,
    { handled: lines(handled), opened: lines(opened), outOf: ({ id }) => (out.includes(id) ? ['desk'] : []) },
  );
  return { on: [...on], first: [...first], between: [...between], cut: [...cut] };
};
const dark: Partial<SheetState> = { mains: { desk: false, recorder: true } };
const unsure: Partial<SheetState> = { mains: { desk: 'unknown', recorder: true } };
const fed = (key: 'a' | 'b', feed: 'P48' | 'unknown'): Partial<SheetState> => ({
  feeds: { ...bare(RIG).feeds, [key]: { feed, since: 0 } },
});

describe('a device gets its power', () => {
  test('for a feed of any of its switches, or an inlet that opens; else it stays without', () => {
    expect(powers(dark).on).toEqual([]);
    expect(powers(dark, { wanted: wish([], { b: 'P48' }, []) }).on).toEqual(['desk']);
    expect(powers(dark, { opened: ['mic'] }).on).toEqual(['desk']);
    expect(powers(dark, { opened: ['boom'] }).on).toEqual([]);
    // A plug alone needs none, where what its switch is set to is known.
    expect(powers(dark, { wanted: wish(['mic'], {}, []), handled: ['mic'] }).on).toEqual([]);
    expect(powers({ ...dark, ...fed('a', 'unknown') }, { wanted: wish(['mic'], {}, []), handled: ['mic'] }).on).toEqual(
      ['desk'],
    );
  });

  test('not where it is to lose it, nor where a switch that cannot be turned off would come back', () => {
    const wanted = wish([], { b: 'P48' }, []);
    expect(powers(dark, { wanted: { ...wanted, unpowered: new Set(['desk']) } }).on).toEqual([]);
    const stuck = { ...wanted, stuck: new Set(['a']) };
    expect(powers({ ...dark, ...fed('a', 'P48') }, { wanted: stuck }).on).toEqual([]);
    expect(powers(dark, { wanted: stuck }).on).toEqual(['desk']);
  });

  test('after what a latched switch would harm has been pulled; where nothing can be harmed, at once', () => {
    const wanted = wish(['ribbon'], { b: 'P48' }, []);
    const back = { ...dark, ...fed('a', 'P48') };
    const ends = { ...bare(RIG).ends, ribbon: { stage: false, desk: true } };
    expect(powers({ ...back, ends }, { wanted, handled: ['ribbon'] })).toMatchObject({ first: [], between: ['desk'] });
    // Nobody handles it: then it stays dark.
    expect(powers({ ...back, ends }, { wanted })).toMatchObject({ on: [] });
    expect(powers(back, { wanted, handled: ['ribbon'] })).toMatchObject({ first: ['desk'], between: [] });
  });
});

describe('nobody knows whether a device has its power', () => {
  const wanted = { ...wish([], { a: 'P48' }, []), unpowered: new Set(['desk']) };
  const live = { ...unsure, ...fed('a', 'P48') };
  test('it is cut where something of its own moves, or a switch of it changes; not for another device’s lines', () => {
    expect(powers(live, { wanted }).cut).toEqual([]);
    expect(powers(live, { wanted, handled: ['mic'], out: ['mic'] }).cut).toEqual(['desk']);
    expect(powers(live, { wanted, handled: ['boom'], out: ['boom'] }).cut).toEqual([]);
    // Handled, and neither coming nor going: it is only muted.
    expect(powers(live, { wanted, handled: ['mic'] }).cut).toEqual([]);
    expect(powers(live, { wanted: { ...wanted, feeds: {} } }).cut).toEqual(['desk']);
  });

  test('with nothing that may feed it is left alone', () =>
    expect(powers(unsure, { wanted, handled: ['mic'], out: ['mic'] }).cut).toEqual([]));
});
