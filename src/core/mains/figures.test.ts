import { dbu } from '../units';
import { INDUCTION, ohmsPerMetre, CONTACT, OWN_LEAD } from './figures';
import { mainsReadings } from './readings';
import type { MainsSystem, MainsUnit } from './system';
import type { Tie } from './ties';
import { unit, strip, hears, tie, job, fundamental } from '../../../tests/mainsJobs';

/** What stated and measured figures change: the supply, what parts grounds, what a voltmeter found. */

describe('supplies that are not as usual', () => {
  const matched = (apart: number) =>
    job({
      balanced: true,
      units: [
        unit('a', {
          leaks: [
            { from: 'live', farads: 4.7e-9 },
            { from: 'neutral', farads: (1 - apart) * 4.7e-9 },
          ],
        }),
      ],
    });
  test.each([
    [0.1, -26],
    [0.4, -14],
  ])('balanced power cancels only what is matched: capacitors %d apart leave %d dB', (apart, decibels) => {
    const [left] = fundamental(matched(apart)).chassis;
    const [whole] = fundamental({ ...matched(apart), balanced: false }).chassis;
    expect(20 * Math.log10(left / whole)).toBeCloseTo(decibels, 0);
    expect(mainsReadings(matched(apart)).leakage[0].amps).toBeCloseTo((0.34e-3 * apart) / 2, 6);
  });

  test('a fifth harmonic of 3 % is louder than the fundamental, A-weighted; stated, it counts as stated', () => {
    const heardAt = (fifth?: number) => {
      const [line] = mainsReadings(
        job({
          ...(fifth !== undefined && { fifth }),
          units: [unit('a', { outlet: 'a' }), unit('b')],
          outlets: [strip('a', undefined, { ohms: 1, length: 0 })],
          ties: [tie('a', 'b', 1e9, 'unbalanced')],
        }),
      ).lines;
      return (hz: number) => line.byHarmonic.find((each) => each.hz === hz)!.level;
    };
    // Over a capacitor five times as much passes; A-weighting takes 30.2 dB at 50 Hz and 8.6 at 250 (IEC 61672-1).
    const usual = heardAt();
    expect(usual(250) - 8.6).toBeGreaterThan(usual(50) - 30.2);
    expect(heardAt(0.06)(250) - heardAt(0.03)(250)).toBeCloseTo(6, 1);
  });
});

describe('what parts grounds', () => {
  const lead8 = 1.5 * ohmsPerMetre(1) + CONTACT;
  const pair = (more: Partial<Tie>, units: Partial<MainsUnit>[] = [{}, {}]) =>
    job({
      units: [unit('a', { outlet: 'far', ...units[0] }), unit('b', units[1])],
      outlets: [strip('far', undefined, { length: 20, ohms: 20 * lead8 })],
      ties: [{ ...tie('a', 'b', 0.1, 'balanced'), ...more }],
    });
  const shieldOf = (system: MainsSystem) => mainsReadings(system).lines[0].shield;
  const loops = (system: MainsSystem) => mainsReadings(system).loops.length;

  test('a shield over 10 nF at the inlet: no loop; it helps as far as pin 1 is what hears, and else leaves the conversion', () => {
    const levels = (pinOne: number) =>
      [{}, { ohms: undefined, farads: 10e-9 }].map((more) => {
        const system = pair({ ...more, hears: { ...hears('balanced'), pinOne } });
        return {
          loops: loops(system),
          shield: shieldOf(system),
          level: mainsReadings(system).lines[0].reads['as-set'],
        };
      });
    const [through, over] = levels(0.1);
    expect([through.loops, over.loops]).toEqual([1, 0]);
    expect(over.shield).toBe(0);
    expect(over.level).toBeLessThan(through.level - 10);
    // Open, all of the voltage between the grounds is common to both legs: with a clean pin 1 that is no gain.
    const [clean, cut] = levels(0);
    expect(cut.level).toBeGreaterThan(clean.level);
    expect(cut.level).toBeCloseTo(over.level, 3);
  });

  test('a resistor between chassis and audio ground takes the current out of the shield', () => {
    const soft = pair({}, [{ audioGround: 'resistor' }, {}]);
    expect(20 * Math.log10(shieldOf(soft) / shieldOf(pair({})))).toBeLessThan(-19);
  });

  test('diodes in a unit’s lead stop what is induced in the loop; its own leakage then runs over the shield', () => {
    const diodes = { own: OWN_LEAD + 1 / 0.34e-3 };
    const loaded = (more: Partial<MainsUnit>) => shieldOf(pair({}, [{ amps: 2, leaks: [], ...more }, { leaks: [] }]));
    expect(20 * Math.log10(loaded(diodes) / loaded({}))).toBeLessThan(-60);
    const leaking = pair({}, [diodes, { leaks: [] }]);
    expect(shieldOf(leaking) * 1e3).toBeCloseTo(0.34, 2);
  });

  test('a lead beside the line induces in its loop, nothing where that is open', () => {
    const stray = [{ unit: 'lamp', flux: 1e-8, coil: false, distance: 0.1 }];
    const beside = (more: Partial<Tie>) => {
      const { units, ...rest } = pair({ strays: stray, ...more });
      const lamp = unit('lamp', { amps: 5, leaks: [] });
      return mainsReadings({ ...rest, units: [...units.map((each) => ({ ...each, leaks: [] })), lamp] }).lines[0];
    };
    expect(beside({}).shares[0]).toMatchObject({ unit: 'lamp', way: 'field' });
    // 15.7 µV around the loop (2π · 50 Hz · 1e-8 Wb/A · 5 A).
    const around = 0.1 + 2 * OWN_LEAD + 20 * lead8;
    expect(beside({}).shield * around * 1e6).toBeCloseTo(15.7, 1);
    expect(beside({ ohms: undefined }).shares).toEqual([]);
  });
});

describe('what is measured counts', () => {
  const laptop = (more: Partial<Tie>) =>
    mainsReadings(
      job({
        units: [unit('laptop', { outlet: 'far', amps: 1 }), unit('desk')],
        outlets: [strip('far', undefined, { length: 20, ohms: 0.3 })],
        ties: [{ ...tie('laptop', 'desk', 0.1, 'unbalanced'), ...more }],
      }),
    ).lines[0];
  test('millivolts between the shells put the level right, and the range down to 4 dB', () => {
    const [typical, one, ten] = [
      laptop({}),
      laptop({ shells: { measured: 1e-3 } }),
      laptop({ shells: { measured: 10e-3 } }),
    ];
    expect(typical).toMatchObject({ within: 12, ask: 'shells' });
    expect(one.within).toBe(4);
    expect(one.ask).toBeUndefined();
    expect(ten.reads['as-set'] - one.reads['as-set']).toBeCloseTo(20, 6);
    // Of what stands between the shells the shield drops its share of the loop.
    const share = 0.1 / (0.1 + 0.3 + 2 * OWN_LEAD);
    expect(one.reads['as-set']).toBeCloseTo(dbu(1e-3 * share), 1);
  });
  test('a charger on the strip whines as its current runs beside the earth conductor', () => {
    const whines = [{ hz: 4310, share: 0.05 }];
    const { whine } = mainsReadings(
      job({
        units: [
          unit('desk', { outlet: 'strip' }),
          unit('laptop'),
          unit('charger', { plug: 'two-pin', leaks: [], outlet: 'strip', amps: 0.1, whines }),
        ],
        outlets: [strip('strip', undefined, { length: 10, ohms: 0.2 })],
        ties: [tie('laptop', 'desk', 0.1, 'unbalanced')],
      }),
    ).lines[0];
    expect(whine!.byTone.map(({ hz }) => hz)).toEqual([4310]);
    expect(whine!.shares).toEqual([{ unit: 'charger', way: 'induction', share: 1 }]);
    // 2π · 4310 Hz · 138.6 nH/m · 10 m · 5 mA, and the shield's share of it.
    const share = 0.1 / (0.1 + 0.2 + 2 * OWN_LEAD);
    expect(whine!.byTone[0].level).toBeCloseTo(dbu(2 * Math.PI * 4310 * INDUCTION * 10 * 5e-3 * share), 1);
  });
});

test('how long an uninterruptible supply lasts: 500 Wh, aged and converted, carry 230 W for 1.48 h', () => {
  const [load] = mainsReadings(
    job({ units: [unit('a', { outlet: 'a', amps: 1 })], outlets: [strip('a', undefined, { backup: 500 })] }),
  ).loads;
  expect(load.lasts! / 3600).toBeCloseTo((500 * 0.85 * 0.8) / 230, 6);
});
