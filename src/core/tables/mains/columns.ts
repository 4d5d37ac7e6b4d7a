import type { Beside, Connection, Mains, Outlet, Unit } from '../../rig';

/** What a row is of. */
export const WHATS = ['supply', 'unit', 'outlet', 'connection', 'line', 'beside'] as const;
export type What = (typeof WHATS)[number];

/** Columns of figures, by what they are of. */
export const FIGURE_COLUMNS = {
  supply: { 'fifth %': 'fifth' },
  unit: { 'current A': 'current', 'filter nF': 'leakage', 'chassis V': 'chassis', 'touch mA': 'touch' },
  outlet: {
    'length m': 'length',
    'section mm2': 'section',
    'earth ohm': 'earth',
    'rating A': 'rating',
    'ups Wh': 'backup',
  },
  connection: {},
  line: {
    'shells mV': 'shells',
    'calculated mV': 'against',
    'contact ohm': 'contact',
    'pin 1 ohm': 'pinOne',
    'rejection dB': 'rejection',
  },
  beside: { 'distance m': 'distance', 'length m': 'length', 'angle deg': 'angle' },
} as const satisfies Record<What, Record<string, string>>;

/** What the column of settings may say, and what that means. */
export const SETTINGS: {
  supply: Record<string, Pick<Mains, 'neutral' | 'balanced'>>;
  unit: Record<string, Pick<Unit, 'blocks' | 'audioGround'>>;
  outlet: Record<string, Pick<Outlet, 'otherLeg' | 'isolator' | 'surge'>>;
  connection: Record<string, Pick<Connection, 'isolated'>>;
  line: Record<string, never>;
  beside: Record<string, Pick<Beside, 'coil'>>;
} = {
  supply: {
    'neutral bonded': { neutral: 'bonded' },
    'neutral free': { neutral: 'free' },
    balanced: { balanced: true },
  },
  unit: {
    'earth-current blocker': { blocks: true },
    'audio ground over a resistor': { audioGround: 'resistor' },
    'audio ground lifted': { audioGround: 'lifted' },
  },
  outlet: { 'other leg': { otherLeg: true }, isolator: { isolator: true }, 'surge protector': { surge: true } },
  connection: { isolated: { isolated: true } },
  line: {},
  beside: { coil: { coil: true } },
};

const ALL_FIGURES = [...new Set(Object.values(FIGURE_COLUMNS).flatMap((columns) => Object.keys(columns)))];

/** Columns of the table, in their order. */
export const COLUMNS: readonly string[] = [
  'what',
  'name',
  'kind',
  'plug',
  'on',
  'line',
  'device',
  'settings',
  ...ALL_FIGURES,
];
/** Those that a row of a kind leaves empty. */
export const strangeTo = (what: What): string[] =>
  ALL_FIGURES.filter((column) => !Object.keys(FIGURE_COLUMNS[what]).includes(column));
