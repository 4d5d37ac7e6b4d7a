import { CircuitError } from '../circuit';
import { CONNECTORS, linkKind, reader, type ConnectorId, type Contact, type Fault, type Line } from '../gear';
import { rigPaths } from '../rig/paths';
import { schoolsOf, type RigDocument } from '../rig/document';
import type { Verdict } from '../check/finding';
import { lineSummary, type LineResult } from '../check/result';

/** What a meter and an ear would find on a line with one fault in one of its cables. */
export interface FaultReading {
  line: string;
  /** Position of the cable on the line's way. */
  link: number;
  /** Absent for the sound line. */
  fault?: Fault;
  verdict: Verdict;
  codes: string[];
  /** Direct volts at each contact of the source's plug and of the plug in the inlet; null where it floats. */
  source: Record<string, number | null>;
  inlet: Record<string, number | null>;
  /** Best channel against the open source at 1 kHz in dB; null if nothing arrives. */
  signal: number | null;
  reversed: boolean;
  /** Feed current in amperes. */
  feed: number;
}

/** Every single fault that a cable with this connector can have; leaks of 100 Ω to 1 MΩ. */
export function everyFault(connector: ConnectorId): Fault[] {
  const { contacts } = CONNECTORS[connector];
  const pairs = contacts.flatMap((a, n) => contacts.slice(n + 1).map((b): [Contact, Contact] => [a, b]));
  return [
    ...contacts.map((contact): Fault => ({ type: 'open', contact })),
    ...pairs.map((pair): Fault => ({ type: 'swapped', contacts: pair })),
    ...pairs.map((pair): Fault => ({ type: 'shorted', contacts: pair })),
    ...pairs.flatMap((pair) => [100, 10e3, 1e6].map((ohms): Fault => ({ type: 'leaky', contacts: pair, ohms }))),
    ...(connector === 'xlr3' ? [{ type: 'shield to cold' } as Fault] : []),
  ];
}

/**
 * The readings of every line of a rig with its cables sound, and with every single fault in every cable: data that fault
 * finding compares a meter with. Lines in the document's order, cables from the source on.
 */
export function faultReadings(document: RigDocument): FaultReading[] {
  const schools = schoolsOf(document);
  return rigPaths(document).flatMap(({ line }) => {
    const sound = withFaults(line);
    const read = (asked: Line, link: number, fault?: Fault): FaultReading[] => {
      try {
        return [reading(lineSummary(asked, schools), link, fault)];
      } catch (error) {
        if (error instanceof CircuitError) return [];
        throw error;
      }
    };
    return line.links.flatMap((part, link) => {
      const kind = linkKind(part.kind);
      if (!kind.faults) return [];
      const { input } = kind.ends(reader(kind, part));
      return [
        ...read(sound, link),
        ...everyFault(input).flatMap((fault) => read(withFaults(line, link, fault), link, fault)),
      ];
    });
  });
}

/** The line with sound cables but for one fault in one of them. */
const withFaults = (line: Line, at?: number, fault?: Fault): Line => ({
  ...line,
  links: line.links.map(({ faults: _faults, ...part }, n) => (n === at && fault ? { ...part, faults: [fault] } : part)),
});

function reading({ id, verdict, findings, readings }: LineResult, link: number, fault?: Fault): FaultReading {
  const { junctions, signal, feeds } = readings;
  const volts = ({ contacts }: (typeof junctions)[number]) =>
    Object.fromEntries(
      contacts.map(({ contact, volts: value }) => [contact, value === null ? null : rounded(value, 4)]),
    );
  const best = signal.channels.reduce((a, b) => ((b.level ?? -Infinity) > (a.level ?? -Infinity) ? b : a));
  return {
    line: id,
    link,
    ...(fault && { fault }),
    verdict,
    codes: findings.map(({ code }) => code),
    source: volts(junctions[0]),
    inlet: volts(junctions[junctions.length - 1]),
    signal: best.level === null ? null : rounded(best.level, 2),
    reversed: best.reversed,
    feed: rounded(
      feeds.reduce((sum, { amps }) => sum + amps, 0),
      7,
    ),
  };
}

/** Digits that stay the same whatever order sums are made in. */
const rounded = (value: number, digits: number): number => Number(value.toFixed(digits)) + 0;
