import { GROUND, magnitude, NetlistBuilder, operatingPoint, smallSignal } from '../circuit';
import { nodesOf, ownSignalVolts, signalVolts } from '../../../tests/referee/ngspice';
import { EARTH } from '../rig';
import { dbu } from '../units';
import { CONVERSION, INDUCTION, ohmsPerMetre, CONTACT, OWN_LEAD, PIN_ONE } from './figures';
import { chassisOf, mainsNetlist } from './network';
import { mainsReadings } from './readings';
import { solveMains } from './solve';
import type { MainsOutlet, MainsSystem, MainsUnit } from './system';
import type { Hearing, Tie } from './ties';

/** Worked examples: common practice, and arithmetic that anybody can do again. */

const unit = (id: string, more: Partial<MainsUnit> = {}): MainsUnit => ({
  id,
  name: id,
  kind: 'audio device',
  plug: 'three-pin',
  leaks: [{ from: 'live', farads: 4.7e-9 }],
  leg: 1,
  amps: 0,
  assumed: false,
  rectified: false,
  whines: [],
  own: OWN_LEAD,
  ...more,
});
const twoPin = (id: string): MainsUnit =>
  unit(id, {
    plug: 'two-pin',
    leaks: [
      { from: 'live', farads: 2.2e-9 },
      { from: 'neutral', farads: 2.2e-9 },
    ],
  });
const lead = 1.5 * ohmsPerMetre(1) + CONTACT;
const strip = (name: string, from?: string, more: Partial<MainsOutlet> = {}): MainsOutlet => ({
  name,
  ...(from && { from }),
  length: 1.5,
  lead,
  longest: lead,
  ohms: lead,
  ...more,
});
const hears = (how: Hearing['how']): Hearing => ({
  line: 'line',
  name: 'line',
  how,
  unbalanced: how === 'unbalanced' ? 1 : 0,
  ratio: 1,
  conversion: CONVERSION,
  pinOne: PIN_ONE,
  toDbfs: 0,
});
const tie = (a: string, b: string, ohms: number | undefined, how?: Hearing['how']): Tie => ({
  id: `${a} ${b}`,
  name: `${a} ${b}`,
  between: [a, b],
  ...(ohms !== undefined && { ohms }),
  ...(how && { hears: hears(how) }),
});
const job = (more: Partial<MainsSystem>): MainsSystem => ({
  volts: 230,
  hertz: 50,
  bonded: true,
  balanced: false,
  units: [],
  outlets: [],
  ties: [],
  ...more,
});

/** Volts at the fundamental: of each chassis over the earth of the supply, and along a tie. */
const fundamental = (system: MainsSystem) => {
  const [{ between }] = solveMains(system);
  return {
    chassis: system.units.map(({ id }) => magnitude(between(chassisOf(id)).total)),
    ties: system.ties.map(({ between: [a, b] }) => magnitude(between(chassisOf(a), chassisOf(b)).total)),
  };
};

describe('leakage', () => {
  test.each([
    [4.7e-9, 230, 50, 0.34e-3],
    [2.2e-9, 230, 50, 0.159e-3],
    [4.7e-9, 120, 60, 0.213e-3],
  ])('%d F at %d V, %d Hz', (farads, volts, hertz, amps) => {
    const one = job({ volts, hertz, units: [unit('a', { leaks: [{ from: 'live', farads }] })] });
    expect(mainsReadings(one).leakage[0].amps).toBeCloseTo(amps, 6);
  });

  test('26 earthed units take 9 of the 30 mA of a residual-current device; those without earth take nothing of it', () => {
    const many = Array.from({ length: 26 }, (_, n) => unit(`unit ${n}`));
    expect(mainsReadings(job({ units: [...many, twoPin('lamp')] })).residual).toBeCloseTo(8.83e-3, 4);
  });
});

describe('three strips, one unit of 4.7 nF on each, its own lead apart', () => {
  const units = ['a', 'b', 'c'].map((id) => unit(id, { outlet: id }));
  test('chained, the far earth stands 100.4 µV above the wall; as a star 16.7 µV each', () => {
    const chained = fundamental(job({ units, outlets: [strip('a'), strip('b', 'a'), strip('c', 'b')] }));
    const star = fundamental(job({ units, outlets: [strip('a'), strip('b'), strip('c')] }));
    const own = 0.3396e-3 * 0.079;
    expect(chained.chassis[2] - own).toBeCloseTo(100.4e-6, 6);
    for (const volts of star.chassis) expect(volts - own).toBeCloseTo(16.7e-6, 6);
  });

  const between = (a: MainsUnit, b: MainsUnit, volts = 230, hertz = 50) => {
    const pair = job({ volts, hertz, units: [a, b], outlets: [strip('a'), strip('b')], ties: [tie('a', 'b', 1e9)] });
    return fundamental(pair).ties[0];
  };
  const OWN = 0.079 + lead;
  test('as a star there is nothing between them while they are equal', () => {
    expect(between(units[0], units[1])).toBeLessThan(1e-12);
  });
  test('0.34 and 0.159 mA: 8.9 µV over the strips’ leads', () => {
    const half = unit('b', { outlet: 'b', leaks: [{ from: 'live', farads: 2.2e-9 }] });
    expect((between(units[0], half) * lead) / OWN).toBeCloseTo(8.9e-6, 7);
  });
  test('opposite 120 V legs of 0.213 mA: 21 µV', () => {
    const other = unit('b', { outlet: 'b', leg: -1 });
    expect((between(units[0], other, 120, 60) * lead) / OWN).toBeCloseTo(21e-6, 6);
  });
});

describe('load current beside the earth conductor', () => {
  test('43.6 µV per ampere and metre at 50 Hz: 5 A over 20 m give 4.4 mV', () => {
    expect(2 * Math.PI * 50 * INDUCTION).toBeCloseTo(43.6e-6, 7);
    const heater = unit('heater', { outlet: 'stage', amps: 5, leaks: [] });
    const audio = unit('audio', { outlet: 'stage', leaks: [] });
    const desk = unit('desk', { leaks: [] });
    const stage = strip('stage', undefined, { length: 20 });
    const far = job({ units: [heater, audio, desk], outlets: [stage], ties: [tie('audio', 'desk', 1e9)] });
    expect(fundamental(far).ties[0]).toBeCloseTo(4.36e-3, 4);
  });
});

describe('from imbalance to rejection, by the circuit of an inlet', () => {
  /** Decibels of a common-mode volt that two legs make a difference of. */
  const rejection = (legs: readonly [NetElement[], NetElement[]]) => {
    const net = new NetlistBuilder();
    net.add({ type: 'voltageSource', name: 'common', a: 'common', b: GROUND, volts: 0, signal: 1 });
    for (const element of legs.flat()) net.add(element);
    const at = smallSignal(operatingPoint(net.build()))(50);
    return 20 * Math.log10(magnitude(at.volts('hot', 'cold')));
  };
  type NetElement = Parameters<NetlistBuilder['add']>[0];
  const resistor = (a: string, b: string, ohms: number): NetElement => ({
    type: 'resistor',
    name: `${a} ${b}`,
    a,
    b,
    ohms,
  });

  test('10 Ω over 5 kΩ: -54 dB', () => {
    const leg = (end: string, ohms: number) => [resistor('common', end, ohms), resistor(end, GROUND, 5000)];
    expect(rejection([leg('hot', 10), leg('cold', 1e-3)])).toBeCloseTo(-54, 0);
  });

  test('coupling capacitors of 47 µF 10 % apart, at 50 Hz into 5 kΩ: -56 dB', () => {
    const leg = (end: string, farads: number): NetElement[] => [
      { type: 'capacitor', name: `c ${end}`, a: 'common', b: end, farads },
      resistor(end, GROUND, 5000),
    ];
    expect(rejection([leg('hot', 47e-6), leg('cold', 0.9 * 47e-6)])).toBeCloseTo(-56.5, 0);
  });

  test('feed resistors 0.4 % apart behind a source of 150 Ω: under -87 dB', () => {
    const leg = (end: string, ohms: number) => [resistor('common', end, 75), resistor(end, GROUND, ohms)];
    expect(rejection([leg('hot', 6810), leg('cold', 6810 * 1.004)])).toBeLessThan(-87);
  });
});

describe('what a line hears', () => {
  const apart = (how: Hearing['how'], ohms: number | undefined) =>
    mainsReadings(
      job({
        units: [unit('a', { outlet: 'a' }), unit('b')],
        outlets: [strip('a', undefined, { ohms: 1, length: 0 })],
        ties: [tie('a', 'b', ohms, how)],
      }),
    ).lines[0];

  test('unbalanced, the drop along its shield adds to the signal: 100 µV are -77.8 dBu', () => {
    expect(dbu(100e-6)).toBeCloseTo(-77.8, 1);
    const line = apart('unbalanced', 1e9);
    // 0.34 mA over 1 Ω.
    expect(line.byHarmonic[0].level).toBeCloseTo(dbu(0.3396e-3), 1);
  });
  test('balanced, 10 Ω over 5 kΩ convert -54 dB of it, and pin 1 its share of the current', () => {
    expect(20 * Math.log10(CONVERSION)).toBeCloseTo(-54, 0);
    expect(apart('balanced', 1e9).reads['as-set']).toBeCloseTo(apart('unbalanced', 1e9).reads['as-set'] - 54, 0);
    const shield = 0.1;
    const line = apart('balanced', shield);
    expect(line.shield).toBeGreaterThan(0);
    expect(line.reads['as-set']).toBeGreaterThan(dbu(line.shield * 1e-3));
  });
  test('a transformer with its ground lifted leaves its capacitance: less than a balanced line hears', () => {
    expect(apart('transformer', undefined).reads['as-set']).toBeLessThan(apart('balanced', 1e9).reads['as-set'] - 20);
  });
  test('shares add up to one, and name who leaks', () => {
    const { shares } = apart('unbalanced', 0.1);
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2);
    expect(shares[0]).toMatchObject({ unit: 'a', way: 'leakage' });
  });
});

test('two units that are silent alone hum together: a ring of what leaks on two strips', () => {
  const both = job({
    units: [unit('desk', { outlet: 'a' }), unit('laptop', { outlet: 'b' })],
    outlets: [strip('a'), strip('b', 'a', { length: 20, ohms: 20 * ohmsPerMetre(1) + CONTACT })],
    ties: [tie('laptop', 'desk', 0.1, 'unbalanced')],
  });
  const [loop] = mainsReadings(both).loops;
  expect(loop.units.toSorted()).toEqual(['desk', 'laptop']);
  expect(loop.amps).toBeGreaterThan(1e-5);
  for (const alone of both.units) expect(mainsReadings({ ...both, units: [alone], ties: [] }).loops).toEqual([]);
});

describe('nothing earthed at all', () => {
  const four = ['a', 'b', 'c', 'd'].map(twoPin);
  const chain = four.slice(1).map((each, n) => tie(four[n].id, each.id, 0.1));

  test('one unit stands at 115 V behind 723 kΩ; four give 0.64 mA to whoever joins them to earth', () => {
    expect(fundamental(job({ units: [four[0]] })).chassis[0]).toBeCloseTo(115, 0);
    expect(1 / (2 * Math.PI * 50 * 4.4e-9) / 1e3).toBeCloseTo(723, 0);
    const { floating } = mainsReadings(job({ units: four, ties: chain }));
    expect(floating!.touch * 1e3).toBeCloseTo(0.636, 2);
    expect(floating!.units).toHaveLength(4);
  });

  const bonded = (ohms: number) => fundamental(job({ units: [four[0]], ties: [tie('a', EARTH, ohms)] })).chassis[0];
  test('a bonding lead of 1 Ω leaves 0.16 mV; a grounding plug with 1 MΩ inside 93 V, 1.8 dB less than none', () => {
    expect(bonded(1) * 1e3).toBeCloseTo(0.16, 2);
    expect(bonded(1e6)).toBeCloseTo(93.2, 0);
    expect(20 * Math.log10(bonded(1e6) / 115)).toBeCloseTo(-1.8, 1);
  });
});

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

describe('held against ngspice', () => {
  const JOBS: Record<string, MainsSystem> = {};
  const plugs = [unit, (id: string) => twoPin(id)];
  /** Balanced supplies, diodes in earth leads, shields over capacitors, audio grounds that are not the chassis. */
  const unusual = (n: number) =>
    [
      {
        name: 'balanced supply',
        of: (from: MainsSystem): MainsSystem => ({
          ...from,
          balanced: true,
          units: from.units.map((each) => ({ ...each, leg: 1 as const })),
        }),
      },
      {
        name: 'diodes in a strip’s earth lead and in a unit’s',
        of: (from: MainsSystem): MainsSystem => ({
          ...from,
          outlets: from.outlets.map((each, k) => (k === 1 ? { ...each, ohms: each.ohms + 700 } : each)),
          units: from.units.map((each, k) => (k === 0 ? { ...each, own: each.own + 3000 } : each)),
        }),
      },
      {
        name: 'shields over capacitors, audio grounds over resistors',
        of: (from: MainsSystem): MainsSystem => ({
          ...from,
          units: from.units.map((each, k) => (k === 1 ? { ...each, audioGround: 'resistor' as const } : each)),
          ties: from.ties.map((each, k) => (k === 0 ? { ...each, ohms: undefined, farads: 10e-9 } : each)),
        }),
      },
    ][n % 3];
  for (let n = 0; n < 20; n++) {
    const outlets = [strip('a'), strip('b', n % 2 ? 'a' : undefined, { ohms: 0.05 + n / 50 }), strip('c', 'b')];
    const units = Array.from({ length: 4 + (n % 3) }, (_, k) => ({
      ...plugs[(n >> k) & 1](`u${k}`),
      outlet: outlets[(n + k) % 3].name,
      leg: (n % 5 === 0 && k % 2 ? -1 : 1) as 1 | -1,
    }));
    const ties = units.slice(1).map((each, k) => tie(units[k].id, each.id, k % 3 ? 0.05 * (k + 1) : 1 + n));
    JOBS[`${n + 1}: ${units.length} units${n % 4 === 3 ? ', neutral free' : ''}`] = job({
      units,
      outlets,
      ties: n % 2 ? [...ties, tie(units[0].id, units.at(-1)!.id, 0.2)] : ties,
      bonded: n % 4 !== 3,
    });
    if (n >= 14) JOBS[`${n + 7}: ${unusual(n).name}`] = unusual(n).of(JOBS[Object.keys(JOBS).at(-1)!]);
  }
  test.each(Object.entries(JOBS))('%s', async (_, system) => {
    const netlist = mainsNetlist(system, system.volts);
    const [theirs, ours] = [await signalVolts(netlist), ownSignalVolts(netlist)];
    for (const node of nodesOf(netlist)) {
      const [want, have] = [theirs(node), ours(node)];
      want.forEach((value, n) => {
        expect(Math.hypot(have[n].re - value.re, have[n].im - value.im)).toBeLessThan(
          // Where nothing is earthed, microvolts are the difference of voltages of the mains.
          1e-4 * Math.max(magnitude(value), 100e-6),
        );
      });
    }
    // What is put together from everybody's share is what the netlist says as a whole, at the fundamental.
    const whole = smallSignal(operatingPoint(netlist))(system.hertz);
    for (const [n, volts] of fundamental(system).chassis.entries())
      expect(Math.abs(volts - magnitude(whole.volts(chassisOf(system.units[n].id))))).toBeLessThan(
        1e-4 * Math.max(volts, 1e-6),
      );
  });
});

test('held against ngspice: what a load induces, there a voltage in series with the lead, drives the same through the shield', async () => {
  const ohms = 20 * ohmsPerMetre(1) + CONTACT;
  const far = job({
    units: [
      unit('heater', { outlet: 'stage', amps: 5, leaks: [], plug: 'two-pin' }),
      unit('audio', { outlet: 'stage', leaks: [] }),
      unit('desk', { leaks: [] }),
    ],
    outlets: [strip('stage', undefined, { length: 20, ohms })],
    ties: [tie('audio', 'desk', 0.1, 'unbalanced')],
  });
  const net = new NetlistBuilder();
  const induced = 2 * Math.PI * 50 * INDUCTION * 5 * 20;
  net.add({ type: 'voltageSource', name: 'induced', a: 'lead', b: GROUND, volts: 0, signal: induced });
  for (const [a, b, each] of [
    ['lead', 'stage', ohms],
    ['stage', 'audio', OWN_LEAD],
    [GROUND, 'desk', OWN_LEAD],
    ['audio', 'desk', 0.1],
  ] as const)
    net.add({ type: 'resistor', name: `${a} ${b}`, a, b, ohms: each });
  const theirs = await signalVolts(net.build());
  const drop = magnitude({
    re: theirs('audio')[0].re - theirs('desk')[0].re,
    im: theirs('audio')[0].im - theirs('desk')[0].im,
  });
  expect(mainsReadings(far).lines[0].byHarmonic[0].level).toBeCloseTo(dbu(drop), 3);
});
