import type { Figure } from '../gear';

/** How a unit is joined to the mains. */
export const PLUGS = {
  'three-pin': 'three-pin, earthed',
  'two-pin': 'two-pin',
  cells: 'batteries',
  'earth lifted': 'three-pin, earth missing',
} as const;
export type MainsPlug = keyof typeof PLUGS;

/** Supplies by voltage and frequency; the legs of a split phase are told apart at the outlets. */
export const SUPPLIES = {
  '230 V 50 Hz': { label: '230 V, 50 Hz', volts: 230, hertz: 50 },
  '120 V 60 Hz': { label: '120 V, 60 Hz', volts: 120, hertz: 60 },
  '100 V 50 Hz': { label: '100 V, 50 Hz', volts: 100, hertz: 50 },
  '100 V 60 Hz': { label: '100 V, 60 Hz', volts: 100, hertz: 60 },
} as const;
export type SupplyName = keyof typeof SUPPLIES;

/** An outlet or a strip. What hangs on it names it as it names its outlet. */
export interface Outlet {
  name: string;
  /** The outlet that its lead is plugged into; the wall where none is named. */
  from?: string;
  /** Of its lead. */
  length?: Figure;
  /** Cross-section of its conductors, in mm². */
  section?: Figure;
  /** Of its earth path, as a tester for that purpose reads it. */
  earth?: Figure;
  /** What its fuse or its sheet allows. */
  rating?: Figure;
  /** The other leg of a split phase. */
  otherLeg?: true;
}

/** What joins the grounds of two units beside the lines of the rig. */
export const CONNECTIONS = {
  USB: 'USB',
  network: 'shielded network lead',
  display: 'display lead',
  metal: 'rack, hull or stage of metal',
  bond: 'bonding lead',
} as const;
export type ConnectionKind = keyof typeof CONNECTIONS;

export interface Connection {
  between: [string, string];
  kind: ConnectionKind;
}

/** The mains side of a job, as far as somebody has said it. */
export interface Mains {
  supply?: SupplyName;
  /** Whether the neutral is joined to earth; not known where it is left out: taken as joined. */
  neutral?: 'bonded' | 'free';
  outlets?: Outlet[];
  connections?: Connection[];
}

/** Stands for the earth of the supply in use, where something is joined to that; no unit can be called so. */
export const EARTH = 'supply earth';

export const MOST_OUTLETS = 64;
export const MOST_CONNECTIONS = 256;
