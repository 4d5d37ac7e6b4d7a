/**
 * Dense LU decomposition with partial pivoting, in place. Line circuits have 10 to 40 unknowns, where a general matrix
 * library spends most of its time on its own objects (`npm run bench` shows the ratio to ml-matrix).
 */

/** A pivot smaller than this share of its column's largest entry means that the column says nothing new. */
const SINGULAR = 1e-14;

/** What the decomposition of matrices of one size needs besides the matrix; used again and again. */
export interface Workspace {
  order: Int32Array;
  largest: Float64Array;
  columns: Int32Array;
}

export const workspace = (n: number): Workspace => ({
  order: new Int32Array(n),
  largest: new Float64Array(n),
  columns: new Int32Array(n),
});

/**
 * Decomposes the row-major n × n matrix `a`, noting the row order in the workspace.
 * @returns -1, or the column at which the matrix turned out singular
 */
export function factor(a: Float64Array, n: number, { order, largest, columns }: Workspace): number {
  largest.fill(0);
  for (let row = 0; row < n; row++) {
    order[row] = row;
    for (let column = 0; column < n; column++) {
      const size = Math.abs(a[row * n + column]);
      if (size > largest[column]) largest[column] = size;
    }
  }
  for (let k = 0; k < n; k++) {
    let best = k;
    let size = Math.abs(a[k * n + k]);
    for (let row = k + 1; row < n; row++) {
      const other = Math.abs(a[row * n + k]);
      if (other > size) {
        size = other;
        best = row;
      }
    }
    if (!(size > SINGULAR * largest[k])) return k;
    if (best !== k) {
      for (let column = 0; column < n; column++) {
        const kept = a[k * n + column];
        a[k * n + column] = a[best * n + column];
        a[best * n + column] = kept;
      }
      const kept = order[k];
      order[k] = order[best];
      order[best] = kept;
    }
    const inverse = 1 / a[k * n + k];
    // Few of a circuit's nodes are neighbours: most of the pivot's row is zero and stays out of the inner loop.
    let filled = 0;
    for (let column = k + 1; column < n; column++) if (a[k * n + column] !== 0) columns[filled++] = column;
    for (let row = k + 1; row < n; row++) {
      const start = row * n;
      const share = a[start + k];
      if (share === 0) continue;
      const scaled = share * inverse;
      a[start + k] = scaled;
      for (let at = 0; at < filled; at++) a[start + columns[at]] -= scaled * a[k * n + columns[at]];
    }
  }
  return -1;
}

/** Solves for one right-hand side `b` with a matrix that `factor` decomposed; the answer goes to `x`. */
export function solve(a: Float64Array, n: number, { order }: Workspace, b: Float64Array, x: Float64Array): void {
  for (let row = 0; row < n; row++) {
    let sum = b[order[row]];
    for (let column = 0; column < row; column++) sum -= a[row * n + column] * x[column];
    x[row] = sum;
  }
  for (let row = n - 1; row >= 0; row--) {
    let sum = x[row];
    for (let column = row + 1; column < n; column++) sum -= a[row * n + column] * x[column];
    x[row] = sum / a[row * n + row];
  }
}
