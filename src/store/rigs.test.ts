import { spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DocumentError, emptyRig } from '@/core/rig';
import { storeForEach } from '../../tests/stores';
import { openStore } from './database';
import type { Store } from './store';
import {
  createRig,
  listRevisions,
  listRigs,
  loadRefused,
  loadRig,
  removeRig,
  restoreRig,
  RigRemoved,
  saveRig,
  StaleRevision,
} from './rigs';

let folder: string;
let store: Store;
storeForEach((made, where) => {
  store = made;
  folder = where;
});

const named = (name: string) => ({ ...emptyRig('barge'), name });

test('every save is a revision that stays', () => {
  const { id } = createRig(store, named('first'));
  expect(saveRig(store, id, 1, named('second'))?.revision).toBe(2);
  expect(saveRig(store, id, 2, named('third'))?.revision).toBe(3);
  expect(loadRig(store, id)?.document.name).toBe('third');
  expect(loadRig(store, id, 1)?.document.name).toBe('first');
  expect(listRevisions(store, id).map(({ revision }) => revision)).toEqual([3, 2, 1]);
  expect(listRigs(store)).toMatchObject([{ id, name: 'third', revision: 3 }]);
});

test('a save against an older revision is refused, and both versions are kept', () => {
  const { id } = createRig(store, named('first'));
  saveRig(store, id, 1, named('theirs'));
  let stale: StaleRevision | undefined;
  try {
    saveRig(store, id, 1, named('mine'));
  } catch (error) {
    stale = error as StaleRevision;
  }
  expect(stale).toBeInstanceOf(StaleRevision);
  expect(stale!.current.document.name).toBe('theirs');
  expect(loadRig(store, id)?.document.name).toBe('theirs');
  expect(loadRefused(store, id, stale!.refused)?.name).toBe('mine');
  expect(loadRefused(store, 'another', stale!.refused)).toBeUndefined();
});

test('a rig that was removed takes no save; put back, it does', () => {
  const { id } = createRig(store, named('first'));
  removeRig(store, id);
  expect(() => saveRig(store, id, 1, named('late'))).toThrow(RigRemoved);
  expect(() => saveRig(store, id, 9, named('late'))).toThrow(RigRemoved);
  expect(listRevisions(store, id)).toHaveLength(1);
  expect(store.prepare('SELECT count(*) FROM rig_refused').pluck().get()).toBe(0);
  restoreRig(store, id);
  expect(saveRig(store, id, 1, named('late'))).toMatchObject({ revision: 2 });
});

test('what is not a document is refused and changes nothing', () => {
  const { id } = createRig(store, named('first'));
  expect(() => saveRig(store, id, 1, { ...named('x'), surprise: 1 })).toThrow(DocumentError);
  expect(loadRig(store, id)).toMatchObject({ revision: 1, document: { name: 'first' } });
  expect(saveRig(store, 'nobody', 1, named('x'))).toBeUndefined();
});

test('opening again, and from a second process, finds the same', () => {
  const { id } = createRig(store, named('first'));
  const second = openStore(join(folder, 'test.sqlite'));
  saveRig(second, id, 1, named('second'));
  second.close();
  expect(loadRig(store, id)?.document.name).toBe('second');
  expect(store.pragma('journal_mode', { simple: true })).toBe('wal');
});

test('a file from a newer version is left alone', () => {
  store.pragma('user_version = 99');
  expect(() => openStore(join(folder, 'test.sqlite'))).toThrow(/newer Inlet Check/);
});

test('kill -9 right after an acknowledged save loses nothing', async () => {
  const path = join(folder, 'killed.sqlite');
  const saver = spawn(process.execPath, ['--import', 'tsx', 'tests/crash/saver.ts', path], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  // The saver acknowledges each revision with a line and goes on saving until it is killed.
  const acknowledged = await new Promise<number>((resolve, reject) => {
    let last = 0;
    saver.stdout.on('data', (chunk: Buffer) => {
      last = Number(chunk.toString().trim().split('\n').pop());
      if (last >= 40) saver.kill('SIGKILL');
    });
    saver.on('exit', (_code, signal) =>
      signal === 'SIGKILL' ? resolve(last) : reject(new Error(`saver ended with ${signal}`)),
    );
  });
  const survivor = openStore(path);
  const found = loadRig(survivor, 'rig')!;
  expect(found.revision).toBeGreaterThanOrEqual(acknowledged);
  expect(found.document.name).toBe(`revision ${found.revision}`);
  expect(survivor.pragma('integrity_check', { simple: true })).toBe('ok');
  survivor.close();
});

test('migrations are numbered without gaps', () => {
  const files = readdirSync('src/store/migrations').sort();
  files.forEach((name, n) => expect(name.startsWith(String(n + 1).padStart(3, '0'))).toBe(true));
  expect(readFileSync(`src/store/migrations/${files[0]}`, 'utf8')).toContain('CREATE TABLE rig');
});
