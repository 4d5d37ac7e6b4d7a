import { readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recordingMeter } from '@/core/signal';
import { measurementOf } from '@/core/noise/measurement';
import { measurementSchema } from '@/core/noise/noise.schema';
import type { Hunt } from '@/core/noise/hunt';
import { lastFloors, lastHums } from '@/core/noise/kept';
import { parseDocument } from '@/core/rig';
import { noise } from '../../tests/signals';
import { openStore } from './database';
import type { Store } from './store';
import { loadLog } from './log';
import {
  beginHunt,
  changeHunt,
  keepLadder,
  keepMeasurement,
  loadHunt,
  loadHunts,
  loadLadders,
  loadLastMeasurements,
  loadMeasurement,
  loadMeasurements,
  removeMeasurement,
  StaleHunt,
} from './noise';
import { createRig } from './rigs';

const AT = '2026-11-25T20:00:00.000Z';
const TOLD = { at: AT, who: 'Ida', text: 'told' };
let folder: string;
let store: Store;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  store = openStore(join(folder, 'noise.sqlite'));
  createRig(store, parseDocument(readFileSync('demo/lock-nine.json', 'utf8')), 'rig');
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

function measurement() {
  const meter = recordingMeter(48_000, 1, 96_000);
  meter.push([noise(96_000, 0.001)]);
  return measurementOf(meter, 0);
}
const kept = () => ({
  line: 'guide',
  at: AT,
  who: 'Ida',
  origin: 'file' as const,
  name: 'evening',
  gain: 41.5,
  measurement: measurement(),
});

test('of each line the last usable measurement is read, and the last with a known gain: what all of them say', () => {
  const first = kept();
  const louder = (by: number) => ({
    ...first.measurement,
    reading: {
      ...first.measurement.reading,
      rmsDbfs: -80 + by,
      floorDbfs: -80 + by,
      tones: [{ hz: 1000 + by, dbfs: -90, power: 1e-9 }],
    },
  });
  const at = (day: number) => `2026-11-${String(day).padStart(2, '0')}T20:00:00.000Z`;
  const put = (line: string, day: number, by: number, more: object = {}) =>
    keepMeasurement(store, 'rig', { ...first, line, at: at(day), measurement: louder(by), ...more }, 'told');
  const unusable = { ...louder(9), reading: { ...louder(9).reading, usable: false } };
  put('guide', 1, 1);
  put('guide', 3, 3, { gain: undefined });
  // Put back: it was made before, and is the last one that was kept.
  put('guide', 2, 2);
  put('guide', 4, 9, { measurement: unusable });
  put('announcer', 5, 5);
  put('announcer', 6, 6);
  put('camera', 7, 9, { measurement: unusable });
  put('double-bass', 8, 8, { gain: undefined });
  const last = loadLastMeasurements(store, 'rig');
  const all = loadMeasurements(store, 'rig');
  expect(lastFloors(last)).toEqual(lastFloors(all));
  expect(lastHums(last)).toEqual(lastHums(all));
  expect(Object.keys(lastHums(all)).toSorted()).toEqual(['announcer', 'guide']);
  expect(last.map((each) => `${each.line} ${each.at.slice(8, 10)}`).toSorted()).toEqual([
    'announcer 06',
    'double-bass 08',
    'guide 02',
    'guide 03',
  ]);
  expect(loadMeasurements(store, 'rig', 'guide').map((each) => each.at.slice(8, 10))).toEqual(['01', '02', '03', '04']);
  expect(loadLastMeasurements(store, 'other')).toEqual([]);
});

test('figures are kept with line, gain and date; what a meter makes passes the door as it is', () => {
  const { at: _at, ...sent } = kept();
  expect(measurementSchema.validate(JSON.parse(JSON.stringify(sent))).error).toBeUndefined();
  expect(measurementSchema.validate({ ...sent, colour: 'red' }).error?.message).toContain('colour');
  const id = keepMeasurement(store, 'rig', kept(), 'measured it');
  const { spectrum, course, ...figures } = kept().measurement;
  expect(Math.min(spectrum.length, course.levels.length)).toBeGreaterThan(3);
  expect(loadMeasurements(store, 'rig')).toEqual([{ id, ...kept(), measurement: figures }]);
  expect(loadMeasurement(store, 'rig', id)).toEqual({ id, ...kept() });
  expect(loadMeasurement(store, 'other', id)).toBeUndefined();
  expect(loadLog(store, 'rig')).toContainEqual(
    expect.objectContaining({ kind: 'measured', text: 'measured it', lines: ['guide'], who: 'Ida' }),
  );
});

test('a measurement is taken out by its own rig only', () => {
  const id = keepMeasurement(store, 'rig', kept(), '');
  expect(removeMeasurement(store, 'other', id)).toBeUndefined();
  expect(removeMeasurement(store, 'rig', id)).toEqual({ id, ...kept() });
  expect(loadMeasurements(store, 'rig')).toEqual([]);
  expect(removeMeasurement(store, 'rig', id)).toBeUndefined();
});

test('what is put back stands where it was: by when it was measured', () => {
  const first = keepMeasurement(store, 'rig', { ...kept(), name: 'first' }, '');
  keepMeasurement(store, 'rig', { ...kept(), name: 'second', at: '2026-11-26T20:00:00.000Z' }, '');
  const { id: _id, ...gone } = removeMeasurement(store, 'rig', first)!;
  keepMeasurement(store, 'rig', gone, 'put back', '2026-11-27T08:00:00.000Z');
  expect(loadLog(store, 'rig')).toContainEqual(
    expect.objectContaining({ text: 'put back', at: '2026-11-27T08:00:00.000Z' }),
  );
  expect(loadMeasurements(store, 'rig').map(({ name }) => name)).toEqual(['first', 'second']);
});

test('ladders are kept rung by rung', () => {
  const measured = { power: 1e-8, error: 1e-10 };
  const readings = [{ rung: 'as-used' as const, gain: 40, plain: measured, weighted: measured }];
  keepLadder(store, 'rig', { line: 'guide', at: AT, who: '', kind: 'moving coil', readings }, 'Ladder');
  expect(loadLadders(store, 'rig')).toMatchObject([{ line: 'guide', kind: 'moving coil', readings }]);
});

test('a hunt survives the process, takes steps in turn, and refuses one about an older version', () => {
  const hunt: Hunt = {
    way: 'take-away',
    line: 'guide',
    suspects: [
      { id: 'a', name: 'A', kind: 'charger' },
      { id: 'b', name: 'B', kind: 'lamp' },
    ],
    steps: [],
  };
  const { id } = beginHunt(store, 'rig', hunt, TOLD);
  const step = {
    on: ['a'],
    components: { hum: 0, buzz: 0, tones: 1e-8, hiss: 1e-9 },
    spectrum: [{ hz: 50, level: -80 }],
    at: AT,
  };
  expect(changeHunt(store, 'rig', id, 1, { step }, TOLD)).toMatchObject({ version: 2 });
  expect(() => changeHunt(store, 'rig', id, 1, { step }, TOLD)).toThrow(StaleHunt);
  store.close();
  store = openStore(join(folder, 'noise.sqlite'));
  expect(loadHunt(store, 'rig', id)?.hunt.steps).toEqual([step]);
  // A list of hunts has no spectra; the hunt itself has, also after the next step.
  const { spectrum: _spectrum, ...listed } = step;
  expect(loadHunts(store, 'rig')[0].hunt.steps).toEqual([listed]);
  expect(changeHunt(store, 'rig', id, 2, { step }, TOLD)?.hunt.steps).toEqual([step, step]);
  changeHunt(store, 'rig', id, 3, { undo: true }, TOLD);
  expect(changeHunt(store, 'rig', id, 4, { undo: true }, TOLD)?.hunt.steps).toEqual([]);
  expect(changeHunt(store, 'rig', 99, 1, { step }, TOLD)).toBeUndefined();
  expect(loadHunts(store, 'rig')).toHaveLength(1);
  expect(loadLog(store, 'rig').filter(({ kind }) => kind === 'hunt')).toHaveLength(5);
});
