import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore } from '@/store/database';
import type { Store } from '@/store/store';

/**
 * A database of its own for every test of a file; gone when the test is over.
 * @param onOpened given the database before each test, and whenever it is opened again
 * @returns how to close it and open it again, as a restart does
 */
export function storeForEach(onOpened: (store: Store, folder: string) => void): { reopen: () => void } {
  let folder: string;
  let store: Store;
  const open = () => {
    store = openStore(join(folder, 'test.sqlite'));
    onOpened(store, folder);
  };
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
    open();
  });
  afterEach(() => {
    store.close();
    rmSync(folder, { recursive: true, force: true });
  });
  return {
    reopen: () => {
      store.close();
      open();
    },
  };
}
