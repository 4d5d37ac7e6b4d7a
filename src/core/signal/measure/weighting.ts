import type { Decibels, Hertz } from '../../units';

/** Poles of the A-weighting curve, IEC 61672-1 annex E (from memory). */
const [F1, F2, F3, F4] = [20.598997, 107.65265, 737.86223, 12194.217].map((f) => f * f);

const gain = (hertz: Hertz): number => {
  const f = hertz * hertz;
  return (F4 * f * f) / ((f + F1) * Math.sqrt((f + F2) * (f + F3)) * (f + F4));
};
const AT_1000 = gain(1000);

/** The power that is left of a frequency after A-weighting, 1 at 1 kHz. */
export const aWeight = (hertz: Hertz): number => (gain(hertz) / AT_1000) ** 2;

/** The A-weighting of a frequency in decibels, 0 at 1 kHz. */
export const aWeighting = (hertz: Hertz): Decibels => 10 * Math.log10(Math.max(aWeight(hertz), 1e-30));

/** The power that a low cut of 12 dB an octave lets through (second order, Butterworth). @param cut −3 dB; undefined for none */
export const highPass =
  (cut: Hertz | undefined) =>
  (hertz: Hertz): number =>
    cut === undefined ? 1 : 1 / (1 + (cut / hertz) ** 4);
