import { randomUUID } from 'node:crypto';
import { changesInWords, readDocument, type RigDocument, type SavedRig } from '@/core/rig';
import { documentOf, justWritten, sentRig } from './documents';
import type { Store } from './store';
import { standing, standingAfter, stepsFrom } from './timeline';
import { Refused } from './refused';

export interface RigEntry {
  id: string;
  name: string;
  revision: number;
  savedAt: string;
}

/** A save that was based on an older revision; what it held is kept as `refused`. */
export class StaleRevision extends Refused {
  constructor(
    readonly current: SavedRig,
    readonly basedOn: number,
    readonly refused: number,
  ) {
    super(
      409,
      'stale-revision',
      `this rig is at revision ${current.revision}; the change was based on ${basedOn}. Load the newest revision, or save again on top of it.`,
      { current, basedOn, refused },
    );
  }
}

/** A save of a rig that somebody took off the list; nothing was saved. */
export class RigRemoved extends Refused {
  constructor() {
    super(410, 'removed', 'This rig was removed. Put it back, then save again.');
  }
}

const now = () => new Date().toISOString();

export const listRigs = (store: Store): RigEntry[] =>
  store
    .prepare('SELECT id, name, revision, saved_at AS savedAt FROM rig WHERE removed_at IS NULL ORDER BY created_at, id')
    .all() as RigEntry[];

/** Rigs that somebody removed, the last one first; nothing of them is lost. */
export const listRemoved = (store: Store): (RigEntry & { removedAt: string })[] =>
  store
    .prepare(
      `SELECT id, name, revision, saved_at AS savedAt, removed_at AS removedAt FROM rig
       WHERE removed_at IS NOT NULL ORDER BY removed_at DESC, id`,
    )
    .all() as (RigEntry & { removedAt: string })[];

type RevisionHead = Omit<SavedRig, 'document' | 'steps'>;

const revisionHead = (store: Store, id: string, revision?: number): RevisionHead | undefined =>
  store
    .prepare(
      `SELECT rig_id AS id, revision, saved_at AS savedAt FROM rig_revision
       WHERE rig_id = @id AND revision = COALESCE(@revision, (SELECT revision FROM rig WHERE id = @id))`,
    )
    .get({ id, revision: revision ?? null }) as RevisionHead | undefined;

/** A rig at its newest or a given revision; undefined if there is none. */
export function loadRig(store: Store, id: string, revision?: number): SavedRig | undefined {
  const head = revisionHead(store, id, revision);
  const document = head && documentOf(store, id, head.revision);
  return document && { ...head!, document, steps: stepsFrom(store, id, head!.revision) };
}

/** A rig at its newest revision as it is sent, JSON in UTF-8; undefined if there is none. */
export function rigToSend(store: Store, id: string): Buffer<ArrayBuffer> | undefined {
  const head = revisionHead(store, id);
  if (!head) return undefined;
  return sentRig(store, id, head.revision, JSON.stringify({ ...head, steps: stepsFrom(store, id, head.revision) }));
}

export const hasRig = (store: Store, id: string): boolean =>
  store.prepare('SELECT 1 FROM rig WHERE id = ?').get(id) !== undefined;

/** A revision with what it changed in words; empty where nobody wrote that down. */
export interface RevisionEntry {
  revision: number;
  savedAt: string;
  changes: string;
  /** Whether its document is still there; the words stay. */
  kept: boolean;
}

/** Revisions of a rig, newest first. @param before only those before that one @param most of them */
export const listRevisions = (store: Store, id: string, before?: number, most = -1): RevisionEntry[] =>
  (
    store
      .prepare(
        `SELECT revision, saved_at AS savedAt, COALESCE(changes, '') AS changes, document <> '' AS kept
         FROM rig_revision WHERE rig_id = ? AND revision < ? ORDER BY revision DESC LIMIT ?`,
      )
      .all(id, before ?? Number.MAX_SAFE_INTEGER, most) as (Omit<RevisionEntry, 'kept'> & { kept: 0 | 1 })[]
  ).map((entry) => ({ ...entry, kept: entry.kept === 1 }));

/** Saves a new rig as revision 1. @throws DocumentError for a document that is not one */
export function createRig(store: Store, value: unknown, id: string = randomUUID()): SavedRig {
  const document = readDocument(value);
  const savedAt = now();
  store
    .transaction(() => {
      store
        .prepare('INSERT INTO rig (id, name, revision, created_at, saved_at) VALUES (?, ?, 1, ?, ?)')
        .run(id, document.name, savedAt, savedAt);
      insertRevision(store, { id, revision: 1, savedAt, document }, 'Created');
    })
    .immediate();
  return { id, revision: 1, savedAt, document, steps: {} };
}

/**
 * Saves a changed rig as the next revision. When this returns, the change survives a killed process.
 * @returns undefined if there is no such rig
 * @throws StaleRevision if somebody saved in between; RigRemoved; DocumentError for a document that is not one
 */
export function saveRig(store: Store, id: string, basedOn: number, value: unknown): SavedRig | undefined {
  const document = readDocument(value);
  const outcome = store
    .transaction((): SavedRig | StaleRevision | undefined => {
      const current = loadRig(store, id);
      if (!current) return undefined;
      if (isRemoved(store, id)) throw new RigRemoved();
      const savedAt = now();
      if (current.revision !== basedOn) {
        const { lastInsertRowid } = store
          .prepare('INSERT INTO rig_refused (rig_id, based_on, document, refused_at) VALUES (?, ?, ?, ?)')
          .run(id, basedOn, JSON.stringify(document), savedAt);
        return new StaleRevision(current, basedOn, Number(lastInsertRowid));
      }
      const next = { id, revision: basedOn + 1, savedAt, document };
      insertRevision(store, next, changesInWords(current.document, document));
      store
        .prepare('UPDATE rig SET name = ?, revision = ?, saved_at = ? WHERE id = ?')
        .run(document.name, next.revision, savedAt, id);
      return { ...next, steps: stepsFrom(store, id, next.revision) };
    })
    .immediate();
  if (outcome instanceof StaleRevision) throw outcome;
  if (outcome) justWritten(store, id, outcome.revision, outcome.document);
  return outcome;
}

const isRemoved = (store: Store, id: string): boolean =>
  store.prepare('SELECT 1 FROM rig WHERE id = ? AND removed_at IS NOT NULL').get(id) !== undefined;

/** Takes a rig off the list; its revisions stay. @returns whether there was one */
export const removeRig = (store: Store, id: string): boolean =>
  store.prepare('UPDATE rig SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(now(), id).changes > 0;

/** Puts a removed rig back on the list. @returns whether there was one */
export const restoreRig = (store: Store, id: string): boolean =>
  store.prepare('UPDATE rig SET removed_at = NULL WHERE id = ? AND removed_at IS NOT NULL').run(id).changes > 0;

/** What a refused save held. */
export function loadRefused(store: Store, rig: string, refused: number): RigDocument | undefined {
  const row = store.prepare('SELECT document FROM rig_refused WHERE id = ? AND rig_id = ?').get(refused, rig) as
    { document: string } | undefined;
  return row && readDocument(JSON.parse(row.document));
}

/**
 * Undoes the last change of a rig, or does again what was undone, as a new revision.
 * @returns undefined if there is no such rig, or nothing to go to
 * @throws StaleRevision; RigRemoved
 */
export function stepRig(store: Store, id: string, basedOn: number, way: 'undo' | 'redo'): SavedRig | undefined {
  const to = stepsFrom(store, id, basedOn)[way];
  const document = to === undefined ? undefined : loadRig(store, id, to)?.document;
  return document && saveRig(store, id, basedOn, document);
}

function insertRevision(
  store: Store,
  { id, revision, savedAt, document }: Omit<SavedRig, 'steps'>,
  changes: string,
): void {
  const text = JSON.stringify(document);
  const before = standing(store, id, revision - 1);
  const stands = standingAfter(store, id, revision - 1, text);
  store
    .prepare(
      `INSERT INTO rig_revision (rig_id, revision, document, saved_at, changes, again, redo)
       VALUES (?, ?, ?, ?, ?, ?, ?)`,
    )
    .run(
      id,
      revision,
      text,
      savedAt,
      stands
        ? `${stands.at < before!.at ? 'Undone' : 'Done again'} (as in revision ${stands.at}): ${changes}`
        : changes,
      stands?.at ?? null,
      stands?.redo.length ? JSON.stringify(stands.redo) : null,
    );
}
