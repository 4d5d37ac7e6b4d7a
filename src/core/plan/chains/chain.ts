import { isCable, type Figure, type Part, linkKind, reader, sourceKind } from '../../gear';
import type { Metres } from '../../units';
import { onceEach } from '../../units/once';
import { complexity, familyOf, lengthOf, pieceKey, powersOf, settingsOf, TO_GET, type Piece } from '../pieces';

/** Any cable of some sorts that is at least so long, or several of one sort that are together. */
export interface Slot {
  families: readonly string[];
  least: Metres;
  /** How many may be joined. */
  most: number;
}

/** One link of a chain: a particular piece, or, with a slot, any cables that reach; `piece` is then the shortest of them. */
export interface Step {
  piece: Piece;
  /** As it is set. */
  part: Part;
  slot?: Slot;
  /** Cables of a slot that are joined to it, where no single one reaches. */
  joined?: readonly Piece[];
}

/** The links of a step in order. */
const linksOf = ({ part, joined = [] }: Step): Part[] => [part, ...joined.map((piece) => piece.part)];
/** How many links some steps are. */
export const countOf = (steps: readonly Step[]): number =>
  steps.reduce((sum, { joined = [] }) => sum + 1 + joined.length, 0);

/** The links of a chain in order. */
export const partsOf = ({ steps }: Pick<Chain, 'steps'>): Part[] => steps.flatMap(linksOf);

/** Links in the order from source to inlet, and the source as it is set for them. */
export interface Chain {
  source: Part;
  steps: Step[];
}

/** Most links of a chain. */
export const MOST_LINKS = 4;

export const slotKey = onceEach(
  ({ families, least, most }: Slot): string => `${families.join(' or ')} from ${least} m, ${most} joined`,
);

/** What a step takes from the stock, by key. */
export const useOf = ({ slot, piece }: Step): string => (slot ? slotKey(slot) : piece.key);
/** What a chain takes from the stock: slots and pieces by key. */
export const usesOf = ({ steps }: Chain): string[] => steps.map(useOf);

/** What a chain takes for each of its steps: a particular piece by its key, or any cables that will do. */
const takes = onceEach(({ steps }: Chain): (string | Slot)[] =>
  // Things to get are as good as each other: there is as much of any as anybody wants.
  steps.map(({ slot, piece }) => slot ?? (piece.toGet ? TO_GET : piece.key)),
);

/** Whether whatever cables would do for one slot do for the other, too. */
const isLooser = (loose: Slot, tight: Slot): boolean =>
  loose.least <= tight.least &&
  loose.most >= tight.most &&
  tight.families.every((family) => loose.families.includes(family));

/** Whether a chain takes nothing that another one does not take, whatever cables that one is made of. */
export function takesNoMore(than: Chain, chain: Chain): boolean {
  const left = [...takes(than)];
  return takes(chain).every((own) => {
    const at = left.findIndex((other) =>
      typeof own === 'string' || typeof other === 'string' ? own === other : isLooser(own, other),
    );
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
}

export const complexityOf = (chain: Chain): number => partsOf(chain).reduce((sum, part) => sum + complexity(part), 0);

const settings = (part: Part, kind: { choices: Parameters<typeof settingsOf>[0]['choices'] }): string[] =>
  settingsOf(kind).map((name) => part.choices?.[name] ?? kind.choices[name].standard);

/** Settings that differ between two parts of one kind. */
function flipped(a: Part, b: Part, role: 'source' | 'link'): number {
  const kind = role === 'source' ? sourceKind(a.kind) : linkKind(a.kind);
  const other = settings(b, kind);
  return settings(a, kind).filter((value, n) => value !== other[n]).length;
}

/** Whether a link that is there now will do for a step. */
function serves(link: Part, { slot, piece }: Step): boolean {
  if (!slot) return pieceKey(link) === piece.key;
  return (
    isCable(link) && !link.faults?.length && slot.families.includes(familyOf(link)) && lengthOf(link) >= slot.least
  );
}

/** Which link of a line serves each step of a chain, in order: undefined for what has to be put in. */
export function matched(
  links: readonly Part[],
  steps: readonly Step[],
  fits: (link: Part, step: Step) => boolean = serves,
): (number | undefined)[] {
  // Longest common subsequence; lines have sixteen links at most.
  const best = Array.from({ length: links.length + 1 }, () => new Array<number>(steps.length + 1).fill(0));
  for (let i = links.length - 1; i >= 0; i--)
    for (let j = steps.length - 1; j >= 0; j--)
      best[i][j] = Math.max(best[i + 1][j], best[i][j + 1], fits(links[i], steps[j]) ? best[i + 1][j + 1] + 1 : 0);
  const found: (number | undefined)[] = steps.map(() => undefined);
  for (let i = 0, j = 0; i < links.length && j < steps.length;) {
    if (fits(links[i], steps[j]) && best[i][j] === best[i + 1][j + 1] + 1) found[j++] = i++;
    else if (best[i + 1][j] >= best[i][j + 1]) i++;
    else j++;
  }
  return found;
}

/** How many links are put in, taken out or set otherwise to make a chain of what a line has now. */
export function changesOf(
  now: { source: Part; links: readonly Part[] },
  chain: Chain,
  reusing: 'what is named' | 'all that serves' = 'what is named',
): number {
  if (reusing === 'all that serves') {
    // Cables that are joined now may stay so, where they reach together.
    const links = merged(now.links);
    if (links.length < now.links.length)
      return Math.min(counted(now, chain, reusing), counted({ ...now, links }, chain, reusing));
  }
  return counted(now, chain, reusing);
}

/** Links with cables of one sort that follow each other as one. */
function merged(links: readonly Part[]): Part[] {
  return links.reduce<Part[]>((made, link) => {
    const last = made.at(-1);
    const alike = last && [last, link].every((part) => isCable(part) && !part.faults?.length);
    if (!alike || familyOf(last) !== familyOf(link)) return [...made, link];
    const length: Figure = { value: lengthOf(last) + lengthOf(link), unit: 'm', basis: 'assumed' };
    return [...made.slice(0, -1), { ...link, figures: { ...link.figures, length } }];
  }, []);
}

function counted(
  now: { source: Part; links: readonly Part[] },
  chain: Chain,
  reusing: 'what is named' | 'all that serves',
): number {
  // A cable that only has to reach may be any: what lies there now is counted on only where the chain names it.
  const found = matched(
    now.links,
    chain.steps,
    (link, step) => (reusing === 'all that serves' || !step.slot) && serves(link, step),
  );
  const kept = found.filter((at) => at !== undefined).length;
  const exchanged = Math.max(now.links.length, countOf(chain.steps)) - kept;
  const set = found.reduce<number>(
    (sum, at, n) => sum + (at === undefined ? 0 : flipped(now.links[at], chain.steps[n].part, 'link')),
    0,
  );
  return exchanged + set + flipped(now.source, chain.source, 'source');
}

/** A part's variants: as it is set, and with each setting of its power otherwise; what only switches it off is left out. */
export const variants = (part: Part, role: 'source' | 'link'): Part[] =>
  role === 'source' ? variantsOfSource(part) : variantsOfLink(part);

const variantsOfSource = onceEach((part: Part) => variantsOf(part, sourceKind(part.kind)));

const variantsOfLink = onceEach((part: Part) => {
  const kind = linkKind(part.kind);
  return variantsOf(part, kind, kind.nature === 'supply');
});

function variantsOf(part: Part, kind: Parameters<typeof reader>[0], supply = false): Part[] {
  const read = reader(kind, part);
  return [
    part,
    ...powersOf(kind).flatMap((name) =>
      kind.choices[name].options
        .filter(({ value }) => value !== read.choice(name) && !(supply && value === 'off'))
        .map(({ value }): Part => ({ ...part, choices: { ...part.choices, [name]: value } })),
    ),
  ].filter((variant) => !supply || reader(kind, variant).choice('feed') !== 'off');
}
