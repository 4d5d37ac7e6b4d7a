import { checked, codes, find, number } from '../../../../tests/lines/lines';
import type { Line, Part } from '../../gear';
import {
  adapter,
  camera,
  comboIn,
  condenser,
  converter,
  dynamic,
  guitar,
  isolator,
  lavalier,
  line,
  lineJack,
  open,
  output,
  passiveBox,
  piezo,
  ribbon,
  selfPowered,
  shared,
  t12,
  trs,
  ts,
  xlr,
  xlrIn,
} from '../../../../tests/lines/gear';

/** Where rules begin and end, in both directions (common practice), and what they say then. */
const has = (asked: Line, code: string) => codes(checked(asked)).includes(code);
const of = (asked: Line, code: string) => find(checked(asked), code);

describe('how far a signal goes without balance', () => {
  const metres = (asked: Line) => (has(asked, 'long-unbalanced') ? number(of(asked, 'long-unbalanced'), 'run') : 0);
  test('three metres of a line, six of an instrument’s lead', () => {
    expect(metres(line(output('ts635'), ts(3), lineJack))).toBe(0);
    expect(metres(line(output('ts635'), ts(5), lineJack))).toBe(5);
    expect(metres(line(guitar, ts(6), comboIn('instrument')))).toBe(0);
    expect(metres(line(guitar, ts(8), comboIn('instrument')))).toBe(8);
    expect(metres(line(output('ts635'), ts(2), ts(2), lineJack))).toBe(4);
  });
  test('as far as anybody likes where both legs are alike', () => {
    expect(metres(line(dynamic, xlr(50), xlrIn()))).toBe(0);
    expect(metres(line(condenser, xlr(50), xlrIn('P48')))).toBe(0);
    expect(metres(line(output('trs635'), trs(20), lineJack))).toBe(0);
    expect(metres(line(output('ts635'), ts(2), passiveBox(), xlr(30), xlrIn()))).toBe(0);
  });
  test('XLR cable does not balance what an adapter has made one leg of, grounded or free', () => {
    for (const wiring of ['mini-to-xlr-open', 'mini-to-xlr-grounded']) {
      expect([wiring, metres(line(selfPowered(), adapter(wiring), xlr(10), xlrIn()))]).toEqual([wiring, 10]);
      expect([wiring, metres(line(selfPowered(), adapter(wiring), xlr(2), xlrIn()))]).toEqual([wiring, 0]);
    }
    expect(metres(line(output('ts635'), adapter('ts-to-xlr'), xlr(10), xlrIn()))).toBe(10);
    expect(metres(line(output('ts635'), adapter('ts-to-xlr'), isolator, xlr(10), xlrIn()))).toBe(0);
  });
  test('behind a box with circuits of its own it is balanced as that box makes it', () => {
    expect(metres(line(lavalier(), converter, xlr(20), xlrIn('P48')))).toBe(0);
  });
  test('it dulls a pickup, and nothing else', () => {
    expect(of(line(guitar, ts(8), comboIn('instrument')), 'long-unbalanced').why).toContain('dulls a pickup');
    expect(of(line(output('ts635'), ts(8), lineJack), 'long-unbalanced').why).not.toContain('pickup');
  });
  test('a dead line is not called long as well', () => {
    expect(has(line(output('ts635'), ts(8, open('T')), lineJack), 'long-unbalanced')).toBe(false);
  });
});

describe('a shield that does not go through', () => {
  test('is told where pin 1 is open, and not where another conductor is', () => {
    expect(has(line(dynamic, xlr(10, open('1')), xlrIn()), 'shield-open')).toBe(true);
    for (const fault of [open('2'), open('3')])
      expect(has(line(dynamic, xlr(10, fault), xlrIn()), 'shield-open')).toBe(false);
  });
  test('costs a microphone its phantom, and a line output its quiet alone', () => {
    const why = (source: Part) => of(line(source, xlr(10, open('1')), xlrIn()), 'shield-open').why;
    expect(why(dynamic)).toContain('hum, and no phantom');
    expect(why(output('xlr3'))).not.toContain('phantom');
  });
  test('open for good has no resistance to tell', () => {
    const { why, numbers } = of(line(dynamic, xlr(10, open('1')), xlrIn()), 'shield-open');
    expect([numbers, /Ω/.test(why)]).toEqual([[], false]);
  });
});

describe('a ribbon on phantom', () => {
  const fed = (tap: string, maker?: string) => of(line(ribbon(tap, maker), xlr(5), xlrIn('P48')), 'ribbon-fed');
  const answers = (tap: string, maker?: string) => (fed(tap, maker).answers ?? []).map(({ label }) => label);
  test('what is not known may be recorded, and nothing else', () => {
    expect(answers('unknown')).toEqual([
      expect.stringContaining('no centre tap'),
      expect.stringContaining('tap on pin 1'),
      expect.stringContaining('phantom is safe'),
    ]);
    expect(answers('none')).toEqual([expect.stringContaining('phantom is safe')]);
    expect(answers('unknown', 'safe')).toHaveLength(2);
  });
  test('what the maker says is said', () => {
    expect(fed('unknown', 'safe').why).toContain('The maker says phantom is safe.');
    expect(fed('unknown', 'harmful').why).toContain('The maker says: no phantom.');
    expect(fed('unknown').why).not.toContain('The maker says');
  });
  test('the current is told where there may be one', () => {
    expect(number(fed('unknown'), 'half winding') * 1e3).toBeCloseTo(48 / 6.9, 1);
    expect(fed('none').numbers.map(({ label }) => label)).toEqual(['Feed at the ribbon']);
  });
  test('nothing with the feed off, or behind a transformer', () => {
    expect(has(line(ribbon(), xlr(5), xlrIn('off')), 'ribbon-fed')).toBe(false);
    expect(has(line(ribbon(), isolator, xlr(5), xlrIn('P48')), 'ribbon-fed')).toBe(false);
  });
});

describe('what loads a source', () => {
  const boxed = (source: Part) => line(source, ts(3), passiveBox(), xlr(5), xlrIn());
  test('a piezo before a passive box: the bass, the load, what would be better', () => {
    const finding = of(boxed(piezo), 'loaded');
    expect(finding.what).toMatch(/^Bass rolls off below \d+ Hz$/);
    expect(number(finding, 'Bass roll-off')).toBeGreaterThan(1.05 * 40);
    expect(finding.remedies.map(({ label }) => label).join()).toContain('active direct box');
  });
  test('not what has power of its own, nor where nothing arrives for another reason', () => {
    expect(has(boxed(output('ts635')), 'loaded')).toBe(false);
    expect(has(line(piezo, ts(3, open('T')), passiveBox(), xlr(5), xlrIn()), 'loaded')).toBe(false);
    expect(has(line(piezo, ts(3), camera()), 'loaded')).toBe(false);
    expect(has(line(condenser, xlr(5), xlrIn('off')), 'loaded')).toBe(false);
  });
});

describe('a source without its power', () => {
  const dead = (asked: Line) => of(asked, 'unpowered');
  test('none at all, and what it would take', () => {
    expect(dead(line(condenser, xlr(5), xlrIn('off'))).what).toBe('No power at the microphone');
    expect(dead(line(lavalier(), camera('off'))).what).toBe('No power at the capsule');
    expect(dead(line(t12(), xlr(5), xlrIn('P48'))).why).toMatch(/^T12 doesn't reach the microphone/);
  });
  test('too little: the volts that there are, and the better of two pins where one is dead', () => {
    const weak = dead(line(condenser, xlr(5), xlrIn('P12')));
    expect(weak.what).toMatch(/^Only [\d.]+ V at the microphone$/);
    expect(weak.numbers.map(({ label }) => label)).not.toContain('Better pin');
    const limping = dead(line(condenser, xlr(5, open('3')), xlrIn('P24')));
    expect(number(limping, 'Better pin')).toBeGreaterThan(number(limping, 'Voltage') + 0.5);
    expect(limping.why).toContain("one leg doesn't feed");
  });
});

describe('two inlets fed over the same conductors', () => {
  const both = (theirs: string) =>
    shared(line(condenser, { kind: 'y-lead', choices: { use: 'split' } }, xlr(5), xlrIn('P48')), 0, {
      port: 'b',
      inlet: { ...xlrIn(theirs), name: 'stream 1' },
      line: 'stream',
      name: 'stream',
      links: [xlr(5)],
    });
  test('only while both feeds are on', () => {
    expect(has(both('P48'), 'shared-feeds')).toBe(true);
    expect(has(both('off'), 'shared-feeds')).toBe(false);
  });
  test('each off by itself leaves what the other gives', () => {
    const finding = of(both('P48'), 'shared-feeds');
    expect([finding.severity, finding.why]).toEqual([
      'watch',
      expect.stringMatching(/Turn off stream 1: [\d.]+ V left/),
    ]);
    expect(number(finding, 'from stream 1')).toBeGreaterThan(1e-3);
    const [mine, theirs] = [number(finding, 'with this inlet off'), number(finding, 'with stream 1 off')];
    expect(Math.abs(mine - theirs)).toBeLessThan(0.5);
    expect(mine).toBeGreaterThan(30);
  });
});
