import type { Seconds } from '../units';
import type { Wave } from './netlist';

/** The value of a wave at a moment: constant before its first and after its last point, straight lines between. */
export function waveAt(wave: Wave, at: Seconds): number {
  const next = wave.findIndex((point) => point.at > at);
  if (next === 0) return wave[0].value;
  if (next < 0) return wave[wave.length - 1].value;
  const [from, to] = [wave[next - 1], wave[next]];
  return from.value + ((to.value - from.value) * (at - from.at)) / (to.at - from.at);
}
