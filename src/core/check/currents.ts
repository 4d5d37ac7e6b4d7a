import { GROUND, resolve, type Element, type OperatingPoint } from '../circuit';
import { CONNECTORS, type Contact, type LineCircuit } from '../gear';
import type { Amps } from '../units';

/** Position of the part an element belongs to, counted from the source. */
function placeOf(element: Element): number {
  const { name } = element;
  if (name.startsWith('source')) return 0;
  return name.startsWith('link') ? parseInt(name.slice('link'.length), 10) : Infinity;
}

/** Terminals of an element with the current that enters it there. */
function terminals(element: Element, point: OperatingPoint): { node: string; amps: Amps }[] {
  if (element.type === 'coupling') return [];
  if (element.type === 'idealTransformer')
    return element.windings.flatMap(({ a, b }, n) => {
      const amps = point.amps(element.name, n);
      return [
        { node: a, amps },
        { node: b, amps: -amps },
      ];
    });
  const amps = point.amps(element.name);
  return [
    { node: element.a, amps },
    { node: element.b, amps: -amps },
  ];
}

interface End {
  place: number;
  node: string;
  amps: Amps;
}
const known = new WeakMap<OperatingPoint, End[]>();

/** Every terminal of every element with its current and its final node, worked out once for all junctions. */
function endsOf(point: OperatingPoint, elements: readonly Element[]): End[] {
  const found = known.get(point);
  if (found) return found;
  const { joined } = point.system.netlist;
  const ends = elements.flatMap((element) => {
    const place = placeOf(element);
    return terminals(element, point).map(({ node, amps }) => ({ place, node: resolve(joined, node), amps }));
  });
  known.set(point, ends);
  return ends;
}

/**
 * Direct current through each contact of a junction, positive towards the source. What the reference contact carries
 * back is the rest of what the others bring; with a contact joined to it on the way this is not known by contact.
 */
export function contactCurrents(circuit: LineCircuit, point: OperatingPoint, junction: number): Map<Contact, Amps> {
  const { netlist, junctions } = circuit;
  const { plug, nodes } = junctions[junction];
  const node = (name: string) => resolve(netlist.joined, name);
  const towardsInlet = endsOf(point, netlist.elements).filter(({ place }) => place > junction);
  const currents = new Map<Contact, Amps>();
  const { contacts, reference } = CONNECTORS[plug];
  const grounded = new Set([GROUND, node(nodes[reference])]);
  for (const contact of contacts) {
    if (grounded.has(node(nodes[contact]))) continue;
    const entering = towardsInlet
      .filter((end) => end.node === node(nodes[contact]))
      .reduce((sum, { amps }) => sum + amps, 0);
    currents.set(contact, -entering);
  }
  if (currents.size === contacts.length - 1)
    currents.set(reference, -[...currents.values()].reduce((sum, amps) => sum + amps, 0));
  return currents;
}
