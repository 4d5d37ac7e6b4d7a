import { netlist, transient, type Element } from '.';

const peak = (values: Float64Array) => values.reduce((most, v) => Math.max(most, Math.abs(v)), 0);

test('48 V falls to 1 V through R and C in 3.87 RC', () => {
  const circuit = netlist([
    { type: 'capacitor', name: 'c', a: 'x', b: 'gnd', farads: 47e-6, initialVolts: 48 },
    { type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms: 6800 },
  ]);
  const { times, volts } = transient(circuit, { until: 10, stop: (v) => v('x') < 1 });
  const rc = 47e-6 * 6800;
  expect(volts('x').at(-1)).toBeLessThan(1);
  expect(times.at(-1)! / rc).toBeGreaterThan(3.85);
  expect(times.at(-1)! / rc).toBeLessThan(3.99);
});

test('legs that differ by 0.4 % step by about 71 mV when P48 comes on', () => {
  const leg = (name: string, ohms: number): Element[] => [
    { type: 'resistor', name: `r${name}`, a: 'bus', b: name, ohms },
    { type: 'capacitor', name: `c${name}`, a: name, b: 'gnd', farads: 47e-6 },
  ];
  const course = transient(
    netlist([
      {
        type: 'voltageSource',
        name: 'feed',
        a: 'bus',
        b: 'gnd',
        volts: 48,
        wave: [
          { at: 0, value: 0 },
          { at: 1e-6, value: 48 },
        ],
      },
      ...leg('p2', 6800),
      ...leg('p3', 6800 * 1.004),
    ]),
    { until: 3 },
  );
  // 0.004 · 48 V / e at t = RC, to first order in the mismatch.
  expect(peak(course.volts('p2', 'p3'))).toBeCloseTo(0.0706, 3);
});

test('a series resonance rings at its frequency and dies with its losses', () => {
  const [henries, farads, ohms] = [0.1, 1e-6, 20];
  const course = transient(
    netlist([
      { type: 'capacitor', name: 'c', a: 'x', b: 'gnd', farads, initialVolts: 10 },
      { type: 'inductor', name: 'l', a: 'x', b: 'y', henries, initialAmps: 0 },
      { type: 'resistor', name: 'r', a: 'y', b: 'gnd', ohms },
    ]),
    { until: 0.02, tolerance: 1e-4 },
  );
  const alpha = ohms / (2 * henries);
  const omega = Math.sqrt(1 / (henries * farads) - alpha ** 2);
  const exact = (t: number) =>
    10 * Math.exp(-alpha * t) * (Math.cos(omega * t) + (alpha / omega) * Math.sin(omega * t));
  const volts = course.volts('x');
  course.times.forEach((t, n) => expect(Math.abs(volts[n] - exact(t))).toBeLessThan(0.05));
});

test('a switch moves at its moment, and its current is that of the state it was in', () => {
  const course = transient(
    netlist([
      { type: 'voltageSource', name: 'v', a: 'x', b: 'gnd', volts: 5 },
      {
        type: 'switch',
        name: 's',
        a: 'x',
        b: 'y',
        closed: false,
        closedOhms: 1,
        events: [
          { at: 1e-3, closed: true },
          { at: 2e-3, closed: false },
        ],
      },
      { type: 'resistor', name: 'r', a: 'y', b: 'gnd', ohms: 99 },
    ]),
    { until: 3e-3 },
  );
  const amps = course.amps('s');
  course.times.forEach((t, n) => {
    expect(amps[n]).toBeCloseTo(t > 1e-3 && t <= 2e-3 ? 0.05 : 0, 6);
  });
});

test('what is not in the circuit has no current to tell', () => {
  const course = transient(netlist([{ type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms: 1 }]), { until: 1 });
  expect(() => course.amps('nothing')).toThrow(/not a two-terminal element/);
});
