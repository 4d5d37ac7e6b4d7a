import { GROUND, operatingPoint, smallSignal, type Complex, type Node } from '../circuit';
import type { Amps, Hertz, Volts } from '../units';
import { behind } from './behind';
import { currentShare, HIGHEST, INDUCTION, OWN_LENGTH, voltageShare } from './figures';
import { inducedVolts } from './fields';
import { chassisOf, earthed, leadOf, mainsNetlist, NEUTRAL, ownLeadOf, pieceOf, type Conductor } from './network';
import type { MainsSystem, MainsUnit } from './system';

/** A frequency that is looked at: a harmonic of the mains by its order, or a tone of its own. */
interface Line {
  hz: Hertz;
  order?: number;
}

/** Something that drives current through the grounds: by which unit, and by which way. */
interface Drive {
  unit: string;
  way: Way;
  /** Into one node and out of the other. */
  a: Node;
  b: Node;
  /** A quarter of a period ahead of the voltage. */
  amps: (line: Line, omega: number) => Amps;
}

/** What leaks over capacitance; what a load current induces along an earth conductor beside it; what a field does in a loop. */
export const WAYS = {
  leakage: 'leakage',
  induction: 'its load current beside the earth conductor',
  field: 'its lead or coil beside the line',
} as const;
export type Way = keyof typeof WAYS;

/** A voltage between two grounds at one frequency, and who gives what of it. */
export interface GroundVolts {
  total: Complex;
  /** What 1 A between the two nodes would make there. */
  ohms: Complex;
  by: { unit: string; way: Way; volts: Complex }[];
}

/** The grounds of a job at one frequency; a harmonic unless it is a tone of its own. */
export interface Harmonic {
  hz: Hertz;
  order?: number;
  /** The voltage between two nodes; over the earth of the supply where one is named. */
  volts: (of: Node, over?: Node) => Complex;
  /** The same, and who gives what of it. */
  between: (of: Node, over?: Node) => GroundVolts;
  /** The current in a conductor from one node to another, with what is induced in it. */
  through: (conductor: Conductor) => Complex;
}

/**
 * Solves the mains side at every frequency that anything drives. Resistors and capacitors are reciprocal: what everybody
 * gives of a voltage follows from one solution, with 1 A driven where it is read.
 */
export function solveMains(system: MainsSystem): Harmonic[] {
  const at = smallSignal(operatingPoint(mainsNetlist(system, 0)));
  const drives = drivesOf(system);
  return linesOf(system).flatMap((line): Harmonic[] => {
    const { hz } = line;
    const driving: { drive: Drive; a: Node; b: Node; amps: Amps }[] = [];
    for (const drive of drives) {
      const amps = drive.amps(line, 2 * Math.PI * hz);
      if (amps !== 0) driving.push({ drive, a: drive.a, b: drive.b, amps });
    }
    if (driving.length === 0) return [];
    const response = at(hz);
    let all: ((of: Node, over?: Node) => Complex) | undefined;
    // Everything is driven a quarter of a period ahead.
    const volts = (of: Node, over?: Node): Complex => {
      all ??= response.injected(driving);
      const { re, im } = all(of, over);
      return { re: -im, im: re };
    };
    const between = (of: Node, over?: Node): GroundVolts => {
      const seen = response.transfer(of, over);
      const by = driving.map(({ drive: { unit, way }, a, b, amps }) => {
        const per = seen(a, b);
        return { unit, way, volts: { re: -per.im * amps, im: per.re * amps } };
      });
      return { by, ohms: seen(of, over ?? GROUND), total: volts(of, over) };
    };
    const through = ({ from, to, ohms }: Conductor): Complex => {
      const { re, im } = volts(from, to);
      // An induced voltage stands as a source of current beside its conductor (Norton): that is no current of the ring.
      const beside = driving.reduce((sum, { a, b, amps }) => sum + (a === from && b === to ? amps : 0), 0);
      return { re: re / ohms, im: im / ohms - beside };
    };
    return [{ ...line, volts, between, through }];
  });
}

function linesOf({ hertz, units }: MainsSystem): Line[] {
  const tones = new Set(units.flatMap(({ whines }) => whines.map(({ hz }) => hz)));
  return [
    ...Array.from({ length: Math.floor(HIGHEST / hertz) }, (_, n) => ({ hz: (n + 1) * hertz, order: n + 1 })),
    ...[...tones].sort((a, b) => a - b).map((hz) => ({ hz })),
  ];
}

/** What a unit takes from the mains at a frequency. */
const currentOf = ({ amps, rectified, whines }: MainsUnit, { hz, order }: Line): Amps =>
  amps * (order !== undefined ? currentShare(order, rectified) : (whines.find((tone) => tone.hz === hz)?.share ?? 0));

/** Everything that drives current through the grounds, as sources of current (Norton). */
function drivesOf(system: MainsSystem): Drive[] {
  const { units, outlets, volts, balanced, fifth, ties } = system;
  // The supply drives what leaks from the neutral, wherever that stands; a balanced one from both poles, over earth.
  const leaks = units.flatMap((unit): Drive[] =>
    unit.leaks
      .filter(({ from }) => from === 'live' || balanced)
      .map(({ from, farads }) => {
        const pole: Volts = balanced ? ((from === 'live' ? 1 : -1) * volts) / 2 : unit.leg * volts;
        return {
          unit: unit.id,
          way: 'leakage',
          a: chassisOf(unit.id),
          b: NEUTRAL,
          amps: ({ order }, omega) => (order === undefined ? 0 : omega * farads * pole * voltageShare(order, fifth)),
        };
      }),
  );
  const loads = behind(system);
  const along = outlets.flatMap((outlet): Drive[] =>
    loads.get(outlet.name)!.map((unit) => induced(unit, leadOf(outlet), INDUCTION * outlet.length)),
  );
  const own = units.filter(earthed).map((unit) => induced(unit, ownLeadOf(unit), INDUCTION * OWN_LENGTH));
  const fields = ties.flatMap((tie): Drive[] => {
    if (tie.ohms === undefined) return [];
    const { a, b, ohms } = pieceOf(tie, units);
    return (tie.strays ?? []).flatMap(({ unit: id, flux, coil }): Drive[] => {
      const unit = units.find((each) => each.id === id);
      if (!unit) return [];
      const { unit: of, amps } = induced(unit, { from: a, to: b, ohms }, flux);
      // What a coil radiates does not follow what the unit takes just now.
      const still: Drive['amps'] = ({ hz, order }) =>
        order === undefined || unit.plug === 'cells' ? 0 : (inducedVolts(flux, hz) * voltageShare(order, fifth)) / ohms;
      return [{ unit: of, way: 'field', a, b, amps: coil ? still : amps }];
    });
  });
  return [...leaks, ...along, ...own, ...fields];
}

/** What a load induces in a conductor. @param henries flux around it per ampere */
const induced = (unit: MainsUnit, { from: a, to: b, ohms }: Conductor, henries: number): Drive => ({
  unit: unit.id,
  way: 'induction',
  a,
  b,
  amps: (line) => inducedVolts(henries * unit.leg * currentOf(unit, line), line.hz) / ohms,
});
