import { magnitude, operatingPoint, smallSignal } from '../circuit';
import { decibels } from '../units';
import { lineCircuit, type Contact, type Fault, type Line, type Part } from '.';

const through = (links: Part[], feed = 'P48', source: Part = { kind: 'moving-coil' }) => {
  const line: Line = { id: 'line', name: 'line', source, links, inlet: { kind: 'three-pin', choices: { feed } } };
  const circuit = lineCircuit(line);
  const point = operatingPoint(circuit.netlist);
  const [channel] = circuit.channels;
  return {
    circuit,
    point,
    volts: (junction: number, contact: Contact) => point.volts(circuit.junctions[junction].nodes[contact]),
    level: (frequency = 1000) => {
      const volts = smallSignal(point)(frequency).volts(channel.hot, channel.cold);
      return { decibels: decibels(magnitude(volts)), sign: Math.sign(volts.re) };
    },
  };
};

describe('what keeps a feed away from the source, and what passes it on', () => {
  test.each<[string, Part[]]>([
    ['isolating transformer', [{ kind: 'isolating-transformer' }]],
    ['isolating transformer, pin 1 lifted', [{ kind: 'isolating-transformer', choices: { ground: 'lifted' } }]],
    ['inline booster', [{ kind: 'inline-booster' }]],
    ['pad that blocks', [{ kind: 'pad', choices: { feed: 'blocks' } }]],
    ['supply box that is off', [{ kind: 'supply-box', choices: { feed: 'off' } }]],
  ])('%s: nothing reaches the source', (_name, links) => {
    const { volts } = through(links);
    expect(Math.abs(volts(0, '2') ?? 0)).toBeLessThan(1e-6);
    expect(Math.abs(volts(0, '3') ?? 0)).toBeLessThan(1e-6);
    expect(volts(1, '2')).toBeGreaterThan(30);
  });

  test.each<[string, Part[]]>([
    ['cable', [{ kind: 'cable' }]],
    ['pad that passes', [{ kind: 'pad' }]],
    ['polarity reverser', [{ kind: 'polarity-reverser' }]],
    ['TRS patch point', [{ kind: 'trs-patch-point' }]],
  ])('%s: all of it reaches the source', (_name, links) => {
    const { volts } = through(links);
    expect(volts(0, '2')).toBeCloseTo(48, 3);
    expect(volts(0, '3')).toBeCloseTo(48, 3);
  });

  test('a supply box feeds the source and not the inlet', () => {
    const { volts, point } = through([{ kind: 'supply-box' }], 'off', { kind: 'condenser-48' });
    expect(volts(0, '2')).toBeCloseTo(37.8, 2);
    expect(Math.abs(volts(1, '2') ?? 0)).toBeLessThan(1e-6);
    expect(point.amps('link1.feed')).toBeCloseTo(-3e-3, 6);
  });

  test('a converter keeps 48 V away from its mini-jack and gives what it says', () => {
    const { volts } = through([{ kind: 'plug-in-converter' }], 'P48', { kind: 'self-powered-electret' });
    // Nothing drawn: the open voltage.
    expect(volts(0, 'T')).toBeCloseTo(4.2, 1);
  });
});

describe('gain and polarity', () => {
  const plain = through([]).level().decibels;
  test.each<[string, Part[], number, number]>([
    ['pad of 20 dB', [{ kind: 'pad' }], -20, 1],
    ['pad of 40 dB', [{ kind: 'pad', figures: { attenuation: { value: 40, unit: 'dB', basis: 'assumed' } } }], -40, 1],
    ['booster of 25 dB', [{ kind: 'inline-booster' }], 25, 1],
    ['isolating transformer', [{ kind: 'isolating-transformer' }], 0, 1],
    ['polarity reverser', [{ kind: 'polarity-reverser' }], 0, -1],
    ['two polarity reversers', [{ kind: 'polarity-reverser' }, { kind: 'polarity-reverser' }], 0, 1],
  ])('%s', (_name, links, expected, sign) => {
    const level = through(links).level();
    // Loading changes a little with what stands between.
    expect(Math.abs(level.decibels - plain - expected)).toBeLessThan(1.6);
    expect(level.sign).toBe(sign);
  });

  test.each([
    [1, 0],
    [6, -15.6],
    [12, -21.6],
  ])('a passive direct box of %d:1 gives %d dB less', (ratio, expected) => {
    const box: Part = {
      kind: 'passive-direct-box',
      figures: {
        ratio: { value: ratio, unit: ':1', basis: 'maker' },
        primary: { value: 5.5 * ratio ** 2, unit: 'H', basis: 'maker' },
      },
    };
    const { level } = through([box], 'off', { kind: 'line-output', choices: { connector: 'ts635' } });
    expect(level().decibels).toBeCloseTo(expected, -0.5);
    expect(level().sign).toBe(1);
  });

  test('an active direct box keeps level and polarity, and needs no ground to do so', () => {
    for (const ground of ['joined', 'lifted']) {
      const { level } = through([{ kind: 'active-direct-box', choices: { ground } }], 'P48', {
        kind: 'line-output',
        choices: { connector: 'ts635' },
      });
      expect(Math.abs(level().decibels)).toBeLessThan(1);
      expect(level().sign).toBe(1);
    }
  });
});

describe('faults of a cable under a moving coil of 200 Ω on P48, 6.8 kΩ', () => {
  const faulty = (...faults: Fault[]) =>
    through([{ kind: 'cable', figures: { length: { value: 10, unit: 'm', basis: 'assumed' } }, faults }]);
  const coil = (solved: ReturnType<typeof through>) => Math.abs(solved.point.amps('source.coil')) * 1e3;

  test.each<[string, Fault, number, number]>([
    // The reading at pin 2 of the source, and the current through the coil, by Ohm's law.
    ['sound but for a swap', { type: 'swapped', contacts: ['2', '3'] }, 48, 0],
    ['pin 2 open: fed through the coil from pin 3', { type: 'open', contact: '2' }, 48, 0],
    ['pin 1 open', { type: 'open', contact: '1' }, 48, 0],
    ['pin 3 on 1', { type: 'shorted', contacts: ['3', '1'] }, (48 * 200) / 7000, 6.857],
    ['pin 2 on 1', { type: 'shorted', contacts: ['2', '1'] }, 0, 6.857],
    ['pin 2 on 3', { type: 'shorted', contacts: ['2', '3'] }, 48, 0],
    ['shield on the cold conductor', { type: 'shield to cold' }, (48 * 200) / 7000, 6.857],
    // Both legs feed the leak: 48 V · 10 kΩ / (10 kΩ + 3.4 kΩ), nearly.
    ['leak of 10 kΩ from 3 to 1', { type: 'leaky', contacts: ['3', '1'], ohms: 10e3 }, 35.9, 1.77],
  ])('%s', (_name, fault, pin2, milliamps) => {
    const solved = faulty(fault);
    expect(solved.volts(0, '2')! - (solved.volts(0, '1') ?? 0)).toBeCloseTo(pin2, 0);
    expect(coil(solved)).toBeCloseTo(milliamps, 1);
  });

  test('two conductors that are swapped twice are straight again', () => {
    const twice = faulty({ type: 'swapped', contacts: ['2', '3'] }, { type: 'swapped', contacts: ['2', '3'] });
    expect(twice.level().sign).toBe(1);
  });

  test('where the break is moves the capacitance, not the direct voltages', () => {
    const near = faulty({ type: 'open', contact: '2', at: 0 });
    const far = faulty({ type: 'open', contact: '2', at: 10 });
    expect(near.volts(1, '3')).toBeCloseTo(far.volts(1, '3')!, 9);
    expect(far.level(10_000).decibels).toBeGreaterThan(near.level(10_000).decibels + 10);
  });

  test('a long cable dulls a pickup', () => {
    const lead = (length: number) =>
      through(
        [
          {
            kind: 'cable',
            choices: { connector: 'ts635' },
            figures: { length: { value: length, unit: 'm', basis: 'assumed' } },
          },
          { kind: 'active-direct-box' },
        ],
        'P48',
        { kind: 'magnetic-pickup' },
      ).level(10_000).decibels;
    expect(lead(30)).toBeLessThan(lead(3) - 6);
  });
});
