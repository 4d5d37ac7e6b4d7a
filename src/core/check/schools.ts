/** Points on which good engineers disagree. Every rig carries one choice for each; the first, careful one is the default. */

export interface School {
  question: string;
  why: string;
  options: readonly { value: string; label: string }[];
  /** Where the choice takes effect. */
  decides: 'verdict' | 'switching' | 'batteries' | 'noise';
}

export const SCHOOLS = {
  ribbonFeed: {
    question: 'Phantom on a passive ribbon',
    why: 'A floating, balanced transformer sees no current; faults, old wiring and plugging live do the damage.',
    options: [
      { value: 'avoid', label: 'avoid' },
      { value: 'never', label: 'never' },
      { value: 'trust-maker', label: 'trust the maker' },
    ],
    decides: 'verdict',
  },
  movingCoilFeed: {
    question: 'Phantom on a moving coil',
    why: 'Harmless when balanced; pointless all the same.',
    options: [
      { value: 'tolerate', label: 'tolerate' },
      { value: 'off-unless-needed', label: 'off unless needed' },
    ],
    decides: 'verdict',
  },
  batteryAndPhantom: {
    question: 'Battery and phantom together',
    why: 'Some microphones share the rail, some switch over.',
    options: [
      { value: 'one-not-both', label: 'one, not both' },
      { value: 'battery-as-reserve', label: 'battery as reserve' },
    ],
    decides: 'verdict',
  },
  plainAdapters: {
    question: 'Plain adapters between XLR and mini-jack',
    why: 'Cheap, and one press from damage.',
    options: [
      { value: 'proven-off', label: 'only with feed proven off and a self-powered source' },
      { value: 'never', label: 'never' },
    ],
    decides: 'verdict',
  },
  peakTarget: {
    question: 'Peak target',
    why: 'Low-noise converters make headroom cheap.',
    options: [
      { value: '-12', label: '−12 dBFS' },
      { value: '-18', label: '−18 dBFS' },
      { value: '-6', label: '−6 dBFS' },
    ],
    decides: 'verdict',
  },
  betweenTakes: {
    question: 'Feed off between takes',
    why: 'Fewer switching cycles against fewer surprises.',
    options: [
      { value: 'off-overnight', label: 'on through short breaks, off overnight' },
      { value: 'off-unused', label: 'off whenever unused' },
      { value: 'leave-on', label: 'leave on' },
    ],
    decides: 'switching',
  },
  afterFeedOn: {
    question: 'Wait after feed on',
    why: 'Capsules and coupling capacitors settle.',
    options: [
      { value: 'minute', label: 'about a minute before judging sound, seconds before unmuting' },
      { value: 'seconds', label: 'seconds only' },
    ],
    decides: 'switching',
  },
  afterFeedOff: {
    question: 'Wait after feed off before unplugging',
    why: 'Filters hold charge.',
    options: [
      { value: 'longer', label: 'the longer of 60 s and the computed decay' },
      { value: 'computed', label: 'computed decay only' },
      { value: '120', label: '120 s' },
    ],
    decides: 'switching',
  },
  chargeLeft: {
    question: 'Voltage that may be left when a line is plugged',
    why: 'A volt harms nothing that is known; a bare ribbon or capsule likes less.',
    options: [
      { value: '1', label: '1 V' },
      { value: '0.5', label: '0.5 V' },
      { value: '0.1', label: '0.1 V' },
    ],
    decides: 'switching',
  },
  batteryVoltage: {
    question: 'Feed voltage on batteries',
    why: 'Running time against margin.',
    options: [
      { value: '48-unless-stated', label: '48 V unless every source states less and running time needs it' },
      { value: 'lowest-stated', label: 'lowest that every source states' },
      { value: 'always-48', label: 'always 48 V' },
    ],
    decides: 'batteries',
  },
  noiseFloor: {
    question: 'Acceptable noise floor at working gain',
    why: 'What the material asks.',
    options: [
      { value: '-60', label: '−60 dBFS RMS' },
      { value: '-66', label: '−66 dBFS RMS' },
      { value: '-72', label: '−72 dBFS RMS' },
    ],
    decides: 'noise',
  },
} as const satisfies Record<string, School>;

export type SchoolName = keyof typeof SCHOOLS;
export type Schools = Record<SchoolName, string>;

export const SCHOOL_NAMES = Object.keys(SCHOOLS) as SchoolName[];

/** The careful default of every school. */
export const DEFAULT_SCHOOLS = Object.fromEntries(
  SCHOOL_NAMES.map((name) => [name, SCHOOLS[name].options[0].value]),
) as Schools;

/** The label of a choice, for naming the school that decided. */
export const schoolLabel = (name: SchoolName, value: string): string =>
  SCHOOLS[name].options.find((option) => option.value === value)?.label ?? value;
