import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseDocument, setFeed } from '@/core/rig';
import { aimFor, ReportRefused, type Aim } from '@/core/runsheet';
import { openStore } from './database';
import type { Store } from './store';
import { loadLog } from './log';
import { createRig, loadRig, saveRig } from './rigs';
import { keptSwitching, loadSwitching, sheetVersion, StaleSheet, reportSwitching, type SheetReport } from './switching';

const whole = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
/** Few lines: following their circuits takes its time. */
const demo = {
  ...whole,
  lines: whole.lines.filter(({ id }) => ['pair-a-left', 'pair-a-right', 'announcer'].includes(id)),
  units: [],
};
const AT = Date.UTC(2026, 10, 25, 12);
let folder: string;
let store: Store;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  store = openStore(join(folder, 'sheet.sqlite'));
  createRig(store, demo, 'rig');
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

const tell = (report: SheetReport['report'], at = AT, version = sheetVersion(store, 'rig')) =>
  reportSwitching(store, 'rig', { version, who: 'Ida', report }, at)!;
function aim(lines: string[]): Aim {
  const { rig, session } = loadSwitching(store, 'rig')!;
  return aimFor('set-up', rig, session.state, { 'desk bank-a': 'P48' }, lines);
}
const begin = (lines = ['pair-a-left', 'pair-a-right']) => tell({ report: 'begin', aim: aim(lines) });

test('a sheet that nobody started is at version 0, with nothing known; a rig that is not there has none', () => {
  expect(loadSwitching(store, 'rig')).toMatchObject({
    version: 0,
    revision: 1,
    session: { state: { monitors: { monitors: 'unknown' } } },
  });
  expect(keptSwitching(store, 'rig')).toBeUndefined();
  expect(loadSwitching(store, 'other')).toBeUndefined();
  expect(reportSwitching(store, 'other', { version: 0, who: '', report: { report: 'end' } }, AT)).toBeUndefined();
});

test('a sheet goes on where it was when the database is opened again, clock and all', () => {
  tell({ report: 'start', from: 'packed' });
  let sheet = begin();
  // Until a feed has settled, with everything plugged.
  for (let at = AT; sheet.session.steps[1].action.do !== 'open'; at += 1000) {
    at = Math.max(at, (sheet.session.until ?? 0) * 1000);
    sheet = tell({ report: 'done' }, at);
  }
  store.close();
  store = openStore(join(folder, 'sheet.sqlite'));
  const again = loadSwitching(store, 'rig')!;
  expect(again).toEqual(sheet);
  expect(again.session.until).toBeGreaterThan(AT / 1000);
  expect(() => tell({ report: 'done' }, again.session.until! * 1000 - 500)).toThrow(ReportRefused);
  expect(tell({ report: 'done' }, again.session.until! * 1000).session.steps[0].action.do).toBe('open');
});

test('of two reports about one version the second is refused, and told how things are', () => {
  tell({ report: 'start', from: 'packed' });
  const { version, session } = begin();
  const done = tell({ report: 'done' }, AT, version);
  try {
    tell({ report: 'done' }, AT, version);
    throw new Error('was taken');
  } catch (problem) {
    expect(problem).toBeInstanceOf(StaleSheet);
    expect((problem as StaleSheet).current).toEqual(done);
  }
  expect(loadSwitching(store, 'rig')!.session.done).toHaveLength(session.done.length + 1);
});

test('every report is in the log with its time and who, beside the saves of the rig; what is refused is not', () => {
  tell({ report: 'start', from: 'packed' }, AT);
  begin();
  tell({ report: 'done' }, AT + 2000);
  expect(() => tell({ report: 'done', count: 999 }, AT + 3000)).toThrow(ReportRefused);
  const log = loadLog(store, 'rig').filter(({ kind }) => kind !== 'rig');
  expect(log.map(({ kind, who }) => [kind, who])).toEqual([
    ['sheet', 'Ida'],
    ['sheet', 'Ida'],
    ['step', 'Ida'],
  ]);
  expect(log[2]).toMatchObject({
    at: new Date(AT + 2000).toISOString(),
    text: 'Check monitors are down. If not, turn them down.',
    fed: {},
  });
  expect(loadLog(store, 'rig').some(({ text }) => text === 'Saved as revision 1: Created')).toBe(true);
});

test('a sheet that is begun takes the rig as it was last saved', () => {
  tell({ report: 'start', from: 'packed' });
  saveRig(store, 'rig', 1, setFeed(loadRig(store, 'rig')!.document, 'desk', 'bank-b', 'P48'));
  expect(loadSwitching(store, 'rig')!.revision).toBe(1);
  expect(begin().revision).toBe(2);
  saveRig(store, 'rig', 2, { ...demo, lines: demo.lines.filter(({ id }) => id !== 'pair-a-left') });
  const adopted = tell({ report: 'adopt', seen: [], asOnPaper: [] });
  expect(adopted.revision).toBe(3);
  expect(adopted.session.aim?.plugged).toEqual(['pair-a-right']);
});

test('what is done at one place is taken whatever has been done elsewhere meanwhile; twice it is refused', () => {
  tell({ report: 'start', from: 'packed' });
  const { version, session } = begin();
  const stage = session.steps.find(({ place }) => place === 'Hold, stage end')!;
  tell({ report: 'done' }, AT, version);
  const at = { place: stage.place!, actions: [stage.action] };
  const next = tell({ report: 'done', at }, AT + 1000, version);
  expect(next.version).toBe(version + 2);
  expect(next.session.done.at(-1)).toMatchObject({ place: stage.place, action: stage.action });
  expect(() => tell({ report: 'done', at }, AT + 2000, version)).toThrow('Something else is next at Hold, stage end');
  expect(loadLog(store, 'rig')).toContainEqual(
    expect.objectContaining({ kind: 'step', place: stage.place, lines: ['pair-a-left'] }),
  );
});
