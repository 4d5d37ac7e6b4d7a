import { magnitude, operatingPoint, smallSignal, type Complex, type Node } from '../circuit';
import type { Amps, Hertz, Volts } from '../units';
import { currentShare, HIGHEST, INDUCTION, OWN_LEAD, voltageShare } from './figures';
import { chassisOf, earthed, earthOf, mainsNetlist, NEUTRAL } from './network';
import type { MainsSystem, MainsUnit } from './system';

/** Something that drives current through the grounds: by which unit, and by which way. */
interface Drive {
  unit: string;
  way: Way;
  /** Into one node and out of the other, at a harmonic. */
  a: Node;
  b: Node;
  amps: (harmonic: number, omega: number) => Complex;
}

/** What leaks over capacitance, and what a load current induces along an earth conductor beside it. */
export type Way = 'leakage' | 'induction';

/** The voltage between the grounds at the two ends of a tie at one harmonic, and who gives what of it. */
export interface TieVolts {
  total: Complex;
  by: { unit: string; way: Way; volts: Complex }[];
}

/** The grounds of a job at one harmonic. */
export interface HarmonicSolution {
  harmonic: number;
  hz: Hertz;
  /** By tie, in the order of the system. */
  ties: TieVolts[];
}

export interface MainsSolution {
  /** Volts of each unit's chassis over the earth of the supply, RMS of all harmonics and at the fundamental. */
  chassis: { unit: string; volts: Volts; fundamental: Volts }[];
  /** What each unit sends into its earth conductor, or would send into whoever joins it to earth; at the fundamental. */
  leakage: { unit: string; amps: Amps }[];
  harmonics: HarmonicSolution[];
}

/** What leads carry: every unit's current runs through all leads between it and the wall. */
export function loadsOf({ units, outlets }: MainsSystem): Map<string, MainsUnit[]> {
  const from = new Map(outlets.map((outlet) => [outlet.name, outlet.from]));
  const loads = new Map<string, MainsUnit[]>(outlets.map(({ name }) => [name, []]));
  for (const unit of units) for (let at = unit.outlet; at !== undefined; at = from.get(at)) loads.get(at)?.push(unit);
  return loads;
}

/** Solves the mains side at every harmonic that anything drives. */
export function solveMains(system: MainsSystem): MainsSolution {
  const point = operatingPoint(mainsNetlist(system, 0));
  const at = smallSignal(point);
  const drives = drivesOf(system);
  const harmonics: HarmonicSolution[] = [];
  const squares = new Map<string, number>();
  const first = new Map<string, number>();
  for (let harmonic = 1; harmonic * system.hertz <= HIGHEST; harmonic++) {
    const hz = harmonic * system.hertz;
    const amps = drives.map((drive) => drive.amps(harmonic, 2 * Math.PI * hz));
    if (amps.every(({ re, im }) => re === 0 && im === 0)) continue;
    const response = at(hz);
    // Loads behind one lead drive the same conductor.
    const known = new Map<string, ReturnType<typeof response.transfer>>();
    const transfer = (a: Node, b: Node) => {
      const key = `${a} > ${b}`;
      const found = known.get(key) ?? response.transfer(a, b);
      known.set(key, found);
      return found;
    };
    const found = drives.map(({ a, b }, n) => (magnitude(amps[n]) === 0 ? undefined : transfer(a, b)));
    const sum = (of: Node, over?: Node): TieVolts => {
      const by = drives.flatMap(({ unit, way }, n) => {
        const per = found[n]?.(of, over);
        return per ? [{ unit, way, volts: times(per, amps[n]) }] : [];
      });
      return { by, total: by.reduce((all, { volts }) => plus(all, volts), ZERO) };
    };
    for (const { id } of system.units) {
      const volts = magnitude(sum(chassisOf(id)).total);
      squares.set(id, (squares.get(id) ?? 0) + volts ** 2);
      if (harmonic === 1) first.set(id, volts);
    }
    harmonics.push({
      harmonic,
      hz,
      ties: system.ties.map(({ between: [a, b] }) => sum(chassisOf(a), chassisOf(b))),
    });
  }
  const omega = 2 * Math.PI * system.hertz;
  return {
    chassis: system.units.map(({ id }) => ({
      unit: id,
      volts: Math.sqrt(squares.get(id) ?? 0),
      fundamental: first.get(id) ?? 0,
    })),
    leakage: system.units.map(({ id, leaks }) => ({
      unit: id,
      amps: leaks.reduce((all, { from, farads }) => all + (from === 'live' ? omega * farads * system.volts : 0), 0),
    })),
    harmonics,
  };
}

const ZERO: Complex = { re: 0, im: 0 };
const plus = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im });
const times = (a: Complex, b: Complex): Complex => ({ re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re });

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
        amps: (harmonic, omega) => ({ re: 0, im: omega * farads * unit.leg * volts * voltageShare(harmonic) }),
      })),
  );
  const loads = loadsOf(system);
  const along = outlets.flatMap(({ name, from, length, ohms }): Drive[] =>
    loads.get(name)!.map((unit) => induced(unit, earthOf(name), earthOf(from), length, ohms)),
  );
  const own = units
    .filter(earthed)
    .map((unit) => induced(unit, chassisOf(unit.id), earthOf(unit.outlet), OWN_LENGTH, OWN_LEAD));
  return [...leaks, ...along, ...own].filter(({ way, unit }) => way === 'leakage' || ampsOf(units, unit) > 0);
}

/** Of a unit's own lead, in metres (common practice). */
const OWN_LENGTH = 1.5;
const ampsOf = (units: readonly MainsUnit[], id: string): Amps => units.find((unit) => unit.id === id)!.amps;

/** What a load induces along an earth conductor of a length. */
const induced = (unit: MainsUnit, a: Node, b: Node, metres: number, ohms: number): Drive => ({
  unit: unit.id,
  way: 'induction',
  a,
  b,
  amps: (harmonic, omega) => ({
    re: 0,
    im:
      (omega * INDUCTION * unit.leg * unit.amps * currentShare(harmonic, unit.rectified) * metres) /
      Math.max(ohms, 1e-6),
  }),
});
