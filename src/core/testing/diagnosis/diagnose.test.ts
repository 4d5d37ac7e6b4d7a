import fc from 'fast-check';
import { demoLines, oneCable, WAIT } from '../../../../tests/testing/lines';
import { afterActing } from './afterActing';
import { beliefOf, tableOf } from '../belief/belief';
import { diagnose } from './diagnose';
import { hypothesesOf } from '../hypotheses/hypotheses';
import { seenOf, type Observation } from './observation';
import { readObservations } from './observation.schema';
import type { Repair } from '../hypotheses/priors';
import { subjectOf } from '../subject';

const announcer = demoLines().find(({ id }) => id === 'announcer')!;
const knowledge = { wait: WAIT };
const HEARD: Observation = { instrument: 'listening', at: 'desk', seen: 'nothing' };
const LAMPS: Observation = { instrument: 'lamps', at: 'junction 0', seen: '2 lit, 3 dark' };
const CHANNEL: Observation = { instrument: 'channel', at: 'desk', seen: 'open' };

describe('the announcer’s line: nothing heard, one lamp dark', () => {
  const found = diagnose(announcer, [HEARD, LAMPS], knowledge);

  test('another cable is the act, far ahead of everything else, after two observations', () => {
    expect(found.acts[0]).toMatchObject({ id: 'swap link 0' });
    expect(found.acts[0].probability).toBeGreaterThan(0.9);
    expect(found.left[0].what).toBe('cable 20 m, old: pin 3 open');
    const third = diagnose(
      announcer,
      [HEARD, LAMPS, { instrument: 'wiggling', at: 'link 0', seen: 'no change' }],
      knowledge,
    );
    expect(third.acts[0].probability).toBeGreaterThan(0.9);
  });

  test('open or shorted to 1 is told by volts from 3 to 2, which is not asked while the act is the same', () => {
    expect(found.next?.instrument).not.toBe('voltmeter');
    const volts = (between: number) =>
      diagnose(
        announcer,
        [
          { ...HEARD, seen: between ? 'hum' : 'nothing' },
          { instrument: 'voltmeter', at: 'junction 0', seen: { '2-1': 47.9, '3-1': 0, '3-2': between } },
        ],
        knowledge,
      ).left[0].what;
    expect(volts(0)).toBe('cable 20 m, old: pin 3 open');
    expect(volts(-47.9)).toBe('cable 20 m, old: pins 1 and 3 shorted');
  });
});

test('what was seen counts the same in whatever order, and reading it twice says nothing new', () => {
  const all = [
    HEARD,
    CHANNEL,
    LAMPS,
    { instrument: 'exchange', at: 'inlet', seen: 'no change' },
    { instrument: 'hiss', at: 'desk', seen: 'follows' },
  ];
  const shares = (list: readonly Observation[]) => {
    const subject = subjectOf(announcer, WAIT);
    const table = tableOf(subject, hypothesesOf(subject));
    return beliefOf(table, seenOf(table, list)).shares;
  };
  const expected = shares(all);
  fc.assert(
    fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) => {
      shares(shuffled).forEach((share, n) => expect(share).toBeCloseTo(expected[n], 9));
    }),
    { numRuns: 8 },
  );
  shares([...all, LAMPS, LAMPS]).forEach((share, n) => expect(share).toBeCloseTo(expected[n], 12));
  expect(expected.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
});

test('a reading that fits nothing else is named, and two faults at once are found where no single one explains it', () => {
  const wrong = diagnose(
    announcer,
    [
      HEARD,
      LAMPS,
      { instrument: 'cable box', at: 'link 0', seen: '1-1, 2-2' },
      { instrument: 'exchange', at: 'link 0', seen: 'no change' },
    ],
    knowledge,
  );
  expect(wrong.contradictions).toContain(3);
  const two = diagnose(
    {
      ...oneCable({ kind: 'condenser-48' }),
      links: [
        { kind: 'cable', name: 'first' },
        { kind: 'cable', name: 'second' },
      ],
    },
    [
      HEARD,
      { instrument: 'cable box', at: 'link 0', seen: '1-1, 2-2' },
      { instrument: 'ohmmeter', at: 'link 0', seen: '1-1, 2-2' },
      { instrument: 'cable box', at: 'link 1', seen: '1-1, 3-3' },
      { instrument: 'ohmmeter', at: 'link 1', seen: '1-1, 3-3' },
    ],
    knowledge,
  );
  expect(two.unexplained).toBe(false);
  expect(two.left[0].what).toBe('first: pin 3 open, and second: pin 2 open');
  expect(two.acts[0].text).toBe('Swap first for a good one; Swap second for a good one');
});

test('an act that did not help is an observation: it is not proposed again', () => {
  const before = diagnose(announcer, [HEARD, CHANNEL, LAMPS], knowledge);
  for (const { id } of before.acts) expect(afterActing({ id })).toBeDefined();
  const after = diagnose(announcer, [HEARD, CHANNEL, LAMPS, afterActing(before.acts[0])!], knowledge);
  expect(after.acts[0].id).not.toBe('swap link 0');
});

test('only what is at hand is asked for, a milliammeter only without a load; what cannot be done is not asked again', () => {
  const asked = (only?: string[], cannot: string[] = []) => {
    const { next, others } = diagnose(announcer, [HEARD], {
      ...knowledge,
      ...(only && { only: new Set(only) }),
      cannot: new Set(cannot),
    });
    return [next!, ...others].map(({ instrument, at }) => `${instrument} at ${at}`);
  };
  expect(asked(['lamps', 'exchange']).every((each) => /^(lamps|exchange)/.test(each))).toBe(true);
  expect(asked().some((each) => each.startsWith('milliammeter'))).toBe(false);
  expect(asked(['milliammeter']).some((each) => each.startsWith('milliammeter'))).toBe(true);
  const [first] = asked();
  expect(asked(undefined, [first])).not.toContain(first);
});

test('each look says what it would settle, in what time, walks and waits included, and the best comes first', () => {
  const { next, others, open } = diagnose(announcer, [HEARD], knowledge);
  const rates = [next!, ...others].map(({ bits, seconds }) => bits / seconds);
  expect(rates).toEqual(rates.toSorted((a, b) => b - a));
  expect(next!.bits).toBeLessThanOrEqual(open);
  const lamps = [next!, ...others].find(({ instrument }) => instrument === 'lamps')!;
  // There and back off: mute, off, wait; in, on, read, off, wait; and the walk.
  expect(lamps.seconds).toBeGreaterThan(2 * WAIT + 45);
  const fast = diagnose(announcer, [HEARD], { wait: 0 });
  const quick = [fast.next!, ...fast.others].find(({ instrument }) => instrument === 'lamps')!;
  expect(lamps.seconds - quick.seconds).toBeCloseTo(2 * WAIT, 6);
  expect(next!.answers.reduce((sum, { likely }) => sum + likely, 0)).toBeCloseTo(1, 6);
});

test('after 40 repairs of which 30 were in two cables, those come first', () => {
  const line = {
    ...oneCable({ kind: 'condenser-48' }),
    links: [
      { kind: 'cable', name: 'first', item: 'new-cable' },
      { kind: 'cable', name: 'second', item: 'old-a' },
      { kind: 'cable', name: 'third', item: 'old-b' },
    ],
  };
  const repair = (item: string, n: number): Repair => ({
    class: 'cable',
    type: n % 3 ? 'open' : 'open at times',
    item,
    end: 'inlet',
  });
  const repairs = [
    ...Array.from({ length: 15 }, (_, n) => repair('old-a', n)),
    ...Array.from({ length: 15 }, (_, n) => repair('old-b', n)),
    ...Array.from({ length: 10 }, (_, n) => repair(`other-${n}`, n)),
  ];
  const byPart = (known: Repair[]) => {
    const { left } = diagnose(line, [HEARD], { ...knowledge, repairs: known });
    return [0, 1, 2].map((link) =>
      left.filter(({ part }) => part === link).reduce((sum, { probability }) => sum + probability, 0),
    );
  };
  const [a, b, c] = byPart([]);
  expect(a).toBeCloseTo(b, 2);
  expect(b).toBeCloseTo(c, 2);
  const [first, second, third] = byPart(repairs);
  expect(second).toBeGreaterThan(4 * first);
  expect(third).toBeGreaterThan(4 * first);
  expect(diagnose(line, [HEARD], { ...knowledge, repairs }).left[0].what).toMatch(/^(second|third): /);
});

test('wrong observations are refused with their place and what would be right', () => {
  const refused = (list: unknown) => {
    try {
      diagnose(announcer, readObservations(list), knowledge);
    } catch (problem) {
      return `${(problem as { path: string }).path}: ${(problem as Error).message}`;
    }
    return 'taken';
  };
  expect(refused([HEARD])).toBe('taken');
  expect(refused({})).toMatch(/^observations: must be an array/);
  expect(refused([{ ...HEARD, instrument: 'crystal ball' }])).toMatch(/^\[0\]\.instrument: must be one of \[listening/);
  expect(refused([{ ...LAMPS, at: 'junction 7' }])).toBe('[0].at: must be one of "junction 0", "junction 1" for lamps');
  expect(refused([HEARD, { ...LAMPS, seen: { 2: 'lit' } }])).toMatch(/^\[1\]\.seen\.3: must be lit, dim or dark/);
  expect(refused([{ instrument: 'test load', at: 'junction 0', seen: { 2: 24 } }])).toBe(
    '[0].seen.3: must be a number',
  );
  expect(refused([{ instrument: 'ohmmeter', at: 'link 0', seen: { '2-9': 1 } }])).toMatch(
    /^\[0\]\.seen\.2-9: names no two contacts/,
  );
  expect(refused([{ ...HEARD, seen: 'a ghost' }])).toMatch(/^\[0\]\.seen: must be one of: "nothing"/);
  expect(refused([{ ...HEARD, more: 1 }])).toMatch(/more/);
});
