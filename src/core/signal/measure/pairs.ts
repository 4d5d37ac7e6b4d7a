import type { Block } from '../wav';
import type { Levels } from './levels';

/** What two channels have to do with each other. */
export interface PairReading {
  channels: [number, number];
  relation: 'same signal twice' | 'reversed polarity';
  /** From −1 to 1. */
  correlation: number;
}

/** So alike that it is one signal. */
const ONE_SIGNAL = 0.995;
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
        const scale = Math.sqrt(levels[a].power * levels[b].power) * levels[a].frames;
        const correlation = scale > 0 ? products[n] / scale : 0;
        if (Math.abs(correlation) < ONE_SIGNAL) return [];
        return [
          { channels: [a, b], relation: correlation > 0 ? 'same signal twice' : 'reversed polarity', correlation },
        ];
      });
    },
  };
}
