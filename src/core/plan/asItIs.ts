import { isCable } from '../gear';
import { lengthOf, pieceKey, type Piece } from './pieces';
import type { Task } from './tasks';

/** What each link of a task's line is, where there is still one of it. */
export const ownPieces = ({ line }: Task, pieces: readonly Piece[]): (Piece | undefined)[] =>
  line.links.map((part) => {
    const key = pieceKey(part);
    return pieces.find((piece) => piece.key === key && piece.count > 0);
  });

/** Whether the cables of a task's line are as long as a run. */
export const reachesOver = ({ line }: Task, run: number): boolean =>
  line.links.filter(isCable).reduce((sum, part) => sum + lengthOf(part), 0) >= run;
