import { startsAtLink, type Mains, type MainsPlug, type Outlet, type RigDocument, type Unit } from '../rig';
import type { Amps, Farads, Hertz, Metres, Ohms, Volts } from '../units';
import { unlisted } from './edits';
import {
  CONTACT,
  CURRENTS,
  DIODES,
  EARTHED_LEAK,
  FLOATING_LEAK,
  LEAST_LEAK,
  LONGEST_LEAD,
  MISMATCH,
  ohmsPerMetre,
  OWN_LEAD,
  RECTIFIED,
  STRIP_LEAD,
  supplyOf,
  WHINES,
} from './figures';
import { behind } from './behind';
import { tiesOf, type Hearings, type Tie } from './ties';

/** A unit of the job with what the mains sees of it. */
export interface MainsUnit {
  id: string;
  name: string;
  kind: Unit['kind'];
  plug: MainsPlug;
  outlet?: string;
  leaks: { from: 'live' | 'neutral'; farads: Farads }[];
  /** 1, or -1 on the other leg of a split phase. */
  leg: 1 | -1;
  amps: Amps;
  /** Its current is only what its kind usually takes. */
  assumed: boolean;
  rectified: boolean;
  /** Tones of its current, as shares of that. */
  whines: readonly { hz: Hertz; share: number }[];
  /** Of its own lead's earth conductor, with whatever is in that. */
  own: Ohms;
  /** Between its chassis and its audio ground, where they are not joined. */
  audioGround?: 'resistor' | 'lifted';
  /** Between its chassis and earth, and through whoever touches it, as measured. */
  chassis?: Volts;
  touch?: Amps;
}

/** An outlet with the lead that it hangs on. */
export interface MainsOutlet {
  name: string;
  from?: string;
  length: Metres;
  ohms: Ohms;
  rating?: Amps;
  /** Measured, where somebody has. */
  earth?: Ohms;
  /** Of its lead and its contacts alone: as stated or usual, and the most that it may have where not all is stated. */
  lead: Ohms;
  longest: Ohms;
  /** What the uninterruptible supply that it hangs on holds, in watt-hours. */
  backup?: number;
  surge?: true;
}

/** The mains side of a rig with every figure that it takes, stated or typical. */
export interface MainsSystem {
  volts: Volts;
  hertz: Hertz;
  /** Neutral and earth are joined at the supply. */
  bonded: boolean;
  /** Both poles stand half the voltage from earth. */
  balanced: boolean;
  /** Fifth harmonic of the voltage as a share of the fundamental, where it is stated. */
  fifth?: number;
  units: MainsUnit[];
  outlets: MainsOutlet[];
  ties: Tie[];
}

/** What a unit's kind is usually plugged in with. */
const USUALLY: Partial<Record<Unit['kind'], MainsPlug>> = {
  charger: 'two-pin',
  supply: 'two-pin',
  lamp: 'two-pin',
};

/**
 * Makes out of a rig what its mains side is.
 * @param hearings found already, for a rig with the same devices
 * @param only the line that is listened to, where the others need no ears
 */
export function mainsSystem(document: RigDocument, hearings: Hearings = new WeakMap(), only?: string): MainsSystem {
  const { mains = {}, units = [], devices } = document;
  const { volts, hertz } = supplyOf(mains.supply);
  const known = new Set(units.map(({ device }) => device));
  const others = devices
    .filter(({ id }) => !known.has(id))
    .map((device): Unit => ({
      id: unlisted(device.id),
      name: device.name,
      kind: 'audio device',
      device: device.id,
    }));
  // A run of cable beside mains is a suspect of hunts and hangs on nothing.
  const all = [...units.filter(({ kind }) => kind !== 'cable run'), ...others];
  const system: MainsSystem = {
    volts,
    hertz,
    bonded: mains.neutral !== 'free',
    balanced: mains.balanced === true,
    ...(mains.fifth && { fifth: mains.fifth.value / 100 }),
    outlets: outletsOf(mains.outlets ?? [], all),
    units: all.map((unit) => unitOf(document, unit)),
    ties: tiesOf(document, all, hearings, only),
  };
  return withDiodes(system, document);
}

/**
 * Diodes in earth conductors, as resistors that drop what diodes do at the leakage that runs through them: a fault opens
 * them, and small currents between grounds hardly pass.
 */
function withDiodes(system: MainsSystem, { mains, units = [] }: RigDocument): MainsSystem {
  const blocking = new Set(units.filter(({ blocks }) => blocks).map(({ id }) => id));
  const isolated = new Set((mains?.outlets ?? []).filter(({ isolator }) => isolator).map(({ name }) => name));
  if (blocking.size + isolated.size === 0) return system;
  const through = behind(system);
  const ohms = (on: readonly MainsUnit[]): Ohms =>
    DIODES /
    Math.max(
      LEAST_LEAK,
      on.reduce((sum, unit) => sum + leakageOf(unit, system), 0),
    );
  return {
    ...system,
    units: system.units.map((unit) =>
      blocking.has(unit.id) && unit.plug === 'three-pin' ? { ...unit, own: unit.own + ohms([unit]) } : unit,
    ),
    outlets: system.outlets.map((outlet) =>
      isolated.has(outlet.name)
        ? { ...outlet, ohms: outlet.ohms + ohms(through.get(outlet.name)!.filter(({ plug }) => plug === 'three-pin')) }
        : outlet,
    ),
  };
}

/** A unit that is pulled out of the mains, its lines still in. */
const pulled = (unit: MainsUnit): MainsUnit => ({ ...unit, plug: 'cells', leaks: [], amps: 0 });

/** The same with some units pulled. */
export const without = (system: MainsSystem, off: ReadonlySet<string>): MainsSystem => ({
  ...system,
  units: system.units.map((unit) => (off.has(unit.id) ? pulled(unit) : unit)),
});

/** What a unit sends into its earth conductor, or would send into whoever joins it to earth; at the fundamental. */
export function leakageOf(
  { leaks }: MainsUnit,
  { volts, hertz, balanced }: Pick<MainsSystem, 'volts' | 'hertz' | 'balanced'>,
): Amps {
  const from = (pole: 'live' | 'neutral') =>
    leaks.reduce((sum, each) => sum + (each.from === pole ? each.farads : 0), 0);
  const farads = balanced ? Math.abs(from('live') - from('neutral')) / 2 : from('live');
  return 2 * Math.PI * hertz * farads * volts;
}

function unitOf(document: RigDocument, unit: Unit): MainsUnit {
  const { id, name, kind, outlet, audioGround, chassis, touch } = unit;
  const plug = plugOf(document, unit);
  const stated = unit.leakage && unit.leakage.value * 1e-9;
  const earthed = plug === 'three-pin' || plug === 'earth lifted';
  return {
    id,
    name,
    kind,
    plug,
    ...(outlet && { outlet }),
    leaks:
      plug === 'cells'
        ? []
        : earthed
          ? [
              { from: 'live', farads: stated ?? EARTHED_LEAK },
              { from: 'neutral', farads: (1 - MISMATCH) * (stated ?? EARTHED_LEAK) },
            ]
          : [
              { from: 'live', farads: stated ?? FLOATING_LEAK },
              { from: 'neutral', farads: stated ?? FLOATING_LEAK },
            ],
    leg: legOf(document.mains, outlet),
    amps: plug === 'cells' ? 0 : (unit.current?.value ?? CURRENTS[kind]),
    assumed: unit.current === undefined,
    rectified: RECTIFIED.has(kind),
    whines: plug === 'cells' ? [] : (WHINES[kind] ?? []),
    own: OWN_LEAD,
    ...(audioGround && { audioGround }),
    ...(chassis && { chassis: chassis.value }),
    ...(touch && { touch: touch.value * 1e-3 }),
  };
}

/** Which leg of a split phase an outlet is on: its own, or that of what it hangs on. A balanced supply has none. */
function legOf({ balanced, outlets = [] }: Mains = {}, outlet: string | undefined): 1 | -1 {
  const named = (name: string | undefined) => outlets.find((each) => each.name === name);
  for (let at = named(outlet); at && !balanced; at = named(at.from)) if (at.otherLeg) return -1;
  return 1;
}

/** As stated; else as the rig says how its device or its source stands to earth; else as its kind usually is. */
function plugOf(document: RigDocument, unit: Unit): MainsPlug {
  const device = document.devices.find((each) => each.id === unit.device);
  if (unit.plug) return unit.plug;
  if (device?.batteries && !device.ground) return 'cells';
  return (
    ({ earthed: 'three-pin', floating: 'two-pin', unknown: undefined }[groundOf(document, unit)] as
      MainsPlug | undefined) ??
    USUALLY[unit.kind] ??
    'three-pin'
  );
}

/** How the rig says that a device or a source stands to earth. */
function groundOf({ devices, lines }: RigDocument, { device: id, line: of }: Unit): 'earthed' | 'floating' | 'unknown' {
  const line = lines.find((each) => each.id === of);
  const source = line && !startsAtLink(line) ? line.source.choices?.ground : undefined;
  const said = devices.find((each) => each.id === id)?.ground ?? source;
  return said === 'earthed' || said === 'floating' ? said : 'unknown';
}

/** Whether anybody has said how a unit is plugged in. */
export function isPlugKnown(document: RigDocument, id: string): boolean {
  const unit = document.units?.find((each) => each.id === id);
  const device = document.devices.find((each) => unlisted(each.id) === id);
  return unit ? unit.plug !== undefined || groundOf(document, unit) !== 'unknown' : device?.ground !== undefined;
}

/** Every outlet that is stated, named by a unit, or named by another one; what nobody describes has a usual lead. */
function outletsOf(stated: readonly Outlet[], units: readonly Unit[]): MainsOutlet[] {
  const names = new Set([
    ...stated.flatMap(({ name, from }) => [name, ...(from ? [from] : [])]),
    ...units.flatMap(({ outlet }) => outlet ?? []),
  ]);
  return [...names].map((name) => {
    const own = stated.find((each) => each.name === name);
    const length = own?.length?.value ?? STRIP_LEAD.length;
    const ohms = (metres: number, section: number) => metres * ohmsPerMetre(section) + CONTACT;
    const lead = ohms(length, own?.section?.value ?? STRIP_LEAD.section);
    return {
      name,
      ...(own?.from && { from: own.from }),
      length,
      lead,
      longest: ohms(own?.length?.value ?? LONGEST_LEAD.length, own?.section?.value ?? LONGEST_LEAD.section),
      ohms: own?.earth?.value ?? lead,
      ...(own?.rating && { rating: own.rating.value }),
      ...(own?.earth && { earth: own.earth.value }),
      ...(own?.backup && { backup: own.backup.value }),
      ...(own?.surge && { surge: true as const }),
    };
  });
}
