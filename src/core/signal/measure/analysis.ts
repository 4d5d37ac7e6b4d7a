import type { Dbfs, Decibels, Hertz, Seconds } from '../../units';
import type { Block } from '../wav';
import { channelPairs, type PairReading } from './pairs';
import { ofPeak, ofPower } from './decibels';
import { levelMeter, type Levels } from './levels';
import { patternsOf, type Pattern } from './patterns';
import { powerIn, segmentFor, welch, type Density, type Segments } from './spectrum';
import { mainsOf, tonesOf, type Mains, type Tone } from './tones';
import { gateOf, refusalsOf, type Gate, type Refusal } from './usable';
import { aWeight } from './weighting';

/** Where the audio band begins and ends unless somebody says otherwise. */
const BAND: readonly [Hertz, Hertz] = [20, 20_000];
/** Below this it is rumble, above the first of these; lower it is a drift. */
const RUMBLE: readonly [Hertz, Hertz] = [4, 40];

/** Everything that one channel of a recording says. RMS levels are −3.01 for a full-scale sine. */
export interface ChannelReading {
  peakDbfs: Dbfs;
  rmsDbfs: Dbfs;
  /** From 20 Hz to 20 kHz alone. */
  bandDbfs: Dbfs;
  /** Of windows of 400 ms. */
  quietestDbfs: Dbfs;
  medianDbfs: Dbfs;
  loudestDbfs: Dbfs;
  /** From 20 Hz to 20 kHz. */
  aWeightedDbfs: Dbfs;
  /** A-weighted, mains and tones taken off: what is heard as hiss or rush. */
  hissDbfs: Dbfs;
  crestDb: Decibels;
  /** As a share of full scale. */
  dcOffset: number;
  mains: Mains | null;
  tones: Tone[];
  /** What is left from 20 Hz to 20 kHz without mains, tones and rumble. */
  broadbandDbfs: Dbfs;
  /** How its density falls or rises: 0 for white, −3 for pink. */
  slopeDbPerOctave: Decibels;
  rumbleDbfs: Dbfs;
  clippedRuns: number;
  zeroRuns: number;
  clicks: number;
  gate: Gate | null;
  /** It can be read as a noise floor. */
  usable: boolean;
  reasons: Refusal[];
  patterns: Pattern[];
}

/** What a recording says. */
export interface RecordingReading {
  sampleRate: Hertz;
  seconds: Seconds;
  channels: ChannelReading[];
  /** What channels have to do with each other. */
  pairs: PairReading[];
  /** Every channel is usable, or those that carry anything are. */
  usable: boolean;
  reasons: string[];
  patterns: string[];
}

export interface RecordingMeter {
  push: (block: Block) => void;
  /** What has come so far. */
  reading: () => RecordingReading;
  /** The density of a channel, and what its segments say by themselves. */
  density: (channel: number) => Segments;
  /** The mean square of every 400 ms of a channel. */
  windows: (channel: number) => number[];
}

/**
 * Measures a recording while it comes in; memory grows by a few numbers a second.
 * @param frames how many will come, if that is known: a short recording wants short segments
 */
export function recordingMeter(sampleRate: Hertz, channels: number, frames?: number): RecordingMeter {
  const length = segmentFor(frames);
  const meters = Array.from({ length: channels }, () => levelMeter(sampleRate));
  const spectra = Array.from({ length: channels }, () => welch(sampleRate, length));
  const pairs = channelPairs(channels);
  return {
    push(block) {
      block.forEach((samples, channel) => {
        meters[channel].push(samples);
        spectra[channel].push(samples);
      });
      pairs.push(block);
    },
    density: (channel) => spectra[channel].density(),
    windows: (channel) => meters[channel].levels().windows,
    reading() {
      const levels = meters.map((meter) => meter.levels());
      const read = levels.map((each, n) => channelReading(each, spectra[n].density(), sampleRate));
      const related = pairs.readings(levels);
      const speaking = read.filter((_, n) => levels[n].power > 0);
      const counted = speaking.length ? speaking : read;
      return {
        sampleRate,
        seconds: levels[0].frames / sampleRate,
        channels: read,
        pairs: related,
        usable: counted.every(({ usable }) => usable),
        reasons: [...new Set(counted.flatMap(({ reasons }) => reasons.map(({ code }) => code)))],
        patterns: [
          ...new Set([...read.flatMap(({ patterns }) => patterns.map(({ code }) => code)), ...oneSided(levels)]),
        ],
      };
    },
  };
}

const oneSided = (levels: readonly Levels[]): string[] =>
  levels.length > 1 && levels.some(({ power }) => power === 0) && levels.some(({ power }) => power > 0)
    ? ['one-channel-only']
    : [];

function channelReading(levels: Levels, density: Density, sampleRate: Hertz): ChannelReading {
  const windows = levels.windows.toSorted((a, b) => a - b);
  const mains = mainsOf(density);
  const tones = tonesOf(density, mains);
  const [from, to] = BAND;
  const inBand = powerIn(density, from, to);
  const steady = [...(mains?.harmonics ?? []), ...tones].filter(({ hz }) => hz >= from && hz <= to);
  const broadband = Math.max(0, inBand - steady.reduce((sum, { power }) => sum + power, 0));
  const reasons = refusalsOf(levels, sampleRate);
  const rumble = powerIn(density, ...RUMBLE);
  const slope = slopeOf(density);
  const hiss = hissIn(density, steady);
  return {
    peakDbfs: ofPeak(levels.peak),
    rmsDbfs: ofPower(levels.power),
    bandDbfs: ofPower(inBand),
    quietestDbfs: ofPower(windows[0] ?? 0),
    medianDbfs: ofPower(windows[windows.length >> 1] ?? 0),
    loudestDbfs: ofPower(windows.at(-1) ?? 0),
    aWeightedDbfs: ofPower(powerIn(density, from, to, aWeight)),
    hissDbfs: ofPower(hiss.weighted),
    crestDb: levels.power > 0 ? ofPeak(levels.peak) - ofPower(levels.power) : 0,
    dcOffset: levels.mean,
    mains: mains ?? null,
    tones,
    broadbandDbfs: ofPower(broadband),
    slopeDbPerOctave: slope,
    rumbleDbfs: ofPower(rumble),
    clippedRuns: levels.clippedRuns,
    zeroRuns: levels.zeroRuns,
    clicks: levels.clicks,
    gate: gateOf(levels) ?? null,
    usable: reasons.length === 0,
    reasons,
    patterns: patternsOf({ mains, tones, ...hiss, rumble, slope, inBand, levels, reasons }),
  };
}

/** Where the density is read that hiss is told by. */
const [HISS_FROM, HISS_TO]: [Hertz, Hertz] = [4000, 10_000];

/** White noise of the density that the top of the band has, and everything that is no tone; both A-weighted. */
function hissIn(density: Density, steady: readonly { hz: Hertz; power: number }[]) {
  const { step, values } = density;
  const top = Array.from(values.subarray(Math.ceil(HISS_FROM / step), Math.floor(HISS_TO / step))).sort(
    (a, b) => a - b,
  );
  const middle = top[top.length >> 1] ?? 0;
  const white = powerIn({ ...density, values: values.map(() => middle) }, ...BAND, aWeight);
  const tones = steady.reduce((sum, { hz, power }) => sum + power * aWeight(hz), 0);
  const inBandA = powerIn(density, ...BAND, aWeight);
  return { hiss: white, white: middle * (BAND[1] - BAND[0]), inBandA, weighted: Math.max(white, inBandA - tones) };
}

/** The slope of the density from 200 Hz to 10 kHz: a straight line over octaves through the middle of each third. */
function slopeOf({ step, values }: Density): Decibels {
  const points: [octave: number, level: Dbfs][] = [];
  for (let from = 200; from * 2 ** (1 / 3) < Math.min(10_000, values.length * step); from *= 2 ** (1 / 3)) {
    const bins = values.subarray(Math.ceil(from / step), Math.ceil((from * 2 ** (1 / 3)) / step));
    const middle = Array.from(bins).sort((a, b) => a - b)[bins.length >> 1];
    if (middle > 0) points.push([Math.log2(from), ofPower(middle)]);
  }
  if (points.length < 3) return 0;
  const mean = (of: 0 | 1) => points.reduce((sum, point) => sum + point[of], 0) / points.length;
  const [x, y] = [mean(0), mean(1)];
  const over = points.reduce((sum, [octave]) => sum + (octave - x) ** 2, 0);
  return points.reduce((sum, [octave, level]) => sum + (octave - x) * (level - y), 0) / over;
}
