import type { Dbfs, Decibels, Hertz } from '../../units';
import { ofPeak, ofPower } from './decibels';
import type { Pattern, Seen } from './pattern';
import { isConstant } from './levels';
import { CLIFF } from './reach';
import { powerIn } from './spectrum';

/** A direct offset above this, or above the floor, is told (common practice: converters stay below). */
const OFFSET: Dbfs = -60;
/** A wave whose top 1 % holds so many times what the next 2 % hold has been cut; a sine has 1.4. */
const FLAT = 2.5;
/** Quieter than this, and white: nothing but a converter (quiet ones have −115 dBFS, plain ones −95; common practice). */
const CONVERTER: Dbfs = -95;
/** How even such noise is: slope an octave, and the lowest octaves against the top. */
const [WHITE, EVEN]: [Decibels, Decibels] = [0.8, 2.5];
/** Clicks that are no accident. */
const CRACKLES = 3;

const level = (dbfs: number): string => `${dbfs.toFixed(1).replace('-', '−')} dBFS`;

/** What is wrong with the recording itself. */
export function faultsOf(seen: Seen): Pattern[] {
  const { levels, frame: seconds, floor, offset, word, disturbances, density, reach, slope, mains, tones } = seen;
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
  if (reach.by !== undefined)
    found.push({
      code: 'cut-off',
      what: `nothing above ${(reach.hz / 1000).toFixed(1)} kHz`,
      ...(reach.by === 'cliff'
        ? {
            usually:
              'a lossy codec on the way (telephone, wireless headset, radio link, browser, compressed file), or a lower sample rate',
            evidence: `${CLIFF} dB and more within half a kilohertz`,
          }
        : {
            usually: 'a low sample rate: half of it is as far as a recording reaches',
            evidence: `recorded at ${(reach.hz / 500).toFixed(1).replace('.0', '')} kHz`,
          }),
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
