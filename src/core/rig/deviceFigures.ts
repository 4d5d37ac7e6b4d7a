/** Ranges of the figures that devices, runs and direct-current supplies have; shared by the check of a document and its published schema. */

import type { Unit } from '../gear/figures';

export interface Range {
  label: string;
  unit: Unit;
  min: number;
  max: number;
}

export const DEVICE_FIGURES = {
  ramp: { label: 'Time over which the feed rises', unit: 's', min: 0, max: 60 },
  feedLimit: { label: 'Most current of all feeds together', unit: 'mA', min: 1, max: 5000 },
} as const satisfies Record<string, Range>;

export const BATTERY_FIGURES = {
  capacity: { label: 'Capacity per cell', unit: 'mAh', min: 10, max: 100000 },
  usable: { label: 'Usable share of the charge', unit: '%', min: 1, max: 100 },
  baseLoad: { label: 'What it takes with every feed off', unit: 'W', min: 0.001, max: 500 },
  efficiency: { label: "Efficiency of the feeds' converter", unit: '%', min: 1, max: 100 },
  bankEfficiency: { label: 'Efficiency of the power bank', unit: '%', min: 1, max: 100 },
  shutsOff: { label: 'Load below which the power bank shuts off', unit: 'W', min: 0.001, max: 50 },
  hours: { label: 'How long one set has to last', unit: 'h', min: 0.1, max: 1000 },
  reserve: { label: 'Reserve for the last take', unit: 'h', min: 0, max: 100 },
} as const satisfies Record<string, Range>;

export const RUN_FIGURE: Range = { label: 'Cable needed', unit: 'm', min: 0, max: 500 };

export const ROOM_FIGURE: Range = { label: 'Room noise, A-weighted', unit: 'dB SPL', min: 0, max: 120 };
/** Octaves that room noise is stated in, in Hz. */
export const OCTAVES = [31.5, 63, 125, 250, 500, 1000, 2000, 4000, 8000, 16000] as const;

export const DC_SUPPLY_FIGURES = {
  volts: { label: 'Voltage at the outlet', unit: 'V', min: 1, max: 60 },
  limit: { label: 'Most current of one outlet', unit: 'mA', min: 1, max: 10000 },
  total: { label: 'Most current of all outlets together', unit: 'mA', min: 1, max: 100000 },
} as const satisfies Record<string, Range>;

export const DC_LOAD_FIGURES = {
  lowest: { label: 'Least voltage it runs on', unit: 'V', min: 1, max: 60 },
  highest: { label: 'Maximum voltage', unit: 'V', min: 1, max: 60 },
  current: { label: 'Current it draws', unit: 'mA', min: 0.1, max: 10000 },
} as const satisfies Record<string, Range>;

export const UNIT_FIGURES = {
  leakage: { label: 'Capacitor from live to chassis', unit: 'nF', min: 0.001, max: 1000 },
  current: { label: 'Current from the mains', unit: 'A', min: 0, max: 63 },
  chassis: { label: 'Chassis to earth, measured', unit: 'V', min: 0, max: 1000 },
  touch: { label: 'Touch current, measured', unit: 'mA', min: 0, max: 1000 },
} as const satisfies Record<string, Range>;

export const OUTLET_FIGURES = {
  length: { label: 'Length of its lead', unit: 'm', min: 0, max: 500 },
  section: { label: 'Cross-section', unit: 'mm²', min: 0.2, max: 120 },
  earth: { label: 'Earth path, measured', unit: 'Ω', min: 0, max: 1e6 },
  rating: { label: 'Rated for', unit: 'A', min: 0.5, max: 400 },
  backup: { label: 'Uninterruptible supply holds', unit: 'Wh', min: 1, max: 1e6 },
} as const satisfies Record<string, Range>;

/** What somebody has measured of how a line hears the mains. */
export const GROUND_FIGURES = {
  shells: { label: 'Between the shells, unplugged', unit: 'mV', min: 0.001, max: 1e6 },
  against: { label: 'Between the shells, calculated when measured', unit: 'mV', min: 1e-9, max: 1e9 },
  contact: { label: 'Contact resistance of its shield', unit: 'Ω', min: 0, max: 1e4 },
  pinOne: { label: 'Shared behind pin 1', unit: 'Ω', min: 0, max: 10 },
  rejection: { label: 'Common-mode rejection', unit: 'dB', min: 0, max: 140 },
} as const satisfies Record<string, Range>;

export const BESIDE_FIGURES = {
  distance: { label: 'Distance', unit: 'm', min: 0.005, max: 100 },
  length: { label: 'Length side by side', unit: 'm', min: 0.01, max: 500 },
  angle: { label: 'Angle', unit: '°', min: 0, max: 90 },
} as const satisfies Record<string, Range>;

export const FIFTH: Range = { label: 'Fifth harmonic', unit: '%', min: 0, max: 30 };

export const CHEMISTRIES = [
  'alkaline',
  'nickel metal hydride',
  'lithium',
  'lithium ion',
  'power bank',
  'other',
] as const;

export const MOST_LOCATIONS = 64;
export const MOST_RUNS = 512;
export const MOST_WISHES = 512;
export const MOST_SUPPLIES = 64;
export const MOST_UNITS = 64;
/** Most groups of monitors, and most devices that are heard on one of them. */
export const MOST_MONITORS = 32;
export const MOST_MONITORED = 64;
