import type { Dbfs, Decibels, Hertz, Seconds } from '../../units';
import type { Block } from '../wav';
import { channelPairs, type PairReading } from './pairs';
import { ofPeak, ofPower } from './decibels';
import type { Disturbance } from './disturbance';
import { frameMeter } from './frames';
import { levelMeter, WINDOW, type Levels } from './levels';
import { patternsOf } from './patterns';
import type { Pattern } from './pattern';
import { floorOf, observe, type Observed } from './observed';
import { reachOf } from './reach';
import { powerIn, segmentFor, welch, type Density } from './spectrum';
import { plainTransforms, type Transforms } from './transform';
import { mainsOf, tonesOf, wanderingOf, type Mains, type Tone, type Wandering } from './tones';
import { refusalsOf, testToneOf, type Gate, type Refusal } from './usable';
import { aWeight, highPass } from './weighting';
import { wordOf } from './word';

/** Where the audio band begins and ends unless somebody says otherwise. */
const BAND: readonly [Hertz, Hertz] = [20, 20_000];
/** Below this it is rumble, above the first of these; lower it is a drift. */
const RUMBLE: readonly [Hertz, Hertz] = [4, 40];

/** Everything that one channel of a recording says. RMS levels are −3.01 for a full-scale sine. */
export interface ChannelReading {
  peakDbfs: Dbfs;
  /** Of the whole recording, its direct offset taken off. */
  rmsDbfs: Dbfs;
  /** Of what is the floor: what belongs to something else is left out; null where too little is left. */
  floorDbfs: Dbfs | null;
  /** What belongs to something else, with its times. */
  disturbances: Disturbance[];
  /** From 20 Hz to 20 kHz alone; this and what follows of the floor, where there is one. */
  bandDbfs: Dbfs;
  /** Of windows of 400 ms of the whole recording. */
  quietestDbfs: Dbfs;
  medianDbfs: Dbfs;
  loudestDbfs: Dbfs;
  /** The same behind a low cut of 12 dB an octave at 80 Hz. */
  cut80Dbfs: Dbfs;
  /** From 20 Hz to 20 kHz. */
  aWeightedDbfs: Dbfs;
  /** A-weighted, mains and tones taken off: what is heard as hiss or rush. */
  hissDbfs: Dbfs;
  crestDb: Decibels;
  /** As a share of full scale, of what is the floor: a thump has one of its own for a moment. */
  dcOffset: number;
  mains: Mains | null;
  tones: Tone[];
  /** Tones whose frequency moves. */
  wandering: Wandering[];
  /** What is left from 20 Hz to 20 kHz without mains, tones and rumble. */
  broadbandDbfs: Dbfs;
  /** How its density falls or rises: 0 for white, −3 for pink. */
  slopeDbPerOctave: Decibels;
  rumbleDbfs: Dbfs;
  /** Up to where it has anything: to 20 kHz, or to where its sample rate or a codec on the way ends it. */
  reachesHz: Hertz;
  clippedRuns: number;
  zeroRuns: number;
  clicks: number;
  /** Stretches too short to be heard as a pause in which samples stand still. */
  dropouts: number;
  /** Bits that the samples use; null where they are no whole numbers. */
  bits: number | null;
  gate: Gate | null;
  /** It can be read as a noise floor. */
  usable: boolean;
  reasons: Refusal[];
  patterns: Pattern[];
  /** Usable, and nothing was found in it. */
  clean: boolean;
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
  /** The density of a channel's floor, and the A-weighted mean square of each of its segments. */
  density: (channel: number) => Density & { weighted: number[] };
  /** The mean square of every 400 ms of a channel, and of those that are floor alone. */
  windows: (channel: number) => { all: number[]; floor: number[] };
}

/**
 * Measures a recording while it comes in; memory grows by a few numbers a second.
 * @param frames how many will come, if that is known: a short recording wants short segments
 * @param transforms quicker ones, where they are loaded
 */
export function recordingMeter(
  sampleRate: Hertz,
  channels: number,
  frames?: number,
  transforms: Transforms = plainTransforms,
): RecordingMeter {
  const length = segmentFor(sampleRate, frames);
  const meters = Array.from({ length: channels }, () => levelMeter(sampleRate));
  const courses = Array.from({ length: channels }, () => frameMeter(sampleRate, transforms));
  const spectra = Array.from({ length: channels }, () => welch(sampleRate, length, channels, transforms));
  const pairs = channelPairs(channels);
  let count = 0;
  /** Channels as they were read last; nothing is worked out twice. */
  const known = new Map<number, { count: number; found: Observed }>();
  const observed = (channel: number): Observed => {
    const before = known.get(channel);
    if (before?.count === count) return before.found;
    const [levels, course, segments] = [
      meters[channel].levels(),
      courses[channel].frames(),
      spectra[channel].segments(),
    ];
    const found = observe(levels, course, segments, sampleRate);
    known.set(channel, { count, found });
    return found;
  };
  return {
    push(block) {
      count += block[0]?.length ?? 0;
      block.forEach((samples, channel) => {
        meters[channel].push(samples);
        courses[channel].push(samples);
        spectra[channel].push(samples);
      });
      pairs.push(block);
    },
    density: (channel) => {
      const { density, weighted } = observed(channel);
      return { ...density, weighted };
    },
    windows: (channel) => {
      const { levels, frames, rest } = observed(channel);
      const perWindow = WINDOW / frames.seconds;
      const floor = levels.windows.filter((_, n) =>
        rest.some(({ from, to }) => from <= n * perWindow && to >= (n + 1) * perWindow),
      );
      return { all: levels.windows, floor: floor.length > 1 ? floor : levels.windows };
    },
    reading() {
      const all = meters.map((_, channel) => observed(channel));
      const levels = all.map((each) => each.levels);
      const read = all.map((each) => channelReading(each, sampleRate));
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

/**
 * No recording carries a line below this: the steps of 24 bits are 138 dB below full scale, and what lies between them is
 * noise or the steps themselves; lower still is the arithmetic of the spectrum.
 */
const LEAST_LINE: Dbfs = -160;

/** The mains with the harmonics that a recording can carry; undefined where none is left. */
function carriedMains(density: Density): Mains | undefined {
  const mains = mainsOf(density);
  const harmonics = mains?.harmonics.filter(({ dbfs }) => dbfs > LEAST_LINE);
  return mains && harmonics?.length ? { ...mains, harmonics } : undefined;
}

function channelReading(observed: Observed, sampleRate: Hertz): ChannelReading {
  const { levels, frames, disturbances, gate, rest, density, stretches } = observed;
  const without = (power: number) => Math.max(0, power - levels.mean ** 2);
  const windows = levels.windows.map(without).sort((a, b) => a - b);
  const own = floorOf(levels, rest);
  const word = wordOf(levels, own.power);
  const mains = carriedMains(density);
  const tones = tonesOf(density, mains).filter(({ dbfs }) => dbfs > Math.max(word.carries, LEAST_LINE));
  const wandering = wanderingOf(stretches, density, [...(mains?.harmonics ?? []), ...tones]).filter(
    ({ dbfs }) => dbfs > LEAST_LINE,
  );
  const [from, to] = BAND;
  const inBand = powerIn(density, from, to);
  const steady = [...(mains?.harmonics ?? []), ...tones].filter(({ hz }) => hz >= from && hz <= to);
  const broadband = Math.max(0, inBand - steady.reduce((sum, { power }) => sum + power, 0));
  const reasons = refusalsOf(
    levels,
    sampleRate,
    frames,
    disturbances,
    rest,
    testToneOf([...tones, ...(mains?.harmonics ?? []).filter(({ order }) => order > 1)], inBand),
    gate,
  );
  const rumble = powerIn(density, ...RUMBLE);
  const slope = slopeOf(density);
  const hiss = hissIn(density, steady);
  const usable = reasons.length === 0;
  const floor = usable ? own.power : null;
  const reach = reachOf(density, floor);
  const patterns = patternsOf({
    mains,
    tones,
    wandering,
    ...hiss,
    rumble,
    slope,
    inBand,
    density,
    reach,
    levels,
    frame: frames.seconds,
    floor,
    offset: own.offset,
    word,
    disturbances,
    reasons,
  });
  return {
    peakDbfs: ofPeak(levels.peak),
    rmsDbfs: ofPower(without(levels.power)),
    floorDbfs: floor === null ? null : ofPower(floor),
    disturbances,
    bandDbfs: ofPower(inBand),
    quietestDbfs: ofPower(windows[0] ?? 0),
    medianDbfs: ofPower(windows[windows.length >> 1] ?? 0),
    loudestDbfs: ofPower(windows.at(-1) ?? 0),
    cut80Dbfs: ofPower(powerIn(density, from, to, highPass(80))),
    aWeightedDbfs: ofPower(powerIn(density, from, to, aWeight)),
    hissDbfs: ofPower(hiss.weighted),
    crestDb: levels.power > 0 ? ofPeak(levels.peak) - ofPower(levels.power) : 0,
    dcOffset: own.offset,
    mains: mains ?? null,
    tones,
    wandering,
    broadbandDbfs: ofPower(broadband),
    slopeDbPerOctave: slope,
    rumbleDbfs: ofPower(rumble),
    reachesHz: reach.hz,
    clippedRuns: levels.clippedRuns,
    zeroRuns: levels.zeroRuns,
    clicks: levels.clicks,
    dropouts: levels.dropouts.zeros + levels.dropouts.held,
    bits: levels.bits ?? null,
    gate,
    usable,
    reasons,
    patterns,
    clean: usable && disturbances.length === 0 && patterns.every(({ code }) => code === 'hiss'),
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
