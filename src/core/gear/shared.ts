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
    label: 'Loudest sound expected',
    unit: 'dB SPL',
    min: 20,
    max: 160,
    typical: { value: loudness, basis: 'assumed' },
    help: 'Peak level at the microphone; decides the gain that is needed.',
  },
  loudest: {
    label: 'Loudest sound it takes',
    unit: 'dB SPL',
    min: 80,
    max: 180,
    typical: { value: loudest, basis: 'common practice' },
  },
  measuredAt: distanceFigure('Distance at which that was measured', 'Leave open if it was measured at the microphone.'),
  distance: distanceFigure(
    'Distance of the microphone',
    'With the other distance: twice as far is 6 dB less in the open; rooms give back some of it.',
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
  help: 'Equivalent sound level in dB(A); its output resistance is part of it.',
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
  help: 'A low cut above this counts as a loss.',
});

/**
 * What something runs on that has cells of its own.
 * @param volts of all cells together
 * @param milliamps what it draws from them besides what it passes on
 */
export const cellFigures = (charge: number, volts: number, milliamps: number): Record<string, FigureSpec> => ({
  cellCharge: {
    label: 'Charge of its cells',
    unit: 'mAh',
    min: 1,
    max: 100000,
    typical: { value: charge, basis: 'from memory' },
    help: 'Of one set; cells in series count once.',
  },
  cellVolts: {
    label: 'Voltage of its cells',
    unit: 'V',
    min: 0.5,
    max: 60,
    typical: { value: volts, basis: 'common practice' },
    help: 'All cells of one set together.',
  },
  cellDrain: {
    label: 'What it draws from its cells',
    unit: 'mA',
    min: 0.001,
    max: 2000,
    typical: { value: milliamps, basis: 'from memory' },
    help: 'Besides what it passes on as a feed.',
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
  label: 'Direct current it stands',
  unit: 'mA',
  min: 0,
  max: 100,
  typical: { value: milliamps, basis: 'assumed' },
  help: 'Steady current, not the moment of plugging.',
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

export const connectorChoice = (options: [value: string, label: string][]): ChoiceSpec => choice('Connector', options);

/** Two windings on one core: turns ratio to 1, from the primary's inductance; `k` close to 1. */
export function transformer(
  bench: Bench,
  primary: { a: string; b: string; henries: number; ohms: number },
  secondary: { a: string; b: string; ohms: number },
  ratio: number,
): void {
  bench.winding('primary', primary.a, primary.b, primary.henries, primary.ohms);
  bench.winding('secondary', secondary.a, secondary.b, primary.henries / ratio ** 2, secondary.ohms);
  bench.couple('primary', 'secondary', 0.9999);
}
