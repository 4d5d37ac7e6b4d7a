import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseDocument } from '@/core/rig';
import { aimFor, ReportRefused } from '@/core/runsheet';
import { sheetClock, uptime, type Uptime } from './clock';
import { storeForEach } from '../../tests/stores';
import { openStore } from './database';
import type { Store } from './store';
import { addEntries, loadLog } from './log';
import { createRig } from './rigs';
import { loadSwitching, sheetVersion, reportSwitching, type SheetReport } from './switching';

let folder: string;
let store: Store;
const { reopen } = storeForEach((made, where) => {
  store = made;
  folder = where;
});
const NOON = Date.UTC(2026, 10, 25, 12) / 1000;
const HOUR = 3600;
const up = (seconds: number, boot = 'first start'): Uptime => ({ boot, seconds });

describe('the clock of run sheets', () => {
  test('begins at the wall’s time and goes as fast as the machine runs', () => {
    expect(sheetClock(store, up(100), NOON)).toBe(NOON);
    expect(sheetClock(store, up(130), NOON + 30)).toBe(NOON + 30);
  });

  test('a clock on the wall that jumps forward ends no wait', () => {
    sheetClock(store, up(100), NOON);
    expect(sheetClock(store, up(101), NOON + HOUR)).toBe(NOON + 1);
  });

  test('one that jumps back does not lengthen it', () => {
    sheetClock(store, up(100), NOON);
    expect(sheetClock(store, up(160), NOON - HOUR)).toBe(NOON + 60);
  });

  test('a restart of the server, or a machine asleep, counts as the time it took', () => {
    sheetClock(store, up(100), NOON);
    reopen();
    expect(sheetClock(store, up(700), NOON)).toBe(NOON + 600);
  });

  test('after a restart of the machine it goes on where it stood: nobody can prove what passed', () => {
    sheetClock(store, up(100), NOON);
    expect(sheetClock(store, up(150), NOON)).toBe(NOON + 50);
    expect(sheetClock(store, up(5, 'second start'), NOON + HOUR)).toBe(NOON + 50);
    expect(sheetClock(store, up(15, 'second start'), NOON + HOUR)).toBe(NOON + 60);
  });

  test('it never goes back, whatever the machine says', () => {
    sheetClock(store, up(100), NOON);
    expect(sheetClock(store, up(90), NOON)).toBe(NOON);
  });

  test('two processes on one database see one clock', () => {
    const other = openStore(join(folder, 'test.sqlite'));
    sheetClock(store, up(100), NOON);
    expect(sheetClock(other, up(110), 0)).toBe(NOON + 10);
    expect(sheetClock(store, up(120), 0)).toBe(NOON + 20);
    other.close();
  });

  test('this machine’s uptime goes forward and knows its start', () => {
    const [first, second] = [uptime(), uptime()];
    expect(second.boot).toBe(first.boot);
    expect(second.seconds).toBeGreaterThanOrEqual(first.seconds);
    expect(first.boot.length).toBeGreaterThan(10);
  });
});

describe('waits', () => {
  const whole = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const demo = { ...whole, lines: whole.lines.filter(({ id }) => id === 'pair-a-left'), units: [] };
  let running = 1000;
  const tell = (report: SheetReport['report'], wall: number, more = 0) =>
    reportSwitching(
      store,
      'rig',
      { version: sheetVersion(store, 'rig'), who: '', report },
      wall * 1000,
      sheetClock(store, up((running += more)), wall),
    )!;
  const untilWait = () => {
    createRig(store, demo, 'rig');
    tell({ report: 'start', from: 'packed' }, NOON);
    const { rig, session } = loadSwitching(store, 'rig')!;
    let sheet = tell(
      { report: 'begin', aim: aimFor('set-up', rig, session.state, { 'desk bank-a': 'P48' }, ['pair-a-left']) },
      NOON,
    );
    while (sheet.session.until === undefined) sheet = tell({ report: 'done' }, NOON, 1);
    return sheet.session;
  };

  test('are not over because somebody set the clock an hour on', () => {
    untilWait();
    expect(() => tell({ report: 'done' }, NOON + HOUR)).toThrow(ReportRefused);
  });

  test('are over when the time has passed, though the clock was set an hour back', () => {
    const { until, state } = untilWait();
    const left = until! - state.now;
    expect(tell({ report: 'done' }, NOON - HOUR, left + 0.1).session.until).toBeUndefined();
  });
});

test('the log stays in order though the clock on the wall goes back', () => {
  const whole = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  createRig(store, { ...whole, lines: [], units: [] }, 'rig');
  const note = (at: string, text: string) =>
    addEntries(store, 'rig', { at, who: 'Ida' }, [{ kind: 'note', text, lines: [] }]);
  note('2099-01-01T12:00:00.000Z', 'first');
  note('2099-01-01T11:00:00.000Z', 'second');
  note('2099-01-01T12:30:00.000Z', 'third');
  const notes = loadLog(store, 'rig').filter(({ kind }) => kind === 'note');
  expect(notes.map(({ text }) => text)).toEqual(['first', 'second', 'third']);
  expect(notes.map(({ at }) => at)).toEqual([...notes.map(({ at }) => at)].sort());
});
