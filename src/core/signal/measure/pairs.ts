import type { Block } from '../wav';
import type { Decibels } from '../../units';
import type { Levels } from './levels';

/** What two channels have to do with each other. */
export interface PairReading {
  channels: [number, number];
  relation: 'same signal twice' | 'reversed polarity' | 'crosstalk';
  /** From −1 to 1. */
  correlation: number;
  /** Of crosstalk: how far what comes over lies below what it comes from, and from which channel. */
  ratioDb?: Decibels;
  fromChannel?: number;
}

/** So alike that it is one signal. */
const ONE_SIGNAL = 0.995;
/** Two microphones hear the same room at the same loudness; reversed they agree with the sign turned. */
const REVERSED = -0.6;
/** What comes over from another channel lies so much lower at least (common practice: a spill of −12 dB is the room's), and is so much of what is there. */
const [CROSSTALK, TELLS]: [Decibels, number] = [-15, 0.25];
/** More channels than this are not compared pair by pair. */
const MOST = 16;

/** Compares every two channels sample by sample. */
export function channelPairs(channels: number) {
  const count = Math.min(channels, MOST);
  const couples = Array.from({ length: count }, (_, a) => a).flatMap((a) =>
    Array.from({ length: count - a - 1 }, (_, n): [number, number] => [a, a + 1 + n]),
  );
  const products = couples.map(() => 0);
  return {
    push(block: Block): void {
      couples.forEach(([a, b], n) => {
        const [one, other] = [block[a], block[b]];
        let sum = 0;
        for (let k = 0; k < one.length; k++) sum += one[k] * other[k];
        products[n] += sum;
      });
    },
    readings(levels: readonly Levels[]): PairReading[] {
      return couples.flatMap(([a, b], n): PairReading[] => {
        const { frames } = levels[a];
        const power = (channel: number) => Math.max(0, levels[channel].power - levels[channel].mean ** 2);
        const scale = Math.sqrt(power(a) * power(b));
        const common = frames ? products[n] / frames - levels[a].mean * levels[b].mean : 0;
        const correlation = scale > 0 ? common / scale : 0;
        const channels: [number, number] = [a, b];
        const fromChannel = power(a) >= power(b) ? a : b;
        const ratioDb = 20 * Math.log10(Math.abs(common) / (power(fromChannel) || 1) + 1e-20);
        if (Math.abs(correlation) > TELLS && ratioDb < CROSSTALK)
          return [{ channels, relation: 'crosstalk', correlation, ratioDb, fromChannel }];
        if (correlation > ONE_SIGNAL) return [{ channels, relation: 'same signal twice', correlation }];
        if (correlation < REVERSED) return [{ channels, relation: 'reversed polarity', correlation }];
        return [];
      });
    },
  };
}
