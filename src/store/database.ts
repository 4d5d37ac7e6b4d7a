import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { thin, thinCopies } from './keeping';

export type Store = Database.Database;

/** Where the database lies: INLET_CHECK_DATABASE, else data/inlet-check.sqlite. */
export const databasePath = (): string =>
  resolve(process.env.INLET_CHECK_DATABASE || join('data', 'inlet-check.sqlite'));

const MIGRATIONS = join(process.cwd(), 'src', 'store', 'migrations');

/**
 * Opens a database, bringing its tables up to date. Several processes may have the same file open.
 * @throws Error if the file cannot be opened or was written by a newer version
 */
export function openStore(path: string): Store {
  mkdirSync(dirname(path), { recursive: true });
  const store = new Database(path);
  store.pragma('busy_timeout = 5000');
  store.pragma('journal_mode = WAL');
  store.pragma('synchronous = FULL');
  store.pragma('foreign_keys = ON');
  migrate(store, path);
  return store;
}

const version = (store: Store): number => store.pragma('user_version', { simple: true }) as number;

/** Runs what is missing, each step in a transaction of its own, after a consistent copy of what was there before. */
function migrate(store: Store, path: string): void {
  const steps = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  if (version(store) > steps.length)
    throw new Error(
      `${path} was written by a newer version of Inlet Check (step ${version(store)}, this one knows ${steps.length}).`,
    );
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

/** The one connection of this process. */
export function theStore(): Store {
  if (!open.inletCheckStore) {
    open.inletCheckStore = openStore(databasePath());
    keepTidy(open.inletCheckStore);
  }
  return open.inletCheckStore;
}
