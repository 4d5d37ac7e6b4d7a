/** One set of cells after the other through a day. */
export interface CellDay {
  /** Hours from the start at which cells are changed. */
  changes: number[];
  /** Corners of the curve of what is left: hours from the start, share from 1 to 0. */
  curve: { at: number; left: number }[];
  /** Sets of cells that the day takes. */
  sets: number;
}

/** Most sets that a day is drawn with. */
const MOST_SETS = 48;

/**
 * How cells empty over a day when they are changed before the reserve is touched.
 * @param lasts how long one set lasts, in hours, above 0
 * @param day how long the day is, in hours
 * @param reserve what must be left at every moment, in hours of running
 */
export function dayOnCells(lasts: number, day: number, reserve: number): CellDay {
  const until = Math.max(lasts - reserve, lasts / 10);
  const curve: CellDay['curve'] = [];
  const changes: number[] = [];
  let start = 0;
  while (curve.length < 2 * MOST_SETS) {
    const end = Math.min(start + until, day);
    curve.push({ at: start, left: 1 }, { at: end, left: 1 - (end - start) / lasts });
    if (end >= day) break;
    changes.push(end);
    start = end;
  }
  return { changes, curve, sets: changes.length + 1 };
}
