import { overdrawn, type KitItem, type Overdrawn } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import { overdrawnWords as text } from './texts';

/** How many are used, and how many there are. */
export const overdrawnWords = ({ name, has, uses }: Overdrawn): string => text.usedOwned(name, uses, has);

/** What a change uses more of than the kit has, in a sentence; nothing where there is enough. */
export function moreThanOwned(before: RigDocument, next: RigDocument, kit: readonly KitItem[]): string {
  const known = overdrawn(before, kit);
  const more = overdrawn(next, kit).filter(({ item, uses }) => !known.some((b) => b.item === item && b.uses === uses));
  return more.length ? text.moreThanYouOwnNow(more.map(overdrawnWords).join('; ')) : '';
}
