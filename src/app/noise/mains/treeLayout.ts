import type { MainsReport } from '@/core/mains';
import { treeLayout as text } from './texts';

/** Height of a unit's row, and where things stand from left to right, in pixels. */
const ROW = 28;
const TOP = 16;
const WALL = 66;
const STEP = 152;
/** From an outlet to the bus that all that hangs on it branches from: past its tag. */
export const BUS = 66;
const LABELS = 196;
const LANE = 22;

export interface TreeLayout {
  width: number;
  height: number;
  wall: { x: number; y: number };
  outlets: { name: string; x: number; y: number; from: { x: number; y: number } }[];
  /** `from` is absent for what no earth conductor reaches. */
  units: { id: string; name: string; x: number; y: number; from?: { x: number; y: number }; how: string }[];
  /** Ties in lanes of their own, from the left; `x` is where the lane runs. */
  ties: { id: string; name: string; x: number; y: [number, number]; at: number; open: boolean }[];
}

/** Where the earth tree and what closes loops are drawn; no two rows and no two lanes lie on each other. */
export function treeLayout({ system }: Pick<MainsReport, 'system'>): TreeLayout {
  const { units, outlets, ties } = system;
  const children = (name: string | undefined) => outlets.filter(({ from }) => from === name);
  const depthOf = (name: string | undefined): number =>
    name === undefined ? 0 : 1 + depthOf(outlets.find((each) => each.name === name)?.from);
  const deepest = Math.max(0, ...outlets.map(({ name }) => depthOf(name)));
  const labels = WALL + deepest * STEP + BUS + 40;
  const rows = new Map<string, number>();
  const places = new Map<string, { x: number; y: number }>();
  let row = 0;
  /** Places what hangs on an outlet, and the outlet in the middle of it. */
  const place = (name: string | undefined): number[] => {
    const own = units.filter((unit) => unit.outlet === name);
    const at = own.map((unit) => {
      rows.set(unit.id, TOP + ROW * (row + 0.5));
      row += 1;
      return rows.get(unit.id)!;
    });
    const below = children(name).map((outlet) => {
      const inner = place(outlet.name);
      if (inner.length === 0) {
        inner.push(TOP + ROW * (row + 0.5));
        row += 1;
      }
      const y = (Math.min(...inner) + Math.max(...inner)) / 2;
      places.set(outlet.name, { x: WALL + depthOf(outlet.name) * STEP, y });
      return y;
    });
    return [...at, ...below];
  };
  const all = place(undefined);
  const wall = { x: WALL, y: all.length ? (Math.min(...all) + Math.max(...all)) / 2 : TOP + ROW / 2 };
  const placeOf = (outlet: string | undefined) => (outlet === undefined ? wall : (places.get(outlet) ?? wall));
  const lanes = ties
    .filter(({ between }) => between.every((id) => rows.has(id)))
    .map((tie) => ({ tie, y: tie.between.map((id) => rows.get(id)!).sort((a, b) => a - b) as [number, number] }))
    .sort((a, b) => a.y[1] - a.y[0] - (b.y[1] - b.y[0]));
  return {
    width: labels + LABELS + LANE * (lanes.length + 1),
    height: 2 * TOP + ROW * Math.max(row, 1),
    wall,
    outlets: outlets.map(({ name, from }) => ({ name, ...placeOf(name), from: placeOf(from) })),
    units: units.map(({ id, name, plug, outlet }) => ({
      id,
      name,
      x: labels,
      y: rows.get(id)!,
      ...(plug === 'three-pin' && { from: placeOf(outlet) }),
      how:
        plug === 'cells'
          ? text.batteries
          : plug === 'two-pin'
            ? text.twoPin
            : plug === 'earth lifted'
              ? text.noEarth
              : '',
    })),
    ties: lanes.map(({ tie, y }, n) => ({
      id: tie.id,
      name: tie.name,
      at: labels + LABELS,
      x: labels + LABELS + LANE * (n + 1),
      y,
      open: tie.ohms === undefined,
    })),
  };
}
