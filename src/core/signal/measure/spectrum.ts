import type { Hertz, Seconds } from '../../units';
import { gathering } from './gather';
import { hannPower, type Transforms } from './transform';
import { aWeight } from './weighting';

/** Mean square per hertz at equally spaced frequencies from 0 to half the sample rate, full scale being 1. */
export interface Density {
  /** From one bin to the next. */
  step: Hertz;
  values: Float64Array;
  /** How many segments it is the mean of. */
  segments: number;
  /** What lies below this says nothing: it may be what the arithmetic adds to the largest value. */
  least: number;
}

/**
 * Beside a pure tone, transforms in single precision leave lines of up to −148 dB (measured). No converter reaches that:
 * what they add themselves is 100 to 130 dB down (common practice).
 */
const ARITHMETIC = 1e-14;

/** The band that A-weighted figures are taken over. */
const [LOWEST, HIGHEST]: [Hertz, Hertz] = [20, 20_000];

/** Length of a segment: about three hertz from bin to bin, which tells mains harmonics apart. */
const LONGEST: Seconds = 16_384 / 48_000;
const SHORTEST = 1024;
/** Nothing above this is kept: it is read nowhere. */
const HIGHEST_KEPT: Hertz = 24_000;
/** Most stretches whose spectra are kept apart in one recording, all channels together; a channel has this many at least. */
const [MOST, LEAST] = [256, 24];

/**
 * Samples of a segment, the same in hertz at any rate; a recording holds eight, as far as possible.
 * @param frames undefined for no end in sight
 */
export function segmentFor(sampleRate: Hertz, frames: number | undefined): number {
  let length = 2 ** Math.round(Math.log2(LONGEST * sampleRate));
  while (length > SHORTEST && frames !== undefined && frames < 4.5 * length) length /= 2;
  return length;
}

/** The spectra of segments that follow each other and are alike, summed. */
export interface Stretch {
  /** First segment, and the one after the last. */
  from: number;
  to: number;
  /** Sum of the densities: mean square per hertz. */
  sum: Float32Array;
  /** Level in low, middle and high band of one of them, in dB. */
  levels: [number, number, number];
}

/** What the segments of a recording say. */
export interface Segments {
  step: Hertz;
  /** Samples from one segment to the next; each is twice as long. */
  hop: number;
  stretches: readonly Stretch[];
  /** A-weighted mean square of each segment, 20 Hz to 20 kHz. */
  weighted: number[];
}

/** The frames that a stretch reaches over: from the first to before the last. */
export const framesOf = (
  { from, to }: Stretch,
  { hop }: Segments,
  samplesPerFrame: number,
  count: number,
): { from: number; to: number } => ({
  from: Math.floor((from * hop) / samplesPerFrame),
  to: Math.min(count, Math.ceil(((to + 1) * hop) / samplesPerFrame)),
});

/** The mean density of some stretches; zero everywhere where there are none. */
export function densityOf({ step, stretches }: Segments, chosen: readonly Stretch[] = stretches): Density {
  const values = new Float64Array(stretches[0]?.sum.length ?? 2);
  let segments = 0;
  for (const { sum, from, to } of chosen) {
    // Not in `addTo`, which is quick for one sort of array alone.
    for (let k = 0; k < values.length; k++) values[k] += sum[k];
    segments += to - from;
  }
  let most = 0;
  for (let k = 0; k < values.length; k++) {
    values[k] /= segments || 1;
    if (values[k] > most) most = values[k];
  }
  return { step, values, segments, least: most * ARITHMETIC };
}

/** Bands that tell whether segments are alike. */
const ALIKE: readonly [Hertz, Hertz][] = [
  [30, 250],
  [250, 2500],
  [2500, 16_000],
];

/**
 * The power spectral density of what is pushed, by the method of Welch (1967): Hann window, half overlapping segments.
 * The integral of their mean is the mean square of the samples. Neighbours that are alike are summed when too many are
 * kept, so that what belongs to something else can be left out at the end, and memory stays flat.
 * @param channels of the recording, which share what is kept
 */
export function welch(sampleRate: Hertz, length: number, channels: number, transforms: Transforms) {
  const hop = length / 2;
  const step = sampleRate / length;
  const most = Math.max(LEAST, Math.floor(MOST / channels));
  const bins = Math.min(hop, Math.ceil(HIGHEST_KEPT / step)) + 1;
  // Half the bins have the power of both signs.
  const scale = 2 / (sampleRate * hannPower(length));
  const weight = Float32Array.from({ length: bins }, (_, k) =>
    k * step >= LOWEST && k * step <= HIGHEST ? aWeight(k * step) * step : 0,
  );
  const alike = ALIKE.map(([from, to]) => [Math.ceil(from / step), Math.min(bins - 1, Math.floor(to / step))] as const);
  const weighted: number[] = [];
  let stretches: Stretch[] = [];
  const spare: Float32Array[] = [];
  const spectrum = transforms(length, length);

  const transformed = (samples: Float32Array, from: number): Float32Array => {
    const power = spare.pop() ?? new Float32Array(bins);
    spectrum(samples, from, power, scale);
    // What lies at either end has no negative frequency of its own.
    power[0] /= 2;
    if (bins === hop + 1) power[hop] /= 2;
    return power;
  };
  const stretchOf = (sum: Float32Array, at: number): Stretch => {
    const levels = alike.map(([from, to]) => {
      let total = 0;
      // A quarter of the bins says enough of how alike two are.
      for (let k = from; k <= to; k += 4) total += sum[k];
      return 10 * Math.log10(total + 1e-30);
    }) as Stretch['levels'];
    return { from: at, to: at + 1, sum, levels };
  };
  const keep = (sum: Float32Array) => {
    stretches.push(stretchOf(sum, weighted.length));
    weighted.push(product(sum, weight));
    if (stretches.length > most) stretches = halved(stretches, spare);
  };

  const gathered = gathering(length, hop, (samples, from) => keep(transformed(samples, from)));
  const { held } = gathered;

  return {
    push: gathered.push,
    /** What has come so far; a recording shorter than a segment counts as followed by silence. */
    segments(): Segments {
      if (weighted.length > 0) return { step, hop, stretches, weighted };
      const filled = gathered.filled();
      held.fill(0, filled);
      const own = transformed(held, 0);
      for (let k = 0; k < bins; k++) own[k] *= length / (filled || 1);
      return { step, hop, stretches: [stretchOf(own, 0)], weighted: [product(own, weight)] };
    },
  };
}

/** The sum of the products of two rows of numbers, in four sums that do not wait for each other. */
function product(a: Float32Array, b: Float32Array): number {
  // Each by itself: taken out of a row they are three times as slow here.
  let first = 0;
  let second = 0;
  let third = 0;
  let fourth = 0;
  const whole = a.length - (a.length % 4);
  for (let k = 0; k < whole; k += 4) {
    first += a[k] * b[k];
    second += a[k + 1] * b[k + 1];
    third += a[k + 2] * b[k + 2];
    fourth += a[k + 3] * b[k + 3];
  }
  for (let k = whole; k < a.length; k++) first += a[k] * b[k];
  return first + second + third + fourth;
}

function addTo(sum: Float32Array, other: Float32Array): void {
  for (let k = 0; k < sum.length; k++) sum[k] += other[k];
}

/** Half as many stretches: the neighbours that are most alike are summed. */
function halved(stretches: readonly Stretch[], spare: Float32Array[]): Stretch[] {
  const apart = stretches.slice(1).map((next, n) => ({
    n,
    by: Math.max(...next.levels.map((level, band) => Math.abs(level - stretches[n].levels[band]))),
  }));
  const into = new Set<number>();
  const gone = new Set<number>();
  for (const { n } of apart.toSorted((a, b) => a.by - b.by)) {
    if (stretches.length - gone.size <= stretches.length / 2) break;
    if (into.has(n) || gone.has(n) || into.has(n + 1) || gone.has(n + 1)) continue;
    into.add(n);
    gone.add(n + 1);
  }
  return stretches.flatMap((stretch, n) => {
    if (gone.has(n)) return [];
    if (!into.has(n)) return [stretch];
    const next = stretches[n + 1];
    addTo(stretch.sum, next.sum);
    spare.push(next.sum);
    const [own, other] = [stretch.to - stretch.from, next.to - next.from];
    const levels = stretch.levels.map(
      (level, band) => (level * own + next.levels[band] * other) / (own + other),
    ) as Stretch['levels'];
    return [{ ...stretch, to: next.to, levels }];
  });
}

/** The mean square between two frequencies, each bin weighted. */
export function powerIn(
  { step, values }: Density,
  from: Hertz,
  to: Hertz,
  weight: (hertz: Hertz) => number = () => 1,
): number {
  let sum = 0;
  const last = Math.min(values.length - 1, Math.floor(to / step));
  for (let k = Math.max(0, Math.ceil(from / step)); k <= last; k++) sum += values[k] * weight(k * step);
  return sum * step;
}

/** A low value around a bin, itself and its lobe left out: what there would be without a tone, though others stand near. */
export function floorAround(
  { values, least }: { values: Float64Array | Float32Array; least: number },
  bin: number,
  reach: number,
  lobe = 4,
): number {
  const [from, to] = [Math.max(1, bin - reach), Math.min(values.length - 1, bin + reach)];
  const around = new Float64Array(to - from + 1);
  let count = 0;
  for (let k = from; k <= to; k++) if (k < bin - lobe || k > bin + lobe) around[count++] = values[k];
  return Math.max(least, around.subarray(0, count).sort()[Math.floor(0.4 * count)] ?? 0);
}
