import type { Decibels, Seconds } from '../../units';
import { BANDS, EDGES, FRAME, framesPerSecond, type Frames } from './frames';
import { smoothed, type Quiet, type Span } from './quiet';
import { densityOf, type Segments, type Stretch } from './spectrum';

/** What is no noise floor, by what it is. */
export const DISTURBANCES = {
  gate: 'a gate or expander',
  'noise-suppressor': 'a noise suppressor',
  'automatic-gain': 'automatic gain',
  wind: 'wind',
  telephone: 'a telephone beside a cable',
  'intermittent-hum': 'hum that comes and goes',
  music: 'music',
  birds: 'birds',
  speech: 'somebody speaking or playing',
  crackle: 'crackle',
  event: 'a single sound, such as a door, a cough or a bump',
} as const;
export type DisturbanceName = keyof typeof DISTURBANCES;

/** Part of a recording that is no floor. */
export interface Disturbance {
  code: DisturbanceName;
  from: Seconds;
  to: Seconds;
  /** What gave it away. */
  evidence: string;
}

/** What tells disturbances apart; decibels are over the floor. */
interface Features {
  /** Part of the recording. */
  share: number;
  /** Mean over the frames that stand out, by band. */
  bands: Decibels[];
  /** Part of those frames in which all bands above 1 kHz are up by the same. */
  gainLike: number;
  /** Part of those in which the level then stays within 1.5 dB of its middle. */
  flat: number;
  /** The band above 1 kHz that is least up, most of the time. */
  least: Decibels;
  /** Frames in which all bands go up together slowly, come down slowly, and come down fast. */
  rising: number;
  falling: number;
  dropping: number;
  /** Part of what is more that lies on multiples of a telephone's slots, and of a mains frequency. */
  slots: number;
  mains: number;
  /** Part of what sounds from 1.5 to 10 kHz that is one tone. */
  pitch: number;
  /** Part of the power that is in narrow lines, and in lines that stay for a third of a second. */
  lines: number;
  staying: number;
  /** Times that the level rises again by 6 dB. */
  syllables: number;
  clicks: number;
  /** Seconds that one sound stands out of the hiss. */
  lasting: Seconds;
}

/** Lowest of the bands that show a gain that moves: those of hiss. */
const HISS = EDGES.indexOf(1000);
/** Bands of a voice. */
const VOICE = [EDGES.indexOf(250), EDGES.indexOf(500), EDGES.indexOf(1000), EDGES.indexOf(2000)];
/** A click stands out for less than this, as frames are smoothed. */
const SHARP: Seconds = 0.09;
/** A slot of a telephone comes 26 times in 120 ms (GSM 05.02). */
const SLOTS = 26 / 0.12;

/**
 * Names what a recording has beside its floor. The limits were set on made-up recordings of each sort and are held
 * against others (tests/recordings).
 */
export function disturbancesOf(
  frames: Frames,
  quiet: Quiet,
  segments: Segments,
  samplesPerFrame: number,
  clickFrames: readonly number[],
): Disturbance[] {
  const clicks = clicksOf(quiet, clickFrames);
  if (quiet.others.length === 0) return clicks;
  const see = observer(frames, quiet, segments, samplesPerFrame, clickFrames);
  const all = see(quiet.others);
  const everywhere = nameOfGain(all, quiet.others, frames.count) ?? nameOfAir(all);
  const named = quiet.others.map((span): Disturbance => {
    const own = quiet.others.length > 1 ? see([span]) : all;
    const code = everywhere ?? nameOf(own, all, span, quiet.others.length);
    return { code, from: span.from * FRAME, to: span.to * FRAME, evidence: evidenceOf(code, everywhere ? all : own) };
  });
  // A gain that jumps clicks by itself.
  return joined([...named, ...(everywhere ? [] : clicks)].sort((a, b) => a.from - b.from)).slice(0, MOST_TOLD);
}

/** Clicks so short that no frame stands out. */
function clicksOf({ taken }: Quiet, clickFrames: readonly number[]): Disturbance[] {
  return clickFrames
    .filter((frame) => !taken[frame])
    .map((frame) => ({
      code: 'crackle',
      from: Math.max(0, frame - 1) * FRAME,
      to: (frame + 2) * FRAME,
      evidence: '1 click',
    }));
}

/** More than these are not told one by one. */
const MOST_TOLD = 400;

/** Neighbours of one sort that follow within a second are one. */
function joined(list: readonly Disturbance[]): Disturbance[] {
  const out: Disturbance[] = [];
  for (const each of list) {
    const last = out.at(-1);
    if (last?.code === each.code && each.from - last.to < 0.05) last.to = each.to;
    else out.push({ ...each });
  }
  return out;
}

/** Everything is up and down together: a gain moves. */
function nameOfGain(
  { rising, falling, dropping, gainLike, flat, least, share, slots, syllables }: Features,
  spans: readonly Span[],
  count: number,
): DisturbanceName | undefined {
  const moving = rising + falling + dropping;
  if (slots > 0.6) return undefined;
  if (rising > 0.08 * count && rising > 3 * (falling + dropping)) return 'automatic-gain';
  const [first] = spans;
  if (gainLike > 0.6 && syllables > 2) return flat > 0.5 ? 'gate' : undefined;
  // It comes down slowly, or has stood for a time: a sound at the start dies away at once.
  const settles = falling >= 12 || flat > 0.4;
  if (gainLike > 0.7 && spans.length === 1 && first.from <= 2 && settles && falling + dropping > rising)
    return 'noise-suppressor';
  if (falling > 0.05 * count && falling > 2 * dropping && least > 2) return 'noise-suppressor';
  const long = spans.some(({ from, to }) => to - from > 1.6 * framesPerSecond) || share > 0.2;
  if (least > 9 && gainLike < 0.5 && long && (moving > 0 || least > 14)) return 'gate';
  return undefined;
}

/** Low noise in gusts. */
function nameOfAir({ bands, share, lines, mains, slots }: Features): DisturbanceName | undefined {
  const low = Math.max(bands[0], bands[1]);
  const high = Math.max(...bands.slice(HISS + 1));
  if (share > 0.35 && low > 7 && low > high + 6 && bands[BANDS - 1] < 3 && lines < 0.35 && mains < 0.8 && slots < 0.6)
    return 'wind';
  return undefined;
}

function nameOf(own: Features, all: Features, span: Span, spans: number): DisturbanceName {
  const { bands, slots, mains, lines, staying, pitch, syllables, clicks, share, lasting } = own;
  const seconds = (span.to - span.from) * FRAME;
  const [low, high] = [Math.max(...bands.slice(0, 4)), Math.max(bands[5], bands[6])];
  if (slots > 0.6 || (all.slots > 0.7 && spans > 1 && seconds < 0.8)) return 'telephone';
  if (mains > 0.85 && lines > 0.1 && staying > 0.7 * lines && seconds > 0.4) return 'intermittent-hum';
  if (lines > 0.55 && staying > 0.4) return 'music';
  if (pitch > 0.5 && high > low + 6) return 'birds';
  if (
    lasting < SHARP &&
    bands[BANDS - 1] > low - 6 &&
    (clicks > 0 || all.clicks >= 3) &&
    (spans > 2 || all.clicks >= 3)
  )
    return 'crackle';
  const isVoice = lines > 0.25 || (lines > 0.09 && syllables > 1) || (pitch > 0.2 && high > 6);
  if (isVoice || syllables > 3) return 'speech';
  return share < 0.2 ? 'event' : 'speech';
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const decibels = (value: Decibels): string => `${value.toFixed(0).replace('-', '−')} dB`;

function evidenceOf(code: DisturbanceName, own: Features): string {
  const { bands, rising, falling, dropping, slots, mains, pitch, staying, syllables, clicks, least } = own;
  const seconds = (count: number) => `${(count * FRAME).toFixed(1)} s`;
  switch (code) {
    case 'gate':
      return dropping > 0
        ? `all bands fall together, ${decibels(least)} and more, and stay down between sounds`
        : `between sounds even the hiss is ${decibels(least)} lower than while they last`;
    case 'noise-suppressor':
      return `all bands come down together and slowly, for ${seconds(falling + dropping)} in all`;
    case 'automatic-gain':
      return `all bands rise together and slowly in the pauses, for ${seconds(rising)} in all`;
    case 'wind':
      return `gusts below 250 Hz, ${decibels(Math.max(bands[0], bands[1]))} over the floor; nothing of them above 8 kHz`;
    case 'telephone':
      return `${percent(slots)} of it on multiples of 217 Hz`;
    case 'intermittent-hum':
      return `${percent(Math.min(1, mains))} of it on multiples of one mains frequency, for a time`;
    case 'birds':
      return `single tones between 1.5 and 10 kHz that come and go, ${percent(pitch)} of what sounds there`;
    case 'music':
      return `${percent(staying)} of it in tones that stay for a third of a second and change`;
    case 'speech':
      return `${decibels(Math.max(...VOICE.map((band) => bands[band])))} over the floor between 250 Hz and 4 kHz, swelling ${syllables} ${syllables === 1 ? 'time' : 'times'}`;
    case 'crackle':
      return `${clicks || 1} ${clicks > 1 ? 'clicks' : 'click'}`;
    case 'event':
      return `once, ${decibels(Math.max(...bands))} over the floor in its loudest band`;
  }
}

/** Reads features of some spans. */
function observer(
  frames: Frames,
  { baseline, taken }: Quiet,
  segments: Segments,
  samplesPerFrame: number,
  clickFrames: readonly number[],
) {
  const { count } = frames;
  const excess = Array.from({ length: BANDS }, (_, band) => {
    const powers = new Float64Array(count);
    for (let n = 0; n < count; n++) powers[n] = 10 ** (frames.level(band, n) / 10);
    return smoothed(powers, 3).map((power) => 10 * Math.log10((power + 1e-16) / (baseline[band] + 1e-16)));
  });
  const hiss = excess.slice(HISS);
  const together = new Float32Array(count);
  const apart = new Float32Array(count);
  for (let n = 0; n < count; n++) {
    const mean = hiss.reduce((sum, band) => sum + band[n], 0) / hiss.length;
    together[n] = mean;
    apart[n] = Math.sqrt(hiss.reduce((sum, band) => sum + (band[n] - mean) ** 2, 0) / hiss.length);
  }
  const { hop } = segments;
  const spanOf = ({ from, to }: Stretch): Span => ({
    from: Math.floor((from * hop) / samplesPerFrame),
    to: Math.min(count, Math.ceil(((to + 1) * hop) / samplesPerFrame)),
  });
  const isFree = (stretch: Stretch): boolean => {
    const { from, to } = spanOf(stretch);
    for (let n = from; n < to; n++) if (taken[n]) return false;
    return true;
  };
  const free = densityOf(segments, segments.stretches.filter(isFree)).values;

  return (spans: readonly Span[]): Features => {
    const chosen = spans.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, n) => from + n));
    const mean = (band: Float64Array) =>
      10 * Math.log10(chosen.reduce((sum, n) => sum + 10 ** (band[n] / 10), 0) / (chosen.length || 1));
    const within = (n: number) => spans.some(({ from, to }) => n >= from && n < to);
    const inside = segments.stretches.filter((stretch) => {
      const { from, to } = spanOf(stretch);
      let own = 0;
      for (let n = from; n < to; n++) if (within(n)) own++;
      return own > 0.5 * (to - from);
    });
    const density = densityOf(segments, inside).values.map((value, k) => Math.max(0, value - free[k]));
    const sounding = chosen.filter((n) => excess[5][n] > 5 || excess[6][n] > 5);
    return {
      share: chosen.length / (count || 1),
      bands: excess.map(mean),
      ...movesOf(chosen, together, apart),
      least: Math.min(
        ...hiss.map((band) =>
          quantile(
            chosen.filter((n) => together[n] > 1.5).map((n) => band[n]),
            0.15,
          ),
        ),
      ),
      slots: onMultiples(density, segments.step, SLOTS, 9, [110, 4450]),
      mains: Math.max(
        ...Array.from({ length: 400 }, (_, n) => onMultiples(density, segments.step, 45 + n * 0.05, 5, [30, 1100])),
      ),
      pitch:
        quantile(
          sounding.map((n) => frames.tonal(n)),
          0.5,
        ) || 0,
      ...linesOf(inside, free, segments.step),
      syllables: syllablesOf(spans, excess),
      clicks: clickFrames.filter(within).length,
      lasting: lastingOf(chosen, hiss),
    };
  };
}

function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/** How all bands of hiss move together. */
function movesOf(chosen: readonly number[], together: Float32Array, apart: Float32Array) {
  const over = Math.round(0.2 / FRAME);
  let [rising, falling, dropping] = [0, 0, 0];
  for (const n of chosen) {
    if (n < over || (together[n] < 2 && together[n - over] < 2)) continue;
    if (apart[n] > 2 || apart[n - over] > 2 || apart[n - (over >> 1)] > 2) continue;
    // Decibels a second.
    const slope = (together[n] - together[n - over]) / (over * FRAME);
    if (slope > 2 && slope < 30) rising++;
    if (slope <= -45) dropping++;
    else if (slope < -2.5) falling++;
  }
  const alike = chosen.filter((n) => apart[n] < 2 && together[n] > 4).map((n) => together[n]);
  const middle = quantile(alike, 0.5);
  const flat = alike.filter((level) => Math.abs(level - middle) < 1.5).length / (alike.length || 1);
  return { rising, falling, dropping, gainLike: alike.length / (chosen.length || 1), flat };
}

/** Part of a density between two frequencies that lies near multiples of one. */
function onMultiples(
  density: Float64Array,
  step: number,
  hertz: number,
  near: number,
  [from, to]: readonly [number, number],
): number {
  const sum = (low: number, high: number) => {
    let total = 0;
    for (let k = Math.ceil(low / step); k <= high / step; k++) total += density[k] ?? 0;
    return total;
  };
  let on = 0;
  for (let hz = hertz; hz + near < to; hz += hertz) on += sum(hz - near, hz + near);
  return on / (sum(from, to) || 1);
}

/** Part of the power from 90 Hz to 5 kHz that is in narrow lines, and that stays where it is for a third of a second. */
function linesOf(inside: readonly Stretch[], free: Float64Array, step: number) {
  const [from, to] = [Math.max(7, Math.ceil(90 / step)), Math.floor(5000 / step)];
  // Longer stretches are means: a line in them has stayed.
  const found = inside.map(({ from: at, to: end, sum }) => {
    const lines: { bin: number; power: number }[] = [];
    let total = 0;
    for (let k = from; k < to; k++) {
      total += sum[k];
      const stands = sum[k] > sum[k - 1] && sum[k] >= sum[k + 1] && sum[k] > 6 * (sum[k - 6] + sum[k + 6]);
      if (stands && sum[k] > 8 * free[k] * (end - at)) lines.push({ bin: k, power: sum[k - 1] + sum[k] + sum[k + 1] });
    }
    return { at, end, lines, total };
  });
  let [all, narrow, stay] = [0, 0, 0];
  for (const { at, end, lines, total } of found) {
    all += total;
    // Half overlapping segments hear the same; the one after the next does not.
    const beside = found.filter(
      (other) => other.at === end + 1 || other.at === end + 2 || other.end === at - 1 || other.end === at - 2,
    );
    for (const { bin, power } of lines) {
      narrow += power;
      const stays = end - at > 3 || beside.some((other) => other.lines.some((line) => Math.abs(line.bin - bin) <= 1));
      if (stays) stay += power;
    }
  }
  return { lines: narrow / (all || 1), staying: stay / (all || 1) };
}

/** How long one of the sounds stands 6 dB out of the hiss, in the middle. */
function lastingOf(chosen: readonly number[], hiss: readonly ArrayLike<number>[]): Seconds {
  const runs: number[] = [];
  let [run, last] = [0, -2];
  for (const n of chosen) {
    const stands = hiss.some((band) => band[n] > 6);
    if (run > 0 && (!stands || n !== last + 1)) {
      runs.push(run);
      run = 0;
    }
    if (stands) run++;
    last = n;
  }
  if (run > 0) runs.push(run);
  return quantile(runs, 0.5) * FRAME;
}

/** How often the level of a voice's bands rises again by 6 dB after a dip. */
function syllablesOf(spans: readonly Span[], excess: readonly Float64Array[]): number {
  let count = 0;
  for (const { from, to } of spans) {
    let [low, high, up] = [0, 0, false];
    for (let n = from; n < to; n++) {
      const level = Math.max(...VOICE.map((band) => excess[band][n]));
      if (up) {
        high = Math.max(high, level);
        if (level < high - 6) [up, low] = [false, level];
      } else {
        low = Math.min(low, level);
        if (level > low + 6) [up, high, count] = [true, level, count + 1];
      }
    }
  }
  return count;
}
