import { capacityAt } from './capacity';
import type { Figure } from '../../gear';
import type { Batteries } from '../../rig/document';
import type { Volts } from '../../units';

/** What a cell of a chemistry gives where nobody has stated more: values from memory, of the usual round cell. */
interface Chemistry {
  /** Mean voltage while it is emptied. */
  volts: Volts;
  /** In mAh. */
  charge: number;
  /** Share that can be used before a device gives up, in %. */
  usable: number;
}

const CELLS: Record<Batteries['chemistry'], Chemistry> = {
  alkaline: { volts: 1.2, charge: 2200, usable: 70 },
  'nickel metal hydride': { volts: 1.2, charge: 2000, usable: 85 },
  lithium: { volts: 1.4, charge: 3000, usable: 95 },
  'lithium ion': { volts: 3.6, charge: 2600, usable: 90 },
  // Cells of 3.7 V behind a converter to 5 V.
  'power bank': { volts: 3.7, charge: 10_000, usable: 95 },
  other: { volts: 1.2, charge: 2000, usable: 80 },
};

/** What a device takes with every feed off, where nobody has stated it, in W (an assumption of ours). */
const BASE_LOAD = 2;
/** Efficiency of a feed's converter, where nobody has stated it, in % (an assumption of ours). */
const EFFICIENCY = 75;

/** What a power bank’s converter lets through, in %, and the load below which it shuts off, in W (assumed: 70 mA at 5 V). */
const [BANK_EFFICIENCY, BANK_SHUTS] = [85, 0.35];

/** A figure of a device's cells, and whether somebody has stated it. */
export interface Taken {
  label: string;
  value: number;
  unit: 'mAh' | 'V' | '%' | 'W';
  basis: Figure['basis'];
}

export interface Energy {
  /** Of one set of cells, as far as it can be used at a light load, in Wh. */
  wattHours: number;
  chemistry: Batteries['chemistry'];
  cells: number;
  /** Of one cell: in mAh, and V. */
  charge: number;
  volts: Volts;
  /** A power bank shuts off below this, in W. */
  shutsOff?: number;
  /** With every feed off, in W. */
  base: number;
  /** Share of what the converter takes that arrives. */
  efficiency: number;
  /** Every figure that this rests on. */
  rests: Taken[];
}

/** The energy of one set of cells and what draws on it. */
export function energyOf({
  cells,
  chemistry,
  capacity,
  usable,
  baseLoad,
  efficiency,
  bankEfficiency,
  shutsOff,
}: Batteries): Energy {
  const typical = CELLS[chemistry];
  const taken = (
    label: string,
    unit: Taken['unit'],
    figure: Figure | undefined,
    value: number,
    basis: Figure['basis'],
  ) => ({ label, unit, value: figure?.value ?? value, basis: figure?.basis ?? basis }) satisfies Taken;
  const charge = taken('Capacity per cell', 'mAh', capacity, typical.charge, 'from memory');
  const share = taken('Share of it that can be used', '%', usable, typical.usable, 'from memory');
  const volts = taken('Mean voltage of one cell', 'V', undefined, typical.volts, 'from memory');
  const base = taken('With every feed off', 'W', baseLoad, BASE_LOAD, 'assumed');
  const converter = taken("Efficiency of the feeds' converter", '%', efficiency, EFFICIENCY, 'assumed');
  const bank = taken('Efficiency of the power bank', '%', bankEfficiency, BANK_EFFICIENCY, 'assumed');
  const shuts = taken('It shuts off below', 'W', shutsOff, BANK_SHUTS, 'assumed');
  const isBank = chemistry === 'power bank';
  return {
    wattHours: cells * (charge.value / 1000) * volts.value * (share.value / 100) * (isBank ? bank.value / 100 : 1),
    chemistry,
    cells,
    charge: charge.value,
    volts: volts.value,
    ...(isBank && { shutsOff: shuts.value }),
    base: base.value,
    efficiency: converter.value / 100,
    rests: [charge, volts, share, base, converter, ...(isBank ? [bank, shuts] : [])],
  };
}

/** How long one set lasts, in hours. @param feedWatts what all feeds together give */
export function hoursOf(energy: Energy, feedWatts: number): number {
  return (energy.wattHours * capacityOf(energy, feedWatts)) / loadOf(energy, feedWatts);
}

/** Part of the stated charge that there is while the feeds give so much. */
export function capacityOf(energy: Energy, feedWatts: number): number {
  const { chemistry, cells, charge, volts } = energy;
  return capacityAt(chemistry, (1000 * loadOf(energy, feedWatts)) / (cells * volts), charge);
}

/** What is taken from the cells, in W. */
export const loadOf = ({ base, efficiency }: Energy, feedWatts: number): number => base + feedWatts / efficiency;
