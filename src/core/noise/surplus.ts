import { ofPower, type ChannelReading } from '../signal';
import { ratio, type Dbfs, type Decibels } from '../units';
import { quantity } from '../units/format';
import type { NoiseBudget } from './budget';
import { componentsOf } from './components';

/** What a recording has more than its line should have. */
export interface Surplus {
  measured: Dbfs;
  predicted: Dbfs;
  /** Measured over predicted; negative where it is quieter. */
  surplus: Decibels;
  measuredA: Dbfs;
  predictedA: Dbfs;
  surplusA: Decibels;
  /** What is too much, loudest first; shares of it add up to 1. Empty where nothing is. */
  because: { what: 'hum' | 'buzz' | 'whine' | 'rumble' | 'broadband noise'; dbfs: Dbfs; share: number }[];
  /** In words. */
  text: string;
}

/** Differences up to this are within what figures and rooms allow, in dB (common practice). */
const WITHIN: Decibels = 3;
const RUMBLE = 40;

/** Holds a recording against what its line should deliver. @param gain as set while it was recorded, if that is known */
export function surplusOf(reading: ChannelReading, budget: NoiseBudget): Surplus {
  const measured = reading.bandDbfs;
  const { dbfs: predicted, dbfsA: predictedA } = budget;
  const power = (level: Dbfs) => ratio(level) ** 2;
  const low = budget.density.filter(({ hz }) => hz < RUMBLE);
  const predictedRumble = low.reduce((sum, each, n) => sum + each.power * width(low, n), 0);
  const { hum, buzz, tones } = componentsOf(reading);
  const rumble = Math.min(power(reading.rumbleDbfs), power(reading.broadbandDbfs));
  const rest = Math.max(0, power(reading.broadbandDbfs) - rumble);
  const over = [
    { what: 'hum', power: hum },
    { what: 'buzz', power: buzz },
    { what: 'whine', power: tones },
    { what: 'rumble', power: rumble - predictedRumble },
    { what: 'broadband noise', power: rest - Math.max(0, power(predicted) - predictedRumble) },
  ] as const;
  const excess = over.filter((each) => each.power > 0.01 * power(predicted)).toSorted((a, b) => b.power - a.power);
  const total = excess.reduce((sum, each) => sum + each.power, 0);
  const surplus = measured - predicted;
  const surplusA = reading.aWeightedDbfs - predictedA;
  const because =
    surplus > WITHIN || surplusA > WITHIN
      ? excess.map((each) => ({ what: each.what, dbfs: ofPower(each.power), share: each.power / total }))
      : [];
  return {
    measured,
    predicted,
    surplus,
    measuredA: reading.aWeightedDbfs,
    predictedA,
    surplusA,
    because,
    text: inWords(surplus, surplusA, because),
  };
}

const width = (points: readonly { hz: number }[], n: number): number =>
  n + 1 < points.length ? points[n + 1].hz - points[n].hz : n > 0 ? points[n].hz - points[n - 1].hz : 0;

function inWords(plain: Decibels, weighted: Decibels, because: Surplus['because']): string {
  if (plain < -WITHIN && weighted < -WITHIN)
    return `It is ${quantity(-plain, 'dB')} quieter than predicted (A-weighted ${quantity(-weighted, 'dB')}): the gain may be lower than stated, the room quieter, or the signal does not arrive.`;
  if (because.length === 0)
    return `Measured and predicted agree within ${WITHIN} dB: the line does what its parts allow.`;
  const [first, ...others] = because;
  const also = others
    .filter(({ share }) => share > 0.05)
    .map(({ what, dbfs }) => `${what} (${quantity(dbfs, 'dBFS')})`);
  return `It is ${quantity(plain, 'dB')} louder than predicted (A-weighted ${quantity(weighted, 'dB')}). ${Math.round(100 * first.share)} % of what is too much is ${first.what} (${quantity(first.dbfs, 'dBFS')})${also.length ? `; then ${also.join(', ')}` : ''}.`;
}
