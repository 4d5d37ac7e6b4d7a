import { named, oneCable, tableFor } from '../../../../tests/testing/lines';
import type { Part } from '../../gear';
import { openEnd } from '../readings/openEnd';
import { lampAmps, STICK } from './lamps';
import { instrumentNamed, INSTRUMENTS, type Look } from '.';
import { LOAD } from './testLoad';

/** The rows of the design's table of what tests miss; arithmetic by Ohm's law for 48 V behind 6.8 kΩ a leg. */
const table = tableFor(oneCable());
const { subject } = table;
const lookBy = (instrument: string, at: Look['at'] = 'junction 0'): Look =>
  table.looks.find((look) => look.instrument === instrument && look.at === at)!;
const key = (instrument: string, what: string | undefined, at?: Look['at']): string =>
  instrumentNamed(instrument)!.shows(
    subject,
    lookBy(instrument, at),
    what === undefined ? undefined : named(table, `cable: ${what}`),
  )[0].key;
const text = (instrument: string, what: string): string =>
  instrumentNamed(instrument)!.shows(subject, lookBy(instrument), named(table, `cable: ${what}`))[0].text;

/** A fault; lamps; volts 2-1, 3-1, 3-2; load; box. What is missed reads as without a fault. */
const GOOD = ['2 lit, 3 lit', '2-1 full, 3-1 full, 3-2 none', '2 full, 3 full', '1-1, 2-2, 3-3'];
test.each<[string | undefined, string, string, string, string]>([
  [undefined, GOOD[0], GOOD[1], GOOD[2], GOOD[3]],
  ['pins 2 and 3 swapped', GOOD[0], GOOD[1], GOOD[2], '1-1, 2-3, 3-2'],
  ['pins 2 and 3 shorted', GOOD[0], GOOD[1], '2 high, 3 high', '1-1, 2-2, 2-3, 3-2, 3-3'],
  ['pin 2 open', '2 dark, 3 lit', '2-1 none, 3-1 full, 3-2 none', '2 none, 3 full', '1-1, 3-3'],
  ['pin 1 open', '2 dark, 3 dark', '2-1 none, 3-1 none, 3-2 none', '2 none, 3 none', '2-2, 3-3'],
  [
    'pins 1 and 2 shorted',
    '2 dark, 3 lit',
    '2-1 none, 3-1 full, 3-2 positive',
    '2 none, 3 full',
    '1-1, 1-2, 2-1, 2-2, 3-3',
  ],
  [
    'pins 1 and 2 swapped',
    '2 dark, 3 dark',
    '2-1 reversed, 3-1 none, 3-2 positive',
    '2 reversed, 3 none',
    '1-2, 2-1, 3-3',
  ],
  ['bad joint on pin 2', GOOD[0], GOOD[1], '2 low, 3 full', GOOD[3]],
])('%s: lamps %s, volts %s, load %s, box %s', (what, lamps, volts, load, box) => {
  expect(key('lamps', what)).toBe(lamps);
  expect(key('voltmeter', what)).toBe(volts);
  expect(key('test load', what)).toBe(load);
  expect(key('cable box', what, 'link 0')).toBe(box);
});

test('the numbers: 47.97 V, 24.0 V, 22.4 V behind 1 kΩ, 32.0 V with 2 and 3 shorted, 7.06 mA, 4.55 and 4.14 mA', () => {
  const volts = (what: string | undefined, ohms: number, leg: '2' | '3' = '2') => {
    const end = openEnd(what === undefined ? subject.sound : named(table, `cable: ${what}`).world, 0);
    return end.read([{ type: 'resistor', name: 'r', a: end.node(leg), b: end.node('1'), ohms }]).volts(leg, '1');
  };
  expect(volts(undefined, 10e6)).toBeCloseTo((48 * 10e6) / (10e6 + 6800), 2);
  expect(volts(undefined, LOAD)).toBeCloseTo(24, 1);
  expect(volts('bad joint on pin 2', LOAD)).toBeCloseTo((48 * 6800) / 14_600, 1);
  expect(volts('bad joint on pin 2', LOAD, '3')).toBeCloseTo(24, 1);
  expect(volts('bad joint on pin 2', 10e6)).toBeCloseTo(47.96, 1);
  expect(volts('pins 2 and 3 shorted', LOAD)).toBeCloseTo((48 * 6800) / 10_200, 1);
  expect(volts('pins 1 and 2 swapped', LOAD)).toBeCloseTo(-24, 1);
  const lamp = (what?: string) =>
    1000 * lampAmps(subject, what === undefined ? subject.sound : named(table, `cable: ${what}`).world, 0)[0].amps;
  expect(lamp()).toBeCloseTo(4.55, 2);
  expect(lamp('bad joint on pin 2')).toBeCloseTo(4.14, 2);
  expect(lamp('pins 2 and 3 shorted')).toBeCloseTo(4.55, 2);
  expect(Math.abs(lamp('pins 1 and 2 swapped'))).toBeLessThan(1e-3);
  expect(STICK.ohms).toBe(3300);
  expect(text('milliammeter', 'bad joint on pin 2')).toBe('6.15 mA on pin 2, 7.05 mA on pin 3');
});

test('a feed anywhere within its tolerance is no fault; a leg that lags its neighbour is', () => {
  const load = instrumentNamed('test load')!;
  const read = (two: number, three: number) => load.read(subject, lookBy('test load'), { 2: two, 3: three });
  for (const open of [44.1, 48, 51.9]) expect(read(open / 2, open / 2)).toBe('2 full, 3 full');
  expect(read(21.9, 21.9)).toBe('2 low, 3 low');
  expect(read(22.4, 24)).toBe('2 low, 3 full');
  // 4 V from 48 V open: 52 V. A further percent is none of the standard's.
  expect(read(26.4, 26.4)).toBe('2 high, 3 high');
  expect(read(24, 23.4)).toBe('2 full, 3 full');
  expect(read(24, 23.2)).toBe('2 full, 3 low');
  expect(read(-24, 0)).toBe('2 reversed, 3 none');
});

test('an ohmmeter tells a joint of 1 kΩ, a leak and open apart; a box lights through the joint and sees no leak', () => {
  expect(key('ohmmeter', 'bad joint on pin 2', 'link 0')).toBe('1-1, 2~2, 3-3');
  expect(key('ohmmeter', 'damp between pins 1 and 3', 'link 0')).toBe('1-1, 1…3, 2-2, 3-3, 3…1');
  expect(key('cable box', 'damp between pins 1 and 3', 'link 0')).toBe(GOOD[3]);
  const ohms = instrumentNamed('ohmmeter')!;
  const read = (seen: unknown) => ohms.read(subject, lookBy('ohmmeter', 'link 0'), seen);
  expect(read({ '1-1': 0.4, '2-2': 49, '3-3': 51 })).toBe('1-1, 2-2, 3~3');
  expect(read({ '1-1': 0.4, '2-2': 8999, '3-3': null })).toBe('1-1, 2~2');
  expect(read({ '1-1': 0.4, '2-2': 0.4, '3-3': 0.4, '2-3': 19e6 })).toBe('1-1, 2-2, 2…3, 3-3');
  expect(read({ '1-1': 0.4, '2-2': 21e6 })).toBe('1-1');
});

test('what is upstream of an open end is not seen there, and what is between it and the inlet is', () => {
  const long = tableFor({
    ...oneCable(),
    links: [
      { kind: 'cable', name: 'first' },
      { kind: 'cable', name: 'second' },
    ],
  });
  const at = (junction: number, what: string) => {
    const look = long.looks.find((each) => each.instrument === 'lamps' && each.at === `junction ${junction}`)!;
    return long.shown(look)[long.hypotheses.indexOf(named(long, what))].map((each) => each.key);
  };
  expect(at(0, 'first: pin 3 open')).toEqual(['2 lit, 3 dark']);
  expect(at(1, 'first: pin 3 open')).toEqual(['2 lit, 3 lit']);
  expect(at(1, 'second: pin 3 open')).toEqual(['2 lit, 3 dark']);
  expect(at(2, 'second: pin 3 open')).toEqual(['2 lit, 3 lit']);
});

test('instruments that need a feed are not offered without one, a milliammeter on 48 V alone, an ohmmeter across wire alone', () => {
  const names = (line = oneCable()) => new Set(tableFor(line).looks.map(({ instrument }) => instrument));
  expect(names(oneCable({ kind: 'moving-coil' }, 'off'))).not.toContain('lamps');
  expect(names(oneCable({ kind: 'condenser-9-52' }, 'P24'))).toContain('lamps');
  expect(names(oneCable({ kind: 'condenser-9-52' }, 'P24'))).not.toContain('milliammeter');
  const boxed = tableFor({ ...oneCable(), links: [{ kind: 'isolating-transformer' }, { kind: 'cable' }] });
  expect(boxed.looks.filter(({ instrument }) => instrument === 'ohmmeter').map(({ at }) => at)).toEqual(['link 1']);
});

test('every instrument reads back whatever it shows, and refuses what it cannot show with a word on what it can', () => {
  for (const look of table.looks) {
    const instrument = instrumentNamed(look.instrument)!;
    for (const outcome of table.outcomes(look)) expect(instrument.read(subject, look, outcome.key)).toBe(outcome.key);
    expect(() => instrument.read(subject, look, 'gibberish')).toThrow(/must|names/);
    expect(() => instrument.read(subject, look, 7)).toThrow(/must/);
  }
  expect(new Set(table.looks.map(({ instrument }) => instrument)).size).toBe(INSTRUMENTS.length - 2);
});

test('T12 stands on pin 2 alone: a good line has nothing on 3, and volts there are told as too many', () => {
  const t12 = tableFor(oneCable({ kind: 'condenser-t12' }, 'T12'));
  const look = t12.looks.find((each) => each.instrument === 'voltmeter' && each.at === 'junction 0')!;
  const volts = instrumentNamed('voltmeter')!;
  expect(volts.shows(t12.subject, look, undefined)[0].key).toBe('2-1 full, 3-1 none, 3-2 negative');
  const read = (two: number, three: number) =>
    volts.read(t12.subject, look, { '2-1': two, '3-1': three, '3-2': three - two });
  expect(read(11.9, 0.1)).toBe('2-1 full, 3-1 none, 3-2 negative');
  expect(read(0, 12)).toBe('2-1 none, 3-1 high, 3-2 positive');
  expect(read(12, -12)).toBe('2-1 full, 3-1 reversed, 3-2 negative');
});

test('one side of a stereo line that is dead is heard so; both are nothing', () => {
  const stereo = tableFor({
    ...oneCable({ kind: 'line-output', choices: { connector: 'trs35' } }),
    links: [{ kind: 'cable', name: 'cable', choices: { connector: 'trs35' } }],
    inlet: { kind: 'mini-jack', choices: { feed: 'off' } },
  });
  const heard = (what: string) => {
    const [first] = instrumentNamed('listening')!.shows(
      stereo.subject,
      stereo.looks[0],
      named(stereo, `cable: ${what}`),
    );
    return first.key;
  };
  expect(heard('ring open')).toBe('one side');
  expect(heard('tip open')).toBe('one side');
  expect(heard('tip and sleeve shorted')).toBe('one side');
});

test('how a line is opened says what feeds it: the inlet, a supply on the way, or nothing; high voltage carries its caution', () => {
  const how = (line: ReturnType<typeof oneCable>, at = 'link 0') =>
    tableFor(line).looks.find((each) => each.instrument === 'exchange' && each.at === at)!.how;
  expect(how(oneCable())).toBe('Mute, feed off, wait, swap, feed on, unmute.');
  expect(how(oneCable({ kind: 'moving-coil' }, 'off'))).toBe('Mute, swap, unmute.');
  const boxed = {
    ...oneCable({ kind: 'condenser-48' }, 'off'),
    links: [{ kind: 'cable' }, { kind: 'supply-box' }, { kind: 'cable' }],
  };
  expect(how(boxed)).toBe('Mute, supply off, wait, swap, supply on, unmute.');
  // Behind a supply an inlet without a feed says nothing about it.
  expect(tableFor(boxed).looks.some(({ instrument }) => instrument === 'lamps')).toBe(false);
  expect(how(oneCable({ kind: 'valve-own-supply' }, 'off'), 'source')).toContain('High voltage inside the supply');
  expect(how(oneCable({ kind: 'valve-own-supply' }, 'off'))).not.toContain('High voltage');
});

test('mono sum: fuller switched where 2 and 3 are swapped, no difference where nothing arrives', () => {
  const at = (what: string | undefined) => key('mono sum', what, 'desk');
  expect(at(undefined)).toBe('fuller as it is');
  expect(at('pins 2 and 3 swapped')).toBe('fuller switched');
  const silent = tableFor(oneCable({ kind: 'condenser-48' }));
  const look = silent.looks.find(({ instrument }) => instrument === 'mono sum')!;
  const shown = instrumentNamed('mono sum')!.shows(silent.subject, look, named(silent, 'cable: pin 1 open'));
  expect(shown.toSorted((a, b) => b.share - a.share)[0].key).toBe('no difference');
});

test('headphones at a split hear what is lost behind it, but not what takes the feed away or lies before it', () => {
  const split = (source: Part) => {
    const line = oneCable(source);
    const links: Part[] = [
      { kind: 'cable', name: 'first' },
      { kind: 'splitter', name: 'split' },
      { kind: 'cable', name: 'second' },
    ];
    const found = tableFor({ ...line, links });
    const look = found.looks.find(({ instrument }) => instrument === 'split headphones')!;
    return (what: string) =>
      instrumentNamed('split headphones')!
        .shows(found.subject, look, named(found, what))
        .toSorted((a, b) => b.share - a.share)[0].key;
  };
  const dynamic = split({ kind: 'moving-coil' });
  expect(dynamic('second: pin 2 open')).toBe('heard');
  expect(dynamic('muted, or its gain or fader down')).toBe('heard');
  expect(dynamic('first: pins 2 and 3 shorted')).toBe('silent');
  const condenser = split({ kind: 'condenser-48' });
  expect(condenser('second: pin 1 open')).toBe('silent');
  expect(tableFor(oneCable()).looks.some(({ instrument }) => instrument === 'split headphones')).toBe(false);
});
