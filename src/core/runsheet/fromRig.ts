import type { Judge } from '../rigcheck/judging';
import { lineSummary } from '../check/result';
import { answered } from '../circuit';
import { lineCircuit, linkKind, sourceKind, type Line } from '../gear';
import {
  endsInLink,
  schoolsOf,
  startsAtLink,
  type Device,
  type RigDocument,
  type Socket,
  type SwitchGroup,
} from '../rig/document';
import { inletName, rigPaths, rigPathsOf, type RigPath } from '../rig/paths';
import { waitAfterOff } from '../schools/schools';
import type { Seconds, Volts } from '../units';
import { discharge, switchOn } from '../transients/feedSteps';
import {
  decayWait,
  MONITORS,
  settleWait,
  sheetKey,
  type ChargeLeft,
  type SheetDevice,
  type SheetGroup,
  type SheetLine,
  type SheetMonitors,
  type SheetRig,
} from './rig';
import { branchLines, circuitKey, fedAlone, groupAt, harmsOf, hasSupply, reachesOf } from './feedsOnLines';
import { byHand, isFirstSide, partName } from './byHand';
import { wayOf } from './way';

/** Where things stand that have no place of their own. */
const STAGE = 'stage end';
const DESK = 'desk end';
/** How long after a feed came on the sound may be judged, where the school asks for it (common practice). */
const JUDGING: Seconds = 60;

/** What a run sheet must know of a rig document; every wait is computed from the circuits. */
export function sheetRig(document: RigDocument, judge: Judge = lineSummary): SheetRig {
  const paths = rigPaths(document);
  const harms = harmsOf(document, judge);
  const reaches = reachesOf(document);
  // Many lines of a large rig are alike, and so are its switches: each circuit is followed over time once.
  const course = remembered();
  const monitors = monitorsIn(document);
  const groupsOf = new Map(paths.map(({ line, inlet }) => [line.id, groupAt(document, inlet)]));
  return {
    lines: paths.map((path) => {
      const [key] = groupsOf.get(path.line.id)!;
      const { id } = path.line;
      const own = { stops: {}, ...harms.get(id), reaches: reaches.get(id) ?? [], ...(key && { key }) };
      return sheetLine(document, path, groupsOf, own);
    }),
    groups: document.devices.flatMap((device) =>
      device.groups.map((group) => sheetGroup(document, paths, device, group, course)),
    ),
    devices: document.devices.map((device) => ({
      id: device.id,
      name: device.name,
      place: placeOf(document, device.location) ?? DESK,
      power: powerOf(device),
      ...stripOf(document, device.id),
    })),
    ...(monitors.length && { monitors }),
    ...(schoolsOf(document).afterFeedOn === 'minute' && { judging: JUDGING }),
  };
}

/** What a device hangs on, where the document says so, with what else hangs there. */
function stripOf({ units = [] }: RigDocument, device: string): { strip?: NonNullable<SheetDevice['strip']> } {
  const own = units.find((unit) => unit.device === device);
  if (own?.outlet === undefined) return {};
  const others = units.filter((unit) => unit !== own && unit.outlet === own.outlet).map(({ name }) => name);
  return { strip: { name: own.outlet, others } };
}

/** What the document says is heard where; devices that it says nothing of are heard somewhere all the same. */
function monitorsIn(document: RigDocument): SheetMonitors[] {
  const { devices, monitors = [] } = document;
  if (monitors.length === 0) return [];
  const placeOfDevice = (id: string) => placeOf(document, devices.find((device) => device.id === id)?.location);
  const rest = devices.filter(({ id }) => !monitors.some((each) => each.devices.includes(id))).map(({ id }) => id);
  return [
    ...monitors.map(({ id, name, location, devices: heard }) => ({
      id,
      name,
      place: placeOf(document, location) ?? heard.map(placeOfDevice).find(Boolean) ?? DESK,
      devices: heard,
    })),
    ...(rest.length
      ? [
          {
            id: monitors.some(({ id }) => id === MONITORS) ? `other ${MONITORS}` : MONITORS,
            name: '',
            place: rest.map(placeOfDevice).find(Boolean) ?? DESK,
            devices: rest,
          },
        ]
      : []),
  ];
}

function sheetLine(
  document: RigDocument,
  { line, source, inlet }: RigPath,
  groupsOf: ReadonlyMap<string, string[]>,
  own: Pick<SheetLine, 'stops' | 'supplyHarms' | 'key' | 'reaches'>,
): SheetLine {
  const written = document.lines.find(({ id }) => id === line.id)!;
  const device = document.devices.find(({ id }) => id === inlet.device)!;
  const mixedAt = placeOf(document, device.location) ?? DESK;
  const straight = written.links.length === 0;
  // What is plugged straight in is plugged where its inlet is.
  const stage =
    straight && !endsInLink(written)
      ? mixedAt
      : (placeOf(document, document.lines.find(({ id }) => id === source)?.location) ?? STAGE);
  const hears = inletName(
    device,
    device.inlets.find(({ id }) => id === inlet.inlet)!,
  );
  const groups = [line.id, ...branchLines(line.branches)].flatMap((id) => groupsOf.get(id) ?? []);
  return {
    id: line.id,
    name: line.name,
    source: startsAtLink(written) ? socketName(document, written.source.from) : partName(line.source),
    inlet: endsInLink(written) ? socketName(document, written.inlet.into) : hears,
    device: device.id,
    ...(endsInLink(written) && { heard: hears }),
    ...(straight && { straight: true as const }),
    stage,
    // A box on another line stands where that line begins.
    desk: endsInLink(written) ? stage : mixedAt,
    mixedAt,
    groups: [...new Set(groups)],
    reaches: own.reaches,
    ...(own.key && { key: own.key }),
    shares: [...new Set(branchLines(line.branches))],
    way: wayOf(line, inlet),
    parts: [...[line.source, ...line.links].map(partName), hears],
    ...((startsAtLink(written) || endsInLink(written)) && { through: written.links.map(partName) }),
    ...byHand(written, isFirstSide(document, written)),
    stops: own.stops,
    supply: hasSupply(line),
    ...(sourceKind(line.source.kind).highVoltage && { highVoltage: true }),
    ...(own.supplyHarms && { supplyHarms: true }),
    ...(schoolsOf(document).connectLive === 'sound-xlr' && soundXlr(line) && { hotPlugs: true }),
  };
}

/** A socket of a box on another line, in words. */
function socketName({ lines }: RigDocument, { line, link }: Socket): string {
  const host = lines.find(({ id }) => id === line)!;
  return `${partName(host.links.find(({ id }) => id === link)!)} of ${host.name}`;
}

/** What is earthed hangs on the mains, with cells in it or not. */
const powerOf = ({ batteries, ground }: Device): SheetDevice['power'] =>
  batteries === undefined ? 'mains' : ground === 'earthed' ? 'both' : 'cells';

const placeOf = ({ locations }: RigDocument, id: string | undefined): string | undefined =>
  locations?.find((location) => location.id === id)?.name;

/**
 * Whether a line is three-pin from end to end, whole, of its own, and without anything that minds one leg arriving
 * before the other: a ribbon, an output, an adapter or a box (common practice on stages).
 */
function soundXlr(line: Line): boolean {
  const { junctions } = lineCircuit(line);
  return (
    ['moving coil', 'powered'].includes(sourceKind(line.source.kind).character) &&
    junctions.every(({ plug, socket, fits }) => fits && plug === 'xlr3' && socket === 'xlr3') &&
    line.links.every(({ kind, faults }) => linkKind(kind).nature === 'cable' && !faults?.length) &&
    !line.branches?.length
  );
}

/** What becomes of a circuit over time, asked for many times and followed once. */
type Course = <T>(what: string, line: Line, follow: () => T) => T | undefined;

function remembered(): Course {
  const known = new Map<string, unknown>();
  return <T>(what: string, line: Line, follow: () => T): T | undefined => {
    const key = `${what} ${circuitKey(line)}`;
    if (!known.has(key)) known.set(key, answered(follow));
    return known.get(key) as T | undefined;
  };
}

function sheetGroup(
  document: RigDocument,
  paths: readonly RigPath[],
  device: Device,
  group: SwitchGroup,
  course: Course,
): SheetGroup {
  const ids = paths
    .filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet))
    .map(({ line }) => line.id);
  const charged = fedAlone(document, device.id, group);
  const fed = rigPathsOf(charged, ids).map(({ line }) => line);
  const circuits = [...new Map(fed.map((line) => [circuitKey(line), line])).values()];
  const threshold: Volts = Number(schoolsOf(document).chargeLeft);
  const { charge, followed } = chargeOf(circuits, threshold, course);
  const ramp = group.ramp?.value;
  const school = schoolsOf(document).afterFeedOff;
  return {
    key: sheetKey(device.id, group.id),
    name: `${device.name}, ${group.name}`,
    device: device.id,
    place: placeOf(document, device.location) ?? DESK,
    ...(group.control && { control: group.control }),
    offers: group.offers,
    latched: group.latched ?? false,
    mutes: group.mutes ?? false,
    decay: decayWait(school, followed ? decaysIn(charge, threshold) : unfollowed(charge, threshold, school)),
    settle: settleWait(
      Math.max(0, ...circuits.map((line) => course(`on ${ramp}`, line, () => switchOn(line, ramp))?.settles ?? 0)),
      group.mutes,
    ),
    charge,
  };
}

/** Moments at which what is left is kept, in seconds. */
const MOMENTS = [0, 0.1, 0.3, 1, 2, 3, 5, 7, 10, 15, 20, 30, 45, 60, 90, 120, 180, 300, 450, 600];

/**
 * The most that is left on any of several lines, moment by moment, until it is the threshold.
 * @returns also whether every one of them could be followed
 */
function chargeOf(
  lines: readonly Line[],
  threshold: Volts,
  course: Course,
): { charge: ChargeLeft[]; followed: boolean } {
  const all = lines.map((line) =>
    // A line without a feed holds nothing; one that cannot be followed may hold anything.
    course(`off ${threshold}`, line, () => discharge(line, threshold, hasSupply(line) ? 'inlet' : 'source') ?? []),
  );
  const followed = !all.includes(undefined);
  const courses = all.flatMap((left) => (left?.length ? [left] : []));
  const longest = Math.max(0, ...courses.map((course) => course.at(-1)!.at));
  const most = (at: Seconds): Volts =>
    Math.max(0, ...courses.map((course) => course.findLast((p) => p.at <= at)!.volts));
  if (courses.length === 0) return { charge: [], followed };
  const moments = [...MOMENTS.filter((at) => at < longest), longest];
  return { charge: moments.map((at) => ({ at, volts: most(at) })), followed };
}

/** The wait where a circuit has no answer over time: the school's at least; undefined, for the longest, where it has none. */
function unfollowed(charge: readonly ChargeLeft[], threshold: Volts, school: string): Seconds | undefined {
  const others = decaysIn(charge, threshold);
  const least = waitAfterOff(school);
  return others === undefined || least === undefined ? undefined : Math.max(others, least);
}

/** Until all have lost their charge, in seconds; undefined where that takes longer than anybody follows. */
function decaysIn(charge: readonly ChargeLeft[], threshold: Volts): Seconds | undefined {
  const end = charge.at(-1);
  if (!end) return 0;
  return end.volts <= threshold ? end.at : undefined;
}
