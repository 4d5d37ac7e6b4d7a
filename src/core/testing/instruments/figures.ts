import { quantity } from '../../units/format';
import { contactName } from '../subject';
import type { Outcome } from '../outcome';
import { ObservationError } from './instrument';

/** What a meter that should show so much is told as. */
export type Level = 'full' | 'high' | 'low' | 'none' | 'reversed';

/** A reading is as it should be within this share (common practice: resistors of 1 %, a meter of 1 %, one digit). */
const NEAR = 0.03;
/** All legs together may be off so far: feeds have a tolerance (IEC 61938: 48 V ± 4 V, from memory). */
const TOLERANCE = 4 / 48;
/** Less than this share is nothing. */
const NOTHING = 0.04;

/**
 * Readings of a line's legs, told against what a good line shows. Where all are off alike within the tolerance of the
 * feed they are as they should be: only their difference says something.
 */
export function levelsOf(read: readonly number[], good: readonly number[]): Level[] {
  const ratios = read.map((value, n) => value / good[n]);
  const most = Math.max(...ratios);
  const scale = Math.abs(most - 1) <= TOLERANCE ? most : 1;
  return ratios.map((ratio): Level => {
    if (Math.abs(ratio) < NOTHING) return 'none';
    if (ratio < 0) return 'reversed';
    if (ratio > scale * (1 + NEAR)) return 'high';
    return ratio < scale * (1 - NEAR) ? 'low' : 'full';
  });
}

/** Labels of what was read, with what it was told as: `2 full, 3 low`. */
export const keyOf = (labels: readonly string[], levels: readonly string[]): string =>
  labels.map((label, n) => `${label} ${levels[n]}`).join(', ');

/** Readings with their numbers, for a button: `24 V on pin 2, 22.4 V on pin 3`. */
export const outcomeOf = (
  labels: readonly string[],
  levels: readonly string[],
  values: readonly number[],
  unit: string,
  on: (label: string) => string = (label) => ` on ${contactName(label as never)}`,
): Outcome => ({
  key: keyOf(labels, levels),
  text: labels.map((label, n) => `${quantity(values[n], unit)}${on(label)}`).join(', '),
});

/** One number for each label. @throws ObservationError */
export function numbersOf(seen: unknown, labels: readonly string[]): number[] {
  if (typeof seen !== 'object' || seen === null || Array.isArray(seen))
    throw new ObservationError(`must be an object with a number for each of ${labels.join(', ')}`);
  const given = seen as Record<string, unknown>;
  const stranger = Object.keys(given).find((key) => !labels.includes(key));
  if (stranger) throw new ObservationError(`is not read here; there are ${labels.join(', ')}`, `seen.${stranger}`);
  return labels.map((label) => {
    const value = given[label];
    if (typeof value !== 'number' || !Number.isFinite(value))
      throw new ObservationError('must be a number', `seen.${label}`);
    return value;
  });
}

export const LEVELS: readonly Level[] = ['full', 'high', 'low', 'none', 'reversed'];

/** What was written as a key, put in order. @throws ObservationError where a label is missing or what it says is none of these */
export function keyFrom(
  seen: string,
  labels: readonly string[],
  allowed: (label: string) => readonly string[],
): string {
  const given = new Map(seen.split(',').map((each) => each.trim().split(/\s+/) as [string, string]));
  const words = labels.map((label) => {
    const word = given.get(label);
    const words = allowed(label);
    if (word === undefined || !words.includes(word))
      throw new ObservationError(
        `must say for each of ${labels.join(', ')} what it reads (${words.join(', ')}), such as "${keyOf(
          labels,
          labels.map((each) => allowed(each)[0]),
        )}", or the numbers themselves`,
      );
    return word;
  });
  return keyOf(labels, words);
}
