import type { RigResult } from '../check/rig';
import { columnsAt, type Column, type Ground } from './assign/columns';
import { inletsToGet, placesOf } from './assign/places';
import { allColumns } from './ground';
import type { Proposal } from './proposal';
import type { PlanTools } from './request';
import { solved } from './solved';
import { market } from './stock';

/**
 * The plan with the fewest things to get. First they are sought for the lines that have no place; if that takes more than
 * one thing for each line that nothing in the kit can serve, boxes for other lines are tried too, and two things a line.
 */
export function withThings(
  own: Ground,
  columns: readonly Column[],
  missing: ReadonlySet<string>,
  without: Proposal,
  before: RigResult,
  until: number,
  tools: PlanTools,
): Proposal {
  const hopeless = hopelessOf(own, columns).size;
  let best = without;
  for (const { most, wide } of [
    { most: 1, wide: false },
    { most: 1, wide: true },
    { most: 2, wide: true },
  ]) {
    const ground = withMarket(own, most, missing, wide);
    const proposal = solved(ground, marketColumns(own, columns, ground, tools), before, until, tools);
    const got = thingsOf(proposal);
    const fewer = proposal.leftOut.length - best.leftOut.length;
    if (fewer < 0 || (fewer === 0 && best !== without && got < thingsOf(best))) best = proposal;
    if (best.leftOut.length === 0 && (wide || got <= hopeless || tools.clock() > until)) break;
  }
  return best;
}

/** The plan with one thing for each line that nothing in the kit can serve; undefined if that is not enough. */
export function withOneThingEach(
  own: Ground,
  columns: readonly Column[],
  before: RigResult,
  until: number,
  tools: PlanTools,
): Proposal | undefined {
  const hopeless = hopelessOf(own, columns);
  if (hopeless.size === 0) return undefined;
  const ground = withMarket(own, 1, hopeless, false);
  const got = marketColumns(own, columns, ground, tools, hopeless);
  const proposal = solved(ground, got, before, until, tools);
  return proposal.leftOut.length === 0 && thingsOf(proposal) === hopeless.size ? proposal : undefined;
}

/** Lines that no chain of the kit can serve anywhere: each of them wants a thing of its own. */
const hopelessOf = ({ tasks }: Ground, columns: readonly Column[]): Set<string> =>
  new Set(
    tasks.flatMap(({ line }, task) =>
      columns.some((column) => column.task === task || column.covers?.includes(task)) ? [] : [line.id],
    ),
  );

const thingsOf = ({ toGet }: Proposal): number => toGet.reduce((sum, { count }) => sum + count, 0);

/**
 * Columns with things to get; where nothing can be got, those that are known already.
 * @param inlets lines that may have an inlet that is to be got; all, where none are named
 */
function marketColumns(
  own: Ground,
  known: readonly Column[],
  ground: Ground,
  tools: PlanTools,
  inlets?: ReadonlySet<string>,
): Column[] {
  if (ground.wide) return allColumns(ground, tools);
  const total = ground.tasks.length;
  return ground.tasks.flatMap(({ line }, task) => {
    tools.onProgress?.({ doing: 'chains', of: 'what can be got', done: task, total });
    return ground.places.flatMap((_place, place) => {
      if (ground.missing.has(line.id)) return columnsAt(ground, task, place);
      if (place < own.places.length) return known.filter((column) => column.task === task && column.place === place);
      return !inlets || inlets.has(line.id) ? columnsAt(ground, task, place) : [];
    });
  });
}

/** The ground with what can be got: so many pieces of the catalogue on one line, and further inlets on switches of their own. */
export function withMarket(ground: Ground, mostToGet: number, missing: ReadonlySet<string>, wide: boolean): Ground {
  const toGet = inletsToGet(ground.document);
  const document = { ...ground.document, devices: [...ground.document.devices, ...toGet] };
  return {
    ...ground,
    document,
    places: placesOf(document, toGet),
    pieces: [...ground.pieces, ...market(ground.tasks.length, toGet)],
    judged: new Map(),
    mostToGet,
    missing,
    wide,
  };
}
