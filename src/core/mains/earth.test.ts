import { magnitude } from '../circuit';
import { INDUCTION, OWN_LEAD, OWN_LENGTH } from './figures';
import { leadOf, ownLeadOf } from './network';
import { mainsReadings } from './readings';
import { solveMains } from './solve';
import { job, strip, tie, unit } from '../../../tests/mainsJobs';

/** What runs in earth conductors: Kirchhoff by hand. */

const LEAK = 2 * Math.PI * 50 * 4.7e-9 * 230;

test('in a chain of three strips each lead carries what leaks behind it: 0.34, 0.68, 1.02 mA', () => {
  const system = job({
    units: [unit('a', { outlet: 'a' }), unit('b', { outlet: 'b' }), unit('c', { outlet: 'c' })],
    outlets: [strip('a'), strip('b', 'a'), strip('c', 'b')],
  });
  const [fundamental] = solveMains(system);
  const amps = system.outlets.map((outlet) => magnitude(fundamental.through(leadOf(outlet))));
  expect(LEAK).toBeCloseTo(0.34e-3, 5);
  expect(amps.map((each) => each / LEAK)).toEqual([3, 2, 1].map((times) => expect.closeTo(times, 4)));
  expect(magnitude(fundamental.through(ownLeadOf(system.units[0]))) / LEAK).toBeCloseTo(1, 4);
});

test('what a load induces in a ring runs in every conductor of it, and in no other', () => {
  const system = job({
    units: [
      unit('desk', { leaks: [], outlet: 'long' }),
      unit('laptop', { leaks: [] }),
      unit('lamp', { plug: 'two-pin', leaks: [], outlet: 'long', amps: 5 }),
      unit('alone', { leaks: [], outlet: 'long' }),
    ],
    outlets: [strip('long', undefined, { length: 20, ohms: 0.3 })],
    ties: [tie('laptop', 'desk', 0.1, 'unbalanced')],
  });
  const [fundamental] = solveMains(system);
  const own = (id: string) => magnitude(fundamental.through(ownLeadOf(system.units.find((each) => each.id === id)!)));
  // 43.6 µV per A·m, over all the resistance of the ring.
  const volts = 2 * Math.PI * 50 * INDUCTION * 20 * 5;
  expect(volts).toBeCloseTo(4.36e-3, 4);
  const amps = volts / (0.3 + 0.1 + 2 * OWN_LEAD);
  expect(magnitude(fundamental.through(leadOf(system.outlets[0]))) / amps).toBeCloseTo(1, 3);
  expect(own('desk') / amps).toBeCloseTo(1, 3);
  expect(own('laptop') / amps).toBeCloseTo(1, 3);
  expect(own('alone')).toBeLessThan(1e-9);
  const { loops, earth } = mainsReadings(system);
  expect(loops[0].amps / earth[0].amps).toBeCloseTo(1, 3);
});

test('its own current induces in the own lead of a unit and drives nothing where no ring is closed', () => {
  const system = job({ units: [unit('amplifier', { leaks: [], amps: 3 })] });
  const [fundamental] = solveMains(system);
  expect(INDUCTION * OWN_LENGTH).toBeGreaterThan(0);
  expect(magnitude(fundamental.through(ownLeadOf(system.units[0])))).toBeLessThan(1e-9);
});

test('every earth conductor has its reading; units without an earth have none', () => {
  const { earth } = mainsReadings(
    job({ units: [unit('a', { outlet: 'a' }), unit('b', { plug: 'two-pin' })], outlets: [strip('a')] }),
  );
  expect(earth.map((each) => ('outlet' in each ? `outlet ${each.outlet}` : `unit ${each.unit}`))).toEqual([
    'outlet a',
    'unit a',
  ]);
  expect(earth[0].amps).toBeGreaterThanOrEqual(LEAK);
});
