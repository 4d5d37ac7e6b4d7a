import type { Figure } from '../gear';

/** Which pole a direct-current plug has on its centre contact. */
export type Centre = 'negative' | 'positive';

/** A direct-current supply for boxes and pedals that do not live on phantom. */
export interface DcSupply {
  id: string;
  name: string;
  outlets: number;
  /** Each outlet floats by itself; else all of them share one ground. */
  isolated: boolean;
  centre: Centre;
  /** At the outlet, in V. */
  volts: Figure;
  /** Most current of one outlet, in mA. */
  limit: Figure;
  /** Most current of all outlets together, in mA. */
  total?: Figure;
}

/** A battery-type direct box, a pedal: whatever is fed by a supply's outlet. */
export interface DcLoad {
  id: string;
  name: string;
  centre: Centre;
  /** Which pole its signal ground, and so its shield, is joined to. */
  ground: Centre;
  /** It has a clock inside. */
  digital: boolean;
  /** What it runs on, in V. */
  lowest: Figure;
  highest: Figure;
  /** What it draws, in mA. */
  current: Figure;
  /** The outlet that it hangs on, counted from 1. */
  on?: { supply: string; outlet: number };
}

/** Supplies and what hangs on them. */
export interface DirectCurrent {
  supplies: DcSupply[];
  loads: DcLoad[];
}
