import { checkRig, type RigResult } from '../rigcheck/rig';
import { VERDICT_ORDER, type Verdict } from '../check/finding';
import type { LineResult } from '../check/result';
import { startsAtLink, type InletRef, type RigDocument } from '../rig/document';
import { inletName } from '../rig/paths';
import type { FeedName } from '../standards/feeds';
import { pieceLabel, settingsSet } from './pieces';
import { keptLinks, type Arranged, type Placed } from './assign/decode';
import { leftOutReason, reasonFor, switchReason } from './reasons';
import type { Column, Problem } from './assign/columns';
import type { Outcome, Reached } from './program/program';

/** One line that a plan changes. */
export interface LineChange {
  line: string;
  name: string;
  /** Where it is and where it goes; absent for a line that shares another one's inlet now. */
  from?: InletRef & { name: string };
  to: InletRef & { name: string };
  putIn: string[];
  takenOut: string[];
  /** What is set otherwise, in words. */
  set: string[];
  before: Verdict | 'unsolved';
  after: Verdict;
  reason: string;
}

/** One switch that a plan turns. */
export interface SwitchChange {
  device: string;
  group: string;
  name: string;
  from: FeedName;
  to: FeedName;
  reason: string;
}

/** A line that has no place in a plan. */
export interface LeftOut {
  line: string;
  name: string;
  reason: string;
}

/** Something nobody has, and which lines want it. */
export interface ToGet {
  label: string;
  count: number;
  kind: string;
  lines: string[];
}

/** A patch that works, as changes against the present one. */
export interface Proposal {
  document: RigDocument;
  lines: LineChange[];
  switches: SwitchChange[];
  leftOut: LeftOut[];
  toGet: ToGet[];
  /** Lines that stay just as they are. */
  same: number;
  counts: Record<Verdict, number>;
  reached: Reached[];
  optimal: boolean;
}

const countsOf = ({ lines }: RigResult): Record<Verdict, number> =>
  Object.fromEntries(
    VERDICT_ORDER.map((verdict) => [verdict, lines.filter((line) => line.verdict === verdict).length]),
  ) as Record<Verdict, number>;

/** What a solution changes, each change with its reason. */
export function proposalOf(
  problem: Problem,
  columns: readonly Column[],
  arranged: Arranged,
  { reached, optimal }: Pick<Outcome, 'reached' | 'optimal'>,
  before: RigResult,
  after: RigResult = checkRig(arranged.document),
): Proposal {
  const results = (of: RigResult) => new Map(of.lines.map((line): [string, LineResult] => [line.id, line]));
  const [was, is] = [results(before), results(after)];
  const sight = { problem, arranged, was, is };
  const lines = arranged.placed.flatMap((placed): LineChange[] => {
    const change = changeOf(problem, placed);
    if (!change) return [];
    return [
      {
        ...change,
        before: was.get(placed.line.id)?.verdict ?? 'unsolved',
        after: is.get(placed.line.id)!.verdict,
        reason: reasonFor(sight, placed),
      },
    ];
  });
  return {
    document: arranged.document,
    lines,
    switches: arranged.feeds.flatMap(({ device: id, group: of, feed }): SwitchChange[] => {
      const device = problem.document.devices.find((each) => each.id === id)!;
      const group = device.groups.find((each) => each.id === of)!;
      if (group.feed === feed) return [];
      const name = `${device.name}, ${group.name}`;
      return [{ device: id, group: of, name, from: group.feed, to: feed, reason: switchReason(sight, id, of, feed) }];
    }),
    leftOut: arranged.out.flatMap((task) => {
      const reason = leftOutReason(sight, task, columns);
      return [task.line, ...task.followers].map(({ id, name }) => ({ line: id, name, reason }));
    }),
    toGet: toGetOf(arranged),
    same: arranged.document.lines.length - lines.length,
    counts: countsOf(after),
    reached,
    optimal,
  };
}

const named = ({ document }: Problem, ref: InletRef): InletRef & { name: string } => {
  const device = document.devices.find(({ id }) => id === ref.device)!;
  return {
    ...ref,
    name: inletName(
      device,
      device.inlets.find(({ id }) => id === ref.inlet)!,
    ),
  };
};

function changeOf(problem: Problem, placed: Placed): Omit<LineChange, 'before' | 'after' | 'reason'> | undefined {
  const { task, inlet, steps, pieces, line, along } = placed;
  const old = task.line;
  const kept = along.length ? old.links.map((_, n) => n) : keptLinks(old, steps, pieces);
  const stays = new Set(kept);
  const moved = !task.now || task.now.device !== inlet.device || task.now.inlet !== inlet.inlet;
  const putIn = line.links.filter((_, n) => kept[n] === undefined).map(pieceLabel);
  const takenOut = old.links.filter((_, n) => !stays.has(n)).map(pieceLabel);
  const set = [
    ...settingsSet(task.source, startsAtLink(line) ? task.source : line.source, 'source'),
    ...line.links.flatMap((part, n) => {
      const at = kept[n];
      return at === undefined ? [] : settingsSet(old.links[at], part, 'link');
    }),
  ];
  if (!moved && putIn.length + takenOut.length + set.length === 0) return undefined;
  return {
    line: old.id,
    name: old.name,
    ...(task.now && { from: named(problem, task.now) }),
    to: named(problem, inlet),
    putIn,
    takenOut,
    set,
  };
}

/** What has to be got, by what it is, with the lines that use it. */
function toGetOf({ got, placed }: Arranged): ToGet[] {
  return got.map(({ piece, count }) => ({
    label: piece.label,
    count,
    kind: piece.part.kind,
    lines: placed
      .filter(
        ({ pieces, column }) => pieces.some((each) => each.piece === piece) || column.judged.uses.includes(piece.key),
      )
      .map(({ line }) => line.name),
  }));
}
