/** Matrices with zeros below the first subdiagonal: made once by reflections, then solved in n² steps for any shift. */

/**
 * Brings a real row-major n × n matrix to Hessenberg form H = Qᵀ·A·Q, in place, and applies Qᵀ to every vector given.
 * (Householder's reduction, as in Golub and Van Loan, Matrix Computations, from memory.)
 */
export function toHessenberg(a: Float64Array, n: number, vectors: readonly Float64Array[]): void {
  const v = new Float64Array(n);
  for (let k = 0; k < n - 2; k++) {
    let norm = 0;
    for (let row = k + 1; row < n; row++) norm += a[row * n + k] ** 2;
    norm = Math.sqrt(norm);
    if (norm === 0) continue;
    const head = a[(k + 1) * n + k];
    const alpha = head > 0 ? -norm : norm;
    let length = 0;
    for (let row = k + 1; row < n; row++) {
      v[row] = a[row * n + k] - (row === k + 1 ? alpha : 0);
      length += v[row] ** 2;
    }
    if (length === 0) continue;
    const twice = 2 / length;
    for (let column = k; column < n; column++) {
      let sum = 0;
      for (let row = k + 1; row < n; row++) sum += v[row] * a[row * n + column];
      sum *= twice;
      for (let row = k + 1; row < n; row++) a[row * n + column] -= sum * v[row];
    }
    for (let row = 0; row < n; row++) {
      let sum = 0;
      for (let column = k + 1; column < n; column++) sum += a[row * n + column] * v[column];
      sum *= twice;
      for (let column = k + 1; column < n; column++) a[row * n + column] -= sum * v[column];
    }
    for (const vector of vectors) {
      let sum = 0;
      for (let row = k + 1; row < n; row++) sum += v[row] * vector[row];
      sum *= twice;
      for (let row = k + 1; row < n; row++) vector[row] -= sum * v[row];
    }
    for (let row = k + 2; row < n; row++) a[row * n + k] = 0;
  }
}

/**
 * Solves (re + j·im)·x = b for a Hessenberg matrix and a complex right-hand side, all in place: b becomes x. Numbers are
 * taken one by one: an array for a pair of them is made anew at every step.
 */
export function solveHessenberg(
  re: Float64Array,
  im: Float64Array,
  n: number,
  bRe: Float64Array,
  bIm: Float64Array,
): void {
  for (let k = 0; k < n - 1; k++) {
    const top = k * n;
    const below = top + n;
    if (Math.abs(re[below + k]) + Math.abs(im[below + k]) > Math.abs(re[top + k]) + Math.abs(im[top + k])) {
      for (let column = k; column < n; column++) {
        let kept = re[top + column];
        re[top + column] = re[below + column];
        re[below + column] = kept;
        kept = im[top + column];
        im[top + column] = im[below + column];
        im[below + column] = kept;
      }
      let kept = bRe[k];
      bRe[k] = bRe[k + 1];
      bRe[k + 1] = kept;
      kept = bIm[k];
      bIm[k] = bIm[k + 1];
      bIm[k + 1] = kept;
    }
    const pr = re[top + k];
    const pi = im[top + k];
    const norm = pr * pr + pi * pi;
    const ar = re[below + k];
    const ai = im[below + k];
    if ((ar === 0 && ai === 0) || norm === 0) continue;
    const fr = (ar * pr + ai * pi) / norm;
    const fi = (ai * pr - ar * pi) / norm;
    for (let column = k + 1; column < n; column++) {
      const br = re[top + column];
      const bi = im[top + column];
      re[below + column] -= fr * br - fi * bi;
      im[below + column] -= fr * bi + fi * br;
    }
    const br = bRe[k];
    const bi = bIm[k];
    bRe[k + 1] -= fr * br - fi * bi;
    bIm[k + 1] -= fr * bi + fi * br;
  }
  for (let row = n - 1; row >= 0; row--) {
    let sumRe = bRe[row];
    let sumIm = bIm[row];
    for (let column = row + 1; column < n; column++) {
      const k = row * n + column;
      sumRe -= re[k] * bRe[column] - im[k] * bIm[column];
      sumIm -= re[k] * bIm[column] + im[k] * bRe[column];
    }
    const k = row * n + row;
    const norm = re[k] * re[k] + im[k] * im[k];
    bRe[row] = (sumRe * re[k] + sumIm * im[k]) / norm;
    bIm[row] = (sumIm * re[k] - sumRe * im[k]) / norm;
  }
}
