import { startsAtLink, type RigDocument } from '../rig/document';
import type { KitItem } from './item';

/** Something that a rig uses more often than there is of it. */
export interface Overdrawn {
  item: string;
  name: string;
  has: number;
  uses: number;
}

/** What a rig uses more of than the kit has, in the kit's order; what the rig has that is no item of the kit is not counted. */
export function overdrawn({ lines, devices }: RigDocument, kit: readonly KitItem[]): Overdrawn[] {
  const uses = new Map<string, number>();
  const count = (item?: string) => item !== undefined && uses.set(item, (uses.get(item) ?? 0) + 1);
  for (const line of lines) {
    if (!startsAtLink(line)) count(line.source.item);
    for (const { item } of line.links) count(item);
  }
  for (const { item } of devices) count(item);
  return kit.flatMap(({ id, name, count: has }) => {
    const used = uses.get(id) ?? 0;
    return used > has ? [{ item: id, name, has, uses: used }] : [];
  });
}
