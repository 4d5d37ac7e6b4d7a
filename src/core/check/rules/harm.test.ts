import * as gear from '../../../../tests/lines/gear';
import { checked, codes, find, number } from '../../../../tests/lines/lines';
import type { Basis, Line, Part, Unit } from '../../gear';

const { line, xlr, xlrIn, adapter, lavalier, dynamic, ribbon, output, receiver, preamplifier, camera } = gear;
const stated = (part: Part, figure: string, value: number, unit: Unit, basis: Basis = 'maker'): Part => ({
  ...part,
  figures: { ...part.figures, [figure]: { value, unit, basis } },
});
const severity = (asked: Line, code: string) => checked(asked).findings.find((each) => each.code === code)?.severity;

describe('direct current through a winding', () => {
  const shorted = (source: Part, feed = 'P48') => line(source, xlr(10, gear.short('1', '3')), xlrIn(feed));

  test.each([
    // 48 V / (6.8 kΩ + 200 Ω) = 6.86 mA flow through the coil with pin 3 on ground.
    [6.8, 'harm'],
    [6.9, undefined],
  ])('6.86 mA against %s mA', (limit, expected) => {
    expect(severity(shorted(stated(dynamic, 'directCurrent', limit, 'mA')), 'element-direct-current')).toBe(expected);
  });

  test('says the current, the limit, whether that is assumed, and which cable it is', () => {
    const found = find(checked(shorted(dynamic)), 'element-direct-current');
    expect(number(found, 'DC through the coil') * 1e3).toBeCloseTo(48 / 7.0, 1);
    expect(found.why).toMatch(/rated for 3 mA \(assumed\)\. A fault in Cable grounds one leg\./);
    expect(found.assumed).toBe('Maximum DC through it');
    expect(found.remedies[0]).toMatchObject({ by: 'cable', gives: 'Clear' });
  });

  test.each(['P48', 'P24', 'P12', 'SP48'])('balanced, %s drives nothing through it', (feed) => {
    expect(severity(line(dynamic, xlr(10), xlrIn(feed)), 'element-direct-current')).toBeUndefined();
  });

  test.each([
    ['T12', 1],
    ['T12R', -1],
  ])('%s drives 12 V / (2 · 180 Ω + 200 Ω): 21.4 mA, whichever way round', (feed) => {
    const found = find(checked(line(dynamic, xlr(10), xlrIn(feed))), 'element-direct-current');
    expect(number(found, 'DC through the coil') * 1e3).toBeCloseTo(21.4, 0);
    expect(found.severity).toBe('harm');
  });

  test('plug-in power through a dynamic is harmless unless a maker says otherwise', () => {
    const plugged = (source: Part) => line(source, adapter('xlr-to-mini-both'), camera());
    expect(severity(plugged(stated(dynamic, 'directCurrent', 0.01, 'mA', 'assumed')), 'element-direct-current')).toBe(
      'note',
    );
    expect(severity(plugged(stated(dynamic, 'directCurrent', 0.01, 'mA')), 'element-direct-current')).toBe('harm');
    expect(severity(plugged(ribbon('none')), 'element-direct-current')).toBe('harm');
  });

  test('a transformer in the line saturates, and nothing is damaged: Watch', () => {
    const found = find(checked(line(dynamic, gear.isolator, xlr(5), xlrIn('T12'))), 'winding-saturated');
    expect(found.severity).toBe('watch');
    expect(found.why).toMatch(/Bass distorts; nothing is damaged\.$/);
  });
});

describe('the tap of a ribbon', () => {
  test.each([
    ['none', 'off', 'Clear'],
    ['unknown', 'off', 'Clear'],
    ['grounded', 'off', 'Clear'],
    ['none', 'P48', 'Watch'],
    ['unknown', 'P48', 'Stop'],
    ['grounded', 'P48', 'Stop'],
    ['grounded', 'P12', 'Stop'],
  ] as const)('tap %s, feed %s: %s', (tap, feed, expected) =>
    expect(checked(line(ribbon(tap), xlr(10), xlrIn(feed))).verdict).toBe(expected),
  );

  test('tapped: 48 V / (6.8 kΩ + 100 Ω) in each half, and the reason is what makes them unequal', () => {
    const found = find(checked(line(ribbon('grounded'), xlr(10), xlrIn('P48'))), 'element-direct-current');
    expect(number(found, 'ribbon transformer') * 1e3).toBeCloseTo(48 / 6.9, 1);
    expect(found.why).toMatch(/While both legs are equal the halves cancel in the core/);
    expect(found.consequences!.map(({ code }) => code)).toContain('ribbon-fed');
  });

  test('unknown: the current that would flow, and both answers with what they give', () => {
    const found = find(checked(line(ribbon('unknown'), xlr(10), xlrIn('P48'))), 'ribbon-fed');
    expect(number(found, 'per half winding') * 1e3).toBeCloseTo(48 / 6.9, 1);
    expect(found.answers!.map(({ label, gives }) => [label, gives])).toEqual([
      ['Record the maker’s answer: no centre tap', 'Watch'],
      ['Record the maker’s answer: tap on pin 1', 'Stop'],
      ['Record the maker’s answer: phantom is safe', 'Stop'],
    ]);
  });

  test('schools: avoid, never, trust the maker', () => {
    const safe = line(ribbon('none', 'safe'), gear.testedXlr(10), xlrIn('P48'));
    expect(checked(safe).verdict).toBe('Watch');
    expect(checked(safe, { ribbonFeed: 'never' }).verdict).toBe('Stop');
    expect(checked(safe, { ribbonFeed: 'trust-maker' }).verdict).toBe('Clear');
  });

  test.each([
    ['a transformer', gear.isolator],
    ['a blocker', gear.blocker],
    ['a booster', gear.booster],
  ])('%s keeps it away', (_, box) =>
    expect(codes(checked(line(ribbon('grounded'), box, xlr(10), xlrIn('P48'))))).not.toContain('ribbon-fed'),
  );

  test('an untested cable is named and stays Watch; a known fault is Stop', () => {
    const cabled = (cable: Part) => checked(line(ribbon('none'), cable, xlrIn('P48')));
    expect(find(cabled(xlr(10)), 'ribbon-fed').why).toMatch(/Not tested: Cable\. Test every conductor/);
    expect(find(cabled(gear.testedXlr(10)), 'ribbon-fed').why).not.toMatch(/Not tested/);
    expect(cabled(xlr(10, gear.leak('1', '2', 1e6))).verdict).toBe('Stop');
  });
});

describe('voltage on a capsule', () => {
  const plain = (limit: number, feed: string) =>
    line(stated(lavalier(), 'stands', limit, 'V'), adapter('mini-to-xlr-grounded'), xlr(5), xlrIn(feed));

  // 48 V − 0.3 mA · 6.8 kΩ = 46.0 V on the capsule; 12 V − 0.3 mA · 680 Ω = 11.8 V.
  test.each([
    [45, 'P48', 'harm'],
    [47, 'P48', undefined],
    [10, 'P12', 'harm'],
    [12, 'P12', undefined],
  ])('rated for %s V, %s', (limit, feed, expected) =>
    expect(severity(plain(limit, feed), 'capsule-overvoltage')).toBe(expected),
  );

  test('the sentence has the voltage and the rating; the feed goes off', () => {
    const found = find(checked(plain(10, 'P48')), 'capsule-overvoltage');
    expect(found).toMatchObject({ what: 'Too much voltage on the capsule', part: 'source' });
    expect(found.why).toBe('46 V on a capsule rated for 10 V. Turn the feed off now.');
  });

  test('reversed: the sign in the number, "the wrong way round" in the title', () => {
    const order = line(lavalier('trrs35-omtp'), adapter('trrs-to-trs'), adapter('mini-to-xlr-grounded'), xlrIn('P48'));
    const found = find(checked(order), 'capsule-overvoltage');
    expect(found.what).toBe('46 V the wrong way round on the capsule');
    expect(number(found, 'Voltage on the capsule')).toBeCloseTo(-46, 0);
    expect(found.severity).toBe('harm');
  });

  test('plug-in power the wrong way round harms none that is only assumed to mind', () => {
    const reversed = line(lavalier('trrs35-omtp'), gear.headset('ctia'));
    expect(codes(checked(reversed))).not.toContain('capsule-overvoltage');
    expect(checked(reversed).verdict).toBe('Silent');
  });
});

describe('a feed into an output', () => {
  test.each([
    // 48 V on the capacitor with both legs fed and nothing flowing.
    [47, 'harm'],
    [49, 'watch'],
    [95, 'watch'],
    [97, undefined],
  ])('48 V on a capacitor rated for %s V', (limit, expected) =>
    expect(severity(line(stated(output('xlr3'), 'stands', limit, 'V'), xlr(5), xlrIn('P48')), 'output-backfeed')).toBe(
      expected,
    ),
  );

  test('directly coupled: both resistors drive into it, half of the rating is Watch', () => {
    const fed = (limit: number) =>
      line(stated(output('xlr3', 'direct'), 'directCurrent', limit, 'mA'), xlr(5), xlrIn('P48'));
    // 48 V / (6.8 kΩ + 75 Ω) a leg.
    expect(number(find(checked(fed(1)), 'output-backfeed'), 'DC into the output') * 1e3).toBeCloseTo(6.98, 1);
    expect(severity(fed(6.9), 'output-backfeed')).toBe('harm');
    expect(severity(fed(7.1), 'output-backfeed')).toBe('watch');
    expect(severity(fed(14.1), 'output-backfeed')).toBeUndefined();
  });

  test('a receiver is made for microphone inlets: 48 V is Watch, and the rating nobody states is named', () => {
    const result = checked(line(receiver(-30), xlr(5), xlrIn('P48')));
    expect(result.verdict).toBe('Watch');
    expect(find(result, 'output-backfeed').assumed).toBe('Rating of the output capacitor');
    expect(find(result, 'output-backfeed').remedies[0].label).toBe('Try the feed off');
    expect(checked(line(receiver(-30), xlr(5), xlrIn())).verdict).toBe('Clear');
  });

  test('a field mixer’s output on a fed inlet: Watch, and nobody takes the mixer out for it', () => {
    const result = checked(line(dynamic, xlr(5), preamplifier(), xlr(3), xlrIn('P48')));
    const found = find(result, 'output-backfeed');
    expect(found).toMatchObject({ severity: 'watch', part: 1 });
    expect(found.remedies.map(({ by }) => by)).not.toContain('take out');
    expect(checked(line(dynamic, xlr(5), preamplifier(), xlr(3), gear.lineXlr)).verdict).toBe('Clear');
  });

  test.each([
    ['a transformer', gear.isolator],
    ['a blocker', gear.blocker],
  ])('%s keeps it away', (_, box) =>
    expect(codes(checked(line(output('xlr3', 'direct', -30), xlr(5), box, xlrIn('P48'))))).not.toContain(
      'output-backfeed',
    ),
  );

  test('plug-in power into an output is a note', () => {
    const asked = line(output('trs35', 'direct', -40), camera());
    expect(checked(asked).verdict).toBe('Clear');
  });
});

describe('TRS plugs that carry a feed', () => {
  const over = (source: Part, feed: string, ...links: Part[]) => line(source, ...links, xlrIn(feed));
  const chain = [adapter('xlr-to-trs'), gear.trs(3), adapter('trs-to-xlr')];

  test.each([
    ['patch point', [xlr(3), gear.trsPatch]],
    ['adapters and a TRS lead', chain],
  ] as [string, Part[]][])('%s: the same finding for a condenser and a ribbon', (_, links) => {
    expect(severity(over(gear.condenser, 'P48', ...links), 'exposed-patch')).toBe('watch');
    expect(severity(over(ribbon('none'), 'P48', ...links), 'exposed-patch')).toBe('harm');
    expect(severity(over(gear.condenser, 'off', ...links), 'exposed-patch')).toBeUndefined();
    expect(severity(over(ribbon('none'), 'off', ...links), 'exposed-patch')).toBeUndefined();
  });

  test('it says what is on the contact, and what half-way in sends through a coil', () => {
    const found = find(checked(over(dynamic, 'P48', ...chain)), 'exposed-patch');
    expect(found.what).toBe('48 V on a 6.35 mm TRS plug');
    // 48 V / (6.8 kΩ + 200 Ω)
    expect(number(found, 'half-way in') * 1e3).toBeCloseTo(48 / 7, 1);
  });

  test('the school that patches with the switch off makes it a note', () => {
    const found = checked(over(dynamic, 'P48', xlr(3), gear.trsPatch), { trsPatch: 'off-while-patching' });
    expect(find(found, 'exposed-patch').severity).toBe('note');
  });

  test('off now, but the switch serves others: a ribbon there is Watch, a dynamic a note', () => {
    const shared = (source: Part): Line => ({
      ...over(source, 'off', xlr(3), gear.trsPatch),
      switch: { name: 'Hold desk, inlets 1–8', offers: ['P48'], reaches: ['Violin', 'Viola', 'Cello', 'Bass'] },
    });
    const found = find(checked(shared(ribbon('none'))), 'exposed-patch');
    expect(found).toMatchObject({ severity: 'watch', what: 'This patch point shares Hold desk, inlets 1–8' });
    expect(found.why).toBe('Off now. Turned on for Violin, Viola and 2 more, the feed is on the patchbay too.');
    expect(severity(shared(dynamic), 'exposed-patch')).toBe('note');
    expect(severity(shared(gear.condenser), 'exposed-patch')).toBeUndefined();
  });
});

describe('a party line', () => {
  test('is Stop for every microphone and Silent for the rest', () => {
    for (const source of [dynamic, gear.condenser, ribbon('none'), gear.valve()])
      expect(checked(line(source, xlr(5), gear.partyLine)).verdict).toBe('Stop');
    const found = find(checked(line(dynamic, xlr(5), gear.partyLine)), 'intercom-line');
    expect(found.what).toBe('This is a party line, not a microphone inlet');
    expect(number(found, 'Voltage at the inlet')).toBeGreaterThan(25);
    const box = line(gear.guitar, gear.ts(3), gear.passiveBox(), xlr(5), gear.partyLine);
    expect(find(checked(box), 'intercom-line').severity).toBe('silent');
  });
});
