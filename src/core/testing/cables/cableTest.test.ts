import { CABLE_CONNECTORS, cableTable, cableTest } from './cableTest';

const table = cableTable('xlr3');
const test3 = (...seen: [instrument: string, at: string, seen: unknown][]) =>
  cableTest(
    table,
    seen.map(([instrument, at, each]) => ({ instrument, at, seen: each })),
  );
const LAMPS: [string, string, unknown] = ['lamps', 'junction 0', '2 lit, 3 lit'];
const BOX: [string, string, unknown] = ['cable box', 'link 0', '1-1, 2-2, 3-3'];
const LOAD: [string, string, unknown] = ['test load', 'junction 0', { 2: 24, 3: 24 }];

test('two lit lamps rule breaks and shorts to 1 out, and say what they cannot see; the cable is not called tested', () => {
  const { ruledOut, notSeen, tested, bad, next } = test3(LAMPS);
  expect(ruledOut).toEqual(
    expect.arrayContaining(['Cable: pin 1 open', 'Cable: pin 2 open', 'Cable: pins 1 and 3 shorted']),
  );
  expect(notSeen).toEqual(
    expect.arrayContaining(['Cable: pins 2 and 3 shorted', 'Cable: pins 2 and 3 swapped', 'Cable: bad joint on pin 2']),
  );
  expect(ruledOut).not.toContain('Cable: pins 2 and 3 swapped');
  expect({ tested, bad }).toEqual({ tested: false, bad: false });
  expect(next).toBeDefined();
});

test('the load finds what the lamps miss: 2 and 3 shorted, a joint of 1 kΩ', () => {
  expect(test3(LAMPS, ['test load', 'junction 0', { 2: 32, 3: 32 }]).left[0].what).toBe('Cable: pins 2 and 3 shorted');
  expect(test3(LAMPS, ['test load', 'junction 0', { 2: 22.4, 3: 24 }]).left[0].what).toBe('Cable: bad joint on pin 2');
  expect(test3(LAMPS, LOAD).notSeen).toContain('Cable: pins 2 and 3 swapped');
  expect(test3(LAMPS, LOAD).tested).toBe(false);
});

test('a box rules out what matters; only then the cable counts as tested', () => {
  expect(test3(BOX)).toMatchObject({ tested: true, bad: false });
  expect(test3().tested).toBe(false);
  const swapped = test3(['cable box', 'link 0', '1-1, 2-3, 3-2']);
  expect(swapped.tested).toBe(false);
  expect(swapped.left[0].what).toBe('Cable: pins 2 and 3 swapped');
  expect(test3(['cable box', 'link 0', '1-1, 2-2'], ['ohmmeter', 'link 0', '1-1, 2-2'])).toMatchObject({
    bad: true,
    tested: false,
  });
});

test.each(CABLE_CONNECTORS)('a cable of %s is tested by box and ohmmeter, whatever it fits into', (connector) => {
  const own = cableTable(connector);
  const box = own.looks.find(({ instrument }) => instrument === 'cable box')!;
  const good = own.outcomes(box)[0];
  expect(good.text).toMatch(/^As it should be/);
  expect(own.hypotheses.length).toBeGreaterThan(8);
  expect(cableTest(own, [{ instrument: 'cable box', at: 'link 0', seen: good.key }]).tested).toBe(true);
  expect(own.looks.some(({ instrument }) => instrument === 'lamps')).toBe(connector === 'xlr3');
});
