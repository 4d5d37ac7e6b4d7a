import { spawn } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { emptyRig } from '@/core/rig';
import { databasePath, openStore } from './database';
import { loadDemo } from './demo';
import { importKit, loadKit } from './kit';
import { createRig, listRevisions, listRigs, loadRig, removeRig } from './rigs';

const folder = () => mkdtempSync(join(tmpdir(), 'inlet-check-'));

test('the path comes from the environment, else it has a default', () => {
  const before = process.env.INLET_CHECK_DATABASE;
  process.env.INLET_CHECK_DATABASE = '/somewhere/gig.sqlite';
  expect(databasePath()).toBe('/somewhere/gig.sqlite');
  delete process.env.INLET_CHECK_DATABASE;
  expect(databasePath()).toBe(resolve('data/inlet-check.sqlite'));
  if (before !== undefined) process.env.INLET_CHECK_DATABASE = before;
});

test('folders that are missing are made; a file that is no database is refused and left as it was', () => {
  const path = join(folder(), 'deep', 'er', 'rig.sqlite');
  openStore(path).close();
  expect(existsSync(path)).toBe(true);
  const other = join(folder(), 'notes.txt');
  writeFileSync(other, 'this is not a database, but somebody’s notes about the barge and its lock');
  expect(() => openStore(other)).toThrow(/not a database/);
});

test('two processes that save at the same time: every revision once, none lost, the slower told', async () => {
  const path = join(folder(), 'shared.sqlite');
  const store = openStore(path);
  createRig(store, emptyRig('shared'), 'shared');
  const racer = () =>
    new Promise<{ saved: number; refused: number }>((done, failed) => {
      const child = spawn(process.execPath, ['--import', 'tsx', 'tests/crash/racer.ts', path, '30'], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let out = '';
      child.stdout.on('data', (chunk: Buffer) => (out += chunk));
      child.on('exit', (code) => (code === 0 ? done(JSON.parse(out)) : failed(new Error(`racer ended with ${code}`))));
    });
  const [first, second] = await Promise.all([racer(), racer()]);
  expect(first.saved).toBe(30);
  expect(second.saved).toBe(30);
  const revisions = listRevisions(store, 'shared').map(({ revision }) => revision);
  expect(revisions).toEqual(Array.from({ length: 61 }, (_, n) => 61 - n));
  expect(loadRig(store, 'shared')!.revision).toBe(61);
  const { kept } = store.prepare('SELECT count(*) AS kept FROM rig_refused').get() as { kept: number };
  expect(kept).toBe(first.refused + second.refused);
  store.close();
});

test('demo data is loaded by its command, twice without harm', async () => {
  const path = join(folder(), 'demo.sqlite');
  const load = () =>
    new Promise<number | null>((done) =>
      spawn(process.execPath, ['--import', 'tsx', 'src/store/demoData.ts'], {
        env: { ...process.env, INLET_CHECK_DATABASE: path },
        stdio: 'inherit',
      }).on('exit', done),
    );
  expect(await load()).toBe(0);
  expect(await load()).toBe(0);
  const store = openStore(path);
  expect(listRigs(store)).toMatchObject([
    { id: 'lock-nine', name: 'Lock Nine', revision: 1 },
    { id: 'lock-nine-mended', name: 'Lock Nine, mended', revision: 1 },
  ]);
  store.close();
});

describe('demo data', () => {
  test('is loaded whole or not at all', () => {
    const store = openStore(join(folder(), 'demo.sqlite'));
    const torn = folder();
    for (const name of ['lock-nine', 'lock-nine-mended']) cpSync(`demo/${name}.json`, join(torn, `${name}.json`));
    writeFileSync(join(torn, 'kit.json'), readFileSync('demo/kit.json', 'utf8').slice(0, 5000));
    expect(() => loadDemo(store, torn)).toThrow(SyntaxError);
    expect([listRigs(store), loadKit(store)]).toEqual([[], []]);
    expect(loadDemo(store)).toBe(true);
    expect(listRigs(store)).toHaveLength(2);
    store.close();
  });

  test('does not come back after everything was removed, and does not join what somebody has', () => {
    const store = openStore(join(folder(), 'demo.sqlite'));
    loadDemo(store);
    for (const { id } of listRigs(store)) removeRig(store, id);
    expect(loadDemo(store)).toBe(false);
    expect(listRigs(store)).toEqual([]);
    store.close();
    const other = openStore(join(folder(), 'own.sqlite'));
    importKit(other, { ...JSON.parse(readFileSync('demo/kit.json', 'utf8')), items: [] });
    createRig(other, emptyRig('own'), 'own');
    expect(loadDemo(other)).toBe(false);
    other.close();
  });
});
