import { CONNECTORS, inletKind, reader, sourceKind, type ConnectorId, type Part } from '../gear';
import type { KitItem } from '../kit/item';
import { addLine, freeName } from '../rig/rigEdits';
import type { InletRef, RigDocument, RigLine } from '../rig/document';
import { cableOf } from './lengths';
import type { Candidate, Meant } from './match';

/** Longest note of a line. */
export const LONGEST_NOTE = 500;

/** Several lines of one sort: as many names, sources and inlets. */
interface Composed {
  names: readonly string[];
  sources: readonly Candidate[];
  links: readonly Part[];
  inlets: readonly InletRef[];
  note: string;
}

/** Lines put together from what was meant; each has a name that the rig does not have yet. */
export function composed(document: RigDocument, { names, sources, links, inlets, note }: Composed) {
  let rig = document;
  return inlets.map((inlet, n): Omit<RigLine, 'id'> => {
    const line: Omit<RigLine, 'id'> = {
      name: rig.lines.some(({ name }) => name === names[n])
        ? freeName(rig.lines, names[n])
        : names[n].slice(0, 80).trim(),
      ...(note && { note: note.slice(0, LONGEST_NOTE).trim() }),
      source: structuredClone(sources[n].part),
      links: structuredClone([...links]),
      inlet,
    };
    rig = addLine(rig, line);
    return line;
  });
}

/** Several of one: where the kit has as many that fit as well, each is one of them. */
export function sourcesFor({ best, others }: Meant, count: number): Candidate[] {
  const owned = [best!, ...others].filter((each) => each.owned && each.left > 0);
  return best!.owned && best!.left < count && owned.length >= count
    ? owned.slice(0, count)
    : Array.from({ length: count }, () => best!);
}

/** The plug of a source. */
export const plugOf = (part: Part): ConnectorId => {
  const kind = sourceKind(part.kind);
  return kind.connector(reader(kind, part));
};

/** A socket of the rig. */
const inletAt = (document: RigDocument, { device, inlet }: InletRef): Part =>
  document.devices.find(({ id }) => id === device)!.inlets.find(({ id }) => id === inlet)!;

/** A cable where source and inlet are alike, whose length nobody has said. */
export function between(document: RigDocument, kit: readonly KitItem[], plug: ConnectorId, to: InletRef): Part[] {
  const fits = inletKind(inletAt(document, to).kind).sockets.some(
    (socket) => CONNECTORS[socket].size === CONNECTORS[plug].size,
  );
  return fits && CONNECTORS[plug].size !== '3.5 mm' ? [cableOf(kit, undefined, plug)] : [];
}

/** Names for several lines of one: `#` counts, `L/R` and `left/right` are the two of a pair, else they are numbered. */
export function namesFor(name: string, count: number): string[] {
  const pair = /^(.*?)\b(L\/R|left\/right)\b(.*)$/i.exec(name);
  if (count === 2 && pair) {
    const [one, other] = pair[2].toLowerCase() === 'l/r' ? ['L', 'R'] : ['left', 'right'];
    return [`${pair[1]}${one}${pair[3]}`, `${pair[1]}${other}${pair[3]}`];
  }
  return Array.from({ length: count }, (_, n) =>
    name.includes('#') ? name.replaceAll('#', String(n + 1)) : count === 1 ? name : `${name} ${n + 1}`,
  );
}
