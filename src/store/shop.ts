import type { ShopRecord } from '@/core/kit/shop';
import type { ShopSaid } from '@/core/kit/shopMerge';
import { addEntries } from './log';
import { Refused } from './refused';
import type { Store } from './store';

/** A record of the repair shop and which version of it. */
export interface SavedShop {
  id: number;
  version: number;
  /** When it was begun, in UTC. */
  at: string;
  record: ShopRecord;
}

/** Records that are told at most, the newest. */
const MOST = 500;

interface ShopRow {
  id: number;
  version: number;
  at: string;
  record: string;
}
const savedOf = ({ record, ...row }: ShopRow): SavedShop => ({ ...row, record: JSON.parse(record) as ShopRecord });

/** Records, newest first. @param item of the kit; all of them where left out */
export function loadShop(store: Store, item?: string): SavedShop[] {
  const rows = (
    item === undefined
      ? store.prepare('SELECT id, version, at, record FROM shop ORDER BY id DESC LIMIT ?').all(MOST)
      : store
          .prepare('SELECT id, version, at, record FROM shop WHERE item = ? ORDER BY id DESC LIMIT ?')
          .all(item, MOST)
  ) as ShopRow[];
  return rows.map(savedOf);
}

export function loadShopRecord(store: Store, id: number): SavedShop | undefined {
  const row = store.prepare('SELECT id, version, at, record FROM shop WHERE id = ?').get(id) as ShopRow | undefined;
  return row && savedOf(row);
}

/** Begins a record and writes that down in the log of its rig. A suspect of a hunt has one record: asked again, that one. */
export function beginShop(store: Store, record: ShopRecord, at: string, who: string): SavedShop {
  const { rig, item, unit, hunt } = record;
  const id = store
    .transaction(() => {
      const known = hunt && recordOf(store, rig.id, hunt);
      if (known !== undefined) return known;
      const { lastInsertRowid } = store
        .prepare('INSERT INTO shop (item, rig_id, version, at, record) VALUES (?, ?, 1, ?, ?)')
        .run(item ?? null, rig.id, at, JSON.stringify(record));
      addEntries(store, rig.id, { at, who }, [{ kind: 'note', text: `${unit} is for the repair shop`, lines: [] }]);
      return Number(lastInsertRowid);
    })
    .immediate();
  return loadShopRecord(store, id)!;
}

const recordOf = (
  store: Store,
  rig: string,
  { id, suspect }: NonNullable<ShopRecord['hunt']>,
): SavedShop['id'] | undefined =>
  store
    .prepare(
      `SELECT id FROM shop
       WHERE rig_id = ? AND json_extract(record, '$.hunt.id') = ? AND json_extract(record, '$.hunt.suspect') = ?`,
    )
    .pluck()
    .get(rig, id, suspect) as number | undefined;

/**
 * Says more of a record.
 * @returns undefined if there is none
 * @throws Refused if somebody else has changed it since the given version
 */
export function changeShop(store: Store, id: number, version: number, change: ShopSaid): SavedShop | undefined {
  return store
    .transaction(() => {
      const current = loadShopRecord(store, id);
      if (!current) return undefined;
      if (current.version !== version)
        throw new Refused(
          409,
          'stale-record',
          'Somebody else has changed this record meanwhile. Look at it again; what you typed is still here.',
          { current },
        );
      const { unit, rig, hunt } = current.record;
      const record: ShopRecord = { unit, rig, ...(hunt && { hunt }), ...change };
      store
        .prepare('UPDATE shop SET item = ?, version = version + 1, record = ? WHERE id = ?')
        .run(record.item ?? null, JSON.stringify(record), id);
      return loadShopRecord(store, id);
    })
    .immediate();
}

/** Takes a record away. @returns whether there was one */
export const removeShop = (store: Store, id: number): boolean =>
  store.prepare('DELETE FROM shop WHERE id = ?').run(id).changes > 0;
