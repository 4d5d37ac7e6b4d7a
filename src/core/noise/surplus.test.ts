import { amplitude, noise, sine, sum } from '../../../tests/signals';
import type { Line } from '../gear';
import { recordingMeter, type ChannelReading } from '../signal';
import { noiseBudget, type NoiseBudget } from './budget';
import { isCertain, isComparable, surplusOf } from './surplus';

const RATE = 48_000;
const FRAMES = 8 * RATE;
const line: Line = {
  id: 'line',
  name: 'line',
  source: { kind: 'moving-coil' },
  links: [{ kind: 'cable' }],
  inlet: { kind: 'three-pin', choices: { feed: 'off' } },
};
// In a room as good as silent what is left is white: the inlet's own.
const budget = noiseBudget(line, { target: -12, room: { bands: [{ hz: 1000, level: -20 }] } }) as NoiseBudget;

function reading(...signals: Float32Array[]): ChannelReading {
  const meter = recordingMeter(RATE, 1, FRAMES);
  meter.push([sum(signals[0], ...signals.slice(1))]);
  return meter.reading().channels[0];
}
/** White noise as loud as predicted from 20 Hz to 20 kHz, and so many decibels more. */
const white = (more = 0) => noise(FRAMES, amplitude(budget.dbfs + 10 * Math.log10(24_000 / 19_980) + more), 5);
const tone = (hertz: number, level: number) => sine(FRAMES, hertz, amplitude(level) * Math.SQRT2, RATE, hertz);

test('as predicted: nothing is too much', () => {
  const found = surplusOf(reading(white()), budget);
  expect(Math.abs(found.surplus)).toBeLessThan(0.3);
  expect(Math.abs(found.surplusA)).toBeLessThan(0.3);
  expect(found).toMatchObject({ because: [], text: expect.stringContaining('nothing wrong with this line’s noise') });
});

test('what lacks the top of the band is not held against it: white up to 15 kHz has lost a decibel, up to 11 kHz nearly three', () => {
  expect([15_000, 16_000, 20_000].map((reachesHz) => isComparable({ reachesHz }))).toEqual([true, true, true]);
  expect([14_900, 11_025, 4000].map((reachesHz) => isComparable({ reachesHz }))).toEqual([false, false, false]);
});

test('without the top of the band only what is too loud, or too quiet for what is missing, is certain', () => {
  // Up to 4 kHz white noise has lost 7 dB of what it has up to 20 kHz; 3 dB are within the figures.
  const certain = (more: number, reachesHz: number) =>
    isCertain(surplusOf(reading(white(more)), budget), { reachesHz });
  expect([certain(0, 4000), certain(-9, 4000), certain(-11, 4000), certain(6, 4000)]).toEqual([
    false,
    false,
    true,
    true,
  ]);
  expect([certain(0, 15_000), certain(-9, 15_000)]).toEqual([true, true]);
});

test('quieter than it can be: something does not arrive, and that is said', () => {
  const found = surplusOf(reading(white(-10)), budget);
  expect(found.surplus).toBeCloseTo(-10, 0);
  expect(found.text).toMatch(/10(\.\d)? dB quieter than predicted.*dead line/);
});

test('ten decibels more of the same is broadband noise', () => {
  const { because, surplus, text } = surplusOf(reading(white(10)), budget);
  expect(surplus).toBeCloseTo(10, 0);
  expect(because[0].what).toBe('broadband noise');
  expect(because[0].share).toBeGreaterThan(0.95);
  expect(text).toContain('broadband noise');
});

test('hum that is measured loud and hardly heard is explained as it is measured, whine as it is heard', () => {
  const hum = surplusOf(reading(white(), tone(50, budget.dbfs + 20)), budget);
  expect(hum.surplus).toBeGreaterThan(hum.surplusA);
  expect(hum.because[0]).toMatchObject({ what: 'hum', dbfs: expect.closeTo(budget.dbfs + 20, 0) });
  expect(hum.text).not.toContain('A-weighted,');
  const whine = surplusOf(reading(white(), tone(4310, budget.dbfs + 20)), budget);
  expect(whine.surplusA).toBeGreaterThan(whine.surplus);
  expect(whine.because[0].what).toBe('whine');
  expect(whine.text).toContain('A-weighted,');
});

test('rumble that the prediction does not have is called so', () => {
  const rumble = Float32Array.from({ length: FRAMES }, () => 0);
  // Noise held back to below 40 Hz by averaging it over and over.
  let [one, two] = [0, 0];
  const raw = noise(FRAMES, 1, 11);
  const pull = 1 - Math.exp((-2 * Math.PI * 15) / RATE);
  for (let n = 0; n < FRAMES; n++) {
    one += (raw[n] - one) * pull;
    two += (one - two) * pull;
    rumble[n] = two * amplitude(budget.dbfs + 55);
  }
  const { because } = surplusOf(reading(white(), rumble), budget);
  expect(because[0].what).toBe('rumble');
});

test('hum that was predicted belongs there; what is more of it than figures allow does not', () => {
  const humming = noiseBudget(line, {
    target: -12,
    room: { bands: [{ hz: 1000, level: -20 }] },
    hum: { within: 4, tones: [{ hz: 50, level: budget.level + 10 }] },
  }) as NoiseBudget;
  const hum = (more: number) => reading(white(), tone(50, budget.dbfs + 10 + more));
  expect(surplusOf(hum(0), humming)).toMatchObject({
    because: [],
    text: expect.stringContaining('its hum included'),
  });
  expect(surplusOf(hum(12), humming).because[0]).toMatchObject({ what: 'hum' });
  expect(surplusOf(hum(0), budget).because[0]).toMatchObject({ what: 'hum' });
});
