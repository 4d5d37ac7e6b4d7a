import { ownSignalVolts, signalVolts } from '../../../tests/referee/ngspice';
import { decibels } from '../units';
import { magnitude, netlist, operatingPoint, phase, smallSignal, spiceText, type Element } from '.';

const signal: Element = { type: 'voltageSource', name: 'signal', a: 'emf', b: 'gnd', volts: 0, signal: 1 };
const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  type: 'resistor',
  name,
  a,
  b,
  ohms,
});
const at = (elements: Element[], frequency: number) => smallSignal(operatingPoint(netlist(elements)))(frequency);

test('150 Ω into 1.5 kΩ loses 0.83 dB', () => {
  const response = at([signal, resistor('source', 'emf', 'out', 150), resistor('load', 'out', 'gnd', 1500)], 1000);
  expect(decibels(magnitude(response.volts('out')))).toBeCloseTo(-0.83, 2);
});

test('a 12:1 direct box into 1.5 kΩ shows 216 kΩ and loses 21.6 dB', () => {
  const box: Element[] = [
    resistor('wire', 'emf', 'in', 1e-3),
    {
      type: 'idealTransformer',
      name: 'box',
      windings: [
        { a: 'in', b: 'gnd', turns: 12 },
        { a: 'out', b: 'gnd', turns: 1 },
      ],
    },
    resistor('inlet', 'out', 'gnd', 1500),
  ];
  expect(decibels(magnitude(at([signal, ...box], 1000).volts('out')))).toBeCloseTo(-21.6, 1);
  const open = at([{ ...signal, signal: 0 } as Element, resistor('isolate', 'emf', 'in', 1e12), ...box.slice(1)], 1000);
  expect(open.impedance('in').ohms / 1e3).toBeCloseTo(216, 3);
});

// f = 1 / (2πRC): the low cut is where the response has fallen by 3.01 dB.
test.each([
  [216e3, 737],
  [1e6, 159],
  [10e6, 16],
])('a piezo of 1 nF into %s Ω is cut below %s Hz', (ohms, cut) => {
  const elements: Element[] = [
    signal,
    { type: 'capacitor', name: 'piezo', a: 'emf', b: 'out', farads: 1e-9 },
    resistor('load', 'out', 'gnd', ohms),
  ];
  const exact = 1 / (2 * Math.PI * ohms * 1e-9);
  expect(Math.round(exact)).toBe(cut);
  const response = at(elements, exact);
  expect(decibels(magnitude(response.volts('out')))).toBeCloseTo(10 * Math.log10(0.5), 9);
  expect(phase(response.volts('out'))).toBeCloseTo(45, 9);
});

test('a floating secondary still shows its signal', () => {
  const response = at(
    [
      signal,
      resistor('source', 'emf', 'in', 600),
      { type: 'inductor', name: 'l1', a: 'in', b: 'gnd', henries: 4 },
      { type: 'inductor', name: 'l2', a: 'p', b: 'q', henries: 1 },
      { type: 'coupling', name: 'k', first: 'l1', second: 'l2', factor: 0.9999 },
      resistor('load', 'p', 'q', 1e4),
    ],
    1000,
  );
  expect(decibels(magnitude(response.volts('p', 'q')))).toBeCloseTo(decibels(0.5 / (1 + 600 / 4e4)), 1);
});

test('ngspice agrees on coupled windings, capacitors and a biased diode', async () => {
  const circuit = netlist([
    signal,
    { type: 'voltageSource', name: 'bias', a: 'bias', b: 'gnd', volts: 9 },
    resistor('rb', 'bias', 'd', 4700),
    { type: 'diode', name: 'led', a: 'd', b: 'gnd', saturationAmps: 1e-18, emission: 2 },
    { type: 'capacitor', name: 'c', a: 'emf', b: 'd', farads: 1e-6 },
    resistor('rs', 'd', 'in', 300),
    { type: 'inductor', name: 'l1', a: 'in', b: 'gnd', henries: 2 },
    { type: 'inductor', name: 'l2', a: 'o2', b: 'gnd', henries: 0.5 },
    { type: 'inductor', name: 'l3', a: 'gnd', b: 'o3', henries: 0.5 },
    { type: 'coupling', name: 'k12', first: 'l1', second: 'l2', factor: 0.999 },
    { type: 'coupling', name: 'k13', first: 'l1', second: 'l3', factor: 0.999 },
    { type: 'coupling', name: 'k23', first: 'l2', second: 'l3', factor: 0.999 },
    resistor('load', 'o2', 'o3', 2200),
  ]);
  const own = ownSignalVolts(circuit);
  const referee = await signalVolts(circuit);
  for (const node of ['d', 'in', 'o2', 'o3'])
    own(node).forEach((value, n) =>
      expect(Math.abs(decibels(magnitude(value)) - decibels(magnitude(referee(node)[n])))).toBeLessThan(1e-3),
    );
});

test('SPICE text keeps distinct names distinct and explains its nodes', () => {
  const { text } = spiceText(netlist([resistor('a.b', 'x y', 'gnd', 1), resistor('a b', 'x.y', 'gnd', 2)]), {
    title: 'two\nlines',
  });
  expect(text.split('\n')[0]).toBe('two lines');
  expect(text).toContain('R_a_b n_x_y 0 1e+0');
  expect(text).toContain('R_a_b_2 n_x_y_2 0 2e+0');
  expect(text).toContain('* node n_x_y is x y');
});
