import { ofPower } from './decibels';
import { faultsOf } from './faults';
import { powerIn } from './spectrum';
import { plural, type Hertz } from '../../units';
import type { Harmonic, Tone } from './tones';
import type { Pattern, Seen } from './pattern';

/** Rumble this far above what a room has is told (10 dB; common practice). */
const RUMBLE_OVER = 10;

const level = (power: number): string => `${ofPower(power).toFixed(1).replace('-', '−')} dBFS`;
const sum = (list: readonly { power: number }[]): number => list.reduce((total, { power }) => total + power, 0);

/** The patterns of a channel with their evidence, one after the other as they are in the table of the trade (common practice). */
export function patternsOf(seen: Seen): Pattern[] {
  const { mains, tones, hiss, white, weighted, inBandA, inBand, slope, levels, reasons, wandering, word } = seen;
  const found: Pattern[] = faultsOf(seen);
  // What somebody says or plays has tones of its own, and says nothing of the line.
  const isLine = reasons.every(({ code }) => code === 'too-short' || code === 'clipped');
  const harmonics = mains?.harmonics ?? [];
  const odd = harmonics.filter(({ order }) => order % 2 === 1);
  const comb = harmonics.filter(({ order }) => order % 2 === 0);
  const high = comb.filter(({ order }) => order >= 6);
  const fundamental = harmonics.find(({ order }) => order === 1);
  if (isLine && fundamental && fundamental.power > 0.5 * sum(comb))
    found.push({
      code: 'magnetic-pick-up',
      what: 'hum: the fundamental and odd harmonics',
      usually: 'a transformer or a mains lead beside the cable',
      evidence: `${orders(odd)} of ${mains!.frequencyHz.toFixed(2)} Hz, ${level(sum(odd))}`,
    });
  if (isLine && comb.length >= 3 && high.length >= 2 && sum(comb) > 0.1 * sum(odd))
    found.push({
      code: 'rectifier-buzz',
      what: `buzz: ${(2 * mains!.frequencyHz).toFixed(0)} Hz and a long comb`,
      usually: 'rectifiers: a ground loop, an unbalanced path, a lifted or missing shield, a poor supply',
      evidence: `${orders(comb)} of ${mains!.frequencyHz.toFixed(2)} Hz, ${level(sum(comb))}`,
    });
  const motor = motorTones(tones);
  if (isLine && sum(motor) > 1e-3 * inBand)
    found.push({
      code: 'motor-tones',
      what: 'steady tones below 1 kHz, not of the mains',
      usually: 'a fan, a pump or a compressor in the room; a generator whose speed moves; a tone that somebody holds',
      evidence: `${listed(motor)}, ${level(sum(motor))}`,
    });
  const kilohertz = tones.filter((tone) => tone.hz >= KILOHERTZ && !motor.includes(tone));
  if (isLine && kilohertz.length > 0 && sum(kilohertz) > 1e-3 * inBand)
    found.push({
      code: 'computer-tones',
      what: 'steady tones in the kilohertz range',
      usually: 'a computer, its bus power, a switching supply, a display',
      evidence: `${listed(kilohertz)}, ${level(sum(kilohertz))}`,
    });
  for (const { fromHz, toHz, dbfs } of isLine ? wandering : [])
    found.push({
      code: 'wandering-whine',
      what: 'a whine whose pitch moves',
      usually: 'a switching supply, a computer or a display under changing load; two oscillators beating',
      evidence: `${Math.round(fromHz)} to ${Math.round(toHz)} Hz, ${dbfs.toFixed(1).replace('-', '−')} dBFS`,
    });
  if (
    seen.floor !== null &&
    word.only === undefined &&
    hiss > Math.max(0.4 * weighted, 0.1 * inBandA) &&
    white > 0.02 * inBand
  )
    found.push({
      code: 'hiss',
      what: 'white hiss',
      usually: 'the preamp or too little signal, if it follows the gain knob; something after the gain, if it doesn’t',
      evidence: `${level(hiss).replace('dBFS', 'dBFS(A)')}, ${Math.round((100 * hiss) / weighted)} % of the noise without tones; slope ${slope.toFixed(1).replace('-', '−')} dB/octave`,
    });
  const gated = reasons.find(({ code }) => code === 'gate');
  if (gated)
    found.push({
      code: 'gate',
      what: 'steps down to nothing between sounds',
      usually: 'a gate or expander is on: this measurement is worthless',
      evidence: gated.text,
    });
  const { zeroRuns, zeros, zerosAtEnds } = levels;
  if (zeroRuns > 0)
    found.push({
      code: 'exact-zeros',
      what: 'exact zeros',
      usually:
        zerosAtEnds === zeros && seen.floor !== null
          ? 'a recorder that began before anything arrived, or went on after it'
          : 'nothing connected, muted, or gated digitally',
      evidence: `${plural(zeroRuns, 'stretch', 'stretches')}, ${zeros.toFixed(2)} s together${zerosAtEnds > 0 ? `, ${zerosAtEnds.toFixed(2)} s of it before the first sound or after the last` : ''}`,
    });
  const rumble = rumbleOf(seen);
  if (rumble) found.push(rumble);
  return found;
}

const listed = (tones: readonly Tone[]): string =>
  tones
    .slice(0, 4)
    .map(({ hz }) => `${Math.round(hz)} Hz`)
    .join(', ');

/** From here on what is steady comes from clocks and switching supplies; below turn motors and blades (common practice). */
const KILOHERTZ: Hertz = 900;
/** Below this a peak of rumble looks like a tone. */
const RUMBLING: Hertz = 40;

/** Tones of something that turns: those below a kilohertz, with their multiples above. */
function motorTones(tones: readonly Tone[]): Tone[] {
  const low = tones.filter(({ hz, harmonic }) => hz > RUMBLING && hz < KILOHERTZ && harmonic === undefined);
  const isMultiple = ({ hz }: Tone): boolean =>
    low.some((base) => {
      const order = Math.round(hz / base.hz);
      const series = low.filter((other) => isNear(other.hz, Math.round(other.hz / base.hz) * base.hz));
      return series.length >= 3 && isNear(hz, order * base.hz) && leeway(hz) < base.hz / 4;
    });
  return [...low, ...tones.filter((tone) => tone.hz >= KILOHERTZ && isMultiple(tone))];
}

/** A speed that moves leaves its tones a little beside their multiples; where that reaches half-way to the next it says nothing. */
const leeway = (hz: Hertz): Hertz => 2 + 0.006 * hz;
const isNear = (hz: Hertz, wanted: Hertz): boolean => Math.abs(hz - wanted) < leeway(wanted);

/** Rumble is most of what is there, and far above what a room has by itself. */
function rumbleOf({ rumble, inBand, density }: Seen): Pattern | undefined {
  const above = powerIn(density, 63, 250) / 187;
  // From there a room rises by 8 dB of density an octave towards the bottom, to 28 Hz; RUMBLE reaches from 4 to 40 Hz.
  const usual = above * 10 ** ((8 * Math.log2(125 / 28)) / 10) * 36;
  if (rumble < inBand * 0.5 || rumble < RUMBLE_OVER * usual || rumble <= 0) return undefined;
  return {
    code: 'rumble',
    what: 'rumble below 40 Hz',
    usually: 'air handling, handling, wind, traffic',
    evidence: `${level(rumble)} below 40 Hz, ${level(inBand)} from 20 Hz to 20 kHz`,
  };
}

const orders = (list: readonly Harmonic[]): string =>
  `harmonics ${list
    .slice(0, 6)
    .map(({ order }) => order)
    .join(', ')}${list.length > 6 ? ` … ${list.at(-1)!.order}` : ''}`;
