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
