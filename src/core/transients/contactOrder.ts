import { CONNECTORS, mate, type ConnectorId, type Contact } from '../gear';
import type { Seconds } from '../units';

/** Contacts that touch while a plug goes in, from one moment to the next. */
export interface Position {
  label: string;
  /** Plug contact, socket contact. */
  touching: [plug: Contact, socket: Contact][];
}

/** How long each position of a plug lasts when a hand pushes it in (common practice: the whole way takes some 20 ms). */
export const POSITION: Seconds = 5e-3;
/** Between one pin of a three-pin connector and the next (common practice: the maker's tolerances, about a millimetre). */
export const PIN: Seconds = 1e-3;

/**
 * The positions a plug passes on its way in, the last one being home. Three-pin: pin 1 leads, then one signal pin, then
 * the other. Jacks: the tip slides past every contact from the sleeve on (common practice).
 */
export function positions(plug: ConnectorId, socket: ConnectorId): Position[] {
  const home: Position = {
    label: 'home',
    touching: Object.entries(mate(plug, socket) ?? {}).map(([own, other]) => [other, own as Contact]),
  };
  const pinned = inTurn(plug);
  if (pinned) return [...pinned, home];
  const plugContacts = CONNECTORS[plug].contacts;
  const socketContacts = CONNECTORS[socket].contacts;
  const before = Array.from({ length: socketContacts.length - 1 }, (_, n): Position => {
    const depth = n + 1;
    const touching = plugContacts
      .slice(0, depth)
      .map((contact, k): [Contact, Contact] => [contact, socketContacts[k + socketContacts.length - depth]]);
    return { label: touching.map(([own, other]) => `${name(own)} on ${name(other)}`).join(', '), touching };
  });
  return [...before, home];
}

/** Connectors whose contacts make one after the other: pin 1 leads; of an RCA plug the centre does. */
function inTurn(plug: ConnectorId): Position[] | undefined {
  const { contacts } = CONNECTORS[plug];
  if (plug === 'rca') return [{ label: 'centre made, shell not', touching: [['T', 'T']] }];
  if (contacts[0] !== '1') return undefined;
  return contacts.slice(0, -1).map((_, n): Position => {
    const made = contacts.slice(0, n + 1);
    return {
      label: made.length === 1 ? 'pin 1 made' : `pins ${made.slice(0, -1).join(', ')} and ${made.at(-1)} made`,
      touching: made.map((contact) => [contact, contact]),
    };
  });
}

const NAMES: Record<string, string> = {
  T: 'tip',
  R: 'ring',
  R1: 'first ring',
  R2: 'second ring',
  S: 'sleeve',
};
const name = (contact: Contact): string => NAMES[contact] ?? `pin ${contact}`;

/** The pins of a three-pin line as a TRS patch point has them. */
export const AS_JACK: Record<string, Contact> = { T: '2', R: '3', S: '1' };
