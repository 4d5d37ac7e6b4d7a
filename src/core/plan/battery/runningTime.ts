import { solvedOrNot, type Judge } from '../../rigcheck/judging';
import { lineSummary, type LineResult } from '../../check/result';
import { schoolLabel } from '../../schools/schools';
import { schoolsOf, type Device, type RigDocument, type SwitchGroup } from '../../rig/document';
import { rigPathsOf } from '../../rig/paths';
import { removeLine } from '../../rig/removal';
import { setFeed } from '../../rig/rigEdits';
import { linesOn } from '../../rigcheck/feedOptions';
import { feedLabel, FEEDS, isPhantom, type FeedName, type PhantomName, PHANTOMS, USUAL } from '../../standards/feeds';
import type { Volts, Watts } from '../../units';
import { dayOnCells } from './day';
import { capacityOf, energyOf, hoursOf, loadOf, type Energy } from './cells';

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
  /** `capacity`: part of the stated charge that there is at this load. */
  now: { watts: Watts; hours: number; capacity: number };
  options: VoltageOption[];
  /** Without a feed where no voltage is accepted by every line. */
  recommended?: { feed?: PhantomName; why: string };
  /** Where one set does not last: how many the day takes, and after how many hours each is changed. */
  sets?: { count: number; changes: number[] };
  /** What stops the cells before they are empty. */
  warnings: string[];
  gains: Gain[];
  /** How long one set has to last, and what has to be left then, in hours. */
  wanted?: number;
  reserve: number;
}

const good = ({ verdict }: LineResult) => verdict === 'Clear' || verdict === 'Watch';
/** What a line has at a voltage that it does not accept, though it may work: too little, or more drawn than the feed gives. */
const MARGINAL = new Set(['underpowered', 'unpowered', 'feed-overload']);

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
    now: { watts: present, hours: hoursOf(energy, present), capacity: capacityOf(energy, present) },
    options,
    ...recommendation(options, school, wanted, reserve),
    warnings: warningsOf(device.name, energy, present, options),
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

/** Changes that are told one by one. */
const MOST_CHANGES = 4;

/** Which voltage to set; never one that a line does not accept. @param wanted hours that one set should last */
function recommendation(
  options: readonly VoltageOption[],
  school: string,
  wanted: number | undefined,
  reserve: number,
): Pick<RunningTime, 'recommended' | 'sets'> {
  if (options.length === 0) return {};
  const label = `school “${schoolLabel('batteryVoltage', school)}”`;
  const needed = wanted === undefined ? undefined : wanted + reserve;
  const accepted = options.filter(({ accepted: all }) => all);
  const usual = options.find(({ feed }) => feed === USUAL) ?? options[0];
  const [highest, lowest] = [accepted.find((option) => option === usual) ?? accepted[0], accepted.at(-1)];
  if (!highest || !lowest) {
    const { feed, groups } = usual;
    const who = groups.flatMap(({ objecting }) => objecting.map(({ name }) => name));
    return {
      recommended: {
        why: `no voltage of this device is accepted by every line on it; at ${feedLabel(feed)} not by ${who.join(', ') || 'all'}`,
      },
    };
  }
  const below =
    highest !== usual
      ? `; ${feedLabel(usual.feed)} is not accepted by every line`
      : usual.feed !== USUAL
        ? `; this device has no ${feedLabel(USUAL)}`
        : '';
  const chosen = (option: VoltageOption, why: string): Pick<RunningTime, 'recommended' | 'sets'> => {
    if (wanted === undefined || needed === undefined || option.hours >= needed)
      return { recommended: { feed: option.feed, why } };
    const { sets, changes } = dayOnCells(option.hours, wanted, reserve);
    const best = Math.max(...accepted.map((each) => each.hours));
    const none = best < needed ? `; no voltage reaches ${hours(needed)}` : '';
    return {
      recommended: {
        feed: option.feed,
        why: `${why}${none}: ${sets} sets, changed after ${changes.slice(0, MOST_CHANGES).map(hours).join(', ')}${changes.length > MOST_CHANGES ? ` and so on, every ${hours(changes[0])}` : ''}`,
      },
      sets: { count: sets, changes },
    };
  };
  if (school === 'always-48') return chosen(highest, `${label}${below}`);
  if (school === 'lowest-stated')
    return chosen(lowest, lowest === usual ? `${label}; some line accepts nothing less` : label);
  if (needed === undefined) return chosen(highest, `${label}${below}; no target battery life set`);
  if (highest.hours >= needed)
    return chosen(highest, `${label}${below}; ${hours(highest.hours)} are enough for ${hours(needed)}`);
  const longEnough = accepted.find((option) => option.hours >= needed) ?? lowest;
  const short = `${label}; ${hours(highest.hours)} at ${feedLabel(highest.feed)} are not enough for ${hours(needed)}`;
  return chosen(longEnough, longEnough === highest ? `${short}, but not every line accepts less` : short);
}

/** What ends a day before the cells are empty. */
function warningsOf(name: string, energy: Energy, watts: Watts, options: readonly VoltageOption[]): string[] {
  const least = loadOf(energy, Math.min(watts, ...options.map((each) => each.watts)));
  return energy.shutsOff !== undefined && least < energy.shutsOff
    ? [
        `A power bank that shuts off below ${energy.shutsOff.toFixed(2)} W may do so: ${name} takes ${least.toFixed(2)} W at the least. Use one that stays on, or a load beside it.`,
      ]
    : [];
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
