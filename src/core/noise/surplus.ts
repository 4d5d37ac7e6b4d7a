import { ofPower, type ChannelReading } from '../signal';
import { aWeight } from '../signal/measure/weighting';
import { ratio, type Dbfs, type Decibels, type Hertz } from '../units';
import { quantity } from '../units/format';
import type { NoiseBudget } from './budget';
import { componentsOf } from './components';

/** What a recording has more than its line should have. */
export interface Surplus {
  measured: Dbfs;
  predicted: Dbfs;
  /** Measured over the range of what is predicted; negative where it is quieter, 0 in between. */
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
/** White noise that ends here has lost 1.25 dB of what it has up to 20 kHz: well within the differences above. */
const REACHES: Hertz = 15_000;
const BAND: Hertz = 20_000;

/** Whether a recording has enough of the band to be held against what was predicted of the whole of it. */
export const isComparable = ({ reachesHz }: Pick<ChannelReading, 'reachesHz'>): boolean => reachesHz >= REACHES;

/**
 * Whether what a recording says of its line holds although the top of the band may be missing: it has enough of the band,
 * is too loud all the same, or quieter than white noise is by what is missing.
 */
export const isCertain = ({ surplus, because }: Surplus, reading: Pick<ChannelReading, 'reachesHz'>): boolean =>
  isComparable(reading) || because.length > 0 || surplus < -(WITHIN + ofPower(BAND / reading.reachesHz));

/** Holds a recording against what its line should deliver; explains what is heard, or what is measured, whichever is more. */
export function surplusOf(reading: ChannelReading, budget: NoiseBudget): Surplus {
  const { dbfs: predicted, dbfsA: predictedA } = budget;
  // What nobody has stated may be anywhere in its range.
  const { known, most } = budget.reads['as-set'];
  const surplus = reading.bandDbfs - Math.min(most, Math.max(known, reading.bandDbfs));
  const surplusA = reading.aWeightedDbfs - predictedA;
  const heard = surplusA > surplus;
  const expected = expectedTones(budget, heard);
  const excess = withoutExpected(heard ? excessHeard(reading, budget) : excessPlain(reading, budget), expected)
    .filter((each) => each.power > 0.01 * power(heard ? predictedA : predicted))
    .sort((a, b) => b.power - a.power);
  const total = excess.reduce((sum, each) => sum + each.power, 0);
  const because =
    Math.max(surplus, surplusA) > WITHIN
      ? excess.map((each) => ({ what: each.what, dbfs: ofPower(each.power), share: each.power / total }))
      : [];
  return {
    measured: reading.bandDbfs,
    predicted,
    surplus,
    measuredA: reading.aWeightedDbfs,
    predictedA,
    surplusA,
    because,
    text: because.length
      ? louderText(surplus, surplusA, because, heard)
      : agreeingText(surplus, surplusA, excess, expected > 0),
  };
}

/** What the budget has of hum and whine, as a mean square with what is within the figures; 0 where it knows of none. */
function expectedTones({ parts, dbfs, level, dbfsA, aWeighted }: NoiseBudget, heard: boolean): number {
  const hum = parts.find(({ kind }) => kind === 'hum');
  if (!hum) return 0;
  return power((heard ? hum.aWeighted + dbfsA - aWeighted : hum.level + dbfs - level) + WITHIN);
}

/** Takes off what has a pitch and was predicted, hum before whine. */
function withoutExpected(list: readonly Excess[], expected: number): Excess[] {
  let left = expected;
  return list.map((each) => {
    if (!PITCHED.has(each.what)) return each;
    const taken = Math.min(left, each.power);
    left -= taken;
    return { ...each, power: each.power - taken };
  });
}

interface Excess {
  what: Surplus['because'][number]['what'];
  power: number;
}
/** What no line should have, unless it is known beforehand. */
const PITCHED: ReadonlySet<Excess['what']> = new Set(['hum', 'buzz', 'whine']);
const power = (level: Dbfs): number => ratio(level) ** 2;

/** What is too much, A-weighted. */
function excessHeard(reading: ChannelReading, { dbfsA }: NoiseBudget): Excess[] {
  const weighted = (tone: { hz: number; power: number }) => ({ ...tone, power: tone.power * aWeight(tone.hz) });
  const { mains, tones } = reading;
  const {
    hum,
    buzz,
    tones: whine,
  } = componentsOf({
    ...reading,
    mains: mains && { ...mains, harmonics: mains.harmonics.map((each) => ({ ...each, ...weighted(each) })) },
    tones: tones.map((each) => ({ ...each, ...weighted(each) })),
  });
  return [
    { what: 'hum', power: hum },
    { what: 'buzz', power: buzz },
    { what: 'whine', power: whine },
    { what: 'broadband noise', power: power(reading.hissDbfs) - power(dbfsA) },
  ];
}

/** What is too much, unweighted. */
function excessPlain(reading: ChannelReading, { dbfs, density, reads }: NoiseBudget): Excess[] {
  const { hum, buzz, tones } = componentsOf(reading);
  const low = density.filter(({ hz }) => hz < RUMBLE);
  // Rumble is read from 4 Hz on; below the band it falls by 12 dB an octave, which leaves a fifth of its lowest 20 Hz.
  const expected = low.reduce((sum, each, n) => sum + each.power * width(low, n), 0) + low[0].power * 4;
  const { most } = reads['as-set'];
  const over = power(reading.broadbandDbfs) - power(Math.max(most, dbfs));
  // Where nobody has stated how a room rumbles it may do so by as much more than is usual.
  const rumble = Math.min(over, power(reading.rumbleDbfs) - expected * (power(Math.max(most, dbfs)) / power(dbfs)));
  return [
    { what: 'hum', power: hum },
    { what: 'buzz', power: buzz },
    { what: 'whine', power: tones },
    { what: 'rumble', power: rumble },
    { what: 'broadband noise', power: over - Math.max(0, rumble) },
  ];
}

const width = (points: readonly { hz: number }[], n: number): number =>
  n + 1 < points.length ? points[n + 1].hz - points[n].hz : n > 0 ? points[n].hz - points[n - 1].hz : 0;

/** Where nothing is too much; what has a pitch is told all the same, as no line should have any. */
function agreeingText(plain: Decibels, weighted: Decibels, excess: readonly Excess[], hums: boolean): string {
  if (plain < -WITHIN && weighted < -WITHIN)
    return `It is ${quantity(-plain, 'dB')} quieter than predicted (A-weighted ${quantity(-weighted, 'dB')}): gain lower than entered, a quieter room, or a dead line: check for signal first.`;
  const lower =
    plain < -WITHIN ? ` Unweighted it is ${quantity(-plain, 'dB')} quieter: less rumble than rooms have.` : '';
  const pitched = excess
    .filter(({ what }) => PITCHED.has(what))
    .map(({ what, power: own }) => `${what} (${quantity(ofPower(own), 'dBFS')})`);
  return `As predicted (within ${WITHIN} dB)${lower ? ', A-weighted' : ''}${pitched.length ? `, but there is ${pitched.join(' and ')} that does not belong there.` : hums ? ', its hum included: what helps against that is in the Mains tab.' : ': nothing wrong with this line’s noise.'}${lower}`;
}

function louderText(plain: Decibels, weighted: Decibels, because: Surplus['because'], heard: boolean): string {
  const [first, ...others] = because;
  const also = others
    .filter(({ share }) => share > 0.05)
    .map(({ what, dbfs }) => `${what} (${quantity(dbfs, 'dBFS')})`);
  const over = `It is ${quantity(plain, 'dB')} louder than predicted (A-weighted ${quantity(weighted, 'dB')}).`;
  return `${over} ${Math.round(100 * first.share)} % of what is too much${heard ? ', A-weighted,' : ''} is ${first.what} (${quantity(first.dbfs, 'dBFS')})${also.length ? `; then ${also.join(', ')}` : ''}.`;
}
