import { operatingPoint, type Element } from '../circuit';
import { asDrawn, lineCircuit, type Contact, type Line } from '../gear';
import type { Volts } from '../units';

/** Input resistance of an ordinary digital meter (common practice). */
const METER = 10e6;

/** A contact at a junction: `junction` counts from the source's plug (0) to the inlet's socket. */
export interface ProbeTip {
  junction: number;
  contact: Contact;
}

/** What a meter of 10 MΩ reads, red tip against black tip, while it loads the circuit as a real one does. */
export function probe(line: Line, red: ProbeTip, black: ProbeTip): Volts {
  const { netlist, junctions } = lineCircuit(asDrawn(line));
  const node = ({ junction, contact }: ProbeTip) => junctions[junction].nodes[contact];
  const meter: Element = { type: 'resistor', name: 'meter', a: node(red), b: node(black), ohms: METER };
  return operatingPoint({ ...netlist, elements: [...netlist.elements, meter] }).amps('meter') * METER;
}
