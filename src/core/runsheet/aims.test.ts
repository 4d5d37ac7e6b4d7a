import { carriedOut, group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { preview } from './session';
import { packed, unknown } from './state';

const RIG = rigWith([line('one', ['a']), line('two', ['a']), line('three', ['b'])], [group('a'), group('b')]);
const FEEDS = { a: 'P48', b: 'off' } as const;
const ALL = ['one', 'two', 'three'];
const set = carriedOut(
  RIG,
  packed(RIG),
  preview(RIG, packed(RIG), aimFor('set-up', RIG, packed(RIG), FEEDS, ALL)).steps,
);

test('a set-up wants its lines through and open, and their switches as the rig has them', () => {
  expect(aimFor('set-up', RIG, packed(RIG), FEEDS, ['one'])).toMatchObject({
    plugged: ['one'],
    open: ['one'],
    feeds: { a: 'P48', b: 'off' },
  });
  expect(set).toMatchObject({ monitors: { monitors: 'open' }, mains: { desk: true }, feeds: { a: { feed: 'P48' } } });
});

test('a change-over exchanges its lines and leaves everything else as it is', () => {
  const aim = aimFor('change-over', RIG, set, { a: 'off', b: 'P48' }, ['one']);
  expect(aim).toMatchObject({ plugged: ALL, exchanged: ['one'], open: ALL, feeds: { a: 'P48', b: 'off' } });
  expect(preview(RIG, set, aim).disturbed).toEqual(['two']);
});

test('a strike takes its lines out, and the power of a device that has none left', () => {
  const some = aimFor('strike', RIG, set, FEEDS, ['one', 'two']);
  expect(some).toMatchObject({ plugged: ['three'], open: ['three'], feeds: { a: 'off' }, unpowered: [] });
  const all = aimFor('strike', RIG, set, FEEDS, ALL);
  expect(all).toMatchObject({ plugged: [], open: [], unpowered: ['desk'] });
  const { steps } = preview(RIG, set, all);
  expect(carriedOut(RIG, set, steps)).toMatchObject({ monitors: { monitors: 'down' }, mains: { desk: false } });
});

test('where nothing is known, a strike takes everything out that may be in', () => {
  const { steps } = preview(RIG, unknown(RIG), aimFor('strike', RIG, unknown(RIG), FEEDS, ALL));
  const end = carriedOut(RIG, unknown(RIG), steps);
  expect(Object.values(end.ends)).toEqual(ALL.map(() => ({ stage: false, desk: false })));
  expect(Object.values(end.feeds).map(({ feed }) => feed)).toEqual(['off', 'off']);
});

test('only a change-over exchanges anything, and only where an end is named is one named', () => {
  for (const kind of ['set-up', 'strike'] as const)
    expect(aimFor(kind, RIG, set, FEEDS, ['one'])).toMatchObject({ exchanged: [] });
  expect(aimFor('change-over', RIG, set, FEEDS, ['one'])).not.toHaveProperty('exchangedAt');
  expect(aimFor('change-over', RIG, set, FEEDS, ['one'], 'stage').exchangedAt).toEqual({ one: 'stage' });
  // What is in at one end alone is plugged as a whole.
  const half = { ...set, ends: { ...set.ends, one: { stage: true, desk: false } } };
  expect(aimFor('change-over', RIG, half, FEEDS, ['one'], 'stage')).toMatchObject({
    exchanged: ['one'],
    exchangedAt: {},
  });
});

test('only a strike takes the power of a device on which nothing is left', () => {
  expect(aimFor('strike', RIG, set, FEEDS, ALL).unpowered).toEqual(['desk']);
  expect(aimFor('strike', RIG, set, FEEDS, ['one']).unpowered).toEqual([]);
  expect(aimFor('set-up', RIG, packed(RIG), FEEDS, []).unpowered).toEqual([]);
});

test('what a line was before the paper changed stays in while others are changed over; a set-up and a strike take it out', () => {
  const was = line('one as it was', ['a'], { was: 'one' });
  const room = rigWith([...RIG.lines, was], RIG.groups);
  const state = {
    ...set,
    ends: { ...set.ends, [was.id]: { stage: true, desk: true } },
    muted: { ...set.muted, [was.id]: false },
  };
  const plugged = (kind: 'set-up' | 'change-over' | 'strike', lines: string[]) =>
    aimFor(kind, room, state, FEEDS, lines).plugged.includes(was.id);
  expect(plugged('change-over', ['two'])).toBe(true);
  expect(plugged('change-over', ['one'])).toBe(false);
  expect(plugged('set-up', ['two'])).toBe(false);
  expect(plugged('strike', ['two'])).toBe(false);
});
