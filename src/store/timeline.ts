import type { Store } from './database';

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

/** The document of a revision as it lies there; undefined where it was thinned out. */
const textOf = (store: Store, rig: string, revision: number): string | undefined =>
  (store
    .prepare("SELECT document FROM rig_revision WHERE rig_id = ? AND revision = ? AND document <> ''")
    .pluck()
    .get(rig, revision) as string | undefined) ?? undefined;

/** What undo goes to from a revision, nearest first, as long as it is kept. */
function* before(store: Store, rig: string, { at }: Standing): Generator<{ revision: number; text: string }> {
  for (let place: number | undefined = at, n = 0; place !== undefined && n < LOOK_BACK; n++) {
    place = place > 1 ? standing(store, rig, place - 1)?.at : undefined;
    const text = place === undefined ? undefined : textOf(store, rig, place);
    if (place === undefined || text === undefined) return;
    yield { revision: place, text };
  }
}

/** What undo and redo would go to from a revision. */
export function stepsFrom(store: Store, rig: string, revision: number): { undo?: number; redo?: number } {
  const here = standing(store, rig, revision);
  if (!here) return {};
  const undo = before(store, rig, here).next();
  const [redo] = here.redo;
  return {
    ...(!undo.done && { undo: undo.value.revision }),
    ...(redo !== undefined && textOf(store, rig, redo) !== undefined && { redo }),
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
    if (textOf(store, rig, to) === text) return { at: to, redo: here.redo.slice(n + 1) };
  const passed = [here.at];
  for (const { revision: to, text: was } of before(store, rig, here)) {
    if (was === text) return { at: to, redo: [...passed.toReversed(), ...here.redo] };
    passed.push(to);
  }
  return undefined;
}
