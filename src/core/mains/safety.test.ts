import { readFileSync } from 'node:fs';
import { parseDocument, type Outlet, type RigDocument, type Unit } from '../rig';
import { mainsReport } from './findings';

/** What can hurt somebody, and what no remedy may do about sound. */

const lockNine = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const withUnits = (units: Unit[], more: Partial<RigDocument> = {}): RigDocument => ({ ...lockNine, units, ...more });

describe('what is measured about safety', () => {
  const unit = (more: Partial<Unit>): RigDocument =>
    withUnits([{ id: 'amp', name: 'Amplifier', kind: 'loudspeaker', plug: 'three-pin', ...more }], {
      mains: undefined,
    });
  const volts = (value: number) => ({ value, unit: 'V', basis: 'measured' }) as const;
  const milliamps = (value: number) => ({ value, unit: 'mA', basis: 'measured' }) as const;
  const harms = (document: RigDocument) =>
    mainsReport(document)
      .findings.filter(({ severity }) => severity === 'harm')
      .map(({ code }) => code);

  test.each([
    ['50 V between an earthed chassis and earth: the earth is missing', { chassis: volts(50) }, ['earth-missing']],
    ['49 V are not told so, nor millivolts', { chassis: volts(49) }, []],
    ['115 V on a two-pin unit is what its capacitors make', { chassis: volts(115), plug: 'two-pin' as const }, []],
    ['6 mA of touch current with earth', { touch: milliamps(6) }, ['touch-current']],
    ['4 mA of touch current with earth', { touch: milliamps(4) }, []],
    ['0.6 mA of touch current without', { touch: milliamps(0.6), plug: 'two-pin' as const }, ['touch-current']],
    ['0.4 mA of touch current without', { touch: milliamps(0.4), plug: 'two-pin' as const }, []],
    // A computed leakage never marks a unit, however large.
    ['a filter of 100 nF', { leakage: { value: 100, unit: 'nF', basis: 'maker' } as const }, []],
  ])('%s', (_, more, codes) => {
    expect(harms(unit(more))).toEqual(codes);
  });
});

describe('schools of conditioners', () => {
  const boughtBy = (conditioner: string) =>
    mainsReport({ ...lockNine, schools: { ...lockNine.schools, conditioner } as RigDocument['schools'] })
      .findings.find(({ code }) => code === 'hum')!
      .remedies.filter(({ unknown }) => unknown)
      .map(({ what }) => what);
  test('measure first: nothing is bought where something cheaper is enough; every rack: it is offered, without a number; never', () => {
    expect(boughtBy('measure-first')).toEqual([]);
    expect(boughtBy('every-rack').join()).toMatch(/conditioner/);
    expect(boughtBy('never')).toEqual([]);
  });
});

describe('no remedy makes something worse', () => {
  const outlets = (change: (outlet: Outlet) => Outlet): RigDocument => ({
    ...lockNine,
    mains: { ...lockNine.mains, outlets: lockNine.mains!.outlets!.map(change) },
    schools: { ...lockNine.schools, noiseFloor: '-100' } as RigDocument['schools'],
  });
  const offered = (document: RigDocument) =>
    mainsReport(document)
      .findings.find(({ code, line }) => code === 'hum' && line === 'laptop')!
      .remedies.map(({ what }) => what);
  const SAME = 'Plug Laptop into audio strip, with Hold desk';

  test('the desk’s strip is offered to the laptop while it is sound', () => {
    expect(offered(outlets((outlet) => outlet))).toContain(SAME);
  });
  test('never while its earth is out of use', () => {
    const broken = { value: 2, unit: 'Ω', basis: 'measured' } as const;
    const bad = outlets((outlet) => (outlet.name === 'audio strip' ? { ...outlet, earth: broken } : outlet));
    expect(offered(bad)).not.toContain(SAME);
  });
  test('never where it would carry more than it is rated for', () => {
    // 1.3 A hang on it, the laptop takes 0.4.
    const rated = { value: 1.5, unit: 'A', basis: 'maker' } as const;
    const small = outlets((outlet) => (outlet.name === 'audio strip' ? { ...outlet, rating: rated } : outlet));
    expect(offered(small)).not.toContain(SAME);
  });
});

test('what can hurt somebody stands first, whatever else there is', () => {
  const earth = { value: 0.4, unit: 'Ω', basis: 'measured' } as const;
  const { findings } = mainsReport({
    ...lockNine,
    units: lockNine.units!.map((unit) =>
      unit.id === 'hold-lamps' ? { ...unit, current: { value: 12, unit: 'A', basis: 'measured' } } : unit,
    ),
    // Of a lead that nobody has described: only to be looked at.
    mains: {
      ...lockNine.mains,
      outlets: lockNine.mains!.outlets!.map((outlet) =>
        outlet.name === 'stage strip' ? { ...outlet, earth, length: undefined, section: undefined } : outlet,
      ),
    },
  });
  const rank = findings.map(({ severity }) => ['harm', 'watch', 'note'].indexOf(severity));
  expect(rank).toEqual(rank.toSorted());
  expect(findings[0].code).toBe('overloaded');
});
