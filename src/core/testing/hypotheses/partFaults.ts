import { CONNECTORS, mate, type Contact, type ContactFault, type ContactTrouble, type PartRef } from '../../gear';
import type { Ohms } from '../../units';
import { classOf, contactName, contactNames, partName, type Subject } from '../subject';
import { actOn, itemOf, pushHome, type Draft } from './hypothesis';
import { FAULTS, type FaultType } from './priors';

/** A joint that conducts badly: enough to be found by a load, and not by a lamp (design of the test load). */
const BAD_JOINT: Ohms = 1000;
/** What damp leaves between contacts, 10 kΩ to 1 MΩ (common practice); the middle of that. */
const DAMP: Ohms = 47e3;

/** A contact's or a pair's troubles, each with the words for it. */
function troublesOf(contacts: readonly Contact[]): { type: FaultType; trouble: ContactTrouble; what: string }[] {
  const pairs = contacts.flatMap((a, n) => contacts.slice(n + 1).map((b): [Contact, Contact] => [a, b]));
  const told = (type: FaultType, trouble: ContactTrouble, what: string) => ({ type, trouble, what });
  return [
    ...contacts.flatMap((contact) => {
      const name = contactName(contact);
      return [
        told('open', { type: 'open', contact }, `${name} open`),
        told('open at times', { type: 'open', contact }, `${name} open at times`),
        told('resistive', { type: 'resistive', contact, ohms: BAD_JOINT }, `bad joint on ${name}`),
      ];
    }),
    ...pairs.flatMap((pair) => {
      const names = contactNames(pair);
      return [
        told('shorted', { type: 'shorted', contacts: pair }, `${names} shorted`),
        told('shorted at times', { type: 'shorted', contacts: pair }, `${names} shorted at times`),
        told('swapped', { type: 'swapped', contacts: pair }, `${names} swapped`),
        told('damp', { type: 'leaky', contacts: pair, ohms: DAMP }, `damp between ${names}`),
      ];
    }),
  ];
}

const AT_TIMES: ReadonlySet<FaultType> = new Set(['open at times', 'shorted at times']);

/** Where a part's own contacts are: a link's plug, the source's, the inlet's socket. */
function endOfPart(
  { junctions, links }: Subject,
  part: PartRef,
): { junction: number; side: ContactFault['side']; contacts: readonly Contact[] } {
  if (part === 'inlet') {
    const { socket, plug } = junctions[links];
    const touched = mate(plug, socket) ?? {};
    return { junction: links, side: 'socket', contacts: CONNECTORS[socket].contacts.filter((own) => touched[own]) };
  }
  const junction = part === 'source' ? 0 : part + 1;
  const { plug, fits } = junctions[junction];
  // What is plugged nowhere has all its contacts.
  const unmade = fits ? junctions[junction].unmade : [];
  return { junction, side: 'plug', contacts: CONNECTORS[plug].contacts.filter((own) => !unmade.includes(own)) };
}

/** Everything that may be wrong with a part: its contacts, or the whole of it. */
export function partFaults(subject: Subject, part: PartRef): Draft[] {
  const table = FAULTS[classOf(subject, part)];
  const { contacts, junction, side } = endOfPart(subject, part);
  const name = partName(subject, part);
  const item = itemOf(subject, part);
  const act = actOn(subject, part);
  const faults = troublesOf(contacts).flatMap(({ type, trouble, what }): Draft[] => {
    const weight = table[type];
    if (!weight) return [];
    return [
      {
        what: `${name}: ${what}`,
        part,
        act,
        weight,
        world: { line: subject.line, faults: [{ ...trouble, junction, side }] },
        sometimes: AT_TIMES.has(type),
        counts: { class: classOf(subject, part), type, ...(item !== undefined && { item }) },
      },
    ];
  });
  if (!table.dead) return faults;
  return [
    ...faults,
    {
      what: part === 'inlet' ? `${name}: dead` : `${name}: passes nothing`,
      part,
      act,
      weight: table.dead,
      world: subject.sound,
      sometimes: false,
      condition: part === 'inlet' ? 'dead inlet' : 'dead link',
      counts: { class: classOf(subject, part), type: 'dead', ...(item !== undefined && { item }) },
    },
  ];
}

/** A plug that does not sit home makes no contact at all. */
export function plugsNotHome(subject: Subject): Draft[] {
  return subject.junctions.map(({ plug, unmade }, junction): Draft => {
    const after = junction < subject.links ? junction : 'inlet';
    const before = junction > 0 ? junction - 1 : 'source';
    const table = FAULTS[classOf(subject, after === 'inlet' ? before : after)];
    const contacts = CONNECTORS[plug].contacts.filter((own) => !unmade.includes(own));
    const where = `between ${partName(subject, before)} and ${partName(subject, after)}`;
    return {
      what: `plug not home ${where}`,
      part: before,
      act: { id: pushHome(junction), text: `Unplug and push home ${where}`, part: before },
      weight: table['not home'] ?? FAULTS.cable['not home']!,
      world: {
        line: subject.line,
        faults: contacts.map((contact) => ({ type: 'open', contact, junction, side: 'plug' })),
      },
      sometimes: false,
      counts: { class: classOf(subject, before), type: 'not home' },
    };
  });
}
