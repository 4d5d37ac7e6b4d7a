import { readFileSync } from 'node:fs';
import { parseDocument } from '@/core/rig';
import { databasePath, openStore } from './database';
import { importKit } from './kit';
import { createRig, listRigs } from './rigs';

/** Loads the demo rigs and their kit into a database that has no rig yet; whatever a user has stays as it is. */
const store = openStore(databasePath());
if (listRigs(store).length === 0) {
  for (const id of ['lock-nine', 'lock-nine-mended'])
    createRig(store, parseDocument(readFileSync(`demo/${id}.json`, 'utf8')), id);
  importKit(store, JSON.parse(readFileSync('demo/kit.json', 'utf8')));
}
store.close();
