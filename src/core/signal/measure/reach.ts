import type { Decibels, Hertz } from '../../units';
import type { Density } from './spectrum';

/** Up to where a recording has anything at all. */
export interface Reach {
  hz: Hertz;
  /** What ends it before the band ends; absent where nothing does. */
  by?: 'cliff' | 'sample rate';
}

/** The band that noise is measured over ends here. */
const WHOLE: Hertz = 20_000;
/** Half of the lowest sample rate that carries the band; 40 kHz would do, 44.1 kHz is the lowest in use (common practice). */
const CARRIED: Hertz = 19_500;
/** A cut-off falls by so much within half a kilohertz. */
export const CLIFF: Decibels = 25;
const [CLIFF_FROM, CLIFF_TO, CLIFF_STEP]: [Hertz, Hertz, Hertz] = [3000, 20_200, 200];
/** Whatever sounds may end within half a kilohertz too: after a cut-off all that lies above is so little beside all below. */
const LITTLE: Decibels = 20;
/** Looked at from here on: a telephone has nothing below 300 Hz. */
const LOWEST: Hertz = 500;
/** Width of the bands in which that is looked at. */
const WIDTH: Hertz = 500;

/**
 * @param density of the floor, to half the sample rate or beyond the band
 * @param floor mean square; where it is 0 there is nothing that could be cut off
 */
export function reachOf(density: Density, floor: number | null): Reach {
  const end = (density.values.length - 1) * density.step;
  if (floor === 0) return { hz: Math.min(end, WHOLE) };
  const cliff = cliffOf(density, end);
  if (cliff !== undefined && cliff < end - WIDTH) return { hz: cliff, by: 'cliff' };
  return end < CARRIED ? { hz: end, by: 'sample rate' } : { hz: Math.min(end, WHOLE) };
}

/** Where the spectrum ends as if cut off; undefined where it does not. */
function cliffOf({ step, values }: Density, nyquist: Hertz): Hertz | undefined {
  // The middle: a tone is no part of what is cut off.
  const middle = (from: Hertz, to: Hertz) => {
    const bins = values.slice(Math.round(from / step), Math.round(to / step)).sort();
    return bins[bins.length >> 1] ?? 0;
  };
  const bands = (from: Hertz, to: Hertz): number[] => {
    const count = Math.max(0, Math.floor((to - from) / WIDTH));
    return Array.from({ length: count }, (_, n) => middle(from + n * WIDTH, from + (n + 1) * WIDTH));
  };
  const isOver = (below: number, above: number, decibels: Decibels) =>
    below > 0 && below > 10 ** (decibels / 10) * (above + 1e-30);
  const falls = (hz: Hertz): boolean => isOver(middle(hz - 1250, hz - 250), middle(hz + 250, hz + 1250), CLIFF);
  const isEnd = (hz: Hertz): boolean =>
    isOver(Math.min(...bands(LOWEST, hz - WIDTH)), Math.max(...bands(hz + WIDTH, nyquist - 250)), LITTLE);
  const end = nyquist - 1500;
  for (let from = CLIFF_FROM; from < Math.min(CLIFF_TO, end); from += CLIFF_STEP) {
    // It shows from as far below as above.
    let to = from;
    while (to < end && falls(to)) to += CLIFF_STEP;
    const hz = (from + to - CLIFF_STEP) / 2;
    if (to > from && isEnd(hz)) return hz;
    from = Math.max(from, to - CLIFF_STEP);
  }
  return undefined;
}
