import type { Dbfs, Hertz } from '../../units';
import { ofPower } from './decibels';
import { floorAround, type Density } from './spectrum';

export interface Tone {
  hz: Hertz;
  /** RMS of the tone; full scale sine −3.01. */
  dbfs: Dbfs;
  /** Mean square. */
  power: number;
}

export interface Harmonic extends Tone {
  order: number;
}

/** A mains frequency and what stands on its multiples. */
export interface Mains {
  frequencyHz: Hertz;
  harmonics: Harmonic[];
}

/** Bins on either side that a tone spreads over behind a Hann window, to a thousandth. */
const LOBE = 3;
/** A tone stands out of what is around it by this factor at least, in power: 12 dB. */
const STANDS_OUT = 16;
/** Bins on either side that tell what is around. */
const REACH = 40;
const HIGHEST_HARMONIC: Hertz = 2000;
const [MAINS_FROM, MAINS_TO]: [Hertz, Hertz] = [45, 65];

/**
 * The frequency of a peak between bins: behind a Hann window the ratio of the larger neighbour's amplitude to the
 * peak's says exactly how far from the bin it lies (Grandke, 1983).
 */
function peakAt({ step, values }: Density, bin: number): Hertz {
  const [below, peak, above] = [values[bin - 1], values[bin], values[bin + 1]];
  const ratio = Math.sqrt(Math.max(below, above) / peak);
  const off = (2 * ratio - 1) / (ratio + 1);
  return step * (bin + (above > below ? off : -off));
}

/** The mean square of a tone at a bin, what is around it taken off; zero where none stands out. */
function toneAt(density: Density, bin: number): number {
  const { step, values } = density;
  if (bin < LOBE || bin >= values.length - LOBE) return 0;
  const floor = floorAround(density, bin, REACH);
  let sum = 0;
  for (let k = bin - LOBE; k <= bin + LOBE; k++) sum += values[k] - floor;
  return values[bin] > STANDS_OUT * floor && sum > 0 ? sum * step : 0;
}

/** The highest bin within some of another. */
function summit({ values }: Density, bin: number, within: number): number {
  let best = Math.max(1, Math.min(bin, values.length - 2));
  for (let k = Math.max(1, bin - within); k <= Math.min(values.length - 2, bin + within); k++)
    if (values[k] > values[best]) best = k;
  return best;
}

/**
 * The mains frequency between 45 and 65 Hz and its harmonics to 2 kHz, from the comb that stands out most; undefined
 * where nothing does.
 */
export function mainsOf(density: Density): Mains | undefined {
  const { step } = density;
  const candidates: number[] = [];
  // Any of the first four may be the strongest: 50, 100, 150, 200 Hz.
  for (const order of [1, 2, 3, 4])
    for (let bin = Math.ceil((MAINS_FROM * order) / step); bin <= (MAINS_TO * order) / step; bin++)
      if (summit(density, bin, 2) === bin && toneAt(density, bin) > 0) candidates.push(peakAt(density, bin) / order);
  const combs = candidates.map((hertz) => combOf(density, hertz)).filter(({ harmonics }) => harmonics.length > 0);
  if (combs.length === 0) return highComb(density);
  const weight = ({ harmonics }: Mains) => harmonics.reduce((sum, { power }) => sum + power, 0);
  const most = Math.max(...combs.map(weight));
  // Of those that explain as much, the one with the most of its harmonics there: not half of the true frequency.
  return combs
    .filter((comb) => weight(comb) > 0.7 * most)
    .reduce((best, comb) => (comb.harmonics.length > best.harmonics.length ? comb : best));
}

/** So many multiples make a comb, and so large a part of the even ones between its ends. */
const [TEETH, FILLED] = [4, 0.6];

/** A comb whose low end lies hidden in rumble: told by the distance of its teeth. */
function highComb(density: Density): Mains | undefined {
  const { step } = density;
  const peaks: Hertz[] = [];
  for (let bin = Math.ceil((4 * MAINS_TO) / step); bin * step < HIGHEST_HARMONIC; bin++)
    if (summit(density, bin, 2) === bin && toneAt(density, bin) > 0) peaks.push(peakAt(density, bin));
  if (peaks.length < TEETH) return undefined;
  // The distance of neighbours is the mains frequency, or twice it.
  const apart = peaks.slice(1).map((hz, n) => hz - peaks[n]);
  const candidates = apart.flatMap((hz) => [hz, hz / 2]).filter((hz) => hz > MAINS_FROM && hz < MAINS_TO);
  const combs = candidates
    .map((hz) => combOf(density, refined(hz, peaks)))
    .filter(({ harmonics }) => {
      const even = harmonics.filter(({ order }) => order % 2 === 0);
      const span = even.length ? (even.at(-1)!.order - even[0].order) / 2 + 1 : 1;
      return even.length >= TEETH && even.length / span >= FILLED;
    });
  return combs.toSorted((a, b) => b.harmonics.length - a.harmonics.length)[0];
}

/** The frequency whose multiples the peaks lie on, from a first guess that is a few hertz off at most. */
function refined(guess: Hertz, peaks: readonly Hertz[]): Hertz {
  let hertz = guess;
  // From tooth to tooth the guess may drift by less than half a tooth.
  let [last, order] = [peaks[0], Math.round(peaks[0] / guess)];
  for (const peak of peaks) {
    order += Math.round((peak - last) / hertz);
    last = peak;
    hertz = peak / order;
  }
  return hertz;
}

function combOf(density: Density, about: Hertz): Mains {
  const { step, values } = density;
  let hertz = about;
  let harmonics: Harmonic[] = [];
  // The frequency is known better with every harmonic: once more with what the first round found.
  for (let round = 0; round < 2; round++) {
    harmonics = [];
    let [sum, weights] = [0, 0];
    const highest = Math.min(HIGHEST_HARMONIC, (values.length - 5) * step);
    for (let order = 1; order * hertz <= highest; order++) {
      const wanted = Math.round((order * hertz) / step);
      const bin = summit(density, wanted, round === 0 ? Math.ceil((order * 0.05) / step) : 1);
      const power = toneAt(density, bin);
      if (power === 0) continue;
      const hz = peakAt(density, bin);
      harmonics.push({ order, hz, power, dbfs: ofPower(power) });
      const trust = Math.sqrt(power / (floorAround(density, bin, REACH) * step + 1e-300)) * order;
      sum += (trust * hz) / order;
      weights += trust;
    }
    if (weights > 0) hertz = sum / weights;
  }
  return { frequencyHz: hertz, harmonics };
}

/** Steady tones that are no harmonic of the mains, loudest first. */
export function tonesOf(density: Density, mains: Mains | undefined, most = 20): Tone[] {
  const { step, values } = density;
  const found: Tone[] = [];
  for (let bin = Math.ceil(30 / step); bin < values.length - LOBE - 1; bin++) {
    if (values[bin] < values[bin - 1] || values[bin] < values[bin + 1] || summit(density, bin, LOBE) !== bin) continue;
    // Quick before thorough: a tone stands above its neighbours at a little distance.
    if (values[bin] < 4 * Math.max(values[bin - LOBE - 2] ?? 0, values[bin + LOBE + 2] ?? 0)) continue;
    const power = toneAt(density, bin);
    const hz = peakAt(density, bin);
    if (power > 0 && !isHarmonic(hz, mains, step)) found.push({ hz, power, dbfs: ofPower(power) });
  }
  return found.sort((a, b) => b.power - a.power).slice(0, most);
}

const isHarmonic = (hz: Hertz, mains: Mains | undefined, step: Hertz): boolean =>
  mains !== undefined &&
  hz < HIGHEST_HARMONIC * 2 &&
  Math.abs(hz / mains.frequencyHz - Math.round(hz / mains.frequencyHz)) * mains.frequencyHz < Math.max(2 * step, 0.2);
