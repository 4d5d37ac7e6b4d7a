import type { Hertz } from '../../units';
import type { Disturbance } from './disturbance';
import { levelMeter } from './levels';
import type { Seen } from './pattern';
import { patternsOf } from './patterns';
import { reachOf } from './reach';
import type { Density } from './spectrum';
import type { Tone } from './tones';

const STEP: Hertz = 48_000 / 16_384;
/** Mean square per hertz of white noise of −70 dBFS up to 24 kHz. */
const WHITE = 1e-7 / 24_000;

const density = (of: (hz: Hertz) => number = () => WHITE): Density => ({
  step: STEP,
  values: Float64Array.from({ length: 8193 }, (_, k) => of(k * STEP)),
  segments: 60,
  least: 0,
});
/** Of a channel that carries something, samples that are not looked at. */
const LEVELS = {
  ...levelMeter(48_000).levels(),
  frames: 480_000,
  peak: 0.01,
  power: 1e-7,
  windows: [],
};
/** White noise of −70 dBFS of which nothing is told but what a case says. */
const SEEN: Omit<Seen, 'reach'> = {
  mains: undefined,
  tones: [],
  rumble: 0,
  inBand: 0.8e-7,
  hiss: 0,
  white: 0,
  weighted: 0.5e-7,
  inBandA: 0.5e-7,
  slope: 0,
  density: density(),
  levels: LEVELS,
  frame: 7 / 300,
  wandering: [],
  floor: 1e-7,
  offset: 0,
  word: { carries: -Infinity },
  disturbances: [],
  reasons: [],
};
const told = (seen: Partial<Seen>) => {
  const all = { ...SEEN, ...seen };
  return patternsOf({ reach: reachOf(all.density, all.floor), ...all });
};
const codes = (seen: Partial<Seen>) => told(seen).map(({ code }) => code);
const evidence = (seen: Partial<Seen>) => told(seen)[0].evidence;
const tone = (hz: Hertz, power = 1e-8): Tone => ({ hz, power, dbfs: 10 * Math.log10(power) });
const mains = (powers: Record<number, number>) => ({
  frequencyHz: 50,
  harmonics: Object.entries(powers).map(([order, power]) => ({
    ...tone(50 * Number(order), power),
    order: Number(order),
  })),
});

test('of nothing but a floor nothing is told', () => expect(told({})).toEqual([]));

describe('hum and buzz', () => {
  const even = (power: number) => ({ 2: power, 4: power, 6: power, 8: power });

  test('the fundamental and odd harmonics are what a magnetic field induces: more than half of the even ones together', () => {
    expect(codes({ mains: mains({ 1: 2.1, 3: 1, ...even(1) }) })).toContain('magnetic-pick-up');
    expect(codes({ mains: mains({ 1: 1.9, 3: 1, ...even(1) }) })).not.toContain('magnetic-pick-up');
    expect(codes({ mains: mains({ 3: 9, 5: 9 }) })).toEqual([]);
    expect(evidence({ mains: mains({ 1: 1e-8, 2: 1e-10, 3: 1e-8 }) })).toBe('harmonics 1, 3 of 50.00 Hz, −77.0 dBFS');
  });

  test('a comb of even ones, two of them from the sixth on, is a rectifier’s: more than a tenth of the odd ones', () => {
    expect(codes({ mains: mains(even(1)) })).toEqual(['rectifier-buzz']);
    expect(codes({ mains: mains({ 3: 39, ...even(1) }) })).toEqual(['rectifier-buzz']);
    expect(codes({ mains: mains({ 3: 41, ...even(1) }) })).toEqual([]);
    expect(codes({ mains: mains({ 2: 1, 4: 1, 6: 1 }) })).toEqual([]);
    expect(codes({ mains: mains({ 6: 1, 8: 1 }) })).toEqual([]);
    expect(codes({ mains: mains({ 4: 1, 6: 1, 8: 1 }) })).toEqual(['rectifier-buzz']);
    expect(told({ mains: mains({ 2: 1e-8, 4: 0, 6: 0, 8: 0, 10: 0, 12: 0, 14: 0 }) })).toMatchObject([
      { what: 'buzz: 100 Hz and a long comb', evidence: 'harmonics 2, 4, 6, 8, 10, 12 … 14 of 50.00 Hz, −80.0 dBFS' },
    ]);
  });

  test('under speech or music nothing is said of the line; in a short or clipped recording it is', () => {
    const all = {
      mains: mains({ 1: 3, ...even(1) }),
      tones: [tone(300), tone(3000)],
      wandering: [{ fromHz: 3000, toHz: 3200, dbfs: -80 }],
    };
    const line = ['magnetic-pick-up', 'rectifier-buzz', 'motor-tones', 'computer-tones', 'wandering-whine'];
    expect(codes(all)).toEqual(line);
    for (const code of ['too-short', 'clipped'] as const)
      expect(codes({ ...all, reasons: [{ code, text: '' }] })).toEqual(line);
    expect(
      codes({
        ...all,
        reasons: [
          { code: 'too-short', text: '' },
          { code: 'speech', text: '' },
        ],
      }),
    ).toEqual([]);
  });
});

describe('tones', () => {
  test('below 900 Hz something turns, from there on it is electronics; below 40 Hz a peak of rumble', () => {
    expect(codes({ tones: [tone(890)] })).toEqual(['motor-tones']);
    expect(codes({ tones: [tone(910)] })).toEqual(['computer-tones']);
    expect(codes({ tones: [tone(41)] })).toEqual(['motor-tones']);
    expect(codes({ tones: [tone(39)] })).toEqual([]);
    expect(evidence({ tones: [tone(300), tone(410.4), tone(500), tone(600), tone(700)] })).toBe(
      '300 Hz, 410 Hz, 500 Hz, 600 Hz, −73.0 dBFS',
    );
  });

  test('a thousandth of what is in the band is worth a word', () => {
    for (const hz of [300, 3000]) {
      expect(codes({ tones: [tone(hz, 0.9e-10)] })).toHaveLength(1);
      expect(codes({ tones: [tone(hz, 0.7e-10)] })).toEqual([]);
    }
  });

  test('a multiple of the mains that stands alone below 900 Hz is not what turns', () =>
    expect(codes({ tones: [{ ...tone(450), harmonic: 9 }] })).toEqual([]));

  test('multiples of what turns are its own, where three of the series are below 900 Hz', () => {
    expect(codes({ tones: [250, 500, 750, 1000, 1250].map((hz) => tone(hz)) })).toEqual(['motor-tones']);
    expect(codes({ tones: [250, 500, 1000].map((hz) => tone(hz)) })).toEqual(['motor-tones', 'computer-tones']);
    // 2 Hz and 0.6 % beside it still.
    expect(codes({ tones: [250, 500, 750, 1007.5].map((hz) => tone(hz)) })).toEqual(['motor-tones']);
    expect(codes({ tones: [250, 500, 750, 1008.5].map((hz) => tone(hz)) })).toEqual(['motor-tones', 'computer-tones']);
    // Where that is a quarter of the way to the next, it says nothing: 2 + 0.006 · hz against 50 / 4.
    expect(codes({ tones: [50, 100, 150, 1700].map((hz) => tone(hz)) })).toEqual(['motor-tones']);
    expect(codes({ tones: [50, 100, 150, 1800].map((hz) => tone(hz)) })).toEqual(['motor-tones', 'computer-tones']);
  });

  test('a whine that moves is told with its range', () =>
    expect(told({ wandering: [{ fromHz: 3000.4, toHz: 3200.6, dbfs: -80.04 }] })).toMatchObject([
      { code: 'wandering-whine', evidence: '3000 to 3201 Hz, −80.0 dBFS' },
    ]));
});

test('what it usually comes from goes on a sentence: it begins small and ends without a stop', () => {
  const all = [
    ...told({ hiss: 0.4e-7, white: 0.7e-7, rumble: 1e-6, levels: { ...LEVELS, zeroRuns: 1, zeros: 1, flatTop: 3 } }),
    ...told({ tones: [tone(300), tone(3000)], offset: 0.01, wandering: [{ fromHz: 3000, toHz: 3200, dbfs: -80 }] }),
  ];
  expect(all.length).toBeGreaterThan(5);
  for (const { usually } of all) expect(usually).toMatch(/^[a-z].*[^.]$/);
});

describe('hiss', () => {
  const HISS = { hiss: 0.4e-7, white: 0.7e-7 };
  test('is told where it is four tenths of what is left without tones, a tenth of all, and white', () => {
    expect(codes(HISS)).toEqual(['hiss']);
    expect(codes({ ...HISS, hiss: 0.21e-7 })).toEqual(['hiss']);
    expect(codes({ ...HISS, hiss: 0.19e-7 })).toEqual([]);
    expect(codes({ ...HISS, inBandA: 3.9e-7 })).toEqual(['hiss']);
    expect(codes({ ...HISS, inBandA: 4.1e-7 })).toEqual([]);
    expect(codes({ ...HISS, white: 0.017e-7 })).toEqual(['hiss']);
    expect(codes({ ...HISS, white: 0.015e-7 })).toEqual([]);
    expect(told({ ...HISS, slope: -1.25 })[0].evidence).toMatch(
      /^−74\.0 dBFS\(A\), 80 % of the noise.*slope −1\.[23] dB/,
    );
  });
  test('not where there is no floor, nor where it is the word’s', () => {
    expect(codes({ ...HISS, floor: null })).toEqual([]);
    expect(codes({ ...HISS, word: { only: 'dither', bits: 12, carries: -Infinity } })).toEqual(['word-length']);
  });
});

describe('rumble', () => {
  /** What a room has below 40 Hz by itself above white noise of that density: 8 dB an octave from 125 to 28 Hz. */
  const ROOM = WHITE * 10 ** (0.8 * Math.log2(125 / 28)) * 36;
  test('10 dB above what a room has, and half of what there is', () => {
    expect(codes({ rumble: 10.3 * ROOM, inBand: 15 * ROOM })).toEqual(['rumble']);
    expect(codes({ rumble: 9.7 * ROOM, inBand: 15 * ROOM })).toEqual([]);
    expect(codes({ rumble: 20 * ROOM, inBand: 39 * ROOM })).toEqual(['rumble']);
    expect(codes({ rumble: 20 * ROOM, inBand: 41 * ROOM })).toEqual([]);
    expect(codes({ rumble: 0, inBand: 0, density: density(() => 0) })).toEqual([]);
    expect(told({ rumble: 1e-6, inBand: 1e-6 })[0].evidence).toBe(
      '−60.0 dBFS below 40 Hz, −60.0 dBFS from 20 Hz to 20 kHz',
    );
  });
});

describe('gates', () => {
  test('a gate and exact zeros are told with what the reading says of them', () => {
    const gated = told({
      reasons: [{ code: 'gate', text: 'It shuts.' }],
      levels: { ...LEVELS, zeroRuns: 2, zeros: 1.234 },
    });
    expect(gated).toMatchObject([
      { code: 'gate', evidence: 'It shuts.' },
      { code: 'exact-zeros', evidence: '2 stretches, 1.23 s together' },
    ]);
    const early = { ...LEVELS, zeroRuns: 1, zeros: 0.5, zerosAtEnds: 0.5 };
    expect(told({ levels: early })).toMatchObject([
      {
        usually: expect.stringMatching(/^a recorder that began/),
        evidence: '1 stretch, 0.50 s together, 0.50 s of it before the first sound or after the last',
      },
    ]);
    for (const seen of [{ levels: early, floor: null }, { levels: { ...early, zeros: 0.7 } }])
      expect(told(seen)[0].usually).toMatch(/^nothing connected/);
  });
});

describe('what is wrong with the recording itself', () => {
  const levels = (more: Partial<Seen['levels']>) => ({ levels: { ...LEVELS, ...more } });
  const crackle: Disturbance = { code: 'crackle', from: 1, to: 2, evidence: '' };

  test('three clicks are crackle, where they lie in what is crackle by itself', () => {
    const at = (...seconds: number[]) =>
      levels({ clickFrames: seconds.map((second) => Math.round((second * 300) / 7)) });
    expect(codes({ ...at(1.1, 1.5, 1.9), disturbances: [crackle] })).toEqual(['crackle']);
    expect(codes({ ...at(1.1, 1.5), disturbances: [crackle] })).toEqual([]);
    expect(codes({ ...at(1.1, 1.5, 2.1), disturbances: [crackle] })).toEqual([]);
    expect(codes({ ...at(0.9, 1.5, 1.9), disturbances: [crackle] })).toEqual([]);
    expect(codes({ ...at(1.1, 1.5, 1.9), disturbances: [{ ...crackle, code: 'speech' }] })).toEqual([]);
    expect(evidence({ ...at(1.1, 1.3, 1.5, 1.9), disturbances: [crackle] })).toBe('4 clicks');
    expect(told({ disturbances: [{ ...crackle, code: 'ticking', evidence: 'one a second' }] })).toMatchObject([
      { code: 'ticking', evidence: 'one a second' },
    ]);
  });

  test('dropouts by what they hold; steps of a short word are none', () => {
    const dropouts = (zeros: number, held: number) => levels({ dropouts: { zeros, held, frames: [] } });
    expect(evidence(dropouts(2, 0))).toBe('2 of zeros');
    expect(evidence(dropouts(1, 1))).toBe('1 of zeros, 1 of a value that is held');
    expect(codes({ ...dropouts(2, 0), word: { only: 'undithered', bits: 12, carries: -90 } })).toEqual(['word-length']);
  });

  test('a direct offset from −60 dBFS on, of either sign, or above the floor', () => {
    const offset = (share: number, floor: number | null = 1e-5) => codes({ offset: share, floor });
    for (const sign of [1, -1]) {
      expect(offset(sign * 1.02e-3)).toEqual(['direct-offset']);
      expect(offset(sign * 0.98e-3)).toEqual([]);
      expect(offset(sign * 0.98e-3, null)).toEqual([]);
      expect(offset(sign * 1e-4, 0.9e-8)).toEqual(['direct-offset']);
      expect(offset(sign * 1e-4, 1.1e-8)).toEqual([]);
      // Below 10 parts in a million it is the converter’s last bits.
      expect(offset(sign * 0.99e-5, 1e-12)).not.toContain('direct-offset');
      expect(offset(sign * 1.01e-5, 1e-12)).toContain('direct-offset');
    }
    // A floor of nothing has nothing to be above.
    expect(offset(1e-4, 0)).not.toContain('direct-offset');
    expect(evidence({ offset: -0.01 })).toBe('−1.000 % of full scale, −40.0 dBFS');
  });

  test('tops two and a half times as full as what is below them were cut off before the converter', () => {
    expect(codes(levels({ flatTop: 2.6 }))).toEqual(['clipped-upstream']);
    expect(codes(levels({ flatTop: 2.4 }))).toEqual([]);
    expect(codes(levels({ flatTop: 2.6, clippedRuns: 1 }))).toEqual([]);
    expect(codes({ ...levels({ flatTop: 2.6 }), disturbances: [{ ...crackle, code: 'automatic-gain' }] })).toEqual([]);
    expect(codes(levels({ flatTop: 2.6, still: 1 }))).toEqual([]);
    expect(evidence(levels({ flatTop: 2.6, peak: 0.1 }))).toBe('tops cut off flat at −20.0 dBFS');
  });

  test('white below −95 dBFS from the bottom to the top is a converter’s own', () => {
    const power = (dbfs: number) => 10 ** (dbfs / 10);
    const bare = (more: Partial<Seen>) => codes({ floor: power(-96), ...more }).includes('dead-channel');
    expect(bare({})).toBe(true);
    expect(bare({ floor: power(-94) })).toBe(false);
    expect(bare({ floor: null })).toBe(false);
    for (const sign of [1, -1]) {
      expect(bare({ slope: 0.7 * sign })).toBe(true);
      expect(bare({ slope: 0.9 * sign })).toBe(false);
      const uneven = (decibels: number) => density((hz) => WHITE * (hz < 300 ? power(sign * decibels) : 1));
      expect(bare({ density: uneven(2.3) })).toBe(true);
      expect(bare({ density: uneven(2.8) })).toBe(false);
    }
    expect(bare({ word: { only: 'dither', bits: 16, carries: -100 } })).toBe(false);
    expect(bare({ mains: mains({ 1: 1e-12 }) })).toBe(false);
    expect(bare({ tones: [tone(1000, 1e-12)] })).toBe(false);
  });

  test('what ends by 25 dB within half a kilohertz, from 3 to 20 kHz, is cut off', () => {
    const cut = (at: Hertz, decibels: number) =>
      told({ density: density((hz) => WHITE * (hz < at ? 1 : 10 ** (-decibels / 10))) }).find(
        ({ code }) => code === 'cut-off',
      )?.what;
    expect(cut(16_000, 26)).toMatch(/^nothing above (15\.9|16\.[01]) kHz$/);
    expect(cut(16_000, 24)).toBeUndefined();
    expect(cut(9500, 40)).toMatch(/^nothing above 9\.[4-6] kHz$/);
    // Telephones end at 3.4 kHz (ITU-T G.712), wireless headsets at 7 or 8 (G.722; common practice).
    for (const [at, wanted] of [
      [3400, /^nothing above 3\.[345] kHz$/],
      [7000, /^nothing above (6\.9|7\.[01]) kHz$/],
      [8000, /^nothing above (7\.9|8\.[01]) kHz$/],
    ] as const) {
      expect(cut(at, 40)).toMatch(wanted);
      expect(cut(at, 24)).toBeUndefined();
    }
    expect(cut(2000, 40)).toBeUndefined();
    expect(cut(20_000, 40)).toMatch(/^nothing above (19\.9|20\.[01]) kHz$/);
    expect(cut(21_500, 40)).toBeUndefined();
    // Crickets, a whine that wanders: what sounds in one place, with less on either side of it, is no end of anything.
    for (const [from, to] of [
      [4000, 6000],
      [2500, 7000],
      [11_000, 13_000],
    ])
      expect(codes({ density: density((hz) => WHITE * (hz > from && hz < to ? 1e4 : 1)) })).not.toContain('cut-off');
    // A line in what is left is no part of it, nor does a slope end anything: 12 dB an octave.
    const line = density((hz) => (hz < 16_000 || Math.abs(hz - 16_800) < 5 ? WHITE : WHITE / 1e4));
    expect(codes({ density: line })).toContain('cut-off');
    expect(codes({ density: density((hz) => WHITE * (1000 / Math.max(100, hz)) ** 4) })).toEqual([]);
    expect(codes({ density: density((hz) => (hz < 16_000 ? WHITE : 0)), floor: 0 })).not.toContain('cut-off');
  });

  test('the floor of a short word is told with its bits, and whether it has dither', () => {
    const word = (only: 'dither' | 'undithered') => told({ word: { only, bits: 12, carries: -80 } });
    expect(word('dither')).toMatchObject([
      { code: 'word-length', what: 'the floor of 12 bits', evidence: '−70.0 dBFS, 12 bits used' },
    ]);
    expect(word('dither')[0].usually).toMatch(/^nothing but dither/);
    expect(word('undithered')[0].usually).toMatch(/^steps without dither/);
    expect(codes({ word: { only: 'dither', bits: 12, carries: -80 }, floor: null })).toEqual([]);
    expect(codes({ word: { only: 'dither', bits: 12, carries: -80 }, density: density(() => 0) })).toEqual([]);
  });
});
