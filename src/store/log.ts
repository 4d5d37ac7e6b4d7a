import type { EntryKind, Fed, Happening, LogEntry, LogFilter } from '@/core/log';
import type { Store } from './store';

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

/** Entries and saves of a rig as rows of one sort; a save is known by its revision, below nothing. */
const ALL = `
  SELECT id, at, kind, who, text, place, lines, fed, photo FROM log_entry WHERE rig_id = @rig
  UNION ALL
  SELECT -revision, saved_at, 'rig', '', 'Saved as revision ' || revision || COALESCE(': ' || changes, ''), NULL, '[]',
         NULL, NULL
  FROM rig_revision WHERE rig_id = @rig`;

const entryOf = ({ lines, fed, place, photo, ...row }: Row): LogEntry => ({
  ...row,
  lines: JSON.parse(lines) as string[],
  ...(place !== null && { place }),
  ...(photo !== null && { photo }),
  ...(fed !== null && { fed: JSON.parse(fed) as Fed }),
});

/** Everything that happened to a rig, oldest first, the saves of the rig among it. */
export const loadLog = (store: Store, rig: string): LogEntry[] =>
  (store.prepare(`${ALL} ORDER BY at, id`).all({ rig }) as Row[]).map(entryOf);

/** What the exposure record of a rig is counted from: what says which feeds were on, and incidents. */
export const loadFed = (store: Store, rig: string): LogEntry[] =>
  (
    store
      .prepare(
        `SELECT id, at, kind, who, text, place, lines, fed, photo FROM log_entry
         WHERE rig_id = ? AND (fed IS NOT NULL OR kind = 'incident') ORDER BY at, id`,
      )
      .all(rig) as Row[]
  ).map(entryOf);

/** A place in a log: the entry that was shown last. */
export interface Mark {
  at: string;
  id: number;
}

/** Part of a log, newest first. */
export interface LogPage {
  entries: LogEntry[];
  /** Where the older ones begin; absent where there are none. */
  next?: Mark;
  /** How many there are of that kind, and of all kinds. */
  matching: number;
  total: number;
  /** Days with entries as `2026-11-25` in UTC, newest first. */
  days: string[];
}

/** A page of a rig's log, newest first. @param before only what came before that entry */
export function loadLogPage(
  store: Store,
  rig: string,
  { kinds = [], line, from, to, text }: LogFilter,
  most: number,
  before?: Mark,
): LogPage {
  const wanted = `
    (@kinds = '[]' OR kind IN (SELECT value FROM json_each(@kinds)))
    AND (@line IS NULL OR EXISTS (SELECT 1 FROM json_each(lines) WHERE value = @line))
    AND (@from IS NULL OR substr(at, 1, 10) >= @from) AND (@to IS NULL OR substr(at, 1, 10) <= @to)
    AND (@text IS NULL OR instr(lower(text), @text) OR instr(lower(COALESCE(place, '')), @text)
         OR instr(lower(who), @text))`;
  const given = {
    rig,
    kinds: JSON.stringify(kinds),
    line: line ?? null,
    from: from ?? null,
    to: to ?? null,
    text: text?.trim().toLowerCase() || null,
  };
  const rows = store
    .prepare(
      `SELECT * FROM (${ALL}) WHERE ${wanted} AND (@at IS NULL OR (at, id) < (@at, @id))
       ORDER BY at DESC, id DESC LIMIT @most`,
    )
    .all({ ...given, at: before?.at ?? null, id: before?.id ?? 0, most: most + 1 }) as Row[];
  const { matching, total } = store
    .prepare(`SELECT count(*) FILTER (WHERE ${wanted}) AS matching, count(*) AS total FROM (${ALL})`)
    .get(given) as { matching: number; total: number };
  const days = store
    .prepare(`SELECT DISTINCT substr(at, 1, 10) AS day FROM (${ALL}) ORDER BY day DESC`)
    .pluck()
    .all({ rig }) as string[];
  const entries = rows.slice(0, most).map(entryOf);
  const last = entries.at(-1);
  return { entries, ...(rows.length > most && { next: { at: last!.at, id: last!.id } }), matching, total, days };
}

/** Changes whenever something is written to a rig's log. */
export const logState = (store: Store, rig: string): string =>
  (
    store
      .prepare(
        `SELECT (SELECT COALESCE(max(id), 0) FROM log_entry WHERE rig_id = @rig) || '-' ||
                (SELECT COALESCE(max(revision), 0) FROM rig_revision WHERE rig_id = @rig) AS state`,
      )
      .get({ rig }) as { state: string }
  ).state;
