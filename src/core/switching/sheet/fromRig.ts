import { groupFeeds } from '../../check/feedOptions';
import type { Judge } from '../../check/judging';
import { lineSummary } from '../../check/result';
import { linkKind, sourceKind, type Branch, type Line } from '../../gear';
import { schoolsOf, type Device, type RigDocument, type SwitchGroup } from '../../rig/document';
import { rigPaths, rigPathsOf, type RigPath } from '../../rig/paths';
import { setFeed } from '../../rig/rigEdits';
import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';
import { switchOff, switchOn } from '../feedSteps';
import { decayWait, settleWait, type SheetGroup, type SheetLine, type SheetRig } from './rig';

/** Where things stand that have no place of their own. */
const STAGE = 'stage end';
const DESK = 'desk end';

const keyOf = (device: string, group: string): string => `${device} ${group}`;

/** What a run sheet must know of a rig document; every wait is computed from the circuits. */
export function sheetRig(document: RigDocument, judge: Judge = lineSummary): SheetRig {
  const paths = rigPaths(document);
  const stops = stopsOf(document, judge);
  const groupsOf = new Map(paths.map(({ line, inlet }) => [line.id, groupAt(document, inlet)]));
  return {
    lines: paths.map((path): SheetLine => {
      const { line, source, inlet } = path;
      const device = document.devices.find(({ id }) => id === inlet.device)!;
      const groups = [line.id, ...branchLines(line.branches)].flatMap((id) => groupsOf.get(id) ?? []);
      return {
        id: line.id,
        name: line.name,
        stage: placeOf(document, document.lines.find(({ id }) => id === source)?.location) ?? STAGE,
        desk: placeOf(document, device.location) ?? DESK,
        groups: [...new Set(groups)],
        stops: stops.get(line.id) ?? {},
        supply: hasSupply(line),
      };
    }),
    groups: document.devices.flatMap((device) =>
      device.groups.map((group) => sheetGroup(document, paths, device, group)),
    ),
  };
}

const placeOf = ({ locations }: RigDocument, id: string | undefined): string | undefined =>
  locations?.find((location) => location.id === id)?.name;

/** Every other line that hangs on the same conductors. */
const branchLines = (branches: readonly Branch[] = []): string[] =>
  branches.flatMap(({ line, branches: further }) => [line, ...branchLines(further)]);

const hasSupply = ({ source, links }: Line): boolean =>
  sourceKind(source.kind).kind === 'valve-own-supply' || links.some(({ kind }) => linkKind(kind).nature === 'supply');

function groupAt({ devices }: RigDocument, { device, inlet }: RigPath['inlet']): string[] {
  const group = devices.find(({ id }) => id === device)?.groups.find(({ inlets }) => inlets.includes(inlet));
  return group ? [keyOf(device, group.id)] : [];
}

/** By line and switch: the feeds at which the check says Stop. */
function stopsOf(document: RigDocument, judge: Judge): Map<string, Record<string, FeedName[]>> {
  const found = new Map<string, Record<string, FeedName[]>>();
  for (const device of document.devices)
    for (const group of device.groups)
      for (const { feed, lines } of groupFeeds(document, device.id, group.id, judge))
        for (const { line, verdict, regardless } of lines) {
          // What is Stop with the feed off as well is not the feed's doing.
          if (feed === 'off' || verdict !== 'Stop' || regardless) continue;
          const own = found.get(line) ?? {};
          const key = keyOf(device.id, group.id);
          found.set(line, { ...own, [key]: [...(own[key] ?? []), feed] });
        }
  return found;
}

function sheetGroup(document: RigDocument, paths: readonly RigPath[], device: Device, group: SwitchGroup): SheetGroup {
  const ids = paths
    .filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet))
    .map(({ line }) => line.id);
  // As it would be with its highest feed on: nothing holds more charge than that.
  const highest = group.offers.includes('P48') ? 'P48' : group.offers[0];
  const fed = highest ? rigPathsOf(setFeed(document, device.id, group.id, highest), ids).map(({ line }) => line) : [];
  const ramp = group.ramp?.value;
  const school = schoolsOf(document).afterFeedOff;
  return {
    key: keyOf(device.id, group.id),
    name: `${device.name}, ${group.name}`,
    device: device.id,
    place: placeOf(document, device.location) ?? DESK,
    offers: group.offers,
    latched: group.latched ?? false,
    mutes: group.mutes ?? false,
    decay: decayWait(school, longest(fed, decayOf)),
    settle: settleWait(longest(fed, (line) => switchOn(line, ramp)?.settles ?? 0) ?? 0),
  };
}

/** Until a line has lost its charge, in seconds; without end where that takes longer than anybody follows. */
function decayOf(line: Line): Seconds {
  const off = switchOff(line);
  return off ? (off.decay ?? Infinity) : 0;
}

/** What makes a circuit; lines that are alike in it are followed once. */
const circuitKey = ({ source, links, inlet, branches }: Line): string =>
  JSON.stringify(
    [source, ...links, inlet].map(({ kind, figures, choices, faults }) => [kind, figures, choices, faults]),
  ) + JSON.stringify(branches ?? []);

/** The longest of several times; undefined where one of them has no end. */
function longest(lines: readonly Line[], time: (line: Line) => Seconds): Seconds | undefined {
  const alike = new Map(lines.map((line) => [circuitKey(line), line]));
  const most = Math.max(0, ...[...alike.values()].map(time));
  return Number.isFinite(most) ? most : undefined;
}
