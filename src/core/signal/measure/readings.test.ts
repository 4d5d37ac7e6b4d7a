import { amplitude, noise, sine, sum } from '../../../../tests/signals';
import { recordingMeter } from './analysis';

const RATE = 48_000;
const SECONDS = 4;
const FRAMES = SECONDS * RATE;
const meterOf = (...channels: Float32Array[]) => {
  const meter = recordingMeter(RATE, channels.length, channels[0].length);
  meter.push(channels.map((each) => each.slice()));
  return meter;
};
const readingOf = (...channels: Float32Array[]) => meterOf(...channels).reading();
const one = (signal: Float32Array) => readingOf(signal).channels[0];
const HISS = noise(FRAMES, amplitude(-60));
const OTHER = noise(FRAMES, amplitude(-60), 2);

/** Noise whose density falls by so many decibels an octave: its spectrum is shaped by poles and zeros (Kellet, from memory). */
function pink(): Float32Array {
  const poles = [
    [0.99886, 0.0555179],
    [0.99332, 0.0750759],
    [0.969, 0.153852],
    [0.8665, 0.3104856],
    [0.55, 0.5329522],
  ];
  const states = poles.map(() => 0);
  return noise(FRAMES, amplitude(-60)).map((x) => {
    poles.forEach(([pole, gain], n) => (states[n] = pole * states[n] + gain * x));
    return 0.3 * (states.reduce((total, state) => total + state, 0) + 0.5362 * x);
  });
}

test('the slope: 0 for white, −3 dB an octave for pink, +6 for its differences', () => {
  expect(Math.abs(one(HISS).slopeDbPerOctave)).toBeLessThan(0.2);
  expect(Math.abs(one(pink()).slopeDbPerOctave + 3)).toBeLessThan(0.3);
  // 6 dB an octave where the wave is long against a sample: a little less towards 10 kHz.
  const rising = HISS.map((x, n) => x - (HISS[n - 1] ?? 0));
  expect(Math.abs(one(rising).slopeDbPerOctave - 5.9)).toBeLessThan(0.3);
  // Of nothing there is none.
  expect(one(new Float32Array(FRAMES)).slopeDbPerOctave).toBe(0);
});

test('what lies outside 20 Hz to 20 kHz is no part of the band, and is not taken off it', () => {
  const plain = one(HISS);
  for (const hertz of [15, 22_000]) {
    const more = one(sum(HISS, sine(FRAMES, hertz, amplitude(-50))));
    expect(more.rmsDbfs).toBeGreaterThan(plain.rmsDbfs + 5);
    for (const figure of ['bandDbfs', 'broadbandDbfs', 'hissDbfs', 'aWeightedDbfs'] as const)
      expect(Math.abs(more[figure] - plain[figure])).toBeLessThan(0.1);
  }
  for (const hertz of [25, 19_500])
    expect(one(sum(HISS, sine(FRAMES, hertz, amplitude(-50)))).bandDbfs).toBeGreaterThan(plain.bandDbfs + 5);
  // A tone within it is taken off what is left.
  const tone = one(sum(HISS, sine(FRAMES, 3000, amplitude(-50))));
  expect(tone.bandDbfs).toBeGreaterThan(plain.bandDbfs + 5);
  for (const figure of ['broadbandDbfs', 'hissDbfs'] as const)
    expect(Math.abs(tone[figure] - plain[figure])).toBeLessThan(0.3);
});

test('rumble is what lies from 4 to 40 Hz; lower it is a drift', () => {
  const rumble = (hertz: number) => one(sine(FRAMES, hertz, amplitude(-20))).rumbleDbfs;
  // Bins lie three hertz apart: a little of a tone beside the edge lies beyond it.
  for (const hertz of [5.9, 20, 38]) expect(Math.abs(rumble(hertz) + 23)).toBeLessThan(1.5);
  for (const hertz of [0.5, 50, 60]) expect(rumble(hertz)).toBeLessThan(-30);
});

test('no line is told below −160 dBFS: there lies the arithmetic', () => {
  const line = (dbfs: number) => one(sine(FRAMES, 3000, Math.SQRT2 * amplitude(dbfs))).tones;
  expect(line(-158)).toMatchObject([{ hz: expect.closeTo(3000, 0), dbfs: expect.closeTo(-158, 0) }]);
  expect(line(-162)).toEqual([]);
});

test('the quietest, the middle and the loudest 400 ms', () => {
  // Ten windows: one 20 dB down, one 20 dB up.
  const uneven = HISS.map((x, n) => x * (n < 0.4 * RATE ? 0.1 : n >= 3.6 * RATE ? 10 : 1));
  const { quietestDbfs, medianDbfs, loudestDbfs } = one(uneven);
  expect(quietestDbfs).toBeCloseTo(-80, 0);
  expect(medianDbfs).toBeCloseTo(-60, 0);
  expect(loudestDbfs).toBeCloseTo(-40, 0);
});

test('a low cut at 80 Hz takes 12 dB an octave', () => {
  const low = one(sine(FRAMES, 40, amplitude(-20)));
  // −12.3 dB an octave below its corner (Butterworth, second order).
  expect(low.cut80Dbfs - low.bandDbfs).toBeCloseTo(-12.3, 1);
  expect(one(sine(FRAMES, 80, amplitude(-20))).cut80Dbfs).toBeCloseTo(-23.01 - 3.01, 1);
});

test('windows: all of them, and those that lie in the floor', () => {
  const bang = HISS.map((x, n) => (n > 1.5 * RATE && n < 1.7 * RATE ? 100 * x : x));
  const { all, floor } = meterOf(bang).windows(0);
  expect(all).toHaveLength(10);
  expect(Math.max(...all)).toBeGreaterThan(1e-3);
  expect(floor.length).toBeGreaterThan(5);
  expect(floor.length).toBeLessThan(10);
  for (const power of floor) expect(Math.abs(10 * Math.log10(power) + 60)).toBeLessThan(0.5);
  // Where too little is floor, all are told.
  expect(meterOf(HISS.slice(0, RATE)).windows(0).all).toHaveLength(2);
  const short = HISS.slice(0, RATE).map((x, n) => (n > 0.3 * RATE ? 100 * x : x));
  const said = meterOf(short).windows(0);
  expect(said.floor).toEqual(said.all);
});

test('of several channels, those count that carry anything; that one is silent is told', () => {
  expect(readingOf(HISS, OTHER)).toMatchObject({ usable: true, reasons: [], patterns: ['hiss'] });
  expect(readingOf(HISS, new Float32Array(FRAMES))).toMatchObject({
    usable: true,
    reasons: [],
    patterns: ['hiss', 'exact-zeros', 'one-channel-only'],
  });
  expect(readingOf(new Float32Array(FRAMES), new Float32Array(FRAMES))).toMatchObject({
    usable: false,
    reasons: ['silence'],
  });
  const gated = OTHER.map((x, n) => (Math.floor(n / RATE) % 2 ? x : 0));
  expect(readingOf(HISS, gated)).toMatchObject({ usable: false, reasons: ['gate'] });
});

test('what a lost stretch or a click lies in is no floor', () => {
  const click = HISS.slice();
  const lost = HISS.slice();
  for (const at of [0.7, 1.9, 3.3].map((second) => second * RATE)) {
    click[at] += 0.5;
    lost.fill(0, at, at + 100);
  }
  expect(one(lost).dropouts).toBe(3);
  expect(Math.abs(one(lost).floorDbfs! + 60)).toBeLessThan(0.05);
  expect(one(click).rmsDbfs).toBeGreaterThan(-57);
  expect(Math.abs(one(click).floorDbfs! + 60)).toBeLessThan(0.1);
});

test('a recorder that begins before anything arrives, and goes on after it: the floor is that of what arrived', () => {
  const late = new Float32Array(2 * FRAMES);
  late.set(HISS, RATE);
  const { floorDbfs, reasons, disturbances, patterns, clicks } = one(late);
  expect({ reasons, disturbances, clicks }).toEqual({ reasons: [], disturbances: [], clicks: 0 });
  expect(Math.abs(floorDbfs! + 60)).toBeLessThan(0.1);
  expect(patterns.map(({ code }) => code)).toEqual(['hiss', 'exact-zeros']);
  // What goes off and on in between is a gate all the same.
  const gated = late.map((x, n) => (n > 2 * RATE && n < 3 * RATE ? 0 : x));
  expect(one(gated).reasons.map(({ code }) => code)).toEqual(['gate']);
});

test.each([12, -12])(
  'a gain that somebody moves by %d dB is told as something even, and the quieter part is the floor',
  (by) => {
    const moved = [...HISS, ...OTHER, ...HISS].map((x, n) => x * (n < 5 * RATE ? 1 : amplitude(by)));
    const { reasons, disturbances, floorDbfs } = one(Float32Array.from(moved));
    expect(reasons).toEqual([]);
    expect(disturbances).toMatchObject([
      {
        code: 'machine',
        evidence:
          '12 dB over the rest in its loudest band, and even; all bands alike, as where somebody moves the gain',
      },
    ]);
    expect(Math.abs(floorDbfs! + 60 - Math.min(0, by))).toBeLessThan(0.1);
  },
);

test('two supplies that beat at their fundamental are hum that comes and goes', () => {
  const long = [...HISS, ...OTHER, ...HISS];
  const beat = [49.9, 50.2].map((hertz) => sine(long.length, hertz, amplitude(-53)));
  const { disturbances } = one(sum(Float32Array.from(long), ...beat));
  expect(new Set(disturbances.map(({ code }) => code))).toEqual(new Set(['intermittent-hum']));
});

test('clean is what has nothing beside its hiss', () => {
  expect(one(HISS).clean).toBe(true);
  const bang = HISS.map((x, n) => (n > 1.5 * RATE && n < 1.7 * RATE ? 100 * x : x));
  expect(one(bang)).toMatchObject({ usable: true, clean: false });
  expect(one(HISS.slice(0, RATE))).toMatchObject({ usable: false, clean: false });
});

test('a sound beside a clock stays what it is', () => {
  const long = Float32Array.from([...HISS, ...OTHER, ...HISS]);
  for (let at = 0.6 * RATE; at < long.length - RATE; at += 0.8 * RATE)
    for (let n = 0; n < 60; n++) long[at + n] += 0.05 * HISS[n] * 1000;
  const start = 9.9 * RATE;
  const cough = long.map((x, n) => x + (n > start && n < start + 0.4 * RATE ? 60 * OTHER[n - start] : 0));
  const named = one(cough).disturbances;
  expect(named.filter(({ code }) => code === 'ticking').length).toBeGreaterThan(5);
  expect(named.filter(({ from, to }) => from < 10.1 && to > 10.1).map(({ code }) => code)).toEqual(['event']);
});

test('a thump is no direct offset; what goes on through it is one', () => {
  const thump = (n: number) => (n > RATE ? 0.4 * Math.exp((RATE - n) / 2400) : 0);
  const bumped = HISS.map((x, n) => x + thump(n));
  expect(bumped.reduce((total, x) => total + x, 0) / FRAMES).toBeGreaterThan(0.004);
  expect(one(bumped).usable).toBe(true);
  expect(Math.abs(one(bumped).dcOffset)).toBeLessThan(1e-4);
  expect(one(bumped).patterns.map(({ code }) => code)).not.toContain('direct-offset');
  const both = one(bumped.map((x) => x - 0.003));
  expect(both.dcOffset).toBeCloseTo(-0.003, 4);
  expect(both.patterns.map(({ code }) => code)).toContain('direct-offset');
});

test('nothing is read twice: asked again it says the same, and more once more has come', () => {
  const meter = meterOf(HISS);
  expect(meter.reading()).toEqual(meter.reading());
  expect(meter.density(0)).toEqual(meter.density(0));
  meter.push([sine(FRAMES, 1000, 0.5)]);
  expect(meter.reading().seconds).toBe(2 * SECONDS);
  expect(meter.reading().channels[0].peakDbfs).toBeCloseTo(-6, 0);
});
