import { checkRig } from '../rigcheck/rig';
import { schoolsOf } from '../rig/document';
import { assessor } from './assess';
import type { Column, Problem } from './assign/columns';
import { ownPieces } from './asItIs';
import { nobody } from './assign/greedy';
import { modelOf } from './assign/model';
import { choicesOf, problemOf } from './problem';
import { pieceLabel } from './pieces';
import type { Proposal, ToGet } from './proposal';
import type { Plan, PlanRequest, PlanTools } from './request';
import { solved } from './solved';
import { stockOf } from './stock';
import { withClearer, withOnePurchaseEach, withPurchases } from './purchases';

/** Who goes where, over what, with which switches on: the best patch there is, or the best found in the time given. */
export function planRig(request: PlanRequest, tools: PlanTools): Plan {
  const { document, kit, onlyKit, seconds } = request;
  const until = tools.clock() + seconds;
  const assess = assessor(schoolsOf(document), 'once');
  const before = checkRig(document);
  let own = problemOf(document, [...stockOf(kit, document, onlyKit ? 'listed' : 'drawn').values()], assess, before);
  let choices = choicesOf(own, tools);
  const clearFirst = !onlyKit && schoolsOf(document).ownedPart === 'clear';
  const quick = onlyKit || clearFirst ? undefined : withOnePurchaseEach(own, choices, before, until, tools);
  if (quick) return { proposal: quick };
  let first = solved(own, choices, before, until, tools);
  if (first.leftOut.length && tools.clock() < until && document.devices.some(({ feedLimit }) => feedLimit)) {
    const sparing: Problem = { ...own, sparing: true, judged: new Map() };
    const others = choicesOf(sparing, tools);
    const spared = solved(sparing, others, before, until, tools);
    if (spared.leftOut.length < first.leftOut.length) [own, choices, first] = [sparing, others, spared];
  }
  const clearer = clearFirst ? withClearer(own, choices, first, before, until, tools) : undefined;
  if (clearer) return { proposal: clearer };
  if (first.leftOut.length === 0) return { proposal: first };
  const instead = insteadOf(own, choices.all(), first, seconds, tools);
  if (onlyKit)
    return { proposal: { ...first, toGet: [...first.toGet, ...notOwned(own, first)] }, ...(instead && { instead }) };
  const missing = new Set(first.leftOut.map(({ line }) => line));
  const proposal = withPurchases(own, choices, missing, first, before, until, tools);
  return { proposal, ...(instead && { instead }) };
}

/** What lines that are left out have now and nobody owns: to get, or to rent. */
function notOwned(problem: Problem, { leftOut }: Proposal): ToGet[] {
  const out = new Set(leftOut.map(({ line }) => line));
  const found = new Map<string, ToGet>();
  for (const task of problem.tasks) {
    if (!out.has(task.line.id)) continue;
    const own = ownPieces(task, problem.pieces);
    for (const [n, part] of task.line.links.entries()) {
      if (own[n]) continue;
      const label = pieceLabel(part);
      const known = found.get(label) ?? { label, count: 0, kind: part.kind, lines: [] };
      found.set(label, { ...known, count: known.count + 1, lines: [...known.lines, task.line.name] });
    }
  }
  return [...found.values()];
}

/** What could be given up so that fewer lines are left out. */
function insteadOf(
  problem: Problem,
  columns: readonly Column[],
  { leftOut }: Proposal,
  seconds: number,
  { solver, clock }: PlanTools,
): Plan['instead'] {
  const model = modelOf(problem, columns, { relax: true });
  if (model.givenUp.length === 0) return undefined;
  const outcome = solver(model.program, model.stages.slice(0, 1), {
    seconds: seconds / 4,
    clock,
    start: nobody(model),
  });
  if (!outcome) return undefined;
  const relaxations = model.givenUp.filter(({ variable }) => outcome.solution[variable] > 0.5).map(({ what }) => what);
  const still = outcome.reached[0].value;
  return relaxations.length && still < leftOut.length ? { relaxations, leftOut: still } : undefined;
}
