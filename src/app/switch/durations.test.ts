import { agoText, clockText, secondsText } from './durations';

test.each([
  [0, '0:00'],
  [0.2, '0:01'],
  [42, '0:42'],
  [59.01, '1:00'],
  [600, '10:00'],
  [-3, '0:00'],
])('%d s on a clock: nothing is over before it is', (seconds, text) => expect(clockText(seconds)).toBe(text));

test.each([
  [-1, '0 s'],
  [7.4, '7 s'],
  [99, '99 s'],
  [150, '3 min'],
  [7200, '2 h'],
])('%d s ago', (seconds, text) => expect(agoText(seconds)).toBe(text));

test.each([
  [0.004, '0 s'],
  [4.38, '4.4 s'],
  [3, '3 s'],
  [60, '60 s'],
  [41.6, '42 s'],
])('%d s as a figure', (seconds, text) => expect(secondsText(seconds)).toBe(text));
