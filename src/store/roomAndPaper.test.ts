import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseDocument, removeLine, setFeed, type RigDocument } from '@/core/rig';
import { moveLine } from '@/core/rig/rigEdits';
import { aimFor, ReportRefused, type Session } from '@/core/runsheet';
import { openStore } from './database';
import type { Store } from './store';
import { loadLog } from './log';
import { createRig, loadRig, saveRig } from './rigs';
import { differsNow, loadSwitching, sheetVersion, reportSwitching, type SheetReport } from './switching';

/** The rig is changed on paper while plugs are in: by Plan, Rig, import, another tab. */
const whole = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
const FEW = ['ribbon-left', 'pair-a-left', 'announcer'];
const demo: RigDocument = { ...whole, lines: whole.lines.filter(({ id }) => FEW.includes(id)), units: [] };
const AT = Date.UTC(2026, 10, 25, 12);
let folder: string;
let store: Store;
let at = AT;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  store = openStore(join(folder, 'room.sqlite'));
  createRig(store, demo, 'rig');
  at = AT;
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

const tell = (report: SheetReport['report']) =>
  reportSwitching(store, 'rig', { version: sheetVersion(store, 'rig'), who: 'Ida', report }, (at += 1000))!;
const save = (change: (document: RigDocument) => RigDocument) => {
  const { document, revision } = loadRig(store, 'rig')!;
  saveRig(store, 'rig', revision, change(document));
};
const begin = (lines: string[], feeds = {}) => {
  const { rig, session } = loadSwitching(store, 'rig')!;
  return tell({ report: 'begin', aim: aimFor('set-up', rig, session.state, feeds, lines) });
};
function follow(session: Session): void {
  for (let now = session; now.steps.length;) {
    if (now.until !== undefined) at = Math.max(at, now.until * 1000);
    now = tell({ report: 'done' }).session;
  }
}
/** Everything is set up with the feeds off. */
const setUp = () => {
  tell({ report: 'start', from: 'packed' });
  follow(begin(FEW).session);
};
/** Another inlet of the same device on the other bank, where nothing is. */
const elsewhere = { device: 'desk', inlet: '16' };

test('the example that harmed a ribbon: moved on paper, it hangs where it was, and that bank does not come on', () => {
  setUp();
  save((document) => moveLine(document, 'ribbon-left', elsewhere));
  expect(differsNow(store, 'rig')!.differences).toMatchObject([{ line: 'ribbon-left' }]);
  tell({ report: 'adopt', seen: ['ribbon-left'], asOnPaper: [] });
  const { rig, session } = loadSwitching(store, 'rig')!;
  const was = rig.lines.find((line) => line.was === 'ribbon-left')!;
  expect(session.state.ends[was.id]).toEqual({ stage: true, desk: true });
  expect(session.state.ends['ribbon-left']).toEqual({ stage: false, desk: false });
  const bank = was.key!;
  // A sheet that wants its bank on pulls it first.
  const { steps } = begin(['pair-a-left'], { [bank]: 'P48' }).session;
  const pulled = steps.findLastIndex(({ action }) => action.do === 'unplug' && action.line === was.id);
  const on = steps.findIndex(({ action }) => action.do === 'feed' && action.group === bank && action.to !== 'off');
  expect(pulled).toBeGreaterThanOrEqual(0);
  if (on >= 0) expect(pulled).toBeLessThan(on);
});

test('nothing is taken over unseen: a sheet is not begun before somebody has been asked', () => {
  setUp();
  save((document) => moveLine(document, 'ribbon-left', elsewhere));
  const version = sheetVersion(store, 'rig');
  expect(() => begin(['pair-a-left'])).toThrow(
    /changed on paper while these are plugged: .*Say first how they are plugged now\./,
  );
  expect(() => tell({ report: 'adopt', seen: [], asOnPaper: [] })).toThrow(ReportRefused);
  expect(sheetVersion(store, 'rig')).toBe(version);
});

test('what changes again between looking and answering is asked again', () => {
  setUp();
  save((document) => moveLine(document, 'ribbon-left', elsewhere));
  const seen = differsNow(store, 'rig')!.differences.map(({ line }) => line);
  save((document) => removeLine(document, 'announcer'));
  expect(() => tell({ report: 'adopt', seen, asOnPaper: [] })).toThrow(ReportRefused);
  const both = differsNow(store, 'rig')!.differences.map(({ line }) => line);
  expect(tell({ report: 'adopt', seen: both, asOnPaper: [] }).rig.lines.filter(({ was }) => was)).toHaveLength(2);
});

test('a line that has left the document is pulled by a strike, and not before', () => {
  setUp();
  save((document) => removeLine(document, 'announcer'));
  tell({ report: 'adopt', seen: ['announcer'], asOnPaper: [] });
  const { rig, session } = loadSwitching(store, 'rig')!;
  const was = rig.lines.find((line) => line.was === 'announcer')!;
  const { steps } = tell({ report: 'begin', aim: aimFor('strike', rig, session.state, {}, ['pair-a-left']) }).session;
  expect(steps.filter(({ action }) => action.do === 'unplug' && action.line === was.id)).toHaveLength(2);
});

test('said to be as on paper it is; said to be pulled it is out', () => {
  setUp();
  save((document) => removeLine(moveLine(document, 'ribbon-left', elsewhere), 'announcer'));
  const seen = differsNow(store, 'rig')!.differences.map(({ line }) => line);
  const { rig, session } = tell({ report: 'adopt', seen, asOnPaper: seen });
  expect(rig.lines.filter(({ was }) => was)).toEqual([]);
  expect(session.state.ends['ribbon-left']).toEqual({ stage: true, desk: true });
  expect(session.state.ends.announcer).toBeUndefined();
});

test('what is no plug is taken over without a question: a switch, a name, an answer, a battery', () => {
  setUp();
  save((document) => ({
    ...setFeed(document, 'desk', 'bank-b', 'P48'),
    lines: document.lines.map((line) => ({ ...line, name: `${line.name}, renamed` })),
  }));
  expect(differsNow(store, 'rig')!.differences).toEqual([]);
  const { rig, revision } = tell({ report: 'adopt', seen: [], asOnPaper: [] });
  expect(revision).toBe(2);
  expect(rig.lines.every(({ was }) => was === undefined)).toBe(true);
});

test('what is not plugged may change as it likes', () => {
  tell({ report: 'start', from: 'packed' });
  save((document) => moveLine(document, 'ribbon-left', elsewhere));
  expect(differsNow(store, 'rig')!.differences).toEqual([]);
  expect(begin(FEW).revision).toBe(2);
});

test('an adapter in its way is another way', () => {
  setUp();
  save((document) => ({
    ...document,
    lines: document.lines.map((line) =>
      line.id === 'announcer' ? { ...line, links: [...line.links, { kind: 'polarity-reverser' }] } : line,
    ),
  }));
  expect(differsNow(store, 'rig')!.differences).toMatchObject([{ line: 'announcer' }]);
});

test('the log is credited with what the source had where it was, under the name of its line', () => {
  setUp();
  save((document) => moveLine(document, 'announcer', elsewhere));
  tell({ report: 'adopt', seen: ['announcer'], asOnPaper: [] });
  const { rig } = loadSwitching(store, 'rig')!;
  const was = rig.lines.find((line) => line.was === 'announcer')!;
  tell({ report: 'found', what: { feed: was.key!, is: 'P48' } });
  expect(loadLog(store, 'rig').some(({ fed }) => fed?.announcer === 'P48')).toBe(true);
  const lines = loadLog(store, 'rig').flatMap((entry) => entry.lines);
  expect(lines.every((id) => FEW.includes(id))).toBe(true);
  expect(loadLog(store, 'rig').some(({ text }) => /still in the room: .*\(as it was\)/.test(text))).toBe(true);
});

test('said to be unknown, what was plugged and is not on paper any more may still be there; packed, it is gone', () => {
  setUp();
  save((document) => removeLine(document, 'announcer'));
  const { rig, session } = tell({ report: 'start', from: 'unknown' });
  const was = rig.lines.find((line) => line.was === 'announcer')!;
  expect(session.state.ends[was.id]).toEqual({ stage: 'unknown', desk: 'unknown' });
  expect(tell({ report: 'start', from: 'packed' }).rig.lines.filter((line) => line.was)).toEqual([]);
});

test('a sheet of an older version knows nothing of its ways: everything that is plugged is asked about', () => {
  setUp();
  const row = store.prepare("SELECT sheet FROM switching WHERE rig_id = 'rig'").pluck().get() as string;
  const older = JSON.parse(row);
  for (const line of older.lines) {
    delete line.way;
    delete line.parts;
    delete line.shares;
    delete line.key;
  }
  store.prepare("UPDATE switching SET sheet = ? WHERE rig_id = 'rig'").run(JSON.stringify(older));
  save((document) => ({ ...document, note: 'Sunday' }));
  const { differences } = differsNow(store, 'rig')!;
  expect(differences.map(({ line }) => line).sort()).toEqual([...FEW].sort());
  tell({ report: 'adopt', seen: FEW, asOnPaper: FEW });
  expect(differsNow(store, 'rig')!.differences).toEqual([]);
});
