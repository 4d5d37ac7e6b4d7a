import fc from 'fast-check';
import { netlist, type Element } from './netlist';
import { stagesOf } from './stage';
import { assemble } from './system';
import { voltage } from './tangent';

const NODES = ['gnd', 'a', 'b', 'c', 'd', 'e'];
const value = (least: number, most: number) =>
  fc.double({ min: Math.log(least), max: Math.log(most), noNaN: true }).map(Math.exp);
const between = fc
  .tuple(fc.constantFrom(...NODES), fc.constantFrom(...NODES))
  .filter(([a, b]) => a !== b)
  .map(([a, b]) => ({ a, b }));
const part = (n: number) =>
  fc.oneof(
    fc
      .record({ ends: between, ohms: value(10, 1e6) })
      .map(({ ends, ohms }): Element => ({ type: 'resistor', name: `r${n}`, ...ends, ohms })),
    fc
      .record({ ends: between, farads: value(1e-11, 1e-4) })
      .map(({ ends, farads }): Element => ({ type: 'capacitor', name: `c${n}`, ...ends, farads })),
    fc
      .record({ ends: between, henries: value(1e-3, 10) })
      .map(({ ends, henries }): Element => ({ type: 'inductor', name: `l${n}`, ...ends, henries })),
    between.map((ends): Element => ({ type: 'diode', name: `d${n}`, ...ends, saturationAmps: 1e-12, emission: 1 })),
    fc.record({ ends: between, amps: value(1e-4, 1e-2) }).map(({ ends, amps }): Element => ({
      type: 'constantCurrentLoad',
      name: `i${n}`,
      ...ends,
      amps,
      kneeVolts: 0.5,
    })),
  );
/** Every node has a way to ground, so that each circuit has an answer. */
const ground = NODES.slice(1).map((a): Element => ({ type: 'resistor', name: `g${a}`, a, b: 'gnd', ohms: 1e5 }));
const circuits = fc
  .tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.tuple(...Array.from({ length: 9 }, (_, n) => part(n))))
  .map(([volts, parts]) =>
    netlist([
      {
        type: 'voltageSource',
        name: 'feed',
        a: 'f',
        b: 'gnd',
        volts,
        wave: [
          { at: 0, value: 0 },
          { at: 1, value: volts },
        ],
      },
      { type: 'resistor', name: 'feed.r', a: 'f', b: 'a', ohms: 6800 },
      ...ground,
      ...parts,
    ]),
  );

test('a stage solves G·x + i(x) + share · C·x = z + charge for every unknown, those that were eliminated too', () => {
  fc.assert(
    fc.property(circuits, value(1, 1e6), fc.double({ min: 0, max: 1, noNaN: true }), (of, share, at) => {
      const system = assemble(of);
      const { size: n, g, c, nonLinear } = system;
      const before = Float64Array.from({ length: n }, (_, k) => Math.sin(k));
      const charge = new Float64Array(n);
      for (let row = 0; row < n; row++)
        for (let column = 0; column < n; column++) charge[row] += share * c[row * n + column] * before[column];
      const x = new Float64Array(n);
      const volts = nonLinear.map((each) => voltage(before, each));
      const guess = volts.slice();
      expect(stagesOf(system)(charge, at, share, volts, x, true)).toBe(true);
      volts.forEach((each, k) => expect(each).toBeCloseTo(voltage(x, nonLinear[k]), 5));
      // Asked for no more than what holds energy, that is the same.
      const half = new Float64Array(n);
      stagesOf(system)(charge, at, share, guess, half, false);
      for (let row = 0; row < n; row++)
        if (c.subarray(row * n, row * n + n).some((each) => each !== 0)) expect(half[row]).toBe(x[row]);
      const [feed] = of.elements;
      const z = system.z.slice();
      if (feed.type === 'voltageSource') z[system.branch('feed')!] = at * feed.volts;
      for (let row = 0; row < n; row++) {
        let sum = -z[row] - charge[row];
        let size = Math.abs(charge[row]) + Math.abs(z[row]);
        const add = (amount: number) => {
          sum += amount;
          size += Math.abs(amount);
        };
        for (let column = 0; column < n; column++) add((g[row * n + column] + share * c[row * n + column]) * x[column]);
        for (const each of nonLinear) {
          const amps = each.characteristic.at(voltage(x, each)).amps;
          if (each.a === row) add(amps);
          if (each.b === row) add(-amps);
        }
        expect(Math.abs(sum)).toBeLessThan(1e-5 * size + 1e-9);
      }
    }),
    { numRuns: 300 },
  );
});
