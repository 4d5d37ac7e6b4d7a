import { CircuitError, operatingPoint, type Element, type Netlist, type Node } from '../../circuit';
import { lineCircuit, socketNode, type Contact } from '../../gear';
import type { Amps, Ohms, Volts } from '../../units';
import { socketContacts, type Subject, type World } from '../subject';

/** A line taken apart at a junction, seen from there towards the inlet. */
export interface OpenEnd {
  node: (contact: Contact) => Node;
  /** The circuit with something fitted there. */
  fitted: (elements: readonly Element[]) => Netlist;
  /** What a meter that is fitted there reads. */
  read: (fitted: readonly Element[]) => { volts: (a: Contact, b: Contact) => Volts; amps: (element: string) => Amps };
}

/** Takes a line apart at a junction, with whatever is wrong on the inlet's side of it. */
export function openEnd({ line, faults }: World, junction: number): OpenEnd {
  const { netlist } = lineCircuit(line, { apart: junction, faults });
  // What was unplugged makes no difference any more.
  const gone = [
    'source.',
    ...Array.from({ length: junction }, (_, link) => [`link${link + 1}.`, `link${link + 1}~`]).flat(),
  ];
  const elements = netlist.elements.filter(({ name }) => !gone.some((prefix) => name.startsWith(prefix)));
  const node = (contact: Contact) => socketNode(contact, junction);
  const fitted = (more: readonly Element[]): Netlist => ({ ...netlist, elements: [...elements, ...more] });
  return {
    node,
    fitted,
    read(more) {
      try {
        const point = operatingPoint(fitted(more));
        return { volts: (a, b) => point.volts(node(a), node(b)) ?? 0, amps: (element) => point.amps(element) };
      } catch (error) {
        if (!(error instanceof CircuitError)) throw error;
        return { volts: () => 0, amps: () => 0 };
      }
    },
  };
}

/** A resistor across two contacts. */
export const across = ({ node }: OpenEnd, name: string, a: Contact, b: Contact, ohms: Ohms): Element => ({
  type: 'resistor',
  name,
  a: node(a),
  b: node(b),
  ohms,
});

/** One reading for each leg against the common contact. */
export const eachLeg = (
  subject: Subject,
  world: World,
  junction: number,
  read: (end: OpenEnd, leg: Contact, reference: Contact) => number,
): number[] => {
  const { legs, reference } = socketContacts(subject, junction);
  const end = openEnd(world, junction);
  return legs.map((contact) => read(end, contact, reference));
};
