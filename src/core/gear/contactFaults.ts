import type { NetlistBuilder, Node } from '../circuit';
import type { Ohms } from '../units';
import type { Contact } from './connectors';

/** Two pieces of metal that touch where they should not. */
const SHORT: Ohms = 0.1;

/** What may be wrong with the contacts of a plug or of a socket: a joint, the wire behind it, moisture between them. */
export type ContactTrouble =
  | { type: 'open'; contact: Contact }
  | { type: 'resistive'; contact: Contact; ohms: Ohms }
  | { type: 'swapped'; contacts: readonly [Contact, Contact] }
  | { type: 'shorted'; contacts: readonly [Contact, Contact] }
  | { type: 'leaky'; contacts: readonly [Contact, Contact]; ohms: Ohms };

/** Where it is: in the plug that comes to a junction, or in the socket that it goes into. */
export type ContactFault = ContactTrouble & { junction: number; side: 'plug' | 'socket' };

/**
 * Leads every contact through what is wrong: from the wire behind it (`inner`) to the metal that somebody can touch
 * (`outer`). Where both are one node there is nothing to lead through.
 */
export function throughFaults(
  net: NetlistBuilder,
  name: string,
  faults: readonly ContactTrouble[],
  contacts: readonly Contact[],
  inner: Readonly<Record<string, Node>>,
  outer: Readonly<Record<string, Node>>,
): void {
  if (faults.length === 0) return;
  const arrives = new Map<Contact, Contact>(contacts.map((contact) => [contact, contact]));
  for (const fault of faults) {
    if (fault.type !== 'swapped') continue;
    const [a, b] = fault.contacts;
    const [first, second] = [arrives.get(a)!, arrives.get(b)!];
    arrives.set(a, second).set(b, first);
  }
  for (const contact of contacts) {
    const at = outer[arrives.get(contact)!];
    if (faults.some((fault) => fault.type === 'open' && fault.contact === contact)) continue;
    const joint = faults.find((fault) => fault.type === 'resistive' && fault.contact === contact);
    if (joint?.type === 'resistive')
      net.add({ type: 'resistor', name: `${name}.${contact}`, a: inner[contact], b: at, ohms: joint.ohms });
    else net.join(inner[contact], at);
  }
  for (const fault of faults) {
    if (fault.type !== 'shorted' && fault.type !== 'leaky') continue;
    const [a, b] = fault.contacts;
    const ohms = fault.type === 'leaky' ? fault.ohms : SHORT;
    net.add({ type: 'resistor', name: `${name}.${a}${b}`, a: outer[a], b: outer[b], ohms });
  }
}
