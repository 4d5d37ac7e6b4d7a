import type { SavedRig } from '@/core/rig';
import type { SheetRig } from '@/core/runsheet';

/** Sheets computed from rigs, so that following the circuits is done once a revision; one for pages and routes. */
const shared = globalThis as { inletCheckSheets?: Map<string, SheetRig> };
const computed = (): Map<string, SheetRig> => (shared.inletCheckSheets ??= new Map());
const MOST = 20;

type Of = Pick<SavedRig, 'id' | 'revision' | 'savedAt'>;
const keyOf = ({ id, revision, savedAt }: Of): string => `${id} ${revision} ${savedAt}`;

/** What a run sheet must know of a rig, where that was computed lately. */
export const computedSheet = (saved: Of): SheetRig | undefined => computed().get(keyOf(saved));

/** Whatever was computed is written otherwise from now on. */
export const forgetComputed = (): void => computed().clear();

/** Keeps what was computed of a rig. */
export function keepComputed(saved: Of, rig: SheetRig): SheetRig {
  const known = computed();
  if (known.size >= MOST) known.clear();
  known.set(keyOf(saved), rig);
  return rig;
}
