import { checkRig, type RigResult } from '../rigcheck/rig';
import { columnsAt, type Problem } from './assign/columns';
import { inletsToGet, placesOf } from './places';
import { choicesOf, type Choices } from './problem';
import type { Proposal } from './proposal';
import type { PlanTools } from './request';
import { solved } from './solved';
import { market } from './stock';

/**
 * The plan with the fewest things to get. First they are sought for the lines that have no place; if that takes more than
 * one thing for each line that nothing in the kit can serve, boxes for other lines are tried too, and two things a line.
 */
export function withPurchases(
  own: Problem,
  choices: Choices,
  missing: ReadonlySet<string>,
  without: Proposal,
  before: RigResult,
  until: number,
  tools: PlanTools,
): Proposal {
  const hopeless = hopelessOf(own, choices).size;
  let best = without;
  for (const { most, wide } of [
    { most: 1, wide: false },
    { most: 1, wide: true },
    { most: 2, wide: true },
  ]) {
    const problem = withMarket(own, most, missing, wide);
    const proposal = solved(problem, marketChoices(own, choices, problem, tools), before, until, tools);
    const got = thingsOf(proposal);
    const fewer = proposal.leftOut.length - best.leftOut.length;
    if (fewer < 0 || (fewer === 0 && best !== without && got < thingsOf(best))) best = proposal;
    if (best.leftOut.length === 0 && (wide || got <= hopeless || tools.clock() > until)) break;
  }
  return best;
}

/** The plan with one thing for each line that nothing in the kit can serve; undefined if that is not enough. */
export function withOnePurchaseEach(
  own: Problem,
  choices: Choices,
  before: RigResult,
  until: number,
  tools: PlanTools,
): Proposal | undefined {
  const hopeless = hopelessOf(own, choices);
  if (hopeless.size === 0) return undefined;
  const problem = withMarket(own, 1, hopeless, false);
  const got = marketChoices(own, choices, problem, tools, hopeless);
  const proposal = solved(problem, got, before, until, tools);
  return proposal.leftOut.length === 0 && thingsOf(proposal) === hopeless.size ? proposal : undefined;
}

/**
 * The plan with one thing more for each line that would be at Watch, or left out, where that makes fewer of them.
 * @returns undefined where nothing that can be got helps
 */
export function withClearer(
  own: Problem,
  choices: Choices,
  without: Proposal,
  before: RigResult,
  until: number,
  tools: PlanTools,
): Proposal | undefined {
  const watched = checkRig(without.document).lines.filter(({ verdict }) => verdict === 'Watch');
  const wanting = new Set([...watched.map(({ id }) => id), ...without.leftOut.map(({ line }) => line)]);
  if (wanting.size === 0) return undefined;
  const ground = { ...withMarket(own, 1, wanting, false), clearFirst: true };
  const proposal = solved(ground, marketChoices(own, choices, ground, tools, wanting), before, until, tools);
  const fewer = proposal.leftOut.length - without.leftOut.length || proposal.counts.Watch - without.counts.Watch;
  return fewer < 0 ? proposal : undefined;
}

/** Lines that no chain of the kit can serve anywhere: each of them wants a thing of its own. */
function hopelessOf({ tasks }: Problem, { still }: Choices): Set<string> {
  // What is Clear is served as it is: of the others every way is known.
  const served = new Set(still().flatMap(({ task, covers = [] }) => [task, ...covers]));
  return new Set(tasks.flatMap(({ line }, task) => (served.has(task) ? [] : [line.id])));
}

const thingsOf = ({ toGet }: Proposal): number => toGet.reduce((sum, { count }) => sum + count, 0);

/**
 * Columns with things to get; where nothing can be got, those that are known already.
 * @param inlets lines that may have an inlet that is to be got; all, where none are named
 */
function marketChoices(
  own: Problem,
  known: Choices,
  problem: Problem,
  tools: PlanTools,
  inlets?: ReadonlySet<string>,
): Choices {
  if (problem.wide) return choicesOf(problem, tools);
  return choicesOf(problem, tools, (task, place) => {
    const { id } = problem.tasks[task].line;
    if (problem.missing.has(id)) return columnsAt(problem, task, place);
    if (place < own.places.length) return known.at(task, place);
    return !inlets || inlets.has(id) ? columnsAt(problem, task, place) : [];
  });
}

/** The ground with what can be got: so many pieces of the catalogue on one line, and further inlets on switches of their own. */
export function withMarket(problem: Problem, mostToGet: number, missing: ReadonlySet<string>, wide: boolean): Problem {
  const toGet = inletsToGet(problem.document);
  const document = { ...problem.document, devices: [...problem.document.devices, ...toGet] };
  return {
    ...problem,
    document,
    places: placesOf(document, toGet),
    pieces: [...problem.pieces, ...market(problem.tasks.length, toGet)],
    judged: new Map(),
    candidates: new Map(),
    mostToGet,
    missing,
    wide,
  };
}
