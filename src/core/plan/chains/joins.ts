import { lengthOf, type Piece } from '../pieces';
import type { Metres } from '../../units';

/** What two lengths may differ by and be the same: figures have rounding. */
const ROUNDING: Metres = 1e-6;

/**
 * Cables that reach together, so that none of them could be left away: one by itself, or several of what there is joined.
 * What would have to be got is got in one piece.
 * @param least what they have to measure together, in metres
 * @param most how many may be joined
 * @returns fewest cables first, of these the shortest
 */
export function joins(pieces: readonly Piece[], least: Metres, most: number): Piece[][] {
  const cables = pieces.filter(({ count }) => count > 0).toSorted((a, b) => lengthOf(b.part) - lengthOf(a.part));
  const found: Piece[][] = cables.filter(({ part }) => lengthOf(part) + ROUNDING >= least).map((piece) => [piece]);
  const short = cables.filter(({ part, toGet }) => !toGet && lengthOf(part) + ROUNDING < least);
  /** Longest first: what does not reach with the last one in, and does with it, could do without none. */
  const follow = (from: number, laid: Piece[], sum: Metres): void => {
    for (let n = from; n < short.length; n++) {
      const piece = short[n];
      if (laid.filter((each) => each === piece).length >= piece.count) continue;
      const total = sum + lengthOf(piece.part);
      if (total + ROUNDING >= least) found.push([...laid, piece]);
      else if (laid.length + 1 < most) follow(n, [...laid, piece], total);
    }
  };
  if (most > 1) follow(0, [], 0);
  return found.toSorted((a, b) => a.length - b.length || lengthsOf(a) - lengthsOf(b));
}

export const lengthsOf = (pieces: readonly Piece[]): Metres =>
  pieces.reduce((sum, { part }) => sum + lengthOf(part), 0);

/** By what a choice of cables is known. */
export const joinKey = (pieces: readonly Piece[]): string => pieces.map(({ key }) => key).join(' + ');
