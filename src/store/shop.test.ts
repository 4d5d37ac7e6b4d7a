import { storeForEach } from '../../tests/stores';
import { loadDemo } from './demo';
import { loadLog } from './log';
import { beginShop, changeShop, loadShop, loadShopRecord, removeShop } from './shop';
import type { Store } from './store';

let store: Store;
storeForEach((opened) => {
  store = opened;
  loadDemo(store);
});

const record = { unit: 'Laptop', item: 'laptop', rig: { id: 'lock-nine', name: 'Lock Nine' }, asked: [] };
const begin = () => beginShop(store, record, '2026-05-09T10:00:00.000Z', 'Jo');

test('a record is begun, is in the log, and belongs to its item', () => {
  const { id, version } = begin();
  expect(version).toBe(1);
  expect(loadShop(store, 'laptop').map((each) => each.id)).toEqual([id]);
  expect(loadShop(store, 'violin')).toEqual([]);
  expect(loadLog(store, 'lock-nine')).toContainEqual(
    expect.objectContaining({ text: 'Laptop is for the repair shop' }),
  );
});

test('a suspect of a hunt has one record, however often it is asked for; another hunt is another one', () => {
  const of = (id: number) =>
    beginShop(store, { ...record, hunt: { id, suspect: 'laptop', line: 'laptop' } }, '2026-05-09T10:00:00.000Z', 'Jo');
  const first = of(1);
  changeShop(store, first.id, 1, { asked: [], serial: '12' });
  expect(of(1)).toMatchObject({ id: first.id, version: 2, record: { serial: '12' } });
  expect(of(2).id).not.toBe(first.id);
  expect(loadShop(store)).toHaveLength(2);
  expect(loadLog(store, 'lock-nine').filter(({ text }) => text === 'Laptop is for the repair shop')).toHaveLength(2);
});

test('what is said later stays, what is left out goes, and the item may be another one', () => {
  const { id } = begin();
  const done = { what: 'capacitor', by: 'shop at the quay', on: '2026-05-20', cost: '40', warranty: '2027-05-20' };
  const next = changeShop(store, id, 1, {
    serial: '12',
    asked: [{ who: 'maker', said: 'known', on: '2026-05-10' }],
    done,
  });
  expect(next).toMatchObject({ version: 2, record: { unit: 'Laptop', serial: '12', done } });
  expect(next!.record).not.toHaveProperty('item');
  expect(loadShop(store, 'laptop')).toEqual([]);
  changeShop(store, id, 2, { asked: [], item: 'laptop' });
  expect(loadShop(store, 'laptop')[0].record).not.toHaveProperty('done');
});

test('of two who change it the second is told, and nothing is lost', () => {
  const { id } = begin();
  changeShop(store, id, 1, { asked: [], serial: 'first' });
  expect(() => changeShop(store, id, 1, { asked: [], serial: 'second' })).toThrow(/changed this record/);
  expect(loadShopRecord(store, id)!.record.serial).toBe('first');
});

test('what is gone is gone, once', () => {
  const { id } = begin();
  expect([removeShop(store, id), removeShop(store, id)]).toEqual([true, false]);
  expect(changeShop(store, id, 1, { asked: [] })).toBeUndefined();
});
