import { directVolts } from '../../../tests/referee/ngspice';
import { CircuitError, netlist, operatingPoint, type Element } from '.';

const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  type: 'resistor',
  name,
  a,
  b,
  ohms,
});
const feed = (volts: number): Element => ({ type: 'voltageSource', name: 'feed', a: 'bus', b: 'gnd', volts });
const phantom = (volts: number, ohms: number): Element[] => [
  feed(volts),
  resistor('r2', 'bus', 'pin2', ohms),
  resistor('r3', 'bus', 'pin3', ohms),
];
const load = (a: string, b: string, amps: number): Element => ({
  type: 'constantCurrentLoad',
  name: 'load',
  a,
  b,
  amps,
  kneeVolts: 0.1,
});
const microphone = (amps: number): Element[] => [
  resistor('leg2', 'pin2', 'supply', 1e3),
  resistor('leg3', 'pin3', 'supply', 1e3),
  load('supply', 'gnd', amps),
];
const fault = (elements: Element[]): CircuitError => {
  try {
    operatingPoint(netlist(elements));
  } catch (error) {
    return error as CircuitError;
  }
  throw new Error('the circuit was solved');
};

// Arithmetic by hand (Ohm's law); the resistances are those of IEC 61938, from memory.
describe('check values of a phantom feed', () => {
  test('3 mA behind 6.81 kΩ leave 37.785 V at both pins', () => {
    const point = operatingPoint(netlist([...phantom(48, 6810), ...microphone(3e-3)]));
    expect(point.volts('pin2')).toBeCloseTo(37.785, 6);
    expect(point.volts('pin3')).toBeCloseTo(37.785, 6);
    expect(point.amps('r2')).toBeCloseTo(1.5e-3, 9);
  });

  test.each([
    ['P48 at 10 mA', 48, 6800, 10e-3, 14.0],
    ['P24 at 5 mA', 24, 1200, 5e-3, 21.0],
    ['P12 at 5 mA', 12, 680, 5e-3, 10.3],
  ])('%s', (_name, volts, ohms, amps, expected) => {
    expect(operatingPoint(netlist([...phantom(volts, ohms), ...microphone(amps)])).volts('pin2')).toBeCloseTo(
      expected,
      6,
    );
  });

  test('both legs shorted to pin 1 take 14.12 mA, one leg 7.06 mA and 0.339 W', () => {
    const short = (pin: string) => resistor(`short${pin}`, pin, 'gnd', 1e-6);
    const both = operatingPoint(netlist([...phantom(48, 6800), short('pin2'), short('pin3')]));
    expect(-both.amps('feed') * 1e3).toBeCloseTo(14.12, 2);
    const one = operatingPoint(netlist([...phantom(48, 6800), short('pin2')]));
    expect(-one.amps('feed') * 1e3).toBeCloseTo(7.06, 2);
    expect(one.amps('r2') ** 2 * 6800).toBeCloseTo(0.339, 3);
  });

  test('one leg open leaves 27.6 V on the other', () => {
    const point = operatingPoint(netlist([feed(48), resistor('r2', 'bus', 'pin2', 6800), ...microphone(3e-3)]));
    expect(point.volts('pin2')).toBeCloseTo(27.6, 6);
  });

  test.each([
    ['P48', 48, 6800, 4.55],
    ['P24', 24, 1200, 4.89],
    ['P12', 12, 680, 2.51],
  ])('a lamp tester on %s', (_name, volts, ohms, milliamps) => {
    // An LED that holds 2 V within some ten millivolts: emission 0.5, saturation set so that 4 mA give 2 V.
    const saturationAmps = 4e-3 * Math.exp(-2 / (0.5 * 0.025865));
    const lamp = (pin: string): Element[] => [
      resistor(`series${pin}`, pin, `lamp${pin}`, 3300),
      { type: 'diode', name: `led${pin}`, a: `lamp${pin}`, b: 'gnd', saturationAmps, emission: 0.5 },
    ];
    const point = operatingPoint(netlist([...phantom(volts, ohms), ...lamp('pin2'), ...lamp('pin3')]));
    expect(point.amps('ledpin2') * 1e3).toBeCloseTo(milliamps, 2);
    expect(point.amps('ledpin3') * 1e3).toBeCloseTo(milliamps, 2);
  });

  test('an electret behind a plain adapter on P48 sees 45.96 V while 7.06 mA are wasted', () => {
    const point = operatingPoint(
      netlist([...phantom(48, 6800), load('pin2', 'gnd', 0.3e-3), resistor('wire', 'pin3', 'gnd', 1e-3)]),
    );
    expect(point.volts('pin2')).toBeCloseTo(45.96, 6);
    expect(point.amps('wire') * 1e3).toBeCloseTo(7.06, 2);
  });

  test.each([
    [1.5, 0.84],
    [2, 1.34],
    [2.5, 1.84],
    [3, 2.34],
    [5, 4.34],
  ])('plug-in power of %s V leaves %s V', (volts, left) => {
    const point = operatingPoint(
      netlist([feed(volts), resistor('bias', 'bus', 'tip', 2200), load('tip', 'gnd', 0.3e-3)]),
    );
    expect(point.volts('tip')).toBeCloseTo(left, 5);
  });

  test('a grounded centre tap passes 6.96 mA in each half of the winding', () => {
    const half = (n: number): Element[] => [
      resistor(`half${n}`, `pin${n}`, `coil${n}`, 100),
      { type: 'inductor', name: `winding${n}`, a: `coil${n}`, b: 'gnd', henries: 0.5 },
    ];
    const point = operatingPoint(netlist([...phantom(48, 6800), ...half(2), ...half(3)]));
    expect(point.amps('winding2') * 1e3).toBeCloseTo(6.96, 2);
    expect(point.amps('winding3') * 1e3).toBeCloseTo(6.96, 2);
  });

  test('a coil of 200 Ω on T12 takes 21.4 mA', () => {
    const point = operatingPoint(
      netlist([
        feed(12),
        resistor('plus', 'bus', 'pin2', 180),
        resistor('minus', 'pin3', 'gnd', 180),
        resistor('coil', 'pin2', 'pin3', 200),
      ]),
    );
    expect(point.amps('coil') * 1e3).toBeCloseTo(21.4, 1);
  });
});

describe('a load that drops out', () => {
  test('takes what the feed can give when it wants more', () => {
    const point = operatingPoint(netlist([feed(12), resistor('r', 'bus', 'pin', 6800), load('pin', 'gnd', 10e-3)]));
    expect(point.volts('pin')).toBeGreaterThan(0);
    expect(point.volts('pin')).toBeLessThan(0.1);
    expect(point.amps('load')).toBeCloseTo(point.amps('r'), 12);
  });

  test('takes nothing without a feed', () => {
    expect(
      operatingPoint(netlist([feed(0), resistor('r', 'bus', 'pin', 6800), load('pin', 'gnd', 1e-2)])).amps('load'),
    ).toBeCloseTo(0, 12);
  });
});

describe('circuits without one answer', () => {
  test('a floating island is named, and keeps the voltages within itself', () => {
    const point = operatingPoint(
      netlist([
        feed(48),
        resistor('r', 'bus', 'gnd', 1e4),
        { type: 'voltageSource', name: 'battery', a: 'plus', b: 'minus', volts: 1.5 },
        resistor('body', 'plus', 'minus', 1e3),
      ]),
    );
    expect(point.floating).toEqual([['plus', 'minus']]);
    expect(point.volts('plus', 'minus')).toBeCloseTo(1.5, 9);
    expect(point.volts('plus')).toBeUndefined();
    expect(point.volts('bus')).toBe(48);
  });

  test('a node behind capacitors only floats for direct current', () => {
    const capacitor = (name: string, a: string, b: string): Element => ({
      type: 'capacitor',
      name,
      a,
      b,
      farads: 1e-6,
    });
    const point = operatingPoint(
      netlist([feed(48), capacitor('c1', 'bus', 'between'), capacitor('c2', 'between', 'gnd')]),
    );
    expect(point.floating).toEqual([['between']]);
  });

  test('a current driven into an island is an error that names it', () => {
    const error = fault([feed(1), { type: 'currentSource', name: 'i', a: 'gnd', b: 'lost', amps: 1e-3 }]);
    expect(error.fault).toBe('floating');
    expect(error.nodes).toEqual(['lost']);
  });

  test('two sources side by side, a winding across a source: singular, and said which', () => {
    const second = fault([feed(48), { type: 'voltageSource', name: 'other', a: 'bus', b: 'gnd', volts: 12 }]);
    expect(second).toMatchObject({ fault: 'singular', nodes: ['other'] });
    const winding = fault([feed(48), { type: 'inductor', name: 'coil', a: 'bus', b: 'gnd', henries: 1 }]);
    expect(winding).toMatchObject({ fault: 'singular', nodes: ['coil'] });
  });

  test.each([
    [[resistor('r', 'a', 'gnd', 0)], /r: resistance must be above 0/],
    [[resistor('r', 'a', 'gnd', 1), resistor('r', 'a', 'gnd', 1)], /same name/],
    [[{ type: 'coupling', name: 'k', first: 'l1', second: 'l2', factor: 0.9 } as Element], /l1 is referred to/],
    [
      [
        { type: 'currentControlledCurrent', name: 'f', a: 'a', b: 'gnd', control: 'v', gain: 1 } as Element,
        resistor('r', 'a', 'gnd', 1),
      ],
      /v is referred to/,
    ],
  ])('bad values are refused', (elements, message) => {
    expect(fault(elements)).toMatchObject({ fault: 'bad-element', message: expect.stringMatching(message) });
  });
});

test('ngspice agrees on every type of element at once', async () => {
  const circuit = netlist([
    feed(48),
    resistor('r1', 'bus', 'x', 6800),
    { type: 'diode', name: 'd', a: 'x', b: 'y', saturationAmps: 1e-14, emission: 1.7 },
    load('y', 'gnd', 2e-3),
    { type: 'voltageControlledVoltage', name: 'e', a: 'z', b: 'gnd', controlA: 'y', controlB: 'gnd', gain: -2 },
    { type: 'voltageSource', name: 'sense', a: 'z', b: 'z2', volts: 0 },
    resistor('rz', 'z2', 'gnd', 1e3),
    { type: 'currentControlledCurrent', name: 'f', a: 'gnd', b: 'u', control: 'sense', gain: 0.5 },
    resistor('ru', 'u', 'gnd', 220),
    { type: 'currentControlledVoltage', name: 'h', a: 'w', b: 'gnd', control: 'sense', ohms: 150 },
    { type: 'voltageControlledCurrent', name: 'g', a: 'w', b: 'v', controlA: 'x', controlB: 'y', siemens: 1e-3 },
    resistor('rv', 'v', 'gnd', 4700),
    {
      type: 'idealTransformer',
      name: 't',
      windings: [
        { a: 'v', b: 'gnd', turns: 3 },
        { a: 'p', b: 'q', turns: 1 },
        { a: 's', b: 'gnd', turns: 2 },
      ],
    },
    resistor('rp', 'p', 'q', 50),
    resistor('rq', 'q', 'gnd', 10),
    resistor('rs', 's', 'gnd', 800),
    { type: 'switch', name: 'sw', a: 's', b: 'gnd', closed: true, closedOhms: 100 },
    { type: 'currentSource', name: 'i', a: 'gnd', b: 'q', amps: 1e-3 },
  ]);
  const own = operatingPoint(circuit);
  const referee = await directVolts(circuit);
  for (const node of own.system.nodes) {
    const expected = referee(node);
    expect(Math.abs(own.volts(node)! - expected)).toBeLessThan(1e-9 + 1e-6 * Math.abs(expected));
  }
});
