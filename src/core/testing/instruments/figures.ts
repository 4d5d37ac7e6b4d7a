import { FEEDS } from '../../standards/feeds';
import { ObservationError } from './instrument';

/** What a meter that should show so much is told as. */
export const LEVELS = ['full', 'high', 'low', 'none', 'reversed'] as const;
export type Level = (typeof LEVELS)[number];

/** A reading is as it should be within this share (common practice: resistors of 1 %, a meter of 1 %, one digit). */
const NEAR = 0.03;
/** All legs together may be off so far: feeds have a tolerance (IEC 61938: 48 V ± 4 V, from memory). */
const TOLERANCE = FEEDS.P48.tolerance / FEEDS.P48.volts;
/** Less than this share is nothing. */
const NOTHING = 0.04;

/**
 * Readings of a line's legs, told against what a good line shows. Where all are off alike within the tolerance of the
 * feed they are as they should be: only their difference says something. A leg that has nothing on a good line, as pin 3
 * of a T12 feed, is measured by what the others have.
 */
export function levelsOf(read: readonly number[], good: readonly number[]): Level[] {
  const most = Math.max(...good.map(Math.abs));
  const fed = good.map((value) => Math.abs(value) > NOTHING * most);
  const ratios = read.map((value, n) => value / (fed[n] ? good[n] : most || 1));
  const highest = Math.max(...ratios.filter((_, n) => fed[n]));
  const scale = Math.abs(highest - 1) <= TOLERANCE ? highest : 1;
  return ratios.map((ratio, n): Level => {
    if (Math.abs(ratio) < NOTHING) return 'none';
    if (ratio < 0) return 'reversed';
    if (!fed[n] || ratio > scale * (1 + NEAR)) return 'high';
    return ratio < scale * (1 - NEAR) ? 'low' : 'full';
  });
}

/** Labels of what was read, with what it was told as: `2 full, 3 low`. */
export const keyOf = (labels: readonly string[], words: readonly string[]): string =>
  labels.map((label, n) => `${label} ${words[n]}`).join(', ');

const listed = (words: readonly string[]): string => `${words.slice(0, -1).join(', ')} or ${words.at(-1)!}`;

/** One word for each label, as `2 lit, 3 dark` or `{ "2": "lit", "3": "dark" }`. @throws ObservationError */
export function wordsFrom(
  seen: unknown,
  labels: readonly string[],
  allowed: (label: string) => readonly string[],
): string[] {
  const given: unknown =
    typeof seen === 'string' ? Object.fromEntries(seen.split(',').map((each) => each.trim().split(/\s+/))) : seen;
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    throw new ObservationError(`must say for each of ${labels.join(', ')} what it shows`);
  return labels.map((label) => {
    const word = (given as Record<string, unknown>)[label];
    if (typeof word === 'string' && allowed(label).includes(word)) return word;
    throw new ObservationError(`must be ${listed(allowed(label))}; there are ${labels.join(', ')}`, `seen.${label}`);
  });
}

/** One number for each label. @throws ObservationError */
export function numbersFrom(seen: Record<string, unknown>, labels: readonly string[]): number[] {
  const stranger = Object.keys(seen).find((key) => !labels.includes(key));
  if (stranger) throw new ObservationError(`is not read here; there are ${labels.join(', ')}`, `seen.${stranger}`);
  return labels.map((label) => {
    const value = seen[label];
    if (typeof value !== 'number' || !Number.isFinite(value))
      throw new ObservationError('must be a number', `seen.${label}`);
    return value;
  });
}
