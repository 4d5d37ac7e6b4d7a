import { answered, operatingPoint, type Netlist } from '../../circuit';
import { CONNECTORS, asDrawn, lineCircuit, linkKind, socketNode, type Contact, type WindingStake } from '../../gear';
import { LIVE } from '../../standards/feeds';
import { AS_JACK, positions } from '../../transients/contactOrder';
import { characterOf, feedOf, finding, offeredFeeds, quantity, rounded, schoolOf, type Case, type Rule } from '../case';
import type { Finding, Quantity } from '../finding';
import { meter } from '../solve';
import { fedRibbon } from './ribbonFed';

/** Resistance of a clean contact. */
const CONTACT = 0.05;

/** Where a three-contact 6.35 mm plug can be pulled on a line: at a patch point, and wherever else one is plugged. */
const places = (at: Case): { junction: number; patch: boolean }[] =>
  at.circuit.junctions.flatMap(({ plug, fits }, junction) => {
    const link = at.line.links[junction];
    const patch = link !== undefined && linkKind(link.kind).nature === 'TRS patch point';
    return fits && (patch || plug === 'trs635') ? [{ junction, patch }] : [];
  });

/** Whether anything in a circuit gives direct current: without, nothing stands anywhere. */
const gives = ({ elements }: Netlist): boolean =>
  elements.some(
    (element) =>
      (element.type === 'voltageSource' && element.volts !== 0) ||
      (element.type === 'currentSource' && element.amps !== 0),
  );

/** What stands on the socket's contacts with the plug out. */
function exposed(at: Case, junction: number): number {
  if (!gives(at.circuit.netlist)) return 0;
  const { circuit, point } = at.solve(at.line, { apart: junction });
  const { socket } = circuit.junctions[junction];
  const { contacts, reference } = CONNECTORS[socket];
  return Math.max(
    ...contacts.flatMap((contact) =>
      contact === reference
        ? []
        : [Math.abs(meter(point, [socketNode(contact, junction), socketNode(reference, junction)]))],
    ),
  );
}

/** Highest steady current through what the source has to lose, over the positions in which the plug is not home. */
function halfWay(at: Case, junction: number, patch: boolean): number | undefined {
  const circuit = lineCircuit(asDrawn(at.line), { apart: junction });
  const stake = circuit.stakes.find(
    (other): other is WindingStake => other.type === 'winding' && other.part === 'source',
  );
  if (!stake) return undefined;
  const { nodes, socket } = circuit.junctions[junction];
  const named = (contact: Contact): Contact => (patch ? AS_JACK[contact] : contact);
  const currents = positions('trs635', patch ? 'trs635' : socket)
    .slice(0, -1)
    .map(({ touching }) => {
      const joined = touching.map(([plug, own], n) => ({
        type: 'resistor' as const,
        name: `half.${n}`,
        a: nodes[named(plug)],
        b: socketNode(named(own), junction),
        ohms: CONTACT,
      }));
      const point = operatingPoint({ ...circuit.netlist, elements: [...circuit.netlist.elements, ...joined] });
      return Math.max(...stake.elements.map((element) => Math.abs(point.amps(element))));
    });
  return Math.max(...currents);
}

export const exposedPatch: Rule = {
  code: 'exposed-patch',
  judge(at) {
    const found = places(at).flatMap(({ junction, patch }) => {
      const volts = exposed(at, junction);
      return volts > LIVE ? [live(at, junction, patch, volts)] : patch ? shared(at, junction) : [];
    });
    // One switch, one hazard: the first place tells of it.
    return found.slice(0, 1);
  },
};

function live(at: Case, junction: number, patch: boolean, volts: number): Finding {
  const ribbon = characterOf(at.line) === 'passive ribbon' && fedRibbon(at) > 0;
  const marked = at.schools.trsPatch === 'off-while-patching';
  const amps = halfWay(at, junction, patch);
  return finding({
    code: 'exposed-patch',
    severity: ribbon ? 'harm' : marked ? 'note' : 'watch',
    part: junction < at.line.links.length ? junction : 'inlet',
    what: `${rounded(volts, 'V')} on a ${patch ? 'TRS patch point' : '6.35 mm TRS plug'}`,
    why:
      amps === undefined
        ? 'Half-way in, a TRS plug grounds one leg: source and inlet take the step each time.'
        : `Half-way in, a TRS plug grounds one leg and sends ${quantity(amps, 'A')} through the source.`,
    numbers: [
      { label: `Feed at the ${patch ? 'patch point' : 'plug'}`, value: volts, unit: 'V' },
      ...(amps === undefined
        ? []
        : [{ label: 'Current through the source, plug half-way in', value: amps, unit: 'A' as const }]),
      ...peaks(at),
    ],
    ...schoolOf(at, 'trsPatch'),
    look: 'Patch with the feed off, or run an XLR cable straight through.',
  });
}

/** Peaks of the whole way in, where somebody asked for the course over time. */
function peaks(at: Case): Quantity[] {
  // A course that has no answer is missing from the figures; the finding stands without it.
  const plugged = at.plugged && answered(at.plugged);
  if (!plugged) return [];
  return [
    { label: `Peak current if patched hot (${plugged.worst})`, value: plugged.amps, unit: 'A' },
    { label: 'Peak voltage across the source if patched hot', value: plugged.volts, unit: 'V' },
  ];
}

/** The feed is off, but its switch serves others too: somebody may turn it on for them. */
function shared(at: Case, junction: number): Finding[] {
  const { switch: own } = at.line;
  const delicate = ['passive ribbon', 'moving coil'].includes(characterOf(at.line));
  if (!own?.reaches.length || feedOf(at.line) !== 'off' || !offeredFeeds(at.line).length || !delicate) return [];
  return [
    finding({
      code: 'exposed-patch',
      severity: characterOf(at.line) === 'passive ribbon' ? 'watch' : 'note',
      part: junction,
      what: `This patch point shares ${own.name}`,
      why: `Off now. Turned on for ${list(own.reaches)}, the feed is on the patchbay too.`,
      ...schoolOf(at, 'trsPatch'),
    }),
  ];
}

const list = (names: readonly string[]): string =>
  names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(' or ');
