import { isCable, LINKS, type Part } from '../gear';
import { countOf, partOf, type KitItem } from '../kit/item';
import type { Device, RigDocument } from '../rig/document';
import { inletPieceKey } from './places';
import { looseKey, movable, pieceKey, pieceLabel, TO_GET, type Piece } from './pieces';

/** Every link that may be used: by what it is, with how many there are. */
export type Stock = ReadonlyMap<string, Piece>;

/**
 * What there is to build lines from: the kit's links, and whatever the rig uses that the kit does not list. A link on
 * the rig that is like one of the kit is one of the kit's, even where it does not say so; one that is like it but for a
 * fault or a test is that one piece, and the kit has one less of the others.
 * @param owned what the rig uses and the kit does not list is there (drawn), or, where there is a kit, only what somebody
 * owns and what nobody moves, such as a multicore or a patch point (listed): the rest is missing
 */
export function stockOf(
  kit: readonly KitItem[],
  document: Pick<RigDocument, 'lines'>,
  owned: 'drawn' | 'listed' = 'drawn',
): Stock {
  const pieces = new Map<string, Piece>();
  const loose = new Map<string, Piece[]>();
  const add = (part: Part, count: number): Piece => {
    const key = pieceKey(part);
    const known = pieces.get(key);
    if (known) {
      known.count += count;
      return known;
    }
    const piece: Piece = { key, part, label: pieceLabel(part), count, ...(part.faults?.length && { faulty: true }) };
    pieces.set(key, piece);
    return piece;
  };
  const byItem = new Map<string, Piece>();
  for (const item of kit) {
    if (item.role !== 'link') continue;
    const piece = add(partOf(item), countOf(item));
    byItem.set(item.id, piece);
    const like = looseKey(item.part);
    loose.set(like, [...(loose.get(like) ?? []), piece]);
  }
  const listed = new Set(pieces.keys());
  for (const { links } of document.lines)
    for (const { id: _id, ...part } of links) {
      if (listed.has(pieceKey(part))) continue;
      const own = part.item !== undefined ? byItem.get(part.item) : undefined;
      const like = own ?? loose.get(looseKey(part))?.find(({ count }) => count > 0);
      // Something the kit knew once, and has no more of: it is not there to be used.
      if (part.item !== undefined && !own && kit.length > 0) continue;
      if (like) {
        if (like.count === 0) continue;
        like.count--;
      }
      const piece = add(part, 1);
      if (!like && owned === 'listed' && kit.length > 0 && !isFixed(part)) piece.missing = true;
    }
  return pieces;
}

/** What belongs to the house, not to a kit. */
const isFixed = (part: Part): boolean => !movable({ key: '', part, label: '', count: 1 });

/** Lengths that cables are sold in, in metres (common practice). */
const LENGTHS = [1, 3, 5, 10, 15, 20, 30, 50];

/**
 * Everything of the catalogue as something to get, as often as it takes.
 * @param devices with an inlet that nobody has, once each
 */
export function market(most: number, devices: readonly Device[] = []): Piece[] {
  const inlets = devices.map(({ id, inlets: [{ kind }] }): Piece => ({
    key: inletPieceKey(id),
    part: { kind },
    label: 'XLR inlet with a separate 48 V switch',
    count: 1,
    toGet: true,
  }));
  const links = LINKS.flatMap((kind): Piece[] => {
    const choice = kind.planning?.built;
    const parts: Part[] = choice
      ? kind.choices[choice].options.map(({ value }) => ({ kind: kind.kind, choices: { [choice]: value } }))
      : [{ kind: kind.kind }];
    return parts
      .flatMap((part): Part[] =>
        isCable(part)
          ? LENGTHS.map((value) => ({ ...part, figures: { length: { value, unit: 'm', basis: 'common practice' } } }))
          : [part],
      )
      .map((part) => ({ key: `${TO_GET} ${pieceKey(part)}`, part, label: pieceLabel(part), count: most, toGet: true }));
  });
  return [...links, ...inlets];
}
