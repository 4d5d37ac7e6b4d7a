/** Figures as the trade says them: volts to 0.1, to 0.01 below 10 V; decibels to 0.1; three digits otherwise; a true minus sign. */

import { conventions, pointed } from './conventions';

const MULTIPLES: Record<string, [factor: number, unit: string][]> = {
  Ω: [
    [1e6, 'MΩ'],
    [1e3, 'kΩ'],
    [1, 'Ω'],
  ],
  Hz: [
    [1e3, 'kHz'],
    [1, 'Hz'],
  ],
};

/** Decimals that leave three digits, but never more than two. */
const decimals = (value: number): number => (Math.abs(value) >= 99.95 ? 0 : Math.abs(value) >= 9.995 ? 1 : 2);

/** A number without zeros that say nothing. */
const trimmed = (value: number, places: number): string => {
  const fixed = value.toFixed(places);
  const text = fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return pointed((/^-0(\.0*)?$/.test(text) ? '0' : text).replace('-', '−'));
};

/** A voltage: `48 V`, `37.8 V`, `0.84 V`, `4 mV`; what no meter in a bag shows is 0. */
function volts(value: number): string {
  const size = Math.abs(value);
  if (size >= 0.01) return `${trimmed(value, size >= 9.995 ? 1 : 2)} V`;
  return size >= 0.5e-3 ? `${trimmed(value * 1e3, 0)} mV` : '0 V';
}

/** A current in milliamps: `7.06 mA`, `0.1 mA`; less than a microamp is none. */
function amps(value: number): string {
  const milli = value * 1e3;
  const size = Math.abs(milli);
  if (size >= 1000) return `${trimmed(value, 2)} A`;
  if (size < 1e-3) return '0 mA';
  return `${trimmed(milli, size >= 0.0995 ? decimals(milli) : 3)} mA`;
}

/** Metres in a foot. */
export const FOOT = 0.3048;

/** A length: `20 m`, or `20 m (66 ft)` where feet stand beside metres. */
export const lengthText = (metres: number): string =>
  `${trimmed(metres, 1)} m${conventions().lengths === 'feet-too' ? ` (${trimmed(metres / FOOT, metres < 3 ? 1 : 0)} ft)` : ''}`;

/** A number with so many decimals and a true minus: `−21.60`. */
export const digits = (value: number, places: number): string => pointed(value.toFixed(places).replace('-', '−'));

/** How far into a recording, in seconds: `12.3 s`; from a minute on as players count it, `59:01.2`, `1:00:05`. */
export function timeInText(seconds: number, places: number): string {
  const steps = 10 ** places;
  const rounded = Math.round(seconds * steps) / steps;
  if (rounded < 60) return `${digits(rounded, places)} s`;
  const [hours, minutes] = [Math.floor(rounded / 3600), Math.floor(rounded / 60) % 60];
  const within = digits(rounded % 60, places).padStart(places ? places + 3 : 2, '0');
  return hours ? `${hours}:${String(minutes).padStart(2, '0')}:${within}` : `${minutes}:${within}`;
}

/** A number with its unit: `37.8 V`, `7.06 mA`, `216 kΩ`, `−21.6 dB`. */
export function quantity(value: number, unit: string): string {
  if (unit === 'V') return volts(value);
  if (unit === 'A') return amps(value);
  if (unit === 'm') return lengthText(value);
  if (unit.startsWith('d')) return `${trimmed(value, 1)} ${unit}`;
  const multiples = MULTIPLES[unit];
  if (!multiples) return `${trimmed(value, decimals(value))} ${unit}`;
  const size = Math.abs(value);
  const [factor, name] = multiples.find(([f]) => size >= 0.9995 * f) ?? multiples[multiples.length - 1];
  return `${trimmed(value / factor, decimals(value / factor))} ${name}`;
}

/** The same with two digits, for titles: `590 Hz`, `9 dB`, `46 V`, `7 mA`. */
export function rounded(value: number, unit: string): string {
  const scale = unit === 'A' ? 1e3 : 1;
  const size = Math.abs(value * scale);
  if (size === 0 || !Number.isFinite(size)) return quantity(value, unit);
  const step = unit.startsWith('d') || unit === 'V' ? 1 : 10 ** (Math.floor(Math.log10(size)) - 1);
  if (size < step) return quantity(value, unit);
  return quantity((Math.round((value * scale) / step) * step) / scale, unit);
}

/** The first letter small, unless a capital follows it: names keep theirs. */
export const uncapital = (text: string): string => text.replace(/^[A-Z](?=[a-z ])/, (first) => first.toLowerCase());
