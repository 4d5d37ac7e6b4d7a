import type { Store } from './store';

/** How far undo looks back for what a document was before. */
const LOOK_BACK = 200;

/** Where a saved revision stands among those of its rig. */
export interface Standing {
  /** The revision whose document this is: itself, or the one that undo or redo went to. */
  at: number;
  /** What redo goes to, next first. */
  redo: number[];
}

interface Row {
  again: number | null;
  redo: string | null;
}

/** @returns undefined if the rig has no such revision */
export function standing(store: Store, rig: string, revision: number): Standing | undefined {
  const row = store
    .prepare('SELECT again, redo FROM rig_revision WHERE rig_id = ? AND revision = ?')
    .get(rig, revision) as Row | undefined;
  return row && { at: row.again ?? revision, redo: row.redo === null ? [] : (JSON.parse(row.redo) as number[]) };
}

/** Whether the document of a revision is kept; with a text, whether it is that one. Large documents are compared where they lie. */
const isKept = (store: Store, rig: string, revision: number, text?: string): boolean =>
  store
    .prepare(
      `SELECT ${text === undefined ? "document <> ''" : 'document = @text'} FROM rig_revision
       WHERE rig_id = @rig AND revision = @revision`,
    )
    .pluck()
    .get({ rig, revision, ...(text !== undefined && { text }) }) === 1;

/** What undo goes to from a revision, nearest first, as long as it is kept. */
function* before(store: Store, rig: string, { at }: Standing): Generator<number> {
  for (let place: number | undefined = at, n = 0; place !== undefined && n < LOOK_BACK; n++) {
    place = place > 1 ? standing(store, rig, place - 1)?.at : undefined;
    if (place === undefined || !isKept(store, rig, place)) return;
    yield place;
  }
}

/** What undo and redo would go to from a revision. */
export function stepsFrom(store: Store, rig: string, revision: number): { undo?: number; redo?: number } {
  const here = standing(store, rig, revision);
  if (!here) return {};
  const undo = before(store, rig, here).next();
  const [redo] = here.redo;
  return {
    ...(!undo.done && { undo: undo.value }),
    ...(redo !== undefined && isKept(store, rig, redo) && { redo }),
  };
}

/**
 * Where a document stands that is saved after a revision: what it was before, gone back to; what was undone, done again;
 * or something new, after which nothing is left to be done again.
 * @param text the document as it is written
 */
export function standingAfter(store: Store, rig: string, revision: number, text: string): Standing | undefined {
  const here = standing(store, rig, revision);
  if (!here) return undefined;
  for (const [n, to] of here.redo.entries())
    if (isKept(store, rig, to, text)) return { at: to, redo: here.redo.slice(n + 1) };
  const passed = [here.at];
  for (const to of before(store, rig, here)) {
    if (isKept(store, rig, to, text)) return { at: to, redo: [...passed.toReversed(), ...here.redo] };
    passed.push(to);
  }
  return undefined;
}
