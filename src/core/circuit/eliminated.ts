import type { Seconds } from '../units';
import { carve, carveOn } from './linear/carve';
import { factor, solve, workspace } from './linear/real';
import type { System } from './equations';
import { stampTangent } from './tangent';
import { waveAt } from './wave';

/**
 * A circuit between two events without the unknowns that hold no energy. Those left, m of them, follow
 * (s + share · c)·x = right − Σ into[k]·r[k], where r[k] is what flows through non-linear element k besides inside[k] · v.
 * All matrices lie in rows.
 */
export interface Eliminated {
  /** Where each of the m unknowns stands among the n of the whole circuit. */
  kept: readonly number[];
  /** m × m. */
  s: Float64Array;
  c: Float64Array;
  /** The slope of each non-linear element that is in `s` already: that at 0 V. */
  inside: readonly number[];
  /** Where the current of each flows out of the m equations: k times m. */
  into: readonly Float64Array[];
  /** Its voltage is over[k]·x + open[k] − Σ beside[k][j]·r[j]. */
  over: readonly Float64Array[];
  beside: Float64Array;
  /** What the sources drive at a moment; the next call overwrites it. */
  driven(at: Seconds): Driven;
  /** The right-hand side of all n equations at a moment. */
  whole(at: Seconds): Float64Array;
  /** All n unknowns from the m, into `x`. */
  expand(small: Float64Array, rest: Float64Array, at: Seconds, x: Float64Array): void;
}

/** What the sources drive: the right-hand side of the m equations, a share of each non-linear voltage, and of each unknown that is gone. */
interface Driven {
  right: Float64Array;
  open: Float64Array;
  gone: Float64Array;
}

/** Eliminates what no capacitor and no inductor touches. @param pins nodes that are held at 0 V for want of a way to ground */
export function eliminate(system: System, pins: readonly number[]): Eliminated {
  const { size: n, c, nonLinear } = system;
  const g = system.g.slice();
  for (const pin of pins) g[pin * n + pin] += 1;
  const unused = new Float64Array(n);
  const inside = nonLinear.map((part) => stampTangent(part, 0, g, unused, n));
  const { kept, gone, matrix, space } = split(g, c, n);
  const [m, e, k] = [kept.length, gone.length, nonLinear.length];

  // Each column is what the eliminated unknowns do for 1 of something: a kept unknown, a current, a source.
  const right = new Float64Array(e);
  const takeColumn = carveOn(e);
  const follow = (of: (row: number) => number): Float64Array => {
    for (let row = 0; row < e; row++) right[row] = of(gone[row]);
    const column = takeColumn();
    solve(matrix, e, space, right, column);
    return column;
  };
  const ends = nonLinear.map(
    ({ a, b }) =>
      (row: number) =>
        Number(row === a) - Number(row === b),
  );
  const ofKept = kept.map((column) => follow((row) => -g[row * n + column]));
  const ofRest = ends.map((end) => follow((row) => -end(row)));
  const sources = sourcesOf(system).map(({ at, drive }) => ({ at, drive, column: follow((row) => drive[row]) }));

  /** What the kept equations have of the eliminated unknowns, besides zeros. */
  const shared = kept.flatMap((row, i) =>
    gone.map((column, j) => ({ i, j, value: g[row * n + column] })).filter(({ value }) => value !== 0),
  );
  /** What the eliminated unknowns put onto the kept equations. */
  const onto = (column: Float64Array): Float64Array => {
    const sums = new Float64Array(m);
    for (const { i, j, value } of shared) sums[i] += value * column[j];
    return sums;
  };
  const take = carve(2 * m * m + k * k);
  const [s, small, beside] = [take(m * m), take(m * m), take(k * k)];
  ofKept.forEach((column, j) => {
    const more = onto(column);
    kept.forEach((row, i) => {
      s[i * m + j] = g[row * n + kept[j]] + more[i];
      small[i * m + j] = c[row * n + kept[j]];
    });
  });
  const into = ofRest.map((column, j) => {
    const more = onto(column);
    return Float64Array.from(kept, (row, i) => ends[j](row) + more[i]);
  });
  const place = new Int32Array(n).fill(-1);
  gone.forEach((row, j) => (place[row] = j));
  /** The voltage between an element's ends, as far as eliminated unknowns have a share in it. */
  const between = (column: Float64Array, j: number): number => {
    const { a, b } = nonLinear[j];
    return (a < 0 || place[a] < 0 ? 0 : column[place[a]]) - (b < 0 || place[b] < 0 ? 0 : column[place[b]]);
  };
  const over = nonLinear.map((_, j) => Float64Array.from(kept, (row, i) => ends[j](row) + between(ofKept[i], j)));
  for (let i = 0; i < k; i++) for (let j = 0; j < k; j++) beside[i * k + j] = -between(ofRest[j], i);
  const driving = sources.map(({ at, drive, column }) => {
    const more = onto(column);
    return {
      at,
      column,
      right: Float64Array.from(kept, (row, i) => drive[row] - more[i]),
      open: Float64Array.from(nonLinear, (_, j) => between(column, j)),
    };
  });

  const follows = new Float64Array(e * (m + k));
  [...ofKept, ...ofRest].forEach((column, i) => {
    for (let j = 0; j < e; j++) follows[j * (m + k) + i] = column[j];
  });

  const sum = { right: new Float64Array(m), open: new Float64Array(k), gone: new Float64Array(e) };
  let summed: Seconds | undefined;
  const driven = (at: Seconds): Driven => {
    // Without a wave it is the same at any moment.
    if (summed === at || (summed !== undefined && driving.length === 1)) return sum;
    sum.right.fill(0);
    sum.open.fill(0);
    sum.gone.fill(0);
    for (const source of driving) {
      const value = source.at(at);
      if (value === 0) continue;
      for (let i = 0; i < m; i++) sum.right[i] += value * source.right[i];
      for (let j = 0; j < k; j++) sum.open[j] += value * source.open[j];
      for (let j = 0; j < e; j++) sum.gone[j] += value * source.column[j];
    }
    summed = at;
    return sum;
  };

  return {
    kept,
    s,
    c: small,
    inside,
    into,
    over,
    beside,
    driven,
    whole(at) {
      const z = new Float64Array(n);
      for (const { at: value, drive } of sources) for (let row = 0; row < n; row++) z[row] += value(at) * drive[row];
      return z;
    },
    expand(x, rest, at, whole) {
      const { gone: still } = driven(at);
      for (let i = 0; i < m; i++) whole[kept[i]] = x[i];
      for (let j = 0; j < e; j++) {
        let sum = still[j];
        const row = j * (m + k);
        for (let i = 0; i < m; i++) sum += follows[row + i] * x[i];
        for (let i = 0; i < k; i++) sum += follows[row + m + i] * rest[i];
        whole[gone[j]] = sum;
      }
    },
  };
}

/** Which unknowns stay, and the decomposed equations of the others; what has no answer of its own stays as well. */
function split(g: Float64Array, c: Float64Array, n: number) {
  const stays = new Uint8Array(n);
  for (let row = 0; row < n; row++)
    for (let column = 0; column < n; column++) if (c[row * n + column] !== 0) stays[row] = stays[column] = 1;
  for (;;) {
    const kept = Array.from({ length: n }, (_, row) => row).filter((row) => stays[row]);
    const gone = Array.from({ length: n }, (_, row) => row).filter((row) => !stays[row]);
    const e = gone.length;
    const matrix = new Float64Array(e * e);
    for (let i = 0; i < e; i++) for (let j = 0; j < e; j++) matrix[i * e + j] = g[gone[i] * n + gone[j]];
    const space = workspace(e);
    const column = factor(matrix, e, space);
    if (column < 0) return { kept, gone, matrix, space };
    stays[gone[column]] = 1;
  }
}

/** The right-hand side as a sum: what is always there, and each wave times what it drives. */
function sourcesOf(system: System): { at: (moment: Seconds) => number; drive: Float64Array }[] {
  const waves = system.netlist.elements.flatMap((element) => {
    if (!('wave' in element) || !element.wave?.length) return [];
    const { wave } = element;
    const drive = new Float64Array(system.size);
    if (element.type === 'voltageSource') {
      drive[system.branch(element.name)!] = 1;
      return [{ at: (moment: Seconds) => waveAt(wave, moment) - element.volts, drive }];
    }
    const [a, b] = [system.node(element.a)!, system.node(element.b)!];
    if (a >= 0) drive[a] -= 1;
    if (b >= 0) drive[b] += 1;
    return [{ at: (moment: Seconds) => waveAt(wave, moment) - element.amps, drive }];
  });
  return [{ at: () => 1, drive: system.z }, ...waves];
}
