import type { Dbfs, Decibels, Hertz } from '../../units';
import { ofPeak, ofPower } from './decibels';
import type { Pattern, Seen } from './pattern';
import { isConstant } from './levels';
import { powerIn } from './spectrum';

/** A direct offset above this, or above the floor, is told (common practice: converters stay below). */
const OFFSET: Dbfs = -60;
/** A wave whose top 1 % holds so many times what the next 2 % hold has been cut; a sine has 1.4. */
const FLAT = 2.5;
/** Quieter than this, and white: nothing but a converter (quiet ones have −115 dBFS, plain ones −95; common practice). */
const CONVERTER: Dbfs = -95;
/** How even such noise is: slope an octave, and the lowest octaves against the top. */
const [WHITE, EVEN]: [Decibels, Decibels] = [0.8, 2.5];
/** A cut-off falls by so much within half a kilohertz. */
const CLIFF: Decibels = 25;
const [CLIFF_FROM, CLIFF_TO, CLIFF_STEP]: [Hertz, Hertz, Hertz] = [9000, 20_200, 200];
/** Clicks that are no accident. */
const CRACKLES = 3;

const level = (dbfs: number): string => `${dbfs.toFixed(1).replace('-', '−')} dBFS`;

/** What is wrong with the recording itself. */
export function faultsOf(seen: Seen): Pattern[] {
  const { levels, frame: seconds, floor, offset, word, disturbances, density, slope, mains, tones } = seen;
  const found: Pattern[] = [];
  // Voices and doors click too: only what is crackle by itself counts.
  const clicks = levels.clickFrames.filter((frame) =>
    disturbances.some(({ code, from, to }) => code === 'crackle' && frame * seconds >= from && frame * seconds < to),
  ).length;
  const ticking = disturbances.find(({ code }) => code === 'ticking');
  if (ticking)
    found.push({
      code: 'ticking',
      what: 'clicks at a steady rate',
      usually: 'a clock or a metronome in the room; digital devices that do not run on one clock; a telephone or radio',
      evidence: ticking.evidence,
    });
  if (clicks >= CRACKLES)
    found.push({
      code: 'crackle',
      what: 'crackle',
      usually: 'a bad contact or joint, a dirty plug, a failing capsule or damp in it; rain or a fire sounds like it',
      evidence: `${clicks} clicks`,
    });
  const { zeros, held } = levels.dropouts;
  if (zeros + held > 0 && !word.only)
    found.push({
      code: 'dropouts',
      what: 'dropouts',
      usually: 'lost samples: clock, driver, buffer too small, radio or network link',
      evidence: [zeros && `${zeros} of zeros`, held && `${held} of a value that is held`].filter(Boolean).join(', '),
    });
  const direct = offset ** 2;
  if (ofPower(direct) > OFFSET || (floor !== null && floor > 0 && direct > floor && direct > 1e-10))
    found.push({
      code: 'direct-offset',
      what: 'a direct offset',
      usually: 'a converter or an interface without coupling; levels here are without it',
      evidence: `${(100 * offset).toFixed(3).replace('-', '−')} % of full scale, ${level(ofPower(direct))}`,
    });
  const isLimited = disturbances.some(({ code }) => code === 'automatic-gain');
  if (levels.flatTop > FLAT && levels.clippedRuns === 0 && !word.only && !isLimited && !isConstant(levels))
    found.push({
      code: 'clipped-upstream',
      what: 'clipped before the converter',
      usually:
        'a stage in front of the gain overloads: microphone, booster, direct box, preamplifier with the output turned down',
      evidence: `tops cut off flat at ${level(ofPeak(levels.peak))}`,
    });
  if (floor !== null && !word.only && !mains && tones.length === 0 && isBare(ofPower(floor), slope, seen))
    found.push({
      code: 'dead-channel',
      what: 'nothing but converter noise',
      usually: 'nothing arrives: unplugged, muted before the converter, no power, gain at its least',
      evidence: `${level(ofPower(floor))}, white from the bottom to the top`,
    });
  const cliff = cliffOf(seen);
  if (cliff)
    found.push({
      code: 'cut-off',
      what: `nothing above ${(cliff / 1000).toFixed(1)} kHz`,
      usually: 'a lossy codec on the way (telephone, radio link, browser, compressed file), or a lower sample rate',
      evidence: `${CLIFF} dB and more within half a kilohertz`,
    });
  if (word.only && floor !== null && powerIn(density, 0, Infinity) > 0)
    found.push({
      code: 'word-length',
      what: `the floor of ${word.bits} bits`,
      usually:
        word.only === 'dither'
          ? 'nothing but dither: the line is quieter than the word length can show; record with 24 bits'
          : 'steps without dither: what is quieter than a step is lost or distorted; record with 24 bits',
      evidence: `${level(ofPower(floor))}, ${word.bits} bits used`,
    });
  return found;
}

function isBare(dbfs: Dbfs, slope: Decibels, { density }: Seen): boolean {
  const per = (from: Hertz, to: Hertz) => 10 * Math.log10(powerIn(density, from, to) / (to - from) + 1e-30);
  return dbfs < CONVERTER && Math.abs(slope) < WHITE && Math.abs(per(40, 250) - per(2000, 10_000)) < EVEN;
}

/** Where the spectrum ends as if cut off; undefined where it does not. */
function cliffOf({ density: { step, values }, floor }: Seen): Hertz | undefined {
  if (floor === 0) return undefined;
  // The middle: a tone is no part of what is cut off.
  const middle = (from: Hertz, to: Hertz) => {
    const bins = values.slice(Math.round(from / step), Math.round(to / step)).sort();
    return bins[bins.length >> 1] ?? 0;
  };
  const falls = (hz: Hertz): boolean => {
    const [below, above] = [middle(hz - 1250, hz - 250), middle(hz + 250, hz + 1250)];
    return below > 0 && below > 10 ** (CLIFF / 10) * (above + 1e-30);
  };
  const end = (values.length - 1) * step - 1500;
  const isCandidate = (hz: Hertz): boolean => hz < Math.min(CLIFF_TO, end);
  let from = CLIFF_FROM;
  while (isCandidate(from) && !falls(from)) from += CLIFF_STEP;
  if (!isCandidate(from)) return undefined;
  // It shows from as far below as above.
  let to = from;
  while (to < end && falls(to + CLIFF_STEP)) to += CLIFF_STEP;
  return (from + to) / 2;
}
