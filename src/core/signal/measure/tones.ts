import type { Dbfs, Hertz } from '../../units';
import { ofPower } from './decibels';
import { floorAround, type Density, type Stretch } from './spectrum';

export interface Tone {
  hz: Hertz;
  /** RMS of the tone; full scale sine −3.01. */
  dbfs: Dbfs;
  /** Mean square. */
  power: number;
  /** It lies on this multiple of the mains too, but stands out of the comb: a tone of its own, or that harmonic. */
  harmonic?: number;
}

/** A tone whose frequency moves. */
export interface Wandering {
  fromHz: Hertz;
  toHz: Hertz;
  /** RMS, in the middle of the times that it is there. */
  dbfs: Dbfs;
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
const HIGHEST_HARMONIC: Hertz = 10_000;
/** A comb whose low end is hidden is looked for up to here. */
const HIGHEST_HIDDEN: Hertz = 2000;
const [MAINS_FROM, MAINS_TO]: [Hertz, Hertz] = [45, 65];
/**
 * Public supplies stay within this of 50 or 60 Hz (EN 50160: 1 %, from memory). Generators go further, but not half way
 * from one to the other, and a note of 55 Hz is none.
 */
const SUPPLY: Hertz = 0.6;
const GENERATORS: readonly [Hertz, Hertz][] = [
  [MAINS_FROM, 54.6],
  [57, MAINS_TO],
];
/** Teeth that make a comb where the frequency by itself says nothing. */
const GENERATOR_TEETH = 3;
/** A line further from its multiple than this is no harmonic. */
const OFF: Hertz = 0.7;
/** From this order on, a line that stands out of its neighbours by 9 dB, or has none, may be a tone of its own. */
const [LONE, OUT] = [8, 8];

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
function toneAt(density: Density, bin: number, standsOut = STANDS_OUT): number {
  const { step, values } = density;
  if (bin < LOBE || bin >= values.length - LOBE) return 0;
  // Rooms rise steeply towards the bottom: what is around is near there.
  const floor = floorAround(density, bin, Math.min(REACH, Math.max(14, bin >> 1)));
  let sum = 0;
  for (let k = bin - LOBE; k <= bin + LOBE; k++) sum += values[k] - floor;
  return values[bin] > standsOut * floor && sum > 0 ? sum * step : 0;
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
  const combs = candidates.map((hertz) => combOf(density, hertz)).filter(isMains);
  if (combs.length === 0) {
    const hidden = highComb(density);
    return hidden && isMains(hidden) ? hidden : undefined;
  }
  const weight = ({ harmonics }: Mains) => harmonics.reduce((sum, { power }) => sum + power, 0);
  const most = Math.max(...combs.map(weight));
  // Of those that explain as much, the one with the most of its harmonics there: not half of the true frequency.
  return combs
    .filter((comb) => weight(comb) > 0.7 * most)
    .reduce((best, comb) => (comb.harmonics.length > best.harmonics.length ? comb : best));
}

const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b));

/** Whether a comb is what a supply or a generator makes, and not the multiples of something else. */
function isMains({ frequencyHz, harmonics }: Mains): boolean {
  if (harmonics.length === 0) return false;
  // Every third or fourth tooth is another comb: bursts of a telephone at 216.7 Hz, a note.
  if (harmonics.map(({ order }) => order).reduce(greatestCommon) > 2) return false;
  if (Math.min(Math.abs(frequencyHz - 50), Math.abs(frequencyHz - 60)) < SUPPLY) return true;
  const low = harmonics.filter(({ order }) => order <= 12);
  // Even ones alone may be all the harmonics of a note an octave higher.
  return (
    low.length >= GENERATOR_TEETH &&
    low.some(({ order }) => order % 2 === 1) &&
    GENERATORS.some(([from, to]) => frequencyHz >= from && frequencyHz <= to)
  );
}

/** So many multiples make a comb, and so large a part of the even ones between its ends. */
const [TEETH, FILLED] = [4, 0.6];

/** A comb whose low end lies hidden in rumble: told by the distance of its teeth. */
function highComb(density: Density): Mains | undefined {
  const { step } = density;
  const peaks: Hertz[] = [];
  for (let bin = Math.ceil((4 * MAINS_TO) / step); bin * step < HIGHEST_HIDDEN; bin++)
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

/** Orders that a comb is fitted with, round by round: the frequency is known better with every one. */
const FITTED = [6, 20, Infinity];

/**
 * Where a tooth is awaited it need not stand out so far: by so many standard deviations of the density, whose relative
 * error is one over the root of the segments (Welch, 1967).
 */
const awaited = ({ segments }: Density): number => Math.min(STANDS_OUT, 1 + 8 / Math.sqrt(segments));

function combOf(density: Density, about: Hertz): Mains {
  const { step, values } = density;
  let hertz = about;
  let harmonics: Harmonic[] = [];
  FITTED.forEach((most, round) => {
    const found: (Harmonic & { trust: number })[] = [];
    const highest = Math.min(HIGHEST_HARMONIC, (values.length - 5) * step);
    for (let order = 1; order * hertz <= highest && order <= most; order++) {
      const wanted = Math.round((order * hertz) / step);
      const bin = summit(density, wanted, round === 0 ? Math.ceil((order * 0.05) / step) : 1);
      const power = toneAt(density, bin, round === 2 && order * hertz < HIGHEST_HIDDEN ? awaited(density) : STANDS_OUT);
      if (power === 0) continue;
      const hz = peakAt(density, bin);
      if (round > 0 && Math.abs(hz - order * hertz) > OFF) continue;
      const trust = Math.sqrt(power / (floorAround(density, bin, REACH) * step + 1e-300)) * order;
      found.push({ order, hz, power, dbfs: ofPower(power), trust });
    }
    // What stands out of the comb may be a tone beside it, and says nothing of its frequency.
    const fitting = found.filter((each) => !standsAlone(each, found));
    const weights = fitting.reduce((sum, { trust }) => sum + trust, 0);
    if (weights > 0) hertz = fitting.reduce((sum, { trust, hz, order }) => sum + (trust * hz) / order, 0) / weights;
    harmonics = fitting.map(({ trust: _trust, ...harmonic }) => harmonic);
  });
  return { frequencyHz: hertz, harmonics };
}

/** Whether a line on a high multiple stands out of the comb around it, or has none around it. */
function standsAlone({ order, power }: Harmonic, harmonics: readonly Harmonic[]): boolean {
  if (order < LONE) return false;
  const beside = harmonics.filter((other) => other.order !== order && Math.abs(other.order - order) <= 4);
  return power > OUT * Math.max(0, ...beside.map((other) => other.power));
}

/** Steady tones that are no harmonic of the mains, loudest first. */
export function tonesOf(density: Density, mains: Mains | undefined, most = 40): Tone[] {
  const { step, values } = density;
  const found: Tone[] = [];
  const teeth = new Set(mains?.harmonics.flatMap(({ hz }) => [-1, 0, 1].map((off) => Math.round(hz / step) + off)));
  for (let bin = Math.max(LOBE, Math.ceil(LOWEST_TONE / step)); bin < values.length - LOBE - 1; bin++) {
    if (values[bin] < values[bin - 1] || values[bin] < values[bin + 1] || summit(density, bin, LOBE - 1) !== bin)
      continue;
    // Quick before thorough: a tone stands above what is a little distance away, on one side at least.
    if (values[bin] < 4 * Math.min(values[bin - LOBE - 2] ?? 0, values[bin + LOBE + 2] ?? 0)) continue;
    if (teeth.has(bin)) continue;
    const power = toneAt(density, bin);
    if (power === 0) continue;
    const hz = peakAt(density, bin);
    const order = mains && Math.round(hz / mains.frequencyHz);
    const isMultiple = order && Math.abs(hz - order * mains.frequencyHz) < OFF;
    found.push({ hz, power, dbfs: ofPower(power), ...(isMultiple && { harmonic: order }) });
  }
  return found.sort((a, b) => b.power - a.power).slice(0, most);
}

/** Tones are looked for from here on; below lies rumble. */
const LOWEST_TONE: Hertz = 20;
/** In a single segment noise reaches 12 dB above its mean now and then; what is followed stands out further. */
const FOLLOWED = 30;
/** Bins on either side that a tone is smeared over while a segment lasts. */
const SMEARED = 30;
/** From one stretch to the next a tone moves by less than this, or than this part of itself. */
const [MOVES, MOVES_PART]: [Hertz, number] = [120, 0.06];
/** It is there in this part of the stretches at least. */
const THERE = 0.6;

/** Tones that are there most of the time and move. @param stretches of the floor, one after the other */
export function wanderingOf(
  stretches: readonly Stretch[],
  { step, least }: Pick<Density, 'step' | 'least'>,
  steady: readonly Tone[],
): Wandering[] {
  if (stretches.length < 6) return [];
  const tracks: { hz: Hertz[]; powers: number[] }[] = [];
  const known = new Set(steady.flatMap(({ hz }) => [-3, -2, -1, 0, 1, 2, 3].map((off) => Math.round(hz / step) + off)));
  for (const { sum, from, to } of stretches)
    for (const { hz, power } of followed({ values: sum, least: least * (to - from) }, to - from, step, known)) {
      const near = tracks.find((track) => Math.abs(track.hz.at(-1)! - hz) < Math.max(MOVES, MOVES_PART * hz));
      if (near) {
        near.hz.push(hz);
        near.powers.push(power);
      } else tracks.push({ hz: [hz], powers: [power] });
    }
  return tracks
    .filter(({ hz }) => hz.length >= THERE * stretches.length)
    .map(({ hz, powers }) => ({
      fromHz: Math.min(...hz),
      toHz: Math.max(...hz),
      dbfs: ofPower(powers.toSorted((a, b) => a - b)[powers.length >> 1]),
    }));
}

/** The lines of one stretch (a sum over its segments) that stand out, the loudest few. */
function followed(
  spectrum: { values: Float32Array; least: number },
  segments: number,
  step: Hertz,
  known: ReadonlySet<number>,
): { hz: Hertz; power: number }[] {
  const { values } = spectrum;
  const found: { hz: Hertz; power: number }[] = [];
  for (let bin = Math.ceil(250 / step); bin < values.length - SMEARED; bin++) {
    const value = values[bin];
    // Hardly anything stands out so far: that is asked first. Nothing at all stands nowhere.
    if (value < 10 * values[bin - SMEARED] || value < 10 * (values[bin - SMEARED] + values[bin + SMEARED])) continue;
    if (value === 0 || value < values[bin - 1] || value < values[bin + 1] || known.has(bin)) continue;
    const floor = floorAround(spectrum, bin, 3 * SMEARED, SMEARED);
    if (value < FOLLOWED * floor) continue;
    let power = 0;
    for (let k = bin - SMEARED + 1; k < bin + SMEARED; k++) power += Math.max(0, values[k] - floor);
    found.push({ hz: bin * step, power: (power * step) / segments });
  }
  // The loudest of what is smeared, not each of its ripples.
  const loudest: { hz: Hertz; power: number }[] = [];
  for (const each of found.sort((a, b) => b.power - a.power))
    if (loudest.every(({ hz }) => Math.abs(hz - each.hz) > SMEARED * step)) loudest.push(each);
  return loudest.slice(0, 4);
}
