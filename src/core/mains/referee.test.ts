import { GROUND, magnitude, NetlistBuilder, operatingPoint, smallSignal } from '../circuit';
import { nodesOf, ownSignalVolts, signalVolts } from '../../../tests/referee/ngspice';
import { dbu } from '../units';
import { INDUCTION, ohmsPerMetre, CONTACT, OWN_LEAD } from './figures';
import { chassisOf, mainsNetlist } from './network';
import { mainsReadings } from './readings';
import type { MainsSystem } from './system';
import { unit, twoPin, strip, tie, job, fundamental } from '../../../tests/mainsJobs';

/** The mains side against ngspice, as the lines are. */

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
