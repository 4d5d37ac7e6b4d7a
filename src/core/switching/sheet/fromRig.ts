import { groupFeeds } from '../../check/feedOptions';
import type { Judge } from '../../check/judging';
import { CircuitError } from '../../circuit';
import { lineSummary } from '../../check/result';
import {
  lineCircuit,
  LINKS,
  linkKind,
  SOURCES,
  sourceKind,
  type Branch,
  type ChoiceSpec,
  type Line,
  type Part,
} from '../../gear';
import {
  endsInLink,
  schoolsOf,
  startsAtLink,
  type Device,
  type RigDocument,
  type Socket,
  type SwitchGroup,
} from '../../rig/document';
import { inletName, rigPaths, rigPathsOf, type RigPath } from '../../rig/paths';
import { setFeed } from '../../rig/rigEdits';
import type { Seconds, Volts } from '../../units';
import { discharge, switchOn } from '../feedSteps';
import {
  decayWait,
  settleWait,
  sheetKey,
  type ChargeLeft,
  type SheetGroup,
  type SheetLine,
  type SheetRig,
} from './rig';

/** Where things stand that have no place of their own. */
const STAGE = 'stage end';
const DESK = 'desk end';
/** How long after a feed came on the sound may be judged, where the school asks for it (common practice). */
const JUDGING: Seconds = 60;

/** What a run sheet must know of a rig document; every wait is computed from the circuits. */
export function sheetRig(document: RigDocument, judge: Judge = lineSummary): SheetRig {
  const paths = rigPaths(document);
  const harms = harmsOf(document, judge);
  const groupsOf = new Map(paths.map(({ line, inlet }) => [line.id, groupAt(document, inlet)]));
  return {
    lines: paths.map((path) => {
      const [key] = groupsOf.get(path.line.id)!;
      const own = { stops: {}, ...harms.get(path.line.id), ...(key && { key }) };
      return sheetLine(document, path, groupsOf, own);
    }),
    groups: document.devices.flatMap((device) =>
      device.groups.map((group) => sheetGroup(document, paths, device, group)),
    ),
    devices: document.devices.map((device) => ({
      id: device.id,
      name: device.name,
      place: placeOf(document, device.location) ?? DESK,
      cells: device.batteries !== undefined,
    })),
    ...(schoolsOf(document).afterFeedOn === 'minute' && { judging: JUDGING }),
  };
}

function sheetLine(
  document: RigDocument,
  { line, source, inlet }: RigPath,
  groupsOf: ReadonlyMap<string, string[]>,
  own: Pick<SheetLine, 'stops' | 'supplyHarms' | 'key'>,
): SheetLine {
  const written = document.lines.find(({ id }) => id === line.id)!;
  const device = document.devices.find(({ id }) => id === inlet.device)!;
  const stage = placeOf(document, document.lines.find(({ id }) => id === source)?.location) ?? STAGE;
  const mixedAt = placeOf(document, device.location) ?? DESK;
  const groups = [line.id, ...branchLines(line.branches)].flatMap((id) => groupsOf.get(id) ?? []);
  return {
    id: line.id,
    name: line.name,
    source: startsAtLink(written) ? socketName(document, written.source.from) : partName(line.source),
    inlet: endsInLink(written)
      ? socketName(document, written.inlet.into)
      : inletName(
          device,
          device.inlets.find(({ id }) => id === inlet.inlet)!,
        ),
    device: device.id,
    stage,
    // A box on another line stands where that line begins.
    desk: endsInLink(written) ? stage : mixedAt,
    mixedAt,
    groups: [...new Set(groups)],
    ...(own.key && { key: own.key }),
    shares: [...new Set(branchLines(line.branches))],
    way: wayOf(line, inlet),
    parts: [line.source, ...line.links].map(partName).concat(
      inletName(
        device,
        device.inlets.find(({ id }) => id === inlet.inlet)!,
      ),
    ),
    stops: own.stops,
    supply: hasSupply(line),
    ...(line.source.kind === 'valve-own-supply' && { highVoltage: true }),
    ...(own.supplyHarms && { supplyHarms: true }),
    ...(schoolsOf(document).connectLive === 'sound-xlr' && soundXlr(line) && { hotPlugs: true }),
  };
}

const partName = (part: Part): string => part.name ?? anyKind(part.kind)?.label ?? part.kind;

/** A socket of a box on another line, in words. */
function socketName({ lines }: RigDocument, { line, link }: Socket): string {
  const host = lines.find(({ id }) => id === line)!;
  return `${partName(host.links.find(({ id }) => id === link)!)} of ${host.name}`;
}

const anyKind = (kind: string) => [...SOURCES, ...LINKS].find((each) => each.kind === kind);

const placeOf = ({ locations }: RigDocument, id: string | undefined): string | undefined =>
  locations?.find((location) => location.id === id)?.name;

/** Every other line that hangs on the same conductors. */
const branchLines = (branches: readonly Branch[] = []): string[] =>
  branches.flatMap(({ line, branches: further }) => [line, ...branchLines(further)]);

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

const hasSupply = ({ source, links }: Line): boolean =>
  sourceKind(source.kind).kind === 'valve-own-supply' || links.some(({ kind }) => linkKind(kind).nature === 'supply');

function groupAt({ devices }: RigDocument, { device, inlet }: RigPath['inlet']): string[] {
  const group = devices.find(({ id }) => id === device)?.groups.find(({ inlets }) => inlets.includes(inlet));
  return group ? [sheetKey(device, group.id)] : [];
}

/** Settings of a part that are turned on the spot, and what is only known better: neither is a plug. */
function physical({ kind, item, choices = {}, faults }: Part, spec: Record<string, ChoiceSpec>): unknown {
  const built = Object.entries(choices).filter(
    ([name]) => name !== 'tested' && !spec[name]?.setting && !spec[name]?.question,
  );
  return [kind, item, built.sort(([a], [b]) => (a < b ? -1 : 1)), faults];
}

/** Whatever is plugged or wired on a line and on everything that hangs on its conductors. */
function wayOf({ source, links, branches }: Line, inlet: RigPath['inlet']): string {
  const linksOf = (parts: Line['links']) =>
    parts.map((part) => [physical(part, linkKind(part.kind).choices), part.entry, part.exit]);
  const branchOf = (branch: Branch): unknown => [
    branch.line,
    branch.at,
    branch.port,
    branch.source && physical(branch.source, sourceKind(branch.source.kind).choices),
    linksOf(branch.links),
    branch.inlet && [branch.device, branch.inlet.kind, branch.inlet.name],
    (branch.branches ?? []).map(branchOf),
  ];
  return JSON.stringify([
    physical(source, sourceKind(source.kind).choices),
    linksOf(links),
    [inlet.device, inlet.inlet],
    (branches ?? []).map(branchOf),
  ]);
}

type Harms = Pick<SheetLine, 'stops' | 'supplyHarms'>;

/**
 * What harms a line: by switch the feeds at which the check says Stop, with every outboard supply of the rig off, and
 * whether its own supply does. A line at Stop whatever feeds it is refused every feed: nobody can tell what more it takes.
 */
function harmsOf(document: RigDocument, judge: Judge): Map<string, Harms> {
  const found = new Map<string, Harms>();
  const quiet = suppliesOff(document);
  for (const device of quiet.devices)
    for (const group of device.groups)
      for (const { feed, lines } of groupFeeds(quiet, device.id, group.id, judge))
        for (const { line, verdict } of lines) {
          if (verdict !== 'Stop' || feed === 'off') continue;
          const own = found.get(line) ?? { stops: {} };
          const key = sheetKey(device.id, group.id);
          found.set(line, { ...own, stops: { ...own.stops, [key]: [...(own.stops[key] ?? []), feed] } });
        }
  for (const { line } of rigPaths(feedsOff(document))) {
    if (!hasSupply(line) || judge(line, schoolsOf(document)).verdict !== 'Stop') continue;
    found.set(line.id, { ...(found.get(line.id) ?? { stops: {} }), supplyHarms: true });
  }
  return found;
}

const feedsOff = (document: RigDocument): RigDocument => ({
  ...document,
  devices: document.devices.map((each) => ({
    ...each,
    groups: each.groups.map((group) => ({ ...group, feed: 'off' })),
  })),
});

/** A rig with every supply of its own on the way switched off: what a switch does is told apart from what a box does. */
function suppliesOff(document: RigDocument): RigDocument {
  const off = <P extends Part>(part: P): P =>
    LINKS.some(({ kind, nature, choices }) => kind === part.kind && nature === 'supply' && 'feed' in choices)
      ? { ...part, choices: { ...part.choices, feed: 'off' } }
      : part;
  return { ...document, lines: document.lines.map((line) => ({ ...line, links: line.links.map(off) })) };
}

function sheetGroup(document: RigDocument, paths: readonly RigPath[], device: Device, group: SwitchGroup): SheetGroup {
  const ids = paths
    .filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet))
    .map(({ line }) => line.id);
  const charged = fedAlone(document, device.id, group);
  const fed = rigPathsOf(charged, ids).map(({ line }) => line);
  const circuits = [...new Map(fed.map((line) => [circuitKey(line), line])).values()];
  const threshold: Volts = Number(schoolsOf(document).chargeLeft);
  const charge = chargeOf(circuits, threshold);
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
    decay: decayWait(school, decaysIn(charge, threshold)),
    settle: settleWait(
      Math.max(0, ...circuits.map((line) => followed(() => switchOn(line, ramp))?.settles ?? 0)),
      group.mutes,
    ),
    charge,
  };
}

/** As it would be with its highest feed on, and every other switch off: nothing of its own holds more charge than that. */
function fedAlone(document: RigDocument, device: string, { id, offers }: SwitchGroup): RigDocument {
  const dark = feedsOff(document);
  const highest = offers.includes('P48') ? 'P48' : offers[0];
  return highest ? setFeed(dark, device, id, highest) : dark;
}

/** What following a circuit found; nothing where it has no single answer: the check says so, and the school's wait stands. */
function followed<T>(follow: () => T): T | undefined {
  try {
    return follow();
  } catch (problem) {
    if (!(problem instanceof CircuitError)) throw problem;
    return undefined;
  }
}

/** Moments at which what is left is kept, in seconds. */
const MOMENTS = [0, 0.1, 0.3, 1, 2, 3, 5, 7, 10, 15, 20, 30, 45, 60, 90, 120, 180, 300, 450, 600];

/** The most that is left on any of several lines, moment by moment, until it is less than the threshold. */
function chargeOf(lines: readonly Line[], threshold: Volts): ChargeLeft[] {
  const courses = lines.flatMap((line) => {
    const course = followed(() => discharge(line, threshold, hasSupply(line) ? 'inlet' : 'source'));
    return course ? [course] : [];
  });
  const longest = Math.max(0, ...courses.map((course) => course.at(-1)!.at));
  const most = (at: Seconds): Volts =>
    Math.max(0, ...courses.map((course) => course.findLast((p) => p.at <= at)!.volts));
  if (courses.length === 0) return [];
  return [...MOMENTS.filter((at) => at < longest), longest].map((at) => ({ at, volts: most(at) }));
}

/** Until all have lost their charge, in seconds; undefined where that takes longer than anybody follows. */
function decaysIn(charge: readonly ChargeLeft[], threshold: Volts): Seconds | undefined {
  const end = charge.at(-1);
  if (!end) return 0;
  return end.volts < threshold ? end.at : undefined;
}

/** What makes a circuit; lines that are alike in it are followed once. */
const circuitKey = ({ source, links, inlet, branches }: Line): string =>
  JSON.stringify(
    [source, ...links, inlet].map(({ kind, figures, choices, faults }) => [kind, figures, choices, faults]),
  ) + JSON.stringify(branches ?? []);
