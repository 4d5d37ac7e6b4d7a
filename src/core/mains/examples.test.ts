import { GROUND, magnitude, NetlistBuilder, operatingPoint, smallSignal } from '../circuit';
import { EARTH } from '../rig';
import { dbu } from '../units';
import { CONVERSION, INDUCTION, ohmsPerMetre, CONTACT } from './figures';
import { mainsReadings } from './readings';
import type { MainsUnit } from './system';
import type { Hearing } from './ties';
import { unit, twoPin, lead, strip, tie, job, fundamental } from '../../../tests/mainsJobs';

/** Worked examples: common practice, and arithmetic that anybody can do again. */

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
