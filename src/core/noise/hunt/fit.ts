import type { Decibels } from '../../units';
import type { Cause } from './cause';

/** Levels fitted to what was heard. */
export interface Fit {
  base: Decibels;
  /** Undefined where the measurements say nothing of it. */
  adds: (Decibels | undefined)[];
  /** Heard less expected, in dB. */
  residuals: number[];
  /** Logarithm of the evidence at a scatter. */
  evidence: (sigma: Decibels) => number;
}

/** A level that is free has been thought of over so much. */
const RANGE: Decibels = 45;
const ROUNDS = 7;
const LN10_10 = Math.LN10 / 10;

/**
 * Fits what stays and what each cause adds: y = 10 log₁₀(Σ 10^(θ/10)) over what is on, by Gauss and Newton in decibels.
 * @param patterns of each cause, 1 where it was on
 */
export function fitLevels(levels: readonly Decibels[], patterns: readonly (readonly number[])[], cause: Cause): Fit {
  if (cause === 'does not fit') return anything(levels);
  if (cause === 'comes and goes') return wavering(levels, patterns[0] ?? levels.map(() => 1));
  const size = patterns.length + 1;
  const most = Math.max(...levels);
  // What is on in a measurement, what stays among it.
  const rows = levels.map((_, n) => [1, ...patterns.map((pattern) => pattern[n])]);
  const quiet = levels.filter((_, n) => patterns.every((pattern) => pattern[n] === 0));
  const base = quiet.length ? quiet.reduce((sum, each) => sum + each, 0) / quiet.length : Math.min(...levels) - 3;
  const theta = [base, ...patterns.map((pattern) => Math.max(base, startOf(levels, pattern, patterns, base)))];
  const [lowest, highest] = [most - RANGE, most + 3];
  // A culprit makes what stays louder by 3 dB at least: what adds less is none.
  const clamp = (value: number, n: number) => Math.min(highest, Math.max(n === 0 ? lowest : theta[0], value));
  let residuals: number[] = [];
  let normal: number[][] = [];
  for (let round = 0; round <= ROUNDS; round++) {
    normal = Array.from({ length: size }, () => new Array<number>(size).fill(0));
    const right = new Array<number>(size).fill(0);
    residuals = levels.map((level, n) => {
      const powers = theta.map((value, k) => (rows[n][k] ? Math.exp(LN10_10 * value) : 0));
      const sum = powers.reduce((total, power) => total + power, 0);
      const off = level - Math.log(sum) / LN10_10;
      for (let a = 0; a < size; a++) {
        const slope = powers[a] / sum;
        right[a] += slope * off;
        for (let b = 0; b < size; b++) normal[a][b] += (slope * powers[b]) / sum;
      }
      return off;
    });
    if (round === ROUNDS) break;
    const damped = normal.map((row, a) => row.map((value, b) => value + (a === b ? 0.02 : 0)));
    const step = solved(damped, right);
    for (let n = 0; n < size; n++) theta[n] = clamp(theta[n] + Math.max(-12, Math.min(12, step[n])), n);
  }
  const squares = residuals.reduce((sum, off) => sum + off * off, 0);
  return {
    base: theta[0],
    adds: theta.slice(1).map((value, n) => (normal[n + 1][n + 1] > 0.05 ? value : undefined)),
    residuals,
    evidence(sigma) {
      // A normal prior as wide as the range keeps what is not determined from counting for or against.
      const prior = (Math.sqrt(12) / RANGE) ** 2;
      const information = normal.map((row, a) => row.map((value, b) => value / sigma ** 2 + (a === b ? prior : 0)));
      const freedom = 0.5 * (size * Math.log(prior) - Math.log(Math.max(determinant(information), 1e-300)));
      return -levels.length * Math.log(sigma * Math.sqrt(2 * Math.PI)) - squares / (2 * sigma ** 2) + freedom;
    },
  };
}

/** Where the level of a cause is looked for first: what it adds where it is on with the fewest others. */
function startOf(
  levels: readonly Decibels[],
  pattern: readonly number[],
  all: readonly (readonly number[])[],
  base: Decibels,
): Decibels {
  let [best, fewest] = [Math.max(...levels), Infinity];
  levels.forEach((level, n) => {
    if (!pattern[n]) return;
    const others = all.reduce((sum, other) => sum + other[n], 0);
    if (others > fewest || (others === fewest && level > best)) return;
    [best, fewest] = [level, others];
  });
  return (
    10 * Math.log10(Math.max(10 ** (best / 10) - 10 ** (base / 10), 0.2 * 10 ** (best / 10)) / Math.max(1, fewest))
  );
}

/** Loud at some of the times that it may be, and quiet at the others; each with even odds. */
function wavering(levels: readonly Decibels[], pattern: readonly number[]): Fit {
  const may = levels.filter((_, n) => pattern[n]);
  const off = levels.filter((_, n) => !pattern[n]);
  const sorted = may.toSorted((a, b) => a - b);
  // Two clusters: where the gap is widest.
  let gap = 1;
  for (let n = 1; n < sorted.length; n++) if (sorted[n] - sorted[n - 1] > sorted[gap] - sorted[gap - 1]) gap = n;
  const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / (list.length || 1);
  const low = mean([...sorted.slice(0, gap), ...off]);
  const high = Math.max(mean(sorted.slice(gap)), low + 3);
  const residuals = levels.map((level, n) =>
    pattern[n] && Math.abs(level - high) < Math.abs(level - low) ? level - high : level - low,
  );
  return {
    base: low,
    adds: pattern.includes(0) ? [high] : [],
    residuals,
    evidence(sigma) {
      const density = (level: number, about: number) =>
        Math.exp(-((level - about) ** 2) / (2 * sigma ** 2)) / (sigma * Math.sqrt(2 * Math.PI));
      const fit = levels.reduce(
        (sum, level, n) =>
          sum +
          Math.log((pattern[n] ? 0.5 * density(level, low) + 0.5 * density(level, high) : density(level, low)) + 1e-12),
        0,
      );
      // Two levels that were free.
      return (
        fit +
        2 * Math.log(Math.min(1, (Math.sqrt(2 * Math.PI) * sigma) / Math.sqrt(Math.max(1, levels.length / 2)) / RANGE))
      );
    },
  };
}

/** Every level by itself. */
const anything = (levels: readonly Decibels[]): Fit => ({
  base: levels.reduce((sum, each) => sum + each, 0) / (levels.length || 1),
  adds: [],
  residuals: levels.map(() => 0),
  evidence: () => -levels.length * Math.log(RANGE / 2),
});

/** Gauss’ elimination, pivots on the diagonal: the matrix is symmetric and positive. */
function solved(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const n = right.length;
  const a = matrix.map((row, k) => [...row, right[k]]);
  for (let k = 0; k < n; k++)
    for (let row = k + 1; row < n; row++) {
      const factor = a[row][k] / (a[k][k] || 1e-12);
      for (let column = k; column <= n; column++) a[row][column] -= factor * a[k][column];
    }
  const out = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k--) {
    let sum = a[k][n];
    for (let column = k + 1; column < n; column++) sum -= a[k][column] * out[column];
    out[k] = sum / (a[k][k] || 1e-12);
  }
  return out;
}

function determinant(matrix: readonly (readonly number[])[]): number {
  const a = matrix.map((row) => [...row]);
  let product = 1;
  for (let k = 0; k < a.length; k++) {
    product *= a[k][k];
    for (let row = k + 1; row < a.length; row++) {
      const factor = a[row][k] / (a[k][k] || 1e-300);
      for (let column = k; column < a.length; column++) a[row][column] -= factor * a[k][column];
    }
  }
  return product;
}
