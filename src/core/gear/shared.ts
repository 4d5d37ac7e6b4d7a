import { fromDbu, type Dbu } from '../units';
import type { Bench } from './bench';
import type { ChoiceSpec, FigureSpec, Option } from './figures';

/** Figures and choices that several kinds of gear have. */

export const soundFigures = (sensitivity: number, loudness: number, loudest: number): Record<string, FigureSpec> => ({
  sensitivity: {
    label: 'Sensitivity',
    unit: 'mV/Pa',
    min: 0.01,
    max: 500,
    typical: { value: sensitivity, basis: 'common practice' },
    help: 'Open-circuit output at 94 dB SPL.',
  },
  loudness: {
    label: 'Peak SPL expected',
    unit: 'dB SPL',
    min: 20,
    max: 160,
    typical: { value: loudness, basis: 'assumed' },
    help: 'Peak level at the microphone; decides the gain that is needed.',
  },
  loudest: {
    label: 'Maximum SPL',
    unit: 'dB SPL',
    min: 80,
    max: 180,
    typical: { value: loudest, basis: 'common practice' },
  },
  measuredAt: distanceFigure(
    'Distance where the expected SPL was measured',
    'Leave blank if it was measured at the microphone.',
  ),
  distance: distanceFigure(
    'Distance of the microphone',
    'Double the distance is 6 dB less outdoors, less than that in a room.',
  ),
  lowest: lowestFigure(40),
});

const distanceFigure = (label: string, help: string): FigureSpec => ({ label, unit: 'm', min: 0.01, max: 200, help });

/** What a microphone makes by itself, as its sheet states it: the sound that would give as much. */
export const selfNoiseFigure = (decibels: number): FigureSpec => ({
  label: 'Self-noise, A-weighted',
  unit: 'dB SPL',
  min: 0,
  max: 70,
  typical: { value: decibels, basis: 'common practice' },
  help: 'Equivalent noise level, dB(A). Includes the output resistance.',
});

/** Equivalent input noise of an amplifier, 20 Hz to 20 kHz, unweighted. */
export const inputNoise = (label: string, level: number, help: string): FigureSpec => ({
  label,
  unit: 'dBu',
  min: -140,
  max: -40,
  typical: { value: level, basis: 'common practice' },
  help,
});

/** White noise of a level over 20 Hz to 20 kHz as a density, in V²/Hz. */
export const noiseDensityOf = (level: Dbu): number => fromDbu(level) ** 2 / 19_980;

export const lowestFigure = (hertz: number): FigureSpec => ({
  label: 'Lowest note needed',
  unit: 'Hz',
  min: 1,
  max: 5000,
  typical: { value: hertz, basis: 'assumed' },
  help: 'A bass roll-off above this is reported.',
});

/**
 * What something runs on that has cells of its own.
 * @param volts of all cells together
 * @param milliamps what it draws from them besides what it passes on
 */
export const cellFigures = (charge: number, volts: number, milliamps: number): Record<string, FigureSpec> => ({
  cellCharge: {
    label: 'Battery capacity',
    unit: 'mAh',
    min: 1,
    max: 100000,
    typical: { value: charge, basis: 'from memory' },
    help: 'One set; cells in series count once.',
  },
  cellVolts: {
    label: 'Battery voltage',
    unit: 'V',
    min: 0.5,
    max: 60,
    typical: { value: volts, basis: 'common practice' },
    help: 'The whole set.',
  },
  cellDrain: {
    label: 'Battery current',
    unit: 'mA',
    min: 0.001,
    max: 2000,
    typical: { value: milliamps, basis: 'from memory' },
    help: 'Without the feed it passes on.',
  },
});

export const resistance = (label: string, ohms: number, help?: string): FigureSpec => ({
  label,
  unit: 'Ω',
  min: 0.1,
  max: 100e3,
  typical: { value: ohms, basis: 'common practice' },
  help,
});

export const directCurrentLimit = (milliamps: number): FigureSpec => ({
  label: 'Maximum DC through it',
  unit: 'mA',
  min: 0,
  max: 100,
  typical: { value: milliamps, basis: 'assumed' },
  help: 'Continuous, not the peak while plugging in.',
});

/** The pad that some microphones and boxes have. */
export const padFigure: FigureSpec = {
  label: 'Its pad',
  unit: 'dB',
  min: 3,
  max: 60,
  typical: { value: 10, basis: 'common practice' },
};

/** Low cut of a microphone where its switch is on: 12 dB an octave. */
export const lowCutFigure = (hertz: number): FigureSpec => ({
  label: 'Low cut (−3 dB)',
  unit: 'Hz',
  min: 5,
  max: 400,
  typical: { value: hertz, basis: 'common practice' },
  help: 'Only where it is switched on: 12 dB an octave.',
});

/** What a winding that only carries signal takes before its core saturates. */
export const saturationLimit: FigureSpec = {
  label: 'Maximum DC through its winding',
  unit: 'mA',
  min: 0,
  max: 100,
  typical: { value: 1, basis: 'assumed' },
  help: 'More than this saturates the core: bass distorts. Nothing is damaged.',
};

/** The most a transformer takes at low frequencies before its core saturates. */
export const coreLevel = (level: number): FigureSpec => ({
  label: 'Maximum level at 50 Hz',
  unit: 'dBu',
  min: -40,
  max: 40,
  typical: { value: level, basis: 'common practice' },
});

export const choice = (label: string, options: [value: string, label: string][], help?: string): ChoiceSpec => ({
  label,
  options: options.map(([value, text]): Option => ({ value, label: text })),
  standard: options[0][0],
  help,
});

/** A choice that is a switch or a battery rather than how the thing is built. */
export const setting = (label: string, options: [value: string, label: string][], help?: string): ChoiceSpec => ({
  ...choice(label, options, help),
  setting: true,
});

/** A setting that gives or takes power: a battery, a supply, a feed. */
export const powerSetting = (label: string, options: [value: string, label: string][], help?: string): ChoiceSpec => ({
  ...setting(label, options, help),
  powers: true,
});

/** The low cut that many microphones have on their body; goes with `lowCutFigure`. */
export const lowCutSwitch: Record<'lowCut', ChoiceSpec> = {
  lowCut: {
    ...setting('Low cut on the microphone', [
      ['off', 'off, or none'],
      ['on', 'on'],
    ]),
    called: 'Low cut',
  },
};
/** The same where few of the kind have one. */
export const seldomLowCut: typeof lowCutSwitch = { lowCut: { ...lowCutSwitch.lowCut, seldom: true } };

export const connectorChoice = (options: [value: string, label: string][]): ChoiceSpec => choice('Connector', options);

/** Two windings on one core: turns ratio to 1, from the primary's inductance; `k` close to 1. */
export function transformer(
  bench: Bench,
  primary: { a: string; b: string; henries: number; ohms: number },
  secondary: { a: string; b: string; ohms: number },
  ratio: number,
  prefix = '',
): void {
  bench.winding(`${prefix}primary`, primary.a, primary.b, primary.henries, primary.ohms);
  bench.winding(`${prefix}secondary`, secondary.a, secondary.b, primary.henries / ratio ** 2, secondary.ohms);
  bench.couple(`${prefix}primary`, `${prefix}secondary`, 0.9999);
}

/** How a case stands to mains earth: asked only where it decides something. */
export const groundQuestion: ChoiceSpec = {
  label: 'Ground',
  options: [
    { value: 'unknown', label: 'not known' },
    { value: 'floating', label: 'floating: batteries or a two-pin supply' },
    { value: 'earthed', label: 'on mains earth' },
  ],
  standard: 'unknown',
  question: { ask: 'Is its ground on mains earth?', drawnAs: 'floating', matters: 'shield open' },
};

/** States that direct current through a winding saturates its core, and the most it takes at low frequencies. */
export function stakeCore(bench: Bench, what: string, windings: readonly string[], [a, b]: [string, string]): void {
  bench.stake({
    type: 'winding',
    what,
    elements: windings.map((name) => bench.element(name)),
    limit: bench.limit('saturation'),
    saturates: true,
  });
  const limit = bench.limit('coreLevel');
  bench.stake({
    type: 'greatest output',
    what,
    between: [a, b],
    volts: Math.SQRT2 * fromDbu(limit.value),
    because: 'its core saturates at low notes',
    basis: limit.basis,
    where: limit.where,
    at: 50,
  });
}
