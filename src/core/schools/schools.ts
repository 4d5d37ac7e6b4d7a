/** Points on which good engineers disagree. Every rig carries one choice for each; the first, careful one is the default. */

export interface School {
  question: string;
  why: string;
  options: readonly { value: string; label: string }[];
  /** Where the choice takes effect. */
  decides: 'verdict' | 'switching' | 'batteries' | 'plan' | 'mains';
}

export const SCHOOLS = {
  ribbonFeed: {
    question: 'Phantom on a passive ribbon',
    why: 'A floating, balanced transformer sees no current; faults, old wiring and hot-plugging do the damage.',
    options: [
      { value: 'avoid', label: 'avoid' },
      { value: 'never', label: 'never' },
      { value: 'trust-maker', label: 'trust the maker' },
    ],
    decides: 'verdict',
  },
  movingCoilFeed: {
    question: 'Phantom on a dynamic',
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
    question: 'Plain adapters between XLR and 3.5 mm',
    why: 'Cheap, and one press from damage.',
    options: [
      { value: 'proven-off', label: 'only where no phantom can reach a plug-in electret' },
      { value: 'never', label: 'never' },
    ],
    decides: 'verdict',
  },
  twoDesks: {
    question: 'One microphone to two desks',
    why: 'Level, hum loop, and whose switch feeds it.',
    options: [
      { value: 'transformer', label: 'transformer splitter, one side feeds' },
      { value: 'passive-y', label: 'passive Y where grounds are common and one side feeds' },
      { value: 'active', label: 'active splitter' },
    ],
    decides: 'verdict',
  },
  trsPatch: {
    question: 'Phantom through TRS patch bays',
    why: 'A TRS plug grounds one leg on its way in.',
    options: [
      { value: 'never', label: 'never' },
      { value: 'off-while-patching', label: 'only with the switch off while patching, and marked' },
    ],
    decides: 'verdict',
  },
  connectLive: {
    question: 'Connecting XLR with the feed on',
    why: 'A tested habit on stages; contacts still make one after another.',
    options: [
      { value: 'never', label: 'never' },
      { value: 'sound-xlr', label: 'a good XLR may, muted, where nothing on the line is a ribbon or unbalanced' },
    ],
    decides: 'switching',
  },
  peakTarget: {
    question: 'Peak target',
    why: 'With quiet converters, headroom costs nothing.',
    options: [
      { value: '-12', label: '−12 dBFS' },
      { value: '-18', label: '−18 dBFS' },
      { value: '-6', label: '−6 dBFS' },
      { value: 'float', label: '32-bit float: only clipping and noise count' },
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
      { value: 'minute', label: 'unmute after seconds, judge sound after a minute' },
      { value: 'seconds', label: 'seconds only' },
    ],
    decides: 'switching',
  },
  afterFeedOff: {
    question: 'Wait after feed off before unplugging',
    why: 'Filters hold charge.',
    options: [
      { value: 'longer', label: '60 s, or longer if calculated' },
      { value: 'computed', label: 'the calculated discharge only' },
      { value: '120', label: '120 s' },
    ],
    decides: 'switching',
  },
  chargeLeft: {
    question: 'Safe to plug below',
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
      { value: '48-unless-stated', label: '48 V, lower only if every source accepts it and battery life needs it' },
      { value: 'lowest-stated', label: 'lowest that every source states' },
      { value: 'always-48', label: 'always 48 V' },
    ],
    decides: 'batteries',
  },
  lastSpare: {
    question: 'The last one in the case',
    why: 'A spare mends the next fault; unused, it serves nobody.',
    options: [
      { value: 'use', label: 'use it like any other' },
      { value: 'keep', label: 'keep it where something else will do' },
    ],
    decides: 'plan',
  },
  ownedPart: {
    question: 'What you own, or what makes it Clear',
    why: 'What you own costs nothing; one more part can clear a point to watch.',
    options: [
      { value: 'owned', label: 'what you own, even at Watch' },
      { value: 'clear', label: 'get what makes a line Clear' },
    ],
    decides: 'plan',
  },
  noiseFloor: {
    question: 'Acceptable noise floor at working gain',
    why: 'What the material asks.',
    options: [
      { value: '-60', label: '−60 dBFS RMS' },
      { value: '-66', label: '−66 dBFS RMS' },
      { value: '-72', label: '−72 dBFS RMS' },
    ],
    decides: 'verdict',
  },
  floorMeter: {
    question: 'How the noise floor is read',
    why: 'Rumble that nobody hears moves an unweighted meter; ears hear hiss.',
    options: [
      { value: 'as-set', label: 'unweighted, low cuts as set' },
      { value: 'cut-80', label: 'unweighted, with a low cut at 80 Hz' },
      { value: 'a-weighted', label: 'A-weighted' },
    ],
    decides: 'verdict',
  },
  conditioner: {
    question: 'Mains conditioner',
    why: 'It costs money and an outlet; what it does for a loop through a shield is little.',
    options: [
      { value: 'measure-first', label: 'measure first, mend what is found' },
      { value: 'every-rack', label: 'one for every rack' },
      { value: 'never', label: 'never' },
    ],
    decides: 'mains',
  },
} as const satisfies Record<string, School>;

/** How an engineer’s meter reads a floor. */
export type FloorMeter = (typeof SCHOOLS)['floorMeter']['options'][number]['value'];
export const FLOOR_METERS = SCHOOLS.floorMeter.options.map(({ value }) => value);

export type SchoolName = keyof typeof SCHOOLS;
export type Schools = Record<SchoolName, string>;

export const SCHOOL_NAMES = Object.keys(SCHOOLS) as SchoolName[];

/** The careful default of every school. */
export const DEFAULT_SCHOOLS = Object.fromEntries(
  SCHOOL_NAMES.map((name) => [name, SCHOOLS[name].options[0].value]),
) as Schools;

/** Where peaks should land, in dBFS; with 32-bit float the gain hardly matters, and the careful figure stands in. */
export const peakTargetOf = ({ peakTarget }: Pick<Schools, 'peakTarget'>): number =>
  peakTarget === 'float' ? -12 : Number(peakTarget);

/** Seconds from feed off until something may be unplugged, by school; undefined where only the calculated discharge counts. */
export const waitAfterOff = (school: string): number | undefined =>
  school === 'computed' ? undefined : school === '120' ? 120 : 60;

/** Schools whose choice may also be a number typed in. */
export const TYPED: Partial<Record<SchoolName, { min: number; max: number; unit: string; pattern: RegExp }>> = {
  noiseFloor: { min: -130, max: -20, unit: 'dBFS', pattern: /^-(130(\.0+)?|(1[0-2]\d|[2-9]\d)(\.\d+)?)$/ },
};

/** The label of a choice, for naming the school that decided. */
export const schoolLabel = (name: SchoolName, value: string): string =>
  SCHOOLS[name].options.find((option) => option.value === value)?.label ??
  (TYPED[name] ? `${value.replace('-', '−')} ${TYPED[name].unit}` : value);
