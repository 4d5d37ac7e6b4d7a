import type { Seconds } from '../../units';
import { FRAME } from './frames';

/** So many clicks say whether they come at a steady rate, and they miss it by less than a frame at either end. */
const [STEADY, MISSES]: [number, Seconds] = [6, 2 * FRAME];

/** The time from one click to the next where it is the same throughout; a few may be missing. */
export function rateOf(clicks: readonly Seconds[]): Seconds | undefined {
  // One that goes on over two frames is one.
  const times = clicks.filter((at, n) => n === 0 || at - clicks[n - 1] > 2.5 * FRAME);
  if (times.length < STEADY) return undefined;
  const gaps = times.slice(1).map((at, n) => at - times[n]);
  const usual = gaps.toSorted((a, b) => a - b)[gaps.length >> 1];
  if (usual < 5 * FRAME) return undefined;
  const whole = gaps.map((gap) => Math.round(gap / usual));
  const every = (times.at(-1)! - times[0]) / whole.reduce((sum, count) => sum + count, 0);
  const isSteady = gaps.every((gap, n) => whole[n] > 0 && Math.abs(gap - whole[n] * every) <= MISSES);
  const missing = whole.filter((count) => count > 1).length;
  return isSteady && missing <= gaps.length / 4 ? every : undefined;
}
