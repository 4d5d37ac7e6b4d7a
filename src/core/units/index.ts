/** Number types that carry their unit by name, and the conversions between them. */

export type Volts = number;
export type Amps = number;
export type Milliamps = number;
export type Ohms = number;
export type Siemens = number;
export type Farads = number;
export type Henries = number;
export type Watts = number;
export type Hertz = number;
export type Seconds = number;
export type Metres = number;
/** A ratio of amplitudes in decibels. */
export type Decibels = number;
/** Decibels relative to 0.7746 V RMS. */
export type Dbu = number;
/** Decibels relative to digital full scale. */
export type Dbfs = number;
/** Sound pressure level, relative to 20 µPa. */
export type DbSpl = number;

/** 0 dBu: the square root of 0.6 V (1 mW in 600 Ω). */
const ZERO_DBU: Volts = Math.sqrt(0.6);

/** Sound pressure of 0 dB SPL in pascal. */
const ZERO_DB_SPL = 20e-6;

/** Amplitude ratio (0 or more) to decibels; a ratio of 0 gives -Infinity. */
export const decibels = (ratio: number): Decibels => 20 * Math.log10(ratio);

/** Decibels to amplitude ratio. */
export const ratio = (level: Decibels): number => 10 ** (level / 20);

/** RMS volts (above 0) to dBu. */
export const dbu = (volts: Volts): Dbu => decibels(volts / ZERO_DBU);

/** dBu to RMS volts. */
export const fromDbu = (level: Dbu): Volts => ZERO_DBU * ratio(level);

/** Sound pressure in pascal (RMS) at a sound pressure level. 94 dB SPL gives 1.0024 Pa. */
export const pascal = (level: DbSpl): number => ZERO_DB_SPL * ratio(level);
export { plural, times } from './plural';
