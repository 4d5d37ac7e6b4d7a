import { emptyRig } from '@/core/rig';
import type { Store } from './database';
import { createRig, listRigs, loadRig, type SavedRig } from './rigs';

/** The rig that a page asks for, else the first one; a database without any gets an empty one. */
export function openRig(store: Store, wanted?: string): { saved: SavedRig; rigs: { id: string; name: string }[] } {
  const rigs = listRigs(store).map(({ id, name }) => ({ id, name }));
  const id = rigs.find((rig) => rig.id === wanted)?.id ?? rigs[0]?.id;
  const saved = (id && loadRig(store, id)) || createRig(store, emptyRig('My rig'));
  return { saved, rigs: rigs.length ? rigs : [{ id: saved.id, name: saved.document.name }] };
}
