import { isCable } from '../../../gear';
import { familyOf, movable, pieceKey, type Piece } from '../../pieces';
import { joinKey, joins } from '../../chains/joins';
import { slotKey, type Slot } from '../../chains/chain';
import type { Term } from '../../program/program';
import type { Problem } from '../columns';
import type { Draft } from './draft';

/** No more is used of anything than there is, or than is got. */
export function stock(draft: Draft): void {
  const { pieces, tasks, missing, schools } = draft.problem;
  const used = new Map<string, Term[]>();
  const consume = (key: string, term: Term) => {
    const known = used.get(key);
    if (known) known.push(term);
    else used.set(key, [term]);
  };
  const slots = new Map<string, Slot>();
  /** Slots of lines for which a cable may be got: whoever has what it takes gets none. */
  const open = new Set<string>();
  for (const { column, variable } of draft.columns) {
    for (const key of column.judged.uses) consume(key, [variable, 1]);
    for (const { slot } of column.judged.chain.steps) {
      if (!slot) continue;
      slots.set(slotKey(slot), slot);
      if (missing.has(tasks[column.task].line.id)) open.add(slotKey(slot));
    }
  }
  for (const [key, { families, least, most }] of slots) {
    const serving = families.flatMap((family) => {
      const own = pieces.filter(
        (piece) =>
          isCable(piece.part) &&
          movable(piece) &&
          piece.count > 0 &&
          familyOf(piece.part) === family &&
          (!piece.toGet || open.has(key)),
      );
      return joins(own, least, most).filter((join) => !draft.options.unfit?.has(`${key} ${joinKey(join)}`));
    });
    const chosen = serving.map((join) => {
      const times = (piece: Piece) => join.filter((each) => each === piece).length;
      const variable = draft.program.variable(Math.min(...join.map((piece) => Math.floor(piece.count / times(piece)))));
      draft.cables.push({ slot: key, pieces: join, variable });
      for (const piece of new Set(join)) consume(piece.key, [variable, times(piece)]);
      return variable;
    });
    draft.program.row([...(used.get(key) ?? []), ...chosen.map((variable): Term => [variable, -1])], {
      lower: 0,
      upper: 0,
    });
  }
  const keep = schools.lastSpare === 'keep';
  const laid = keep ? laidNow(draft.problem) : undefined;
  for (const piece of pieces) {
    const terms = used.get(piece.key);
    if (!terms) continue;
    if (!piece.toGet && !piece.missing) {
      draft.program.row(terms, { upper: piece.count });
      // Whatever has none left in the case now keeps none there.
      if (laid && (laid.get(piece.key) ?? 0) < piece.count) {
        const variable = draft.program.variable();
        draft.lasts.push({ piece, variable });
        draft.program.row([...terms, [variable, -1]], { upper: piece.count - 1 });
      }
      continue;
    }
    const variable = draft.program.variable(piece.count);
    draft.got.push({ piece, variable });
    draft.program.row([...terms, [variable, -1]], { upper: 0 });
  }
}

/** How many of each piece lie on the rig as it is. */
function laidNow({ document: { lines } }: Problem): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { links } of lines)
    for (const part of links) counts.set(pieceKey(part), (counts.get(pieceKey(part)) ?? 0) + 1);
  return counts;
}
