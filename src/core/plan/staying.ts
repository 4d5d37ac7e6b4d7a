import { isHome, isSentAway, isUnchanged, type Column, type Problem } from './assign/columns';
import { decoded, type Arranged } from './assign/decode';
import { greedySolution } from './assign/greedy';
import { modelOf } from './assign/model';
import type { Outcome, Reached } from './program/program';
import type { LineChange, Proposal } from './proposal';
import type { PlanTools } from './request';
import { some } from './reasons';

/** The last stages: they only tidy. */
const TIDYING = 2;
/** Seconds for what would become of the plan if one line stayed as it is. */
const SECONDS = 1;

/** A plan as it was found: what it was found among, and what it reaches. */
export interface Found {
  problem: Problem;
  columns: readonly Column[];
  unfit: ReadonlySet<string>;
  arranged: Arranged;
  outcome: Outcome;
}

/**
 * The proposal with its reasons held against what the plan would be if the line stayed where and as it is: a reason that
 * names nobody who would be worse off gives way to who would be, or to what it would cost. Lines that are bad now, or
 * better afterwards, have their reason in themselves.
 * @param until when the time is up, by the clock: what is not settled by then keeps the reason it has
 */
export function withProvenReasons(
  proposal: Proposal,
  found: Found,
  until: number,
  tools: Pick<PlanTools, 'solver' | 'clock'>,
): Proposal {
  const lines = proposal.lines.map((change): LineChange => {
    if (change.before === 'unsolved' || change.before !== change.after) return change;
    const cost = costOfStaying(change.line, found, until, tools);
    if (!cost || cost.names.some((name) => change.reason.includes(name))) return change;
    return { ...change, reason: cost.told };
  });
  return { ...proposal, lines };
}

interface Cost {
  /** Lines that would be worse off. */
  names: string[];
  told: string;
}

/** What would be worse if a line stayed where and as it is: the first of the goals that is; undefined where none is known to be. */
function costOfStaying(
  id: string,
  { problem: problem, columns, unfit, arranged, outcome }: Found,
  until: number,
  { solver, clock }: Pick<PlanTools, 'solver' | 'clock'>,
): Cost | undefined {
  const stays = problem.tasks.findIndex(({ line }) => line.id === id);
  const own = columns.some(
    (column) =>
      column.task === stays && isUnchanged(column) && isHome(problem.tasks[stays], problem.places[column.place]),
  );
  const seconds = Math.min(SECONDS, until - clock());
  if (!own || seconds <= 0) return undefined;
  const reached = new Map(outcome.reached.map(({ name, value }) => [name, value]));
  const differs = ({ name, value, bound }: Reached) => value !== reached.get(name) || bound !== value;
  const model = modelOf(problem, columns, { unfit, stays });
  const instead = solver(model.program, model.stages.slice(0, -TIDYING), {
    seconds,
    clock,
    start: greedySolution(problem, model, [stays]),
    enough: differs,
  });
  if (!instead) return undefined;
  const worse = instead.reached.find(differs);
  if (!worse || worse.bound <= (reached.get(worse.name) ?? 0)) return undefined;
  return told(
    worse.name,
    worse.bound - (reached.get(worse.name) ?? 0),
    problem,
    arranged,
    decoded(problem, model, instead.solution),
  );
}

/** Who would be worse off and how, the worst first; else what more it would cost. */
function told(goal: string, more: number, problem: Problem, is: Arranged, instead: Arranged): Cost | undefined {
  const newly = (has: (placed: Arranged['placed'][number]) => boolean): string[] => {
    const had = new Set(is.placed.filter(has).map(({ line }) => line.id));
    return instead.placed.filter((placed) => has(placed) && !had.has(placed.line.id)).map(({ line }) => line.name);
  };
  const had = new Set(is.out.map(({ line }) => line.id));
  const out = instead.out.flatMap(({ line }) => (had.has(line.id) ? [] : [line.name]));
  const sent = newly(({ column }) => isSentAway(problem, column));
  const touched = newly(
    ({ column, task }) =>
      problem.clear.has(task.line.id) && !(isUnchanged(column) && isHome(task, problem.places[column.place])),
  );
  const watched = newly(({ column }) => column.watch > 0);
  for (const [names, what] of [
    [out, 'would have no place'],
    [sent, 'would have to go to another place'],
    [touched, 'would have to change instead'],
    [watched, 'would be left at Watch'],
  ] as const)
    if (names.length) return { names, told: `If it stayed, ${some(names)} ${what}.` };
  const costs: Record<string, string> = {
    'things to get': `${more} more would have to be got`,
    'feeds where nobody needs them': 'phantom would stand on lines that do without it',
    changes: `${more} more ${more === 1 ? 'change' : 'changes'} would be needed elsewhere`,
  };
  return costs[goal] === undefined ? undefined : { names: [], told: `If it stayed, ${costs[goal]}.` };
}
