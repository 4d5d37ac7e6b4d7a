import { type Part, linkKind, inletKey } from '../../gear';
import { withEnds, type InletRef, type RigDocument, type RigLine } from '../../rig/document';
import { tidied } from '../../rig/places';
import { setFeed } from '../../rig/rigEdits';
import type { FeedName } from '../../standards/feeds';
import { pieceLabel, settingsOf, type Piece } from '../pieces';
import { matched, slotKey, type Step } from '../chains/chain';
import { joinKey, lengthsOf } from '../chains/joins';
import type { Task } from '../tasks';
import type { Column, Problem } from './columns';
import type { Model } from './model';
import { groupKey, inletPieceKey } from '../places';

/** One task as a solution places it. */
export interface Placed {
  task: Task;
  column: Column;
  inlet: InletRef;
  /** Its links as the plan wants them. */
  steps: Step[];
  /** For each link: the piece it is, and, where it is of cables that had only to reach, by what that choice is known. */
  pieces: { piece: Piece; choice?: string }[];
  line: RigLine;
  /** Lines that go with it as they are. */
  along: readonly RigLine[];
}

/** A solution in terms of the rig. */
export interface Arranged {
  document: RigDocument;
  placed: Placed[];
  out: Task[];
  feeds: { device: string; group: string; feed: FeedName }[];
  got: { piece: Piece; count: number }[];
}

/** What a solution of the program says: who sits where, over which pieces, with which switches on. */
export function decoded(problem: Problem, model: Model, solution: readonly number[]): Arranged {
  const { document, tasks } = problem;
  const on = (variable: number | undefined) => variable !== undefined && solution[variable] > 0.5;
  const columns = tasks.map((_, task) =>
    model.columns.find(({ column, variable }) => column.task === task && on(variable)),
  );
  const inlets = inletsOf(
    problem,
    model,
    columns.map((each) => each?.column),
    on,
  );
  const cables = cableSupply(model, solution);
  const placed = tasks.flatMap((task, n): Placed[] => {
    const column = columns[n]?.column;
    if (!column) return [];
    const { chain } = column.judged;
    const laid = chain.steps.flatMap((step): (Placed['pieces'][number] & { step: Step })[] => {
      if (!step.slot) return [{ step, piece: step.piece }];
      const key = slotKey(step.slot);
      const join = cables(key);
      const choice = `${key} ${joinKey(join)}`;
      return join.map((piece) => ({ step: { piece, part: piece.part }, piece, choice }));
    });
    const steps = laid.map(({ step }) => step);
    const pieces = laid.map(({ step: _step, ...piece }) => piece);
    const along = [...task.followers, ...(column.covers ?? []).map((other) => tasks[other].line)];
    const line = along.length
      ? withEnds(task.line, { inlet: inlets[n]! })
      : builtLine(task, column, inlets[n]!, steps, pieces);
    return [{ task, column, inlet: inlets[n]!, steps, pieces, line, along }];
  });
  const feeds = document.devices.flatMap(({ id, groups }) =>
    groups.map((group) => ({
      device: id,
      group: group.id,
      feed: model.feeds.find((each) => each.group === groupKey(id, group.id) && on(each.variable))!.feed,
    })),
  );
  const lines = new Map(placed.flatMap(({ line, along }) => [line, ...along].map((each) => [each.id, each])));
  // A device to get that no line is on need not be got.
  const unused = new Set(
    problem.places
      .filter(({ device, toGet }) => toGet && !placed.some(({ inlet }) => inlet.device === device.id))
      .map(({ device }) => device.id),
  );
  const arranged: RigDocument = {
    ...document,
    devices: document.devices.filter(({ id }) => !unused.has(id)),
    lines: document.lines.flatMap(({ id }) => lines.get(id) ?? []),
  };
  return {
    document: tidied(feeds.reduce((rig, { device, group, feed }) => setFeed(rig, device, group, feed), arranged)),
    placed,
    out: tasks.filter(({ line }, n) => !columns[n] && !lines.has(line.id)),
    feeds: feeds.filter(({ device }) => !unused.has(device)),
    got: model.got.flatMap(({ piece, variable }) => {
      const count = Math.round(solution[variable]);
      const idle = [...unused].some((id) => inletPieceKey(id) === piece.key);
      return count > 0 && !idle ? [{ piece, count }] : [];
    }),
  };
}

/** Which inlet each task gets: the one it chose, the one it is on, else the next free one of its place. */
function inletsOf(
  { tasks, places }: Problem,
  { seats, stays }: Model,
  columns: readonly (Column | undefined)[],
  on: (variable: number | undefined) => boolean,
): (InletRef | undefined)[] {
  const taken = new Set(
    tasks.flatMap(({ followers }) => followers.flatMap(({ inlet }) => ('device' in inlet ? [inletKey(inlet)] : []))),
  );
  const found = tasks.map((task, n): InletRef | undefined => {
    const column = columns[n];
    if (!column) return undefined;
    const seat = seats.get(n)?.find(({ variable }) => on(variable));
    const ref = seat
      ? { device: places[seat.place].device.id, inlet: seat.inlet }
      : on(stays[n])
        ? task.now
        : undefined;
    if (ref) taken.add(inletKey(ref));
    return ref;
  });
  return found.map((ref, n) => {
    const column = columns[n];
    if (ref || !column) return ref;
    const { device, inlets } = places[column.place];
    const inlet = inlets.find((id) => !taken.has(inletKey({ device: device.id, inlet: id })))!;
    const next = { device: device.id, inlet };
    taken.add(inletKey(next));
    return next;
  });
}

/** Hands out the cables that were chosen for each slot, the shortest first. */
function cableSupply({ cables }: Model, solution: readonly number[]): (slot: string) => readonly Piece[] {
  const left = new Map<string, (readonly Piece[])[]>();
  for (const { slot, pieces, variable } of cables)
    left.set(slot, [
      ...(left.get(slot) ?? []),
      ...new Array<readonly Piece[]>(Math.round(solution[variable])).fill(pieces),
    ]);
  for (const choices of left.values()) choices.sort((a, b) => lengthsOf(a) - lengthsOf(b));
  return (slot) => left.get(slot)!.shift()!;
}

/** The line with its new links: whatever serves already stays the very part it is. */
function builtLine(
  { line, source }: Task,
  column: Column,
  inlet: InletRef,
  steps: readonly Step[],
  pieces: Placed['pieces'],
): RigLine {
  const { chain } = column.judged;
  const kept = keptLinks(line, steps, pieces);
  const links = pieces.map(({ piece }, n): Part => {
    const at = kept[n];
    const part = at === undefined ? structuredClone(piece.part) : line.links[at];
    const set = withSettings(part, steps[n].part);
    return piece.toGet ? { ...set, name: pieceLabel(part).slice(0, 80), note: 'to get' } : set;
  });
  return withEnds({ ...line, links }, { source: sameSource(source, chain.source), inlet });
}

/** Which links of the line stay: those that serve a step and are of the piece that was chosen for it. */
export function keptLinks(line: RigLine, steps: readonly Step[], pieces: Placed['pieces']): (number | undefined)[] {
  return matched(
    line.links,
    steps.map((step, n) => ({ ...step, slot: undefined, piece: pieces[n].piece })),
  );
}

function withSettings(part: Part, as: Part): Part {
  const set = Object.fromEntries(
    settingsOf(linkKind(part.kind)).flatMap((name) => {
      const value = as.choices?.[name];
      return value === undefined ? [] : [[name, value]];
    }),
  );
  return Object.keys(set).length ? { ...part, choices: { ...part.choices, ...set } } : part;
}

const sameSource = (now: Part, as: Part): Part =>
  JSON.stringify(now.choices) === JSON.stringify(as.choices) ? now : { ...now, choices: as.choices };
