import type { Dbfs, Seconds } from '../../units';
import { DISTURBANCES, type Disturbance, type DisturbanceName } from './disturbance';
import { BANDS, FRAME, type Frames } from './frames';
import { levelMeter, type Levels } from './levels';
import type { Quiet } from './quiet';
import { gateOf, mainOf, refusalsOf, restOf, testToneOf } from './usable';

const frames = (seconds: Seconds): number => Math.round(seconds / FRAME);
const disturbance = (code: DisturbanceName, from: Seconds = 0, to: Seconds = 1): Disturbance => ({
  code,
  from,
  to,
  evidence: `how ${code} shows`,
});

describe('what is left for a floor', () => {
  /** Seconds of it in a recording of which everything is taken but these spans, in seconds. */
  const left = (
    seconds: Seconds,
    free: readonly (readonly [Seconds, Seconds])[],
    code: DisturbanceName = 'event',
    spoilt: readonly Seconds[] = [],
  ) => {
    const taken = new Uint8Array(frames(seconds)).fill(1);
    for (const [from, to] of free) taken.fill(0, frames(from), frames(to));
    const isSpoilt = new Uint8Array(taken.length);
    for (const at of spoilt) isSpoilt[frames(at)] = 1;
    const others = taken.includes(1) ? [{ from: 0, to: 1 }] : [];
    const sounding = { from: 0, to: taken.length };
    const quiet = { taken, others, sounding, baseline: new Float64Array(BANDS), smooth: [] };
    const rest = restOf(quiet, others.length ? [disturbance(code)] : [], isSpoilt);
    return rest.map(({ from, to }) => [from, to].map((frame) => Math.round(10 * frame * FRAME) / 10));
  };

  test('all of what has nothing beside it', () => {
    expect(left(10, [[0, 10]])).toEqual([[0, 10]]);
    expect(left(1, [[0, 1]])).toEqual([[0, 1]]);
    expect(left(0, [])).toEqual([]);
  });

  test('pieces of half a second: shorter ones are pauses in which the room still sounds', () => {
    expect(
      left(10, [
        [0, 3],
        [5, 5.6],
        [7, 7.4],
      ]),
    ).toEqual([
      [0, 3],
      [5, 5.6],
    ]);
    // Between clicks a tenth of a second will do.
    for (const code of ['crackle', 'ticking'] as const) {
      expect(
        left(
          10,
          [
            [0, 3],
            [7, 7.4],
            [8, 8.07],
          ],
          code,
        ),
      ).toEqual([
        [0, 3],
        [7, 7.4],
      ]);
    }
  });

  test('two seconds in all', () => {
    expect(
      left(6, [
        [0, 1],
        [3, 4.1],
      ]),
    ).toHaveLength(2);
    expect(
      left(6, [
        [0, 1],
        [3, 3.9],
      ]),
    ).toEqual([]);
  });

  test('more than a quarter of it, or four seconds at a stretch', () => {
    expect(left(10, [[0, 2.6]])).toHaveLength(1);
    expect(left(10, [[0, 2.4]])).toEqual([]);
    expect(left(60, [[0, 4.1]])).toHaveLength(1);
    expect(left(60, [[0, 3.9]])).toEqual([]);
    expect(
      left(60, [
        [0, 3.9],
        [30, 33.9],
      ]),
    ).toEqual([]);
  });

  test('under wind more than six tenths', () => {
    expect(left(6, [[0, 3.8]], 'wind')).toHaveLength(1);
    expect(left(6, [[0, 3.4]], 'wind')).toEqual([]);
  });

  test.each(['gate', 'noise-suppressor', 'automatic-gain'] as const)('nothing where the gain moves: %s', (code) =>
    expect(left(10, [[0, 9]], code)).toEqual([]),
  );

  test('a frame that a click or a dropout lies in divides it', () => {
    expect(left(10, [[0, 10]], 'event', [4])).toEqual([
      [0, 4],
      [4, 10],
    ]);
    expect(left(10, [[0, 10]], 'event', [0.3, 0.6])).toEqual([
      [0, 0.3],
      [0.3, 0.6],
      [0.6, 10],
    ]);
    expect(left(10, [[0, 9.9]], 'event', [0.3, 0.6])).toEqual([[0.6, 9.9]]);
  });
});

describe('a test tone', () => {
  const tone = (dbfs: Dbfs, hz = 1000) => ({ hz, dbfs, power: 10 ** (dbfs / 10) });
  test('is louder than −50 dBFS and 20 dB above all the rest', () => {
    const rest = (decibels: number, dbfs = -30) => 10 ** (dbfs / 10) * (1 + 10 ** (-decibels / 10));
    expect(testToneOf([tone(-30)], rest(20.2))?.hz).toBe(1000);
    expect(testToneOf([tone(-30)], rest(19.8))).toBeUndefined();
    expect(testToneOf([tone(-49.9)], 0)?.hz).toBe(1000);
    expect(testToneOf([tone(-50.1)], 0)).toBeUndefined();
    expect(testToneOf([tone(-60, 400), tone(-20, 997), tone(-30, 500)], rest(40, -20) + 1e-6)?.hz).toBe(997);
    expect(testToneOf([], 1)).toBeUndefined();
  });
});

describe('what takes most of the time', () => {
  test('of all its pieces together; what moves the gain comes first', () => {
    expect(mainOf([disturbance('speech', 0, 2), disturbance('event', 3, 6), disturbance('speech', 7, 9)])).toBe(
      'speech',
    );
    expect(mainOf([disturbance('speech', 0, 2), disturbance('event', 3, 6), disturbance('speech', 7, 7.5)])).toBe(
      'event',
    );
    expect(mainOf([disturbance('music', 0, 9), disturbance('automatic-gain', 9, 9.1)])).toBe('automatic-gain');
    expect(mainOf([])).toBeUndefined();
  });
});

describe('refusals', () => {
  const LEVELS: Levels = { ...levelMeter(48_000).levels(), frames: 480_000, power: 1e-7, peak: 0.01 };
  const course: Frames = {
    count: frames(10),
    seconds: FRAME,
    level: () => -80,
    powers: () => new Float64Array(),
    tonal: () => 0,
  };
  const refused = (
    levels: Partial<Levels>,
    disturbances: readonly Disturbance[] = [],
    rest = [{ from: 0, to: 400 }],
    testTone?: Parameters<typeof refusalsOf>[5],
    gate: Parameters<typeof refusalsOf>[6] = null,
  ) => refusalsOf({ ...LEVELS, ...levels }, 48_000, course, disturbances, rest, testTone, gate);
  const codes = (...said: Parameters<typeof refused>) => refused(...said).map(({ code }) => code);

  test('nothing keeps a plain recording from being a floor', () => expect(refused({})).toEqual([]));

  test('shorter than two seconds', () => {
    expect(codes({ frames: 95_999 })).toEqual(['too-short']);
    expect(codes({ frames: 96_001 })).toEqual([]);
    expect(refused({ frames: 72_000 })[0].text).toBe(
      'It is 1.5 s long; 2 s are needed, and ten are better. Record longer.',
    );
    // What is short says nothing of what is in it.
    expect(codes({ frames: 72_000 }, [disturbance('speech')], [])).toEqual(['too-short']);
  });

  test('broken samples, beside silence too', () => {
    expect(codes({ broken: 1, power: 0 })).toEqual(['broken-samples', 'silence']);
    expect(codes({ broken: 1, still: 1, mean: 0.1 })).toEqual(['broken-samples', 'silence']);
  });

  test('silence: nothing but zeros, or one value', () => {
    expect(refused({ power: 0 })[0].text).toMatch(/^Every sample is exactly zero/);
    expect(refused({ still: 1, mean: -0.1 })[0].text).toMatch(/^Every sample is the same, −20\.0 dBFS/);
    // One sample of all is another: the first has none before it.
    expect(codes({ still: 479_999 / 480_000 })).toEqual(['silence']);
    expect(codes({ still: 479_998 / 480_000 })).toEqual([]);
  });

  test('clipped, a test tone, zeros for more than a fiftieth', () => {
    expect(refused({ clippedRuns: 1 })[0].text).toMatch(/^It clips once\./);
    expect(refused({ clippedRuns: 3 })[0]).toMatchObject({
      code: 'clipped',
      text: expect.stringMatching(/^It clips 3 times/),
    });
    expect(refused({}, [], undefined, { hz: 999.7, power: 1e-3, dbfs: -30 })[0]).toMatchObject({
      code: 'test-tone',
      text: expect.stringMatching(/^A steady tone of 1000 Hz at −30\.0 dBFS/),
    });
    expect(codes({ zeros: 0.21 })).toEqual(['gate']);
    expect(codes({ zeros: 0.19 })).toEqual([]);
    // Before anything arrives, and after, nothing mutes.
    expect(codes({ zeros: 3.19, zerosAtEnds: 3 })).toEqual([]);
    expect(codes({ zeros: 3.21, zerosAtEnds: 3 })).toEqual(['gate']);
    // The zeros say it: what else is there need not be named.
    expect(codes({ zeros: 0.21 }, [disturbance('speech')], [])).toEqual(['gate']);
  });

  test.each(Object.keys(DISTURBANCES) as DisturbanceName[])('%s, where too little is left', (code) => {
    const [{ text, ...refusal }] = refused({}, [disturbance(code, 0, 4), disturbance(code, 5, 6)], []);
    expect(refusal).toEqual({ code });
    expect(text.toLowerCase()).toContain(DISTURBANCES[code].toLowerCase());
    expect(text).toContain(`how ${code} shows`);
    const moves = ['gate', 'noise-suppressor', 'automatic-gain'].includes(code);
    expect(text).toContain(moves ? 'is at work' : '50 % of the time');
    // Where enough is left it is no reason.
    expect(codes({}, [disturbance(code)])).toEqual([]);
  });

  test('a gate with how far, how long and how often', () =>
    expect(refused({}, [disturbance('gate')], [], undefined, { depth: 31.4, shut: 0.456, times: 3 })[0].text).toMatch(
      /^A gate or expander shuts 3 times, by 31 dB, 46 % of the time: how gate shows\. Switch it off/,
    ));

  test('too little left, and nothing to blame', () => expect(codes({}, [], [])).toEqual([]));
});

describe('what a gate does', () => {
  const gate = (levels: readonly Dbfs[]) => {
    const course: Frames = {
      count: levels.length,
      seconds: FRAME,
      level: (band, n) => (band === BANDS - 1 ? levels[n] : 0),
      powers: () => new Float64Array(),
      tonal: () => 0,
    };
    const quiet: Quiet = {
      baseline: new Float64Array(BANDS).fill(1e-9),
      smooth: [],
      others: [
        { from: 0, to: 3 },
        { from: 8, to: 9 },
      ],
      taken: new Uint8Array(levels.length),
      sounding: { from: 0, to: levels.length },
    };
    return gateOf(course, quiet);
  };
  test('how far down by the middle of what comes through, and how much of the time it is below half of that', () => {
    expect(gate([-60, -60, -58, -90, -90, -90, -90, -90, -62, -80])).toEqual({ depth: 30, shut: 0.6, times: 2 });
    // What lies less than 6 dB above it is shut.
    expect(gate([-85, -85, -83, -90, -90, -90, -90, -90, -90, -90])).toMatchObject({ depth: 7 });
    expect(gate([-85, -85, -85, -90, -90, -90, -90, -90, -90, -90])).toMatchObject({ depth: 0, shut: 0 });
  });
});
