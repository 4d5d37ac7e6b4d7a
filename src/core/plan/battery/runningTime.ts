import { solvedOrNot, type Judge } from '../../check/judging';
import { lineSummary, type LineResult } from '../../check/result';
import { schoolLabel } from '../../check/schools';
import { schoolsOf, type Device, type RigDocument, type SwitchGroup } from '../../rig/document';
import { rigPathsOf } from '../../rig/paths';
import { removeLine } from '../../rig/removal';
import { setFeed } from '../../rig/rigEdits';
import { linesOn } from '../../check/feedOptions';
import { FEEDS, isPhantom, type FeedName, type PhantomName } from '../../standards/feeds';
import type { Volts, Watts } from '../../units';
import { energyOf, hoursOf, type Energy } from './cells';

/** One switch of a device at one phantom voltage. */
export interface GroupAtVoltage {
  group: string;
  name: string;
  /** Every line on it works at this voltage. */
  accepts: boolean;
  /** Lines that do not, with the reason. */
  objecting: { line: string; name: string; what: string }[];
  /** What the feed gives. */
  watts: Watts;
}

/** A device on batteries with every switch that is on at one phantom voltage, or at the lowest above it that its lines accept. */
export interface VoltageOption {
  feed: PhantomName;
  volts: Volts;
  groups: GroupAtVoltage[];
  accepted: boolean;
  /** Where each switch then stands. */
  settings: { group: string; feed: FeedName }[];
  watts: Watts;
  hours: number;
}

/** What one line keeps a device from. */
export interface Gain {
  line: string;
  name: string;
  group: string;
  groupName: string;
  from: PhantomName;
  to: PhantomName;
  /** How much longer one set of cells lasts with that line elsewhere. */
  hours: number;
}

export interface RunningTime {
  device: string;
  name: string;
  energy: Energy;
  now: { watts: Watts; hours: number };
  options: VoltageOption[];
  recommended?: { feed: PhantomName; why: string };
  gains: Gain[];
  /** How long one set has to last, and what has to be left then, in hours. */
  wanted?: number;
  reserve: number;
}

/** Highest first. */
const PHANTOMS: PhantomName[] = ['P48', 'P24', 'P12'];

const good = ({ verdict }: LineResult) => verdict === 'Clear' || verdict === 'Watch';
/** A feed that is only put up with by a line that works without it does not count as needed. */
const MARGINAL = new Set(['underpowered', 'unpowered']);

/** Every device of a rig that runs on cells: how long, at which phantom voltage, and which line keeps it from longer. */
export function runningTimes(document: RigDocument, judge: Judge = lineSummary): RunningTime[] {
  return document.devices.flatMap((device) => (device.batteries ? [runningTime(document, device, judge)] : []));
}

function runningTime(document: RigDocument, device: Device, judge: Judge): RunningTime {
  const energy = energyOf(device.batteries!);
  const school = schoolsOf(document).batteryVoltage;
  const at = (group: SwitchGroup, feed: FeedName) => groupAt(document, device, group, feed, judge);
  const phantom = device.groups.filter(({ feed }) => isPhantom(feed));
  const others = device.groups.filter((group) => !phantom.includes(group) && group.feed !== 'off');
  const standing = others.reduce((sum, group) => sum + at(group, group.feed).watts, 0);
  const present = phantom.reduce((sum, group) => sum + at(group, group.feed).watts, standing);
  const table = new Map(
    phantom.map((group) => [
      group.id,
      new Map(PHANTOMS.filter((feed) => group.offers.includes(feed)).map((feed) => [feed, at(group, feed)])),
    ]),
  );
  const offered = PHANTOMS.filter((feed) => phantom.some(({ offers }) => offers.includes(feed)));
  const options = offered.map((feed): VoltageOption => {
    const settings = phantom.map((group) => ({ group: group.id, feed: lowestFrom(table.get(group.id)!, feed) }));
    const watts = settings.reduce(
      (sum, { group, feed: set }) => sum + (table.get(group)!.get(set as PhantomName)?.watts ?? 0),
      standing,
    );
    const groups = phantom.flatMap((group) => table.get(group.id)!.get(feed) ?? []);
    return {
      feed,
      volts: FEEDS[feed].volts,
      groups,
      accepted: groups.every(({ accepts }) => accepts),
      settings,
      watts,
      hours: hoursOf(energy, watts),
    };
  });
  const wanted = device.batteries!.hours?.value;
  const reserve = device.batteries!.reserve?.value ?? 0;
  return {
    device: device.id,
    name: device.name,
    energy,
    now: { watts: present, hours: hoursOf(energy, present) },
    options,
    recommended: recommendation(options, school, wanted === undefined ? undefined : wanted + reserve),
    gains: gainsOf(document, device, options, energy, judge),
    ...(wanted !== undefined && { wanted }),
    reserve,
  };
}

/** The lowest voltage, from one on upwards, that everybody on a switch accepts; the highest there is where none is. */
function lowestFrom(at: ReadonlyMap<PhantomName, GroupAtVoltage>, feed: PhantomName): FeedName {
  const upwards = PHANTOMS.slice(0, PHANTOMS.indexOf(feed) + 1).toReversed();
  return upwards.find((each) => at.get(each)?.accepts) ?? [...at.keys()][0] ?? 'off';
}

function groupAt(
  document: RigDocument,
  device: Device,
  group: SwitchGroup,
  feed: FeedName,
  judge: Judge,
): GroupAtVoltage {
  const turned = setFeed(document, device.id, group.id, feed);
  const paths = rigPathsOf(turned, linesOn(document, device.id, group));
  const { lines, unsolved } = solvedOrNot(paths, schoolsOf(document), judge);
  const volts = feed === 'off' ? 0 : FEEDS[feed].volts;
  const byInlet = new Map<string, number>();
  for (const line of lines) {
    const inlet = paths.find((path) => path.line.id === line.id)!.inlet.inlet;
    const amps = line.readings.feeds.find(({ part }) => part === 'inlet')?.amps ?? 0;
    byInlet.set(inlet, Math.max(byInlet.get(inlet) ?? 0, amps));
  }
  const objecting = [
    // A line that is marginal only for want of voltage does not state this one.
    ...lines
      .filter((line) => !good(line) || line.findings.some(({ code }) => MARGINAL.has(code)))
      .map((line) => ({
        line: line.id,
        name: line.name,
        what: (line.findings.find(({ code }) => MARGINAL.has(code)) ?? line.findings[0]).what,
      })),
    ...unsolved.map(({ id, name, message }) => ({ line: id, name, what: message })),
  ];
  return {
    group: group.id,
    name: group.name,
    accepts: objecting.length === 0,
    objecting,
    watts: volts * [...byInlet.values()].reduce((sum, amps) => sum + amps, 0),
  };
}

function recommendation(
  options: readonly VoltageOption[],
  school: string,
  needed: number | undefined,
): RunningTime['recommended'] {
  const full = options.find(({ feed }) => feed === 'P48') ?? options[0];
  if (!full) return undefined;
  const label = `school “${schoolLabel('batteryVoltage', school)}”`;
  const accepted = options.filter(({ accepted: all }) => all);
  const lowest = accepted.at(-1);
  if (school === 'always-48') return { feed: full.feed, why: label };
  if (school === 'lowest-stated')
    return lowest
      ? { feed: lowest.feed, why: label }
      : { feed: full.feed, why: `${label}; some line accepts nothing less` };
  if (needed === undefined)
    return { feed: full.feed, why: `${label}; nobody has said how long the cells have to last` };
  if (full.hours >= needed)
    return { feed: full.feed, why: `${label}; ${hours(full.hours)} are enough for ${hours(needed)}` };
  const longEnough = accepted.find((option) => option.hours >= needed) ?? lowest ?? full;
  const short = `${label}; ${hours(full.hours)} at 48 V are not enough for ${hours(needed)}`;
  return longEnough === full
    ? { feed: full.feed, why: `${short}, but not every line states less` }
    : { feed: longEnough.feed, why: short };
}

export const hours = (value: number): string => {
  const minutes = Math.round(value * 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
};

/** For each switch that one single line keeps from a lower voltage: how much longer the cells would last without it there. */
function gainsOf(
  document: RigDocument,
  device: Device,
  options: readonly VoltageOption[],
  energy: Energy,
  judge: Judge,
): Gain[] {
  return device.groups.flatMap((group): Gain[] => {
    const from = group.feed;
    if (!isPhantom(from)) return [];
    const lower = options.filter(({ volts }) => volts < FEEDS[from].volts).toReversed();
    for (const option of lower) {
      const here = option.groups.find((each) => each.group === group.id);
      if (!here || here.objecting.length !== 1) continue;
      const [{ line, name }] = here.objecting;
      if (linesOn(document, device.id, group).length < 2) continue;
      const without = removeLine(document, line);
      const now = sumOf(document, device, judge);
      const then = sumOf(setFeed(without, device.id, group.id, option.feed), device, judge);
      const gained = hoursOf(energy, then) - hoursOf(energy, now);
      return [
        {
          line,
          name,
          group: group.id,
          groupName: group.name,
          from: from as PhantomName,
          to: option.feed,
          hours: gained,
        },
      ];
    }
    return [];
  });
}

/** What all feeds of a device give together. */
const sumOf = (document: RigDocument, device: Device, judge: Judge): Watts => {
  const own = document.devices.find(({ id }) => id === device.id)!;
  return own.groups.reduce((sum, group) => sum + groupAt(document, own, group, group.feed, judge).watts, 0);
};
