import { countOf, partOf, type KitItem } from '../kit/item';
import type { RigDocument } from '../rig/document';
import type { Spare } from './case';

/** The links of a kit that no line of a rig uses. */
export function sparesOf(kit: readonly KitItem[], { lines }: Pick<RigDocument, 'lines'>): Spare[] {
  const used = new Map<string, number>();
  for (const { links } of lines)
    for (const { item } of links) if (item !== undefined) used.set(item, (used.get(item) ?? 0) + 1);
  return kit.flatMap((item) =>
    item.role === 'link'
      ? [{ part: partOf(item), name: item.name, count: Math.max(countOf(item) - (used.get(item.id) ?? 0), 0) }]
      : [],
  );
}
