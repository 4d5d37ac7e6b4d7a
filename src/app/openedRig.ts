import { notFound, redirect } from 'next/navigation';
import type { Store } from '@/store/store';
import { openRig, type Opened } from '@/store/opened';

/**
 * The rig that a page asks for, and never another one in its place, which would be taken for it: a removed one leads to
 * where it can be put back, an unknown one to the page that says so.
 */
export function openedRig(store: Store, wanted?: string): Opened {
  const opened = openRig(store, wanted);
  if (opened.unknown) notFound();
  if (opened.removed !== undefined) redirect(`/rig?removed=${encodeURIComponent(opened.removed)}`);
  return opened;
}
