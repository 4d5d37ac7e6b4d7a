import type { Dbfs } from '../../units';
import { ofPower } from './decibels';
import type { Levels } from './levels';

/** What the word length of a recording lets through. */
export interface Word {
  /** The floor is the word length's own: nothing but dither, or not even that. */
  only?: 'dither' | 'undithered';
  bits?: number;
  /** Tones below this are made by the steps themselves. */
  carries: Dbfs;
}

/** A floor of so many steps RMS is dither's own: triangular dither has half a step (Lipshitz, Wannamaker, Vanderkooy, 1992). */
const DITHER = 0.75;
/** Of dithered samples 6 in 10 are as the one before (0.75² + 2 · 0.125²); of undithered ones nearly all. */
const STANDS_STILL = 0.8;
/** Longer words than this are no limit: a converter has noise of its own. */
const SHORT_WORD = 20;

/** Reads word length and dither. @param floor mean square of the floor */
export function wordOf({ bits, still }: Levels, floor: number): Word {
  if (bits === undefined || bits > SHORT_WORD) return { bits, carries: -Infinity };
  const step = 2 ** (1 - bits);
  const undithered = still > STANDS_STILL;
  const only = undithered ? Math.sqrt(floor) < 4 * step : Math.sqrt(floor) < DITHER * step;
  return {
    bits,
    ...(only && { only: undithered ? ('undithered' as const) : ('dither' as const) }),
    // Half a step of amplitude, which no step answers to.
    carries: undithered ? ofPower((step / 2) ** 2 / 2) : -Infinity,
  };
}
