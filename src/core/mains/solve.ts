import { operatingPoint, smallSignal, type Complex, type Node } from '../circuit';
import type { Amps, Hertz } from '../units';
import { currentShare, HIGHEST, INDUCTION, OWN_LEAD, voltageShare } from './figures';
import { chassisOf, earthed, earthOf, mainsNetlist, NEUTRAL } from './network';
import type { MainsSystem, MainsUnit } from './system';

/** Something that drives current through the grounds: by which unit, and by which way. */
interface Drive {
  unit: string;
  way: Way;
  /** Into one node and out of the other. */
  a: Node;
  b: Node;
  /** At a harmonic, a quarter of a period ahead of the voltage. */
  amps: (harmonic: number, omega: number) => Amps;
}

/** What leaks over capacitance, and what a load current induces along an earth conductor beside it. */
export type Way = 'leakage' | 'induction';

/** A voltage between two grounds at one harmonic, and who gives what of it. */
export interface GroundVolts {
  total: Complex;
  by: { unit: string; way: Way; volts: Complex }[];
}

/** The grounds of a job at one harmonic. */
export interface Harmonic {
  hz: Hertz;
  /** The voltage between two nodes; over the earth of the supply where one is named. */
  between: (of: Node, over?: Node) => GroundVolts;
}

/** What leads carry: every unit's current runs through all leads between it and the wall. */
export function loadsOf({ units, outlets }: MainsSystem): Map<string, MainsUnit[]> {
  const from = new Map(outlets.map((outlet) => [outlet.name, outlet.from]));
  const loads = new Map<string, MainsUnit[]>(outlets.map(({ name }) => [name, []]));
  for (const unit of units) for (let at = unit.outlet; at !== undefined; at = from.get(at)) loads.get(at)?.push(unit);
  return loads;
}

/**
 * Solves the mains side at every harmonic that anything drives. Resistors and capacitors are reciprocal: what everybody
 * gives of a voltage follows from one solution, with 1 A driven where it is read.
 */
export function solveMains(system: MainsSystem): Harmonic[] {
  const at = smallSignal(operatingPoint(mainsNetlist(system, 0)));
  const drives = drivesOf(system);
  const orders = Array.from({ length: Math.floor(HIGHEST / system.hertz) }, (_, n) => n + 1);
  return orders.flatMap((harmonic): Harmonic[] => {
    const hz = harmonic * system.hertz;
    const driving = drives.flatMap(({ amps, ...drive }) => {
      const im = amps(harmonic, 2 * Math.PI * hz);
      return im === 0 ? [] : [{ ...drive, im }];
    });
    if (driving.length === 0) return [];
    const response = at(hz);
    const between = (of: Node, over?: Node): GroundVolts => {
      const seen = response.transfer(of, over);
      const by = driving.map(({ unit, way, a, b, im }) => {
        const per = seen(a, b);
        return { unit, way, volts: { re: -per.im * im, im: per.re * im } };
      });
      return { by, total: by.reduce((all, { volts }) => plus(all, volts), ZERO) };
    };
    return [{ hz, between }];
  });
}

/** What a unit sends into its earth conductor, or would send into whoever joins it to earth; at the fundamental. */
export const leakageOf = ({ leaks }: MainsUnit, { volts, hertz }: MainsSystem): Amps =>
  leaks.reduce((sum, { from, farads }) => sum + (from === 'live' ? 2 * Math.PI * hertz * farads * volts : 0), 0);

const ZERO: Complex = { re: 0, im: 0 };
const plus = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im });

/** Everything that drives current through the grounds, as sources of current (Norton). */
function drivesOf(system: MainsSystem): Drive[] {
  const { units, outlets, volts } = system;
  const leaks = units.flatMap((unit): Drive[] =>
    unit.leaks
      .filter(({ from }) => from === 'live')
      .map(({ farads }) => ({
        unit: unit.id,
        way: 'leakage',
        a: chassisOf(unit.id),
        // The supply drives it from the neutral, wherever that stands.
        b: NEUTRAL,
        amps: (harmonic, omega) => omega * farads * unit.leg * volts * voltageShare(harmonic),
      })),
  );
  const loads = loadsOf(system);
  const along = outlets.flatMap(({ name, from, length, ohms }): Drive[] =>
    loads.get(name)!.map((unit) => induced(unit, earthOf(name), earthOf(from), length, ohms)),
  );
  const own = units
    .filter(earthed)
    .map((unit) => induced(unit, chassisOf(unit.id), earthOf(unit.outlet), OWN_LENGTH, OWN_LEAD));
  return [...leaks, ...along, ...own];
}

/** Of a unit's own lead, in metres (common practice). */
const OWN_LENGTH = 1.5;

/** What a load induces along an earth conductor of a length. */
const induced = (unit: MainsUnit, a: Node, b: Node, metres: number, ohms: number): Drive => ({
  unit: unit.id,
  way: 'induction',
  a,
  b,
  amps: (harmonic, omega) =>
    (omega * INDUCTION * unit.leg * unit.amps * currentShare(harmonic, unit.rectified) * metres) / Math.max(ohms, 1e-6),
});
