import { readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { setSetting, settingOf } from './settings';
import type { Store } from './store';
import { soundFolder } from './sounds';

/** After how many days only the last revision of each day is kept; or all of them are, for ever. */
export const KEEP_DAYS = [7, 30, 365, 'all'] as const;
export type KeepDays = (typeof KEEP_DAYS)[number];

/** Where nobody has chosen. */
const USUAL: KeepDays = 30;
/** How many copies from before an update are kept. */
const COPIES = 3;
const DAY = 24 * 3600 * 1000;

export function keepDays(store: Store): KeepDays {
  const value = settingOf(store, 'revision-days');
  return KEEP_DAYS.find((each) => String(each) === value) ?? USUAL;
}

export const setKeepDays = (store: Store, days: KeepDays): void => setSetting(store, 'revision-days', String(days));

/**
 * Thins out what is older than the days that are set: of each rig the first, the present, and the last revision of each
 * day stay, of the others only the words; refused saves and former states of kit items go.
 * @returns how many documents of revisions went
 */
export function thin(store: Store, now = Date.now()): number {
  const days = keepDays(store);
  if (days === 'all') return 0;
  const until = new Date(now - days * DAY).toISOString();
  return store
    .transaction(() => {
      const { changes } = store
        .prepare(
          `UPDATE rig_revision SET document = ''
           WHERE document <> '' AND saved_at < @until AND revision > 1
             AND revision < (SELECT revision FROM rig WHERE id = rig_id)
             AND EXISTS (SELECT 1 FROM rig_revision AS later
                         WHERE later.rig_id = rig_revision.rig_id AND later.revision > rig_revision.revision
                           AND later.saved_at < @until
                           AND substr(later.saved_at, 1, 10) = substr(rig_revision.saved_at, 1, 10))`,
        )
        .run({ until });
      store.prepare('DELETE FROM rig_refused WHERE refused_at < ?').run(until);
      // The newest stays: from it comes the number of the next.
      store
        .prepare('DELETE FROM kit_item_before WHERE saved_at < ? AND id < (SELECT max(id) FROM kit_item_before)')
        .run(until);
      return changes;
    })
    .immediate();
}

/** Removes the oldest copies from before updates. @param path of the database */
export function thinCopies(path: string): void {
  const begins = `${basename(path)}.before-`;
  const copies = readdirSync(dirname(path))
    .filter((name) => name.startsWith(begins))
    .map((name) => join(dirname(path), name))
    .toSorted((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
  for (const copy of copies.slice(COPIES)) rmSync(copy, { force: true });
}

/** How much there is, in bytes. */
export interface Sizes {
  database: number;
  sounds: number;
}

export function sizes(store: Store): Sizes {
  const pages = ['page_count', 'page_size'].map((name) => store.pragma(name, { simple: true }) as number);
  return { database: pages[0] * pages[1], sounds: bytesIn(soundFolder(store)) };
}

function bytesIn(folder: string): number {
  try {
    return readdirSync(folder).reduce((sum, name) => sum + statSync(join(folder, name)).size, 0);
  } catch {
    // No sound was kept yet.
    return 0;
  }
}
