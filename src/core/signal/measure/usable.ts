import type { Dbfs, Seconds } from '../../units';
import { ofPower } from './decibels';
import { DISTURBANCES, type Disturbance, type DisturbanceName } from './disturbance';
import { BANDS, FRAME, type Frames } from './frames';
import { isConstant, type Levels } from './levels';
import type { Quiet, Span } from './quiet';
import type { Tone } from './tones';
import { plural, times } from '../../units';

/** Why a reading says nothing about a noise floor. */
export interface Refusal {
  code: 'too-short' | 'clipped' | 'silence' | 'broken-samples' | 'test-tone' | DisturbanceName;
  /** What is wrong, with the evidence, and what to do. */
  text: string;
}

/** A gate between sounds: how far down it goes, and how much of the time it is shut. */
export interface Gate {
  /** How far below what comes through, in dB. */
  depth: number;
  /** Part of the time. */
  shut: number;
  /** How often it shuts. */
  times: number;
}

/** What a gate does, by the hiss that it lets through. */
export function gateOf(frames: Frames, { baseline, others }: Quiet): Gate {
  const closed = ofPower(baseline.at(-1)!);
  const hiss = Float32Array.from({ length: frames.count }, (_, n) => frames.level(BANDS - 1, n) - closed);
  const open = hiss.filter((level) => level > 6).sort();
  const depth = open[open.length >> 1] ?? 0;
  const shut = hiss.filter((level) => level < depth / 2).length / (hiss.length || 1);
  return { depth, shut, times: others.length };
}

/** Shorter than this says too little about hum and drifts (common practice). */
const SHORTEST: Seconds = 2;
/** A piece of the rest shorter than this is a pause between syllables, in which the room still sounds (common practice). */
const PIECE: Seconds = 0.5;
/** Less than this part left over from what goes on and on is its quiet moments, not the floor. */
const PART = 0.25;
/** What moves the gain leaves no floor; wind only where there is a good deal without it. */
const SPOILS: readonly DisturbanceName[] = ['gate', 'noise-suppressor', 'automatic-gain'];
const CALM = 0.6;

/** The pieces of the rest that a floor can be read from; all of a recording that has nothing beside it. */
export function restOf({ taken, others }: Quiet, disturbances: readonly Disturbance[], spoilt: Uint8Array): Span[] {
  const count = taken.length;
  if (others.length === 0 && !spoilt.includes(1)) return count ? [{ from: 0, to: count }] : [];
  const least = disturbances.every(({ code }) => code === 'crackle' || code === 'ticking') ? 0.1 : PIECE;
  const pieces: Span[] = [];
  for (let n = 0; n < count; n++) {
    if (taken[n] || spoilt[n]) continue;
    const last = pieces.at(-1);
    if (last?.to === n) last.to++;
    else pieces.push({ from: n, to: n + 1 });
  }
  const long = pieces.filter(({ from, to }) => (to - from) * FRAME >= least);
  const total = long.reduce((sum, { from, to }) => sum + to - from, 0);
  const part = disturbances.some(({ code }) => code === 'wind') ? CALM : PART;
  const longest = Math.max(0, ...long.map(({ from, to }) => (to - from) * FRAME));
  const enough = total * FRAME >= SHORTEST && (total > part * count || longest >= 2 * SHORTEST);
  return enough && !disturbances.some(({ code }) => SPOILS.includes(code)) ? long : [];
}

/** What to do about each. */
const INSTEAD: Record<DisturbanceName, string> = {
  gate: 'Switch it off and record again.',
  'noise-suppressor': 'Switch it off, in the browser, the system and the interface, and record again.',
  'automatic-gain': 'Switch it off, set the gain by hand, and record again.',
  wind: 'Use a windscreen or close windows, and record again.',
  telephone: 'Put telephones in flight mode or take them away, and record again.',
  'intermittent-hum':
    'Find what switches on and off, or which two motors or supplies beat; record once with it and once without.',
  music: 'Record again without it.',
  birds: 'Close windows or record at another time.',
  speech: 'Record again with everybody quiet.',
  machine:
    'Find what runs; record once with it and once without. If somebody moved the gain, leave it alone and record again.',
  ticking: 'Stop the clock, the metronome or what else ticks, and record again.',
  crackle:
    'Move plugs and cable one by one until you hear which; change it and record again. If it was rain or a fire, record without it.',
  event: 'Record again.',
};

/** The refusal that goes with what was found. */
function refusalFor(code: DisturbanceName, found: readonly Disturbance[], frames: number, gate: Gate | null): Refusal {
  const own = found.filter((each) => each.code === code);
  const { evidence } = own[0];
  const what = DISTURBANCES[code].replace(/^./, (letter) => letter.toUpperCase());
  if (code === 'gate' && gate)
    return {
      code,
      text: `${what} shuts ${times(gate.times)}, by ${gate.depth.toFixed(0)} dB, ${(100 * gate.shut).toFixed(0)} % of the time: ${evidence}. ${INSTEAD[code]}`,
    };
  if (SPOILS.includes(code)) return { code, text: `${what} is at work: ${evidence}. ${INSTEAD[code]}` };
  const seconds = own.reduce((sum, { from, to }) => sum + to - from, 0);
  const share = Math.round((100 * seconds) / (frames * FRAME));
  return {
    code,
    text: `${what}, ${share} % of the time: ${evidence}. Too little is left for a floor. ${INSTEAD[code]}`,
  };
}

/** A test tone is louder than this, and by so much louder than all the rest. */
const [TONE_FROM, TONE_OVER]: [Dbfs, number] = [-50, 100];

/**
 * A tone that somebody sends; the mains frequency itself is none.
 * @param tones steady lines, higher harmonics of the mains among them: 100 Hz alone is nobody's hum
 * @param inBand mean square of everything
 */
export function testToneOf(tones: readonly Tone[], inBand: number): Tone | undefined {
  const [loudest] = tones.toSorted((a, b) => b.power - a.power);
  const rest = inBand - (loudest?.power ?? 0);
  return loudest && loudest.dbfs > TONE_FROM && loudest.power > TONE_OVER * Math.max(0, rest) ? loudest : undefined;
}

/** Everything that keeps a reading from being a noise floor. */
export function refusalsOf(
  levels: Levels,
  sampleRate: number,
  frames: Frames,
  disturbances: readonly Disturbance[],
  rest: readonly Span[],
  testTone: Tone | undefined,
  gate: Gate | null,
): Refusal[] {
  const { power, clippedRuns, broken, mean } = levels;
  const zeros = levels.zeros - levels.zerosAtEnds;
  const seconds = levels.frames / sampleRate;
  const found: Refusal[] = [];
  if (seconds < SHORTEST)
    found.push({
      code: 'too-short',
      text: `It is ${seconds.toFixed(1)} s long; ${SHORTEST} s are needed, and ten are better. Record longer.`,
    });
  if (broken > 0)
    found.push({
      code: 'broken-samples',
      text: `${plural(broken, 'sample')} in it ${broken === 1 ? 'is no number' : 'are no numbers'}. Something on the way wrote a broken file: record again, without plug-ins, or as 24 bits.`,
    });
  if (power === 0)
    return [
      ...found,
      {
        code: 'silence',
        text: 'Every sample is exactly zero: not connected, muted or gated. Unmute and record again.',
      },
    ];
  if (isConstant(levels))
    return [
      ...found,
      {
        code: 'silence',
        text: `Every sample is the same, ${ofPower(mean ** 2)
          .toFixed(1)
          .replace(
            '-',
            '−',
          )} dBFS of direct offset: nothing arrives, or the converter stands still. Look at cable and mute, and record again.`,
      },
    ];
  if (clippedRuns > 0)
    found.push({
      code: 'clipped',
      text: `It clips ${times(clippedRuns)}. Turn the gain down and record again.`,
    });
  if (testTone)
    found.push({
      code: 'test-tone',
      text: `A steady tone of ${Math.round(testTone.hz)} Hz at ${ofPower(testTone.power).toFixed(1).replace('-', '−')} dBFS drowns everything else. Stop it and record again.`,
    });
  if (zeros > 0.02 * seconds)
    found.push({
      code: 'gate',
      text: `${zeros.toFixed(1)} s are exactly zero between sounds: something mutes or gates. Switch it off and record again.`,
    });
  else if (rest.length === 0 && seconds >= SHORTEST) {
    const code = mainOf(disturbances);
    if (code) found.push(refusalFor(code, disturbances, frames.count, gate));
  }
  return found;
}

/** What takes most of the time; what moves the gain before anything else. */
export function mainOf(disturbances: readonly Disturbance[]): DisturbanceName | undefined {
  const spoiling = disturbances.find(({ code }) => SPOILS.includes(code));
  if (spoiling) return spoiling.code;
  const seconds = new Map<DisturbanceName, Seconds>();
  for (const { code, from, to } of disturbances) seconds.set(code, (seconds.get(code) ?? 0) + to - from);
  return [...seconds].sort((a, b) => b[1] - a[1])[0]?.[0];
}
