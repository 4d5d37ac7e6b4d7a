import { GROUND, NetlistBuilder, type Netlist, type Node } from '../circuit';
import { EARTH } from '../rig';
import { AUDIO_GROUND } from './figures';
import type { MainsOutlet, MainsSystem, MainsUnit } from './system';
import type { Tie } from './ties';

/** Nodes: the earth of the supply is the reference. */
const LIVE: Record<1 | -1, Node> = { 1: 'live', '-1': 'other live' };
export const NEUTRAL: Node = 'neutral';
const earthOf = (outlet: string | undefined): Node => (outlet === undefined ? GROUND : `earth ${outlet}`);
export const chassisOf = (unit: string): Node => (unit === EARTH ? GROUND : `chassis ${unit}`);

const audioGroundOf = (unit: string): Node => `audio ground ${unit}`;

/** A conductor of the ground network. */
export interface Conductor {
  from: Node;
  to: Node;
  ohms: number;
}

/** An earth that leads nowhere: nothing else than stray capacitance joins it. */
const NOWHERE = 1e12;
/** Neutral to earth where both are joined at the supply, and where they are not (a leak, assumed). */
const [BONDED, FREE] = [1e-3, 1e9];

export const earthed = ({ plug }: MainsUnit): boolean => plug === 'three-pin';

/** What a tie joins: audio grounds, or cases; units keep both apart that say so. */
function endsOf({ between, metal }: Tie, units: readonly MainsUnit[]): [Node, Node] {
  const groundOf = (id: string): Node =>
    !metal && units.find((unit) => unit.id === id)?.audioGround ? audioGroundOf(id) : chassisOf(id);
  return [groundOf(between[0]), groundOf(between[1])];
}

/** Least that a conductor is taken to have. */
const LEAST = 1e-6;
/** The earth conductor between an outlet and what it is plugged into. */
export const leadOf = ({ name, from, ohms }: MainsOutlet): Conductor => ({
  from: earthOf(name),
  to: earthOf(from),
  ohms: Math.max(ohms, LEAST),
});
/** The earth conductor of a unit's own lead. */
export const ownLeadOf = ({ id, outlet, own }: MainsUnit): Conductor => ({
  from: chassisOf(id),
  to: earthOf(outlet),
  ohms: Math.max(own, LEAST),
});

/** Beside a tie, the piece in which a field induces; the signal's conductor has the same in it, and hears the tie. */
const PIECE = 1e-3;
/** The piece of a tie in which a field induces: its nodes and its resistance. */
export const pieceOf = (tie: Tie, units: readonly MainsUnit[]): { a: Node; b: Node; ohms: number } => ({
  a: endsOf(tie, units)[0],
  b: `inside ${tie.id}`,
  ohms: PIECE,
});
const hasPiece = ({ strays, ohms }: Tie): boolean => ohms !== undefined && (strays ?? []).length > 0;

/** The nodes between which a line hears the drop along its shield. */
export function dropOf(tie: Tie, units: readonly MainsUnit[]): [Node, Node] {
  const [a, b] = endsOf(tie, units);
  return [hasPiece(tie) ? pieceOf(tie, units).b : a, b];
}

/** Chassis that nothing joins, whatever ties join, then outlets from the far ends to the wall; the poles, which everything leaks from, come last. */
function fewestNeighboursFirst({ units, outlets, ties }: MainsSystem): Node[] {
  const tied = new Set(ties.flatMap(({ between }) => between));
  const depth = (name: string | undefined): number =>
    name === undefined ? 0 : 1 + depth(outlets.find((each) => each.name === name)?.from);
  return [
    ...units.filter(({ id }) => !tied.has(id)).map(({ id }) => chassisOf(id)),
    ...units.filter(({ audioGround }) => audioGround).map(({ id }) => audioGroundOf(id)),
    ...ties.filter(hasPiece).map((tie) => pieceOf(tie, units).b),
    ...units.filter(({ id }) => tied.has(id)).map(({ id }) => chassisOf(id)),
    ...outlets.toSorted((a, b) => depth(b.name) - depth(a.name)).map(({ name }) => earthOf(name)),
  ];
}

/**
 * The mains side and the shields as one netlist: earth conductors, unit leads, what leaks from the poles, what joins the
 * grounds of units. @param volts amplitude of the supply at the harmonic that is looked at
 */
export function mainsNetlist(system: MainsSystem, volts: number): Netlist {
  const net = new NetlistBuilder();
  // A free neutral that comes last is the difference of large numbers.
  if (system.bonded || system.balanced) net.number(fewestNeighboursFirst(system));
  const resistor = (name: string, a: Node, b: Node, ohms: number) => net.add({ type: 'resistor', name, a, b, ohms });
  const source = (name: string, a: Node, b: Node, signal: number) =>
    net.add({ type: 'voltageSource', name, a, b, volts: 0, signal });
  if (system.balanced) source(NEUTRAL, NEUTRAL, GROUND, -volts / 2);
  else resistor('neutral to earth', NEUTRAL, GROUND, system.bonded ? BONDED : FREE);
  for (const leg of [1, -1] as const) source(LIVE[leg], LIVE[leg], NEUTRAL, leg * volts);
  const conductor = (name: string, { from, to, ohms }: Conductor) => resistor(name, from, to, ohms);
  for (const outlet of system.outlets) conductor(`lead of ${outlet.name}`, leadOf(outlet));
  for (const unit of system.units) {
    const { id, audioGround } = unit;
    const chassis = chassisOf(id);
    if (earthed(unit)) conductor(`own lead of ${id}`, ownLeadOf(unit));
    else resistor(`nowhere ${id}`, chassis, GROUND, NOWHERE);
    if (audioGround) resistor(`audio ground of ${id}`, chassis, audioGroundOf(id), AUDIO_GROUND[audioGround]);
    unit.leaks.forEach(({ from, farads }, n) =>
      net.add({
        type: 'capacitor',
        name: `leak ${n + 1} of ${id}`,
        a: from === 'live' ? LIVE[unit.leg] : NEUTRAL,
        b: chassis,
        farads,
      }),
    );
  }
  for (const tie of system.ties) {
    const [a, b] = dropOf(tie, system.units);
    if (hasPiece(tie)) {
      const piece = pieceOf(tie, system.units);
      resistor(`piece of ${tie.id}`, piece.a, piece.b, piece.ohms);
    }
    if (tie.ohms !== undefined) resistor(`tie ${tie.id}`, a, b, tie.ohms);
    if (tie.farads !== undefined) net.add({ type: 'capacitor', name: `tie ${tie.id}`, a, b, farads: tie.farads });
  }
  return net.build();
}
