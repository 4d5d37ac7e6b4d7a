import { directVolts, nodesOf, ownSignalVolts, signalVolts } from '../../../tests/referee/ngspice';
import { magnitude, operatingPoint } from '../circuit';
import { decibels } from '../units';
import { asDrawn, lineCircuit, type Fault, type Line, type Part } from '.';

/** Microphone lines, sound and faulty, each solved here and by ngspice. */
const cable = (...faults: Fault[]): Part => ({
  kind: 'cable',
  figures: { length: { value: 15, unit: 'm', basis: 'assumed' } },
  ...(faults.length && { faults }),
});
const inlet = (feed: string): Part => ({ kind: 'three-pin', choices: { feed } });
const lines: Record<string, [source: Part, links: Part[], inlet: Part]> = {
  'condenser on P48': [{ kind: 'condenser-48' }, [cable()], inlet('P48')],
  'condenser on P24': [{ kind: 'condenser-48' }, [cable()], inlet('P24')],
  'condenser on P12': [{ kind: 'condenser-48' }, [cable()], inlet('P12')],
  'condenser on SP48': [{ kind: 'condenser-48' }, [cable()], inlet('SP48')],
  'condenser on T12': [{ kind: 'condenser-9-52' }, [cable()], inlet('T12')],
  'condenser, feed off': [{ kind: 'condenser-48' }, [cable()], inlet('off')],
  'condenser of 10 mA that drops out on P12': [
    {
      kind: 'condenser-48',
      figures: {
        current: { value: 22, unit: 'mA', basis: 'assumed' },
        pickOff: { value: 2200, unit: 'Ω', basis: 'assumed' },
      },
    },
    [cable()],
    inlet('P12'),
  ],
  'condenser, pin 3 open': [{ kind: 'condenser-48' }, [cable({ type: 'open', contact: '3', at: 8 })], inlet('P48')],
  'condenser, pin 1 open': [{ kind: 'condenser-48' }, [cable({ type: 'open', contact: '1' })], inlet('P48')],
  'condenser, pins 2 and 3 swapped': [
    { kind: 'condenser-48' },
    [cable({ type: 'swapped', contacts: ['2', '3'] })],
    inlet('P48'),
  ],
  'condenser, pin 2 shorted to 1': [
    { kind: 'condenser-48' },
    [cable({ type: 'shorted', contacts: ['2', '1'] })],
    inlet('P48'),
  ],
  'condenser, pins 2 and 3 shorted': [
    { kind: 'condenser-48' },
    [cable({ type: 'shorted', contacts: ['2', '3'] })],
    inlet('P48'),
  ],
  'condenser, leak of 10 kΩ from 3 to 1': [
    { kind: 'condenser-48' },
    [cable({ type: 'leaky', contacts: ['3', '1'], ohms: 10e3 })],
    inlet('P48'),
  ],
  'moving coil on P48': [{ kind: 'moving-coil' }, [cable()], inlet('P48')],
  'moving coil with transformer': [
    { kind: 'moving-coil', choices: { output: 'transformer' } },
    [cable()],
    inlet('P48'),
  ],
  'moving coil, pin 3 shorted to 1': [
    { kind: 'moving-coil' },
    [cable({ type: 'shorted', contacts: ['3', '1'] })],
    inlet('P48'),
  ],
  'moving coil, shield tied to cold': [{ kind: 'moving-coil' }, [cable({ type: 'shield to cold' })], inlet('P48')],
  'moving coil on T12': [{ kind: 'moving-coil' }, [cable()], inlet('T12')],
  'moving coil through a booster': [{ kind: 'moving-coil' }, [{ kind: 'inline-booster' }, cable()], inlet('P48')],
  'moving coil through a pad that passes': [{ kind: 'moving-coil' }, [cable(), { kind: 'pad' }], inlet('P48')],
  'moving coil reversed': [{ kind: 'moving-coil' }, [{ kind: 'polarity-reverser' }, cable()], inlet('off')],
  'ribbon, tap grounded': [{ kind: 'passive-ribbon', choices: { tap: 'grounded' } }, [cable()], inlet('P48')],
  'ribbon, tap free': [{ kind: 'passive-ribbon', choices: { tap: 'none' } }, [cable()], inlet('P48')],
  'electret behind a plain adapter': [{ kind: 'plug-in-electret' }, [{ kind: 'plain-adapter' }, cable()], inlet('P48')],
  'electret behind a converter': [{ kind: 'plug-in-electret' }, [{ kind: 'plug-in-converter' }, cable()], inlet('P48')],
  'electret behind a converter on P12': [
    { kind: 'plug-in-electret' },
    [{ kind: 'plug-in-converter' }, cable()],
    inlet('P12'),
  ],
  'electret in a camera': [{ kind: 'plug-in-electret' }, [], { kind: 'mini-jack' }],
  'phone plug in a camera': [{ kind: 'plug-in-electret', choices: { connector: 'trrs35' } }, [], { kind: 'mini-jack' }],
  'laptop, directly coupled, on P48': [
    { kind: 'line-output', choices: { coupling: 'direct', connector: 'xlr3' } },
    [cable()],
    inlet('P48'),
  ],
  'line output with capacitor on P48': [
    { kind: 'line-output', choices: { connector: 'xlr3' } },
    [cable()],
    inlet('P48'),
  ],
  'T12 condenser on T12': [{ kind: 'condenser-t12' }, [cable()], inlet('T12')],
  'piezo, active direct box': [{ kind: 'piezo-pickup' }, [{ kind: 'active-direct-box' }, cable()], inlet('P48')],
  'magnetic pickup, passive direct box': [
    { kind: 'magnetic-pickup' },
    [{ kind: 'passive-direct-box' }, cable()],
    inlet('P48'),
  ],
  'T12 condenser on a T12 supply box': [{ kind: 'condenser-t12' }, [{ kind: 't12-supply' }, cable()], inlet('off')],
  'T12 condenser wired in reverse on T12 reversed': [
    { kind: 'condenser-t12', choices: { polarity: 'reversed' } },
    [cable()],
    inlet('T12R'),
  ],
  'valve microphone with its own supply': [{ kind: 'valve-own-supply' }, [cable()], inlet('P48')],
  'wireless receiver on P48': [{ kind: 'wireless-receiver', choices: { connector: 'xlr3' } }, [cable()], inlet('P48')],
  'moving coil through a splitter of three': [
    { kind: 'moving-coil' },
    [{ kind: 'splitter', choices: { outlets: 'three' } }, cable()],
    inlet('P48'),
  ],
  'condenser through a camera adapter box': [
    { kind: 'condenser-9-52' },
    [cable(), { kind: 'camera-adapter' }],
    { kind: 'mini-jack' },
  ],
  'electret in a stereo converter': [
    { kind: 'plug-in-electret', choices: { connector: 'trs35-both' } },
    [{ kind: 'plug-in-converter', choices: { socket: 'stereo' } }, cable()],
    inlet('P48'),
  ],
  'keyboard in a stereo direct box': [
    { kind: 'line-output', choices: { connector: 'ts635' } },
    [{ kind: 'stereo-direct-box' }, cable()],
    inlet('off'),
  ],
  'condenser in a plug-on transmitter': [
    { kind: 'condenser-9-52' },
    [],
    { kind: 'plug-on-transmitter', choices: { feed: 'P12' } },
  ],
  'condenser on a supply box into a line mixer': [
    { kind: 'condenser-48' },
    [cable(), { kind: 'supply-box' }, { kind: 'plain-adapter', choices: { wiring: 'xlr-to-trs' } }],
    { kind: 'balanced-jack' },
  ],
};

const circuitOf = ([source, links, end]: (typeof lines)[string]) => {
  const line: Line = { id: 'line', name: 'line', source, links, inlet: end };
  return lineCircuit(asDrawn(line));
};

test('there are lines enough for a referee', () => expect(Object.keys(lines).length).toBeGreaterThanOrEqual(25));

test.each(Object.keys(lines))('%s: direct voltages within 1e-6', async (name) => {
  const { netlist } = circuitOf(lines[name]);
  const own = operatingPoint(netlist);
  const floating = new Set(own.floating.flat());
  const referee = await directVolts(netlist);
  const compared = nodesOf(netlist).filter((node) => !floating.has(node));
  expect(compared.length).toBeGreaterThan(3);
  for (const node of compared) {
    const expected = referee(node);
    const tolerance = 1e-9 + 1e-6 * Math.abs(expected);
    if (Math.abs(own.volts(node)! - expected) > tolerance)
      throw new Error(`${node}: ${own.volts(node)} V here, ${expected} V by ngspice`);
  }
});

test.each(Object.keys(lines))('%s: response within 0.001 dB', async (name) => {
  const { netlist, channels } = circuitOf(lines[name]);
  const own = ownSignalVolts(netlist);
  const referee = await signalVolts(netlist);
  for (const { hot, cold } of channels) {
    const across = (volts: typeof own) => {
      const [a, b] = [volts(hot), volts(cold)];
      return a.map((value, n) => magnitude({ re: value.re - b[n].re, im: value.im - b[n].im }));
    };
    across(own).forEach((level, n) => {
      const expected = across(referee)[n];
      // Below -160 dB both are rounding errors.
      if (expected < 1e-8) return expect(level).toBeLessThan(1e-7);
      expect(Math.abs(decibels(level) - decibels(expected))).toBeLessThan(1e-3);
    });
  }
});
