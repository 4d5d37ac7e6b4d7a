import { lineSummary, type LineResult } from '.';
import { DEFAULT_SCHOOLS } from '../schools';
import {
  adapter,
  condenser,
  converter,
  dynamic,
  lavalier,
  leak,
  line,
  open,
  output,
  ribbon,
  short,
  swap,
  trsPatch,
  xlr,
  xlrIn,
} from '../../../tests/lines/gear';
import type { Line } from '../gear';
import { foldKnown } from './fold';
import type { Finding } from './finding';

/** One cause, one finding: what follows from it stands under it (common practice). */
const told = (asked: Line): LineResult => lineSummary(asked, DEFAULT_SCHOOLS);
const codes = ({ findings }: LineResult) => findings.map(({ code }) => code);
const under = (result: LineResult, code: string) =>
  result.findings.find((finding) => finding.code === code)?.consequences?.map((each) => each.code) ?? [];

describe('a bad cable is one finding, and named', () => {
  const named = (...faults: Parameters<typeof xlr>) => {
    const cable = { ...xlr(...faults), name: 'old cable' };
    return (source = dynamic, feed = 'off') => told(line(source, cable, xlrIn(feed)));
  };
  test('dead: its name in the title, the fault in the reason', () => {
    const result = named(10, open('3', 8))();
    expect(codes(result)).toEqual(['open-path']);
    expect(result.findings[0].what).toBe('Dead cable: old cable');
    expect(result.findings[0].why).toMatch(/^Old cable: pin 3 open at 8 m\./);
  });
  test('one leg open: what it costs the microphone stands under it', () => {
    const result = named(10, open('3'))(condenser, 'P48');
    expect(codes(result)).toEqual(['leg-lost']);
    expect(under(result, 'leg-lost')).toEqual(expect.arrayContaining(['underpowered']));
  });
  test('a short on a fed coil: Stop, by the current, and no second finding of the feed', () => {
    const result = named(10, short('3', '1'))(dynamic, 'P48');
    expect(codes(result)).toEqual(['element-direct-current']);
    expect(result.findings[0].why).toMatch(/pin 3 and pin 1 shorted/);
  });
  test('a fault that does nothing today is still Watch, feed on or off', () => {
    for (const feed of ['off', 'P48']) {
      const result = named(10, leak('2', '1', 1e6))(dynamic, feed);
      expect(result.verdict).toBe('Watch');
      expect(result.findings[0].code).toBe('cable-fault');
    }
  });
  test('pins 1 and 3 swapped, feed off: Watch, and the swap is named', () => {
    const result = named(10, swap('1', '3'))();
    expect(result.verdict).toBe('Watch');
    expect(result.findings[0].why).toMatch(/pin 1 and pin 3 swapped/);
  });
  test('two bad cables that are silent only together stand under one', () => {
    const result = told(line(dynamic, xlr(5, swap('2', '3')), xlr(5, swap('2', '3')), xlrIn()));
    // Two swaps cancel: nothing is reversed, and both cables are bad.
    expect(codes(result)).toEqual(expect.arrayContaining(['cable-fault']));
    expect(result.verdict).toBe('Watch');
  });
});

test('a lavalier on a plain adapter: the adapter and the unbalanced entry stand under the capsule', () => {
  const result = told(line(lavalier(), adapter('mini-to-xlr-grounded'), xlrIn('P48')));
  expect(codes(result)).toEqual(['capsule-overvoltage']);
  expect(under(result, 'capsule-overvoltage')).toEqual(expect.arrayContaining(['plain-adapter']));
});

test('a box without power: what lives on it stands under it', () => {
  const result = told(line(lavalier('ts35'), converter, xlr(5), xlrIn()));
  expect(codes(result)).toEqual(['unpowered']);
  expect(result.findings[0].part).toBe(0);
  expect(under(result, 'unpowered')).toEqual(['unpowered']);
});

test('a tapped ribbon: one finding of the current, the overload and the school under it', () => {
  const result = told(line(ribbon('grounded'), xlr(10), xlrIn('P48')));
  expect(codes(result)).toEqual(['element-direct-current']);
  expect(under(result, 'element-direct-current')).toEqual(expect.arrayContaining(['ribbon-fed', 'feed-overload']));
  expect(result.findings[0].why).toMatch(/halves cancel in the core/);
});

test('another cause stays another finding: a patch point beside a fed ribbon', () => {
  const result = told(line(ribbon('none'), xlr(5), trsPatch, xlr(5), xlrIn('P48')));
  expect(codes(result)).toEqual(['ribbon-fed', 'exposed-patch']);
});

test('a fed output: the overload of its feed, and that nobody needs it, stand under it', () => {
  const result = told(line(output('xlr3', 'direct', -20), xlr(5), xlrIn('P48')));
  expect(codes(result)).toEqual(['output-backfeed']);
  expect(under(result, 'output-backfeed')).toEqual(expect.arrayContaining(['feed-overload', 'feed-not-needed']));
});

test('a note never hides what is worse than itself', () => {
  const finding = (code: string, severity: Finding['severity']): Finding => ({
    code,
    severity,
    part: 'source',
    what: code,
    why: code,
    numbers: [],
    remedies: [],
    basis: 'test',
  });
  const folded = foldKnown([finding('feed-overload', 'harm'), finding('output-backfeed', 'note')]);
  expect(folded.map(({ code }) => code)).toEqual(['feed-overload', 'output-backfeed']);
  const other = foldKnown([finding('output-backfeed', 'harm'), finding('feed-overload', 'watch')]);
  expect(other.map(({ code }) => code)).toEqual(['output-backfeed']);
  expect(other[0].consequences).toEqual([{ code: 'feed-overload', severity: 'watch', what: 'feed-overload' }]);
});
