import {
  closeSync,
  existsSync,
  mkdtempSync,
  openSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { emptyRig } from '@/core/rig';
import { openStore } from './database';
import { createRig, listRigs, saveRig } from './rigs';
import { quickCheck, sentenceOf, StoreTrouble, troubleOf, wordsOf } from './trouble';

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  path = join(folder, 'gig.sqlite');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const troubleWith = (act: () => unknown): StoreTrouble => {
  try {
    act();
  } catch (problem) {
    const trouble = troubleOf(problem, path);
    if (trouble) return trouble;
    throw problem;
  }
  throw new Error('nothing was wrong');
};
/** A database with some rigs in it, on one file. */
const filled = () => {
  const store = openStore(path);
  for (let n = 0; n < 40; n++) createRig(store, { ...emptyRig(`rig ${n}`), note: 'x'.repeat(2000) }, `rig-${n}`);
  store.pragma('wal_checkpoint(TRUNCATE)');
  store.close();
};
const spoil = (file: string, from: number) => {
  const handle = openSync(file, 'r+');
  writeSync(handle, Buffer.alloc(16 * 4096, 0x5a), 0, 16 * 4096, from);
  closeSync(handle);
};

test('a file that is no database, and one of another program, are left as they are', () => {
  writeFileSync(path, 'this is not a database, but somebody’s notes about the barge');
  const before = readFileSync(path);
  expect(troubleWith(() => openStore(path)).trouble).toBe('not-a-database');
  expect(readFileSync(path)).toEqual(before);
  rmSync(path);
  const other = new Database(path);
  other.exec('CREATE TABLE recipes (name TEXT)');
  other.close();
  const theirs = readFileSync(path);
  expect(troubleWith(() => openStore(path)).trouble).toBe('foreign');
  expect(readFileSync(path)).toEqual(theirs);
});

test('a database with the mark of another program is foreign even without tables', () => {
  const other = new Database(path);
  other.pragma('application_id = 1196444487');
  other.close();
  expect(troubleWith(() => openStore(path)).trouble).toBe('foreign');
});

test('one of ours from before it was marked is taken, and marked', () => {
  filled();
  const old = new Database(path);
  old.pragma('application_id = 0');
  old.close();
  const store = openStore(path);
  expect(store.pragma('application_id', { simple: true })).toBe(0x496e4c43);
  expect(listRigs(store)).toHaveLength(40);
  store.close();
});

test('one of a newer version is told as that', () => {
  filled();
  const newer = new Database(path);
  newer.pragma('user_version = 99');
  newer.close();
  expect(troubleWith(() => openStore(path)).trouble).toBe('newer');
});

test('a damaged one is found by the quick check; the newest sound copy is named, a damaged copy is not', () => {
  filled();
  const copies = ['001', '002'].map((step, n) => {
    const copy = `${path}.before-${step}-${n}`;
    const store = new Database(path);
    store.prepare('VACUUM INTO ?').run(copy);
    store.close();
    return copy;
  });
  spoil(copies[1], 8 * 4096);
  spoil(path, 12 * 4096);
  expect(statSync(path).size).toBeGreaterThan(28 * 4096);
  const before = readFileSync(path);
  expect(troubleWith(() => openStore(path)).trouble).toBe('damaged');
  expect(readFileSync(path)).toEqual(before);
  const words = wordsOf(new StoreTrouble('damaged', path));
  expect(words.copy?.path).toBe(copies[0]);
  expect(sentenceOf(new StoreTrouble('damaged', path))).toMatch(/-wal and -shm.*before-001/);
});

test('a sound one passes the quick check', () => {
  filled();
  const store = openStore(path);
  expect(quickCheck(store)).toBeUndefined();
  store.close();
});

test('one that another program holds says so, and is well again once it lets go', () => {
  filled();
  const store = openStore(path);
  store.pragma('busy_timeout = 50');
  const holder = new Database(path);
  holder.exec('BEGIN EXCLUSIVE');
  const save = () => saveRig(store, 'rig-1', 1, emptyRig('changed'));
  expect(troubleWith(save).trouble).toBe('locked');
  holder.exec('ROLLBACK');
  holder.close();
  expect(save()?.revision).toBe(2);
  store.close();
});

test('one that cannot be written to, and one that has no room left, say so and lose nothing', () => {
  filled();
  const reader = new Database(path, { readonly: true });
  expect(troubleWith(() => saveRig(reader, 'rig-1', 1, emptyRig('changed'))).trouble).toBe('read-only');
  reader.close();
  const store = openStore(path);
  store.pragma(`max_page_count = ${store.pragma('page_count', { simple: true }) as number}`);
  const large = { ...emptyRig('large'), note: 'x'.repeat(2000) };
  const fill = () => {
    for (let n = 0; n < 500; n++) createRig(store, large);
  };
  expect(troubleWith(fill).trouble).toBe('full');
  expect(quickCheck(store)).toBeUndefined();
  expect(listRigs(store).length).toBeGreaterThanOrEqual(40);
  store.close();
});

test('a folder that is not there and cannot be made is unreachable', () => {
  writeFileSync(join(folder, 'file'), 'x');
  expect(troubleWith(() => openStore(join(folder, 'file', 'gig.sqlite'))).trouble).toBe('unreachable');
  expect(existsSync(join(folder, 'file', 'gig.sqlite'))).toBe(false);
});

test('what is no trouble with the database is none', () => {
  expect(troubleOf(new Error('something else'), path)).toBeUndefined();
  expect(troubleOf(null, path)).toBeUndefined();
});
