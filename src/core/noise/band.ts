import type { Hertz } from '../units';

/** The band of every figure unless somebody says otherwise. */
const [LOWEST, HIGHEST]: [Hertz, Hertz] = [20, 20_000];
/** Its width. */
export const WIDTH: Hertz = HIGHEST - LOWEST;

/** Steps of an octave over which a density is taken as straight. */
const PER_OCTAVE = 6;
const STEPS = Math.ceil(Math.log2(HIGHEST / LOWEST) * PER_OCTAVE);
const RATIO = (HIGHEST / LOWEST) ** (1 / STEPS);

/** A narrow part of the band. */
export interface Step {
  hz: Hertz;
  width: Hertz;
}

/** The band from 20 Hz to 20 kHz in steps of a sixth of an octave. */
export const BAND: readonly Step[] = Array.from({ length: STEPS }, (_, n) => {
  const from = LOWEST * RATIO ** n;
  return { hz: from * Math.sqrt(RATIO), width: from * (RATIO - 1) };
});

/** What a density, one value a step, adds up to over the band. */
export const integral = (density: ArrayLike<number>, weight: (hz: Hertz) => number = () => 1): number =>
  BAND.reduce((sum, { hz, width }, n) => sum + density[n] * width * weight(hz), 0);
