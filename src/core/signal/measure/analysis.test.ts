import { amplitude, noise, sine, sum, uniform } from '../../../../tests/signals';
import { recordingMeter, type ChannelReading } from './analysis';
import { powerIn } from './spectrum';

const RATE = 48_000;
const read = (...channels: Float32Array[]) => {
  const meter = recordingMeter(RATE, channels.length, channels[0].length);
  // In pieces, as a file comes.
  for (let at = 0; at < channels[0].length; at += 10_007)
    meter.push(channels.map((each) => each.subarray(at, at + 10_007)));
  return { ...meter.reading(), density: meter.density(0) };
};
const one = (signal: Float32Array): ChannelReading => read(signal).channels[0];
const codes = ({ patterns }: ChannelReading) => patterns.map(({ code }) => code);
const why = ({ reasons }: ChannelReading) => reasons.map(({ code }) => code);
const seconds = (count: number) => count * RATE;

describe('levels', () => {
  test('a full-scale 997 Hz sine: 0.00 dBFS peak, −3.01 dBFS RMS, nothing beside it', () => {
    const full = one(sine(seconds(5), 997, 1));
    expect(full.peakDbfs).toBeCloseTo(0, 2);
    expect(full.rmsDbfs).toBeCloseTo(-3.0103, 3);
    expect(full.crestDb).toBeCloseTo(3.01, 2);
    expect(full.tones[0].hz).toBeCloseTo(997, 1);
    expect(full.tones[0].dbfs).toBeCloseTo(-3.01, 1);
    expect(full.dcOffset).toBeCloseTo(0, 5);
  });

  test('white noise of known RMS reads it within 0.05 dB, and its density integrates to the same', () => {
    const { channels, density } = read(noise(seconds(15), amplitude(-40)));
    expect(Math.abs(channels[0].rmsDbfs + 40)).toBeLessThan(0.05);
    expect(Math.abs(10 * Math.log10(powerIn(density, 0, RATE / 2)) + 40)).toBeLessThan(0.05);
    expect(channels[0].mains).toBeNull();
    expect(channels[0].tones).toEqual([]);
    expect(codes(channels[0])).toEqual(['hiss']);
    expect(Math.abs(channels[0].slopeDbPerOctave)).toBeLessThan(0.2);
  });

  test('white noise A-weighted from 20 Hz to 20 kHz is 2.05 dB lower than without (by integrating IEC 61672-1)', () => {
    const { channels, density } = read(noise(seconds(20), amplitude(-40), 7));
    const flat = 10 * Math.log10(powerIn(density, 20, 20_000));
    expect(Math.abs(flat - channels[0].aWeightedDbfs - 2.05)).toBeLessThan(0.05);
  });

  test('rumble is told only well above what a room has, and only where it is most of what is there', () => {
    // Of white noise at −70 dBFS a room would have −81 dBFS below 40 Hz (8 dB of density an octave from 125 to 28 Hz).
    const room = noise(seconds(10), amplitude(-70));
    const with12 = (signal: Float32Array, rms: number) =>
      codes(one(sum(signal, sine(seconds(10), 12, Math.SQRT2 * amplitude(rms)))));
    expect(with12(room, -72.3)).not.toContain('rumble');
    expect(with12(room, -69)).toContain('rumble');
    // Nothing but hiss above: little of it may be below 40 Hz, and yet far more than a room has.
    const hiss = noise(seconds(10), 1).map((x, n, all) => x - 2 * (all[n - 1] ?? 0) + (all[n - 2] ?? 0));
    const quiet = hiss.map((x) => (x * amplitude(-70)) / Math.sqrt(6));
    expect(with12(quiet, -76)).not.toContain('rumble');
    expect(with12(quiet, -66)).toContain('rumble');
  });

  test('a direct offset is read and does not count as rumble', () => {
    const offset = one(noise(seconds(10), amplitude(-60)).map((x) => x + 0.01));
    expect(offset.dcOffset).toBeCloseTo(0.01, 4);
    expect(offset.rumbleDbfs).toBeLessThan(-80);
  });
});

describe('mains', () => {
  test('a pure sine has no harmonics that only arithmetic made', () => {
    for (const peak of [1e-3, 0.5]) {
      const pure = one(sine(seconds(8), 50, peak));
      expect(pure.mains?.harmonics.map(({ order }) => order)).toEqual([1]);
      expect(pure).toMatchObject({ tones: [], wandering: [] });
    }
  });

  test('49.97 Hz hum 70 dB down in noise 65 dB down: frequency within 0.05 Hz, harmonics within 0.5 dB', () => {
    const levels: [order: number, rms: number][] = [
      [1, -70],
      [3, -78],
      [5, -84],
    ];
    const hum = levels.map(([order, rms]) =>
      sine(seconds(15), 49.97 * order, amplitude(rms) * Math.SQRT2, RATE, order),
    );
    const { mains, broadbandDbfs } = one(sum(noise(seconds(15), amplitude(-65), 3), ...hum));
    expect(Math.abs(mains!.frequencyHz - 49.97)).toBeLessThan(0.05);
    for (const [order, rms] of levels) {
      const found = mains!.harmonics.find((each) => each.order === order)!;
      expect(Math.abs(found.dbfs - rms)).toBeLessThan(0.5);
    }
    // From 20 Hz to 20 kHz there is 0.8 dB less of white noise than up to 24 kHz.
    expect(Math.abs(broadbandDbfs + 65.8)).toBeLessThan(0.2);
  });

  test.each([
    [50.02, 'rectifiers', [2, 4, 6, 8, 10, 12, 14, 16]],
    [59.98, 'rectifiers', [2, 4, 6, 8, 10, 12]],
  ])(
    'a comb of even harmonics of %d Hz is buzz, and its fundamental is found though it is not there',
    (hertz, _, list) => {
      const comb = list.map((order) => sine(seconds(8), hertz * order, amplitude(-68 - order), RATE, order));
      const reading = one(sum(noise(seconds(8), amplitude(-80), 5), ...comb));
      expect(Math.abs(reading.mains!.frequencyHz - hertz)).toBeLessThan(0.05);
      expect(codes(reading)).toContain('rectifier-buzz');
      expect(codes(reading)).not.toContain('magnetic-pick-up');
    },
  );

  test('hum of fundamental and odd harmonics is magnetic; with a comb beside it, both are named', () => {
    const odd = [1, 3, 5].map((order) => sine(seconds(8), 50 * order, amplitude(-60 - 4 * order), RATE, order));
    const even = [2, 4, 6, 8, 10, 12].map((order) => sine(seconds(8), 50 * order, amplitude(-66 - order), RATE, order));
    const hiss = noise(seconds(8), amplitude(-85), 5);
    expect(codes(one(sum(hiss, ...odd)))).toEqual(['magnetic-pick-up']);
    const both = codes(one(sum(hiss, ...odd, ...even)));
    expect(both).toEqual(expect.arrayContaining(['magnetic-pick-up', 'rectifier-buzz']));
  });

  test('whine at 1 kHz and its multiples is a computer’s', () => {
    const tones = [1000, 2000, 8000].map((hertz) => sine(seconds(8), hertz + 0.3, amplitude(-75)));
    const reading = one(sum(noise(seconds(8), amplitude(-75), 9), ...tones));
    expect(codes(reading)).toEqual(expect.arrayContaining(['computer-tones', 'hiss']));
    expect(reading.tones.map(({ hz }) => Math.round(hz)).sort((a, b) => a - b)).toEqual([1000, 2000, 8000]);
  });
});

describe('what is no noise floor is refused, with the reason', () => {
  const floor = noise(seconds(10), amplitude(-70), 2);

  test('steady noise is usable', () => {
    expect(read(floor)).toMatchObject({ usable: true, reasons: [] });
    expect(one(sum(floor, sine(seconds(10), 12, amplitude(-50))))).toMatchObject({ usable: true });
  });

  test.each([49.5, 49.9, 49.98, 50, 50.02, 50.1, 59.9, 59.98, 60, 60.02, 60.5])(
    'hum of %d Hz stays as it is, however slowly it drifts against the clock',
    (hertz) => {
      // Strong at first and fifth, weak at third: what lies between two lines swells where they beat in step with the frames.
      const lines = [
        [1, -63],
        [3, -87],
        [5, -77],
        [7, -78],
        [11, -79],
      ].map(([order, dbfs]) => sine(seconds(12), order * hertz, amplitude(dbfs)));
      const reading = one(sum(noise(seconds(12), amplitude(-100), 3), ...lines));
      expect(reading.disturbances).toEqual([]);
      expect(reading).toMatchObject({ usable: true, mains: { frequencyHz: expect.closeTo(hertz, 1) } });
    },
  );

  test('a fan that comes on late is told, and the floor is that of the room', () => {
    const fan = noise(seconds(10), amplitude(-58), 8);
    let low = 0;
    const sound = fan.map((x, n) => (low += (x - low) * 0.05) * Math.min(1, Math.max(0, (n - seconds(6)) / RATE)));
    const reading = one(sum(floor, sound));
    expect(reading).toMatchObject({ usable: true, disturbances: [{ code: 'machine' }] });
    expect(reading.disturbances[0].from).toBeCloseTo(6, 0);
    expect(reading.floorDbfs).toBeCloseTo(-70, 0);
  });

  test.each([0, amplitude(-100)])('gated, down to %d', (closed) => {
    const gated = floor.map((x, n) => (Math.floor(n / RATE) % 2 ? x : x * closed));
    const reading = one(gated);
    expect(why(reading)).toEqual(['gate']);
    expect(reading.gate).toMatchObject({ shut: expect.closeTo(0.5, 1) });
    expect(codes(reading)).toContain('gate');
  });

  test('somebody speaking: syllables, four a second, with pauses', () => {
    const random = uniform(4);
    const syllables = Array.from({ length: 50 }, () => (random() > 0.3 ? random() : 0));
    const speech = noise(seconds(10), amplitude(-35), 6).map(
      (x, n) => x * syllables[Math.floor(n / 12_000) % 50] * Math.sin((Math.PI * (n % 12_000)) / 12_000) ** 2,
    );
    expect(why(one(sum(floor, speech)))).toEqual(['speech']);
  });

  test('clipped, too short, and nothing at all', () => {
    expect(why(one(floor.map((x, n) => (n % 9600 < 5 ? 1 : x))))).toContain('clipped');
    expect(one(floor.map((x, n) => (n % 9600 < 5 ? 1 : x))).clippedRuns).toBe(50);
    expect(why(one(floor.slice(0, RATE / 2)))).toEqual(['too-short']);
    expect(why(one(new Float32Array(seconds(5))))).toEqual(['silence']);
    expect(one(new Float32Array(seconds(5)))).toMatchObject({ tones: [], wandering: [], mains: null, clicks: 0 });
  });

  test('a sample that stands still is silence, whatever its direct offset, and has neither hum nor whine', () => {
    const still = one(new Float32Array(seconds(5)).fill(0.3));
    expect(why(still)).toEqual(['silence']);
    expect(still.reasons[0].text).toContain('−10.5 dBFS of direct offset');
    expect(still).toMatchObject({ floorDbfs: null, tones: [], wandering: [], mains: null });
    expect(codes(still)).toEqual(['direct-offset']);
    // The same offset under noise is a floor like any other.
    expect(one(noise(seconds(5), amplitude(-70)).map((x) => x + 0.3)).usable).toBe(true);
  });

  test.each([
    ['one that is no number', [7], NaN],
    ['many without end', [7, 8, 40_000, 100_000, 239_999], Infinity],
  ])('a broken file is told, and what is read of it is numbers all the same: %s', (_, places, value) => {
    const broken = noise(seconds(5), amplitude(-60));
    for (const n of places) broken[n] = value;
    const reading = one(broken);
    expect(why(reading)).toEqual(['broken-samples']);
    expect(reading.reasons[0].text).toMatch(places.length === 1 ? /^1 sample in it is no number/ : /^5 samples/);
    expect(reading.rmsDbfs).toBeCloseTo(-60, 1);
    expect(JSON.parse(JSON.stringify(reading))).toEqual(reading);
  });
});

describe('between channels', () => {
  const left = noise(seconds(5), 0.01, 1);
  const other = noise(seconds(5), 0.01, 2);
  test.each([
    ['the same twice', left, 'same signal twice'],
    ['reversed', left.map((x) => -0.5 * x), 'reversed polarity'],
  ])('%s', (_, right, relation) => expect(read(left, right).pairs).toMatchObject([{ channels: [0, 1], relation }]));
  test('two of their own', () => expect(read(left, other).pairs).toEqual([]));
  test('one silent: the other is read, the pattern says so', () =>
    expect(read(left, new Float32Array(seconds(5)))).toMatchObject({
      usable: true,
      patterns: expect.arrayContaining(['one-channel-only']),
    }));
});

test('clicks are counted', () => {
  const clicked = noise(seconds(10), amplitude(-70), 8);
  for (const at of [1, 2.5, 4, 7]) clicked[at * RATE] = 0.05;
  expect(one(clicked).clicks).toBe(4);
});
