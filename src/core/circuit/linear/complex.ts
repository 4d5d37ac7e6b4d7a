/** Dense complex LU decomposition with partial pivoting, in place; real and imaginary parts in arrays of their own. */

export interface ComplexMatrix {
  n: number;
  re: Float64Array;
  im: Float64Array;
  order: Int32Array;
}

const SINGULAR = 1e-14;

/** Decomposes the matrix. @returns -1, or the column at which it turned out singular */
export function factorComplex({ n, re, im, order }: ComplexMatrix): number {
  const largest = new Float64Array(n);
  const columns = new Int32Array(n);
  for (let row = 0; row < n; row++) {
    order[row] = row;
    for (let column = 0; column < n; column++) {
      const size = Math.abs(re[row * n + column]) + Math.abs(im[row * n + column]);
      if (size > largest[column]) largest[column] = size;
    }
  }
  for (let k = 0; k < n; k++) {
    let best = k;
    let size = 0;
    for (let row = k; row < n; row++) {
      const other = Math.abs(re[row * n + k]) + Math.abs(im[row * n + k]);
      if (other > size) {
        size = other;
        best = row;
      }
    }
    if (!(size > SINGULAR * largest[k])) return k;
    if (best !== k) swapRows(re, im, order, n, k, best);
    const pivotRe = re[k * n + k];
    const pivotIm = im[k * n + k];
    const norm = pivotRe * pivotRe + pivotIm * pivotIm;
    let filled = 0;
    for (let column = k + 1; column < n; column++)
      if (re[k * n + column] !== 0 || im[k * n + column] !== 0) columns[filled++] = column;
    for (let row = k + 1; row < n; row++) {
      const ar = re[row * n + k];
      const ai = im[row * n + k];
      if (ar === 0 && ai === 0) continue;
      const fr = (ar * pivotRe + ai * pivotIm) / norm;
      const fi = (ai * pivotRe - ar * pivotIm) / norm;
      re[row * n + k] = fr;
      im[row * n + k] = fi;
      for (let at = 0; at < filled; at++) {
        const column = columns[at];
        const br = re[k * n + column];
        const bi = im[k * n + column];
        re[row * n + column] -= fr * br - fi * bi;
        im[row * n + column] -= fr * bi + fi * br;
      }
    }
  }
  return -1;
}

function swapRows(re: Float64Array, im: Float64Array, order: Int32Array, n: number, a: number, b: number): void {
  for (let column = 0; column < n; column++) {
    let kept = re[a * n + column];
    re[a * n + column] = re[b * n + column];
    re[b * n + column] = kept;
    kept = im[a * n + column];
    im[a * n + column] = im[b * n + column];
    im[b * n + column] = kept;
  }
  const kept = order[a];
  order[a] = order[b];
  order[b] = kept;
}

/** Solves for a real right-hand side `b`; the answer goes to `xRe` and `xIm`. */
export function solveComplex(m: ComplexMatrix, b: Float64Array, xRe: Float64Array, xIm: Float64Array): void {
  const { n, re, im, order } = m;
  for (let row = 0; row < n; row++) {
    let sumRe = b[order[row]];
    let sumIm = 0;
    for (let column = 0; column < row; column++) {
      const k = row * n + column;
      sumRe -= re[k] * xRe[column] - im[k] * xIm[column];
      sumIm -= re[k] * xIm[column] + im[k] * xRe[column];
    }
    xRe[row] = sumRe;
    xIm[row] = sumIm;
  }
  for (let row = n - 1; row >= 0; row--) {
    let sumRe = xRe[row];
    let sumIm = xIm[row];
    for (let column = row + 1; column < n; column++) {
      const k = row * n + column;
      sumRe -= re[k] * xRe[column] - im[k] * xIm[column];
      sumIm -= re[k] * xIm[column] + im[k] * xRe[column];
    }
    const k = row * n + row;
    const norm = re[k] * re[k] + im[k] * im[k];
    xRe[row] = (sumRe * re[k] + sumIm * im[k]) / norm;
    xIm[row] = (sumIm * re[k] - sumRe * im[k]) / norm;
  }
}
