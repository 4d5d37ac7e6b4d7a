import { SEVERITIES, type Finding, rankOf } from '../check/finding';
import type { LineResult } from '../check/result';
import { schoolLabel } from '../schools/schools';
import { rigPathsOf } from '../rig/paths';
import { setFeed } from '../rig/rigEdits';
import { feedLabel, type FeedName } from '../standards/feeds';
import { quantity } from '../units/format';
import { assessed, type Assessment } from './assess';
import { accepted } from './chains/search';
import type { Arranged, Placed } from './assign/decode';
import type { Column, Problem } from './assign/columns';
import { ownPieces } from './asItIs';
import { pieceLabel } from './pieces';
import { siteOf, type Place } from './places';
import type { Task } from './tasks';

/** What reasons are found in: the rig as it is, the plan, and the results of both. */
export interface Sight {
  problem: Problem;
  arranged: Arranged;
  was: ReadonlyMap<string, LineResult>;
  is: ReadonlyMap<string, LineResult>;
}

const worst = (findings: readonly Finding[]): Finding | undefined =>
  SEVERITIES.map((severity) => findings.find((finding) => finding.severity === severity)).find(Boolean);

const switchName = ({ device, group }: Place): string => (group ? `${device.name}, ${group.name}` : device.name);

const feedIn = ({ feeds }: Arranged, { device, group }: Place): FeedName =>
  feeds.find((each) => each.device === device.id && each.group === group?.id)?.feed ?? 'off';

/** Names, and how many more there are. */
export const some = (names: readonly string[], most = 2): string =>
  names.length > most + 1
    ? `${names.slice(0, most).join(', ')} and ${names.length - most} more`
    : names.join(names.length === 2 ? ' and ' : ', ');

/** Why a line is changed: what is wrong with it now, or would be if it stayed as it is while the rest of the plan is carried out. */
export function reasonFor(sight: Sight, placed: Placed): string {
  const { problem: problem, arranged, was } = sight;
  const { task, line } = placed;
  const now = was.get(line.id);
  if (!now) return 'Its circuit has no single answer as it is.';
  const bad = worst(now.findings);
  if (bad && (now.verdict === 'Stop' || now.verdict === 'Silent'))
    return `At present ${now.verdict} (${lower(bad.what)}).`;
  return (
    wished(sight, placed) ??
    lost(sight, placed) ??
    harmed(sight, placed) ??
    scarce(sight, placed) ??
    (now.verdict === 'Watch' && bad && sight.is.get(line.id)?.verdict === 'Clear'
      ? `At present Watch (${lower(bad.what)}).`
      : undefined) ??
    needless(sight, placed) ??
    madeRoom(arranged, task) ??
    passedOn(placed, arranged) ??
    lowerVoltage(problem, arranged, placed) ??
    'The same with fewer or simpler parts.'
  );
}

/** A sentence in the middle of another one; names like P48 and T12 keep their capital. */
const lower = (text: string): string =>
  /^[A-Z](?![A-Z0-9])/.test(text) ? text[0].toLowerCase() + text.slice(1) : text;

/** A link of the line that the kit does not have any more. */
function lost({ problem: problem }: Sight, { task }: Placed): string | undefined {
  const own = ownPieces(task, problem.pieces);
  const gone = task.line.links.find((_, n) => !own[n]);
  return gone && `The kit has no ${pieceLabel(gone)} any more.`;
}

function wished({ problem: { document } }: Sight, { task, inlet, line }: Placed): string | undefined {
  const { wishes } = document;
  const moved = task.now?.device !== inlet.device || task.now.inlet !== inlet.inlet;
  if (!moved) return undefined;
  if (wishes?.pinned?.some((pin) => pin.line === line.id)) return 'You pinned it to this inlet.';
  const barred = wishes?.forbidden?.some(
    ({ line: who, to }) =>
      (who === undefined || who === line.id) && to.device === task.now?.device && to.inlet === task.now.inlet,
  );
  if (barred) return 'You keep it off the inlet that it is on.';
  const pair = wishes?.neighbours?.find((each) => each.includes(line.id));
  const other = pair?.find((id) => id !== line.id);
  const name = document.lines.find(({ id }) => id === other)?.name;
  return name && `Belongs beside ${name}.`;
}

/** What would become of a line, with all that hang on it, where it is and as it is, with the switches of the plan. */
function staying({ problem: problem, arranged }: Sight, { task }: Placed) {
  const { now, line, followers } = task;
  const home =
    now && problem.places.find(({ device, inlets }) => device.id === now.device && inlets.includes(now.inlet));
  if (!home) return undefined;
  const feed = feedIn(arranged, home);
  const at = (other: FeedName): Assessment | undefined => {
    const { device, group } = home;
    const there = { ...arranged.document, devices: problem.document.devices, lines: [line, ...followers] };
    const set = [
      ...arranged.feeds.filter((each) => each.device !== device.id || each.group !== group?.id),
      ...(group ? [{ device: device.id, group: group.id, feed: other }] : []),
    ].reduce((rig, each) => setFeed(rig, each.device, each.group, each.feed), there);
    const paths = rigPathsOf(
      set,
      there.lines.map(({ id }) => id),
    );
    const all = paths.flatMap((path) => assessed(path.line, problem.schools) ?? []);
    return all.toSorted((a, b) => rankOf(a.verdict) - rankOf(b.verdict))[0];
  };
  return { home, feed, at };
}

function harmed(sight: Sight, placed: Placed): string | undefined {
  const stays = staying(sight, placed);
  const then = stays?.at(stays.feed);
  const bad = then && !accepted(then) && worst(then.findings);
  if (!stays || !bad) return undefined;
  const { home, feed } = stays;
  // A switch that is turned for this line alone is no reason for what becomes of it.
  const others = neededBy(sight.arranged, home).filter((name) => name !== placed.line.name);
  if (home.group?.feed !== feed && feed !== 'off' && others.length === 0) return undefined;
  if (!home.group || home.group.feed === feed) return `${bad.what}.`;
  const sake = feed === 'off' ? objecting(sight, home).map(({ name }) => name) : others;
  return `${switchName(home)} goes ${towards(feed)}${sake.length ? ` for ${some(sake)}` : ''}: ${lower(bad.what)}.`;
}

/** Lines of the plan on a place's switch that what it is set to now does not suit, and why. */
function objecting({ problem: problem, arranged }: Sight, { device, group }: Place): { name: string; what: string }[] {
  return arranged.placed
    .filter(({ inlet }) => inlet.device === device.id && group?.inlets.includes(inlet.inlet))
    .flatMap(({ column, line }) => {
      const then = problem.assess(
        column.judged.chain.source,
        line.links,
        siteOf(problem.places[column.place], group!.feed),
      );
      const bad = then && !accepted(then) ? worst(then.findings) : undefined;
      return bad ? [{ name: line.name, what: bad.what }] : [];
    });
}

/** What the lines of a device take of it in a plan, in µA, without one of them. */
const takenOf = ({ placed }: Arranged, device: string, without: Task): number =>
  placed
    .filter(({ task }) => task !== without)
    .flatMap(({ column }) => column.amps)
    .reduce((sum, each) => sum + (each.device === device ? each.micro : 0), 0);

/** That a device cannot give what its lines would take together. @param micro what one of them takes, in µA */
function beyond(arranged: Arranged, { device }: Place, task: Task, micro: number): string | undefined {
  const { name, id, feedLimit } = device;
  if (!feedLimit || micro === 0) return undefined;
  const all = takenOf(arranged, id, task) + micro;
  if (all <= feedLimit.value * 1000) return undefined;
  return `${name} can give ${quantity(feedLimit.value / 1000, 'A')} in all; with this line on it ${quantity(all / 1e6, 'A')} would be taken.`;
}

/** The feed that a line has now is more than its device has left for it. */
function scarce(sight: Sight, placed: Placed): string | undefined {
  const stays = staying(sight, placed);
  const then = stays?.at(stays.feed);
  return stays && then && beyond(sight.arranged, stays.home, placed.task, Math.ceil(then.amps * 1e6));
}

function needless(sight: Sight, placed: Placed): string | undefined {
  const stays = staying(sight, placed);
  if (!stays || stays.feed === 'off') return undefined;
  const off = stays.at('off');
  const needing = neededBy(sight.arranged, stays.home);
  return off && accepted(off) && needing.length
    ? `Needs no feed, and ${switchName(stays.home)} is on for ${some(needing)}.`
    : undefined;
}

const towards = (feed: FeedName): string => (feed === 'off' ? 'off' : `to ${feedLabel(feed)}`);

/** Lines on a place's switch that take its feed. */
const neededBy = ({ placed }: Arranged, { device, group }: Place): string[] =>
  placed
    .filter(({ column, inlet }) => column.needs && inlet.device === device.id && group?.inlets.includes(inlet.inlet))
    .map(({ line }) => line.name);

function madeRoom({ placed }: Arranged, { now, line }: Task): string | undefined {
  const other = placed.find(
    ({ inlet, line: each }) => each.id !== line.id && inlet.device === now?.device && inlet.inlet === now.inlet,
  );
  return other && `Makes room for ${other.line.name}.`;
}

/** A piece that the line has now and another one gets. */
function passedOn({ task, pieces }: Placed, { placed }: Arranged): string | undefined {
  const own = new Set(pieces.map(({ piece }) => piece.key));
  for (const { line, task: other, pieces: theirs } of placed) {
    if (other === task) continue;
    const taken = theirs.find(
      ({ piece }) =>
        !own.has(piece.key) &&
        task.line.links.some((link) => link.name === piece.part.name && link.kind === piece.part.kind) &&
        !other.line.links.some((link) => link.name === piece.part.name && link.kind === piece.part.kind),
    );
    if (taken) return `Its ${taken.piece.label} serves ${line.name}.`;
  }
  return undefined;
}

function lowerVoltage(problem: Problem, arranged: Arranged, { inlet, task }: Placed): string | undefined {
  const { now } = task;
  const place = problem.places.find(({ device, inlets }) => device.id === now?.device && inlets.includes(now.inlet));
  if (!place?.group || problem.voltage.get(place.device.id) !== 'lowest') return undefined;
  const feed = feedIn(arranged, place);
  if (now?.device === inlet.device && place.inlets.includes(inlet.inlet)) return undefined;
  return `${switchName(place)} can go ${towards(feed)} without it, which saves the batteries (school “${schoolLabel('batteryVoltage', problem.schools.batteryVoltage)}”).`;
}

/** Why a switch is turned. */
export function switchReason(sight: Sight, device: string, group: string, to: FeedName): string {
  const { problem, arranged } = sight;
  const place = problem.places.find((each) => each.device.id === device && each.group?.id === group);
  const here = arranged.placed.filter(
    ({ inlet }) => inlet.device === device && place?.group?.inlets.includes(inlet.inlet),
  );
  // All of its inlets are blocked: then it has no place, and nobody of this rig is on it.
  if (!place) return 'No line is on it: its inlets are blocked. Leave it if somebody else uses them.';
  if (here.length === 0) return 'No line is on it.';
  const before = place.group!.feed;
  const against = objecting(sight, place);
  if (against.length) {
    const more = against.length > 1 ? `, and ${against.length - 1} more object` : '';
    const under = before === 'off' ? 'with it off' : `at ${feedLabel(before)}`;
    return `${against[0].name} ${under}: ${lower(against[0].what)}${more}.`;
  }
  if (to === 'off') return 'No line on it needs a feed.';
  const school = `school “${schoolLabel('batteryVoltage', problem.schools.batteryVoltage)}”`;
  if (problem.voltage.has(device)) return `Every line on it accepts ${feedLabel(to)} (${school}).`;
  return `${some(here.filter(({ column }) => column.needs).map(({ line }) => line.name))} ${feedLabel(before) === 'off' ? 'need it' : 'do better with it'}.`;
}

/** Why a line has no place. */
export function leftOutReason({ was, problem, arranged }: Sight, { line }: Task, columns: readonly Column[]): string {
  const n = problem.tasks.findIndex((task) => task.line.id === line.id);
  const now = was.get(line.id);
  const bad = now && worst(now.findings);
  const ways = columns.filter(({ task }) => task === n);
  if (ways.length === 0)
    return `Nothing in the kit makes it work${bad && now.verdict !== 'Clear' ? `: ${lower(bad.what)}` : ''}.`;
  // Where an inlet is free, and its switch as it should be, it is the current that is missing.
  const free = ways.filter(({ place: at, feed }) => {
    const place = problem.places[at];
    const there = arranged.placed.filter(
      ({ inlet }) => inlet.device === place.device.id && place.inlets.includes(inlet.inlet),
    );
    return there.length < place.inlets.length && feedIn(arranged, place) === feed;
  });
  const short = free.map(({ place, amps }) => {
    const { device } = problem.places[place];
    const micro = amps.reduce((sum, each) => sum + (each.device === device.id ? each.micro : 0), 0);
    return beyond(arranged, problem.places[place], problem.tasks[n], micro);
  });
  return short.length && short.every((told) => told !== undefined)
    ? short[0]
    : 'Every suitable inlet is taken, or its switch is needed at another setting.';
}
