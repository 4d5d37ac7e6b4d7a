import { isCable, isPlainAdapter, linkKind, planningOf, mate, reader, type ConnectorId, type Part } from '../../gear';
import type { Metres } from '../../units';
import { onceEach } from '../../units/once';
import { familyOf, lengthOf, movable, type Piece } from '../pieces';
import { MOST_LINKS, variants, type Step } from './chain';
import { joins } from './joins';

/** What has to be joined. */
export interface Gap {
  /** Kind of the source. */
  source: string;
  plug: ConnectorId;
  sockets: readonly ConnectorId[];
  /** Cable that is needed, in metres. */
  run: Metres;
  /** The source hangs on a lead of its own. */
  lead: boolean;
  /** The inlet is one that is plugged onto the source itself. */
  plugOn: boolean;
  /** Most pieces that would have to be got. */
  mostToGet: number;
}

/** Place of a step on the way: leads and what changes connectors at the source, then what stands in three-pin line, then the rest. */
export const ORDER = { lead: 0, source: 1, booster: 2, isolation: 3, t12: 4, cable: 5, level: 6, supply: 7, inlet: 8 };

/** A sort of cable with what there is of it. */
export interface Family {
  key: string;
  connector: ConnectorId;
  /** Shortest first. */
  pieces: Piece[];
}

/** The socket and the plug of a link. */
export const endsOf = onceEach((part: Part) => {
  const kind = linkKind(part.kind);
  return kind.ends(reader(kind, part));
});

function familiesOf(pieces: readonly Piece[]): Family[] {
  const families = new Map<string, Family>();
  for (const piece of pieces) {
    if (!isCable(piece.part) || piece.count === 0 || !movable(piece)) continue;
    const key = familyOf(piece.part);
    const family = families.get(key) ?? { key, connector: endsOf(piece.part).input, pieces: [] };
    family.pieces.push(piece);
    families.set(key, family);
  }
  for (const { pieces: own } of families.values()) own.sort((a, b) => lengthOf(a.part) - lengthOf(b.part));
  return [...families.values()];
}

/** A cable as a step: of its family the shortest that is at least so long, or the fewest that are together; undefined where none are. */
function cableStep({ key, pieces }: Family, least: Metres, most: number): Step | undefined {
  const [first] = joins(pieces, least, most);
  if (!first) return undefined;
  const [piece, ...joined] = first;
  return { piece, part: piece.part, slot: { families: [key], least, most }, ...(joined.length && { joined }) };
}

/** Whether a piece changes the connector of a line, and is made for its source. */
function adapts({ part }: Piece, source: string): boolean {
  const planning = planningOf(part.kind);
  return planning?.adapts === true && (planning.serves?.includes(source) ?? true);
}

interface Laid {
  /** A piece as it is set, or the sort of cable that lies here. */
  step?: Step;
  family?: Family;
}

/** Every sensible way to get from a plug to a socket with adapters, boxes and cables, with the least that is needed of each. */
export function connections(gap: Gap, pieces: readonly Piece[]): Step[][] {
  const families = familiesOf(pieces);
  const adapting = pieces
    .filter((piece) => piece.count > 0 && adapts(piece, gap.source) && movable(piece))
    .flatMap((piece) => variants(piece.part, 'link').map((part) => ({ step: { piece, part }, ...endsOf(part) })));
  const found: Step[][] = [];
  const arrives = (plug: ConnectorId): boolean => gap.sockets.some((socket) => mate(plug, socket));
  const follow = (plug: ConnectorId, laid: Laid[], order: number): void => {
    if (arrives(plug)) found.push(...finished(gap, plug, laid));
    if (laid.length === MOST_LINKS) return;
    const last = laid.at(-1);
    const bare = laid.length === 0 && !gap.lead && plug !== 'xlr3';
    if (!last?.family && laid.filter(({ family }) => family).length < 2)
      for (const family of families) if (family.connector === plug) follow(plug, [...laid, { family }], order);
    if (bare) return;
    for (const { step, input, output } of adapting) {
      const place = input === 'xlr3' ? ORDER.inlet : ORDER.source;
      if (place < order || !mate(plug, input)) continue;
      if (laid.some(({ step: other }) => other && repeats(other, step))) continue;
      if (step.piece.toGet && laid.filter(({ step: other }) => other?.piece.toGet).length >= gap.mostToGet) continue;
      // The last of them has to arrive.
      if (laid.length + 1 < MOST_LINKS || arrives(output)) follow(output, [...laid, { step }], place);
    }
  };
  follow(gap.plug, [], ORDER.lead);
  return found;
}

/** A second box or converter never helps; a second plain adapter only if it is another one. */
const repeats = (a: Step, b: Step): boolean =>
  isPlainAdapter(b.part) ? a.piece.key === b.piece.key : !isPlainAdapter(a.part);

/** The chain with its cables as long as they must be, if that makes sense; joined where no single one reaches. */
function finished({ run, lead, plugOn }: Gap, plug: ConnectorId, laid: Laid[]): Step[][] {
  const cables = laid.flatMap(({ family }, n) => (family ? [{ family, n }] : []));
  const main = cables.findLast(({ family }) => family.connector === 'xlr3') ?? cables.at(-1);
  if (!main) {
    if (plugOn || (lead && run <= 0)) return [laid.map(({ step }) => step!)];
    return [];
  }
  // A box is not plugged into an inlet by itself; an adapter or a converter is.
  if (plug === 'xlr3' && main.family.connector !== 'xlr3' && !plugOn) {
    const last = laid.at(-1)?.step?.part;
    if (!last || !planningOf(last.kind)?.plugsIn) return [];
  }
  const most = 1 + MOST_LINKS - laid.length;
  const steps = laid.map(
    ({ step, family }, n): Step | undefined =>
      step ?? (n === main.n ? cableStep(family!, run, most) : cableStep(family!, 0, 1)),
  );
  return steps.every((step) => step !== undefined) ? [steps] : [];
}
