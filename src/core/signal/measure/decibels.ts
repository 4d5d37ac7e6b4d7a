import type { Dbfs } from '../../units';

/** Lowest level that is written down; nothing that a converter delivers is lower. */
const LOWEST: Dbfs = -200;

/** The level of a mean square, full scale being 1: a full-scale sine reads −3.01. */
export const ofPower = (power: number): Dbfs => (power > 0 ? Math.max(10 * Math.log10(power), LOWEST) : LOWEST);
/** The level of an amplitude, full scale being 1. */
export const ofPeak = (amplitude: number): Dbfs => ofPower(amplitude * amplitude);
