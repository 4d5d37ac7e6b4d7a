import type { Batteries } from '../../rig';

/** Part of its stated charge that a cell gives at a load, at points in between on a line over the logarithm of the current. */
type Curve = readonly (readonly [load: number, part: number])[];

/**
 * Capacity falls with load. Alkaline and lithium iron disulphide cells by the current itself, in mA (typical data sheets
 * of the round cell of 14.5 mm, from memory); cells that are charged by the current over an hour’s charge (data sheets of
 * both sorts, from memory).
 */
const CURVES: Record<Batteries['chemistry'], { per: 'milliamps' | 'charge'; curve: Curve }> = {
  alkaline: {
    per: 'milliamps',
    curve: [
      [25, 1.1],
      [100, 1],
      [250, 0.82],
      [500, 0.62],
      [1000, 0.42],
    ],
  },
  lithium: {
    per: 'milliamps',
    curve: [
      [250, 1],
      [1000, 0.93],
      [2000, 0.85],
    ],
  },
  'nickel metal hydride': {
    per: 'charge',
    curve: [
      [0.3, 1],
      [0.5, 0.95],
      [1, 0.9],
      [2, 0.8],
    ],
  },
  'lithium ion': {
    per: 'charge',
    curve: [
      [0.5, 1],
      [1, 0.97],
      [2, 0.92],
    ],
  },
  'power bank': {
    per: 'charge',
    curve: [
      [0.5, 1],
      [1, 0.97],
    ],
  },
  other: { per: 'charge', curve: [[1, 1]] },
};

/** Part of the stated charge that there is at a load. @param milliamps out of each cell @param charge of one cell, in mAh */
export function capacityAt(chemistry: Batteries['chemistry'], milliamps: number, charge: number): number {
  const { per, curve } = CURVES[chemistry];
  const load = per === 'milliamps' ? milliamps : milliamps / charge;
  const after = curve.findIndex(([at]) => at >= load);
  if (after === 0) return curve[0][1];
  if (after < 0) return curve.at(-1)![1];
  const [[a, from], [b, to]] = [curve[after - 1], curve[after]];
  return from + ((to - from) * Math.log(load / a)) / Math.log(b / a);
}
