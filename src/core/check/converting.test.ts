import { cable, line, on } from '../../../tests/lines/lines';
import type { Part } from '../gear';
import { powerOf, settled } from './converting';
import { solveLine } from './solve';

const source = (supply: string, milliamps = 2): Part => ({
  kind: 'condenser-9-52',
  choices: { supply },
  figures: { current: { value: milliamps, unit: 'mA', basis: 'maker' } },
});
const of = (supply: string, feed: string, milliamps?: number) =>
  solveLine(line(source(supply, milliamps), [cable()], on(feed)), -12);

/** What it takes, from the solved circuit: current of both legs, voltage of its rail. */
const taken = (solved: ReturnType<typeof of>) => {
  const [stake] = solved.circuit.stakes.flatMap((each) => (each.type === 'supply' && each.rail ? [each.rail] : []));
  const amps = stake.legs.reduce((sum, leg) => sum + Math.abs(solved.point.amps(leg)), 0);
  const volts = solved.point.volts(...stake.between)!;
  return { amps, watts: amps * volts };
};

test('on the standard feed it draws what its sheet says; at 24 V the same power at more current', () => {
  const [full, lower] = ['P48', 'P24'].map((feed) => taken(of('converts', feed)));
  expect(full.amps).toBeCloseTo(0.002, 4);
  expect(lower.amps).toBeGreaterThan(1.5 * full.amps);
  expect(lower.watts / full.watts).toBeCloseTo(1, 2);
  // By hand: V (24 − 940 I) with V I = 2 mA · (48 − 3740 · 2 mA): 1.2 kΩ and 680 Ω in each of two legs.
  const watts = 0.002 * (48 - 3740 * 0.002);
  const volts = (24 + Math.sqrt(24 ** 2 - 4 * 940 * watts)) / 2;
  expect(lower.amps).toBeCloseTo(watts / volts, 4);
});

test('one that draws a steady current is what it was', () => {
  const [full, lower] = ['P48', 'P24'].map((feed) => taken(of('steady', feed)));
  expect(lower.amps).toBeCloseTo(full.amps, 5);
  const steady = line(source('steady'), [cable()], on('P24'));
  expect(settled(steady, () => 1)).toEqual({ drawn: steady, holds: true });
  expect(powerOf(steady)).toBeUndefined();
});

test('where no voltage is left for its power it has none: 4 mA on 48 V are more than 12 V can give', () => {
  // 12 V over 680 Ω give 12² / (4 · 680 Ω) = 53 mW at most; it wants 132 mW.
  expect(of('converts', 'P12', 4).powered).toBe(false);
  expect(of('steady', 'P12', 4).powered).toBe(true);
  expect(of('converts', 'P12', 1).powered).toBe(true);
});
