import { keepComputed } from '@/store/computed';
import type { Store } from '@/store/store';
import { loadRig } from '@/store/rigs';
import { needsRig, type SheetReport } from '@/store/switching';
import { heavily } from './pool';

/**
 * Follows the circuits of a rig, where that is still to be done, before something is asked that rests on them: what is
 * asked then has not to wait, and nobody else either.
 * @param report that is going to be made; none where somebody only looks
 */
export async function followed(store: Store, rig: string, report?: SheetReport['report']): Promise<void> {
  if (!needsRig(store, rig, report)) return;
  const saved = loadRig(store, rig);
  if (saved) keepComputed(saved, await heavily('sheet', saved.document));
}
