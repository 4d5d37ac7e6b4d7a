/** Figures of gear: a number, its unit, and where it comes from. */

export const BASES = ['published', 'maker', 'measured', 'common practice', 'from memory', 'assumed'] as const;
/** Where a figure comes from: a published standard, the maker's sheet, a measurement, trade practice, memory, or a guess. */
export type Basis = (typeof BASES)[number];

/** Whether somebody has said a figure of this very thing: its data sheet, a meter or a standard. */
export const isStated = (basis: Basis): boolean => ['published', 'maker', 'measured'].includes(basis);

export const BASIS_LABELS: Record<Basis, string> = {
  published: 'published standard',
  maker: 'data sheet',
  measured: 'measured',
  'common practice': 'typical',
  'from memory': 'from memory',
  assumed: 'assumed',
};

/** Units of the format, with the factor that leads to the SI unit (decibels and ratios stay as they are). */
export const UNITS = {
  V: 1,
  mV: 1e-3,
  A: 1,
  mA: 1e-3,
  Ω: 1,
  kΩ: 1e3,
  MΩ: 1e6,
  nF: 1e-9,
  µF: 1e-6,
  H: 1,
  'mm²': 1e-6,
  s: 1,
  h: 3600,
  mAh: 3.6,
  W: 1,
  Wh: 3600,
  '%': 0.01,
  '°': Math.PI / 180,
  m: 1,
  Hz: 1,
  'Ω/m': 1,
  'pF/m': 1e-12,
  'mV/Pa': 1e-3,
  dB: 1,
  dBu: 1,
  'dB SPL': 1,
  ':1': 1,
} as const;
export type Unit = keyof typeof UNITS;

export interface Figure {
  value: number;
  unit: Unit;
  basis: Basis;
  /** Page, sheet or person it was taken from. */
  where?: string;
}

/** What a kind of gear knows about one of its figures. */
export interface FigureSpec {
  label: string;
  unit: Unit;
  /** Range that makes sense, in `unit`, both ends included. */
  min: number;
  max: number;
  /** The catalogue's figure; absent where the figure may stay open. */
  typical?: { value: number; basis: Basis; where?: string };
  help?: string;
}

export interface Option {
  value: string;
  label: string;
  /** How it is said of a part, where its label would not read well behind the name of the choice. */
  said?: string;
}

/** One of several ways a piece of gear is built, set or wired. */
export interface ChoiceSpec {
  label: string;
  options: readonly Option[];
  standard: string;
  /** A question to the maker or the manual: `unknown` is one of the options, solved once for each other answer. */
  question?: {
    ask: string;
    drawnAs: string;
    /** It decides something only on a line whose shield is open or lifted. */
    matters?: 'shield open';
  };
  help?: string;
  /** It is set by hand on the spot, and may be set otherwise for the next job. */
  setting?: true;
  /** What it is called beside the name of its part, where that is shorter. */
  called?: string;
  /** Few parts of the kind have it: off, it is not spoken of unless somebody has said that it is there. */
  seldom?: true;
  /** A setting that gives or takes power: a plan may ask for it. */
  powers?: true;
}

export const UNKNOWN = 'unknown';
