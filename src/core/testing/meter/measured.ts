import { FEEDS } from '../../standards/feeds';
import type { Amps, Ohms, Volts } from '../../units';

/** How far a meter may be off: a share of what it reads, and the size of its last digit times how many of them. */
export interface Accuracy {
  share: number;
  digits: Volts;
}

/** A figure from readings, and how far it may be off. */
export interface Measured {
  value: number;
  plusMinus: number;
}

/** What a powered microphone draws. */
export interface Drawn {
  legs: [Measured, Measured];
  total: Measured;
}

/** Feed resistors may be off by so much, both alike, where nobody measured them (assumed: parts of 1 %). */
const RESISTORS = 0.01;

/**
 * What a microphone draws from a phantom feed, by the open voltage of the inlet and the volts at its pins while it runs,
 * all with one meter in one range: what that is off by as a share is common to both.
 * @param open volts of pin 2 or 3 with nothing plugged @param pins volts of pin 2 and of pin 3 with the microphone running
 */
export function currentDrawn(
  open: Volts,
  pins: readonly [Volts, Volts],
  { share, digits }: Accuracy,
  ohms: Ohms = FEEDS.P48.ohms,
): Drawn {
  const leg = (volts: Volts): Measured => {
    const value = (open - volts) / ohms;
    return { value, plusMinus: Math.abs(value) * (share + RESISTORS) + (2 * digits) / ohms };
  };
  const legs: Drawn['legs'] = [leg(pins[0]), leg(pins[1])];
  return {
    legs,
    total: { value: legs[0].value + legs[1].value, plusMinus: legs[0].plusMinus + legs[1].plusMinus },
  };
}

/** What it may draw where the open voltage is not known: the standard lets 48 V be anything from 44 to 52 V. */
export function currentBetween(pins: readonly [Volts, Volts], ohms: Ohms = FEEDS.P48.ohms): [Amps, Amps] {
  const { volts, tolerance } = FEEDS.P48;
  const at = (open: Volts): Amps => Math.max(0, (2 * open - pins[0] - pins[1]) / ohms);
  return [at(volts - tolerance), at(volts + tolerance)];
}

/**
 * How far the two feed resistors of an inlet differ, by equal loads from 2 and from 3 to 1 and the volts from 2 to 3; then
 * the loads exchanged, so that their own difference falls out.
 * @param between volts from 2 to 3, with the loads one way and the other @returns (R3 − R2) / R
 */
export function feedMismatch(
  open: Volts,
  between: readonly [Volts, Volts],
  { share, digits }: Accuracy,
  load: Ohms = FEEDS.P48.ohms,
  ohms: Ohms = FEEDS.P48.ohms,
): Measured {
  const perVolt = (load + ohms) ** 2 / (open * load * ohms);
  const mean = (between[0] + between[1]) / 2;
  return { value: mean * perVolt, plusMinus: (Math.abs(mean) * share + digits) * perVolt };
}

/** The most that the resistors of one inlet may differ (IEC 61938, from memory). */
export const MATCHED = 0.004;

/** Whether a figure lies above a limit for sure: a limit is only exceeded where the uncertainty allows it. */
export const exceeds = ({ value, plusMinus }: Measured, limit: number): 'yes' | 'no' | 'cannot say' => {
  const size = Math.abs(value);
  if (size - plusMinus > limit) return 'yes';
  return size + plusMinus <= limit ? 'no' : 'cannot say';
};
