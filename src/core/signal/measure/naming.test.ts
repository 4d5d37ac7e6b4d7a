import { DISTURBANCES, type DisturbanceName } from './disturbance';
import type { Features } from './features';
import { FRAME } from './frames';
import { evidenceOf, isClicking, nameOf, nameOfAir, nameOfGain, runsEvenly } from './naming';
import type { Span } from './quiet';

/** Something 10 dB up in every band that is nothing in particular. */
const PLAIN: Features = {
  share: 0.1,
  bands: [10, 10, 10, 10, 10, 10, 10, 10],
  gainLike: 0,
  flat: 0,
  least: 0,
  rising: 0,
  falling: 0,
  dropping: 0,
  slots: 0,
  mains: 0,
  pitch: 0,
  lines: 0,
  staying: 0,
  syllables: 0,
  clicks: 0,
  spread: 10,
  lasting: 0.5,
};
const frames = (seconds: number) => Math.round(seconds / FRAME);
const span = (seconds: number, from = 1): Span => ({ from: frames(from), to: frames(from) + frames(seconds) });

/** A row: what is so, and the name that it then has. */
type Row<N> = [said: string, features: Partial<Features>, name: N, more?: { spans?: Span[]; all?: Partial<Features> }];

describe('a gain that moves, of a recording of 1000 frames', () => {
  const GATE = { least: 10, share: 0.3, dropping: 1 };
  test.each<Row<DisturbanceName | undefined>>([
    ['rises slowly for 8 % of the time: automatic gain', { rising: 81 }, 'automatic-gain'],
    ['rises for less', { rising: 79 }, undefined],
    ['falls a third as often as it rises: automatic gain', { rising: 91, falling: 15, dropping: 15 }, 'automatic-gain'],
    ['falls more often than that', { rising: 91, falling: 15, dropping: 16 }, undefined],
    ['is a telephone’s slots', { rising: 200, slots: 0.61 }, undefined],
    ['has few of a telephone’s slots', { rising: 200, slots: 0.59 }, 'automatic-gain'],
    ['swells and stays level: a gate', { gainLike: 0.61, syllables: 3, flat: 0.51 }, 'gate'],
    ['swells and does not stay level', { gainLike: 0.61, syllables: 3, flat: 0.49, ...GATE }, undefined],
    ['swells twice alone', { gainLike: 0.61, syllables: 2, flat: 0.51 }, undefined],
    [
      'comes down for more than 0.35 s from what it was at the start: a suppressor',
      { gainLike: 0.71, falling: 16 },
      'noise-suppressor',
      { spans: [span(3, 0)] },
    ],
    [
      'comes down fast for as long',
      { gainLike: 0.71, falling: 4, dropping: 12 },
      'noise-suppressor',
      { spans: [span(3, 0)] },
    ],
    [
      'comes down at once: somebody moved it',
      { gainLike: 0.71, falling: 14, flat: 1 },
      undefined,
      { spans: [span(3, 0)] },
    ],
    ['comes up again as often', { gainLike: 0.71, falling: 30, rising: 16 }, undefined, { spans: [span(3, 0)] }],
    ['begins later than the recording', { gainLike: 0.71, falling: 16 }, undefined, { spans: [span(3, 0.1)] }],
    ['comes twice', { gainLike: 0.71, falling: 16 }, undefined, { spans: [span(3, 0), span(1, 5)] }],
    ['moves bands apart', { gainLike: 0.69, falling: 16 }, undefined, { spans: [span(3, 0)] }],
    [
      'comes down slowly for 5 % of the time, by more than 2 dB in every band',
      { falling: 51, dropping: 25, least: 2.1 },
      'noise-suppressor',
    ],
    ['comes down for less', { falling: 49, least: 2.1 }, undefined],
    ['comes up for some of that time', { falling: 55, rising: 6, least: 2.1 }, undefined],
    ['comes down fast as often', { falling: 51, dropping: 26, least: 2.1 }, undefined],
    ['comes down by less', { falling: 51, least: 1.9 }, undefined],
    ['stands 9 dB above what is left in every band, for long, and drops: a gate', GATE, 'gate'],
    ['lasts no longer than a click', { ...GATE, lasting: 0.08 }, undefined],
    ['stands less', { ...GATE, least: 8.9 }, undefined],
    ['never moves', { ...GATE, dropping: 0 }, undefined],
    ['never moves, and stands 14 dB above', { ...GATE, dropping: 0, least: 14.1 }, 'gate'],
    ['is the same in all bands', { ...GATE, gainLike: 0.51 }, undefined],
    ['is short', { ...GATE, share: 0.19 }, undefined],
    ['is short in all, one of it longer than 1.6 s', { ...GATE, share: 0.19 }, 'gate', { spans: [span(1.7)] }],
    ['and none longer', { ...GATE, share: 0.19 }, undefined, { spans: [span(1.5)] }],
  ])('%s', (_, features, name, { spans = [span(1)] } = {}) =>
    expect(nameOfGain({ ...PLAIN, ...features }, spans, 1000)).toBe(name),
  );
});

test('a short recording needs as much of it as one of ten seconds', () => {
  const ten = frames(10);
  const name = (features: Partial<Features>, count: number) =>
    nameOfGain({ ...PLAIN, ...features }, [span(0.6)], count);
  for (const [enough, toldAs] of [
    [{ rising: Math.ceil(0.08 * ten) + 1 }, 'automatic-gain'],
    [{ falling: Math.ceil(0.05 * ten) + 1, least: 3 }, 'noise-suppressor'],
  ] as const) {
    expect(name(enough, frames(3))).toBe(toldAs);
    expect(
      name(
        Object.fromEntries(Object.entries(enough).map(([key, value]) => [key, key === 'least' ? value : value - 3])),
        frames(3),
      ),
    ).toBeUndefined();
  }
  // Two seconds of ten stand above: of three seconds that is more than half.
  const gate = { least: 15, dropping: 1 };
  expect(name({ ...gate, share: 0.7 }, frames(3))).toBe('gate');
  expect(name({ ...gate, share: 0.6 }, frames(3))).toBeUndefined();
  const gusts = { ...PLAIN, bands: [8, 2, 2, 2, 2, 1, 1, 1], share: 0.8 };
  expect(nameOfAir(gusts, frames(5))).toBe('wind');
  expect(nameOfAir(gusts, frames(4))).toBeUndefined();
});

describe('wind', () => {
  const WIND: Partial<Features> = { share: 0.36, bands: [8, 2, 2, 2, 2, 1, 1, 1] };
  test.each<Row<DisturbanceName | undefined>>([
    ['gusts below 250 Hz', WIND, 'wind'],
    ['between 120 and 250 Hz', { ...WIND, bands: [2, 8, 2, 2, 2, 1, 1, 1] }, 'wind'],
    ['a third of the time', { ...WIND, share: 0.34 }, undefined],
    ['of less than 7 dB', { ...WIND, bands: [6.9, 2, 2, 2, 2, 0, 0, 0] }, undefined],
    ['of little more than above 2 kHz', { ...WIND, bands: [8, 2, 2, 2, 2, 2.1, 1, 1] }, undefined],
    ['with something above 8 kHz', { ...WIND, bands: [12, 2, 2, 2, 2, 1, 1, 3.1] }, undefined],
    ['in lines', { ...WIND, lines: 0.36 }, undefined],
    ['of the mains', { ...WIND, mains: 0.81 }, undefined],
    ['of a telephone', { ...WIND, slots: 0.61 }, undefined],
    ['hardly in lines, nor of mains, nor of a telephone', { ...WIND, lines: 0.34, mains: 0.79, slots: 0.59 }, 'wind'],
  ])('%s', (_, features, name) => expect(nameOfAir({ ...PLAIN, ...features }, 1000)).toBe(name));
});

describe('what one sound is', () => {
  const HUM: Partial<Features> = { mains: 0.86, lines: 0.2, staying: 0.15 };
  const CLICK: Partial<Features> = { lasting: 0.08, clicks: 1 };
  test.each<Row<DisturbanceName>>([
    ['a telephone: six tenths on its slots', { slots: 0.61 }, 'telephone'],
    ['less of it', { slots: 0.59 }, 'event'],
    [
      'short, of several of which seven tenths are',
      {},
      'telephone',
      { spans: [span(0.7), span(1)], all: { slots: 0.71 } },
    ],
    ['long, of several', {}, 'event', { spans: [span(0.9), span(1)], all: { slots: 0.71 } }],
    ['short, of several of which fewer are', {}, 'event', { spans: [span(0.7), span(1)], all: { slots: 0.69 } }],
    [
      'hum that comes and goes: on multiples of the mains, in lines that stay',
      HUM,
      'intermittent-hum',
      { spans: [span(0.5)] },
    ],
    ['for less than 0.4 s', HUM, 'event', { spans: [span(0.35)] }],
    ['less of it on multiples', { ...HUM, mains: 0.84 }, 'event'],
    ['hardly in lines', { ...HUM, lines: 0.09, staying: 0.09 }, 'event'],
    ['in lines that move', { ...HUM, staying: 0.13 }, 'event'],
    [
      'of 50 or 60 Hz alone, that swells for longer than a bump lasts',
      { mains: 0.86, bands: [10, 3.9, 3, 3, 3, 3, 3, 3] },
      'intermittent-hum',
      { spans: [span(1.7)] },
    ],
    ['a bump of it', { mains: 0.86, bands: [10, 3.9, 3, 3, 3, 3, 3, 3] }, 'event', { spans: [span(1.5)] }],
    ['with as much above', { mains: 0.86, bands: [10, 4.1, 3, 3, 3, 3, 3, 3] }, 'event', { spans: [span(1.7)] }],
    ['music: more than half in lines, of which many stay', { lines: 0.56, staying: 0.41 }, 'music'],
    ['lines that do not stay are a voice', { lines: 0.56, staying: 0.39 }, 'speech'],
    ['fewer lines too', { lines: 0.54, staying: 0.41 }, 'speech'],
    ['birds: one tone, well above all that is lower', { pitch: 0.51, bands: [1, 1, 1, 1, 1, 7.1, 1, 1] }, 'birds'],
    ['higher still', { pitch: 0.51, bands: [1, 1, 1, 1, 1, 1, 7.1, 1] }, 'birds'],
    ['with as much below', { pitch: 0.51, bands: [2, 1, 1, 1.2, 1, 7.1, 1, 1] }, 'speech'],
    ['half a tone', { pitch: 0.49, bands: [1, 1, 1, 1, 1, 7.1, 1, 1] }, 'speech'],
    ['crackle: short, up to the top, one of three', CLICK, 'crackle', { spans: [span(0.1), span(0.1), span(0.1)] }],
    ['one of two', CLICK, 'event', { spans: [span(0.1), span(0.1)] }],
    ['one of two, with three clicks in all', CLICK, 'crackle', { spans: [span(0.1), span(0.1)], all: { clicks: 3 } }],
    [
      'none of its own, and three in all',
      { ...CLICK, clicks: 0 },
      'crackle',
      { spans: [span(0.1), span(0.1)], all: { clicks: 3 } },
    ],
    [
      'none of its own, and two in all',
      { ...CLICK, clicks: 0 },
      'event',
      { spans: [span(0.1), span(0.1), span(0.1)], all: { clicks: 2 } },
    ],
    ['longer than a frame shows', { ...CLICK, lasting: 0.1 }, 'event', { spans: [span(0.1), span(0.1), span(0.1)] }],
    [
      'little of it at the top',
      { ...CLICK, bands: [10, 10, 10, 10, 10, 10, 10, 3.9] },
      'event',
      { spans: [span(0.1), span(0.1), span(0.1)] },
    ],
    [
      'something that runs evenly for more than 1.6 s',
      { spread: 2.9, bands: [10, 10, 8, 8, 8, 8, 6.9, 6.9] },
      'machine',
      { spans: [span(1.7)] },
    ],
    ['for less', { spread: 2.9, bands: [10, 10, 8, 8, 8, 8, 6.9, 6.9] }, 'event', { spans: [span(1.5)] }],
    ['evenly in all bands alike: a gain that somebody moved', { spread: 2.9 }, 'machine', { spans: [span(1.7)] }],
    ['unevenly', { spread: 3.1 }, 'event', { spans: [span(1.7)] }],
    ['a bump has more below than where vowels are', { lines: 0.9, bands: [12.1, 1, 10, 1, 1, 1, 1, 1] }, 'event'],
    ['a voice has not', { lines: 0.3, bands: [11.9, 1, 10, 1, 1, 1, 1, 1] }, 'speech'],
    ['a voice: a quarter in lines', { lines: 0.26 }, 'speech'],
    ['less, and no swelling', { lines: 0.24, syllables: 1 }, 'event'],
    ['a tenth, swelling twice', { lines: 0.1, syllables: 2 }, 'speech'],
    ['hardly, swelling twice', { lines: 0.08, syllables: 2 }, 'event'],
    ['noise that swells four times', { syllables: 4 }, 'speech'],
    ['three times', { syllables: 3 }, 'event'],
    ['a tone of some sort high up', { pitch: 0.21, bands: [1, 1, 1, 1, 1, 6.1, 1, 1] }, 'speech'],
    ['little of one', { pitch: 0.19, bands: [1, 1, 1, 1, 1, 6.1, 1, 1] }, 'event'],
    ['low', { pitch: 0.21, bands: [1, 1, 1, 1, 1, 5.9, 1, 1] }, 'event'],
  ])('%s', (_, features, name, { spans = [span(1)], all = features } = {}) =>
    expect(nameOf({ ...PLAIN, ...features }, { ...PLAIN, ...all }, spans[0], spans.length)).toBe(name),
  );
});

test('what runs evenly moves by less than 3 dB, and has a spectrum of its own', () => {
  const uneven = [10, 10, 8, 8, 8, 8, 8, 6.9];
  expect(runsEvenly({ ...PLAIN, spread: 2.9, bands: uneven })).toBe(true);
  expect(runsEvenly({ ...PLAIN, spread: 3.1, bands: uneven })).toBe(false);
  expect(runsEvenly({ ...PLAIN, spread: 2.9, bands: uneven.map((band) => Math.max(band, 7.1)) })).toBe(false);
});

test('clicks alone: three at least, short, and in no lines', () => {
  const clicking: Features = { ...PLAIN, lasting: 0.08, clicks: 3, lines: 0.04 };
  expect(isClicking(clicking)).toBe(true);
  for (const less of [{ clicks: 2 }, { lasting: 0.1 }, { lines: 0.06 }])
    expect(isClicking({ ...clicking, ...less })).toBe(false);
});

describe('what gave it away', () => {
  const shown: Features = {
    ...PLAIN,
    bands: [3, 4, 5, 6, 17.4, 7, 8, 9],
    rising: 100,
    falling: 50,
    dropping: 50,
    slots: 0.714,
    mains: 1.2,
    pitch: 0.55,
    staying: 0.45,
    syllables: 5,
    clicks: 7,
    least: 12.3,
  };
  test.each<[DisturbanceName, string]>([
    ['gate', 'all bands fall together, 12 dB and more, and stay down between sounds'],
    ['noise-suppressor', 'all bands come down together and slowly, for 2.3 s in all'],
    ['automatic-gain', 'all bands rise together and slowly in the pauses, for 2.3 s in all'],
    ['wind', 'gusts below 250 Hz, 4 dB over the floor; nothing of them above 8 kHz'],
    ['telephone', '71 % of it on multiples of 217 Hz'],
    ['intermittent-hum', '100 % of it on multiples of one mains frequency, for a time'],
    ['birds', 'single tones between 1.5 and 10 kHz that come and go, 55 % of what sounds there'],
    ['music', '45 % of it in tones that stay for a third of a second and change'],
    ['speech', '17 dB over the floor between 250 Hz and 4 kHz, swelling 5 times'],
    ['machine', '17 dB over the rest in its loudest band, and even'],
    ['crackle', '7 clicks'],
    ['ticking', '7 clicks'],
    ['event', '17 dB over the floor in its loudest band'],
  ])('%s', (code, evidence) => expect(evidenceOf(code, shown)).toBe(evidence));
  test('of each there is one', () => {
    for (const code of Object.keys(DISTURBANCES) as DisturbanceName[]) expect(evidenceOf(code, shown)).not.toBe('');
    expect(evidenceOf('machine', { ...shown, bands: [10, 10, 11, 12, 10, 10, 10, 10] })).toMatch(
      /^12 dB over the rest.*and even; all bands alike, as where somebody moves the gain$/,
    );
    expect(evidenceOf('gate', { ...shown, dropping: 0 })).toMatch(/^between sounds even the hiss is 12 dB lower/);
    for (const clicks of [0, 1]) expect(evidenceOf('crackle', { ...shown, clicks })).toBe('1 click');
  });
});
