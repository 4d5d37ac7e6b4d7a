import type { Term } from '../program/program';
import type { Column, Ground } from './columns';
import { draftOf, type Model, type ModelOptions } from './model/draft';
import { stages } from './model/goals';
import { inlets } from './model/inlets';
import { stock } from './model/stock';
import { limits, switches } from './model/switches';

export type { Model, ModelOptions, Relaxation } from './model/draft';

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
