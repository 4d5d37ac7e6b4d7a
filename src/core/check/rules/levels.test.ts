import * as gear from '../../../../tests/lines/gear';
import { checked, codes, find, number } from '../../../../tests/lines/lines';
import type { Basis, Line, Part, Unit } from '../../gear';

const { line, xlr, ts, mini, xlrIn, lineJack, comboIn, dynamic, guitar, piezo, output, camera, lavalier } = gear;
const stated = (part: Part, figure: string, value: number, unit: Unit, basis: Basis = 'maker'): Part => ({
  ...part,
  figures: { ...part.figures, [figure]: { value, unit, basis } },
});
const severity = (asked: Line, code: string, schools = {}) =>
  checked(asked, schools).findings.find((each) => each.code === code)?.severity;

describe('gain', () => {
  /** A dynamic that needs so many decibels on an inlet that has so many. */
  const inlet = (gainMax: number) => stated(xlrIn(), 'gainMax', gainMax, 'dB');
  const needed = checked(line(dynamic, xlr(5), xlrIn())).solved.level!.gainNeeded;

  test.each([
    [0, undefined],
    [-0.4, undefined],
    [-2, 'note'],
    [-3.5, 'watch'],
  ])('%s dB against what is needed', (spare, expected) =>
    expect(severity(line(dynamic, xlr(5), inlet(needed + spare)), 'gain-short')).toBe(expected),
  );

  test('says both figures, what peaks reach, and what half the distance gives', () => {
    const found = find(checked(line(gear.quietDynamic, xlr(5), xlrIn())), 'gain-short');
    expect(found.why).toBe('Needs 75.5 dB, this inlet has 60 dB. Half the distance gives about 6 dB.');
    expect(number(found, 'Gain needed') - 60).toBeCloseTo(-12 - number(found, 'Peaks reach'), 6);
    expect(found.remedies[0]).toMatchObject({ label: 'Add an inline booster', gives: 'Clear' });
  });

  test('32-bit float does not mind', () =>
    expect(severity(line(gear.quietDynamic, xlr(5), xlrIn()), 'gain-short', { peakTarget: 'float' })).toBeUndefined());

  test.each([
    ['-18', -6],
    ['-6', 6],
  ])('a target of %s dBFS moves what is needed by %s dB', (peakTarget, by) => {
    const moved = checked(line(dynamic, xlr(5), xlrIn()), { peakTarget }).solved.level!.gainNeeded;
    expect(moved - needed).toBeCloseTo(by, 9);
  });

  test('the pad goes out before a booster goes in', () => {
    const found = find(checked(line(gear.quietDynamic, xlr(5), xlrIn('off', { pad: 'on' }))), 'gain-short');
    expect(found.remedies[0].label).toBe('Pad out: XLR microphone inlet, then add an inline booster');
  });
});

describe('headroom', () => {
  const loud = (dbu: number) => line(output('xlr3', 'capacitor', dbu), xlr(5), xlrIn());
  const over = (dbu: number) => find(checked(loud(dbu)), 'headroom-short');

  test.each([
    [-2, undefined],
    [1, 'note'],
    [4, 'watch'],
    [12, 'watch'],
  ])('a line output of %s dBu on a microphone inlet', (dbu, expected) =>
    expect(severity(loud(dbu), 'headroom-short')).toBe(expected),
  );

  test('over the target it says by how much; over full scale it says that it clips', () => {
    expect(over(4).what).toBe('Peaks 5 dB over target at minimum gain');
    expect(over(20).what).toBe('Inlet clips at minimum gain');
    expect(number(over(20), 'Peaks reach')).toBeGreaterThan(0);
  });

  test('with 32-bit float only clipping counts', () => {
    expect(severity(loud(4), 'headroom-short', { peakTarget: 'float' })).toBeUndefined();
    expect(severity(loud(20), 'headroom-short', { peakTarget: 'float' })).toBe('watch');
  });

  test('turned down, padded, or in a line jack: each of them mends it', () => {
    const labels = over(4).remedies.map(({ label }) => label);
    expect(labels).toEqual(['Turn Line output down by 6 dB', 'Add a pad']);
    expect(severity(line(output('trs635'), gear.trs(3), lineJack), 'headroom-short')).toBeUndefined();
  });

  test('a laptop on a camera gets an attenuating lead', () => {
    const found = find(checked(line(output('trs35', 'direct', -2), camera('off'))), 'headroom-short');
    expect(found.remedies.map(({ label }) => label)).toEqual([
      'Turn Line output down by 16 dB',
      'Add an attenuating lead',
    ]);
  });

  test('a microphone over its own greatest sound level: by the difference', () => {
    const shouted = line(stated(gear.condenser, 'loudness', 140, 'dB SPL'), xlr(5), xlrIn('P48'));
    const found = checked(shouted).findings.find(({ part }) => part === 'source')!;
    expect(found).toMatchObject({ what: 'The microphone will distort', severity: 'watch' });
    expect(number(found, 'Headroom at the source')).toBeCloseTo(135 - 140, 6);
  });
});

describe('what a link can put out', () => {
  const boosted = (loudness: number) =>
    line(stated(dynamic, 'loudness', loudness, 'dB SPL'), gear.booster, xlr(5), gear.pad(20), xlrIn('P48'));

  test.each([
    [129, undefined],
    [132, 'watch'],
  ])('a booster behind %s dB SPL', (loudness, expected) =>
    expect(severity(boosted(loudness), 'link-clips')).toBe(expected),
  );

  test('where, by how much, and why a pad after it is no help', () => {
    const found = find(checked(boosted(140)), 'link-clips');
    // 1.5 mA a leg into 6.8 kΩ beside 1 kΩ: 2 · 0.5 · 3 mA · 872 Ω.
    const leg = 1 / (1 / 6800 + 1 / 1000);
    expect(found.numbers[0].limit!.value).toBeCloseTo(0.003 * leg, 4);
    expect(found.what).toBe('Booster clips: 10 dB over');
    expect(found.why).toMatch(/A pad after it doesn't help\.$/);
    expect(found.remedies[0]).toMatchObject({ by: 'take out', label: 'Remove Inline booster' });
  });

  test('a core takes less the lower the note: half the frequency, half the voltage', () => {
    const played = (hertz: number) =>
      line(stated(output('ts635', 'capacitor', 40), 'lowest', hertz, 'Hz'), ts(3), gear.passiveBox(), xlr(5), xlrIn());
    const most = (hertz: number) => find(checked(played(hertz)), 'link-clips').numbers[0].limit!.value;
    expect(most(25) / most(50)).toBeCloseTo(0.5, 6);
    expect(most(80)).toBeCloseTo(most(50), 6);
  });

  test('a pad before it, or its own, is what helps', () => {
    const found = find(
      checked(line(output('ts635', 'capacitor', 32), ts(3), gear.passiveBox(), xlr(5), xlrIn())),
      'link-clips',
    );
    expect(found.remedies.map(({ label }) => label)).toContain(
      'Pad in: Passive direct box (40 dB, for loudspeaker level)',
    );
  });
});

describe('the load on a source', () => {
  test.each([
    // 200 Ω into R: 20 log(R / (R + 200)) = −3.5 dB at 404 Ω.
    [450, undefined],
    [380, 'watch'],
  ])('a dynamic of 200 Ω into %s Ω', (ohms, expected) =>
    expect(severity(line(dynamic, xlr(5), stated(xlrIn(), 'inputResistance', ohms, 'Ω')), 'loaded')).toBe(expected),
  );

  test('a guitar in a line jack is loaded, in an instrument jack it is not', () => {
    expect(severity(line(guitar, ts(3), lineJack), 'loaded')).toBe('watch');
    expect(severity(line(guitar, ts(3), comboIn('instrument')), 'loaded')).toBeUndefined();
  });

  test('a piezo loses its bass by f = 1 / (2π R C), its lead included', () => {
    const found = find(checked(line(piezo, ts(3), comboIn('instrument'))), 'loaded');
    const cut = number(found, 'Bass roll-off');
    // 1 nF of the pickup and 3 m of 100 to 150 pF across 1 MΩ.
    expect(cut).toBeGreaterThan(1 / (2 * Math.PI * 1e6 * 1.5e-9));
    expect(cut).toBeLessThan(1 / (2 * Math.PI * 1e6 * 1.2e-9));
    expect(found.what).toBe(`Bass rolls off below ${Math.round(cut / 10) * 10} Hz`);
    expect(found.numbers.at(-1)!.limit!.value).toBe(40);
  });

  test('a lavalier on plug-in power loses what it loses everywhere: nothing is said of it', () =>
    expect(severity(line(lavalier(), camera()), 'loaded')).toBeUndefined());
});

describe('unbalanced runs', () => {
  test.each([
    ['a keyboard in a line jack', (m: number) => line(output('ts635'), ts(m), lineJack), 3],
    ['a guitar in an instrument jack', (m: number) => line(guitar, ts(m), comboIn('instrument')), 6],
    ['a lavalier on a camera', (m: number) => line(lavalier(), mini(m), camera()), 3],
  ] as [string, (metres: number) => Line, number][])('%s: up to its limit nothing is said', (_, run, most) => {
    expect(severity(run(most), 'long-unbalanced')).toBeUndefined();
    const found = find(checked(run(most + 0.5)), 'long-unbalanced');
    expect(found).toMatchObject({ severity: 'watch' });
    expect(found.numbers[0].limit!.value).toBe(most);
  });

  test('several leads count together', () =>
    expect(severity(line(output('ts635'), ts(2), ts(2), lineJack), 'long-unbalanced')).toBe('watch'));

  test.each([
    ['balanced jack leads', line(output('trs635'), gear.trs(20), lineJack)],
    ['microphone cable behind a transformer', line(output('ts635'), ts(2), gear.passiveBox(), xlr(50), xlrIn())],
    [
      'a balanced mini-jack',
      line(output('trs35-balanced', 'capacitor', -20), mini(5), gear.adapter('mini-to-xlr-balanced'), xlrIn()),
    ],
  ])('%s may be long', (_, asked) => expect(codes(checked(asked))).not.toContain('long-unbalanced'));

  test('what to do depends on what plays', () => {
    expect(find(checked(line(lavalier(), mini(6), camera())), 'long-unbalanced').look).toBe(
      'A shorter lead, or an XLR inlet and microphone cable.',
    );
    expect(find(checked(line(output('ts635'), ts(8), lineJack)), 'long-unbalanced').look).toBe(
      'A direct box at the source, and microphone cable from there on.',
    );
  });
});

describe('an unbalanced source on a microphone inlet', () => {
  const keyboard = output('ts635', 'capacitor', -30);

  test('is Watch behind an adapter, and how it is plugged in a line jack', () => {
    const found = find(checked(line(keyboard, ts(2), gear.adapter('ts-to-xlr'), xlrIn())), 'unbalanced-entry');
    expect(found.severity).toBe('watch');
    expect(number(found, 'Low-impedance leg')).toBeLessThan(1);
    expect(number(found, 'High-impedance leg')).toBeGreaterThan(100);
    expect(checked(line(output('ts635'), ts(2), lineJack)).verdict).toBe('Clear');
  });

  test.each([
    ['a direct box', gear.passiveBox()],
    ['an isolating transformer', gear.isolator],
  ])('%s balances it', (_, box) => {
    const links = box.kind === 'isolating-transformer' ? [gear.adapter('ts-to-xlr'), box] : [box];
    expect(severity(line(keyboard, ts(2), ...links, xlr(5), xlrIn()), 'unbalanced-entry')).toBeUndefined();
  });
});
