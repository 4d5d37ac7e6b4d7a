import { emptyRig, type SavedRig } from '@/core/rig';
import type { Store } from './store';
import { createRig, hasRig, listRigs, loadRig } from './rigs';

export interface Opened {
  saved: SavedRig;
  rigs: { id: string; name: string }[];
  /** The rig that was asked for, where it was removed: what is opened is another one. */
  removed?: string;
  /** There never was a rig as it was asked for. */
  unknown?: true;
}

/** The rig that a page asks for, else the first one; a database without any gets an empty one. */
export function openRig(store: Store, wanted?: string): Opened {
  const rigs = listRigs(store).map(({ id, name }) => ({ id, name }));
  const known = rigs.some(({ id }) => id === wanted);
  const id = known ? wanted : rigs[0]?.id;
  const saved = (id && loadRig(store, id)) || createRig(store, emptyRig('My rig'));
  return {
    saved,
    rigs: rigs.length ? rigs : [{ id: saved.id, name: saved.document.name }],
    ...(wanted !== undefined && !known && (hasRig(store, wanted) ? { removed: wanted } : { unknown: true as const })),
  };
}
