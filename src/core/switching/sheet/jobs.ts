import type { FeedName } from '../../standards/feeds';
import { harmedBySupply, harming } from './invariants';
import { joined, lineOf, type SheetGroup, type SheetLine, type SheetRig } from './rig';
import type { Wanted } from './sequence';
import { live, type Action, type SheetState } from './state';
import type { Job } from './tour';

/** Things of one kind that are done at one place. */
export interface SheetJob extends Job {
  kind: Kind;
  actions: Action[];
}

const KINDS = [
  'harm off',
  'harm mains',
  'harm pull',
  'monitors down',
  'mute',
  'feed off',
  'supply off',
  'unplug',
  'plug',
  'mains off',
  'mains on',
  'supply on',
  'feed on',
  'open',
  'hush',
  'monitors open',
] as const;
type Kind = (typeof KINDS)[number];

/** What ends harm that is running. */
const ENDING: readonly Kind[] = ['harm off', 'harm mains', 'harm pull'];
/** What has to be done before anything else is. */
const QUIETENING: readonly Kind[] = ['monitors down', 'mute', 'feed off', 'supply off'];

/**
 * What leads from a state to a wanted one, each kind of thing at each place a job of its own, with what comes before what.
 * Harm that is running ends before everything. Beyond the invariants it keeps to four rules (common practice): everything is quiet and off before the first plug
 * moves, so that the long wait is shared; feeds come on when everything is plugged, everywhere; an inlet is opened when
 * its line is through and fed; monitors are opened last.
 */
export function jobsOf(rig: SheetRig, present: SheetState, wanted: Wanted): { jobs: SheetJob[]; disturbed: string[] } {
  const feedFor = ({ key }: SheetGroup): FeedName => wanted.feeds[key] ?? 'off';
  const isStuck = (key: string): boolean => wanted.stuck?.has(key) ?? false;
  const stuckLive = (key: string): boolean => isStuck(key) && live(present, key);
  // What hangs on a switch that cannot be turned off is not plugged.
  const handled = rig.lines.filter(
    ({ id, groups, hotPlugs }) => !wanted.left?.has(id) && (hotPlugs || !groups.some(stuckLive)),
  );
  // What could not be plugged at its source does not hang live at its inlet.
  const loose = rig.lines.filter(
    ({ id, groups }) =>
      wanted.left?.has(id) &&
      present.ends[id].stage === false &&
      present.ends[id].desk !== false &&
      !wanted.fixed?.has(`${id} desk`) &&
      (present.supplies[id]?.on ?? false) === false &&
      !groups.some(stuckLive),
  );
  const leaving = [...handled.filter((line) => isIn(present, line) && !stays(wanted, line)), ...loose];
  const coming = handled.filter(
    (line) => wanted.plugged.has(line.id) && (leaving.includes(line) || !isThrough(present, line)),
  );
  const opened = rig.lines.filter(
    (line) =>
      wanted.open.has(line.id) &&
      // What nobody knows of and nobody can make known is not opened.
      !(present.supplies[line.id]?.on === 'unknown' && !handled.includes(line)) &&
      !line.groups.some((key) => isStuck(key) && present.feeds[key].feed === 'unknown'),
  );
  /** Switches that must be off for a while: lines on them are plugged, or they would come on with the mains. */
  const resting = new Set([
    ...[...leaving, ...coming].flatMap(({ groups, hotPlugs }) => (hotPlugs ? [] : groups)),
    ...rig.groups.filter(({ device, latched }) => latched && present.mains[device] !== true).map(({ key }) => key),
  ]);
  const turned = rig.groups.filter(
    (group) =>
      !isStuck(group.key) &&
      (present.feeds[group.key].feed !== feedFor(group) || (resting.has(group.key) && live(present, group.key))),
  );
  const supplied = handled.filter(
    (line) =>
      present.supplies[line.id] &&
      (leaving.includes(line) || coming.includes(line) || suits(wanted, line) !== present.supplies[line.id].on),
  );
  const cut = rig.devices.filter(({ id }) => wanted.unpowered?.has(id) && present.mains[id] !== false);
  const keys = new Set([
    ...turned.map(({ key }) => key),
    ...rig.groups
      .filter(({ device, key }) => live(present, key) && cut.some(({ id }) => id === device))
      .map((g) => g.key),
  ]);
  const banged = rig.lines.filter((line) => line.groups.some((key) => keys.has(key)) || supplied.includes(line));
  const touched = [...banged, ...leaving, ...coming];
  const quiet = rig.lines.filter((line) => joined(rig, line).some((each) => touched.includes(each)));
  const muted = quiet.filter(({ id }) => present.muted[id] !== true);
  const toOpen = opened.filter((line) => muted.includes(line) || present.muted[line.id] !== false);
  const off = turned.filter(
    (group) => live(present, group.key) && (resting.has(group.key) || feedFor(group) === 'off'),
  );
  const on = rig.groups.filter(
    (group) =>
      !isStuck(group.key) &&
      feedFor(group) !== 'off' &&
      (off.includes(group) || present.feeds[group.key].feed !== feedFor(group)),
  );
  const needed = rig.devices.filter(
    ({ id }) =>
      !wanted.unpowered?.has(id) &&
      present.mains[id] !== true &&
      !rig.groups.some((group) => group.device === id && group.latched && stuckLive(group.key)) &&
      (on.some(({ device }) => device === id) ||
        rig.groups.some((group) => group.device === id && feedFor(group) !== 'off') ||
        opened.some(({ device }) => device === id)),
  );
  const control = placeOfMost(rig);
  const goDown =
    present.monitors !== 'down' && [banged, turned, needed, cut].some((list: readonly unknown[]) => list.length > 0);
  const goUp = opened.length > 0 && (goDown || present.monitors !== 'open');
  /** Inlets that the monitors would hear although nobody wants them open. */
  const hushed = goUp
    ? rig.lines.filter((line) => !opened.includes(line) && present.muted[line.id] !== true && !muted.includes(line))
    : [];

  const made: { kind: Kind; place: string; actions: Action[] }[] = [];
  const add = (kind: Kind, place: string, action: Action) => {
    const own = made.find((job) => job.kind === kind && job.place === place);
    if (own) own.actions.push(action);
    else made.push({ kind, place, actions: [action] });
  };
  const ends = (kind: 'unplug' | 'plug', lines: readonly SheetLine[], done: boolean) => {
    for (const end of ['stage', 'desk'] as const)
      for (const line of lines) {
        const out = leaving.includes(line) && kind === 'plug';
        if (out || present.ends[line.id][end] !== done) add(kind, line[end], { do: kind, line: line.id, end });
      }
  };

  const ended = new Set<string>();
  for (const { key, place, device } of rig.groups) {
    const harmed = harming(rig, present, key);
    if (harmed.length === 0) continue;
    const ending = isStuck(key) ? wanted.ending?.[key] : undefined;
    if (!isStuck(key)) add('harm off', place, { do: 'feed', group: key, to: 'off' });
    else if (ending === 'mains') {
      const where = rig.devices.find(({ id }) => id === device)!.place;
      add('harm mains', where, { do: 'mains', device, on: false });
    } else if (ending === 'pull')
      for (const { id, stage } of harmed) add('harm pull', stage, { do: 'unplug', line: id, end: 'stage' });
    ended.add(key);
  }
  for (const { id, stage } of harmedBySupply(rig, present)) {
    const ending = wanted.ending?.[id];
    if (!ending) add('harm off', stage, { do: 'supply', line: id, on: false });
    else if (ending === 'pull') add('harm pull', stage, { do: 'unplug', line: id, end: 'stage' });
    ended.add(id);
  }
  if (goDown) add('monitors down', control, { do: 'monitors', to: 'down' });
  for (const [place, lines] of byDesk(muted)) add('mute', place, { do: 'mute', lines: lines.map(({ id }) => id) });
  for (const { key, place } of off) if (!ended.has(key)) add('feed off', place, { do: 'feed', group: key, to: 'off' });
  for (const { id, stage } of supplied)
    if (present.supplies[id].on !== false && !ended.has(id))
      add('supply off', stage, { do: 'supply', line: id, on: false });
  ends('unplug', leaving, false);
  ends('plug', coming, true);
  for (const { id, place } of cut)
    if (
      !made.some(
        ({ kind, actions }) => kind === 'harm mains' && actions.some((a) => a.do === 'mains' && a.device === id),
      )
    )
      add('mains off', place, { do: 'mains', device: id, on: false });
  for (const { id, place } of needed) add('mains on', place, { do: 'mains', device: id, on: true });
  for (const line of supplied)
    if (suits(wanted, line)) add('supply on', line.stage, { do: 'supply', line: line.id, on: true });
  for (const group of on) add('feed on', group.place, { do: 'feed', group: group.key, to: feedFor(group) });
  for (const [place, lines] of byDesk(toOpen)) add('open', place, { do: 'open', lines: lines.map(({ id }) => id) });
  for (const [place, lines] of byDesk(hushed)) add('hush', place, { do: 'mute', lines: lines.map(({ id }) => id) });
  if (goUp) add('monitors open', control, { do: 'monitors', to: 'open' });

  return {
    jobs: made.map((job) => ({
      ...job,
      after: made.flatMap((other, n) => (other !== job && precedes(rig, other, job) ? [n] : [])),
    })),
    disturbed: rig.lines
      .filter((line) => isIn(present, line) && stays(wanted, line) && line.groups.some((key) => keys.has(key)))
      .map(({ id }) => id),
  };
}

/** Whether one job has to be done before another. */
function precedes(rig: SheetRig, a: Omit<SheetJob, 'after'>, b: Omit<SheetJob, 'after'>): boolean {
  const [first, second] = [a.kind, b.kind];
  if (KINDS.indexOf(first) >= KINDS.indexOf(second)) return false;
  if (ENDING.includes(first)) return true;
  if (QUIETENING.includes(first)) {
    if (!QUIETENING.includes(second)) return true;
    // What is muted or turned down before something goes off.
    return (second === 'feed off' || second === 'supply off') && (first === 'monitors down' || first === 'mute');
  }
  if (second === 'monitors open') return true;
  switch (first) {
    case 'unplug':
      // Each end is exchanged by itself: what comes out at one place need not wait for the other, but for what was
      // plugged before its line changed on paper.
      return second === 'plug'
        ? a.place === b.place || formerOf(rig, a.actions, b.actions)
        : second === 'feed on' || shareLine(a.actions, b.actions);
    case 'plug':
      return second === 'feed on' || shareLine(a.actions, b.actions);
    case 'mains on':
      return second === 'feed on' || second === 'open';
    case 'supply on':
      return second === 'open' && shareLine(a.actions, b.actions);
    case 'feed on':
      return second === 'open' && reaches(rig, a.actions, b.actions);
    default:
      return false;
  }
}

const linesOf = (actions: readonly Action[]): string[] =>
  actions.flatMap((action) => ('lines' in action ? action.lines : 'line' in action ? [action.line] : []));

const shareLine = (a: readonly Action[], b: readonly Action[]): boolean => {
  const lines = linesOf(b);
  return linesOf(a).some((id) => lines.includes(id));
};

/** Whether some lines are what others were before the paper changed. */
const formerOf = (rig: SheetRig, former: readonly Action[], now: readonly Action[]): boolean => {
  const were = linesOf(former).flatMap((id) => lineOf(rig, id).was ?? []);
  return linesOf(now).some((id) => were.includes(id));
};

/** Whether switches reach any of the lines that others speak of. */
const reaches = (rig: SheetRig, switches: readonly Action[], others: readonly Action[]): boolean => {
  const lines = linesOf(others);
  const keys = switches.flatMap((action) => (action.do === 'feed' ? [action.group] : []));
  return rig.lines.some(({ id, groups }) => lines.includes(id) && groups.some((key) => keys.includes(key)));
};

function byDesk(lines: readonly SheetLine[]): Map<string, SheetLine[]> {
  const found = new Map<string, SheetLine[]>();
  for (const line of lines) found.set(line.mixedAt, [...(found.get(line.mixedAt) ?? []), line]);
  return found;
}

/** Where most inlets are: there the monitors are turned up and down. */
function placeOfMost({ lines, groups }: SheetRig): string {
  const desks = lines.length ? lines.map(({ mixedAt }) => mixedAt) : groups.map(({ place }) => place);
  const count = (place: string) => desks.filter((each) => each === place).length;
  return desks.reduce((best, place) => (count(place) > count(best) ? place : best), desks[0]);
}

/** Whether a line's own supply is wanted on: it is plugged through in the end. */
const suits = ({ plugged }: Wanted, { id, supply, supplyHarms }: SheetLine): boolean =>
  supply && !supplyHarms && plugged.has(id);
const isIn = ({ ends }: SheetState, { id }: SheetLine): boolean => ends[id].stage !== false || ends[id].desk !== false;
const isThrough = ({ ends }: SheetState, { id }: SheetLine): boolean =>
  ends[id].stage === true && ends[id].desk === true;
const stays = ({ plugged, exchanged }: Wanted, { id }: SheetLine): boolean => plugged.has(id) && !exchanged?.has(id);
