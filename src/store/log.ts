import type { EntryKind, Fed, Happening, LogEntry } from '@/core/log';
import type { Store } from './database';

interface Row {
  id: number;
  at: string;
  kind: EntryKind;
  who: string;
  text: string;
  place: string | null;
  lines: string;
  fed: string | null;
  photo: string | null;
}

/**
 * Writes down what happened to a rig; never before what was written last, wherever the clock on the wall was set to.
 * @param fed what its sources have from then on
 */
export function addEntries(
  store: Store,
  rig: string,
  { at, who, fed }: { at: string; who: string; fed?: Fed },
  list: readonly Happening[],
): void {
  const insert = store.prepare(
    'INSERT INTO log_entry (rig_id, at, kind, who, text, place, lines, photo, fed) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  );
  const last = store.prepare('SELECT max(at) FROM log_entry WHERE rig_id = ?').pluck().get(rig) as string | null;
  const when = last !== null && last > at ? last : at;
  for (const { kind, text, place, lines, photo } of list)
    insert.run(
      rig,
      when,
      kind,
      who,
      text,
      place ?? null,
      JSON.stringify(lines),
      photo ?? null,
      fed ? JSON.stringify(fed) : null,
    );
}

/** Everything that happened to a rig, oldest first, the saves of the rig among it. */
export function loadLog(store: Store, rig: string): LogEntry[] {
  const rows = store
    .prepare(
      `SELECT id, at, kind, who, text, place, lines, fed, photo FROM log_entry WHERE rig_id = @rig
       UNION ALL
       SELECT -revision, saved_at, 'rig', '', 'Saved as revision ' || revision, NULL, '[]', NULL, NULL
       FROM rig_revision WHERE rig_id = @rig
       ORDER BY at, id`,
    )
    .all({ rig }) as Row[];
  return rows.map(({ lines, fed, place, photo, ...row }) => ({
    ...row,
    lines: JSON.parse(lines) as string[],
    ...(place !== null && { place }),
    ...(photo !== null && { photo }),
    ...(fed !== null && { fed: JSON.parse(fed) as Fed }),
  }));
}
