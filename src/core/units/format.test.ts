import { dbu, decibels, fromDbu, pascal, ratio } from '.';
import { quantity, rounded, timeInText } from './format';

test.each([
  [37.785, 'V', '37.8 V'],
  [0.00705, 'A', '7.05 mA'],
  [216000, 'Ω', '216 kΩ'],
  [-21.58, 'dB', '−21.6 dB'],
  [0.339, 'W', '0.34 W'],
  [737, 'Hz', '737 Hz'],
  [0, 'A', '0 mA'],
  [0, 'V', '0 V'],
  [0.012, 'V', '0.01 V'],
  [0.0005, 'V', '1 mV'],
  [0.0000163, 'V', '0 V'],
  [48, 'V', '48 V'],
  [8, 'V', '8 V'],
  [0.84, 'V', '0.84 V'],
  [0.0001, 'A', '0.1 mA'],
  [0.00001, 'A', '0.01 mA'],
  [0.000302, 'A', '0.3 mA'],
  [999.9, 'Ω', '1 kΩ'],
  [100, 'Ω', '100 Ω'],
  [6, 'm', '6 m'],
])('%d %s reads %s', (value, unit, text) => expect(quantity(value, unit)).toBe(text));

test.each([
  [593.4, 'Hz', '590 Hz'],
  [8.83, 'dB', '9 dB'],
  [45.96, 'V', '46 V'],
  [0.00696, 'A', '7 mA'],
  [0.84, 'V', '0.84 V'],
])('%d %s reads %s in a title', (value, unit, text) => expect(rounded(value, unit)).toBe(text));

test('levels: 0 dBu is 0.7746 V, 94 dB SPL is 1.0024 Pa', () => {
  expect(fromDbu(0)).toBeCloseTo(0.7746, 4);
  expect(dbu(fromDbu(4))).toBeCloseTo(4, 12);
  expect(pascal(94)).toBeCloseTo(1.0024, 4);
  expect(decibels(ratio(-12))).toBeCloseTo(-12, 12);
});

test.each([
  [12.34, 1, '12.3 s'],
  [59.94, 1, '59.9 s'],
  [59.96, 1, '1:00.0'],
  [0, 0, '0 s'],
  [75, 0, '1:15'],
  [3541.23, 1, '59:01.2'],
  [3599.96, 1, '1:00:00.0'],
  [3605, 0, '1:00:05'],
])('%d s into a recording with %d decimals are %s', (seconds, places, text) => {
  expect(timeInText(seconds, places)).toBe(text);
});
