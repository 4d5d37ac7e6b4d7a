import { lineSummary, type LineResult } from '.';
import { DEFAULT_SCHOOLS, peakTargetOf, schoolLabel, type Schools } from '../schools';
import {
  adapter,
  camera,
  condenser,
  condenserOf,
  dynamic,
  headset,
  lavalier,
  line,
  output,
  selfPowered,
  short,
  swap,
  t12,
  xlr,
  xlrIn,
} from '../../../tests/lines/gear';
import type { Line, Part } from '../gear';
import { emptyRig, readDocument } from '../rig';

/** Harm counts in either direction, and an assumed limit alone makes no Stop where the trade calls the practice harmless. */
const told = (asked: Line, schools: Partial<Schools> = {}): LineResult =>
  lineSummary(asked, { ...DEFAULT_SCHOOLS, ...schools });
const number = (result: LineResult, code: string, label: string): number =>
  result.findings.find((finding) => finding.code === code)!.numbers.find((entry) => entry.label.includes(label))!.value;

describe('the wrong way round', () => {
  test.each<[string, Line, string]>([
    [
      'an OMTP plug behind a CTIA adapter and a plain adapter at 48 V',
      line(lavalier('trrs35-omtp'), adapter('trrs-to-trs'), adapter('mini-to-xlr-open'), xlrIn('P48')),
      'capsule-overvoltage',
    ],
    [
      'a plain adapter behind a cable with 1 and 2 swapped',
      line(lavalier('ts35'), adapter('mini-to-xlr-grounded'), xlr(5, swap('1', '2')), xlrIn('P48')),
      'capsule-overvoltage',
    ],
    [
      'a T12 source on P48, pin 2 shorted to 1',
      line(t12(), xlr(5, short('2', '1')), xlrIn('P48')),
      'supply-overvoltage',
    ],
    [
      'a condenser with pins 1 and 2 swapped',
      line(condenser, xlr(5, swap('1', '2')), xlrIn('P48')),
      'supply-overvoltage',
    ],
  ])('%s: Stop, with the reversed volts', (_, asked, code) => {
    const result = told(asked);
    expect(result.verdict).toBe('Stop');
    expect(number(result, code, 'Voltage')).toBeLessThan(-1);
    expect(result.findings[0].what).toMatch(/wrong way round/);
    // No figure with a minus is said to be something that a microphone gets.
    for (const { why } of result.findings) expect(why).not.toMatch(/gets −/);
  });

  test('plug-in power the wrong way round is silent, and harms nothing', () => {
    const result = told(line(lavalier('trrs35-omtp'), headset()));
    expect(result.verdict).toBe('Silent');
  });

  test('a stated reverse limit counts wherever it is passed', () => {
    const strict: Part = {
      ...lavalier('trrs35-omtp'),
      figures: { reverse: { value: 0.5, unit: 'V', basis: 'maker' } },
    };
    expect(told(line(strict, headset())).verdict).toBe('Stop');
  });
});

describe('needs are stated with their current', () => {
  test.each([3, 5, 7, 9, 10])('a 48 V condenser of %d mA is Clear on a sound P48 inlet', (milliamps) => {
    expect(told(line(condenserOf(milliamps), xlr(10), xlrIn('P48'))).verdict).toBe('Clear');
  });
  test.each([3, 5, 7, 9])('%d mA over one leg with the other shorted is Silent, by its rail', (milliamps) => {
    const result = told(line(condenserOf(milliamps), xlr(10, short('2', '1')), xlrIn('P48')));
    expect(result.verdict).toBe('Silent');
    const [supply] = result.readings.supplies;
    expect(supply.pins).toBeGreaterThan(supply.volts);
  });
  test('a need above what P48 can leave at that current is held at what it leaves', () => {
    const [supply] = told(line(condenserOf(9), xlrIn('P48'))).readings.supplies;
    // 44 V less 9 mA through 3.4 kΩ (IEC 61938, from memory).
    expect(supply.needs).toBeCloseTo(44 - 9e-3 * 3400, 6);
    expect(supply.volts).toBeCloseTo(48 - 9e-3 * 3400, 1);
  });
});

describe('assumed limits', () => {
  test('plug-in power into a dynamic, an output, a battery lavalier: no Stop, no Watch', () => {
    for (const asked of [
      line(dynamic, adapter('xlr-to-mini-both'), camera()),
      line(selfPowered('trs35-both'), camera()),
      line(output('trs35', 'direct', -40), camera()),
    ])
      expect(told(asked).verdict).toBe('Clear');
  });
  test('a limit that a maker stated counts there too', () => {
    const stated: Part = { ...dynamic, figures: { directCurrent: { value: 0.5, unit: 'mA', basis: 'maker' } } };
    expect(told(line(stated, adapter('xlr-to-mini-both'), camera())).verdict).toBe('Stop');
  });
  test('a Stop that turns on an assumed limit says so beside the verdict; one that does not, does not', () => {
    expect(told(line(output('xlr3', 'direct', -20), xlr(5), xlrIn('P48'))).assumed).toMatch(/DC/);
    expect(told(line(lavalier(), adapter('mini-to-xlr-grounded'), xlrIn('P48'))).assumed).toBeUndefined();
  });
});

describe('schools', () => {
  test('32-bit float: the gain hardly matters, clipping does', () => {
    expect(peakTargetOf({ peakTarget: 'float' })).toBe(-12);
    const hot = line(output('xlr3', 'transformer', 24), xlr(5), xlrIn());
    expect(told(hot, { peakTarget: 'float' }).findings.map(({ code }) => code)).toContain('headroom-short');
    const warm = line(output('xlr3', 'transformer', 4), xlr(5), xlrIn());
    expect(told(warm, { peakTarget: 'float' }).verdict).toBe('Clear');
    expect(told(warm).verdict).toBe('Watch');
  });
  test('a noise floor may be typed in, within reason', () => {
    const read = (noiseFloor: string) => readDocument({ ...emptyRig('any'), schools: { noiseFloor } });
    expect(read('-63.5').schools!.noiseFloor).toBe('-63.5');
    expect(() => read('-5')).toThrow(/from -130 to -20/);
    expect(() => read('quiet')).toThrow(/or a figure/);
    expect(schoolLabel('noiseFloor', '-63.5')).toBe('−63.5 dBFS');
  });
});
