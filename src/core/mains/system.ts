import { answered } from '../circuit';
import { CONNECTORS, isCable, linkKind, reader, type Part } from '../gear';
import { judgeAsDrawn } from '../check/check';
import { openBudget } from '../noise/budget';
import {
  endsInLink,
  rigPath,
  schoolsOf,
  startsAtLink,
  type MainsPlug,
  type Outlet,
  type RigDocument,
  type RigLine,
  type Unit,
} from '../rig';
import { peakTargetOf } from '../schools';
import type { Amps, Decibels, Farads, Hertz, Metres, Ohms, Volts } from '../units';
import { unlisted } from './edits';
import {
  CONTACT,
  CURRENTS,
  EARTHED_LEAK,
  FLOATING_LEAK,
  ohmsPerMetre,
  RECTIFIED,
  SHIELD_PER_METRE,
  LONGEST_LEAD,
  STRIP_LEAD,
  supplyOf,
  TIE,
} from './figures';

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
}

/** How a line hears what lies between the grounds at its ends. */
export interface Hearing {
  line: string;
  name: string;
  how: 'unbalanced' | 'balanced' | 'transformer';
  /** Share of the shield that the signal returns over; the rest is balanced. */
  unbalanced: number;
  /** What a transformer on the way makes of it, as a ratio. */
  ratio: number;
  /** From dBu at the inlet to dBFS, at the gain of the plan; absent where nothing arrives. */
  toDbfs?: Decibels;
}

/** Something that joins the grounds of two units. */
export interface Tie {
  id: string;
  name: string;
  between: [string, string];
  /** Undefined where the shield is open. */
  ohms?: Ohms;
  hears?: Hearing;
}

/** The mains side of a rig with every figure that it takes, stated or typical. */
export interface MainsSystem {
  volts: Volts;
  hertz: Hertz;
  /** Neutral and earth are joined at the supply. */
  bonded: boolean;
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

/** How lines hear, by the line as the document has it: what is plugged elsewhere changes nothing in that. */
export type Hearings = WeakMap<RigLine, { host?: RigLine; hears?: Hearing }>;

/** Makes out of a rig what its mains side is. @param hearings found already, for a rig with the same devices */
export function mainsSystem(document: RigDocument, hearings: Hearings = new WeakMap()): MainsSystem {
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
  const legs = new Map((mains.outlets ?? []).map(({ name, otherLeg }) => [name, otherLeg ? -1 : 1] as const));
  const outlets = outletsOf(mains.outlets ?? [], all);
  return {
    volts,
    hertz,
    bonded: mains.neutral !== 'free',
    outlets,
    units: all.map((unit) => unitOf(document, unit, legs)),
    ties: [...lineTies(document, all, hearings), ...connectionTies(document)],
  };
}

function unitOf(document: RigDocument, unit: Unit, legs: ReadonlyMap<string, 1 | -1>): MainsUnit {
  const { id, name, kind, outlet } = unit;
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
          ? [{ from: 'live', farads: stated ?? EARTHED_LEAK }]
          : [
              { from: 'live', farads: stated ?? FLOATING_LEAK },
              { from: 'neutral', farads: stated ?? FLOATING_LEAK },
            ],
    leg: (outlet !== undefined && legs.get(outlet)) || 1,
    amps: plug === 'cells' ? 0 : (unit.current?.value ?? CURRENTS[kind]),
    assumed: unit.current === undefined,
    rectified: RECTIFIED.has(kind),
  };
}

/** As stated; else as the rig says how its device or its source stands to earth; else as its kind usually is. */
function plugOf({ devices, lines }: RigDocument, { plug, kind, device: id, line: of }: Unit): MainsPlug {
  const device = devices.find((each) => each.id === id);
  const line = lines.find((each) => each.id === of);
  const source = line && !startsAtLink(line) ? line.source.choices?.ground : undefined;
  const known = { earthed: 'three-pin', floating: 'two-pin', unknown: undefined } as const;
  const said = device?.ground ?? (source as keyof typeof known | undefined) ?? 'unknown';
  return plug ?? (device?.batteries && !device.ground ? 'cells' : (known[said] ?? USUALLY[kind] ?? 'three-pin'));
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
    };
  });
}

const connectionTies = ({ mains, units = [] }: RigDocument): Tie[] =>
  (mains?.connections ?? []).map(({ between, kind }, n) => ({
    id: `connection ${n + 1}`,
    name: `${kind}: ${between.map((id) => units.find((unit) => unit.id === id)?.name ?? id).join(' – ')}`,
    between,
    ohms: TIE,
  }));

/** Every line whose ends are both units of the job. */
function lineTies(document: RigDocument, units: readonly Unit[], hearings: Hearings): Tie[] {
  return document.lines.flatMap((line): Tie[] => {
    if (endsInLink(line)) return [];
    const into = units.find(({ device }) => device === line.inlet.device);
    const host = startsAtLink(line) ? document.lines.find(({ id }) => id === line.source.from.line) : undefined;
    const from = startsAtLink(line)
      ? host && !endsInLink(host) && units.find(({ device }) => device === host.inlet.device)
      : units.find((unit) => unit.line === line.id);
    if (!into || !from || into.id === from.id) return [];
    // What a splitter joins lies behind it on the other line, too.
    const split = startsAtLink(line) ? host!.links.find(({ id }) => id === line.source.from.link) : undefined;
    const behind = split ? host!.links.slice(host!.links.indexOf(split) + 1) : [];
    const parts = [...(split ? [split] : []), ...line.links, ...behind];
    const kept = hearings.get(line);
    const hears = kept && kept.host === host ? kept.hears : hearingOf(document, line);
    hearings.set(line, { ...(host && { host }), ...(hears && { hears }) });
    return [
      {
        id: line.id,
        name: line.name,
        between: [from.id, into.id],
        ...(isThrough(parts) && { ohms: shieldOhms(parts) }),
        ...(hears && { hears }),
      },
    ];
  });
}

/** Whether pin 1 goes through all of it: nothing is lifted, and no shield is broken. */
const isThrough = (parts: readonly Part[]): boolean =>
  parts.every((part) => {
    const kind = linkKind(part.kind);
    const lifted = 'ground' in kind.choices && reader(kind, part).choice('ground') === 'lifted';
    const broken = part.faults?.some(
      (fault) => fault.type === 'open' && (fault.contact === '1' || fault.contact === 'S'),
    );
    return !lifted && !broken;
  });

const shieldOhms = (parts: readonly Part[]): Ohms =>
  parts.reduce((sum, part) => sum + (isCable(part) ? lengthOf(part) * SHIELD_PER_METRE + CONTACT : 0), CONTACT);

const lengthOf = (part: Part): Metres => reader(linkKind(part.kind), part).value('length');

/** How a line hears; undefined for one whose circuit has no answer. */
function hearingOf(document: RigDocument, { id, name }: RigLine): Hearing | undefined {
  const line = rigPath(document, id)?.line;
  if (!line) return undefined;
  const schools = schoolsOf(document);
  return answered(() => {
    const { solved, findings } = judgeAsDrawn(line, schools);
    const budget = openBudget(line, { target: peakTargetOf(schools) });
    const at = line.links.findIndex((part) => linkKind(part.kind).breaksLoops);
    const single = solved.circuit.junctions.map(({ plug }) => {
      const { pairs, reference } = CONNECTORS[plug];
      return pairs[0].includes(reference);
    });
    const entry = findings.some(({ code }) => code === 'unbalanced-entry');
    const [box] = at < 0 ? [] : [line.links[at]];
    const unbalanced = (!box && entry) || single.slice(0, box && at + 1).some(Boolean);
    const share = box ? shieldOhms(line.links.slice(0, at)) / shieldOhms(line.links) : 1;
    return {
      line: id,
      name,
      how: box ? 'transformer' : unbalanced ? 'unbalanced' : 'balanced',
      unbalanced: unbalanced ? share : 0,
      ratio: box && 'ratio' in linkKind(box.kind).figures ? 1 / reader(linkKind(box.kind), box).value('ratio') : 1,
      ...(!('reason' in budget) && { toDbfs: budget.toDbfs }),
    };
  });
}
