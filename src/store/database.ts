import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { setConventions } from '@/core/units/conventions';
import { loadConventions } from './conventions';
import { thin, thinCopies } from './keeping';
import { quickCheck, StoreTrouble, troubleOf } from './trouble';
import type { Store } from './store';

/** Where the database lies: INLET_CHECK_DATABASE, else data/inlet-check.sqlite. */
export const databasePath = (): string =>
  resolve(/* turbopackIgnore: true */ process.env.INLET_CHECK_DATABASE || join('data', 'inlet-check.sqlite'));

const MIGRATIONS = join(process.cwd(), 'src', 'store', 'migrations');

/** By which SQLite files of this application are known: "InLC" (PRAGMA application_id). */
const APPLICATION = 0x49_6e_4c_43;
/** How long a request waits for another process that is writing, in milliseconds: everybody else waits with it. */
const PATIENCE = 2500;

/**
 * Opens a database, bringing its tables up to date. Several processes may have the same file open.
 * @throws StoreTrouble if it cannot be used; nothing was written to it then
 */
export function openStore(path: string): Store {
  let store: Store | undefined;
  try {
    mkdirSync(dirname(path), { recursive: true });
    store = new Database(path);
    store.pragma(`busy_timeout = ${PATIENCE}`);
    mustBeOwn(store, path);
    mustBeSound(store, path);
    store.pragma('journal_mode = WAL');
    store.pragma('synchronous = FULL');
    store.pragma('foreign_keys = ON');
    migrate(store, path);
    if (applicationOf(store) !== APPLICATION) store.pragma(`application_id = ${APPLICATION}`);
    return store;
  } catch (problem) {
    store?.close();
    throw troubleOf(problem, path) ?? problem;
  }
}

const applicationOf = (store: Store): number => store.pragma('application_id', { simple: true }) as number;

/** @throws StoreTrouble for a database with tables that are not ours; older ones of ours are known by their tables. */
function mustBeOwn(store: Store, path: string): void {
  const application = applicationOf(store);
  if (application === APPLICATION) return;
  const tables = store.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[];
  const ours = tables.includes('rig') && tables.includes('rig_revision');
  if (application !== 0 || (tables.length > 0 && !ours)) throw new StoreTrouble('foreign', path);
}

const version = (store: Store): number => store.pragma('user_version', { simple: true }) as number;

/** @throws StoreTrouble for a damaged one, before anything is written to it */
function mustBeSound(store: Store, path: string): void {
  const damage = quickCheck(store);
  if (damage !== undefined) throw new StoreTrouble('damaged', path, { cause: damage });
}

/** Runs what is missing, each step in a transaction of its own, after a consistent copy of what was there before. */
function migrate(store: Store, path: string): void {
  const steps = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  if (version(store) > steps.length) throw new StoreTrouble('newer', path);
  const next = steps[version(store)];
  if (next && version(store) > 0)
    store.prepare('VACUUM INTO ?').run(`${path}.before-${next.slice(0, 3)}-${Date.now()}`);
  steps.forEach((name, n) => {
    store
      .transaction(() => {
        // Another process may have been quicker.
        if (version(store) > n) return;
        store.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
        store.pragma(`user_version = ${n + 1}`);
      })
      .immediate();
  });
}

const open = globalThis as { inletCheckStore?: Store };

const DAY = 24 * 3600 * 1000;

/** Thins out what is old now and once a day, as its owner has set. */
function keepTidy(store: Store): void {
  const tidy = () => {
    try {
      thin(store);
      thinCopies(store.name);
    } catch (problem) {
      // Nobody waits for it, and nothing depends on it: it is tried again tomorrow.
      console.error('Old revisions could not be thinned out.', problem);
    }
  };
  tidy();
  setInterval(tidy, DAY).unref();
}

/** The one connection of this process. @throws StoreTrouble; the next request tries again */
export function theStore(): Store {
  if (!open.inletCheckStore) {
    open.inletCheckStore = openStore(databasePath());
    setConventions(loadConventions(open.inletCheckStore));
    keepTidy(open.inletCheckStore);
  }
  return open.inletCheckStore;
}
