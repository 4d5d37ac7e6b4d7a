import type { FeedName } from '../../../standards/feeds';
import type { Piece } from '../../pieces';
import { Program, type Stage } from '../../program/program';
import type { Column, Problem } from '../columns';

/** What the variables of a program stand for. */
export interface Model {
  program: Program;
  stages: Stage[];
  columns: { column: Column; variable: number }[];
  /** By task: it is left out. */
  out: number[];
  /** By task: it stays on the inlet it is on; absent where it cannot, or where `seats` tells. */
  stays: (number | undefined)[];
  /** For tasks with an inlet of their own choice: each inlet it may be on. */
  seats: Map<number, { key: string; inlet: string; place: number; variable: number }[]>;
  /** Tasks of these that nobody has wished anything of. */
  unwished: Set<number>;
  /** Which pieces serve as the cable of a slot, several where they are joined. */
  cables: { slot: string; pieces: readonly Piece[]; variable: number }[];
  /** What has to be got. */
  got: { piece: Piece; variable: number }[];
  /** Of pieces that lie in the case: the last of them is taken. None where nobody minds. */
  lasts: { piece: Piece; variable: number }[];
  /** By switch: what it is set to. */
  feeds: { group: string; feed: FeedName; variable: number }[];
  /** Pairs that are beside each other now, and would not be any more. */
  apart: { lines: [string, string]; variable: number }[];
  /** Wishes and limits given up, where that is allowed. */
  givenUp: { what: Relaxation; variable: number }[];
}

/** A wish or a limit that stands in the way. */
export type Relaxation =
  | { relax: 'pinned'; line: string }
  | { relax: 'forbidden'; device: string; inlet: string; line?: string }
  | { relax: 'neighbours'; lines: [string, string] }
  | { relax: 'feed limit'; device: string };

export interface ModelOptions {
  /** Wishes and limits may be given up, as few as possible. */
  relax?: boolean;
  /** What is Clear stays where it is and as it is. */
  still?: boolean;
  /** The number of a task that stays where it is and as it is. */
  stays?: number;
  /** No other columns than these are taken. */
  only?: ReadonlySet<Column>;
  /** Cables that turned out to be no good for a slot, by slot and what is joined. */
  unfit?: ReadonlySet<string>;
}

/** A program while it is being written: everything but its goals, and what writing it needs to know. */
export interface Draft extends Omit<Model, 'stages'> {
  problem: Problem;
  options: ModelOptions;
  /** The columns of each task. */
  byTask: Model['columns'][];
  /** Columns of another task that place a task as well. */
  covering: (task: number) => Model['columns'];
  /** By switch: it is on, and nobody is there. */
  idle: number[];
}

export function draftOf(problem: Problem, columns: readonly Column[], options: ModelOptions): Draft {
  const program = new Program();
  const own = columns.map((column) => ({ column, variable: program.variable() }));
  return {
    problem: problem,
    options,
    program,
    columns: own,
    byTask: problem.tasks.map((_, task) => own.filter(({ column }) => column.task === task)),
    covering: (task) => own.filter(({ column }) => column.covers?.includes(task)),
    out: problem.tasks.map(() => program.variable()),
    stays: problem.tasks.map(() => undefined),
    seats: new Map(),
    unwished: new Set(),
    cables: [],
    got: [],
    feeds: [],
    apart: [],
    givenUp: [],
    idle: [],
    lasts: [],
  };
}

/** A variable that gives a wish or a limit up; undefined where that is not allowed. */
export function giveUp(draft: Draft, what: Relaxation): number | undefined {
  if (!draft.options.relax) return undefined;
  const variable = draft.program.variable();
  draft.givenUp.push({ what, variable });
  return variable;
}
