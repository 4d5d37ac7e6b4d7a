import type { Store } from './store';
import { storeForEach } from '../../tests/stores';
import { loadLog } from './log';
import {
  keepCableTest,
  keepInletSheet,
  keepRepair,
  loadCableTests,
  loadFailures,
  loadInletSheets,
  loadPriors,
  loadRepairs,
  removeCableTest,
  removeInletSheet,
  setPriors,
  setRepairEnd,
  takeRepairBack,
} from './testing';
import { removeRig } from './rigs';
import { loadDemo } from './demo';

let store: Store;
storeForEach((opened) => {
  store = opened;
  loadDemo(store);
  // The demo has a history of its own.
  store.exec('DELETE FROM repair; DELETE FROM cable_test; DELETE FROM log_entry');
});

const kept = {
  line: 'announcer',
  who: 'Jo',
  act: 'Swap cable 20 m, old for a good one',
  what: 'cable 20 m, old: pin 3 open',
  counts: { class: 'cable', type: 'open', item: 'old' } as const,
};

test('repairs that helped are learned from, those that did not are in the log alone; a removed rig takes nothing away', () => {
  keepRepair(store, 'lock-nine', '2026-11-27T12:00:00.000Z', 'It helped', { ...kept, helped: true });
  keepRepair(store, 'lock-nine', '2026-11-27T12:01:00.000Z', 'It didn’t help', { ...kept, helped: false });
  expect(loadRepairs(store)).toEqual([kept.counts]);
  expect(loadLog(store, 'lock-nine').flatMap(({ kind, text }) => (kind === 'tested' ? [text] : []))).toEqual([
    'It helped',
    'It didn’t help',
  ]);
  removeRig(store, 'lock-nine');
  expect(loadRepairs(store)).toEqual([kept.counts]);
});

test('cable tests are kept as they were seen, newest first, and can be taken out', () => {
  const test = {
    label: 'stage box 7',
    who: '',
    connector: 'xlr3' as const,
    observations: [{ instrument: 'lamps', at: 'junction 0', seen: '2 lit, 3 lit' }],
  };
  const first = keepCableTest(store, '2026-11-27T12:00:00.000Z', test);
  const second = keepCableTest(store, '2026-11-27T12:02:00.000Z', { ...test, label: 'stage box 8', item: 'cable-20' });
  expect(loadCableTests(store)).toEqual([second, first]);
  expect(loadCableTests(store, 'stage box 7')).toEqual([first]);
  expect(removeCableTest(store, first.id)).toBe(true);
  expect(removeCableTest(store, first.id)).toBe(false);
  expect(loadCableTests(store).map(({ label }) => label)).toEqual(['stage box 8']);
});

test('what did not help after all counts no more, and the log says so; of another rig nothing is taken', () => {
  const id = keepRepair(store, 'lock-nine', '2026-11-27T12:00:00.000Z', 'It helped', { ...kept, helped: true });
  expect(takeRepairBack(store, 'lock-nine-mended', id, '2026-11-27T12:01:00.000Z')).toBe(false);
  expect(takeRepairBack(store, 'lock-nine', id, '2026-11-27T12:01:00.000Z')).toBe(true);
  expect(takeRepairBack(store, 'lock-nine', id, '2026-11-27T12:02:00.000Z')).toBe(false);
  expect(loadRepairs(store)).toEqual([]);
  expect(loadLog(store, 'lock-nine').findLast(({ kind }) => kind === 'tested')?.text).toBe(
    `Taken back: ${kept.act}. It didn’t help after all`,
  );
});

test('sheets of inlets are kept whole, told in the log with what is not right, and taken out of their rig alone', () => {
  const sheet = {
    device: 'desk',
    name: 'Hold desk',
    who: 'Ida',
    means: { meter: { share: 0.005, digits: 0.01 }, load: 6800, loadTolerance: 0.001 },
    readings: [
      { inlet: '1', name: 'inlet 1', feed: 'P48' as const, open: [48, 48] as [number, number] },
      { inlet: '2', name: 'inlet 2', feed: 'P48' as const, lamps: 'only 3' as const },
    ],
  };
  const saved = keepInletSheet(store, 'lock-nine', '2026-11-27T12:00:00.000Z', sheet);
  expect(loadInletSheets(store, 'lock-nine')[0]).toEqual({ ...sheet, id: saved.id, at: '2026-11-27T12:00:00.000Z' });
  expect(loadLog(store, 'lock-nine').findLast(({ kind }) => kind === 'tested')).toMatchObject({
    kind: 'tested',
    text: 'Hold desk: 2 inlets read, not right: inlet 2',
  });
  expect(removeInletSheet(store, 'lock-nine-mended', saved.id)).toBe(false);
  expect(removeInletSheet(store, 'lock-nine', saved.id)).toBe(true);
});

test('failures are told by item, newest first, with the end once somebody has looked; what priors were said is kept', () => {
  const at = (n: number) => `2026-11-2${n}T12:00:00.000Z`;
  const id = keepRepair(store, 'lock-nine', at(1), 'It helped', { ...kept, helped: true });
  keepRepair(store, 'lock-nine', at(2), 'It helped', { ...kept, helped: true, what: 'later' });
  keepRepair(store, 'lock-nine', at(3), 'It didn’t help', { ...kept, helped: false });
  expect(loadFailures(store)).toEqual([
    { item: 'old', at: at(2), what: 'later' },
    { item: 'old', at: at(1), what: kept.what },
  ]);
  expect(setRepairEnd(store, 'lock-nine-mended', id, 'inlet')).toBe(false);
  expect(setRepairEnd(store, 'lock-nine', id, 'inlet')).toBe(true);
  expect(loadRepairs(store)[0]).toEqual({ ...kept.counts, end: 'inlet' });
  expect(loadPriors(store)).toEqual({});
  setPriors(store, { cable: { open: 12 } });
  setPriors(store, { desk: { muted: 3 } });
  expect(loadPriors(store)).toEqual({ desk: { muted: 3 } });
});
