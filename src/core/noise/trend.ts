import type { Dbfs, Seconds } from '../units';

/** A floor that was measured. */
export interface Floor {
  /** In UTC, as ISO 8601 has it. */
  at: string;
  plain: Dbfs;
  weighted: Dbfs;
}

/** One floor, or those of some days in the middle of them. */
export interface TrendPoint extends Floor {
  /** The quietest and the loudest of them, as `plain`. */
  least: Dbfs;
  most: Dbfs;
  count: number;
}

/** As many as a small chart shows one beside the other. */
const MOST = 40;
const DAY: Seconds = 86_400;
/** A day, a week, four weeks, a quarter, a year: the first that leaves few enough. */
const SPANS: readonly Seconds[] = [DAY, 7 * DAY, 28 * DAY, 91 * DAY, 365 * DAY];

const seconds = (at: string): Seconds => Date.parse(at) / 1000;
const middle = (levels: readonly Dbfs[]): Dbfs => levels.toSorted((a, b) => a - b)[levels.length >> 1];

/**
 * Floors as a chart can show them, the oldest first: one by one as long as there are few, else those of a day or of a
 * longer time together, by their median.
 */
export function trendOf(floors: readonly Floor[]): TrendPoint[] {
  const inOrder = floors.toSorted((a, b) => seconds(a.at) - seconds(b.at));
  if (inOrder.length <= MOST) return inOrder.map((floor) => together([floor]));
  for (const span of SPANS) {
    const groups = new Map<number, Floor[]>();
    for (const floor of inOrder) {
      const key = Math.floor(seconds(floor.at) / span);
      const own = groups.get(key);
      if (own) own.push(floor);
      else groups.set(key, [floor]);
    }
    if (groups.size <= MOST || span === SPANS.at(-1)) return [...groups.values()].map(together);
  }
  return [];
}

function together(floors: readonly Floor[]): TrendPoint {
  const levels = floors.map(({ plain }) => plain);
  return {
    at: floors[floors.length >> 1].at,
    plain: middle(levels),
    weighted: middle(floors.map(({ weighted }) => weighted)),
    least: Math.min(...levels),
    most: Math.max(...levels),
    count: floors.length,
  };
}
