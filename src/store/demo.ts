import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseDocument } from '@/core/rig';
import type { Store } from './store';
import { importKit } from './kit';
import { createRig } from './rigs';
import { keepCableTest, keepInletSheet, keepRepair } from './testing';
import type { KeptCableTest, KeptInletSheet, KeptRepair } from '@/core/testing';

/** What was found before the demo's weekend. */
interface History {
  repairs: { rig: string; at: string; text: string; kept: KeptRepair }[];
  cableTests: { at: string; kept: KeptCableTest }[];
  inletSheets: { rig: string; at: string; kept: KeptInletSheet }[];
}

/** The demo rigs, by file and id. */
const DEMO_RIGS = ['lock-nine', 'lock-nine-mended'];

/**
 * Loads the demo rigs and their kit, all of it or nothing, into a database that never had a rig; whatever a user has, or
 * has removed, stays as it is.
 * @param folder where their files are
 * @returns whether they were loaded
 */
export const loadDemo = (store: Store, folder = 'demo'): boolean =>
  store
    .transaction(() => {
      if (store.prepare('SELECT 1 FROM rig UNION ALL SELECT 1 FROM kit_item').get() !== undefined) return false;
      const text = (name: string) => readFileSync(join(folder, `${name}.json`), 'utf8');
      for (const id of DEMO_RIGS) createRig(store, parseDocument(text(id)), id);
      importKit(store, JSON.parse(text('kit')));
      const { repairs, cableTests, inletSheets } = JSON.parse(text('testing')) as History;
      for (const { rig, at, text: told, kept } of repairs) keepRepair(store, rig, at, told, kept);
      for (const { at, kept } of cableTests) keepCableTest(store, at, kept);
      for (const { rig, at, kept } of inletSheets) keepInletSheet(store, rig, at, kept);
      return true;
    })
    .immediate();
