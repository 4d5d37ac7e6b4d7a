import { CircuitError, operatingPoint, type Node } from '../../circuit';
import { CONNECTORS, lineCircuit, socketNode, type Contact } from '../../gear';
import type { Ohms } from '../../units';
import type { World } from '../subject';

/** What the meter itself lets through, so that what is open has a reading (larger than any leak worth a word). */
const BEYOND: Ohms = 1e9;
const TEST = 1e-6;

/** Resistance between two contacts of a part that is free at both ends. */
export interface Between {
  from: Contact;
  to: Contact;
  /** Both at the end towards the source, from that end to the other, or both at the end towards the inlet. */
  ends: 'near' | 'across' | 'far';
  /** Infinite where nothing leads from one to the other. */
  ohms: Ohms;
}

const isOf = (element: string, link: number): boolean =>
  [`link${link + 1}.`, `socket${link}.`, `plug${link + 1}.`].some((prefix) => element.startsWith(prefix));

/** Resistance between every two contacts of a link with both its ends free: from the source's end to the inlet's, and within each. */
export function continuity({ line, faults }: World, link: number): Between[] {
  const { netlist, junctions } = lineCircuit(line, { apart: [link, link + 1], faults });
  // Free at both ends, the link and what is wrong with it is all there is.
  const elements = netlist.elements.filter(({ name }) => isOf(name, link));
  const { socket } = junctions[link];
  const { plug, pins } = junctions[link + 1];
  const near = CONNECTORS[socket].contacts.map((contact) => ({ contact, node: socketNode(contact, link) }));
  const far = CONNECTORS[plug].contacts.map((contact) => ({ contact, node: pins[contact] }));
  const between = (a: Node, b: Node): Ohms => {
    try {
      const point = operatingPoint({
        ...netlist,
        elements: [
          ...elements,
          { type: 'currentSource', name: 'ohmmeter', a: b, b: a, amps: TEST },
          { type: 'resistor', name: 'ohmmeter.own', a, b, ohms: BEYOND },
        ],
      });
      const ohms = (point.volts(a, b) ?? 0) / TEST;
      return ohms > 0.5 * BEYOND ? Infinity : ohms;
    } catch (error) {
      if (error instanceof CircuitError) return Infinity;
      throw error;
    }
  };
  const pairs = (list: typeof near, ends: Between['ends']): Between[] =>
    list.flatMap(({ contact: from, node }, n) =>
      list.slice(n + 1).map((other) => ({ from, to: other.contact, ends, ohms: between(node, other.node) })),
    );
  return [
    ...near.flatMap(({ contact: from, node }) =>
      far.map((other): Between => ({ from, to: other.contact, ends: 'across', ohms: between(node, other.node) })),
    ),
    ...pairs(near, 'near'),
    ...pairs(far, 'far'),
  ];
}
