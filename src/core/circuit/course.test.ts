import fc from 'fast-check';
import { netlist, transient, type Element } from '.';

const at = (course: ReturnType<typeof transient>, node: string, moment: number): number => {
  const n = course.times.findIndex((time) => time >= moment);
  const values = course.volts(node);
  if (n <= 0) return values[0];
  const share = (moment - course.times[n - 1]) / (course.times[n] - course.times[n - 1]);
  return values[n - 1] + share * (values[n] - values[n - 1]);
};

test('any R and C: the charge falls as exp(-t / RC)', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 5, noNaN: true }),
      fc.double({ min: -7, max: -3, noNaN: true }),
      fc.double({ min: 1, max: 60, noNaN: true }),
      (r, c, volts) => {
        const [ohms, farads] = [10 ** r, 10 ** c];
        const rc = ohms * farads;
        const course = transient(
          netlist([
            { type: 'capacitor', name: 'c', a: 'x', b: 'gnd', farads, initialVolts: volts },
            { type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms },
          ]),
          { until: 5 * rc },
        );
        for (const share of [0.3, 1, 2.5])
          expect(Math.abs(at(course, 'x', share * rc) - volts * Math.exp(-share))).toBeLessThan(0.01 * volts);
      },
    ),
    { numRuns: 40 },
  );
});

test('charge is kept: what leaves one capacitor arrives at the other', () => {
  const course = transient(
    netlist([
      { type: 'capacitor', name: 'one', a: 'x', b: 'gnd', farads: 2e-6, initialVolts: 30 },
      { type: 'resistor', name: 'r', a: 'x', b: 'y', ohms: 1000 },
      { type: 'capacitor', name: 'two', a: 'y', b: 'gnd', farads: 1e-6, initialVolts: 0 },
    ]),
    { until: 0.02 },
  );
  const [x, y] = [course.volts('x'), course.volts('y')];
  course.times.forEach((_, n) => expect(2e-6 * x[n] + 1e-6 * y[n]).toBeCloseTo(60e-6, 8));
  // Both end at 20 V.
  expect(x.at(-1)).toBeCloseTo(20, 2);
});

test('an inductor’s current rises as 1 - exp(-tR / L)', () => {
  const [henries, ohms] = [0.5, 100];
  const course = transient(
    netlist([
      {
        type: 'voltageSource',
        name: 'v',
        a: 'x',
        b: 'gnd',
        volts: 10,
        wave: [
          { at: 0, value: 0 },
          { at: 1e-6, value: 10 },
        ],
      },
      { type: 'inductor', name: 'l', a: 'x', b: 'y', henries },
      { type: 'resistor', name: 'r', a: 'y', b: 'gnd', ohms },
    ]),
    { until: 0.03, tolerance: 1e-4 },
  );
  const amps = course.amps('l');
  course.times.forEach((time, n) =>
    expect(Math.abs(amps[n] - 0.1 * (1 - Math.exp((-time * ohms) / henries)))).toBeLessThan(0.1 * 0.005),
  );
});

test('a transformer hands a step on by its turns, and lets go of it again', () => {
  const parts: Element[] = [
    {
      type: 'voltageSource',
      name: 'v',
      a: 'x',
      b: 'gnd',
      volts: 0,
      wave: [
        { at: 1e-3, value: 0 },
        { at: 1.001e-3, value: 1 },
      ],
    },
    { type: 'resistor', name: 'source', a: 'x', b: 'p', ohms: 10 },
    { type: 'inductor', name: 'primary', a: 'p', b: 'gnd', henries: 1 },
    { type: 'inductor', name: 'secondary', a: 's', b: 'gnd', henries: 100 },
    { type: 'coupling', name: 'k', first: 'primary', second: 'secondary', factor: 0.9999 },
    { type: 'resistor', name: 'load', a: 's', b: 'gnd', ohms: 1e6 },
  ];
  const course = transient(netlist(parts), { until: 1 });
  // 1:10 by inductances of 1:100.
  expect(course.volts('s').reduce((most, v) => Math.max(most, v), 0)).toBeGreaterThan(9.5);
  expect(Math.abs(course.volts('s').at(-1)!)).toBeLessThan(0.1);
});
