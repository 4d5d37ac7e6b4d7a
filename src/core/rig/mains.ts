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
  /** Pairs of diodes in its earth conductor: small currents stop there, a fault does not. */
  isolator?: true;
  /** What the uninterruptible supply that it hangs on holds when it is new. */
  backup?: Figure;
  /** Behind a surge protector. */
  surge?: true;
}

/** What may be said of an outlet with yes or no. */
export const OUTLET_SETTINGS = {
  otherLeg: 'Other leg of a split phase',
  isolator: 'Galvanic isolator (diodes in its earth lead)',
  surge: 'Surge protector',
} as const satisfies Partial<Record<keyof Outlet, string>>;

/** What joins the grounds of two units beside the lines of the rig. */
export const CONNECTIONS = {
  USB: 'USB',
  network: 'shielded network lead',
  display: 'display lead',
  antenna: 'antenna lead',
  metal: 'rack, hull or stage of metal',
  bond: 'bonding lead',
} as const;
export type ConnectionKind = keyof typeof CONNECTIONS;

export interface Connection {
  between: [string, string];
  kind: ConnectionKind;
  /** An isolator in it parts the grounds; it passes speed and power as its sheet says. */
  isolated?: true;
}

/** What somebody has measured of how a line hears the mains. */
export interface LineGround {
  line: string;
  /** Between the shells of its two plugs, pulled, everything else as it is; RMS. */
  shells?: Figure;
  /** What was calculated there when it was measured: so much more or less runs on this line, whatever is changed later. */
  against?: Figure;
  /** In its shield, of contacts that are not clean. */
  contact?: Figure;
  /** What its inlet's signal ground shares with the shield (pin 1). */
  pinOne?: Figure;
  /** Of common-mode voltage, at the mains frequency. */
  rejection?: Figure;
}

/** A line beside the mains lead of a unit, or beside its transformer or motor. */
export interface Beside {
  line: string;
  unit: string;
  distance: Figure;
  length: Figure;
  /** Between the two, 0 where they run in parallel. */
  angle?: Figure;
  /** It is the coil inside the unit, not its lead. */
  coil?: true;
}

/** The mains side of a job, as far as somebody has said it. */
export interface Mains {
  supply?: SupplyName;
  /** Whether the neutral is joined to earth; not known where it is left out: taken as joined. */
  neutral?: 'bonded' | 'free';
  /** A transformer with an earthed centre tap: both poles stand half the voltage from earth. */
  balanced?: true;
  /** Fifth harmonic of the voltage, against its fundamental. */
  fifth?: Figure;
  outlets?: Outlet[];
  connections?: Connection[];
  lines?: LineGround[];
  beside?: Beside[];
}

/** Stands for the earth of the supply in use, where something is joined to that; no unit can be called so. */
export const EARTH = 'supply earth';

export const MOST_OUTLETS = 64;
export const MOST_CONNECTIONS = 256;
/** What is said of lines, and of what runs beside them. */
export const MOST_GROUNDS = 512;
