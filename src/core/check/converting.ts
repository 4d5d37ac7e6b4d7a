import { FEEDS } from '../standards/feeds';
import { reader, sourceKind, type Line } from '../gear';
import type { Amps, Volts, Watts } from '../units';

/** A converter that would have to draw so many times its usual current has no voltage left, and stops (assumed). */
const MOST = 6;
/** Currents that differ by less than this part are the same. */
const SAME = 0.002;
/** So often the current is put right; where it has not settled by then there is no voltage at which it would. */
const ROUNDS = 40;

/** What a microphone takes from any feed: its current on a standard 48 V feed times what is left at its rail there. */
export function powerOf(line: Line): Watts | undefined {
  const kind = sourceKind(line.source.kind);
  const read = reader(kind, line.source);
  if (!('supply' in kind.choices) || read.choice('supply') !== 'converts') return undefined;
  const amps = read.value('current');
  return amps * (FEEDS.P48.volts - (amps * (FEEDS.P48.ohms + read.value('pickOff'))) / 2);
}

/**
 * A line whose source takes the same power at any voltage, with the current that it settles at: from its usual current
 * on, as it would from a full supply. The line as it is where its source draws a steady current.
 * @param railAt voltage at the rail of the source of a line
 * @returns the line as drawn, and whether there is a voltage at which its source has its power
 */
export function settled(line: Line, railAt: (line: Line) => Volts): { drawn: Line; holds: boolean } {
  const watts = powerOf(line);
  if (watts === undefined) return { drawn: line, holds: true };
  const usual = reader(sourceKind(line.source.kind), line.source).value('current');
  const withCurrent = (amps: Amps): Line => ({
    ...line,
    source: {
      ...line.source,
      figures: { ...line.source.figures, current: { value: amps * 1000, unit: 'mA', basis: 'common practice' } },
    },
  });
  let amps = usual;
  for (let round = 0; round < ROUNDS; round++) {
    const next = watts / Math.max(1e-3, railAt(withCurrent(amps)));
    if (next > MOST * usual) break;
    if (Math.abs(next - amps) < SAME * amps) return { drawn: withCurrent(next), holds: true };
    amps = next;
  }
  return { drawn: line, holds: false };
}
