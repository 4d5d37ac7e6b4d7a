import { dbu, decibels, fromDbu, pascal, ratio } from '.';
import { quantity } from './format';

test.each([
  [37.785, 'V', '37.8 V'],
  [0.00705, 'A', '7.05 mA'],
  [216000, 'Ω', '216 kΩ'],
  [-21.58, 'dB', '−21.6 dB'],
  [0.339, 'W', '339 mW'],
  [737, 'Hz', '737 Hz'],
  [0, 'A', '0 mA'],
  [0, 'V', '0 V'],
  [0.012, 'V', '0.01 V'],
  [0.0005, 'V', '500 µV'],
  [999.9, 'Ω', '1.00 kΩ'],
  [6, 'm', '6.00 m'],
])('%d %s reads %s', (value, unit, text) => expect(quantity(value, unit)).toBe(text));

test('levels: 0 dBu is 0.7746 V, 94 dB SPL is 1.0024 Pa', () => {
  expect(fromDbu(0)).toBeCloseTo(0.7746, 4);
  expect(dbu(fromDbu(4))).toBeCloseTo(4, 12);
  expect(pascal(94)).toBeCloseTo(1.0024, 4);
  expect(decibels(ratio(-12))).toBeCloseTo(-12, 12);
});
