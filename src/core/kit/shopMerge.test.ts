import { mergedShop, type ShopSaid } from './shopMerge';

const base: ShopSaid = { serial: '12', asked: [{ who: 'maker', said: 'known', on: '2026-05-10' }] };
const shop = { who: 'shop', said: 'two weeks', on: '2026-05-11' };
const friend = { who: 'colleague', said: 'has the same', on: '2026-05-11' };

test('different fields of both stand, and so does whoever was asked', () => {
  const mine = { ...base, again: '−98 dBFS', asked: [...base.asked, friend] };
  const theirs = { ...base, item: 'laptop', asked: [...base.asked, shop] };
  expect(mergedShop(base, mine, theirs)).toEqual({
    said: { serial: '12', item: 'laptop', again: '−98 dBFS', asked: [...base.asked, shop, friend] },
    both: [],
  });
});

test('where both changed a field mine stands and the field is named', () => {
  const { said, both } = mergedShop(base, { ...base, serial: '13' }, { ...base, serial: '14' });
  expect([said.serial, both]).toEqual(['13', ['serial']]);
});

test('both wrote the same: nothing is named', () => {
  expect(mergedShop(base, { ...base, serial: '13' }, { ...base, serial: '13' }).both).toEqual([]);
});

test('what one of them took away stays away', () => {
  const { serial: _gone, ...left } = base;
  expect(mergedShop(base, left, base).said).not.toHaveProperty('serial');
  expect(mergedShop(base, base, left).said).not.toHaveProperty('serial');
});

test('asked by both with the same words is asked once', () => {
  const asked = [...base.asked, shop];
  expect(mergedShop(base, { ...base, asked }, { ...base, asked }).said.asked).toEqual(asked);
});
