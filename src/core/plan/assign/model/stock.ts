import { familyOf, isCable, lengthOf, movable } from '../../pieces';
import { slotKey, type Slot } from '../../chains/chain';
import type { Term } from '../../program/program';
import type { Draft } from './draft';

/** No more is used of anything than there is, or than is got. */
export function stock(draft: Draft): void {
  const { pieces } = draft.ground;
  const used = new Map<string, Term[]>();
  const consume = (key: string, term: Term) => used.set(key, [...(used.get(key) ?? []), term]);
  const slots = new Map<string, Slot>();
  for (const { column, variable } of draft.columns) {
    for (const key of column.judged.uses) consume(key, [variable, 1]);
    for (const { slot } of column.judged.chain.steps) if (slot) slots.set(slotKey(slot), slot);
  }
  for (const [key, { families, least }] of slots) {
    const serving = pieces.filter(
      (piece) =>
        isCable(piece.part) &&
        movable(piece) &&
        piece.count > 0 &&
        families.includes(familyOf(piece.part)) &&
        lengthOf(piece.part) >= least &&
        !draft.options.unfit?.has(`${key} ${piece.key}`),
    );
    const chosen = serving.map((piece) => {
      const variable = draft.program.variable(piece.count);
      draft.cables.push({ slot: key, piece, variable });
      consume(piece.key, [variable, 1]);
      return variable;
    });
    draft.program.row([...(used.get(key) ?? []), ...chosen.map((variable): Term => [variable, -1])], {
      lower: 0,
      upper: 0,
    });
  }
  for (const piece of pieces) {
    const terms = used.get(piece.key);
    if (!terms) continue;
    if (!piece.toGet) {
      draft.program.row(terms, { upper: piece.count });
      continue;
    }
    const variable = draft.program.variable(piece.count);
    draft.got.push({ piece, variable });
    draft.program.row([...terms, [variable, -1]], { upper: 0 });
  }
}
