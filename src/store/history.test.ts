import { existsSync, readFileSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { emptyRig, parseDocument, setFeed } from '@/core/rig';
import { storeForEach } from '../../tests/stores';
import type { Store } from './store';
import { keepDays, setKeepDays, sizes, thin, thinCopies } from './keeping';
import { addEntries, loadFed, loadLog, loadLogPage, logState, type Mark } from './log';
import { createRig, listRevisions, loadRig, saveRig, StaleRevision, stepRig } from './rigs';

let folder: string;
let store: Store;
const { reopen } = storeForEach((made, where) => {
  store = made;
  folder = where;
});

const named = (name: string) => ({ ...emptyRig('barge'), name });
const DAY = 24 * 3600 * 1000;

describe('undo and redo of a rig live with the rig', () => {
  const begin = (...names: string[]) => {
    createRig(store, named('first'), 'rig');
    names.forEach((name, n) => saveRig(store, 'rig', n + 1, named(name)));
  };
  const now = () => loadRig(store, 'rig')!;
  const step = (way: 'undo' | 'redo') => stepRig(store, 'rig', now().revision, way)?.document.name;

  test('back to the first and forward again, over a restart', () => {
    begin('second', 'third');
    expect([step('undo'), step('undo'), step('undo')]).toEqual(['second', 'first', undefined]);
    reopen();
    expect([step('redo'), step('redo'), step('redo')]).toEqual(['second', 'third', undefined]);
  });

  test('what a page undoes by itself counts as undone: it saves what was there before', () => {
    begin('second', 'third');
    saveRig(store, 'rig', 3, named('second'));
    expect(now().steps).toEqual({ undo: 1, redo: 3 });
    expect([step('undo'), step('redo'), step('redo')]).toEqual(['first', 'second', 'third']);
  });

  test('a new change leaves nothing to be done again', () => {
    begin('second');
    step('undo');
    saveRig(store, 'rig', 3, named('other'));
    expect(now().steps).toEqual({ undo: 1 });
    expect([step('redo'), step('undo'), step('undo')]).toEqual([undefined, 'first', undefined]);
  });

  test('undo that is based on an older revision is refused', () => {
    begin('second', 'third');
    expect(() => stepRig(store, 'rig', 2, 'undo')).toThrow(StaleRevision);
  });

  test('as an editor with a list of states would do it', () => {
    const acts = fc.array(fc.oneof(fc.constant('undo' as const), fc.constant('redo' as const), fc.nat(1e6)), {
      maxLength: 20,
    });
    let trial = 0;
    fc.assert(
      fc.property(acts, (list) => {
        const id = `trial-${trial++}`;
        createRig(store, named('begin'), id);
        let [past, present, future] = [[] as string[], 'begin', [] as string[]];
        list.forEach((act, n) => {
          const { revision } = loadRig(store, id)!;
          if (typeof act === 'number') {
            saveRig(store, id, revision, named(`${n} ${act}`));
            [past, present, future] = [[...past, present], `${n} ${act}`, []];
          } else {
            stepRig(store, id, revision, act);
            if (act === 'undo' && past.length)
              [past, present, future] = [past.slice(0, -1), past.at(-1)!, [present, ...future]];
            else if (act === 'redo' && future.length)
              [past, present, future] = [[...past, present], future[0], future.slice(1)];
          }
          const here = loadRig(store, id)!;
          expect([here.document.name, here.steps.undo !== undefined, here.steps.redo !== undefined]).toEqual([
            present,
            past.length > 0,
            future.length > 0,
          ]);
        });
      }),
      { numRuns: 60 },
    );
  });
});

test('history says in words what each revision changed', () => {
  const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
  createRig(store, demo, 'rig');
  saveRig(store, 'rig', 1, setFeed(demo, 'desk', 'bank-a', 'off'));
  saveRig(store, 'rig', 2, demo);
  expect(listRevisions(store, 'rig').map(({ changes }) => changes)).toEqual([
    'Undone (as in revision 1): Hold desk, bank A: 48 V',
    'Hold desk, bank A: off',
    'Created',
  ]);
  expect(listRevisions(store, 'rig', 3, 1).map(({ revision }) => revision)).toEqual([2]);
});

describe('thinning out', () => {
  const NOW = Date.UTC(2026, 10, 27, 12);
  /** Revision 2 and so on, saved so many days ago. */
  const savedDaysAgo = (...days: number[]) => {
    createRig(store, named('begin'), 'rig');
    days.forEach((_, n) => saveRig(store, 'rig', n + 1, named(`state ${n + 2}`)));
    const set = store.prepare('UPDATE rig_revision SET saved_at = ? WHERE revision = ?');
    [days[0] ?? 0, ...days].forEach((ago, n) => set.run(new Date(NOW - ago * DAY + n * 1000).toISOString(), n + 1));
  };
  const kept = () => listRevisions(store, 'rig').flatMap(({ revision, kept: is }) => (is ? [revision] : []));

  test('of each day that is older only the last revision stays; the first, the present and all words stay', () => {
    savedDaysAgo(40, 40, 40, 35, 35, 3, 3);
    expect(thin(store, NOW)).toBe(3);
    expect(kept()).toEqual([8, 7, 6, 4, 1]);
    expect(listRevisions(store, 'rig')).toHaveLength(8);
    expect(loadRig(store, 'rig', 2)).toBeUndefined();
    expect(loadRig(store, 'rig', 4)!.document.name).toBe('state 4');
    expect(thin(store, NOW)).toBe(0);
  });

  test('the days are a setting that survives; for ever means for ever', () => {
    savedDaysAgo(40, 40, 20, 20);
    expect(keepDays(store)).toBe(30);
    setKeepDays(store, 'all');
    expect(thin(store, NOW)).toBe(0);
    setKeepDays(store, 7);
    reopen();
    expect(keepDays(store)).toBe(7);
    thin(store, NOW);
    expect(kept()).toEqual([5, 3, 1]);
  });

  test('undo goes back as far as documents are kept, and no further', () => {
    savedDaysAgo(40, 40, 0, 0);
    thin(store, NOW);
    const names = [0, 1, 2].map(() => stepRig(store, 'rig', loadRig(store, 'rig')!.revision, 'undo')?.document.name);
    expect(names).toEqual(['state 4', 'state 3', undefined]);
  });

  test('refused saves go with the days, and copies from before updates but for the newest three', () => {
    createRig(store, named('begin'), 'rig');
    saveRig(store, 'rig', 1, named('theirs'));
    expect(() => saveRig(store, 'rig', 1, named('mine'))).toThrow(StaleRevision);
    const refused = () => store.prepare('SELECT count(*) FROM rig_refused').pluck().get();
    thin(store, Date.now());
    expect(refused()).toBe(1);
    thin(store, Date.now() + 31 * DAY);
    expect(refused()).toBe(0);
    const copies = [1, 2, 3, 4, 5].map((n) => join(folder, `test.sqlite.before-00${n}-x`));
    copies.forEach((path, n) => {
      writeFileSync(path, 'x');
      utimesSync(path, n, n);
    });
    writeFileSync(join(folder, 'other.txt'), 'x');
    thinCopies(join(folder, 'test.sqlite'));
    expect(copies.map((path) => existsSync(path))).toEqual([false, false, true, true, true]);
    expect(existsSync(join(folder, 'other.txt'))).toBe(true);
  });

  test('how large the file is, is told', () => {
    expect(sizes(store).database).toBeGreaterThan(4096);
    expect(sizes(store).sounds).toBe(0);
    const before = sizes(store).database;
    createRig(store, { ...named('large'), note: 'x'.repeat(2000) }, 'large');
    for (let n = 1; n < 200; n++) saveRig(store, 'large', n, { ...named(`large ${n}`), note: 'x'.repeat(2000) });
    expect(sizes(store).database).toBeGreaterThan(before + 100 * 2000);
  });
});

describe('a log by pages', () => {
  const note = (n: number, more = {}) =>
    addEntries(store, 'rig', { at: new Date(Date.UTC(2026, 10, 1) + n * 3600 * 1000).toISOString(), who: 'Ida' }, [
      { kind: n % 3 ? 'note' : 'found', text: `entry ${n}`, lines: n % 2 ? ['guide'] : [], ...more },
    ]);
  beforeEach(() => {
    createRig(store, named('begin'), 'rig');
    store.prepare('UPDATE rig_revision SET saved_at = ?').run('2026-11-01T00:00:00.000Z');
    for (let n = 0; n < 50; n++) note(n);
  });

  test('together they are the whole log, newest first, each entry once', () => {
    const all: number[] = [];
    let before: Mark | undefined;
    do {
      const page = loadLogPage(store, 'rig', {}, 7, before);
      expect([page.matching, page.total]).toEqual([51, 51]);
      all.push(...page.entries.map(({ id }) => id));
      before = page.next;
    } while (before);
    expect(all).toEqual(
      loadLog(store, 'rig')
        .toReversed()
        .map(({ id }) => id),
    );
  });

  test.each([
    [{ kinds: ['found' as const] }, 17],
    [{ line: 'guide' }, 25],
    [{ text: ' ENTRY 4' }, 11],
    [{ text: '%' }, 0],
    [{ from: '2026-11-02', to: '2026-11-02' }, 24],
    [{ kinds: ['rig' as const] }, 1],
    [{ text: 'ida', line: 'guide', kinds: ['note' as const] }, 17],
  ])('filtered by %j: %d', (filter, count) => {
    const { entries, matching, total, days } = loadLogPage(store, 'rig', filter, 100);
    expect([entries.length, matching, total]).toEqual([count, count, 51]);
    expect(days).toEqual(['2026-11-03', '2026-11-02', '2026-11-01']);
  });

  test('its state changes with every entry and every save, and what feeds were on is found without the rest', () => {
    const states = [logState(store, 'rig')];
    note(60, { kind: 'incident' });
    states.push(logState(store, 'rig'));
    saveRig(store, 'rig', 1, named('second'));
    states.push(logState(store, 'rig'));
    expect(new Set(states).size).toBe(3);
    expect(loadFed(store, 'rig').map(({ text }) => text)).toEqual(['entry 60']);
  });
});
