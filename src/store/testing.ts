import type { KeptCableTest, KeptInletSheet, KeptRepair, OwnPriors, Repair } from '@/core/testing';
import { inletFigures } from '@/core/testing';
import { addEntries } from './log';
import { setSetting, settingOf } from './settings';
import type { Store } from './store';
import { plural } from '@/core/units';

/** A cable test with what it is kept by. */
export interface SavedCableTest extends KeptCableTest {
  id: number;
  at: string;
}

/** Something of the kit that failed: what it most likely was, and when. */
export interface Failure {
  item: string;
  at: string;
  what: string;
}

/** Cable tests, sheets and failures that are told at most, the newest. */
const MOST = 500;

/** Repairs that helped, from all rigs, oldest first. */
export const loadRepairs = (store: Store): Repair[] =>
  (store.prepare('SELECT counts FROM repair WHERE helped = 1 ORDER BY id').pluck().all() as string[]).map(
    (counts) => JSON.parse(counts) as Repair,
  );

/** What failed of the kit's things and was put right, newest first. */
export const loadFailures = (store: Store): Failure[] =>
  store
    .prepare(
      `SELECT json_extract(counts, '$.item') AS item, at, what FROM repair
       WHERE helped = 1 AND json_extract(counts, '$.item') IS NOT NULL ORDER BY id DESC LIMIT ?`,
    )
    .all(MOST) as Failure[];

/** Keeps what was put right, or was not, and writes it down in the log of its rig. @returns its id */
export function keepRepair(store: Store, rig: string, at: string, text: string, kept: KeptRepair): number {
  const { line, who, act, what, helped, counts } = kept;
  return store
    .transaction(() => {
      const { lastInsertRowid } = store
        .prepare(
          'INSERT INTO repair (rig_id, line, at, who, act, what, helped, counts) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
        )
        .run(rig, line, at, who, act, what, Number(helped), JSON.stringify(counts));
      addEntries(store, rig, { at, who }, [{ kind: 'tested', text, lines: [line] }]);
      return Number(lastInsertRowid);
    })
    .immediate();
}

/** Takes a repair back and writes that down. @returns whether there was one */
export const takeRepairBack = (store: Store, rig: string, id: number, at: string): boolean =>
  store
    .transaction(() => {
      const kept = store
        .prepare('DELETE FROM repair WHERE rig_id = ? AND id = ? RETURNING line, who, act')
        .get(rig, id) as Pick<KeptRepair, 'line' | 'who' | 'act'> | undefined;
      if (!kept) return false;
      const { line, who, act } = kept;
      addEntries(store, rig, { at, who }, [
        { kind: 'tested', text: `Taken back: ${act}. It didn’t help after all`, lines: [line] },
      ]);
      return true;
    })
    .immediate();

/** Says at which end it was. @returns whether there is such a repair */
export const setRepairEnd = (store: Store, rig: string, id: number, end: NonNullable<Repair['end']>): boolean =>
  store.prepare("UPDATE repair SET counts = json_set(counts, '$.end', ?) WHERE rig_id = ? AND id = ?").run(end, rig, id)
    .changes > 0;

/** What was said otherwise of how often things fail. */
export const loadPriors = (store: Store): OwnPriors => JSON.parse(settingOf(store, 'priors') ?? '{}') as OwnPriors;
export const setPriors = (store: Store, own: OwnPriors): void => setSetting(store, 'priors', JSON.stringify(own));

/** Cable tests, newest first. @param label of one cable alone */
export const loadCableTests = (store: Store, label?: string): SavedCableTest[] =>
  (
    store
      .prepare(
        'SELECT id, label, item, at, who, connector, observations FROM cable_test WHERE @label IS NULL OR label = @label ORDER BY id DESC LIMIT @most',
      )
      .all({ label: label ?? null, most: MOST }) as (Omit<SavedCableTest, 'observations' | 'item'> & {
      observations: string;
      item: string | null;
    })[]
  ).map(({ observations, item, ...row }) => ({
    ...row,
    ...(item !== null && { item }),
    observations: JSON.parse(observations) as SavedCableTest['observations'],
  }));

/** Keeps a test of a cable. @returns it, with its id */
export function keepCableTest(store: Store, at: string, kept: KeptCableTest): SavedCableTest {
  const { label, item, who, connector, observations } = kept;
  const { lastInsertRowid } = store
    .prepare('INSERT INTO cable_test (label, item, at, who, connector, observations) VALUES (?, ?, ?, ?, ?, ?)')
    .run(label, item ?? null, at, who, connector, JSON.stringify(observations));
  return { ...kept, id: Number(lastInsertRowid), at };
}

/** Takes a test out. @returns whether there was one */
export const removeCableTest = (store: Store, id: number): boolean =>
  store.prepare('DELETE FROM cable_test WHERE id = ?').run(id).changes > 0;

/** A sheet of inlets with what it is kept by. */
export interface SavedInletSheet extends KeptInletSheet {
  id: number;
  at: string;
}

/** What inlets of a rig's devices gave, newest first. */
export const loadInletSheets = (store: Store, rig: string): SavedInletSheet[] =>
  (
    store.prepare('SELECT id, at, sheet FROM inlet_sheet WHERE rig_id = ? ORDER BY id DESC LIMIT ?').all(rig, MOST) as {
      id: number;
      at: string;
      sheet: string;
    }[]
  ).map(({ id, at, sheet }) => ({ ...(JSON.parse(sheet) as KeptInletSheet), id, at }));

/** Keeps what was read at a device's inlets, and writes that down in the log. @returns it, with its id */
export const keepInletSheet = (store: Store, rig: string, at: string, sheet: KeptInletSheet): SavedInletSheet =>
  store
    .transaction(() => {
      const { lastInsertRowid } = store
        .prepare('INSERT INTO inlet_sheet (rig_id, at, sheet) VALUES (?, ?, ?)')
        .run(rig, at, JSON.stringify(sheet));
      const bad = sheet.readings.filter((each) => inletFigures(each, sheet.means).findings.some(({ sure }) => sure));
      const text = `${sheet.name}: ${plural(sheet.readings.length, 'inlet')} read, ${bad.length ? `not right: ${bad.map(({ name }) => name).join(', ')}` : 'none fails the standard'}`;
      addEntries(store, rig, { at, who: sheet.who }, [{ kind: 'tested', text, lines: [] }]);
      return { ...sheet, id: Number(lastInsertRowid), at };
    })
    .immediate();

/** Takes a sheet out. @returns whether there was one */
export const removeInletSheet = (store: Store, rig: string, id: number): boolean =>
  store.prepare('DELETE FROM inlet_sheet WHERE rig_id = ? AND id = ?').run(rig, id).changes > 0;
