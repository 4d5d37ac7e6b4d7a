import { waitAfterOff } from '../schools/schools';
import type { FeedName } from '../standards/feeds';
import type { Seconds, Volts } from '../units';
import { onceEach } from '../units/once';

/** What a run sheet must know of a rig: who hangs on which switch, how long things take, which feed does harm to whom. */
export interface SheetRig {
  lines: SheetLine[];
  groups: SheetGroup[];
  devices: SheetDevice[];
  /** What is heard of it where; all of it in one place, where nobody has said. */
  monitors?: SheetMonitors[];
  /** How long after a feed came on the sound is judged; none where the school does not ask for it. */
  judging?: Seconds;
}

export interface SheetLine {
  id: string;
  name: string;
  /** What it begins with, in words. */
  source: string;
  /** Where it ends, in words: device and inlet. */
  inlet: string;
  /** Device of the inlet that hears it. */
  device: string;
  /** Its source goes straight into its inlet: there is one plug, and that is there. */
  straight?: true;
  /** That inlet, in words, where the line itself ends in a box of another one. */
  heard?: string;
  /** Where its two ends are plugged. */
  stage: string;
  desk: string;
  /** Where its inlet is muted and opened. */
  mixedAt: string;
  /** Switches that its conductors reach. */
  groups: string[];
  /** Of these, the ones whose feed gets to its source: not through a transformer, a box or an adapter that takes it. */
  reaches: string[];
  /** Of these, the one that its own inlet hangs on. */
  key?: string;
  /** Other lines on the same conductors: over a splitter, a Y-lead, a thru socket. */
  shares: string[];
  /** What it is made of, as far as plugs and wires go: two lines of the same way are plugged alike. */
  way: string;
  /** The same in words, from its source to its inlet. */
  parts: string[];
  /** What lies between its own two ends, in words, where it begins or ends at a box of another line. */
  through?: string[];
  /** What is off on its source and on what it goes through, in words, and looked at when it is plugged: pads, batteries. */
  set?: string[];
  /** What is set there before it is plugged: a battery, a pad, a volume, a transmitter. */
  ready?: string[];
  /** Some of it makes and breaks the line: never while a feed is on it, or charged. */
  unfed?: true;
  /** What is switched off or taken out there when it is packed. */
  unset?: string[];
  /** It is in the room like this, but not on paper any more: the line of the document that it was. */
  was?: string;
  /** Feeds that would harm it, by switch. */
  stops: Record<string, FeedName[]>;
  /** It has a supply of its own between source and inlet. */
  supply: boolean;
  /** That supply has high voltage inside. */
  highVoltage?: true;
  /** That supply harms it. */
  supplyHarms?: true;
  /** The school lets it be plugged and pulled, muted, with its feed on. */
  hotPlugs?: true;
}

export interface SheetGroup {
  key: string;
  name: string;
  device: string;
  /** Where the switch is. */
  place: string;
  /** How it is reached, in the user's words. */
  control?: string;
  offers: Exclude<FeedName, 'off'>[];
  /** Comes back with the mains as it was. */
  latched: boolean;
  /** Mutes its inlets while switching. */
  mutes: boolean;
  /** After it went off, before anybody plugs. */
  decay: Wait;
  /** After it came on, before anything opens. */
  settle: Wait;
  /** What is left on its lines after it went off, by computation; nothing where no circuit is on it. */
  charge: ChargeLeft[];
}

export interface SheetDevice {
  id: string;
  name: string;
  place: string;
  /** What it runs on. On cells, or on both, what its mains are is its own power switch. */
  power: 'mains' | 'cells' | 'both';
  /** The outlet or strip that it hangs on, and what else does. */
  strip?: { name: string; others: string[] };
}

/** Loudspeakers, headphones or a stream that are turned up and down together. */
export interface SheetMonitors {
  id: string;
  /** Empty for all that have no name of their own. */
  name: string;
  /** Where they are turned up and down. */
  place: string;
  /** Devices that are heard on them. */
  devices: string[];
}

/** Volts that are left some time after a feed went off; times ascend. */
export interface ChargeLeft {
  at: Seconds;
  volts: Volts;
}

/** A wait with both figures, and the one that counts. */
export interface Wait {
  seconds: Seconds;
  computed?: Seconds;
  school?: Seconds;
  counts: 'computed' | 'school';
}

/** Longest decay that is computed; what takes longer counts as this. */
const LONGEST: Seconds = 600;
/** A meter and an ear need this long to be sure, whatever the circuit says (common practice). */
const MOMENT: Seconds = 3;

/** The wait after a feed went off. @param computed undefined for a circuit that holds longer than ten minutes */
export function decayWait(school: string, computed: Seconds = LONGEST): Wait {
  const least = waitAfterOff(school);
  if (least === undefined) return { seconds: computed, computed, counts: 'computed' };
  return longerOf(computed, least);
}

/**
 * The wait after a feed came on, before anything opens. A device that mutes by itself until its feed stands needs no
 * more than the circuit does.
 */
export function settleWait(computed: Seconds, mutes = false): Wait {
  return mutes ? { seconds: computed, computed, counts: 'computed' } : longerOf(computed, MOMENT);
}

const longerOf = (computed: Seconds, school: Seconds): Wait =>
  computed > school
    ? { seconds: computed, computed, school, counts: 'computed' }
    : { seconds: school, computed, school, counts: 'school' };

/** The key of a switch: its device and itself. */
export const sheetKey = (device: string, group: string): string => `${device} ${group}`;

/** The monitors that have no name of their own. */
export const MONITORS = 'monitors';

const known = new WeakMap<SheetRig, readonly SheetMonitors[]>();

/** What is heard of a rig where; every device is heard on something. */
export function monitorsOf(rig: SheetRig): readonly SheetMonitors[] {
  const found = known.get(rig) ??
    rig.monitors ?? [{ id: MONITORS, name: '', place: placeOfMost(rig), devices: rig.devices.map(({ id }) => id) }];
  known.set(rig, found);
  return found;
}

/** Where most inlets are: there the monitors are turned up and down that have no place of their own. */
function placeOfMost({ lines, groups }: Pick<SheetRig, 'lines' | 'groups'>): string {
  const desks = lines.length ? lines.map(({ mixedAt }) => mixedAt) : groups.map(({ place }) => place);
  const count = (place: string) => desks.filter((each) => each === place).length;
  return desks.reduce((best, place) => (count(place) > count(best) ? place : best), desks[0]);
}

/** The id of the document's line that a line is, or was. */
export const ownId = ({ id, was }: Pick<SheetLine, 'id' | 'was'>): string => was ?? id;

export type End = 'stage' | 'desk';
/** The ends at which a line has a plug, its source's first. */
export const endsOf = ({ straight }: Pick<SheetLine, 'straight'>): readonly End[] =>
  straight ? ['desk'] : ['stage', 'desk'];
/** The end at which its source comes off. */
export const sourceEnd = (line: Pick<SheetLine, 'straight'>): End => endsOf(line)[0];

/** The inlet that hears a line, in words. */
export const heardOn = ({ heard, inlet }: Pick<SheetLine, 'heard' | 'inlet'>): string => heard ?? inlet;

/** What tells the inlet that hears a line from all others: two devices may have one name. */
export const inletOf = onceEach((line: SheetLine) => JSON.stringify([line.device, heardOn(line)]));

/** Lines by what several of them may have in common, each in their order. */
export function linesBy(lines: readonly SheetLine[], keyOf: (line: SheetLine) => string): Map<string, SheetLine[]> {
  const found = new Map<string, SheetLine[]>();
  for (const line of lines) {
    const alike = found.get(keyOf(line));
    if (alike) alike.push(line);
    else found.set(keyOf(line), [line]);
  }
  return found;
}

const linesByInlet = onceEach((rig: SheetRig) => linesBy(rig.lines, inletOf));

/** Lines that are heard on the same inlets as some: they are muted and unmuted together. */
export const onInletsOf = (rig: SheetRig, ids: readonly string[]): SheetLine[] =>
  ids.flatMap((id) => linesByInlet(rig).get(inletOf(lineOf(rig, id))) ?? []);

/** A line and every other one on the same conductors. */
export const joined = (rig: SheetRig, line: SheetLine): SheetLine[] =>
  line.shares.length ? [line, ...rig.lines.filter(({ id }) => line.shares.includes(id))] : [line];

/** Those of them by which a switch gets on the conductors; where nobody's inlet hangs on it, the line itself. */
export function carriers(rig: SheetRig, line: SheetLine, key: string): SheetLine[] {
  const own = joined(rig, line).filter((each) => each.key === key);
  return own.length ? own : [line];
}

export const monitorsNamed = (rig: SheetRig, id: string): SheetMonitors =>
  monitorsOf(rig).find((each) => each.id === id)!;
export const groupOf = (rig: SheetRig, key: string): SheetGroup => rig.groups.find((group) => group.key === key)!;
const linesById = onceEach((rig: SheetRig) => new Map(rig.lines.map((line) => [line.id, line])));
export const lineOf = (rig: SheetRig, id: string): SheetLine => linesById(rig).get(id)!;

const linesByOwnId = onceEach((rig: SheetRig) => linesBy(rig.lines, ownId));
/** What stands for the same line of the document as another one: as it is on paper, and as it was. */
export const othersOf = (rig: SheetRig, line: SheetLine): SheetLine[] =>
  linesByOwnId(rig)
    .get(ownId(line))!
    .filter(({ id }) => id !== line.id);
