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
  white,
} from '../../../../tests/recordings/sounds';
import { readRecording } from '../../../../tests/recordings/read';
import type { ChannelReading } from './analysis';

const RATE = 48_000;
const SECONDS = 10;
const FRAMES = SECONDS * RATE;
const random = seeded('faults');

const readAll = (...channels: ArrayLike<number>[]) => readRecording(RATE, ...channels);
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
    const reading = read(clicking([0.5, 1.2, 2.9, 3.3, 4.8, 5.1, 5.9, 7.7, 8.2, 9.4]));
    expect(codes(reading)).toContain('crackle');
    expect(codes(reading)).not.toContain('ticking');
    expect(reading.disturbances[0].from).toBeLessThan(0.5);
    expect(reading.disturbances[0].to).toBeGreaterThan(0.5);
    expect(Math.abs(reading.floorDbfs! + 70)).toBeLessThan(0.5);
  });
});

/** A room with clicks at some times. */
function clicking(times: readonly number[]): Float64Array {
  const spoilt = floor();
  for (const at of times) for (let n = 0; n < 60; n++) spoilt[Math.round(at * RATE) + n] += 0.05 * (random() - 0.5);
  return spoilt;
}

describe('clicks at a steady rate are no bad contact', () => {
  const every = (seconds: number, from = 0.4) =>
    Array.from({ length: Math.floor((SECONDS - from) / seconds) }, (_, n) => from + n * seconds);

  test.each([0.25, 0.5, 0.93])('one every %d s', (seconds) => {
    const reading = read(clicking(every(seconds)));
    expect(codes(reading)).toContain('ticking');
    expect(codes(reading)).not.toContain('crackle');
    expect(new Set(reading.disturbances.map(({ code }) => code))).toEqual(new Set(['ticking']));
    expect(reading.patterns.find(({ code }) => code === 'ticking')!.evidence).toContain(
      `one click every ${seconds.toFixed(2)} s`,
    );
    // A room sounds on for a while after each: four a second leave nothing of it alone.
    if (seconds < 0.5) {
      expect(reading.reasons.map(({ code }) => code)).toEqual(['ticking']);
      expect(reading.reasons[0].text).toMatch(/every 0.25 s.*Stop the clock/);
    } else expect(Math.abs(reading.floorDbfs! + 70)).toBeLessThan(0.5);
  });

  test('a beat that was missed is no matter; five clicks say nothing of a rate', () => {
    const beats = every(0.9);
    expect(codes(read(clicking(beats.filter((_, n) => n !== 4))))).toContain('ticking');
    expect(codes(read(clicking(beats.slice(0, 5))))).toContain('crackle');
  });
});

describe('what turns, rings and passes by', () => {
  /** A tone and its first multiples, so far over a floor of −70 dBFS, its frequency moving by so much to and fro. */
  const turning = (hertz: number, over: readonly number[], moves = 0) => {
    const out = floor();
    over.forEach((dbfs, n) => {
      let phase = 0;
      for (let k = 0; k < FRAMES; k++) {
        phase += ((2 * Math.PI * (n + 1)) / RATE) * (hertz + moves * Math.sin((1.5 * k) / RATE));
        out[k] += Math.SQRT2 * amplitudeOf(dbfs - 70) * Math.sin(phase);
      }
    });
    return out;
  };

  test.each([
    [134, 0],
    [166, 0.3],
    [227, 0.1],
  ])('a fan of %d Hz, moving by %d Hz: its tones are told, and the recording is not clean', (hertz, moves) => {
    const reading = read(turning(hertz, [8, 2, -3], moves));
    expect(reading).toMatchObject({ usable: true, clean: false });
    expect(codes(reading)).toContain('motor-tones');
    expect(reading.patterns.find(({ code }) => code === 'motor-tones')!.evidence).toContain(`${hertz} Hz`);
  });

  test('a generator whose speed moves accuses no computer', () => {
    const reading = read(turning(102.2, [18, 14, 12, 10, 9, 8, 8, 7, 6, 6], 0.4));
    expect(codes(reading)).toContain('motor-tones');
    expect(codes(reading)).not.toContain('computer-tones');
    // Beside a fan a computer is still one.
    const both = codes(read(add(turning(134, [8, 2]), comb(FRAMES, RATE, 1000, [[1, -75]], random))));
    expect(both).toEqual(expect.arrayContaining(['motor-tones', 'computer-tones']));
    // A slow fan has multiples near everything up there.
    const slow = codes(read(add(turning(57, [18, 14, 12, 8]), comb(FRAMES, RATE, 4310, [[1, -75]], random))));
    expect(slow).toContain('computer-tones');
  });

  test.each([220, 433, 440, 880])('a note of %d Hz that dies away is neither a telephone nor hum', (hertz) => {
    const note = comb(FRAMES, RATE, hertz, [[1, -45]], random).map((x, n) => x * Math.exp(-n / RATE / 2));
    expect([...new Set(read(add(floor(), note)).disturbances.map(({ code }) => code))]).toEqual(['music']);
  });

  test('a car that passes is no speech', () => {
    const car = lowPass(white(random, FRAMES), 300, RATE);
    scaled(car, amplitudeOf(-54));
    const reading = read(
      add(
        floor(),
        car.map((x, n) => x * Math.exp(-(((n / RATE - 6) / 1.3) ** 2))),
      ),
    );
    expect(reading.disturbances.map(({ code }) => code)).toEqual(['event']);
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
