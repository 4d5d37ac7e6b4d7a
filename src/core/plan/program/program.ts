/** An integer program: variables with bounds, rows that bound sums of them. All goals and rows have whole coefficients. */

export type Term = readonly [variable: number, factor: number];

export interface Row {
  terms: readonly Term[];
  lower: number;
  upper: number;
}

export class Program {
  readonly uppers: number[] = [];
  readonly rows: Row[] = [];

  /** Adds a whole variable from 0 to `upper`. @returns its number */
  variable(upper = 1): number {
    this.uppers.push(upper);
    return this.uppers.length - 1;
  }

  /** lower ≤ sum of the terms ≤ upper; a term given twice counts twice. */
  row(terms: readonly Term[], { lower = -Infinity, upper = Infinity }: { lower?: number; upper?: number }): void {
    this.rows.push({ terms: summed(terms), lower, upper });
  }
}

/** Whether whole numbers keep to every bound and every row of a program. */
export const holds = ({ uppers, rows }: Program, solution: ArrayLike<number>): boolean =>
  uppers.every((upper, variable) => solution[variable] >= 0 && solution[variable] <= upper) &&
  rows.every(({ terms, lower, upper }) => {
    const sum = terms.reduce((total, [variable, factor]) => total + factor * solution[variable], 0);
    return sum >= lower && sum <= upper;
  });

/** Terms with each variable once. */
export function summed(terms: readonly Term[]): Term[] {
  const sums = new Map<number, number>();
  for (const [variable, factor] of terms) sums.set(variable, (sums.get(variable) ?? 0) + factor);
  return [...sums].filter(([, factor]) => factor !== 0);
}

/** Something to make small, by name. */
export interface Goal {
  name: string;
  terms: readonly Term[];
  /** Added to the sum of the terms. */
  offset?: number;
  /** What it can never be above. */
  most: number;
}

/** Goals that are pursued together, the first of them before the others. */
export interface Stage {
  goals: readonly Goal[];
  /**
   * What the weighed sum of them can never be below where the stages before it are as good as in a solution; 0 where nobody
   * knows better.
   */
  floor?: (solution: ArrayLike<number> | undefined) => number;
}

/** What one of a goal weighs in its stage, so that no later goal of it can outweigh an earlier one. */
export const weightsOf = ({ goals }: Stage): number[] =>
  goals.map((_, n) => goals.slice(n + 1).reduce((weight, { most }) => weight * (most + 1), 1));

/** A stage as the one number that is made small. */
export type Sum = Pick<Goal, 'terms' | 'offset'> & { floor: number };

/**
 * The goals of a stage in one sum, none of which a later one can outweigh.
 * @param solution what the stages before it have come to
 */
export function weighed(stage: Stage, solution?: ArrayLike<number>): Sum {
  const weights = weightsOf(stage);
  return {
    terms: summed(stage.goals.flatMap(({ terms }, n) => terms.map(([v, factor]) => [v, factor * weights[n]] as const))),
    offset: stage.goals.reduce((sum, { offset = 0 }, n) => sum + offset * weights[n], 0),
    floor: stage.floor?.(solution) ?? 0,
  };
}

/** What was reached of one goal, and what is proven of it. */
export interface Reached {
  name: string;
  value: number;
  /** No solution that is as good in the goals before has less. */
  bound: number;
}

export const valueOf = ({ terms, offset = 0 }: Pick<Goal, 'terms' | 'offset'>, solution: ArrayLike<number>): number =>
  Math.round(terms.reduce((sum, [variable, factor]) => sum + factor * solution[variable], offset));

export interface Outcome {
  /** A whole number for each variable. */
  solution: number[];
  /** In the order of the stages and their goals. */
  reached: Reached[];
  /** Every goal is proven to be as small as it can be, those before it kept. */
  optimal: boolean;
}

/** What is known while a program is being solved. */
export interface Progress {
  /** The goal that is worked at. */
  goal: string;
  /** Absent until there is a solution. */
  outcome?: Outcome;
}

export interface SolveOptions {
  /** Time for all goals together, in seconds. */
  seconds: number;
  /** Seconds since any fixed moment. */
  clock: () => number;
  onProgress?: (progress: Progress) => void;
  /** A solution to begin with; what is none is left aside. */
  start?: readonly number[];
  /** Whether what one goal has come to answers the question: no later stage is looked at then. */
  enough?: (reached: Reached) => boolean;
}

/** Makes the goals of stages small, the earlier ones first. @returns undefined if there is no solution, or none was found in time */
export type Solver = (program: Program, stages: readonly Stage[], options: SolveOptions) => Outcome | undefined;
