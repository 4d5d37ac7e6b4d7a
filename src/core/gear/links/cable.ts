import type { Bench } from '../bench';
import { CONNECTORS, type ConnectorId, type Contact } from '../connectors';
import type { LinkKind } from '../kinds';
import type { Part } from '../part';
import { choice, connectorChoice } from '../shared';

/** A dead short inside a plug or a crushed cable. */
const SHORT = 0.1;

export const isCable = ({ kind }: Pick<Part, 'kind'>): boolean => kind === cable.kind;

export const cable: LinkKind = {
  role: 'link',
  kind: 'cable',
  label: 'Cable',
  words: ['XLR', 'XLR cable', 'mic cable', 'lead', 'cord'],
  summary: 'A length of cable with the same connector at both ends, good or with faults.',
  nature: 'cable',
  planning: { complexity: 2, plain: true, built: 'connector' },
  faults: true,
  figures: {
    length: { label: 'Length', unit: 'm', min: 0.05, max: 500, typical: { value: 5, basis: 'assumed' } },
    resistance: {
      label: 'Resistance of each conductor',
      unit: 'Ω/m',
      min: 0.001,
      max: 10,
      typical: { value: 0.08, basis: 'common practice' },
    },
    capacitance: {
      label: 'Capacitance between conductors',
      unit: 'pF/m',
      min: 1,
      max: 2000,
      help: 'Typical: 80 pF/m; 120 pF/m for an instrument lead.',
    },
  },
  choices: {
    connector: connectorChoice([
      ['xlr3', 'XLR'],
      ['ts635', '6.35 mm TS'],
      ['trs635', '6.35 mm TRS'],
      ['ts35', '3.5 mm TS'],
      ['trs35', '3.5 mm TRS'],
      ['trrs35', '3.5 mm TRRS'],
      ['rca', 'RCA'],
      ['xlr5', 'five-pin XLR'],
      ['mini-xlr', 'mini XLR'],
    ]),
    tested: choice(
      'Tested since the last job',
      [
        ['no', 'no'],
        ['yes', 'yes, every conductor'],
      ],
      'Some schools let a feed near a ribbon only over a tested cable.',
    ),
  },
  ends: (part) => ({ input: part.choice('connector') as ConnectorId, output: part.choice('connector') as ConnectorId }),
  build: (bench) => buildCable(bench, bench.choice('connector') as ConnectorId),
};

/** Capacitance between conductors where nobody states it, in F/m (common practice). */
const TYPICAL = { microphone: 80e-12, instrument: 120e-12 };

/** A length of cable with its faults. */
export function buildCable(bench: Bench, connector: ConnectorId): void {
  const { contacts, reference } = CONNECTORS[connector];
  const length = bench.value('length');
  const wire = Math.max(length * bench.value('resistance'), 1e-4);
  const arrives = arrivals(bench, contacts);
  for (const contact of contacts) {
    const open = bench.faults.find((fault) => fault.type === 'open' && fault.contact === contact);
    const at = open?.type === 'open' ? Math.min(Math.max((open.at ?? length) / length, 0), 1) : 1;
    bench.path({ from: contact, to: arrives(contact), look: open ? 'open' : 'wire', at });
    if (!open) bench.resistor(`wire.${contact}`, bench.in(contact), bench.out(arrives(contact)), wire);
  }
  // Half of the capacitance at each end; for a broken conductor as much as is left on either side of the break.
  const typical = connector === 'ts635' ? TYPICAL.instrument : TYPICAL.microphone;
  const total = length * (bench.optional('capacitance') ?? typical);
  const others = contacts.filter((contact) => contact !== reference);
  const pairs = others.flatMap((contact, n): [Contact, Contact][] => [
    [contact, reference],
    ...others.slice(n + 1).map((other): [Contact, Contact] => [contact, other]),
  ]);
  for (const [a, b] of pairs) {
    const near = nearShare(bench, a, b, length);
    bench.capacitor(`near.${a}${b}`, bench.in(a), bench.in(b), total * near);
    bench.capacitor(`far.${a}${b}`, bench.out(arrives(a)), bench.out(arrives(b)), total * (1 - near));
  }
  bridges(bench, contacts);
}

/** Where each conductor ends: elsewhere if two are swapped. */
function arrivals(bench: Bench, contacts: readonly Contact[]): (contact: Contact) => Contact {
  const to = new Map<Contact, Contact>(contacts.map((contact) => [contact, contact]));
  for (const fault of bench.faults) {
    if (fault.type !== 'swapped') continue;
    const [a, b] = fault.contacts;
    [to.get(a), to.get(b)].forEach((end, n) => to.set(n === 0 ? b : a, end!));
  }
  return (contact) => to.get(contact) ?? contact;
}

function nearShare(bench: Bench, a: Contact, b: Contact, length: number): number {
  const open = bench.faults.find((fault) => fault.type === 'open' && (fault.contact === a || fault.contact === b));
  return open?.type === 'open' ? Math.min(Math.max((open.at ?? length) / length, 0), 1) : 0.5;
}

/** Shorts, leaks and a shield tied to the cold conductor, at the inlet's end. */
function bridges(bench: Bench, contacts: readonly Contact[]): void {
  bench.faults.forEach((fault, n) => {
    if (fault.type === 'shorted' || fault.type === 'leaky') {
      const [a, b] = fault.contacts;
      bench.resistor(`fault${n}`, bench.out(a), bench.out(b), fault.type === 'leaky' ? fault.ohms : SHORT);
      bench.bridge({ contacts: fault.contacts, look: fault.type === 'leaky' ? 'leak' : 'short', at: 0.85 });
    }
    if (fault.type === 'shield to cold' && contacts.includes('3')) {
      bench.resistor(`fault${n}.near`, bench.in('1'), bench.in('3'), SHORT);
      bench.resistor(`fault${n}.far`, bench.out('1'), bench.out('3'), SHORT);
      bench.bridge({ contacts: ['1', '3'], look: 'joined', at: 0.08 });
      bench.bridge({ contacts: ['1', '3'], look: 'joined', at: 0.92 });
    }
  });
}
