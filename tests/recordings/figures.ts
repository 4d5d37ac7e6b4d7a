import type { ChannelReading, Transforms } from '../../src/core/signal';
import { mainOf } from '../../src/core/signal/measure/usable';
import { FAMILIES, recordingOf, type Family } from './families';
import { readBy } from './read';

/** How a family is read: made-up recordings with what is true of them beside what is said. */
export interface FamilyFigures {
  family: Family;
  count: number;
  /** How many were called each name. */
  names: Record<string, number>;
  right: number;
  /** How many were used as a floor, and how far theirs were off at most, in dB. */
  usable: number;
  worst: number;
  /** Floors from recordings in which no stretch shows it. */
  false: number;
}

/** Steady lines and hiss are what a floor may have. */
const CLEAN = ['hiss', 'magnetic-pick-up', 'rectifier-buzz'];

function nameOf({ reasons, disturbances, patterns }: ChannelReading): string {
  const told = reasons.find(({ code }) => code === 'test-tone')?.code ?? mainOf(disturbances) ?? reasons[0]?.code;
  return (
    told ?? (patterns.every(({ code }) => CLEAN.includes(code)) ? 'clean' : patterns.map(({ code }) => code).join())
  );
}

/** The figures of a family from its n-th recordings. */
export function figuresOf(family: Family, numbers: readonly number[], transforms?: Transforms): FamilyFigures {
  const figures: FamilyFigures = { family, count: 0, names: {}, right: 0, usable: 0, worst: 0, false: 0 };
  for (const n of numbers) {
    const made = recordingOf(family, n);
    const [reading] = readBy(transforms, made.rate, made.samples).channels;
    const name = nameOf(reading);
    figures.count++;
    figures.names[name] = (figures.names[name] ?? 0) + 1;
    if (name === FAMILIES[family].named) figures.right++;
    if (reading.floorDbfs === null) continue;
    figures.usable++;
    if (made.floor === undefined) figures.false++;
    else figures.worst = Math.max(figures.worst, Math.abs(reading.floorDbfs - made.floor));
  }
  return figures;
}

/** Kept while the analysis was made and used for its figures alone. */
export const kept = (count: number): number[] => Array.from({ length: count }, (_, n) => 5001 + 2 * n);
