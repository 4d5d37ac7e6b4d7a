import * as gear from '../../../../tests/lines/gear';
import { checked, codes, find, number } from '../../../../tests/lines/lines';
import type { Basis, Part, Unit } from '../../gear';

const { line, xlr, xlrIn, condenser, condenserOf, wide, shotgun, booster, dynamic, guitar, activeBox, ts } = gear;
const stated = (part: Part, figure: string, value: number, unit: Unit, basis: Basis = 'maker'): Part => ({
  ...part,
  figures: { ...part.figures, [figure]: { value, unit, basis } },
});
const verdict = (source: Part, feed: string) => checked(line(source, xlr(10), xlrIn(feed))).verdict;

describe('what a source needs against what it gets', () => {
  // 48 V − 3 mA · 6.8 kΩ / 2 = 37.8 V at both pins; 24 V − 3 mA · 1.2 kΩ / 2 = 22.2 V; 12 V − 3 mA · 680 Ω / 2 = 11.0 V.
  test.each([
    ['P48', 'Clear'],
    ['SP48', 'Clear'],
    ['P24', 'Watch'],
    ['P12', 'Silent'],
    ['off', 'Silent'],
    ['T12', 'Silent'],
  ])('a condenser for 48 V on %s: %s', (feed, expected) => expect(verdict(condenser, feed)).toBe(expected));

  test.each([
    ['P24', 22, 'Clear'],
    ['P24', 22.4, 'Watch'],
    // "48 V" on a sheet means a P48 feed: never more than a standard one leaves at that current, 33.8 V here.
    ['P48', 44, 'Clear'],
    ['P24', 44, 'Watch'],
  ])('%s against a need of %s V on the sheet: %s', (feed, needs, expected) =>
    expect(verdict(stated(condenser, 'needs', needs, 'V'), feed)).toBe(expected),
  );

  test('below its minimum it is Watch, with both figures and the words of the sheet', () => {
    const low = find(checked(line(stated(condenser, 'needs', 30, 'V'), xlr(10), xlrIn('P24'))), 'underpowered');
    expect(low).toMatchObject({ severity: 'watch', part: 'source', what: 'Microphone underpowered' });
    expect(low.why).toBe('22.2 V, needs 30 V (data sheet). It works, with less headroom and perhaps more noise.');
    expect(low.numbers[0]).toMatchObject({ label: 'Voltage, pins 2 and 3', unit: 'V', limit: { value: 30 } });
    expect(low.numbers[0].value).toBeCloseTo(22.2, 1);
    expect(find(checked(line(condenser, xlr(10), xlrIn('P24'))), 'underpowered').why).toMatch(/usually needs 32 V/);
  });

  test('where it stops it is Silent: the same rail, the stopping figure just above and just below', () => {
    const stops = (volts: number) => verdict(stated(condenser, 'stops', volts, 'V'), 'P24');
    expect(stops(22)).toBe('Watch');
    expect(stops(22.5)).toBe('Silent');
  });

  test('nothing at all is told as nothing, not as 0 V', () => {
    const { what, why } = find(checked(line(condenser, xlr(10), xlrIn())), 'unpowered');
    expect(what).toBe('No power at the microphone');
    expect(why).toBe("Phantom doesn't reach the microphone; it usually needs 32 V.");
  });

  test('T12 on a phantom microphone: why the better pin misleads', () => {
    const dead = find(checked(line(condenser, xlr(10), xlrIn('T12'))), 'unpowered');
    expect(dead.why).toMatch(/T12 feeds pin 2 against pin 3; phantom is the same voltage on both\.$/);
    expect(dead.why).not.toMatch(/one leg/);
  });

  test('one leg down: the better pin is told beside the rail', () => {
    const dead = find(checked(line(condenser, xlr(10, gear.short('1', '3')), xlrIn('P48'))), 'unpowered');
    expect(dead.why).toMatch(/One pin reads .* but its inner rail is down: one leg doesn't feed\./);
    expect(number(dead, 'Better pin')).toBeGreaterThan(number(dead, 'Voltage, pins 2 and 3') + 5);
  });
});

describe('currents that a standard feed allows', () => {
  // IEC 61938, from memory: up to 10 mA from P48, which leaves (48 − 4) V − 10 mA · 3.4 kΩ = 10 V at the low end.
  test.each([
    [9, 'Clear', []],
    [10, 'Clear', []],
    [10.1, 'Clear', []],
    [12, 'Watch', ['feed-overload', 'underpowered']],
  ] as [number, string, string[]][])('%s mA on P48: %s', (milliamps, expected, told) => {
    const result = checked(line(condenserOf(milliamps), xlr(5), xlrIn('P48')));
    expect(result.verdict).toBe(expected);
    expect(codes(result)).toEqual(told);
  });

  test('beyond the limit it is held against what the limit leaves', () => {
    const low = find(checked(line(condenserOf(12), xlr(5), xlrIn('P48'))), 'underpowered');
    expect(low.why).toMatch(/^7\.19 V, a standard 48 V feed leaves 10 V or more\./);
    expect(low.basis).toBe('calculation; left by a standard 48 V feed at its current: IEC 61938, from memory');
  });

  test('the high-current feed carries it', () =>
    expect(checked(line(condenserOf(12), xlr(5), xlrIn('SP48'))).verdict).toBe('Clear'));

  test('overload says the current, the limit and the heat: 12 mA, 6 mA a leg squared times 6.8 kΩ', () => {
    const { numbers, why, severity } = find(checked(line(condenserOf(12), xlr(5), xlrIn('P48'))), 'feed-overload');
    expect(severity).toBe('watch');
    expect(numbers[0]).toMatchObject({ label: 'Feed current', limit: { value: 0.01, basis: 'from memory' } });
    expect(numbers[0].value).toBeCloseTo(0.012, 5);
    expect(numbers[1].value).toBeCloseTo(0.006 ** 2 * 6800, 4);
    expect(why).toBe('12 mA from 48 V; 10 mA is the limit per line. Each feed resistor runs at up to 0.24 W.');
  });

  test('half as much again is harm: a T12 feed into a transformer', () => {
    // 12 V across 2 · 180 Ω and a winding of some 30 Ω: three times the 8 mA that T12 is meant for.
    const fed = checked(line(gear.output('xlr3', 'transformer'), xlr(5), xlrIn('T12')));
    expect(find(fed, 'feed-overload').severity).toBe('harm');
    expect(number(find(fed, 'feed-overload'), 'Feed current')).toBeGreaterThan(1.5 * 0.008);
  });
});

describe('too much for a powered source', () => {
  test.each([
    [36, 'harm'],
    [39, undefined],
  ])('37.8 V on one rated for %s V', (limit, severity) => {
    const result = checked(line(stated(condenser, 'stands', limit, 'V'), xlr(10), xlrIn('P48')));
    expect(result.findings.find(({ code }) => code === 'supply-overvoltage')?.severity).toBe(severity);
  });

  test('the wrong way round a volt counts; a stated limit counts for itself', () => {
    const swapped = (source: Part) => checked(line(source, xlr(10, gear.swap('1', '2')), xlrIn('P48')));
    const { severity, assumed, numbers, what } = find(swapped(condenser), 'supply-overvoltage');
    expect({ severity, assumed }).toEqual({ severity: 'harm', assumed: 'Maximum reverse voltage' });
    expect(numbers[0].value).toBeLessThan(-12);
    expect(numbers[0].limit!.value).toBe(1);
    expect(what).toBe('13 V the wrong way round on the microphone');
    expect(codes(swapped(stated(condenser, 'reverse', 20, 'V')))).not.toContain('supply-overvoltage');
  });
});

describe('battery and phantom', () => {
  test('both on: Watch by the careful school, a note where the battery is the reserve', () => {
    const both = line(shotgun('on'), xlr(5), xlrIn('P48'));
    const found = find(checked(both), 'doubly-powered');
    expect(found).toMatchObject({ severity: 'watch', school: { name: 'batteryAndPhantom', choice: 'one-not-both' } });
    expect(found.what).toBe('Phantom (41 V) and battery are both on');
    const reserve = find(checked(both, { batteryAndPhantom: 'battery-as-reserve' }), 'doubly-powered');
    expect(reserve).toMatchObject({ severity: 'note', why: 'The battery is the reserve.' });
  });

  test.each([
    ['on', 'off', 'Clear'],
    ['off', 'P48', 'Clear'],
    ['off', 'P12', 'Clear'],
    ['off', 'off', 'Silent'],
  ] as const)('battery %s, feed %s: %s', (battery, feed, expected) =>
    expect(verdict(shotgun(battery), feed)).toBe(expected),
  );

  test('the battery comes out before a switch is turned', () => {
    const [first, second] = find(checked(line(shotgun('on'), xlr(5), xlrIn('P48'))), 'doubly-powered').remedies;
    expect(first.label).toBe('Battery of Condenser, battery or phantom switched off (record it)');
    expect(second).toMatchObject({ label: 'Try the feed off', gives: 'Clear' });
  });

  test('a direct box with both says the same of itself', () => {
    const box = checked(line(guitar, ts(3), activeBox('on'), xlr(10), xlrIn('P48')));
    expect(find(box, 'doubly-powered').part).toBe(1);
  });
});

describe('a feed that nobody needs', () => {
  test.each([
    ['dynamic', line(dynamic, xlr(10), xlrIn('P48'))],
    ['passive box', line(guitar, ts(3), gear.passiveBox(), xlr(10), xlrIn('P48'))],
    ['valve microphone', line(gear.valve(), xlr(10), xlrIn('P48'))],
  ])('%s: a note, and no direct current', (_, asked) => {
    const result = checked(asked);
    expect(result.verdict).toBe('Clear');
    expect(find(result, 'feed-not-needed')).toMatchObject({ severity: 'note', what: '48 V on, not needed here' });
    expect(find(result, 'feed-not-needed').why).toMatch(/no DC flows/);
  });

  test.each([
    ['condenser', line(condenser, xlr(10), xlrIn('P48'))],
    ['booster', line(dynamic, booster, xlr(5), xlrIn('P48'))],
    ['feed off', line(dynamic, xlr(5), xlrIn())],
    ['plug-in power', line(dynamic, gear.adapter('xlr-to-mini-both'), gear.camera())],
  ])('%s: nothing to say', (_, asked) => expect(codes(checked(asked))).not.toContain('feed-not-needed'));

  test('the strict school minds it, but not where a neighbour needs it', () => {
    const strict = { movingCoilFeed: 'off-unless-needed' } as const;
    const asked = line(dynamic, xlr(10), xlrIn('P48'));
    expect(checked(asked, strict).verdict).toBe('Watch');
    const needed = { ...asked, switch: { name: 'Hold desk', offers: ['P48'], reaches: ['Pair'], needed: true } };
    expect(checked(needed, strict).verdict).toBe('Clear');
    expect(find(checked(needed, strict), 'feed-not-needed').why).toMatch(/Another line on this switch needs it\.$/);
    // It says so of dynamics only.
    expect(checked(line(gear.valve(), xlr(10), xlrIn('P48')), strict).verdict).toBe('Clear');
  });

  test('T12 is not offered to what is not made for it', () => {
    const { remedies } = find(checked(line(dynamic, xlr(10), xlrIn('T12'))), 'element-direct-current');
    expect(remedies.map(({ label }) => label)).not.toContain('Try the feed at T12 reversed');
    const dead = find(checked(line(condenser, xlr(10), xlrIn())), 'unpowered');
    expect(dead.remedies.map(({ label }) => label).join()).not.toMatch(/T12/);
    const t12 = find(checked(line(gear.t12(), xlr(10), xlrIn())), 'unpowered');
    expect(t12.remedies[0].label).toBe('Try the feed at T12');
  });

  test('what works needs no supply box', () => {
    const both = { ...line(wide, gear.yLead('split'), xlr(5), xlrIn('P48')) };
    const other = { line: 'other', name: 'Other', at: 0, port: 'b', links: [], inlet: xlrIn('P48'), device: 'x' };
    const { remedies } = find(checked({ ...both, branches: [other] }), 'shared-feeds');
    expect(remedies.map(({ label }) => label).join()).not.toMatch(/supply box/);
  });
});
