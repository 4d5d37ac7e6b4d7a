import { amplitude, noise, sine, sum } from '../../../tests/signals';
import { recordingMeter } from '../signal';
import { componentsOf } from './components';
import { lastHums, lastTones, type KeptMeasurement } from './kept';
import { measurementOf } from './measurement';

const RATE = 48_000;
const SECONDS = 8;
const measured = (samples: Float32Array) => {
  const meter = recordingMeter(RATE, 1, samples.length);
  meter.push([samples]);
  return measurementOf(meter, 0);
};
const floor = noise(SECONDS * RATE, amplitude(-80), 3);
const hum = [1, 2, 3, 4].map((order) => sine(SECONDS * RATE, 50 * order, amplitude(-60) * Math.SQRT2, RATE, order));
const whine = sine(SECONDS * RATE, 4310, amplitude(-66) * Math.SQRT2);

test('white noise stays white when its spectrum is thinned, and rises in frequency from point to point', () => {
  const { spectrum } = measured(floor);
  // −80 dBFS over 24 kHz is −123.8 dBFS per hertz.
  const middle = spectrum.filter(({ hz }) => hz > 1000).map(({ level }) => level);
  expect(middle.reduce((total, level) => total + level, 0) / middle.length).toBeCloseTo(-123.8, 0);
  expect(spectrum.every(({ hz }, n) => n === 0 || hz > spectrum[n - 1].hz)).toBe(true);
  expect(spectrum.length).toBeLessThanOrEqual(320);
});

test('its course has a level every 400 ms, and no more than 400 of them for an hour', () => {
  const { course, plain, weighted } = measured(floor);
  expect(course).toMatchObject({ every: 0.4 });
  expect(course.levels).toHaveLength(SECONDS / 0.4);
  expect(course.levels[3]).toBeCloseTo(-80, 0);
  // Twenty windows of a steady noise agree within a percent; A-weighted it is 2.05 dB and the top of the band lower.
  expect(plain.error / plain.power).toBeLessThan(0.01);
  expect(10 * Math.log10(weighted.power / plain.power)).toBeCloseTo(-2.85, 0);
});

test('hum, buzz, whine and hiss are told apart', () => {
  const { hum: odd, buzz, tones, hiss } = componentsOf(measured(sum(floor, ...hum, whine)).reading);
  const level = (power: number) => 10 * Math.log10(power);
  expect(level(odd)).toBeCloseTo(-57, 0);
  expect(level(buzz)).toBeCloseTo(-57, 0);
  expect(level(tones)).toBeCloseTo(-66, 0);
  expect(level(hiss)).toBeCloseTo(-82.9, 0);
});

test('what a budget counts as measured hum: of the last usable recording at a known gain', () => {
  const kept = (samples: Float32Array, gain?: number): KeptMeasurement => ({
    id: 1,
    line: 'x',
    at: '',
    who: '',
    origin: 'file',
    name: 'x',
    ...(gain !== undefined && { gain }),
    measurement: measured(samples),
  });
  const loud = kept(sum(floor, whine), 30);
  expect(lastTones([])).toBeUndefined();
  expect(lastTones([kept(floor, 30)])).toBeUndefined();
  expect(lastTones([kept(sum(floor, whine))])).toBeUndefined();
  expect(lastTones([loud, kept(sum(floor, whine).subarray(0, RATE), 40)])).toMatchObject({
    gain: 30,
    tones: [{ hz: expect.closeTo(4310, 0), dbfs: expect.closeTo(-66, 0) }],
  });
  // Of every line its own; one without any has none.
  expect(lastHums([loud, { ...kept(floor, 30), line: 'y' }, { ...loud, line: 'z', gain: 20 }])).toEqual({
    x: lastTones([loud]),
    z: { ...lastTones([loud]), gain: 20 },
  });
});
