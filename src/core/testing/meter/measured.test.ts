import { across, openEnd } from '../readings/openEnd';
import { currentBetween, currentDrawn, exceeds, feedMismatch, MATCHED } from './measured';
import { subjectOf } from '../subject';

const METER = { share: 0.005, digits: 0.02 };

test('48.0 V open, 40.0 V at both pins, 6.8 kΩ: 1.18 mA a leg, 2.35 mA; without the open voltage it may be anything', () => {
  const { legs, total } = currentDrawn(48, [40, 40], METER);
  expect(legs[0].value * 1000).toBeCloseTo(1.18, 2);
  expect(total.value * 1000).toBeCloseTo(2.35, 2);
  // 1.5 % of it, and two readings of two digits each.
  expect(legs[0].plusMinus * 1000).toBeCloseTo(1.176 * 0.015 + 0.04 / 6.8, 3);
  const [least, most] = currentBetween([40, 40]);
  expect(least * 1000).toBeCloseTo(1.18, 2);
  expect(most * 1000).toBeCloseTo(3.53, 2);
  expect(currentBetween([47, 47])[0]).toBe(0);
});

test('48 mV between equal loads is a mismatch of 0.4 %; what the loads differ by falls out when they are exchanged', () => {
  expect(feedMismatch(48, [0.048, 0.048], METER).value).toBeCloseTo(0.004, 5);
  const subject = subjectOf(
    {
      id: 'a',
      name: 'a',
      source: { kind: 'moving-coil' },
      links: [],
      inlet: { kind: 'three-pin', choices: { feed: 'P48' } },
    },
    0,
  );
  const end = openEnd(subject.sound, 0);
  // A leg with 0.4 % more: 27.2 Ω in front of pin 3, as far as direct current is concerned.
  const read = (two: number, three: number) =>
    end.read([across(end, 'two', '2', '1', two), across(end, 'three', '3', '1', three)]).volts('2', '3');
  expect(read(6800, 6800)).toBeCloseTo(0, 6);
  const exchanged = feedMismatch(48, [read(6800, 6820), read(6820, 6800)], METER);
  expect(exchanged.value).toBeCloseTo(0, 6);
  expect(Math.abs(feedMismatch(48, [read(6800, 6820), read(6800, 6820)], METER).value)).toBeGreaterThan(0.002);
});

test('a limit is exceeded only where the meter is sure of it', () => {
  const at = (volts: number, digits: number) =>
    exceeds(feedMismatch(48, [volts, volts], { share: 0.005, digits }), MATCHED);
  expect(at(0.06, 0.001)).toBe('yes');
  expect(at(-0.06, 0.001)).toBe('yes');
  expect(at(0.03, 0.001)).toBe('no');
  expect(at(0.048, 0.001)).toBe('cannot say');
  expect(at(0.06, 0.02)).toBe('cannot say');
});
