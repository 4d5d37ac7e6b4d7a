import fc from 'fast-check';
import { FEEDS } from '../../standards/feeds';
import { inletFigures, RESISTOR_TOLERANCE, type InletReading, type Means } from './inletSheet';

/** A meter of 0.5 % and one digit of 10 mV, a load of 6.8 kΩ within 0.1 %. */
const MEANS: Means = { meter: { share: 0.005, digits: 0.01 }, load: 6800, loadTolerance: 0.001 };
/** What a meter without any error reads at an inlet with these resistors. */
const readAt = (volts: number, two: number, three: number, feed: InletReading['feed'] = 'P48'): InletReading => ({
  inlet: 'a',
  name: '1',
  feed,
  open: [volts, volts],
  loaded: [(volts * 6800) / (6800 + two), (volts * 6800) / (6800 + three)],
});
const sureOf = (reading: InletReading) => inletFigures(reading, MEANS).findings.filter(({ sure }) => sure);

test('resistors by Ohm’s law: 48 V and 24 V across 6.8 kΩ are 6.8 kΩ; 21.9 V are 8.1 kΩ, for sure too weak', () => {
  const good = inletFigures(readAt(48, 6800, 6800), MEANS);
  expect(good.ohms!.map(({ value }) => value)).toEqual([6800, 6800]);
  expect(good.findings.filter(({ sure }) => sure)).toEqual([]);
  const weak = inletFigures({ ...readAt(48, 6800, 6800), loaded: [24, 21.9] }, MEANS);
  expect(weak.ohms![1].value).toBeCloseTo(6800 * (48 / 21.9 - 1), 6);
  expect(weak.findings.map(({ what, sure }) => `${what} ${sure}`)).toEqual([
    expect.stringMatching(/^pin 3 weak: 8.1 kΩ, outside 6.12 kΩ to 7.48 kΩ true$/),
    expect.stringMatching(/^resistors 17.\d % apart, 0.4 % allowed true$/),
  ]);
});

test('what the meter cannot tell is said so, neither good nor bad', () => {
  // 0.4 % of 24 V are 48 mV between the legs: two readings of 10 mV each tell that, but not 0.3 from 0.5 %.
  const [finding] = inletFigures(readAt(48, 6800, 6800 * 1.004), MEANS).findings;
  expect(finding).toEqual({ what: 'resistors 0.4 % apart, 0.4 % allowed', sure: false });
  expect(inletFigures(readAt(43.9, 6800, 6800), MEANS).findings[0].sure).toBe(false);
  expect(sureOf(readAt(43.5, 6800, 6800)).map(({ what }) => what)).toEqual([
    'pin 2 at 43.5 V, outside 44 to 52 V',
    'pin 3 at 43.5 V, outside 44 to 52 V',
  ]);
});

test('no feed, one leg alone, and a leg that has nothing under load', () => {
  expect(sureOf({ ...readAt(48, 1, 1), open: [0.02, 0.1] })[0].what).toBe('no feed');
  expect(sureOf({ ...readAt(48, 1, 1), open: [48, 0.1] })[0].what).toBe('no feed on pin 3');
  expect(sureOf({ ...readAt(48, 1, 1), loaded: [24, 0.3] })[0].what).toBe('nothing left under load on pin 3');
});

test('a load that was not fitted says nothing of the resistors', () => {
  const { ohms, mismatch, findings } = inletFigures({ ...readAt(48, 1, 1), loaded: [48, 48.01] }, MEANS);
  expect([ohms, mismatch]).toEqual([undefined, undefined]);
  expect(findings).toEqual([{ what: 'pin 2 and 3 as with no load: fit it and read again', sure: false }]);
});

test('lamps say which pins have a feed and nothing of how strong it is', () => {
  const lit = (lamps: InletReading['lamps']) => sureOf({ inlet: 'a', name: '1', feed: 'P48', lamps });
  expect(lit('both')).toEqual([]);
  expect(lit('only 2')[0].what).toBe('no feed on pin 3');
  expect(lit('only 3')[0].what).toBe('no feed on pin 2');
  expect(lit('neither')[0].what).toBe('no feed');
});

test('no inlet within the standard is ever called wrong for sure by a meter that is off by less than it may be', () => {
  const feeds = fc.constantFrom('P48', 'P24', 'P12', 'SP48');
  const off = fc.double({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(feeds, off, off, off, fc.array(off, { minLength: 5, maxLength: 5 }), (feed, v, r, m, errors) => {
      const { volts, tolerance, ohms } = FEEDS[feed];
      const at = volts + v * tolerance;
      const mean = ohms * (1 + r * (RESISTOR_TOLERANCE - 0.003));
      const [two, three] = [mean * (1 - 0.002 * m), mean * (1 + 0.002 * m)];
      const share = 1 + errors[0] * MEANS.meter.share;
      const load = MEANS.load * (1 + errors[1] * MEANS.loadTolerance);
      const read = (value: number, n: number) => value * share + errors[n] * MEANS.meter.digits;
      const reading: InletReading = {
        inlet: 'a',
        name: '1',
        feed,
        open: [read(at, 2), read(at, 3)],
        loaded: [read((at * load) / (load + two), 4), read((at * load) / (load + three), 2)],
      };
      expect(sureOf(reading)).toEqual([]);
    }),
  );
});
