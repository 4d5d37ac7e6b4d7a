import fc from 'fast-check';
import { clock, solver } from '../../../../tests/planning';
import { Program, valueOf, weightsOf, type Goal, type Stage, type Term } from './program';

const options = { seconds: 60, clock };

/** Every solution of a small program, by trying all. */
function best(program: Program, goals: readonly Goal[]): number[] | undefined {
  const { uppers, rows } = program;
  let found: number[] | undefined;
  const holds = (solution: number[]) =>
    rows.every(({ terms, lower, upper }) => {
      const sum = terms.reduce((total, [variable, factor]) => total + factor * solution[variable], 0);
      return sum >= lower - 1e-9 && sum <= upper + 1e-9;
    });
  const visit = (solution: number[]): void => {
    if (solution.length < uppers.length) {
      for (let value = 0; value <= uppers[solution.length]; value++) visit([...solution, value]);
      return;
    }
    if (!holds(solution)) return;
    const values = goals.map((goal) => valueOf(goal, solution));
    const first = values.findIndex((value, n) => found === undefined || value !== found[n]);
    if (first >= 0 && (!found || values[first] < found[first])) found = values;
  };
  visit([]);
  return found;
}

test('four people, four jobs: the worked example of the Hungarian method (from memory) costs 275', async () => {
  const costs = [
    [90, 75, 75, 80],
    [35, 85, 55, 65],
    [125, 95, 90, 105],
    [45, 110, 95, 115],
  ];
  const program = new Program();
  const seat = costs.map((row) => row.map(() => program.variable()));
  for (let k = 0; k < 4; k++) {
    program.row(
      seat[k].map((variable): Term => [variable, 1]),
      { lower: 1, upper: 1 },
    );
    program.row(
      seat.map((row): Term => [row[k], 1]),
      { lower: 1, upper: 1 },
    );
  }
  const terms = costs.flatMap((row, i) => row.map((cost, j): Term => [seat[i][j], cost]));
  const outcome = (await solver)(program, [{ goals: [{ name: 'cost', terms, most: 1000 }] }], options)!;
  expect(outcome.reached).toEqual([{ name: 'cost', value: 275, bound: 275 }]);
  expect(best(program, [{ name: 'cost', terms, most: 1000 }])).toEqual([275]);
});

const terms = (variables: number) =>
  fc.array(fc.tuple(fc.nat(variables - 1), fc.integer({ min: -3, max: 4 })), { minLength: 1, maxLength: 5 });

const programs = fc.integer({ min: 2, max: 6 }).chain((size) =>
  fc.record({
    uppers: fc.array(fc.integer({ min: 1, max: 2 }), { minLength: size, maxLength: size }),
    rows: fc.array(fc.record({ terms: terms(size), upper: fc.integer({ min: 0, max: 5 }) }), { maxLength: 4 }),
    goals: fc.array(terms(size), { minLength: 1, maxLength: 4 }),
    together: fc.integer({ min: 1, max: 3 }),
  }),
);

test('goals one after the other, some of them together, come out as trying every solution does', async () => {
  const solve = await solver;
  fc.assert(
    fc.property(programs, ({ uppers, rows, goals: given, together }) => {
      const program = new Program();
      uppers.forEach((upper) => program.variable(upper));
      rows.forEach((row) => program.row(row.terms, { upper: row.upper }));
      const lowest = 60;
      // Goals are never below 0: the offset lifts them there.
      const goals = given.map((own, n): Goal => ({ name: `goal ${n}`, terms: own, offset: lowest, most: 2 * lowest }));
      const stages: Stage[] = [];
      for (let n = 0; n < goals.length; n += together) stages.push({ goals: goals.slice(n, n + together) });
      const outcome = solve(program, stages, options);
      expect(outcome?.reached.map(({ value }) => value)).toEqual(best(program, goals));
      expect(outcome?.optimal).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('weights: no later goal outweighs an earlier one', () => {
  const goals = [3, 5, 7].map((most, n): Goal => ({ name: `${n}`, terms: [], most }));
  expect(weightsOf({ goals })).toEqual([48, 8, 1]);
});

test('a program without a solution has no outcome', async () => {
  const program = new Program();
  const x = program.variable();
  program.row([[x, 1]], { lower: 2 });
  expect((await solver)(program, [{ goals: [{ name: 'x', terms: [[x, 1]], most: 1 }] }], options)).toBeUndefined();
});

test('what was reached in no time is told with what is proven of it', async () => {
  const program = new Program();
  const x = program.variable(9);
  program.row([[x, 1]], { lower: 3 });
  const goals = [{ name: 'x', terms: [[x, 1]] as Term[], most: 9 }];
  const outcome = (await solver)(program, [{ goals }], { seconds: 0, clock, start: [5] })!;
  expect(outcome).toEqual({ solution: [5], reached: [{ name: 'x', value: 5, bound: 0 }], optimal: false });
});

test('a start that breaks a row or a bound is not believed', async () => {
  const program = new Program();
  const x = program.variable(9);
  const y = program.variable(9);
  program.row(
    [
      [x, 1],
      [y, 1],
    ],
    { lower: 3 },
  );
  const goals = [
    {
      name: 'sum',
      terms: [
        [x, 1],
        [y, 2],
      ] as Term[],
      most: 30,
    },
  ];
  for (const start of [
    [0, 0],
    [12, 0],
    [-1, 4],
    [0.5, 0],
  ])
    expect((await solver)(program, [{ goals }], { ...options, start })).toMatchObject({
      solution: [3, 0],
      optimal: true,
    });
});

test('stages in which nothing is left to choose, and one that fractions think better of than it is', async () => {
  const program = new Program();
  const [a, b, c] = [program.variable(), program.variable(), program.variable()];
  // Of any two of the three one has to be there: halves of each would do, whole numbers take two.
  for (const pair of [
    [a, b],
    [b, c],
    [a, c],
  ])
    program.row(
      pair.map((variable): Term => [variable, 1]),
      { lower: 1 },
    );
  const goal = (name: string, terms: Term[]): Stage => ({ goals: [{ name, terms, most: 9 }] });
  const count = goal('count', [
    [a, 1],
    [b, 1],
    [c, 1],
  ]);
  const solve = (stages: Stage[], start?: number[]) =>
    solver.then((run) => run(program, stages, { ...options, start })!);
  const outcome = await solve([count, goal('without a', [[a, 5]]), goal('b', [[b, 2]]), goal('c', [[c, 3]])]);
  expect(outcome.solution).toEqual([0, 1, 1]);
  expect(outcome.reached.map(({ value, bound }) => [value, bound])).toEqual([
    [2, 2],
    [0, 0],
    [2, 2],
    [3, 3],
  ]);
  expect((await solve([count], [1, 1, 1])).reached).toEqual([{ name: 'count', value: 2, bound: 2 }]);
  const empty = new Program();
  empty.uppers.push(0, 0);
  const none = (await solver)(empty, [goal('nothing', [[0, 1]])], options)!;
  expect([none.solution, none.optimal]).toEqual([[0, 0], true]);
});
