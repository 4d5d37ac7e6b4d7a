import type { Term } from '../program/program';
import type { Column, Ground } from './columns';
import { draftOf, type Draft, type Model, type ModelOptions } from './model/draft';
import { stages } from './model/goals';
import { inlets } from './model/inlets';
import { stock } from './model/stock';
import { limits, switches } from './model/switches';
import { inletKey } from './places';

export type { Model, ModelOptions, Relaxation } from './model/draft';

/** Nobody touches what is Clear. */
function stayStill({ ground: { tasks, clear }, program, byTask, seats, stays }: Draft): void {
  tasks.forEach(({ line, now }, task) => {
    if (!clear.has(line.id)) return;
    const home = seats.get(task)?.find(({ key }) => key === inletKey(now!))?.variable ?? stays[task];
    if (home !== undefined) program.row([[home, 1]], { lower: 1 });
    const changed = byTask[task].filter(({ column }) => column.judged.changes > 0);
    if (changed.length)
      program.row(
        changed.map(({ variable }): Term => [variable, 1]),
        { upper: 0 },
      );
  });
}

/** Puts everything a plan must keep to, and everything it should make small, into whole numbers. */
export function modelOf(ground: Ground, columns: readonly Column[], options: ModelOptions = {}): Model {
  const draft = draftOf(ground, columns, options);
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
  if (options.still) stayStill(draft);
  const { stays, seats, unwished, cables, got, feeds, apart, givenUp } = draft;
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
    feeds,
    apart,
    givenUp,
  };
}
