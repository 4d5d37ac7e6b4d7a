import type { Reader } from '../../gear';
import { BOLTZMANN, ROOM_TEMPERATURE } from '../../circuit/noise';
import { fromDbu, ratio, type Decibels, type Ohms } from '../../units';
import { WIDTH } from '../band';

/** White noise reads this much lower A-weighted, 20 Hz to 20 kHz (IEC 61672-1, by integrating the formula). */
export const A_WEIGHTED: Decibels = 2.05;

/** What an inlet's amplifier and converter add, in V² over 20 Hz to 20 kHz at the inlet, white. */
export interface InletNoise {
  amplifier: number;
  converter: number;
  /** What is wrong with the figures, if something is. */
  doubt?: string;
}

/** 4kTRB of a resistance, in V². */
export const thermalPower = (ohms: Ohms): number => 4 * BOLTZMANN * ROOM_TEMPERATURE * ohms * WIDTH;

/**
 * The noise of an inlet at a gain. Its amplifier makes one part before the gain and one behind it; the sheet's figures
 * at most and at least gain tell them apart. The resistance the figure was taken with is part of the figure and is
 * taken out of it.
 */
export function inletNoise(inlet: Reader, gain: Decibels): InletNoise {
  const stated = (figure: string) =>
    fromDbu(inlet.value(figure) + (inlet.choice('einWeighting') === 'a-weighted' ? A_WEIGHTED : 0)) ** 2;
  const thermal = thermalPower(inlet.value('einResistance'));
  const [most, least] = [ratio(inlet.value('gainMax')) ** 2, ratio(inlet.value('gainMin')) ** 2];
  const [high, low] = [stated('ein'), Math.max(stated('ein'), stated('einLow'))];
  const behind = most > least ? (low - high) / (1 / least - 1 / most) : 0;
  const before = high - behind / most - thermal;
  // A full-scale sine is this much at the inlet; the range is stated A-weighted.
  const range = inlet.value('fullScale') - gain - inlet.value('dynamicRange') + A_WEIGHTED;
  return {
    amplifier: Math.max(before, 0) + behind / ratio(gain) ** 2,
    converter: fromDbu(range) ** 2,
    ...(before < -0.02 * high && {
      doubt: `The stated equivalent input noise is below what ${Math.round(inlet.value('einResistance'))} Ω make by themselves: it may be A-weighted, or taken with the input shorted. The amplifier is taken as noiseless.`,
    }),
  };
}
