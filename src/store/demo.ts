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

/** What a rehearsal leaves behind, by table and column. */
export const REHEARSED = {
  measurement: ['rig_id', 'line', 'at', 'who', 'origin', 'name', 'gain', 'measurement', 'predicted'],
  ladder: ['rig_id', 'line', 'at', 'who', 'ladder'],
  hunt: ['rig_id', 'version', 'begun', 'hunt'],
  switching: ['rig_id', 'version', 'revision', 'sheet', 'session', 'saved_at'],
  log_entry: ['rig_id', 'at', 'kind', 'who', 'text', 'place', 'lines', 'fed'],
} as const;
/** Made by `npm run rehearse`: rows as the application wrote them. */
type Rehearsal = Record<keyof typeof REHEARSED, Record<string, string | number | null>[]>;

/** The demo rigs, by file and id. */
const DEMO_RIGS = ['lock-nine', 'lock-nine-mended'];

/**
 * Loads the demo rigs and their kit, all of it or nothing, into a database that never had a rig; whatever a user has, or
 * has removed, stays as it is.
 * @param folder where their files are
 * @param rehearsed with the rehearsal behind them: its log, measurements, hunt, ladder and sheets
 * @returns whether they were loaded
 */
export const loadDemo = (store: Store, folder = 'demo', { rehearsed = true } = {}): boolean =>
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
      if (rehearsed) putBehind(store, JSON.parse(text('rehearsal')) as Rehearsal);
      return true;
    })
    .immediate();

function putBehind(store: Store, rehearsal: Rehearsal): void {
  for (const [table, columns] of Object.entries(REHEARSED)) {
    const insert = store.prepare(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
    );
    for (const row of rehearsal[table as keyof Rehearsal]) insert.run(row);
  }
}
