import { checkRig, type RigResult } from '../rigcheck/rig';
import type { Column, Problem } from './assign/columns';
import { decoded, type Arranged } from './assign/decode';
import { better, greedySolution } from './assign/greedy';
import { modelOf, type Model } from './assign/model';
import { TOUCHED } from './assign/model/goals';
import type { Choices } from './problem';
import { valueOf, weighed, type Outcome, type Solver } from './program/program';
import { proposalOf, type Proposal } from './proposal';
import type { PlanTools } from './request';
import { withProvenReasons } from './staying';

/** How often a plan is mended that the whole check judges otherwise than its lines one by one. */
const MENDS = 8;
/** Share of the time for a plan that touches nothing Clear, from which the search begins. */
const CALM = 0.4;
/** Seconds that it has in any case, the first time: what it finds is what the stage is spared. */
const LEAST = 5;
/** Seconds to find the same plan among more columns. */
const AGAIN = 2;
/** Seconds between two proposals that are shown while the search goes on. */
const SHOW = 0.7;

/**
 * Solves a program and holds the result against the whole check; what that judges otherwise is ruled out, and it is solved
 * again.
 * @param until when the time is up, by the clock
 */
export function solved(
  problem: Problem,
  choices: Choices,
  before: RigResult,
  until: number,
  { solver, clock, onProgress }: PlanTools,
): Proposal {
  const unfit = new Set<string>();
  const gone = new Set<Column>();
  const among = (columns: readonly Column[]) => columns.filter((column) => !gone.has(column));
  for (let mend = 0; ; mend++) {
    let shown = -Infinity;
    const search = (model: Model, columns: readonly Column[], start: readonly number[], least: number) =>
      solver(model.program, model.stages, {
        seconds: Math.max(until - clock(), least),
        clock,
        start,
        onProgress: ({ goal, outcome: so }) => {
          const due = so && clock() - shown > SHOW && so.reached[0].value < problem.tasks.length;
          if (due) shown = clock();
          onProgress?.({
            doing: 'patch',
            goal,
            ...(due && { proposal: proved(problem, columns, decoded(problem, model, so.solution), so, before) }),
          });
        },
      });
    // First with everything that is Clear where it is: that is soon found, and few have to move for the rest, if any.
    // Where something was ruled out, a line that is Clear may need another way than its own.
    let columns = among(gone.size ? choices.all() : choices.still());
    let model = modelOf(problem, columns, { unfit, still: true });
    const least = mend === 0 ? LEAST : 0;
    let outcome = solver(model.program, model.stages.slice(0, TOUCHED), {
      seconds: Math.max((until - clock()) * CALM, least),
      clock,
      start: greedySolution(problem, model),
    });
    if (outcome && nothingToGain(model, outcome)) outcome = search(model, columns, outcome.solution, least);
    else {
      columns = among(choices.all());
      const whole = modelOf(problem, columns, { unfit });
      const greedy = greedySolution(problem, whole);
      const taken = outcome && model.columns.filter(({ variable }) => outcome!.solution[variable] > 0.5);
      const calm =
        taken && isBehind(whole, greedy, outcome!)
          ? again(problem, columns, new Set(taken.map(({ column }) => column)), unfit, solver, clock)
          : undefined;
      model = whole;
      outcome = search(model, columns, better(model, greedy, calm), least);
    }
    const arranged = decoded(problem, model, outcome!.solution);
    const after = checkRig(arranged.document);
    const worse = worseThanJudged(arranged, after);
    if (worse.length === 0 || mend === MENDS) {
      const found = { problem, columns, unfit, arranged, outcome: outcome! };
      const proposal = proved(problem, columns, arranged, outcome!, before, after);
      return withProvenReasons(proposal, found, until, { solver, clock });
    }
    for (const placed of worse) {
      const cables = placed.pieces.flatMap(({ choice }) => choice ?? []);
      if (cables.length) for (const choice of cables) unfit.add(choice);
      else gone.add(placed.column);
    }
  }
}

/**
 * Whether no plan that touches what is Clear can be better than one that does not: everything before that goal, and the
 * goal itself, is as small as it can ever be.
 */
const nothingToGain = ({ stages }: Model, { solution }: Outcome): boolean =>
  stages.slice(0, TOUCHED).every((stage) => {
    const sum = weighed(stage, solution);
    return valueOf(sum, solution) <= sum.floor;
  });

/** Whether a solution is not as good as what was reached already. */
const isBehind = ({ stages }: Model, solution: readonly number[], { reached }: Outcome): boolean =>
  stages
    .slice(0, TOUCHED)
    .flatMap(({ goals }) => goals)
    .some((goal) => valueOf(goal, solution) > (reached.find(({ name }) => name === goal.name)?.value ?? 0));

/** A solution of the model of many columns that takes the few of another one. */
function again(
  problem: Problem,
  columns: readonly Column[],
  only: ReadonlySet<Column>,
  unfit: ReadonlySet<string>,
  solver: Solver,
  clock: () => number,
): number[] | undefined {
  const { program, stages } = modelOf(problem, columns, { unfit, only });
  return solver(program, stages, { seconds: AGAIN, clock })?.solution;
}

const GOOD = new Set(['Clear', 'Watch']);

/** Lines that the whole check finds worse than they were judged by themselves. */
function worseThanJudged({ placed }: Arranged, { lines }: RigResult): Arranged['placed'] {
  const results = new Map(lines.map(({ id, verdict }) => [id, verdict]));
  return placed.filter(({ line, column }) => {
    const verdict = results.get(line.id);
    return !verdict || !GOOD.has(verdict) || (verdict === 'Watch' && column.judged.verdict === 'Clear');
  });
}

/** A proposal in which every line is Clear or Watch by the whole check: what is not is left out. */
function proved(
  problem: Problem,
  columns: readonly Column[],
  arranged: Arranged,
  outcome: Outcome,
  before: RigResult,
  after = checkRig(arranged.document),
): Proposal {
  const bad = new Set(
    arranged.document.lines
      .map(({ id }) => id)
      .filter((id) => !GOOD.has(after.lines.find((line) => line.id === id)?.verdict ?? '')),
  );
  const fails = ({ line, along }: Arranged['placed'][number]) => [line, ...along].some(({ id }) => bad.has(id));
  if (bad.size === 0) return proposalOf(problem, columns, arranged, outcome, before, after);
  const gone = arranged.placed.filter(fails);
  const ids = new Set(gone.flatMap(({ line, along }) => [line, ...along].map(({ id }) => id)));
  const rest: Arranged = {
    ...arranged,
    placed: arranged.placed.filter((placed) => !fails(placed)),
    out: [...arranged.out, ...gone.map(({ task }) => task)],
    document: { ...arranged.document, lines: arranged.document.lines.filter(({ id }) => !ids.has(id)) },
  };
  return proposalOf(problem, columns, rest, { ...outcome, optimal: false }, before);
}
