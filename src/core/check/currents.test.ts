import fc from 'fast-check';
import { runs } from '../../../tests/explore';
import { cable, judged, line, on } from '../../../tests/lines/lines';
import type { Fault, Line } from '../gear';

const contacts = fc.constantFrom(...(['1', '2', '3'] as const));
const fault: fc.Arbitrary<Fault> = fc.oneof(
  contacts.map((contact): Fault => ({ type: 'open', contact })),
  fc
    .uniqueArray(contacts, { minLength: 2, maxLength: 2 })
    .map(([a, b]): Fault => ({ type: 'shorted', contacts: [a, b] })),
  fc
    .uniqueArray(contacts, { minLength: 2, maxLength: 2 })
    .map(([a, b]): Fault => ({ type: 'leaky', contacts: [a, b], ohms: 4700 })),
);
const anyLine: fc.Arbitrary<Line> = fc
  .tuple(
    fc.constantFrom('moving-coil', 'condenser-48', 'condenser-9-52', 'active-ribbon', 'condenser-t12'),
    fc.array(fault, { maxLength: 2 }),
    fc.constantFrom('P48', 'P24', 'P12', 'SP48', 'T12', 'off'),
  )
  .map(([kind, faults, feed]) => line(kind, [cable(), cable(...faults), cable()], on(feed)));

test('at every junction as much flows back as goes out, and the feed gives what the inlet end takes', () => {
  fc.assert(
    fc.property(anyLine, (any) => {
      const { junctions, feeds } = judged(any).readings;
      for (const { contacts: readings } of junctions) {
        if (readings.some(({ amps }) => amps === null)) continue;
        expect(Math.abs(readings.reduce((sum, { amps }) => sum + amps!, 0))).toBeLessThan(1e-8);
      }
      if (feeds.length === 0 || feeds[0].feed === 'T12') return;
      const [, two, three] = junctions[junctions.length - 1].contacts;
      expect(two.amps! + three.amps!).toBeCloseTo(feeds[0].amps, 6);
    }),
    { numRuns: runs(60) },
  );
});

test('through a broken conductor nothing flows', () => {
  const { junctions } = judged(line('condenser-48', [cable({ type: 'open', contact: '3' })], on('P48'))).readings;
  expect(junctions[0].contacts.map(({ amps }) => (amps! * 1e3).toFixed(2))).toEqual(['-3.00', '3.00', '0.00']);
});
