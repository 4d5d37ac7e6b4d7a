import fc from 'fast-check';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { factorComplex, solveComplex, type ComplexMatrix } from './complex';
import { factor, solve, workspace } from './real';

/** Entries as circuits have them: mostly nothing, else over many orders of magnitude. */
const entry = fc.oneof(
  { weight: 3, arbitrary: fc.constant(0) },
  { weight: 2, arbitrary: fc.double({ min: -4, max: 4, noNaN: true }) },
);
const system = fc.integer({ min: 1, max: 14 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    a: fc.array(entry, { minLength: n * n, maxLength: n * n }),
    b: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: n, maxLength: n }),
    /** Keeps the matrix well away from singular. */
    strong: fc.array(fc.double({ min: 40, max: 60, noNaN: true }), { minLength: n, maxLength: n }),
  }),
);
const diagonal = (a: number[], n: number, strong: number[]) =>
  a.map((value, k) => (k % (n + 1) === 0 ? strong[k / (n + 1)] : value));

test('agrees with ml-matrix on any regular matrix', () => {
  fc.assert(
    fc.property(system, ({ n, a, b, strong }) => {
      const matrix = Float64Array.from(diagonal(a, n, strong));
      const expected = new LuDecomposition(Matrix.from1DArray(n, n, matrix)).solve(Matrix.columnVector(b)).to1DArray();
      const space = workspace(n);
      const x = new Float64Array(n);
      expect(factor(matrix, n, space)).toBe(-1);
      solve(matrix, n, space, Float64Array.from(b), x);
      x.forEach((value, k) => expect(Math.abs(value - expected[k])).toBeLessThan(1e-10));
    }),
  );
});

test('a complex system is a real one of twice the size', () => {
  fc.assert(
    fc.property(system, system, ({ n, a, b, strong }, other) => {
      const re = diagonal(a, n, strong);
      const im = Array.from({ length: n * n }, (_, k) => other.a[k % other.a.length]);
      // [re -im; im re] · [x y] = [b 0]
      const twice = new Float64Array(4 * n * n);
      for (let row = 0; row < n; row++)
        for (let column = 0; column < n; column++) {
          twice[row * 2 * n + column] = twice[(row + n) * 2 * n + column + n] = re[row * n + column];
          twice[row * 2 * n + column + n] = -im[row * n + column];
          twice[(row + n) * 2 * n + column] = im[row * n + column];
        }
      const space = workspace(2 * n);
      const real = new Float64Array(2 * n);
      fc.pre(factor(twice, 2 * n, space) === -1);
      solve(twice, 2 * n, space, Float64Array.from([...b, ...b.map(() => 0)]), real);

      const matrix: ComplexMatrix = {
        n,
        re: Float64Array.from(re),
        im: Float64Array.from(im),
        order: new Int32Array(n),
      };
      const [x, y] = [new Float64Array(n), new Float64Array(n)];
      expect(factorComplex(matrix)).toBe(-1);
      solveComplex(matrix, Float64Array.from(b), x, y);
      const size = Math.max(1, ...real.map(Math.abs));
      for (let k = 0; k < n; k++) {
        expect(Math.abs(x[k] - real[k]) / size).toBeLessThan(1e-8);
        expect(Math.abs(y[k] - real[k + n]) / size).toBeLessThan(1e-8);
      }
    }),
  );
});

test('a singular matrix names the column that says nothing new', () => {
  const matrix = Float64Array.from([1, 2, 3, 2, 4, 6, 1, 0, 1]);
  expect(factor(matrix, 3, workspace(3))).toBe(2);
  expect(factor(new Float64Array(4), 2, workspace(2))).toBe(0);
  expect(
    factorComplex({
      n: 2,
      re: Float64Array.from([1, 1, 1, 1]),
      im: Float64Array.from([1, 1, 1, 1]),
      order: new Int32Array(2),
    }),
  ).toBe(1);
});

test('pivots: a zero on the diagonal is no obstacle', () => {
  const space = workspace(2);
  const matrix = Float64Array.from([0, 2, 4, 0]);
  const x = new Float64Array(2);
  expect(factor(matrix, 2, space)).toBe(-1);
  solve(matrix, 2, space, Float64Array.from([6, 8]), x);
  expect([...x]).toEqual([2, 3]);
});
