import { sourceKind } from '../gear';
import { startsAtLink, type RigDocument } from '../rig/document';
import { sideOf } from '../rig/sides';
import { countOf, type KitItem } from './item';

/** Something that a rig uses more often than there is of it. */
export interface Overdrawn {
  item: string;
  name: string;
  has: number;
  uses: number;
}

/** How many of each item of the kit a rig uses, by the item's id; left and right of one instrument are one thing. */
export function usesByItem({ lines, devices }: Pick<RigDocument, 'lines' | 'devices'>): ReadonlyMap<string, number> {
  const uses = new Map<string, number>();
  const count = (item?: string) => item !== undefined && uses.set(item, (uses.get(item) ?? 0) + 1);
  /** Sources with several outputs, by item and name without its side: how many lines there are of each side. */
  const sides = new Map<string, { item: string; lines: Map<string, number> }>();
  for (const line of lines) {
    for (const { item } of line.links) count(item);
    if (startsAtLink(line)) continue;
    const { kind, item, name } = line.source;
    const side = sourceKind(kind).character === 'line output' ? (sideOf(name ?? '') ?? sideOf(line.name)) : undefined;
    if (!side || item === undefined) {
      count(item);
      continue;
    }
    const key = `${item} ${side.name}`;
    const known = sides.get(key) ?? { item, lines: new Map<string, number>() };
    known.lines.set(side.side, (known.lines.get(side.side) ?? 0) + 1);
    sides.set(key, known);
  }
  // Left and right of one instrument are one thing; two lines of its left are not.
  for (const { item, lines: of } of sides.values()) for (let n = 0; n < Math.max(...of.values()); n++) count(item);
  for (const { item } of devices) count(item);
  return uses;
}

/** What a rig uses more of than the kit has, in the kit's order; what the rig has that is no item of the kit is not counted. */
export function overdrawn(document: RigDocument, kit: readonly KitItem[]): Overdrawn[] {
  const uses = usesByItem(document);
  return kit.flatMap((item) => {
    const { id, name } = item;
    const has = countOf(item);
    const used = uses.get(id) ?? 0;
    return used > has ? [{ item: id, name, has, uses: used }] : [];
  });
}
