import { linesBy, ownId, type SheetLine, type SheetRig } from './rig';
import { bare, unknown, type SheetState } from './state';

/** A line that is in the room otherwise than on paper. */
export interface Difference {
  /** The line of the sheet. */
  line: string;
  name: string;
  /** What it is plugged through, from its source to its inlet. */
  room: string[];
  /** The same on paper; absent where the document has no such line any more. */
  paper?: string[];
}

const mayBeIn = ({ ends }: SheetState, id: string): boolean => ends[id].stage !== false || ends[id].desk !== false;

/** The line of the paper that a line of the room is, if it is still plugged like that. */
const alike = (paper: SheetRig, line: SheetLine): SheetLine | undefined =>
  paper.lines.find(({ id, way }) => id === ownId(line) && way === line.way);

/** Lines that are plugged, or may be, and not as the paper has them. */
export const differences = (paper: SheetRig, room: SheetRig, state: SheetState): Difference[] =>
  room.lines
    .filter((line) => mayBeIn(state, line.id) && !alike(paper, line))
    .map((line) => {
      const now = paper.lines.find(({ id }) => id === ownId(line));
      return { line: line.id, name: line.name, room: line.parts, ...(now && { paper: now.parts }) };
    });

/** Differences that nobody has been asked about yet: what was found before is in the sheet as it was. */
export const unseen = (paper: SheetRig, room: SheetRig, state: SheetState): Difference[] =>
  differences(paper, room, state).filter(({ line }) => !room.lines.find(({ id }) => id === line)!.was);

/**
 * The rig on paper with what is really in the room: a line that is plugged otherwise than on paper stays in the sheet
 * as it was, with its switch, until it is pulled; so does one that has left the document.
 * @param asOnPaper lines of the room of which somebody has seen that they are plugged as on paper now, or out
 */
export function takenOver(
  paper: SheetRig,
  room: SheetRig,
  state: SheetState,
  asOnPaper: ReadonlySet<string> = new Set(),
): { rig: SheetRig; state: SheetState } {
  const before = room.lines.filter((line) => mayBeIn(state, line.id));
  const former = before
    .filter((line) => !asOnPaper.has(line.id) && !alike(paper, line))
    .map((line, n) => ({ line, kept: asItWas(paper, room, line, n) }));
  const groups = [
    ...paper.groups,
    ...room.groups.filter(
      ({ key }) => former.some(({ kept }) => kept.groups.includes(key)) && !paper.groups.some((g) => g.key === key),
    ),
  ];
  const devices = [
    ...paper.devices,
    ...room.devices.filter(
      ({ id }) =>
        !paper.devices.some((device) => device.id === id) &&
        (former.some(({ kept }) => kept.device === id) || groups.some(({ device }) => device === id)),
    ),
  ];
  const lines = [...paper.lines, ...former.map(({ kept }) => kept)];
  const asIs = new Map(former.map(({ line, kept }) => [kept.id, line.id]));
  const called = linesBy([...before, ...room.lines], ownId);
  const sources = new Map(
    lines.map(({ id, way }) => [
      id,
      asIs.get(id) ?? called.get(id)?.find((each) => each.way === way || asOnPaper.has(each.id))?.id,
    ]),
  );
  /** Which line of the room a line of the sheet is now: itself as it was, or as it is plugged by all that is known. */
  const source = ({ id }: SheetLine): string | undefined => sources.get(id);
  const rig = { ...paper, groups, devices, lines: lines.map((line) => sharing(room, lines, source, line)) };
  const [nothing, open] = [bare(rig), unknown(rig)];
  const each = <T>(take: (line: SheetLine, from: string | undefined) => T): Record<string, T> =>
    Object.fromEntries(rig.lines.map((line) => [line.id, take(line, source(line))]));
  // Whatever is muted is an inlet: the line that is on it now hears of it what the one before it knew.
  const onInlet = ({ device, inlet }: SheetLine): string | undefined =>
    room.lines.find((line) => line.device === device && line.inlet === inlet)?.id;
  // What was set at the source of another line says nothing of this one.
  const ready = rig.lines.flatMap((line): [string, boolean][] => {
    const from = source(line);
    const was = room.lines.find(({ id }) => id === from);
    const set = from === undefined ? undefined : state.ready?.[from];
    return set !== undefined && was?.way === line.way ? [[line.id, set]] : [];
  });
  const plugged = Object.entries(state.pluggedLive ?? {}).flatMap(([id, at]) =>
    rig.lines.filter((line) => source(line) === id).map((line): [string, number] => [line.id, at]),
  );
  return {
    rig,
    state: {
      now: state.now,
      ends: each((line, from) => {
        const ends = from === undefined ? nothing.ends[line.id] : state.ends[from];
        return line.straight ? { stage: ends.desk, desk: ends.desk } : ends;
      }),
      muted: each((line, from) => {
        // Of an inlet that no line was on nobody has looked at the mute.
        const known = from ?? onInlet(line);
        return known === undefined ? open.muted[line.id] : state.muted[known];
      }),
      supplies: Object.fromEntries(
        rig.lines.flatMap((line) => {
          if (!line.supply) return [];
          const from = source(line) ?? (room.lines.some(({ id }) => id === line.id) ? undefined : null);
          // A box that nobody has set up is off; one that hung on another line before is not known.
          const fresh = from === null ? nothing.supplies[line.id] : open.supplies[line.id];
          return [[line.id, from ? (state.supplies[from] ?? fresh) : fresh]];
        }),
      ),
      feeds: Object.fromEntries(groups.map(({ key }) => [key, state.feeds[key] ?? open.feeds[key]])),
      mains: Object.fromEntries(devices.map(({ id }) => [id, state.mains[id] ?? open.mains[id]])),
      monitors: Object.fromEntries(Object.keys(open.monitors).map((id) => [id, state.monitors[id] ?? 'unknown'])),
      ...(ready.length && { ready: Object.fromEntries(ready) }),
      ...(plugged.length && { pluggedLive: Object.fromEntries(plugged) }),
    },
  };
}

/** A line with the others on its conductors by the ids that they have now, those that are in the room as they were too. */
function sharing(
  room: SheetRig,
  lines: readonly SheetLine[],
  source: (line: SheetLine) => string | undefined,
  line: SheetLine,
): SheetLine {
  const from = source(line);
  const joinedThen = room.lines.find(({ id }) => id === from)?.shares ?? [];
  const now = lines.filter((other) => other !== line && joinedThen.includes(source(other) ?? ''));
  return { ...line, shares: [...new Set([...line.shares, ...now.map(({ id }) => id)])] };
}

/** A line as it was, under an id of its own. What is known better of it now, such as a tap, counts for it as well. */
function asItWas(paper: SheetRig, room: SheetRig, line: SheetLine, n: number): SheetLine {
  if (line.was) return line;
  const now = paper.lines.find(({ id }) => id === line.id);
  const taken = new Set([...paper.lines, ...room.lines].map(({ id }) => id));
  const free = (k: number): string =>
    taken.has(`${line.id} as it was ${k}`) ? free(k + 1) : `${line.id} as it was ${k}`;
  const keys = new Set([...Object.keys(line.stops), ...Object.keys(now?.stops ?? {})]);
  return {
    ...line,
    id: free(n + 1),
    name: `${line.name} (as it was)`,
    was: line.id,
    shares: [],
    stops: Object.fromEntries(
      [...keys]
        .filter((key) => line.groups.includes(key))
        .map((key) => [key, [...new Set([...(line.stops[key] ?? []), ...(now?.stops[key] ?? [])])]]),
    ),
  };
}
