import type { Term } from '../program/program';
import { isHome, isUnchanged, type Column, type Problem } from './columns';
import { draftOf, type Draft, type Model, type ModelOptions } from './model/draft';
import { stages } from './model/goals';
import { inlets } from './model/inlets';
import { stock } from './model/stock';
import { limits, switches } from './model/switches';
import type {} from '../places';
import { inletKey } from '../../gear';

export type { Model, ModelOptions, Relaxation } from './model/draft';

/** Nobody touches these: each has its own place, as it is, and no other. */
function stayStill(
  { problem: { tasks, places }, program, out, byTask, seats, stays }: Draft,
  whom: (task: number) => boolean,
): void {
  const forbid = (variable: number) => (program.uppers[variable] = 0);
  tasks.forEach((each, task) => {
    const { now } = each;
    if (!whom(task)) return;
    const own = byTask[task].filter(({ column }) => isUnchanged(column) && isHome(each, places[column.place]));
    const home = seats.get(task)?.find(({ key }) => key === inletKey(now!))?.variable ?? stays[task];
    if (own.length === 0 || home === undefined) return;
    for (const each of byTask[task]) if (!own.includes(each)) forbid(each.variable);
    for (const seat of seats.get(task) ?? []) if (seat.variable !== home) forbid(seat.variable);
    forbid(out[task]);
    program.row([[home, 1]], { lower: 1 });
  });
}

/** Every line has one of a few columns, or is left out. */
function only({ program, columns }: Draft, few: ReadonlySet<Column>): void {
  for (const { column, variable } of columns) if (!few.has(column)) program.uppers[variable] = 0;
}

/** Puts everything a plan must keep to, and everything it should make small, into whole numbers. */
export function modelOf(problem: Problem, columns: readonly Column[], options: ModelOptions = {}): Model {
  const draft = draftOf(problem, columns, options);
  const { program, out, byTask } = draft;
  // Every task has one column, or is left out.
  byTask.forEach((own, task) =>
    program.row([[out[task], 1], ...[...own, ...draft.covering(task)].map(({ variable }): Term => [variable, 1])], {
      lower: 1,
      upper: 1,
    }),
  );
  inlets(draft);
  switches(draft);
  limits(draft);
  stock(draft);
  if (options.still) stayStill(draft, (task) => problem.clear.has(problem.tasks[task].line.id));
  if (options.stays !== undefined) stayStill(draft, (task) => task === options.stays);
  if (options.only) only(draft, options.only);
  const { stays, seats, unwished, cables, got, lasts, feeds, apart, givenUp } = draft;
  return {
    program,
    stages: stages(draft),
    columns: draft.columns,
    out,
    stays,
    seats,
    unwished,
    cables,
    got,
    lasts,
    feeds,
    apart,
    givenUp,
  };
}
