import { magnitude, type Complex } from '../circuit';
import { aWeight } from '../signal/measure/weighting';
import { EARTH } from '../rig';
import { dbu, type Amps, type Dbfs, type Dbu, type Decibels, type Hertz, type Ohms, type Volts } from '../units';
import { BEHIND_WINDINGS, CONVERSION, PIN_ONE, WINDINGS } from './figures';
import { chassisOf, earthed } from './network';
import { leakageOf, loadsOf, solveMains, type GroundVolts, type Harmonic, type Way } from './solve';
import type { Hearing, MainsSystem, MainsUnit, Tie } from './system';

/** What a line hears of the mains, at its inlet. */
export interface LineHum {
  line: string;
  name: string;
  how: Hearing['how'];
  level: Dbu;
  aWeighted: Dbu;
  /** How far each may be off either way, from typical figures alone. */
  within: Decibels;
  /** At the gain of the plan, A-weighted; absent where nothing arrives. */
  dbfsA?: Dbfs;
  byHarmonic: { hz: Hertz; level: Dbu }[];
  /** Of what is heard, A-weighted, by unit and way; largest first, adding up to 1. */
  shares: { unit: string; way: Way; share: number }[];
  /** Current in its shield at the fundamental. */
  shield: Amps;
}

/** A way round through grounds: a tie, and the earth conductors between its ends. */
export interface Loop {
  /** Ids of ties; the first one closes it. */
  ties: string[];
  /** Ids of the units that it goes through, in order. */
  units: string[];
  /** Through the tie that closes it, all harmonics. */
  amps: Amps;
  /** The line on it that hears most. */
  worst?: LineHum;
}

/** What hangs on an outlet, behind it and on itself. */
export interface Load {
  outlet: string;
  amps: Amps;
  /** Of that, what somebody has stated; the rest is usual. */
  stated: Amps;
  watts: number;
  rating?: Amps;
}

export interface MainsReadings {
  chassis: { unit: string; volts: Volts }[];
  leakage: { unit: string; amps: Amps }[];
  /** Of earthed units, all together: what a residual-current device sees. */
  residual: Amps;
  loops: Loop[];
  /** Loudest first. */
  lines: LineHum[];
  loads: Load[];
  /** No unit of those that are joined is on earth: what somebody feels who joins them to it, and the voltage before that. */
  floating?: { units: string[]; volts: Volts; touch: Amps };
}

/** Solves the mains side of a job and reads off what matters. */
export function mainsReadings(system: MainsSystem): MainsReadings {
  const harmonics = solveMains(system);
  const volts = system.ties.map((tie) => alongTie(tie, harmonics));
  const lines = system.ties
    .flatMap((tie, n) => (tie.hears ? [heard(tie, tie.hears, volts[n])] : []))
    .sort((a, b) => b.aWeighted - a.aWeighted);
  const chassis = system.units.map(({ id }) => ({
    unit: id,
    volts: rms(harmonics.map(({ between }) => between(chassisOf(id)).total)),
  }));
  const leakage = system.units.map((unit) => ({ unit: unit.id, amps: leakageOf(unit, system) }));
  return {
    chassis,
    leakage,
    residual: system.units.reduce((sum, unit, n) => sum + (earthed(unit) ? leakage[n].amps : 0), 0),
    loops: loopsOf(system, volts, lines),
    lines,
    loads: loads(system),
    ...floatingOf(system, chassis, leakage),
  };
}

/** What one line hears; undefined where it joins no two units. */
export function lineHum(system: MainsSystem, line: string): LineHum | undefined {
  const tie = system.ties.find(({ hears }) => hears?.line === line);
  return tie?.hears && heard(tie, tie.hears, alongTie(tie, solveMains(system)));
}

/** The voltage between the grounds at the ends of a tie, by harmonic. */
interface TieHarmonic extends GroundVolts {
  hz: Hertz;
}
const alongTie = ({ between: [a, b] }: Tie, harmonics: readonly Harmonic[]): TieHarmonic[] =>
  harmonics.map(({ hz, between }) => ({ hz, ...between(chassisOf(a), chassisOf(b)) }));

const rms = (parts: readonly Complex[]): number => Math.hypot(...parts.map(magnitude));

/** How much of what lies between the grounds at its ends a line hears, at a frequency. */
function hearing({ how, unbalanced, ratio }: Hearing, ohms: Ohms | undefined, hz: Hertz): number {
  // What the shield drops adds to the signal as far as that returns over it; the rest is common to both legs.
  const drop = ohms === undefined ? 0 : unbalanced;
  const common = CONVERSION + (ohms === undefined ? 0 : PIN_ONE / ohms);
  switch (how) {
    case 'unbalanced':
      return ohms === undefined ? 1 : drop;
    case 'balanced':
      return common;
    case 'transformer':
      // What comes over the windings' capacitance counts where the shield is parted there.
      return ohms === undefined
        ? 2 * Math.PI * hz * WINDINGS * BEHIND_WINDINGS * ratio
        : Math.hypot(drop * ratio, common);
  }
}

/** Uncertainty from typical figures alone, by how a line hears (assumed). */
const WITHIN: Record<Hearing['how'], Decibels> = { unbalanced: 12, balanced: 25, transformer: 25 };

/** Quieter than anything is heard. */
const SILENT: Dbu = -200;
const levelOf = (power: number): Dbu => (power > 0 ? Math.max(SILENT, dbu(Math.sqrt(power))) : SILENT);

function heard({ ohms }: Tie, hears: Hearing, volts: readonly TieHarmonic[]): LineHum {
  let power = 0;
  let weighted = 0;
  const by = new Map<string, { unit: string; way: Way; power: number }>();
  const byHarmonic = volts.map(({ hz, total, by: given }) => {
    const share = hearing(hears, ohms, hz);
    const own = (share * magnitude(total)) ** 2;
    power += own;
    weighted += own * aWeight(hz);
    for (const { unit, way, volts: part } of given) {
      const key = `${unit} ${way}`;
      const known = by.get(key) ?? { unit, way, power: 0 };
      known.power += towards(part, total) * share ** 2 * aWeight(hz);
      by.set(key, known);
    }
    return { hz, level: levelOf(own) };
  });
  const given = [...by.values()].map((each) => ({ ...each, power: Math.max(0, each.power) }));
  const whole = given.reduce((sum, each) => sum + each.power, 0) || 1;
  const aWeighted = levelOf(weighted);
  return {
    line: hears.line,
    name: hears.name,
    how: hears.how,
    level: levelOf(power),
    aWeighted,
    within: WITHIN[hears.how],
    ...(hears.toDbfs !== undefined && { dbfsA: aWeighted + hears.toDbfs }),
    byHarmonic,
    shares: given
      .map(({ unit, way, power: own }) => ({ unit, way, share: own / whole }))
      .filter(({ share }) => share > 1e-3)
      .sort((a, b) => b.share - a.share),
    shield: ohms === undefined || !volts[0] ? 0 : magnitude(volts[0].total) / ohms,
  };
}

/** What a part gives of the power of the whole: its projection on it. */
const towards = (part: Complex, whole: Complex): number => part.re * whole.re + part.im * whole.im;

/** Every tie that closes a ring through earth conductors and other ties; loudest first. */
function loopsOf(system: MainsSystem, volts: readonly TieHarmonic[][], lines: readonly LineHum[]): Loop[] {
  const WALL = '';
  const joined = new Map<string, { to: string; tie?: string }[]>();
  const join = (a: string, b: string, tie?: string) => {
    joined.set(a, [...(joined.get(a) ?? []), { to: b, tie }]);
    joined.set(b, [...(joined.get(b) ?? []), { to: a, tie }]);
  };
  /** The way from one unit to another without a tie, shortest first. */
  const way = (from: string, to: string): { to: string; tie?: string }[] | undefined => {
    const ways = new Map<string, { to: string; tie?: string }[]>([[from, []]]);
    for (const [at, taken] of ways) {
      if (at === to) return taken;
      for (const next of joined.get(at) ?? []) if (!ways.has(next.to)) ways.set(next.to, [...taken, next]);
    }
    return undefined;
  };
  join(EARTH, WALL);
  for (const unit of system.units) if (earthed(unit)) join(unit.id, WALL);
  const loops = system.ties.flatMap((tie, n): Loop[] => {
    if (tie.ohms === undefined) return [];
    const [a, b] = tie.between;
    const back = way(b, a);
    join(a, b, tie.id);
    if (!back) return [];
    const ties = [tie.id, ...back.flatMap((step) => step.tie ?? [])];
    const amps = rms(volts[n].map(({ total }) => total)) / tie.ohms;
    return [
      {
        ties,
        units: [...new Set([a, b, ...back.map(({ to }) => to)])].filter((id) => id !== WALL && id !== EARTH),
        amps,
        worst: lines.find(({ line }) => ties.includes(line)),
      },
    ];
  });
  return loops.sort((a, b) => (b.worst?.aWeighted ?? SILENT) - (a.worst?.aWeighted ?? SILENT) || b.amps - a.amps);
}

const loads = (system: MainsSystem): Load[] =>
  [...loadsOf(system)].map(([outlet, units]) => {
    const sum = (list: readonly MainsUnit[]) => list.reduce((all, unit) => all + unit.amps, 0);
    const amps = sum(units);
    const stated = sum(units.filter(({ assumed }) => !assumed));
    const rating = system.outlets.find(({ name }) => name === outlet)?.rating;
    return { outlet, amps, stated, watts: amps * system.volts, ...(rating && { rating }) };
  });

/** Units that are joined to each other and to no earth, the set that leaks most. */
function floatingOf(
  system: MainsSystem,
  chassis: MainsReadings['chassis'],
  leakage: MainsReadings['leakage'],
): Pick<MainsReadings, 'floating'> {
  const set = new Map([EARTH, ...system.units.map(({ id }) => id)].map((id) => [id, id]));
  const root = (id: string): string => (set.get(id) === id ? id : root(set.get(id)!));
  for (const { between, ohms } of system.ties) if (ohms !== undefined) set.set(root(between[0]), root(between[1]));
  const groups = new Map<string, MainsUnit[]>();
  for (const unit of system.units) groups.set(root(unit.id), [...(groups.get(root(unit.id)) ?? []), unit]);
  const free = [...groups.values()]
    .filter(
      (units) =>
        units.length > 1 &&
        !units.some((unit) => earthed(unit) || root(unit.id) === root(EARTH)) &&
        units.some(({ leaks }) => leaks.length > 0),
    )
    .map((units) => ({
      units: units.map(({ id }) => id),
      volts: chassis.find(({ unit }) => unit === units[0].id)!.volts,
      touch: units.reduce((sum, { id }) => sum + leakage.find(({ unit }) => unit === id)!.amps, 0),
    }))
    .sort((a, b) => b.touch - a.touch);
  return free.length ? { floating: free[0] } : {};
}
