import type { Dbfs } from '../units';
import type { ChannelReading } from '../signal';
import { ratio } from '../units';

/** What disturbs by its sound: a hunt and an explanation tell these apart. */
export const COMPONENTS = {
  hum: 'hum: the mains frequency and its odd multiples',
  buzz: 'buzz: twice the mains frequency and its multiples',
  tones: 'whine: steady tones',
  hiss: 'hiss and rush: everything without a pitch, A-weighted',
} as const;
/** What is no louder than this is not there: below the noise of any converter (assumed). */
export const INAUDIBLE: Dbfs = -130;

export type Component = keyof typeof COMPONENTS;
export const COMPONENT_NAMES = Object.keys(COMPONENTS) as Component[];

/** Mean squares, full scale being 1. */
export type Components = Record<Component, number>;

const sum = (list: readonly { power: number }[]): number => list.reduce((total, { power }) => total + power, 0);

export function componentsOf({ mains, tones, wandering, hissDbfs }: ChannelReading): Components {
  const harmonics = mains?.harmonics ?? [];
  return {
    hum: sum(harmonics.filter(({ order }) => order % 2 === 1)),
    buzz: sum(harmonics.filter(({ order }) => order % 2 === 0)),
    tones: sum(tones) + sum(wandering.map(({ dbfs }) => ({ power: ratio(dbfs) ** 2 }))),
    hiss: ratio(hissDbfs) ** 2,
  };
}
