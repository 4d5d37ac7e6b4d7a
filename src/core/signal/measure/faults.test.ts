import {
  add,
  amplitudeOf,
  comb,
  highPass,
  lowPass,
  music,
  room,
  scaled,
  seeded,
  speech,
  telephone,
  white,
} from '../../../../tests/recordings/sounds';
import { recordingMeter, type ChannelReading, type RecordingReading } from './analysis';

const RATE = 48_000;
const SECONDS = 10;
const FRAMES = SECONDS * RATE;
const random = seeded('faults');

const readAll = (...channels: ArrayLike<number>[]): RecordingReading => {
  const meter = recordingMeter(RATE, channels.length, channels[0].length);
  meter.push(channels.map((samples) => Float32Array.from(samples)));
  return meter.reading();
};
const read = (samples: ArrayLike<number>): ChannelReading => readAll(samples).channels[0];
const codes = ({ patterns }: ChannelReading): string[] => patterns.map(({ code }) => code);
const floor = (dbfs = -70): Float64Array => room(random, FRAMES, RATE, dbfs);
const steps = (samples: Float64Array, bits: number, dither = true): Float64Array => {
  const scale = 2 ** (bits - 1);
  return samples.map((x) => Math.round(x * scale + (dither ? random() - random() : 0)) / scale);
};

test('a clean room is called clean: nothing but hiss, no rumble, nothing left out', () => {
  for (const dbfs of [-58, -70, -82]) {
    const reading = read(steps(floor(dbfs), 24));
    expect(reading).toMatchObject({ usable: true, clean: true, disturbances: [], bits: 24 });
    expect(codes(reading).filter((code) => code !== 'hiss')).toEqual([]);
  }
});

describe('faults of a recording', () => {
  test('dropouts: zeros and held samples, with what is left still a floor', () => {
    const lost = floor();
    const held = floor();
    for (const at of [1.2, 3.7, 6.1]) {
      lost.fill(0, at * RATE, at * RATE + 40);
      held.fill(held[at * RATE], at * RATE, at * RATE + 40);
    }
    expect(read(lost).dropouts).toBe(3);
    expect(read(lost).patterns.find(({ code }) => code === 'dropouts')?.evidence).toBe('3 of zeros');
    expect(read(held).patterns.find(({ code }) => code === 'dropouts')?.evidence).toBe('3 of a value that is held');
    expect(Math.abs(read(lost).floorDbfs! + 70)).toBeLessThan(0.5);
    expect(codes(read(floor()))).not.toContain('dropouts');
  });

  test('a direct offset is told, and levels are without it', () => {
    const off = read(floor().map((x) => x + 0.004));
    expect(codes(off)).toContain('direct-offset');
    expect(off.dcOffset).toBeCloseTo(0.004, 5);
    for (const level of [off.rmsDbfs, off.floorDbfs!, off.medianDbfs]) expect(Math.abs(level + 70)).toBeLessThan(0.5);
    expect(codes(read(floor()))).not.toContain('direct-offset');
  });

  test('clipped before the converter: flat tops below full scale; a sine, noise, speech and music have none', () => {
    const talk = speech(random, SECONDS, RATE, -20);
    const most = 0.25;
    const flat = talk.map((x) => Math.max(-most, Math.min(most, 3 * x)) + 1e-5 * (random() - 0.5));
    expect(codes(read(flat))).toContain('clipped-upstream');
    const oneSided = add(
      talk.map((x) => Math.min(0.12, 1.5 * x)),
      white(random, FRAMES, 1e-5),
    );
    expect(codes(read(oneSided))).toContain('clipped-upstream');
    const whole = [
      talk,
      music(random, SECONDS, RATE, -20),
      white(random, FRAMES, 0.05),
      comb(FRAMES, RATE, 100, [[1, -12]], random),
    ];
    for (const sound of whole) expect(codes(read(sound))).not.toContain('clipped-upstream');
  });

  test('a dead channel has its converter’s noise alone', () => {
    expect(codes(read(white(random, FRAMES, amplitudeOf(-107))))).toContain('dead-channel');
    expect(codes(read(floor(-100)))).not.toContain('dead-channel');
    expect(codes(read(white(random, FRAMES, amplitudeOf(-70))))).not.toContain('dead-channel');
  });

  test('the cut-off of a lossy codec, and none where there is none', () => {
    const cut = floor(-60);
    // Eight first orders below 11 kHz leave a slope; a codec leaves nothing at all: by its spectrum, block by block.
    const loud = white(random, FRAMES, amplitudeOf(-50));
    for (let round = 0; round < 40; round++) lowPass(loud, 15_000, RATE);
    expect(codes(read(add(cut, loud)))).not.toContain('cut-off');
    const brick = sharp(white(random, FRAMES, amplitudeOf(-50)), 16_000);
    const reading = read(brick);
    expect(codes(reading)).toContain('cut-off');
    expect(reading.patterns.find(({ code }) => code === 'cut-off')?.what).toMatch(/nothing above 1[56]\.\d kHz/);
  });

  test('word length: dither alone, steps without dither, and tones that they make are not told', () => {
    const quiet = white(random, FRAMES, amplitudeOf(-120));
    const dithered = read(steps(quiet, 16));
    expect(dithered.patterns.find(({ code }) => code === 'word-length')).toMatchObject({
      what: 'the floor of 16 bits',
    });
    // Triangular dither of 16 bits: half a step RMS, −96.3 dBFS (Lipshitz, Wannamaker and Vanderkooy, 1992).
    expect(dithered.floorDbfs).toBeCloseTo(-96.33, 0);
    expect(dithered.bits).toBe(16);
    const tone = comb(FRAMES, RATE, 300, [[1, -94]], random);
    const hard = read(steps(tone, 16, false));
    expect(hard.patterns.find(({ code }) => code === 'word-length')?.usually).toMatch(/steps without dither/);
    expect(hard.tones.filter(({ hz }) => hz > 800).length).toBe(0);
    expect(codes(read(steps(floor(), 16)))).not.toContain('word-length');
  });

  test('crackle is left out and told with its times', () => {
    const spoilt = floor();
    for (let at = 0.5; at < SECONDS; at += 0.9)
      for (let n = 0; n < 60; n++) spoilt[Math.round(at * RATE) + n] += 0.05 * (random() - 0.5);
    const reading = read(spoilt);
    expect(codes(reading)).toContain('crackle');
    expect(reading.disturbances[0].from).toBeLessThan(0.5);
    expect(reading.disturbances[0].to).toBeGreaterThan(0.5);
    expect(Math.abs(reading.floorDbfs! + 70)).toBeLessThan(0.5);
  });
});

/** Nothing above a frequency: a windowed sinc of 801 taps (Blackman). */
function sharp(samples: Float64Array, hertz: number): Float64Array {
  const half = 200;
  const taps = Float64Array.from({ length: 2 * half + 1 }, (_, n) => {
    const x = n - half;
    const ideal = x === 0 ? (2 * hertz) / RATE : Math.sin((2 * Math.PI * hertz * x) / RATE) / (Math.PI * x);
    return ideal * (0.42 - 0.5 * Math.cos((Math.PI * n) / half) + 0.08 * Math.cos((2 * Math.PI * n) / half));
  });
  return samples.map((_, at) => {
    let sum = 0;
    for (let n = Math.max(0, at - half); n <= Math.min(samples.length - 1, at + half); n++)
      sum += samples[n] * taps[n - at + half];
    return sum;
  });
}

describe('between channels', () => {
  const a = floor(-50);
  const own = (dbfs: number) => white(random, FRAMES, amplitudeOf(dbfs));
  const relation = (b: Float64Array) => readAll(a, b).pairs[0];

  test.each([-18, -26, -40])('crosstalk of %d dB is told by its ratio, not as the same signal', (ratio) => {
    const found = relation(
      add(
        own(ratio - 50 - 3),
        a.map((x) => x * amplitudeOf(ratio)),
      ),
    );
    expect(found).toMatchObject({ relation: 'crosstalk', fromChannel: 0 });
    expect(Math.abs(found.ratioDb! - ratio)).toBeLessThan(0.5);
    expect(relation(a.map((x) => x * amplitudeOf(ratio))).relation).toBe('crosstalk');
  });

  test('a reversed pair is found though each has noise of its own', () => {
    expect(
      relation(
        add(
          own(-58),
          a.map((x) => -x),
        ),
      ),
    ).toMatchObject({ relation: 'reversed polarity' });
    expect(
      relation(
        add(
          own(-58),
          a.map((x) => x),
        ),
      ),
    ).toBeUndefined();
  });

  test('two microphones in one room are no fault', () => {
    const low = highPass(lowPass(white(random, FRAMES), 150, RATE), 30, RATE);
    const room1 = add(own(-60), scaled(low, amplitudeOf(-58)));
    const room2 = add(own(-60), low);
    expect(readAll(room1, room2).pairs).toEqual([]);
  });
});

describe('mains', () => {
  const odd = (level: number): [number, number][] => [1, 3, 5, 7].map((order) => [order, level - 4 * order]);

  test.each([
    [50.03, odd(-65)],
    [59.94, odd(-65)],
    [47.3, odd(-50)],
    [53.1, odd(-50)],
    [62.5, odd(-50)],
  ])('%d Hz of a supply or a generator is found', (hertz, levels) => {
    const reading = read(add(floor(), comb(FRAMES, RATE, hertz, levels, random)));
    expect(Math.abs(reading.mains!.frequencyHz - hertz)).toBeLessThan(0.05);
  });

  test('a telephone is no mains of 54.17 Hz, a note of 55 Hz no mains of 55', () => {
    const phone = read(add(floor(), telephone(random, SECONDS, RATE, -50)));
    expect(phone.mains).toBeNull();
    const note = Array.from({ length: 8 }, (_, n): [number, number] => [n + 1, -55 - 3 * n]);
    for (const hertz of [55, 61.74 * 2, 41.2, 220])
      expect(read(add(floor(), comb(FRAMES, RATE, hertz, note, random))).mains).toBeNull();
    // One line off a supply's frequency is a tone.
    const single = read(add(floor(), comb(FRAMES, RATE, 53, [[1, -60]], random)));
    expect(single.mains).toBeNull();
    expect(single.tones[0].hz).toBeCloseTo(53, 0);
  });

  test('a data bus at 1, 2, 3 and 8 kHz beside hum of 50 Hz is told apart from its comb, or as either', () => {
    for (const hertz of [50, 49.98]) {
      const bus = comb(
        FRAMES,
        RATE,
        1000,
        [
          [1, -75],
          [2, -80],
          [3, -84],
          [8, -80],
        ],
        random,
      );
      const { mains, tones } = read(add(add(floor(-80), bus), comb(FRAMES, RATE, hertz, odd(-60), random)));
      expect(Math.abs(mains!.frequencyHz - hertz)).toBeLessThan(0.02);
      const told = tones.map(({ hz }) => Math.round(hz / 1000));
      expect(told).toEqual(expect.arrayContaining([1, 2, 3, 8]));
      if (hertz === 50) expect(tones.find(({ hz }) => Math.abs(hz - 1000) < 1)?.harmonic).toBe(20);
    }
    // A long comb of its own is no bus.
    const buzz = Array.from({ length: 40 }, (_, n): [number, number] => [2 * n + 2, -66 - 3 * Math.log2(n + 1)]);
    const { tones, mains } = read(add(floor(-85), comb(FRAMES, RATE, 50, buzz, random)));
    expect(tones).toEqual([]);
    expect(mains!.harmonics.length).toBe(40);
  });

  test('no blind frequencies: a tone anywhere beside hum is told, as a tone or a harmonic', () => {
    const hum = comb(FRAMES / 2, RATE, 50.02, [...odd(-65), [2, -70], [4, -75], [6, -78]], random);
    const hiss = white(random, FRAMES / 2, amplitudeOf(-75));
    const blind: number[] = [];
    for (let hertz = 27; hertz < 19_500; hertz *= 1.031) {
      const { tones, mains } = read(add(add(hiss.slice(), hum), comb(FRAMES / 2, RATE, hertz, [[1, -72]], random)));
      const lines = [...tones, ...(mains?.harmonics ?? [])];
      if (!lines.some(({ hz }) => Math.abs(hz - hertz) < 3)) blind.push(hertz);
    }
    // Within two and a half bins of a louder line nothing is told apart: a window of Hann is four bins wide.
    expect(blind.filter((hertz) => Math.abs(hertz / 50.02 - Math.round(hertz / 50.02)) * 50.02 > 7.4)).toEqual([]);
  }, 120_000);

  test('a whine that wanders is told with its range', () => {
    const samples = floor(-75);
    let phase = 0;
    for (let n = 0; n < FRAMES; n++) {
      phase += (2 * Math.PI * (3400 + 300 * Math.sin((2 * Math.PI * 0.1 * n) / RATE))) / RATE;
      samples[n] += Math.SQRT2 * amplitudeOf(-70) * Math.sin(phase);
    }
    const { wandering, patterns } = read(samples);
    expect(wandering).toHaveLength(1);
    expect(wandering[0].fromHz).toBeGreaterThan(3050);
    expect(wandering[0].toHz).toBeLessThan(3750);
    expect(Math.abs(wandering[0].dbfs + 70)).toBeLessThan(2);
    expect(patterns.map(({ code }) => code)).toContain('wandering-whine');
    expect(read(floor(-75)).wandering).toEqual([]);
  });
});

test.each([44_100, 48_000, 88_200, 96_000, 176_400, 192_000])('%d Hz: the same hum, hiss, slope and tones', (rate) => {
  const frames = 8 * rate;
  const samples = white(random, frames, amplitudeOf(-80 + 10 * Math.log10(rate / 48_000)));
  add(
    samples,
    comb(
      frames,
      rate,
      50.02,
      [
        [1, -60],
        [3, -68],
        [5, -74],
      ],
      random,
    ),
  );
  add(samples, comb(frames, rate, 4310.4, [[1, -75]], random));
  const meter = recordingMeter(rate, 1, frames);
  meter.push([Float32Array.from(samples)]);
  const [reading] = meter.reading().channels;
  expect(Math.abs(reading.mains!.frequencyHz - 50.02)).toBeLessThan(0.05);
  for (const [order, dbfs] of [
    [1, -60],
    [3, -68],
    [5, -74],
  ])
    expect(Math.abs(reading.mains!.harmonics.find((each) => each.order === order)!.dbfs - dbfs)).toBeLessThan(0.5);
  expect(Math.abs(reading.tones[0].hz - 4310.4)).toBeLessThan(0.05);
  expect(Math.abs(reading.tones[0].dbfs + 75)).toBeLessThan(0.5);
  // White noise of −80 dBFS up to 24 kHz: −80.8 in the band, 2.05 dB less A-weighted.
  expect(Math.abs(reading.hissDbfs + 82.85)).toBeLessThan(0.5);
  expect(Math.abs(reading.slopeDbPerOctave)).toBeLessThan(0.2);
});
