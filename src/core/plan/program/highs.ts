import type { Highs, ModelData } from 'highs';
import {
  holds,
  summed,
  valueOf,
  weighed,
  weightsOf,
  Program,
  type Outcome,
  type Reached,
  type Row,
  type Solver,
  type Stage,
  type Sum,
} from './program';

/** Of the time that is left, what one stage may take. */
const SHARE = 0.6;
/** Of that, what it may take to see whether nothing is lost to whole numbers. */
const GUESS = 0.25;

/** Solves programs with HiGHS: one run for each stage, what the stages before have reached kept by a row each. */
export const highsSolver =
  (highs: Highs): Solver =>
  (program, stages, { seconds, clock, onProgress, start, enough }) => {
    const began = clock();
    const kept: Row[] = [];
    // What no solution that is as good as the one that is known can have is not looked at any more.
    const narrowed = Object.assign(new Program(), { rows: program.rows, uppers: [...program.uppers] });
    const reached: Reached[] = [];
    let solution = start && holds(program, start) ? [...start] : undefined;
    const outcome = (from: number[], own: readonly Reached[]): Outcome => {
      const known = new Map(own.map((each) => [each.name, each]));
      const all = stages
        .flatMap(({ goals }) => goals)
        .map((goal): Reached => known.get(goal.name) ?? { name: goal.name, value: valueOf(goal, from), bound: 0 });
      return { solution: from, reached: all, optimal: all.every(({ value, bound }) => value <= bound) };
    };
    for (const [n, stage] of stages.entries()) {
      const sum = weighed(stage, solution);
      let relaxed: Relaxed | undefined;
      // What takes too long leaves time for what comes after it: an answer that is not proven is a tidy one all the same.
      const left = () => (seconds - (clock() - began)) * (n < stages.length - 1 ? SHARE : 1);
      const settled = solution && valueOf(sum, solution) <= sum.floor;
      if (settled) reached.push(...proven(stage, solution!));
      else {
        const { name } = stage.goals[0];
        onProgress?.({ goal: name, outcome: solution && outcome(solution, reached) });
        relaxed = left() > 0 ? relax(highs, narrowed, kept, sum, left()) : undefined;
        if (relaxed) sum.floor = Math.max(sum.floor, relaxed.bound);
        if (relaxed && solution) narrow(narrowed, relaxed, valueOf(sum, solution), solution);
        const isBest = () => solution !== undefined && valueOf(sum, solution) <= sum.floor;
        const told = (better: number[], bound: number) =>
          onProgress?.({ goal: name, outcome: outcome(better, [...reached, ...bounded(stage, better, bound)]) });
        const lucky = relaxed && !isBest() ? atFloor(highs, narrowed, kept, sum, relaxed, left() * GUESS) : undefined;
        if (lucky === NONE) sum.floor++;
        else if (lucky) solution = lucky.solution;
        const run = isBest()
          ? { solution: solution!, bound: sum.floor, optimal: true }
          : left() > 0
            ? found(minimise(highs, narrowed, kept, sum, left(), solution, told))
            : undefined;
        if (!run && !solution) return undefined;
        solution = run ? run.solution : solution!;
        reached.push(
          ...(run && run.optimal ? proven(stage, solution) : bounded(stage, solution, run ? run.bound : sum.floor)),
        );
      }
      if (enough && reached.slice(-stage.goals.length).some(enough)) break;
      if (relaxed) narrow(narrowed, relaxed, valueOf(sum, solution!), solution!);
      kept.push({ terms: summed(sum.terms), lower: -Infinity, upper: valueOf(sum, solution!) - (sum.offset ?? 0) });
    }
    return solution && outcome(solution, reached);
  };

/** A program of fractions as well: what no whole solution can be below, and what each variable more than none costs at least. */
interface Relaxed {
  bound: number;
  exact: number;
  duals: readonly number[];
}

/** What sums of whole numbers may be off by in the arithmetic of the optimiser. */
const SLACK = 1e-3;

function relax(highs: Highs, program: Program, kept: readonly Row[], sum: Sum, seconds: number): Relaxed | undefined {
  const few = fewer(highs, program, kept, sum.terms);
  if (few.used.length === 0) return undefined;
  const model = highs.createModel(few.data);
  try {
    model.options.set({ output_flag: false, time_limit: seconds, random_seed: 1 });
    model.run();
    if (model.getModelStatus() !== highs.constants.modelStatus.optimal) return undefined;
    const exact = (model.info.get('objective_function_value') as number) + (sum.offset ?? 0);
    return { bound: Math.ceil(exact - SLACK), exact, duals: spread(few, model.getSolution().colDual) };
  } finally {
    model.dispose();
  }
}

/** There is no solution. */
const NONE = 'none';

const found = (run: Run | typeof NONE | undefined): Run | undefined => (run === NONE ? undefined : run);

/**
 * A solution for which a sum is as small as the program of fractions lets it be: it is sought among the variables that
 * would not make it larger, which are few. Where there is none, the sum is larger for every solution.
 */
function atFloor(
  highs: Highs,
  program: Program,
  kept: readonly Row[],
  sum: Sum,
  relaxed: Relaxed,
  seconds: number,
): Run | typeof NONE | undefined {
  const few = Object.assign(new Program(), { rows: program.rows, uppers: [...program.uppers] });
  narrow(few, relaxed, sum.floor, []);
  const most: Row = { terms: sum.terms, lower: -Infinity, upper: sum.floor - (sum.offset ?? 0) };
  return minimise(highs, few, [...kept, most], sum, seconds, undefined, () => undefined);
}

/** Variables that would make a sum larger than it has to be are none from here on. */
function narrow({ uppers }: Program, { exact, duals }: Relaxed, value: number, solution: readonly number[]): void {
  for (const [variable, cost] of duals.entries())
    if (!solution[variable] && exact + cost > value + SLACK) uppers[variable] = 0;
}

const proven = ({ goals }: Stage, solution: readonly number[]): Reached[] =>
  goals.map((goal) => ({ name: goal.name, value: valueOf(goal, solution), bound: valueOf(goal, solution) }));

/** What a bound of the weighed sum says of its goals: something of the first, nothing of the others. */
const bounded = (stage: Stage, solution: readonly number[], bound: number): Reached[] =>
  stage.goals.map((goal, n) => {
    const value = valueOf(goal, solution);
    return { name: goal.name, value, bound: n === 0 ? Math.min(value, Math.floor(bound / weightsOf(stage)[0])) : 0 };
  });

interface Run {
  solution: number[];
  bound: number;
  optimal: boolean;
}

function minimise(
  highs: Highs,
  program: Program,
  kept: readonly Row[],
  sum: Sum,
  seconds: number,
  start: readonly number[] | undefined,
  onBetter: (solution: number[], bound: number) => void,
): Run | typeof NONE | undefined {
  const few = fewer(highs, program, kept, sum.terms);
  if (few.used.length === 0) {
    const nothing = spread(few, []);
    return few.data.numRows ? NONE : { solution: nothing, bound: valueOf(sum, nothing), optimal: true };
  }
  const model = highs.createModel(inWhole(highs, few));
  const { callbackType, modelStatus } = highs.constants;
  try {
    // Every sum is a whole number: what is less than one below the best is as good as the best.
    model.options.set({
      output_flag: false,
      time_limit: seconds,
      mip_rel_gap: 0,
      mip_abs_gap: 0.99,
      random_seed: 1,
    });
    if (start) model.setSolution({ colValue: Float64Array.from(few.used, (variable) => start[variable]) });
    const whole = (bound: unknown) =>
      typeof bound === 'number' && Number.isFinite(bound)
        ? Math.max(sum.floor, Math.ceil(bound + (sum.offset ?? 0) - 1e-6))
        : sum.floor;
    let best: number[] | undefined;
    model.run({
      [callbackType.mipImprovingSolution](event) {
        const { mip_solution: better, mip_dual_bound: bound } = event.data;
        if (!better) return undefined;
        best = spread(few, rounded(better));
        onBetter(best, whole(bound));
        return undefined;
      },
      [callbackType.mipInterrupt](event) {
        if (best && valueOf(sum, best) <= sum.floor) event.interrupt();
        return undefined;
      },
    });
    const status = model.getModelStatus();
    if (status === modelStatus.infeasible) return NONE;
    const done = status === modelStatus.optimal;
    const solution = done ? spread(few, rounded(model.getSolution().colValue)) : best;
    if (!solution) return undefined;
    const value = valueOf(sum, solution);
    const optimal = done || value <= sum.floor;
    return { solution, bound: optimal ? value : Math.min(value, whole(model.info.get('mip_dual_bound'))), optimal };
  } finally {
    model.dispose();
  }
}

const rounded = (values: ArrayLike<number>): number[] => Array.from(values, (value) => Math.round(value));

/** A program without the variables that can be nothing but none. */
interface Few {
  /** The others. */
  used: readonly number[];
  /** How many there are with those that are none. */
  all: number;
  /** As a program of fractions. */
  data: ModelData;
}

function fewer(highs: Highs, { uppers, rows }: Program, kept: readonly Row[], goal: Row['terms']): Few {
  const place = new Int32Array(uppers.length).fill(-1);
  const used: number[] = [];
  uppers.forEach((upper, variable) => {
    if (upper > 0) place[variable] = used.push(variable) - 1;
  });
  const colCost = new Float64Array(used.length);
  for (const [variable, factor] of goal) if (place[variable] >= 0) colCost[place[variable]] += factor;
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  const lowers: number[] = [];
  const tops: number[] = [];
  const finite = (bound: number) => Math.max(-highs.infinity, Math.min(highs.infinity, bound));
  for (const { terms, lower, upper } of [...rows, ...kept]) {
    for (const [variable, factor] of terms) {
      if (place[variable] < 0) continue;
      indices.push(place[variable]);
      values.push(factor);
    }
    // Without any variable it is kept by itself, or by nothing.
    if (indices.length === starts.at(-1) && lower <= 0 && upper >= 0) continue;
    starts.push(indices.length);
    lowers.push(finite(lower));
    tops.push(finite(upper));
  }
  const [numCols, numRows] = [used.length, lowers.length];
  return {
    used,
    all: uppers.length,
    data: {
      numCols,
      numRows,
      colCost,
      colLower: new Float64Array(numCols),
      colUpper: Float64Array.from(used, (variable) => uppers[variable]),
      rowLower: lowers,
      rowUpper: tops,
      matrix: { format: 'csr', numRows, numCols, starts, indices, values },
    },
  };
}

/** Numbers of the variables that are used, with none for the others. */
function spread({ used, all }: Few, values: ArrayLike<number>): number[] {
  const whole = new Array<number>(all).fill(0);
  used.forEach((variable, n) => (whole[variable] = values[n]));
  return whole;
}

/** The same in whole numbers. */
const inWhole = (highs: Highs, { data }: Few): ModelData => ({
  ...data,
  integrality: new Int32Array(data.numCols).fill(highs.constants.variableType.integer),
});
