import { cable, codes, find, judged, line, number, on, testedCable } from '../../../tests/lines/lines';
import { applyEdits } from '../gear/edits';
import { probe } from '.';

describe('a condenser that needs 48 V, 3 mA', () => {
  const on48 = line('condenser-48', [cable()], on('P48'));
  test('on P48 is Clear with 37.8 V at pins 2 and 3', () => {
    const result = judged(on48);
    expect(result.verdict).toBe('Clear');
    const volts = Object.fromEntries(
      result.readings.junctions[0].contacts.map((reading) => [reading.contact, reading.volts]),
    );
    expect(volts['2']).toBeCloseTo(37.8, 2);
    expect(volts['3']).toBeCloseTo(37.8, 2);
    expect(result.readings.feeds[0].amps).toBeCloseTo(3e-3, 6);
  });
  test('on P12 is Silent and says with which numbers', () => {
    const result = judged(line('condenser-48', [cable()], on('P12')));
    expect(result.verdict).toBe('Silent');
    // 12 V - 1.5 mA · 680 Ω
    expect(number(find(result, 'unpowered'), 'Voltage')).toBeCloseTo(10.98, 2);
    expect(find(result, 'unpowered').what).toContain('11 V');
  });
  test('on P24 runs below its figure: Watch', () => {
    expect(judged(line('condenser-48', [cable()], on('P24')))).toMatchObject({
      verdict: 'Watch',
      findings: [{ code: 'underpowered' }],
    });
  });
  test('with the feed off is Silent, and turning it on mends that', () => {
    const off = line('condenser-48', [cable()], on('off'));
    const finding = find(judged(off), 'unpowered');
    expect(finding.remedies[0]).toMatchObject({ label: 'Try the feed at 48 V', gives: 'Clear' });
    expect(judged(applyEdits(off, finding.remedies[0].edits)).verdict).toBe('Clear');
  });
  test('over a cable with pin 3 open keeps one leg: 27.6 V, 6 dB less, and it is said', () => {
    const result = judged(line('condenser-48', [cable({ type: 'open', contact: '3' })], on('P48')));
    expect(result.verdict).toBe('Watch');
    const [supply] = result.readings.supplies;
    expect(supply.pins).toBeCloseTo(27.6, 2);
    // Its inner rail has 21 V: as much as 24.3 V on both pins would give.
    expect(supply.volts).toBeCloseTo(27.6 - 3e-3 * 2200 + 3e-3 * 1100, 2);
    expect(find(result, 'leg-lost').consequences?.map(({ code }) => code)).toContain('underpowered');
    expect(number(find(result, 'leg-lost'), 'Level')).toBeCloseTo(-6, 0);
    expect(find(result, 'leg-lost').what).toContain('pin 3');
  });
});

describe('a plug-in electret through a plain adapter on P48', () => {
  const plain = line('plug-in-electret', [{ kind: 'plain-adapter' }, cable()], on('P48'));
  test('is Stop with about 46 V on a capsule that stands 10 V', () => {
    const result = judged(plain);
    expect(result.verdict).toBe('Stop');
    const finding = find(result, 'capsule-overvoltage');
    expect(number(finding, 'capsule')).toBeCloseTo(45.96, 1);
    expect(finding.numbers[0].limit?.value).toBe(10);
  });
  test('the converter makes it Clear with a few volts on the capsule', () => {
    const remedy = find(judged(plain), 'capsule-overvoltage').remedies.find(({ label }) =>
      label.includes('plug-in-power adapter'),
    )!;
    expect(remedy.gives).toBe('Clear');
    const mended = judged(applyEdits(plain, remedy.edits));
    expect(mended.verdict).toBe('Clear');
    // 4.2 V behind 4.7 kΩ and 0.3 mA
    expect(mended.readings.capsules[0].volts).toBeCloseTo(4.2 - 0.3e-3 * 4700, 1);
  });
});

describe('a moving coil on P48', () => {
  test('takes nothing: no harm', () => {
    const result = judged(line('moving-coil', [cable()], on('P48')));
    expect(result.verdict).toBe('Clear');
    expect(result.readings.windings[0].amps).toBeLessThan(1e-9);
    expect(result.findings).toMatchObject([{ code: 'feed-not-needed', severity: 'note' }]);
  });
  test('with pin 3 shorted to 1 is Stop with about 7 mA, and the cable is named as the reason', () => {
    const shorted = line(
      'moving-coil',
      [{ ...cable({ type: 'shorted', contacts: ['3', '1'] }), name: 'old cable' }],
      on('P48'),
    );
    const finding = find(judged(shorted), 'element-direct-current');
    expect(judged(shorted).verdict).toBe('Stop');
    // 48 V / (6.8 kΩ + 200 Ω)
    expect(number(finding, 'coil')).toBeCloseTo(48 / 7000, 4);
    expect(finding.why).toContain('old cable');
    expect(finding.remedies[0]).toMatchObject({ label: 'Replace old cable with a good one', gives: 'Clear' });
  });
  test('the stricter school turns the note into Watch', () => {
    const result = judged(line('moving-coil', [cable()], on('P48')), { movingCoilFeed: 'off-unless-needed' });
    expect(result.verdict).toBe('Watch');
    expect(find(result, 'feed-not-needed').school).toEqual({ name: 'movingCoilFeed', choice: 'off-unless-needed' });
  });
});

describe('a ribbon with an unknown tap on P48', () => {
  const ribbon = (choices: Record<string, string> = {}) =>
    line({ kind: 'passive-ribbon', choices }, [testedCable], on('P48'));
  test('the careful school says Stop, and which answer would change it', () => {
    const finding = find(judged(ribbon()), 'ribbon-fed');
    expect(judged(ribbon()).verdict).toBe('Stop');
    expect(number(finding, 'half winding') * 1e3).toBeCloseTo(6.96, 1);
    expect(finding.answers).toMatchObject([
      { label: 'Record the maker’s answer: no centre tap', gives: 'Watch' },
      { label: 'Record the maker’s answer: tap on pin 1', gives: 'Stop' },
      { gives: 'Stop' },
    ]);
    expect(finding.school).toEqual({ name: 'ribbonFeed', choice: 'avoid' });
  });
  test.each([
    ['avoid', {}, 'Stop'],
    ['never', {}, 'Stop'],
    ['trust-maker', {}, 'Stop'],
    ['avoid', { tap: 'none' }, 'Watch'],
    ['never', { tap: 'none' }, 'Stop'],
    ['trust-maker', { tap: 'none' }, 'Watch'],
    ['avoid', { maker: 'safe' }, 'Stop'],
    ['never', { maker: 'safe' }, 'Stop'],
    ['trust-maker', { maker: 'safe' }, 'Clear'],
    ['trust-maker', { tap: 'grounded', maker: 'safe' }, 'Stop'],
  ])('school %s, facts %o: %s', (ribbonFeed, facts, verdict) => {
    expect(judged(ribbon(facts), { ribbonFeed }).verdict).toBe(verdict);
  });
  test('an untested cable is named, with the test that would clear it, and stays Watch', () => {
    const untested = line({ kind: 'passive-ribbon', choices: { tap: 'none' } }, [cable()], on('P48'));
    expect(find(judged(untested), 'ribbon-fed')).toMatchObject({
      severity: 'watch',
      why: expect.stringContaining('Not tested: Cable.'),
    });
  });
  test('with the feed off nothing speaks against it', () => {
    expect(judged(line('passive-ribbon', [cable()], on('off'))).verdict).toBe('Clear');
  });
});

describe('a piezo of 1 nF', () => {
  test('into a passive direct box is loaded; the low cut is given in hertz', () => {
    const inlet = {
      ...on('off'),
      figures: { inputResistance: { value: 1500, unit: 'Ω' as const, basis: 'assumed' as const } },
    };
    const finding = find(judged(line('piezo-pickup', [{ kind: 'passive-direct-box' }, cable()], inlet)), 'loaded');
    // 1 / (2π · 1 nF · 216 kΩ) = 737 Hz for an ideal box; the winding's own inductance pulls it down a little.
    expect(number(finding, 'Bass roll-off')).toBeGreaterThan(500);
    expect(number(finding, 'Bass roll-off')).toBeLessThan(760);
    expect(number(finding, 'Load') / 1e3).toBeCloseTo(216, -1);
  });
  test('into an active one with feed is Clear', () => {
    const result = judged(line('piezo-pickup', [{ kind: 'active-direct-box' }, cable()], on('P48')));
    expect(result.verdict).toBe('Clear');
    // 1 / (2π · 1 nF · 10 MΩ)
    expect(result.readings.signal.lowCut).toBeCloseTo(16, -0.7);
  });
});

describe('the probe', () => {
  test('reads as a meter of 10 MΩ does', () => {
    const fed = line('condenser-48', [cable()], on('P48'));
    const reading = probe(fed, { junction: 0, contact: '2' }, { junction: 0, contact: '1' });
    expect(reading).toBeGreaterThan(37.75);
    expect(reading).toBeLessThan(37.8);
    expect(probe(fed, { junction: 0, contact: '1' }, { junction: 0, contact: '2' })).toBeCloseTo(-reading, 9);
    expect(probe(fed, { junction: 0, contact: '2' }, { junction: 1, contact: '2' })).toBeCloseTo(0, 2);
  });
  test('shows nothing between nodes that float', () => {
    expect(
      probe(
        line('line-output', [], { kind: 'balanced-jack' }),
        { junction: 0, contact: 'T' },
        { junction: 0, contact: 'S' },
      ),
    ).toBeCloseTo(0, 9);
  });
});

test('the same line always gives the same findings in the same order', () => {
  const busy = line('plug-in-electret', [{ kind: 'plain-adapter' }, cable()], on('P48'));
  expect(judged(busy)).toEqual(judged(structuredClone(busy)));
  expect(codes(judged(busy))[0]).toBe('capsule-overvoltage');
});

test('currents stand at every contact: 1.5 mA in each leg, 3 mA back through the shield', () => {
  const { junctions } = judged(line('condenser-48', [cable()], on('P48'))).readings;
  for (const { contacts } of junctions) {
    const milliamps = Object.fromEntries(contacts.map(({ contact, amps }) => [contact, amps! * 1e3]));
    expect(milliamps['2']).toBeCloseTo(1.5, 6);
    expect(milliamps['3']).toBeCloseTo(1.5, 6);
  }
  expect(junctions[0].contacts.find(({ contact }) => contact === '1')!.amps! * 1e3).toBeCloseTo(-3, 6);
});
