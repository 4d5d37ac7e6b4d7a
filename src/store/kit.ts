import {
  answered,
  kitDocument,
  readItem,
  readKit,
  withAnswer,
  type Answer,
  type KitDocument,
  type KitItem,
} from '@/core/kit';
import { DocumentError } from '@/core/rig';
import type { Store } from './store';
import { listRigs, loadRig, saveRig } from './rigs';
import { Refused } from './refused';

const now = () => new Date().toISOString();

/** Everything in the kit, in its owner's order. */
export const loadKit = (store: Store): KitItem[] =>
  (store.prepare('SELECT item FROM kit_item ORDER BY position, id').all() as { item: string }[]).map(
    ({ item }) => JSON.parse(item) as KitItem,
  );

export function loadItem(store: Store, id: string): KitItem | undefined {
  const row = store.prepare('SELECT item FROM kit_item WHERE id = ?').get(id) as { item: string } | undefined;
  return row && (JSON.parse(row.item) as KitItem);
}

/** An item with the number of its last save. */
export interface SavedItem {
  item: KitItem;
  revision: number;
}

/** A change of an item that somebody else has changed or removed meanwhile; nothing was saved. */
export class StaleItem extends Refused {
  /** @param current what the item is now; undefined where it was removed */
  constructor(
    id: string,
    readonly current: SavedItem | undefined,
  ) {
    const what = current ? `${current.item.name} was changed meanwhile` : `the kit has no item ${id} any more`;
    super(412, 'stale-item', `Nothing was saved: ${what}. Load it anew, or send it without If-Match.`, {
      current: current ?? null,
    });
  }
}

export function loadSavedItem(store: Store, id: string): SavedItem | undefined {
  const row = store.prepare('SELECT item, revision FROM kit_item WHERE id = ?').get(id) as
    { item: string; revision: number } | undefined;
  return row && { item: JSON.parse(row.item) as KitItem, revision: row.revision };
}

/** The number of every item's last save. */
export const kitRevisions = (store: Store): Record<string, number> =>
  Object.fromEntries(
    (store.prepare('SELECT id, revision FROM kit_item').all() as { id: string; revision: number }[]).map(
      ({ id, revision }) => [id, revision],
    ),
  );

/** What a change of an item was made to: a save, or nothing; any, where nobody says. */
export type BasedOn = number | 'new' | 'any';

/** @throws StaleItem */
function mustBeBasedOn(store: Store, id: string, basedOn: BasedOn): void {
  if (basedOn === 'any') return;
  const current = loadSavedItem(store, id);
  if (current?.revision !== (basedOn === 'new' ? undefined : basedOn)) throw new StaleItem(id, current);
}

/** Saves an item, new or changed. @throws DocumentError for something that is not one; StaleItem */
export function saveItem(store: Store, id: string, value: unknown, basedOn: BasedOn = 'any'): SavedItem {
  const item = readItem(value);
  if (item.id !== id) throw new DocumentError([{ path: 'id', message: `must be ${id}, as in the address` }]);
  return store
    .transaction(() => {
      mustBeBasedOn(store, id, basedOn);
      return { item, revision: put(store, item) };
    })
    .immediate();
}

/** Takes an item out; what it was is kept. @returns whether there was one @throws StaleItem if it is another one by now */
export function removeItem(store: Store, id: string, basedOn: BasedOn = 'any'): boolean {
  return store
    .transaction(() => {
      if (!loadItem(store, id)) return false;
      mustBeBasedOn(store, id, basedOn);
      keepBefore(store, id);
      return store.prepare('DELETE FROM kit_item WHERE id = ?').run(id).changes > 0;
    })
    .immediate();
}

/** Saves every item of a document: those of known ids are replaced, others added, none removed. @throws DocumentError */
export function importKit(store: Store, value: unknown): KitDocument {
  const kit = readKit(value);
  store.transaction(() => kit.items.forEach((item) => put(store, item))).immediate();
  return kitDocument(loadKit(store));
}

/**
 * Records an answer about an item: in the kit, and as a new revision of every rig that uses it.
 * @param except a rig whose page takes the answer in itself
 * @returns how many places in how many rigs, or undefined if the kit has no such item
 * @throws DocumentError for an answer that does not fit the item
 */
export function recordAnswer(
  store: Store,
  id: string,
  answer: Answer,
  except?: string,
): (SavedItem & { places: number; rigs: number }) | undefined {
  return store
    .transaction(() => {
      const item = loadItem(store, id);
      if (!item) return undefined;
      if (item.role === 'device')
        throw new DocumentError([{ path: 'answer', message: 'answers are about sources and links' }]);
      const told = readItem({ ...item, part: withAnswer(item.part, answer) });
      const revision = put(store, told);
      let [places, rigs] = [0, 0];
      for (const { id: rig } of listRigs(store)) {
        if (rig === except) continue;
        const saved = loadRig(store, rig)!;
        const made = answered(saved.document, id, answer);
        if (made.places === 0) continue;
        saveRig(store, rig, saved.revision, made.document);
        places += made.places;
        rigs++;
      }
      return { item: told, revision, places, rigs };
    })
    .immediate();
}

/** @returns the number of this save */
function put(store: Store, item: KitItem): number {
  const revision = keepBefore(store, item.id);
  store
    .prepare(
      `INSERT INTO kit_item (id, position, item, saved_at, revision)
       VALUES (@id, (SELECT COALESCE(MAX(position), 0) + 1 FROM kit_item), @item, @savedAt, @revision)
       ON CONFLICT (id) DO UPDATE SET item = excluded.item, saved_at = excluded.saved_at, revision = excluded.revision`,
    )
    .run({ id: item.id, item: JSON.stringify(item), savedAt: now(), revision });
  return revision;
}

/** Keeps what an item was. @returns a number that no other change of the kit has */
const keepBefore = (store: Store, id: string): number =>
  Number(
    store
      .prepare(
        'INSERT INTO kit_item_before (item_id, item, saved_at) VALUES (?, (SELECT item FROM kit_item WHERE id = ?), ?)',
      )
      .run(id, id, now()).lastInsertRowid,
  );
