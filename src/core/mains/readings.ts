import { magnitude, type Complex } from '../circuit';
import { EARTH } from '../rig';
import type { Amps, Dbu, Seconds, Volts } from '../units';
import { behind } from './behind';
import { BACKUP_SHARE } from './figures';
import { APART, coilField, pairField, TWISTED } from './fields';
import { heard, SILENT, type LineHum, type Reads, type TieHarmonic } from './hearing';
import { chassisOf, dropOf, earthed, leadOf, ownLeadOf, type Conductor } from './network';
import { solveMains, type Harmonic } from './solve';
import { leakageOf, type MainsSystem, type MainsUnit } from './system';
import type { Tie } from './ties';

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
  /** How long an uninterruptible supply carries it, its battery no longer new. */
  lasts?: Seconds;
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
  /** What each leg of a split phase carries; empty where there is one. */
  legs: { leg: 1 | -1; amps: Amps; watts: number }[];
  /** What runs in each earth conductor: the lead of an outlet, the own lead of a unit; all harmonics. */
  earth: ({ outlet: string; amps: Amps } | { unit: string; amps: Amps })[];
  /** Flux density, in tesla, of what lines are said to run beside. */
  fields: { line: string; unit: string; tesla: number }[];
  /** No unit of those that are joined is on earth: what somebody feels who joins them to it, and the voltage before that. */
  floating?: { units: string[]; volts: Volts; touch: Amps };
}

/** Solves the mains side of a job and reads off what matters. */
export function mainsReadings(system: MainsSystem): MainsReadings {
  const harmonics = solveMains(system);
  const along = system.ties.map((tie) => alongTie(system, tie, harmonics));
  const volts = along.map((each) => each.volts);
  const lines = system.ties
    .flatMap((tie, n) => (tie.hears ? [heard(tie, tie.hears, along[n])] : []))
    .sort((a, b) => heardAs(b) - heardAs(a));
  const chassis = system.units.map(({ id }) => ({
    unit: id,
    volts: rms(harmonics.map(({ volts: at }) => at(chassisOf(id)))),
  }));
  const leakage = system.units.map((unit) => ({ unit: unit.id, amps: leakageOf(unit, system) }));
  return {
    chassis,
    leakage,
    residual: system.units.reduce((sum, unit, n) => sum + (earthed(unit) ? leakage[n].amps : 0), 0),
    loops: loopsOf(system, volts, lines),
    lines,
    loads: loads(system),
    legs: legs(system),
    earth: earthCurrents(system, harmonics),
    fields: fields(system),
    ...floatingOf(system, chassis, leakage),
  };
}

/** What one line hears; undefined where it joins no two units. */
export function lineHum(system: MainsSystem, line: string): LineHum | undefined {
  const tie = system.ties.find(({ hears }) => hears?.line === line);
  return tie?.hears && heard(tie, tie.hears, alongTie(system, tie, solveMains(system)));
}

/** By ear; by it lines and loops are ranked. */
const heardAs = ({ reads }: LineHum): Dbu => reads['a-weighted'];

/** How loud what one line hears is; undefined where it joins no two units, and for a whine that is not there. */
export function lineLevels(system: MainsSystem, line: string, of: 'hum' | 'whine' = 'hum'): Reads | undefined {
  const tie = system.ties.find(({ hears }) => hears?.line === line);
  const hum = tie?.hears && heard(tie, tie.hears, alongTie(system, tie, solveMains(system), 'level'));
  return of === 'hum' ? hum?.reads : hum?.whine?.reads;
}

/** The voltage along a tie, by frequency, at the scale that was measured there; and what stands there when it is unplugged. */
function alongTie(
  system: MainsSystem,
  tie: Tie,
  harmonics: readonly Harmonic[],
  wanted: 'level' | 'everything' = 'everything',
): Along {
  const [a, b] = dropOf(tie, system.units);
  if (wanted === 'level' && (!tie.shells || tie.shells.against)) {
    const factor = tie.shells ? tie.shells.measured / tie.shells.against! : 1;
    return {
      volts: harmonics.map(({ volts: at, between: _shares, ...line }) => {
        const { re, im } = at(a, b);
        return { ...line, total: { re: factor * re, im: factor * im }, ohms: { re: 0, im: 0 }, by: [] };
      }),
    };
  }
  const volts = harmonics.map(({ between, volts: _at, ...line }): TieHarmonic => ({ ...line, ...between(a, b) }));
  const open = openVolts(tie, volts);
  const { measured, against = open } = tie.shells ?? {};
  const scale = measured !== undefined && against ? measured / against : 1;
  const scaled = ({ re, im }: Complex): Complex => ({ re: scale * re, im: scale * im });
  return {
    ...(open !== undefined && { open }),
    volts: volts.map((each) => ({
      ...each,
      total: scaled(each.total),
      by: each.by.map((part) => ({ ...part, volts: scaled(part.volts) })),
    })),
  };
}

interface Along {
  volts: TieHarmonic[];
  open?: Volts;
}

/** Nearer to the tie's own resistance than this, what is seen there says nothing of what is behind. */
const NOTHING_BEHIND = 1e-9;

/**
 * What stands between the ends of a tie that is unplugged, all harmonics; undefined where one end leads nowhere. Seen
 * between its ends are the tie and what lies behind it, side by side (Thévenin).
 */
function openVolts({ ohms }: Tie, volts: readonly TieHarmonic[]): Volts | undefined {
  const hum = volts.filter(({ order }) => order !== undefined);
  if (ohms === undefined) return rms(hum.map(({ total }) => total));
  const parts = hum.map(({ total, ohms: seen }) => {
    const left = magnitude({ re: ohms - seen.re, im: -seen.im });
    return left < NOTHING_BEHIND * ohms ? undefined : (magnitude(total) * ohms) / left;
  });
  return parts.some((part) => part === undefined) ? undefined : Math.hypot(...parts.map((part) => part!));
}

const rms = (parts: readonly Complex[]): number => Math.hypot(...parts.map(magnitude));

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
    const amps = rms(volts[n].flatMap(({ order, total }) => (order === undefined ? [] : [total]))) / tie.ohms;
    return [
      {
        ties,
        units: [...new Set([a, b, ...back.map(({ to }) => to)])].filter((id) => id !== WALL && id !== EARTH),
        amps,
        worst: lines.find(({ line }) => ties.includes(line)),
      },
    ];
  });
  return loops.sort(
    (a, b) => (b.worst ? heardAs(b.worst) : SILENT) - (a.worst ? heardAs(a.worst) : SILENT) || b.amps - a.amps,
  );
}

const loads = (system: MainsSystem): Load[] =>
  [...behind(system)].map(([outlet, units]) => {
    const sum = (list: readonly MainsUnit[]) => list.reduce((all, unit) => all + unit.amps, 0);
    const amps = sum(units);
    const stated = sum(units.filter(({ assumed }) => !assumed));
    const { rating, backup } = system.outlets.find(({ name }) => name === outlet)!;
    const watts = amps * system.volts;
    return {
      outlet,
      amps,
      stated,
      watts,
      ...(rating && { rating }),
      ...(backup && watts > 0 && { lasts: (3600 * backup * BACKUP_SHARE) / watts }),
    };
  });

function earthCurrents({ outlets, units }: MainsSystem, harmonics: readonly Harmonic[]): MainsReadings['earth'] {
  const hum = harmonics.filter(({ order }) => order !== undefined);
  const amps = (conductor: Conductor): Amps => rms(hum.map(({ through }) => through(conductor)));
  return [
    ...outlets.map((outlet) => ({ outlet: outlet.name, amps: amps(leadOf(outlet)) })),
    ...units.filter(earthed).map((unit) => ({ unit: unit.id, amps: amps(ownLeadOf(unit)) })),
  ];
}

const legs = ({ units, volts }: MainsSystem): MainsReadings['legs'] =>
  units.some(({ leg }) => leg === -1)
    ? ([1, -1] as const).map((leg) => {
        const amps = units.reduce((sum, unit) => sum + (unit.leg === leg ? unit.amps : 0), 0);
        return { leg, amps, watts: amps * volts };
      })
    : [];

const fields = ({ ties, units }: MainsSystem): MainsReadings['fields'] =>
  ties.flatMap(({ id: line, strays = [] }) =>
    strays.map(({ unit, coil, distance }) => ({
      line,
      unit,
      tesla: coil
        ? coilField(distance)
        : pairField(units.find(({ id }) => id === unit)?.amps ?? 0, APART.flexible, distance) / TWISTED,
    })),
  );

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
