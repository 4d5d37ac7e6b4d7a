import { FEEDS, feedLabel, isPhantom, LIVE, type FeedName } from './feeds';

/**
 * Values from memory of IEC 61938 (P-types) and DIN 45595 (T12), one by one: whoever changes one of
 * them changes what everybody is told about harm, power and waits.
 */
test.each([
  ['P48', 48, 4, 6800, 10],
  ['P24', 24, 4, 1200, 10],
  ['P12', 12, 1, 680, 15],
  ['SP48', 48, 4, 2200, 22],
  ['T12', 12, 1, 180, 8],
  ['T12R', 12, 1, 180, 8],
] as const)('%s: %s ± %s V, %s Ω a leg, %s mA', (name, volts, tolerance, ohms, limit) => {
  expect(FEEDS[name]).toMatchObject({ volts, tolerance, ohms, limit });
  expect(FEEDS[name].source).toMatch(/IEC 61938, from memory|DIN 45595/);
});

test('plug-in power: 3 ± 2 V behind 2.2 kΩ, and no limit but its resistor (common practice)', () => {
  expect(FEEDS['plug-in']).toMatchObject({ volts: 3, tolerance: 2, ohms: 2200, source: 'common practice' });
  expect(FEEDS['plug-in'].limit).toBeUndefined();
});

test('a two-wire party line: 30 V (common practice)', () => {
  expect(FEEDS.intercom).toMatchObject({ volts: 30, tolerance: 4, source: 'common practice' });
});

describe('check values worked by hand', () => {
  const { volts, ohms } = FEEDS.P48;
  test('a short of one leg is 7.06 mA and 0.339 W in its resistor, of both 14.12 mA', () => {
    expect((volts / ohms) * 1e3).toBeCloseTo(7.06, 2);
    expect(volts ** 2 / ohms).toBeCloseTo(0.339, 3);
    expect(((2 * volts) / ohms) * 1e3).toBeCloseTo(14.12, 2);
  });
  test.each([
    ['P48', 10, 14.0],
    ['P24', 5, 21.0],
    ['P12', 5, 10.3],
  ] as const)('%s, %s mA: %s V', (name, milliamps, left) => {
    const feed = FEEDS[name];
    expect(feed.volts - (feed.ohms / 2) * (milliamps / 1e3)).toBeCloseTo(left, 1);
  });
  test('a coil of 200 Ω on T12: 21.4 mA', () =>
    expect((FEEDS.T12.volts / (2 * FEEDS.T12.ohms + 200)) * 1e3).toBeCloseTo(21.4, 1));
});

test('which feeds are phantom, and what they are called', () => {
  const phantom = (Object.keys(FEEDS) as FeedName[]).filter(isPhantom);
  expect(phantom).toEqual(['P48', 'P24', 'P12', 'SP48']);
  expect(isPhantom('off')).toBe(false);
  expect(feedLabel('off')).toBe('off');
  expect(feedLabel('P48')).toBe('48 V');
  expect(feedLabel('SP48')).toBe('48 V high current');
});

test('a contact counts as live from 1 V on: the threshold that waits run down to', () => expect(LIVE).toBe(1));
