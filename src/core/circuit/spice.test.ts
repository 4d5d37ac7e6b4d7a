import { complaints, directVolts } from '../../../tests/referee/ngspice';
import { netlist, operatingPoint, spiceText, type Element } from '.';

const text = (...elements: Element[]) =>
  spiceText(netlist(elements), { title: 'test' })
    .text.split('\n')
    .filter((row) => row && !row.startsWith('*') && !row.startsWith('.options'));
const ground = { b: 'gnd' };

test.each<[string, Element, string[]]>([
  ['resistor', { type: 'resistor', name: 'r', a: 'x', ...ground, ohms: 6800 }, ['R_r n_x 0 6.8e+3']],
  ['capacitor', { type: 'capacitor', name: 'c', a: 'x', ...ground, farads: 47e-6 }, ['C_c n_x 0 4.7e-5']],
  [
    'capacitor that is charged',
    { type: 'capacitor', name: 'c', a: 'x', ...ground, farads: 1e-6, initialVolts: 48 },
    ['C_c n_x 0 9.999999999999999e-7 IC=4.8e+1'],
  ],
  [
    'inductor',
    { type: 'inductor', name: 'l', a: 'x', ...ground, henries: 2, initialAmps: 0.5 },
    ['L_l n_x 0 2e+0 IC=5e-1'],
  ],
  [
    'voltage source',
    { type: 'voltageSource', name: 'v', a: 'x', ...ground, volts: 48, signal: 1 },
    ['V_v n_x 0 DC 4.8e+1 AC 1e+0'],
  ],
  [
    'voltage over time',
    {
      type: 'voltageSource',
      name: 'v',
      a: 'x',
      ...ground,
      volts: 0,
      wave: [
        { at: 0, value: 0 },
        { at: 0.5, value: 48 },
      ],
    },
    ['V_v n_x 0 DC 0e+0 AC 0e+0 PWL(0e+0 0e+0 5e-1 4.8e+1)'],
  ],
  [
    'current source',
    { type: 'currentSource', name: 'i', a: 'x', ...ground, amps: 3e-3 },
    ['I_i n_x 0 DC 3e-3 AC 0e+0'],
  ],
  ['open switch', { type: 'switch', name: 's', a: 'x', ...ground, closed: false, closedOhms: 1 }, []],
  ['closed switch', { type: 'switch', name: 's', a: 'x', ...ground, closed: true, closedOhms: 2 }, ['R_s n_x 0 2e+0']],
])('%s', (_name, element, expected) => {
  const rows = text(element).filter((row) => !row.startsWith('R_tie') && row !== 'test' && !row.startsWith('.'));
  // The last digits of a decimal fraction are the machine's.
  expect(rows.map((row) => row.replace('9.999999999999999e-7', '1e-6'))).toEqual(
    expected.map((row) => row.replace('9.999999999999999e-7', '1e-6')),
  );
});

test('numbers go through SPICE without losing a digit', () => {
  const value = Math.PI * 1e-7;
  const [row] = text({ type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms: value }).filter((line) =>
    line.startsWith('R_r'),
  );
  expect(Number(row.split(' ')[3])).toBeCloseTo(value, 20);
});

test('what floats is tied to ground, and only that', () => {
  const rows = text(
    { type: 'voltageSource', name: 'feed', a: 'bus', b: 'gnd', volts: 48 },
    { type: 'resistor', name: 'r', a: 'bus', b: 'gnd', ohms: 1e3 },
    { type: 'resistor', name: 'coil', a: 'p', b: 'q', ohms: 200 },
  );
  expect(rows.filter((row) => row.startsWith('R_tie'))).toEqual(['R_tie_1 n_p 0 1e+12']);
});

test('ngspice finds in an ideal transformer with loads what we find', async () => {
  const circuit = netlist([
    { type: 'voltageSource', name: 'v', a: 'in', b: 'gnd', volts: 10 },
    { type: 'resistor', name: 'rs', a: 'in', b: 'p', ohms: 600 },
    {
      type: 'idealTransformer',
      name: 't',
      windings: [
        { a: 'p', b: 'gnd', turns: 12 },
        { a: 's', b: 'gnd', turns: 1 },
        { a: 'gnd', b: 'u', turns: 3 },
      ],
    },
    { type: 'resistor', name: 'rl', a: 's', b: 'gnd', ohms: 150 },
    { type: 'resistor', name: 'ru', a: 'u', b: 'gnd', ohms: 10e3 },
  ]);
  const own = operatingPoint(circuit);
  const referee = await directVolts(circuit);
  for (const node of ['p', 's', 'u']) expect(own.volts(node)).toBeCloseTo(referee(node), 9);
  expect(own.volts('u')! / own.volts('p')!).toBeCloseTo(-0.25, 12);
});

test('names that differ only in what SPICE cannot write stay apart', async () => {
  const circuit = netlist([
    { type: 'voltageSource', name: 'A', a: 'n.1', b: 'gnd', volts: 1 },
    { type: 'voltageSource', name: 'a', a: 'N 1', b: 'gnd', volts: 2 },
    { type: 'resistor', name: 'r', a: 'n.1', b: 'N 1', ohms: 100 },
  ]);
  expect(await complaints(spiceText(circuit, { title: 'names' }).text)).toEqual([]);
  const referee = await directVolts(circuit);
  expect([referee('n.1'), referee('N 1')]).toEqual([1, 2]);
});
