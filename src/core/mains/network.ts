import { GROUND, NetlistBuilder, type Netlist, type Node } from '../circuit';
import { EARTH } from '../rig';
import { OWN_LEAD } from './figures';
import type { MainsSystem, MainsUnit } from './system';

/** Nodes: the earth of the supply is the reference. */
const LIVE: Record<1 | -1, Node> = { 1: 'live', '-1': 'other live' };
export const NEUTRAL: Node = 'neutral';
export const earthOf = (outlet: string | undefined): Node => (outlet === undefined ? GROUND : `earth ${outlet}`);
export const chassisOf = (unit: string): Node => (unit === EARTH ? GROUND : `chassis ${unit}`);

/** An earth that leads nowhere: nothing else than stray capacitance joins it. */
const NOWHERE = 1e12;
/** Neutral to earth where both are joined at the supply, and where they are not (a leak, assumed). */
const [BONDED, FREE] = [1e-3, 1e9];

export const earthed = ({ plug }: MainsUnit): boolean => plug === 'three-pin';

/**
 * The mains side and the shields as one netlist: earth conductors, unit leads, what leaks from the poles, what joins the
 * grounds of units. @param volts amplitude of the supply at the harmonic that is looked at
 */
export function mainsNetlist(system: MainsSystem, volts: number): Netlist {
  const net = new NetlistBuilder();
  const resistor = (name: string, a: Node, b: Node, ohms: number) => net.add({ type: 'resistor', name, a, b, ohms });
  resistor('neutral to earth', NEUTRAL, GROUND, system.bonded ? BONDED : FREE);
  for (const leg of [1, -1] as const)
    net.add({ type: 'voltageSource', name: LIVE[leg], a: LIVE[leg], b: NEUTRAL, volts: 0, signal: leg * volts });
  for (const { name, from, ohms } of system.outlets)
    resistor(`lead of ${name}`, earthOf(name), earthOf(from), Math.max(ohms, 1e-6));
  for (const unit of system.units) {
    const chassis = chassisOf(unit.id);
    if (earthed(unit)) resistor(`own lead of ${unit.id}`, chassis, earthOf(unit.outlet), OWN_LEAD);
    else resistor(`nowhere ${unit.id}`, chassis, GROUND, NOWHERE);
    unit.leaks.forEach(({ from, farads }, n) =>
      net.add({
        type: 'capacitor',
        name: `leak ${n + 1} of ${unit.id}`,
        a: from === 'live' ? LIVE[unit.leg] : NEUTRAL,
        b: chassis,
        farads,
      }),
    );
  }
  for (const { id, between, ohms } of system.ties)
    if (ohms !== undefined) resistor(`tie ${id}`, chassisOf(between[0]), chassisOf(between[1]), ohms);
  return net.build();
}
