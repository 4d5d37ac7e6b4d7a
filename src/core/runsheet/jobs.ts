import type { FeedName } from '../standards/feeds';
import { harmedBySupply, harming } from './invariants';
import {
  endsOf,
  groupOf,
  inletOf,
  joined,
  monitorsOf,
  onInletsOf,
  sourceEnd,
  type End,
  type SheetGroup,
  type SheetLine,
  type SheetRig,
} from './rig';
import type { Wanted } from './wanted';
import { precedes, type Kind, type Made, type SheetJob } from './precedence';
import { partsOf, powersOf } from './powers';
import { live, type SheetState } from './state';
import type { Action } from './actions';

const ENDS: readonly End[] = ['stage', 'desk'];

/**
 * What leads from a state to a wanted one, each kind of thing at each place a job of its own, with what comes before what.
 * Harm that is running ends before everything. Beyond the invariants it keeps to these rules (common practice): what
 * needs power has it before its mutes and switches are looked at; everything is quiet and off before the first plug
 * moves, so that the long wait is shared; feeds come on when everything is plugged, everywhere; an inlet is opened when
 * its line is through and fed; monitors are opened last. Where the fewest walks are wanted, devices that have no line in
 * common do not wait for each other.
 */
export function jobsOf(rig: SheetRig, present: SheetState, wanted: Wanted): { jobs: SheetJob[]; disturbed: string[] } {
  const feedFor = ({ key }: SheetGroup): FeedName => wanted.feeds[key] ?? 'off';
  const isStuck = (key: string): boolean => wanted.stuck?.has(key) ?? false;
  const stuckLive = (key: string): boolean => isStuck(key) && live(rig, present, key);
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
  const openable = rig.lines.filter(
    (line) =>
      wanted.open.has(line.id) &&
      // What nobody knows of and nobody can make known is not opened.
      !(present.supplies[line.id]?.on === 'unknown' && !handled.includes(line)) &&
      !line.groups.some((key) => isStuck(key) && present.feeds[key].feed === 'unknown'),
  );
  const outOf = (line: SheetLine): readonly End[] =>
    !isIn(present, line) ? [] : !wanted.plugged.has(line.id) ? endsOf(line) : exchangedEnds(wanted, line);
  const powers = powersOf(rig, present, wanted, { handled, opened: openable, outOf });
  const powered = (device: string): boolean => present.mains[device] === true || powers.on.has(device);
  const opened = openable.filter(({ device }) => powered(device));
  /** Ends that come out, by line. */
  const leaving = new Map<SheetLine, readonly End[]>();
  for (const line of handled) if (outOf(line).length) leaving.set(line, outOf(line));
  for (const line of loose) leaving.set(line, endsOf(line));
  for (const line of powers.risky) if (handled.includes(line) && !leaving.has(line)) leaving.set(line, ['desk']);
  const coming = handled.filter(
    (line) =>
      wanted.plugged.has(line.id) &&
      (leaving.has(line) || !isThrough(present, line)) &&
      // Nothing goes into a bank that nobody will have looked at.
      line.groups.every(
        (key) => present.feeds[key].feed !== 'unknown' || (powered(groupOf(rig, key).device) && !isStuck(key)),
      ),
  );
  /** Switches that must be off for a while: lines on them are plugged, or they would come on with the mains. */
  const resting = new Set([
    ...[...leaving.keys(), ...coming].flatMap(({ groups, hotPlugs }) => (hotPlugs ? [] : groups)),
    ...rig.groups.filter(({ device, latched }) => latched && present.mains[device] !== true).map(({ key }) => key),
  ]);
  /** What a switch is set to when plugs have been pulled: one that is not latched goes off with its power. */
  const feedThen = ({ key, device, latched }: SheetGroup) =>
    powers.cut.has(device) && !latched ? 'off' : present.feeds[key].feed;
  const turned = rig.groups.filter((group) => {
    const feed = feedThen(group);
    return (
      !isStuck(group.key) &&
      powered(group.device) &&
      (feed !== feedFor(group) || (resting.has(group.key) && feed !== 'off'))
    );
  });
  const supplied = handled.filter(
    (line) =>
      present.supplies[line.id] &&
      (leaving.has(line) || coming.includes(line) || suits(wanted, line) !== present.supplies[line.id].on),
  );
  const cut = rig.devices.filter(
    ({ id }) => wanted.unpowered?.has(id) && present.mains[id] !== false && !powers.cut.has(id),
  );
  const keys = new Set([
    ...turned.map(({ key }) => key),
    ...rig.groups
      .filter(
        ({ device, key }) => live(rig, present, key) && (powers.cut.has(device) || cut.some(({ id }) => id === device)),
      )
      .map((g) => g.key),
  ]);
  const banged = rig.lines.filter((line) => line.groups.some((key) => keys.has(key)) || supplied.includes(line));
  const touched = [...banged, ...leaving.keys(), ...coming];
  const quiet = rig.lines.filter((line) => joined(rig, line).some((each) => touched.includes(each)));
  // A device that stays without power has nothing that could be muted.
  const muted = quiet.filter(
    ({ id, device }) => present.muted[id] !== true && (present.mains[device] !== false || powered(device)),
  );
  const toOpen = opened.filter((line) => muted.includes(line) || present.muted[line.id] !== false);
  const off = turned.filter(
    (group) => feedThen(group) !== 'off' && (resting.has(group.key) || feedFor(group) === 'off'),
  );
  const on = rig.groups.filter(
    (group) =>
      !isStuck(group.key) &&
      powered(group.device) &&
      !wanted.unpowered?.has(group.device) &&
      feedFor(group) !== 'off' &&
      (off.includes(group) || feedThen(group) !== feedFor(group)),
  );
  /** Devices in which something may thump. */
  const stirred = new Set([
    ...banged.map(({ device }) => device),
    ...turned.map(({ device }) => device),
    ...powers.on,
    ...powers.cut,
    ...cut.map(({ id }) => id),
  ]);
  const goDown = monitorsOf(rig).filter(
    ({ id, devices }) => present.monitors[id] !== 'down' && devices.some((device) => stirred.has(device)),
  );
  const goUp = monitorsOf(rig).filter(
    (each) =>
      opened.some(({ device }) => each.devices.includes(device)) &&
      (goDown.includes(each) || present.monitors[each.id] !== 'open'),
  );
  const heard = onInletsOf(rig, ids(opened));
  /** Inlets that the monitors would hear although nobody wants them open. */
  const hushed = rig.lines.filter(
    (line) =>
      goUp.some(({ devices }) => devices.includes(line.device)) &&
      !heard.includes(line) &&
      present.muted[line.id] !== true &&
      !muted.includes(line) &&
      (present.mains[line.device] !== false || powered(line.device)),
  );

  const parts = wanted.order === 'walks' ? partsOf(rig) : () => undefined;
  const made: Made[] = [];
  const add = (kind: Kind, place: string, action: Action, device?: string) => {
    const part = device === undefined ? undefined : parts(device);
    const own = made.find((job) => job.kind === kind && job.place === place && job.part === part);
    if (own) own.actions.push(action);
    else made.push({ kind, place, actions: [action], ...(part !== undefined && { part }) });
  };
  const mute = (kind: Kind, lines: readonly SheetLine[]) => {
    for (const list of grouped(lines, ({ mixedAt, device }) => JSON.stringify([mixedAt, parts(device)])))
      add(kind, list[0].mixedAt, { do: 'mute', lines: ids(list) }, list[0].device);
  };
  const power = (kind: Kind, ids: ReadonlySet<string>, to: boolean) => {
    for (const { id, place } of rig.devices) if (ids.has(id)) add(kind, place, { do: 'mains', device: id, on: to }, id);
  };

  const ended = new Set<string>();
  for (const { key, place, device } of rig.groups) {
    const harmed = harming(rig, present, key);
    if (harmed.length === 0) continue;
    const ending = isStuck(key) ? wanted.ending?.[key] : undefined;
    if (!isStuck(key)) add('harm off', place, { do: 'feed', group: key, to: 'off' });
    else if (ending === 'mains') power('harm mains', new Set([device]), false);
    else if (ending === 'pull')
      for (const line of harmed)
        add('harm pull', line[sourceEnd(line)], { do: 'unplug', line: line.id, end: sourceEnd(line) });
    ended.add(key);
  }
  for (const line of harmedBySupply(rig, present)) {
    const { id, stage } = line;
    const ending = wanted.ending?.[id];
    if (!ending) add('harm off', stage, { do: 'supply', line: id, on: false });
    else if (ending === 'pull')
      add('harm pull', line[sourceEnd(line)], { do: 'unplug', line: id, end: sourceEnd(line) });
    ended.add(id);
  }
  const killed = new Set(
    made
      .filter(({ kind }) => kind === 'harm mains')
      .flatMap(({ actions }) => actions.flatMap((a) => (a.do === 'mains' ? [a.device] : []))),
  );
  for (const { id, place } of goDown) add('monitors down', place, { do: 'monitors', group: id, to: 'down' });
  power('mains first', powers.first, true);
  const isLate = ({ device }: { device: string }): boolean => powers.between.has(device);
  mute(
    'mute',
    muted.filter((line) => !isLate(line) || present.mains[line.device] !== false),
  );
  for (const group of off)
    if (!ended.has(group.key))
      add(
        isLate(group) ? 'late feed off' : 'feed off',
        group.place,
        { do: 'feed', group: group.key, to: 'off' },
        group.device,
      );
  for (const { id, stage, device } of supplied)
    if (present.supplies[id].on !== false && !ended.has(id))
      add('supply off', stage, { do: 'supply', line: id, on: false }, device);
  power('mains cut', new Set([...powers.cut].filter((id) => !killed.has(id))), false);
  for (const end of ENDS)
    for (const [line, ends] of leaving)
      if (ends.includes(end) && present.ends[line.id][end] !== false)
        add('unplug', line[end], { do: 'unplug', line: line.id, end }, line.device);
  // What is set at a source is set before it is plugged, and switched off when it is out.
  for (const [line, ends] of leaving)
    if (
      ends.includes(sourceEnd(line)) &&
      !wanted.plugged.has(line.id) &&
      line.unset?.length &&
      isTouched(present, wanted, line, false)
    )
      add('hand off', line.stage, { do: 'hand', line: line.id, ready: false }, line.device);
  power('mains between', powers.between, true);
  mute(
    'late mute',
    muted.filter((line) => isLate(line) && present.mains[line.device] === false),
  );
  for (const line of coming)
    if (
      line.ready?.length &&
      (leaving.get(line)?.includes(sourceEnd(line)) || present.ends[line.id].stage !== true) &&
      isTouched(present, wanted, line, true)
    )
      add('hand', line.stage, { do: 'hand', line: line.id, ready: true }, line.device);
  for (const end of ENDS)
    for (const line of coming)
      if (endsOf(line).includes(end) && (leaving.get(line)?.includes(end) || present.ends[line.id][end] !== true))
        add('plug', line[end], { do: 'plug', line: line.id, end }, line.device);
  power('mains off', new Set(cut.map(({ id }) => id).filter((id) => !killed.has(id))), false);
  for (const line of supplied)
    if (suits(wanted, line) && (coming.includes(line) || (isThrough(present, line) && !leaving.has(line))))
      add('supply on', line.stage, { do: 'supply', line: line.id, on: true }, line.device);
  for (const group of on)
    add('feed on', group.place, { do: 'feed', group: group.key, to: feedFor(group) }, group.device);
  // One at a time, by ear.
  for (const list of grouped(toOpen, inletOf))
    add('open', list[0].mixedAt, { do: 'open', lines: ids(list) }, list[0].device);
  mute('hush', hushed);
  for (const { id, place } of goUp) add('monitors open', place, { do: 'monitors', group: id, to: 'open' });

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

/** Lines in groups, each by its key, in the order of the first of them. */
function grouped(lines: readonly SheetLine[], keyOf: (line: SheetLine) => string): SheetLine[][] {
  const found = new Map<string, SheetLine[]>();
  for (const line of lines) found.set(keyOf(line), [...(found.get(keyOf(line)) ?? []), line]);
  return [...found.values()];
}
const ids = (lines: readonly SheetLine[]): string[] => lines.map(({ id }) => id);

/** Whether a line's own supply is wanted on: it is plugged through in the end. */
const suits = ({ plugged }: Wanted, { id, supply, supplyHarms }: SheetLine): boolean =>
  supply && !supplyHarms && plugged.has(id);
/** Whether what is set by hand is not as it should be, or may not be, and is not to be left. */
const isTouched = ({ ready }: SheetState, { asIs }: Wanted, { id }: SheetLine, to: boolean): boolean =>
  ready?.[id] !== to && !asIs?.has(id);
const isIn = ({ ends }: SheetState, { id }: SheetLine): boolean => ends[id].stage !== false || ends[id].desk !== false;
const isThrough = ({ ends }: SheetState, { id }: SheetLine): boolean =>
  ends[id].stage === true && ends[id].desk === true;
const stays = ({ plugged, exchanged }: Wanted, { id }: SheetLine): boolean => plugged.has(id) && !exchanged?.has(id);
/** Ends of a line that come out because something on its way is exchanged: both, but where one is named. */
const exchangedEnds = ({ exchanged, exchangedAt }: Wanted, line: SheetLine): readonly End[] => {
  if (!exchanged?.has(line.id)) return [];
  const asked = exchangedAt?.[line.id];
  return asked && !line.straight ? [asked] : endsOf(line);
};
