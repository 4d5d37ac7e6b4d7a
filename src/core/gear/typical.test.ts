import { INLETS, LINKS, SOURCES, type Basis } from '.';

/**
 * Typical figures that somebody's ears, gear or data depend on. Those "common practice" are what the trade reckons with,
 * those "assumed" are guesses and are called so beside every verdict that turns on them; sources are common practice or from memory, as each says.
 */
type Row = [kind: string, figure: string, value: number, unit: string, basis: Basis];
const figures = [...SOURCES, ...LINKS, ...INLETS];
const figure = (kind: string, name: string) => figures.find((each) => each.kind === kind)!.figures[name];
const holds = ([kind, name, value, unit, basis]: Row) => {
  const { typical, unit: stated } = figure(kind, name);
  expect({ value: typical!.value, unit: stated, basis: typical!.basis }).toEqual({ value, unit, basis });
};

describe('what direct current harms', () => {
  test.each<Row>([
    ['moving-coil', 'directCurrent', 3, 'mA', 'assumed'],
    ['passive-ribbon', 'directCurrent', 0.1, 'mA', 'assumed'],
    ['valve-own-supply', 'directCurrent', 2, 'mA', 'assumed'],
    ['line-output', 'directCurrent', 1, 'mA', 'assumed'],
    ['wireless-receiver', 'directCurrent', 1, 'mA', 'assumed'],
    ['active-instrument', 'directCurrent', 1, 'mA', 'assumed'],
  ])('%s %s: %s %s (%s)', (...row) => holds(row));
});

describe('what direct current only saturates', () => {
  test.each<Row>([
    ['passive-direct-box', 'saturation', 1, 'mA', 'assumed'],
    ['stereo-direct-box', 'saturation', 1, 'mA', 'assumed'],
    ['isolating-transformer', 'saturation', 1, 'mA', 'assumed'],
    ['isolating-lead', 'saturation', 1, 'mA', 'assumed'],
    ['splitter', 'saturation', 1, 'mA', 'assumed'],
  ])('%s %s: %s %s (%s)', (...row) => holds(row));
});

describe('voltages that capsules, rails and capacitors are rated for', () => {
  test.each<Row>([
    ['plug-in-electret', 'stands', 10, 'V', 'common practice'],
    ['plug-in-electret', 'reverse', 1, 'V', 'assumed'],
    ['condenser-48', 'stands', 52, 'V', 'common practice'],
    ['condenser-48', 'reverse', 1, 'V', 'assumed'],
    ['condenser-t12', 'stands', 16, 'V', 'common practice'],
    ['self-powered-electret', 'stands', 16, 'V', 'assumed'],
    ['line-output', 'stands', 25, 'V', 'assumed'],
    ['active-instrument', 'stands', 25, 'V', 'assumed'],
    // Made for microphone inlets, which feed.
    ['wireless-receiver', 'stands', 63, 'V', 'assumed'],
    ['preamplifier', 'stands', 63, 'V', 'assumed'],
  ])('%s %s: %s %s (%s)', (...row) => holds(row));

  test('every part that lives on a feed has a limit both ways', () => {
    for (const { kind, figures: all } of [...SOURCES, ...LINKS])
      if ('needs' in all) expect([kind, 'stands' in all, 'reverse' in all]).toEqual([kind, true, true]);
  });
});

describe('what powered parts need, and where they stop', () => {
  test.each<Row>([
    ['condenser-48', 'needs', 32, 'V', 'common practice'],
    ['condenser-48', 'stops', 18, 'V', 'common practice'],
    ['condenser-48', 'current', 3, 'mA', 'common practice'],
    ['condenser-9-52', 'needs', 8, 'V', 'common practice'],
    ['condenser-9-52', 'stops', 6, 'V', 'common practice'],
    ['condenser-9-52', 'current', 4, 'mA', 'common practice'],
    ['active-ribbon', 'needs', 30, 'V', 'common practice'],
    ['active-ribbon', 'current', 4, 'mA', 'common practice'],
    ['active-moving-coil', 'needs', 20, 'V', 'common practice'],
    ['battery-or-phantom-condenser', 'needs', 8, 'V', 'common practice'],
    ['stereo-condenser', 'needs', 32, 'V', 'common practice'],
    ['hydrophone-preamplifier', 'needs', 20, 'V', 'common practice'],
    ['condenser-t12', 'needs', 9, 'V', 'common practice'],
    ['plug-in-electret', 'needs', 1, 'V', 'common practice'],
    ['plug-in-electret', 'stops', 0.6, 'V', 'common practice'],
    ['plug-in-electret', 'current', 0.3, 'mA', 'common practice'],
    ['plug-in-converter', 'needs', 9, 'V', 'common practice'],
    ['active-direct-box', 'needs', 20, 'V', 'common practice'],
    ['inline-booster', 'needs', 28, 'V', 'common practice'],
    ['inline-booster', 'stops', 16, 'V', 'common practice'],
  ])('%s %s: %s %s (%s)', (...row) => holds(row));

  test('nobody stops at more than it needs', () => {
    for (const { figures: all } of [...SOURCES, ...LINKS])
      if (all.needs && all.stops) expect(all.stops.typical!.value).toBeLessThan(all.needs.typical!.value);
  });
});

describe('what decides waits, steps and peaks', () => {
  for (const kind of ['three-pin', 'combo'])
    test.each<Row>([
      [kind, 'coupling', 47, 'µF', 'assumed'],
      // Electrolytics are 10 to 20 % parts.
      [kind, 'couplingSpread', 10, '%', 'assumed'],
      [kind, 'bleeder', 165, 'kΩ', 'assumed'],
      [kind, 'clampOhms', 10, 'Ω', 'assumed'],
      [kind, 'clampVolts', 15, 'V', 'assumed'],
      [kind, 'inputResistance', 2000, 'Ω', 'common practice'],
    ])('%s %s: %s %s (%s)', (...row) => holds(row));

  test('two of 47 µF through 165 kΩ fall from 48 V to 1 V in 60 s (worked by hand)', () => {
    const farads = 2 * figure('three-pin', 'coupling').typical!.value * 1e-6;
    const ohms = figure('three-pin', 'bleeder').typical!.value * 1e3;
    expect(farads * ohms * Math.log(48)).toBeCloseTo(60, 0);
  });

  test.each([
    ['switchedOff', 'floats'],
    ['clamps', 'yes'],
  ])('where nobody knows, the careful answer counts: %s %s', (choice, standard) => {
    for (const kind of ['three-pin', 'combo'])
      expect(INLETS.find((each) => each.kind === kind)!.choices[choice]?.standard).toBe(standard);
  });
});

describe('what decides levels and noise', () => {
  test.each<Row>([
    ['moving-coil', 'sensitivity', 1.8, 'mV/Pa', 'common practice'],
    ['passive-ribbon', 'sensitivity', 1.5, 'mV/Pa', 'common practice'],
    ['condenser-48', 'sensitivity', 20, 'mV/Pa', 'common practice'],
    ['plug-in-electret', 'sensitivity', 6, 'mV/Pa', 'common practice'],
    ['inline-booster', 'gain', 25, 'dB', 'common practice'],
    ['passive-direct-box', 'ratio', 12, ':1', 'common practice'],
    ['passive-direct-box', 'coreLevel', 18, 'dBu', 'common practice'],
    ['isolating-transformer', 'coreLevel', 12, 'dBu', 'common practice'],
    ['plug-in-converter', 'gives', 4.2, 'V', 'common practice'],
    ['pad', 'attenuation', 20, 'dB', 'common practice'],
    ['attenuating-lead', 'attenuation', 25, 'dB', 'common practice'],
    ['magnetic-pickup', 'capacitance', 0.12, 'nF', 'common practice'],
    ['piezo-pickup', 'capacitance', 1, 'nF', 'common practice'],
    ['line-output', 'outputLevel', 4, 'dBu', 'common practice'],
    ['three-pin', 'gainMax', 60, 'dB', 'common practice'],
    ['three-pin', 'fullScale', 10, 'dBu', 'common practice'],
    ['three-pin', 'ein', -128, 'dBu', 'common practice'],
    ['three-pin', 'lineFullScale', 20, 'dBu', 'common practice'],
  ])('%s %s: %s %s (%s)', (...row) => holds(row));

  test('magnetic pickups have 80 to 150 pF of winding capacitance (common practice)', () => {
    const picofarads = figure('magnetic-pickup', 'capacitance').typical!.value * 1e3;
    expect(picofarads).toBeGreaterThanOrEqual(80);
    expect(picofarads).toBeLessThanOrEqual(150);
  });

  test('what is only assumed is never called anything better, and the other way round', () => {
    for (const { figures: all } of figures)
      for (const { typical } of Object.values(all)) {
        if (!typical) continue;
        expect(['common practice', 'from memory', 'assumed']).toContain(typical.basis);
      }
  });
});
