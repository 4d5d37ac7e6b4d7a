import * as gear from '../../../tests/lines/gear';
import type { Line } from '../gear';
import {
  canFeedPhantom,
  capital,
  faulty,
  feedAt,
  feedFamily,
  feedName,
  feedOf,
  isMicrophone,
  linksOf,
  meantFor,
  nameOf,
  needsWords,
  offeredFeeds,
  ratedFor,
  restsOn,
} from './case';
import { solveLine } from './solve';
import { uncapital } from '../units/format';

const { line, xlr, xlrIn, dynamic, condenser } = gear;
const solved = (asked: Line) => solveLine(asked, -12);

describe('words for limits', () => {
  test('what a limit rests on, once', () => {
    expect(restsOn({ label: 'Maximum DC through it', basis: 'assumed' })).toBe('maximum DC through it: assumed');
    expect(restsOn({ label: 'Limit', basis: 'maker', where: 'sheet, page 2' })).toBe(
      'limit: data sheet, sheet, page 2',
    );
    expect(restsOn({ label: 'Limit', basis: 'from memory', where: 'IEC 61938, from memory' })).toBe(
      'limit: IEC 61938, from memory',
    );
  });

  test('only an assumed rating says so', () => {
    expect(ratedFor({ value: 10, basis: 'common practice' }, 'V')).toBe('rated for 10 V');
    expect(ratedFor({ value: 0.0001, basis: 'assumed' }, 'A')).toBe('rated for 0.1 mA (assumed)');
  });

  test('a need is "usually" unless somebody stated or measured it', () => {
    const need = (basis: Parameters<typeof needsWords>[0]['basis']) =>
      needsWords({ value: 32, basis, label: 'Minimum' });
    expect(need('maker')).toBe('needs 32 V (data sheet)');
    expect(need('measured')).toBe('needs 32 V (measured)');
    expect(need('published')).toBe('needs 32 V (published standard)');
    for (const basis of ['common practice', 'from memory', 'assumed'] as const)
      expect(need(basis)).toBe('usually needs 32 V');
    expect(needsWords({ value: 33.8, basis: 'from memory', label: 'Left by a standard 48 V feed' })).toBe(
      'a standard 48 V feed leaves 33.8 V or more',
    );
  });

  test('small and capital letters, but not of names', () => {
    expect(uncapital('Maximum DC')).toBe('maximum DC');
    expect(uncapital('XLR inlet')).toBe('XLR inlet');
    expect(uncapital('DC through it')).toBe('DC through it');
    expect(capital(' the coil ')).toBe('The coil');
  });
});

describe('what is on at the inlet', () => {
  test.each([
    [xlrIn('P48'), 'P48', 'phantom', '48 V'],
    [xlrIn('T12'), 'T12', 'T12', 'T12'],
    [gear.camera(), 'plug-in', 'plug-in', 'plug-in power'],
    [gear.partyLine, 'intercom', 'intercom', 'intercom, 30 V on pin 2'],
    [xlrIn(), 'off', undefined, 'the feed'],
    [gear.lineJack, 'off', undefined, 'the feed'],
  ])('%o', (inlet, feed, family, name) => {
    const asked = line(dynamic, inlet);
    expect([feedOf(asked), feedFamily(asked), feedName(asked)]).toEqual([feed, family, name]);
  });

  test('what it could be switched to: by its switch where it hangs on one', () => {
    expect(offeredFeeds(line(dynamic, xlrIn()))).toEqual(['off', 'P48', 'P24', 'P12', 'SP48', 'T12', 'T12R']);
    const bank = { ...line(dynamic, xlrIn()), switch: { name: 'bank', offers: ['P48'], reaches: [] } };
    expect(offeredFeeds(bank)).toEqual(['P48']);
    expect(canFeedPhantom(bank)).toBe(true);
    expect(canFeedPhantom({ ...bank, switch: { ...bank.switch, offers: ['T12'] } })).toBe(false);
    expect(canFeedPhantom(line(dynamic, gear.lineJack))).toBe(false);
    expect(canFeedPhantom(line(gear.lavalier(), gear.camera()))).toBe(false);
  });

  test('the feed at a junction is the highest of its contacts, whichever way round', () => {
    expect(feedAt(solved(line(dynamic, xlr(5), xlrIn('P48'))), 0)).toBeCloseTo(48, 3);
    expect(feedAt(solved(line(dynamic, xlr(5, gear.swap('1', '2')), xlrIn('P48'))), 0)).toBeGreaterThan(40);
    expect(feedAt(solved(line(dynamic, gear.isolator, xlrIn('P48'))), 0)).toBeCloseTo(0, 3);
  });
});

describe('what stands where', () => {
  const chain = line(condenser, xlr(5, gear.open('1')), gear.adapter('xlr-to-trs'), gear.trs(2), gear.lineJack);

  test('positions of a nature, and of bad cables', () => {
    expect(linksOf(chain, 'cable')).toEqual([0, 2]);
    expect(linksOf(chain, 'plain adapter')).toEqual([1]);
    expect(faulty(chain)).toEqual([0]);
  });

  test('names: the own one, else the kind, counted where several share it', () => {
    expect(nameOf(chain, 'source')).toBe('Condenser, 48 V only');
    expect([0, 1, 2].map((n) => nameOf(chain, n))).toEqual(['Cable (first)', 'Plain adapter', 'Cable (second)']);
    expect(nameOf({ ...chain, inlet: { ...chain.inlet, name: ' Hold desk 7 ' } }, 'inlet')).toBe('Hold desk 7');
  });

  test.each([
    [line(dynamic, xlrIn()), 'microphone', true],
    [line(dynamic, xlrIn('off', { input: 'line' })), 'line', true],
    [line(gear.guitar, gear.comboIn('instrument')), 'instrument', false],
    [line(gear.output('ts635'), gear.comboIn('line')), 'line', false],
    [line(gear.lavalier(), gear.camera()), 'plug-in', true],
    [line(gear.piezo, gear.comboIn('line')), 'line', false],
  ])('what a socket is meant for, and whether a microphone plays', (asked, purpose, microphone) => {
    expect(meantFor(solved(asked))).toBe(purpose);
    expect(isMicrophone(asked)).toBe(microphone);
  });
});
