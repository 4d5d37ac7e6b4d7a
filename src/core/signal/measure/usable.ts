import type { Seconds } from '../../units';
import { ofPower } from './decibels';
import type { Levels } from './levels';

/** Why a reading says nothing about a noise floor. */
export interface Refusal {
  code: 'too-short' | 'gate' | 'speech' | 'clipped' | 'silence';
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

/** Shorter than this says too little about hum and drifts (common practice). */
const SHORTEST: Seconds = 2;
/** A gate shuts by so much at least, within two short windows, in dB. */
const GATE_DEPTH = 15;
/** Steady noise of 20 ms stays within this from its tenth to its ninetieth percentile, in dB (measured on white and pink noise). */
const STEADY = 6;

const percentile = (sorted: Float32Array, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];

/** A gate or expander, from the short windows: steps down to a level that hardly moves, or to nothing. */
export function gateOf({ short }: Levels): Gate | undefined {
  const levels = short.slice(1).map(ofPower);
  if (levels.length < 20) return undefined;
  const sorted = levels.toSorted();
  const [low, high] = [percentile(sorted, 0.02), percentile(sorted, 0.9)];
  if (high - low < GATE_DEPTH) return undefined;
  const middle = (Math.max(low, high - 60) + high) / 2;
  const shut = Uint8Array.from(levels, (level) => (level < middle ? 1 : 0));
  const stretches = stretchesOf(shut);
  // A gate holds: what is shut for a moment only is a pause between syllables, or a beat.
  const held = stretches.filter((length) => length >= 5).length;
  const down = levels.filter((_, n) => shut[n] === 1);
  if (held === 0 || down.length === 0) return undefined;
  const plateau = down.toSorted();
  const flat = percentile(plateau, 0.8) - percentile(plateau, 0.2) < 2.5;
  const sudden = fallsSuddenly(levels, shut);
  if (!flat || !sudden) return undefined;
  return { depth: high - percentile(plateau, 0.5), shut: down.length / levels.length, times: held };
}

/** Lengths of the stretches that are shut. */
function stretchesOf(shut: Uint8Array): number[] {
  const lengths: number[] = [];
  let length = 0;
  for (let n = 0; n <= shut.length; n++) {
    if (shut[n] === 1) length++;
    else if (length > 0) {
      lengths.push(length);
      length = 0;
    }
  }
  return lengths;
}

/** Whether most of the falls happen within three short windows. */
function fallsSuddenly(levels: Float32Array, shut: Uint8Array): boolean {
  let [falls, sudden] = [0, 0];
  for (let n = 3; n < levels.length - 1; n++)
    if (shut[n] === 1 && shut[n - 1] === 0) {
      falls++;
      if (Math.max(...levels.slice(n - 3, n)) - Math.min(levels[n], levels[n + 1]) > GATE_DEPTH * 0.8) sudden++;
    }
  return falls > 0 ? sudden >= falls / 2 : shut[0] === 1;
}

/** Everything that keeps a reading from being a noise floor. */
export function refusalsOf(levels: Levels, sampleRate: number): Refusal[] {
  const { frames, power, clippedRuns, zeros, short } = levels;
  const seconds = frames / sampleRate;
  const found: Refusal[] = [];
  if (seconds < SHORTEST)
    found.push({
      code: 'too-short',
      text: `It is ${seconds.toFixed(1)} s long; ${SHORTEST} s are needed, and ten are better. Record longer.`,
    });
  if (power === 0)
    return [
      ...found,
      {
        code: 'silence',
        text: 'Every sample is exactly zero: nothing is connected, it is muted, or gated digitally. Open the inlet and record again.',
      },
    ];
  if (clippedRuns > 0)
    found.push({
      code: 'clipped',
      text: `It clips ${clippedRuns} ${clippedRuns === 1 ? 'time' : 'times'}. Turn the gain down and record again.`,
    });
  const gate = gateOf(levels);
  if (gate)
    found.push({
      code: 'gate',
      text: `A gate or expander shuts ${gate.times} ${gate.times === 1 ? 'time' : 'times'}, by ${gate.depth.toFixed(0)} dB, ${(100 * gate.shut).toFixed(0)} % of the time. Switch it off and record again.`,
    });
  else if (zeros > 0.02 * seconds)
    found.push({
      code: 'gate',
      text: `${zeros.toFixed(1)} s are exactly zero between sounds: something mutes or gates. Switch it off and record again.`,
    });
  else if (moves(short))
    found.push({
      code: 'speech',
      text: 'The level goes up and down as with somebody speaking or playing. Record again with everybody quiet.',
    });
  return found;
}

/** Whether short windows move as sounds do and steady noise does not. */
function moves(short: Float32Array): boolean {
  const sorted = short.slice(1).map(ofPower).sort();
  if (sorted.length < 20) return false;
  return percentile(sorted, 0.9) - percentile(sorted, 0.1) > STEADY;
}
