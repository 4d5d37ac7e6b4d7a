import { readFileSync } from 'node:fs';
import { DocumentError, parseDocument } from '@/core/rig';
import { storeForEach } from '../../tests/stores';
import type { Store } from './store';
import {
  importKit,
  kitRevisions,
  loadItem,
  loadKit,
  loadSavedItem,
  recordAnswer,
  removeItem,
  saveItem,
  StaleItem,
} from './kit';
import { openRig } from './opened';
import { createRig, listRevisions, listRigs, loadRig, removeRig, restoreRig } from './rigs';

let store: Store;
const kit = JSON.parse(readFileSync('demo/kit.json', 'utf8'));
const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const fact = { who: 'repair shop at the quay', when: '2026-05-02' };

storeForEach((made) => {
  store = made;
});

test('a kit is imported, changed item by item, and keeps its owner’s order', () => {
  importKit(store, kit);
  expect(loadKit(store)).toEqual(kit.items);
  const pad = { ...loadItem(store, 'pad')!, count: 5 };
  saveItem(store, 'pad', pad);
  expect(loadItem(store, 'pad')!.count).toBe(5);
  expect(loadKit(store).map(({ id }) => id)).toEqual(kit.items.map(({ id }: { id: string }) => id));
  importKit(store, { ...kit, items: [kit.items[0]] });
  expect(loadKit(store)).toHaveLength(kit.items.length);
});

test('what is wrong is refused and changes nothing; former states are kept', () => {
  importKit(store, kit);
  expect(() => saveItem(store, 'pad', { ...loadItem(store, 'pad')!, colour: 'red' })).toThrow(DocumentError);
  expect(() => saveItem(store, 'other', loadItem(store, 'pad'))).toThrow(/must be other, as in the address/);
  expect(() => importKit(store, { ...kit, items: [...kit.items, { id: 'x' }] })).toThrow(DocumentError);
  expect(loadKit(store)).toEqual(kit.items);
  expect(removeItem(store, 'pad')).toBe(true);
  expect(removeItem(store, 'pad')).toBe(false);
  const { item } = store
    .prepare("SELECT item FROM kit_item_before WHERE item_id = 'pad' AND item IS NOT NULL")
    .get() as {
    item: string;
  };
  expect(JSON.parse(item).name).toBe('pad of 20 dB');
});

test('an answer goes to the kit and to every rig that uses the item, each as a new revision', () => {
  importKit(store, kit);
  const [one, two, three] = ['one', 'two', 'three'].map((id) => createRig(store, { ...rig, name: id }, id).id);
  const empty = createRig(store, { ...rig, name: 'empty', lines: [], units: [], mains: undefined }, 'empty').id;
  const told = recordAnswer(store, 'ribbon-left', { fact, choice: 'tap', value: 'none' }, three)!;
  expect(told).toMatchObject({
    places: 2,
    rigs: 2,
    item: { part: { choices: { tap: 'none' }, facts: { tap: fact } } },
  });
  for (const id of [one, two]) {
    const { revision, document } = loadRig(store, id)!;
    expect(revision).toBe(2);
    expect(document.lines.find((line) => line.id === 'ribbon-left')!.source).toMatchObject({
      choices: { tap: 'none' },
    });
  }
  expect(listRevisions(store, three)).toHaveLength(1);
  expect(listRevisions(store, empty)).toHaveLength(1);
});

test('an answer that does not fit is refused, and no rig is touched', () => {
  importKit(store, kit);
  createRig(store, rig, 'one');
  expect(() => recordAnswer(store, 'ribbon-left', { fact, choice: 'tap', value: 'perhaps' })).toThrow(DocumentError);
  expect(() => recordAnswer(store, 'hold-desk', { fact, choice: 'tap', value: 'none' })).toThrow(/sources and links/);
  expect(recordAnswer(store, 'nobody', { fact, choice: 'tap', value: 'none' })).toBeUndefined();
  expect(loadRig(store, 'one')!.revision).toBe(1);
});

test('a removed rig is off the list and comes back whole; an empty database gets a rig to begin with', () => {
  createRig(store, rig, 'one');
  createRig(store, { ...rig, name: 'two' }, 'two');
  expect(removeRig(store, 'one')).toBe(true);
  expect(removeRig(store, 'one')).toBe(false);
  expect(listRigs(store).map(({ id }) => id)).toEqual(['two']);
  expect(openRig(store, 'one').saved.id).toBe('two');
  expect(restoreRig(store, 'one')).toBe(true);
  expect(openRig(store, 'one').saved.document).toEqual(rig);
  removeRig(store, 'one');
  removeRig(store, 'two');
  const fresh = openRig(store);
  expect(fresh.saved.document.lines).toEqual([]);
  expect(fresh.rigs).toEqual([{ id: fresh.saved.id, name: 'My rig' }]);
});

describe('two who change one item', () => {
  const pad = () => loadSavedItem(store, 'pad')!;
  beforeEach(() => void importKit(store, kit));

  test('the second is told what the first made of it, and nothing of theirs is lost', () => {
    const { item, revision } = pad();
    const first = saveItem(store, 'pad', { ...item, count: 7 }, revision);
    expect(() => saveItem(store, 'pad', { ...item, note: 'dented' }, revision)).toThrow(StaleItem);
    expect(pad()).toEqual(first);
    expect(() => removeItem(store, 'pad', revision)).toThrow(StaleItem);
    expect(pad().item.count).toBe(7);
    expect(removeItem(store, 'pad', first.revision)).toBe(true);
  });

  test('what was removed and put back is not what was seen before', () => {
    const { item, revision } = pad();
    removeItem(store, 'pad');
    expect(() => saveItem(store, 'pad', item, revision)).toThrow(/no item pad any more/);
    const back = saveItem(store, 'pad', item, 'new');
    expect(back.revision).toBeGreaterThan(revision);
    expect(() => saveItem(store, 'pad', item, 'new')).toThrow(StaleItem);
    expect(kitRevisions(store).pad).toBe(back.revision);
  });

  test('removing what is not there writes nothing', () => {
    const kept = () => store.prepare('SELECT count(*) FROM kit_item_before').pluck().get();
    const before = kept();
    expect(removeItem(store, 'nobody')).toBe(false);
    expect(kept()).toBe(before);
  });
});
