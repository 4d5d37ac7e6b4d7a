import { readFileSync } from 'node:fs';
import { parseDocument } from '@/core/rig';
import { databasePath, openStore } from './database';
import { createRig, listRigs } from './rigs';

/** Loads the demo rig into a database that has no rig yet; whatever a user has stays as it is. */
const store = openStore(databasePath());
if (listRigs(store).length === 0)
  createRig(store, parseDocument(readFileSync('demo/lock-nine.json', 'utf8')), 'lock-nine');
store.close();
