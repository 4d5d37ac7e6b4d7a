import type { Hertz } from '../../units';
import type { Disturbance } from './disturbance';
import { disturbancesOf } from './disturbances';
import { FRAME, type Frames } from './frames';
import type { Levels } from './levels';
import { quietOf, type Span } from './quiet';
import { densityOf, framesOf, type Density, type Segments, type Stretch } from './spectrum';
import { gateOf, restOf, type Gate } from './usable';
import { wordOf } from './word';

/** A channel, taken apart into its floor and what is none. */
export interface Observed {
  levels: Levels;
  frames: Frames;
  disturbances: Disturbance[];
  gate: Gate | null;
  rest: Span[];
  /** Of the floor, or of everything where there is none. */
  density: Density;
  weighted: number[];
  /** Of the floor. */
  stretches: readonly Stretch[];
}

export function observe(levels: Levels, frames: Frames, segments: Segments, sampleRate: Hertz): Observed {
  const quiet = quietOf(frames);
  const perFrame = Math.round(FRAME * sampleRate);
  // What a click or a dropout lies in is no floor either, nor are its neighbours.
  const spoilt = new Uint8Array(frames.count);
  // Steps of a word that is too short are no clicks.
  const isWord = wordOf(levels, Math.max(0, levels.power - levels.mean ** 2)).only !== undefined;
  const clickFrames = isWord ? [] : levels.clickFrames;
  for (const frame of isWord ? [] : [...clickFrames, ...levels.dropouts.frames])
    spoilt.fill(1, Math.max(0, frame - 1), frame + 2);
  // Nor is what lies before anything arrives, or after.
  const { from: start, to: end } = quiet.sounding;
  if (start > 0) spoilt.fill(1, 0, start + 1);
  if (end < frames.count) spoilt.fill(1, end - 1);
  const disturbances = disturbancesOf(frames, quiet, segments, perFrame, clickFrames);
  const rest = restOf(quiet, disturbances, spoilt);
  const isRest = new Uint8Array(frames.count);
  for (const { from, to } of rest) isRest.fill(1, from, to);
  const foreign = segments.stretches.map((stretch) => {
    const { from, to } = framesOf(stretch, segments, perFrame, frames.count);
    let other = 0;
    for (let n = from; n < to; n++) if (!isRest[n]) other++;
    return other / Math.max(1, to - from);
  });
  const own = segments.stretches.filter((_, n) => foreign[n] === 0);
  // Between crackles hardly a segment is free: those that have the least of it.
  const least = rest.length ? foreign.toSorted((a, b) => a - b)[Math.floor(foreign.length / 5)] : 1;
  const chosen = own.length >= 3 ? own : segments.stretches.filter((_, n) => foreign[n] <= least);
  return {
    levels,
    frames,
    disturbances,
    gate: disturbances.some(({ code }) => code === 'gate') ? gateOf(frames, quiet) : null,
    rest,
    density: densityOf(segments, chosen),
    weighted: chosen.flatMap(({ from, to }) => segments.weighted.slice(from, to)),
    stretches: chosen,
  };
}

/**
 * The mean square of the frames that are floor, without their direct offset, and that offset; of everything where nothing
 * is left out, or nothing is left.
 */
export function floorOf(
  { frameLevels, frameMeans, power, mean }: Levels,
  rest: readonly Span[],
): { power: number; offset: number } {
  let [squares, sum, count] = [0, 0, 0];
  for (const { from, to } of rest)
    for (let n = from; n < Math.min(to, frameLevels.length); n++) {
      squares += frameLevels[n];
      sum += frameMeans[n];
      count++;
    }
  // The samples behind the last whole frame are no less floor than those before.
  const isAll = count === 0 || count === frameLevels.length;
  const [all, offset] = isAll ? [power, mean] : [squares / count, sum / count];
  return { power: Math.max(0, all - offset ** 2), offset };
}
