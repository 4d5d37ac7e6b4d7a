import { checkRig, type RigResult } from '../check/rig';
import type { Column, Ground } from './assign/columns';
import { decoded, type Arranged } from './assign/decode';
import { greedySolution } from './assign/greedy';
import { modelOf, type Model } from './assign/model';
import { valueOf, type Outcome } from './program/program';
import { proposalOf, type Proposal } from './proposal';
import type { PlanTools } from './request';

/** How often a plan is mended that the whole check judges otherwise than its lines one by one. */
const MENDS = 8;
/** Share of the time for a plan that touches nothing Clear, from which the search begins. */
const CALM = 0.4;
/** Seconds that it has in any case, the first time: what it finds is what the stage is spared. */
const LEAST = 5;
/** Seconds between two proposals that are shown while the search goes on. */
const SHOW = 0.7;

/**
 * Solves a program and holds the result against the whole check; what that judges otherwise is ruled out, and it is solved
 * again.
 * @param until when the time is up, by the clock
 */
export function solved(
  ground: Ground,
  columns: readonly Column[],
  before: RigResult,
  until: number,
  { solver, clock, onProgress }: PlanTools,
): Proposal {
  const unfit = new Set<string>();
  let left = [...columns];
  for (let mend = 0; ; mend++) {
    const model = modelOf(ground, left, { unfit });
    // First with everything that is Clear where it is: that is soon found, and few have to move for the rest, if any.
    const calm = modelOf(ground, left, { unfit, still: true });
    const seconds = Math.max((until - clock()) * CALM, mend === 0 ? LEAST : 0);
    const quiet = solver(calm.program, calm.stages, { seconds, clock, start: greedySolution(ground, calm) });
    const start = better(model, greedySolution(ground, model), quiet?.solution);
    let shown = -Infinity;
    const outcome = solver(model.program, model.stages, {
      seconds: Math.max(0, until - clock()),
      clock,
      start,
      onProgress: ({ goal, outcome: so }) => {
        const due = so && clock() - shown > SHOW && so.reached[0].value < ground.tasks.length;
        if (due) shown = clock();
        onProgress?.({
          doing: 'patch',
          goal,
          ...(due && { proposal: proved(ground, left, decoded(ground, model, so.solution), so, before) }),
        });
      },
    })!;
    const arranged = decoded(ground, model, outcome.solution);
    const after = checkRig(arranged.document);
    const worse = worseThanJudged(arranged, after);
    if (worse.length === 0 || mend === MENDS) return proved(ground, left, arranged, outcome, before);
    for (const placed of worse) {
      const cables = placed.pieces.flatMap(({ choice }) => choice ?? []);
      if (cables.length) for (const choice of cables) unfit.add(choice);
      else left = left.filter((column) => column !== placed.column);
    }
  }
}

/** Which of two solutions is better by the goals, in their order. */
function better({ stages }: Model, one: number[], other: number[] | undefined): number[] {
  if (!other) return one;
  for (const goal of stages.flatMap(({ goals }) => goals)) {
    const difference = valueOf(goal, one) - valueOf(goal, other);
    if (difference) return difference < 0 ? one : other;
  }
  return one;
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
  ground: Ground,
  columns: readonly Column[],
  arranged: Arranged,
  outcome: Outcome,
  before: RigResult,
): Proposal {
  const after = checkRig(arranged.document);
  const bad = new Set(
    arranged.document.lines
      .map(({ id }) => id)
      .filter((id) => !GOOD.has(after.lines.find((line) => line.id === id)?.verdict ?? '')),
  );
  const fails = ({ line, along }: Arranged['placed'][number]) => [line, ...along].some(({ id }) => bad.has(id));
  if (bad.size === 0) return proposalOf(ground, columns, arranged, outcome, before, after);
  const gone = arranged.placed.filter(fails);
  const ids = new Set(gone.flatMap(({ line, along }) => [line, ...along].map(({ id }) => id)));
  const rest: Arranged = {
    ...arranged,
    placed: arranged.placed.filter((placed) => !fails(placed)),
    out: [...arranged.out, ...gone.map(({ task }) => task)],
    document: { ...arranged.document, lines: arranged.document.lines.filter(({ id }) => !ids.has(id)) },
  };
  return proposalOf(ground, columns, rest, { ...outcome, optimal: false }, before);
}
