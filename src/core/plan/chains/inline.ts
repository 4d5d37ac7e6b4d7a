import { isCable, LINKS, planningOf } from '../../gear';
import { onceEach } from '../../units/once';
import { movable, type Piece } from '../pieces';
import { countOf, MOST_LINKS, variants, type Chain, type Step } from './chain';
import { endsOf, ORDER } from './connect';

/** The usual place of a kind that stands in an XLR line (common practice). */
const placeOf = (kind: string): number | undefined => {
  const place = planningOf(kind)?.place;
  return place && ORDER[place];
};

/** Kinds that may be put in against what was found. @param codes of findings */
export const kindsAgainst = (codes: ReadonlySet<string>): Set<string> =>
  new Set(LINKS.filter(({ planning }) => planning?.against?.some((code) => codes.has(code))).map(({ kind }) => kind));

const isPinned = ({ part }: Step): boolean => {
  const { input, output } = endsOf(part);
  return input === 'xlr3' && output === 'xlr3';
};

const orderOf = (step: Step, n: number): number => {
  const own = placeOf(step.part.kind);
  if (own !== undefined) return own;
  const { input } = endsOf(step.part);
  if (isCable(step.part)) return input === 'xlr3' ? ORDER.cable : n === 0 ? ORDER.lead : ORDER.inlet + 1;
  return input === 'xlr3' ? ORDER.inlet : ORDER.source;
};

/** A chain with one more thing in its three-pin part, for each piece of some kinds that its findings ask for. */
export function extended(chain: Chain, kinds: ReadonlySet<string>, pieces: readonly Piece[]): Chain[] {
  if (countOf(chain.steps) >= MOST_LINKS) return [];
  const present = new Set(chain.steps.map(({ part }) => part.kind));
  return pieces
    .filter((piece) => piece.count > 0 && kinds.has(piece.part.kind) && !present.has(piece.part.kind) && movable(piece))
    .flatMap((piece) => variants(piece.part, 'link').map((part): Step => ({ piece, part })))
    .flatMap((step) => inserted(chain, step) ?? []);
}

/** A chain with a step put in at its usual place; undefined where the chain has no three-pin part, or it belongs elsewhere. */
export function inserted({ source, steps }: Chain, step: Step): Chain | undefined {
  const place = placeOf(step.part.kind);
  const pinned = steps.findIndex(isPinned);
  if (place === undefined || pinned < 0) return undefined;
  const after = steps.findLastIndex((other, n) => orderOf(other, n) <= place);
  const at = Math.min(Math.max(after + 1, pinned), steps.findLastIndex(isPinned) + 1);
  // One link more is one fewer to join.
  return { source, steps: steps.map(withOneFewer).toSpliced(at, 0, step) };
}

const withOneFewer = onceEach((step: Step): Step =>
  step.slot && step.slot.most > 1 ? { ...step, slot: { ...step.slot, most: step.slot.most - 1 } } : step,
);
