import { magnitude, operatingPoint, smallSignal, type Element } from '../circuit';
import { decibels } from '../units';
import {
  BASES,
  INLETS,
  LINKS,
  lineCircuit,
  reader,
  SOURCES,
  UNITS,
  type AnyKind,
  type Contact,
  type Line,
  type LineCircuit,
  type Part,
} from '.';

const kinds: AnyKind[] = [...SOURCES, ...LINKS, ...INLETS];
const lineOf = (source: Part, links: Part[], inlet: Part): Line => ({ id: 'line', name: 'line', source, links, inlet });
const node = (circuit: LineCircuit, junction: number, contact: Contact) => circuit.junctions[junction].nodes[contact];

describe.each(kinds)('$role $kind', (kind) => {
  test('has figures whose typical value lies in its range, with unit and basis', () => {
    for (const [name, { min, max, unit, typical, label }] of Object.entries(kind.figures)) {
      expect(`${name} ${label}`).not.toMatch(/undefined/);
      expect(max).toBeGreaterThan(min);
      expect(Object.keys(UNITS)).toContain(unit);
      if (!typical) continue;
      expect(BASES).toContain(typical.basis);
      expect(typical.value).toBeGreaterThanOrEqual(min);
      expect(typical.value).toBeLessThanOrEqual(max);
    }
  });

  test('has choices whose standard is one of their options', () => {
    for (const { options, standard, question } of Object.values(kind.choices)) {
      const values = options.map(({ value }) => value);
      expect(new Set(values).size).toBe(values.length);
      expect(values).toContain(standard);
      if (question) expect(values).toEqual(expect.arrayContaining(['unknown', question.drawnAs]));
    }
  });

  test('says in one sentence what it is', () => expect(kind.summary).toMatch(/^[A-Z0-9].{20,140}\.$/));
});

test('no two kinds share a name within a role', () => {
  for (const list of [SOURCES, LINKS, INLETS]) expect(new Set(list.map(({ kind }) => kind)).size).toBe(list.length);
});

test('a figure of a document goes before the catalogue, in SI units; an unknown name is a mistake of the program', () => {
  const kind = SOURCES.find((source) => source.kind === 'condenser-48')!;
  expect(reader(kind, { kind: kind.kind }).value('current')).toBeCloseTo(3e-3, 12);
  const stated = {
    kind: kind.kind,
    figures: { current: { value: 5.5, unit: 'mA' as const, basis: 'maker' as const } },
  };
  expect(reader(kind, stated).value('current')).toBeCloseTo(5.5e-3, 12);
  expect(() => reader(kind, stated).value('weight')).toThrow(/no figure weight/);
  expect(() => reader(kind, stated).choice('colour')).toThrow(/no choice colour/);
});

/** The source on an inlet that hardly loads it, its circuit biased as it should be. */
const lightly: [kind: string, choices: Record<string, string>, feed: string, loss: number][] = [
  ['moving-coil', { output: 'coil' }, 'off', 0.1],
  ['moving-coil', { output: 'transformer' }, 'off', 0.1],
  ['passive-ribbon', { tap: 'none' }, 'off', 0.8],
  ['passive-ribbon', { tap: 'grounded' }, 'off', 0.8],
  ['active-ribbon', {}, 'P48', 0.2],
  ['active-moving-coil', {}, 'P48', 0.2],
  ['condenser-48', {}, 'P48', 0.2],
  ['condenser-9-52', {}, 'P48', 0.2],
  ['battery-or-phantom-condenser', { battery: 'on' }, 'off', 0.2],
];
test.each(lightly)('%s %o gives its open output of 1 V on a light load (feed %s)', (kind, choices, feed, loss) => {
  const inlet: Part = {
    kind: 'three-pin',
    choices: { feed },
    figures: {
      inputResistance: { value: 1e6, unit: 'Ω', basis: 'assumed' },
      feedResistance: { value: 50e3, unit: 'Ω', basis: 'assumed' },
    },
  };
  const circuit = lineCircuit(lineOf({ kind, choices }, [], inlet));
  // The feed resistors that the inlet has are a load of 100 kΩ.
  const volts = smallSignal(operatingPoint(circuit.netlist))(1000).volts(node(circuit, 0, '2'), node(circuit, 0, '3'));
  expect(Math.abs(decibels(magnitude(volts)))).toBeLessThan(loss);
  expect(volts.re).toBeGreaterThan(0);
});

test.each([
  ['capacitor', 'ts635', 'T', 'S'],
  ['capacitor', 'trs635', 'T', 'R'],
  ['direct', 'ts635', 'T', 'S'],
  ['direct', 'trs635', 'T', 'R'],
  ['transformer', 'trs635', 'T', 'R'],
] as [string, string, Contact, Contact][])(
  'a line output, %s, on %s gives its open output',
  (coupling, connector, hot, cold) => {
    const circuit = lineCircuit(
      lineOf({ kind: 'line-output', choices: { coupling, connector } }, [], { kind: 'balanced-jack' }),
    );
    const volts = smallSignal(operatingPoint(circuit.netlist))(1000).volts(
      node(circuit, 0, hot),
      node(circuit, 0, cold),
    );
    expect(Math.abs(decibels(magnitude(volts)))).toBeLessThan(0.2);
    expect(volts.re).toBeGreaterThan(0);
  },
);

test('a plug-in electret gives its stated output on 2.2 kΩ', () => {
  const light = { inputResistance: { value: 1000, unit: 'kΩ' as const, basis: 'assumed' as const } };
  const circuit = lineCircuit(lineOf({ kind: 'plug-in-electret' }, [], { kind: 'mini-jack', figures: light }));
  const volts = smallSignal(operatingPoint(circuit.netlist))(1000).volts(node(circuit, 0, 'T'), node(circuit, 0, 'S'));
  expect(Math.abs(decibels(magnitude(volts)))).toBeLessThan(0.1);
});

describe('inlets', () => {
  const open = (inlet: Part) => {
    const circuit = lineCircuit(
      lineOf({ kind: 'line-output', choices: { coupling: 'transformer', connector: 'xlr3' } }, [], inlet),
    );
    return { circuit, point: operatingPoint(circuit.netlist) };
  };
  // Open-circuit voltages of IEC 61938 and DIN 45595, from memory.
  test.each([
    ['P48', 48],
    ['P24', 24],
    ['P12', 12],
    ['SP48', 48],
  ])('%s stands at %d V on both pins when nothing draws', (feed, volts) => {
    const { circuit, point } = open({ kind: 'three-pin', choices: { feed } });
    expect(point.volts(node(circuit, 0, '2'))).toBeCloseTo(volts, 6);
    expect(point.volts(node(circuit, 0, '3'))).toBeCloseTo(volts, 6);
  });
  test('a measured feed goes before the standard', () => {
    const { circuit, point } = open({
      kind: 'three-pin',
      choices: { feed: 'P48' },
      figures: { feedVolts: { value: 45.6, unit: 'V', basis: 'measured' } },
    });
    expect(point.volts(node(circuit, 0, '2'))).toBeCloseTo(45.6, 6);
  });
  test.each([
    ['off', 2000],
    ['P48', 2000],
  ])('with the feed %s the source sees the resistance the sheet states', (feed, ohms) => {
    const circuit = lineCircuit(lineOf({ kind: 'moving-coil' }, [], { kind: 'three-pin', choices: { feed } }));
    const without: Element[] = circuit.netlist.elements.filter(({ name }) => !name.startsWith('source'));
    const response = smallSignal(operatingPoint({ ...circuit.netlist, elements: without }))(1000);
    expect(response.impedance(node(circuit, 0, '2'), node(circuit, 0, '3')).ohms).toBeCloseTo(ohms, -1);
  });
  test('a combination socket takes either plug: a feed on three pins, none on the jack', () => {
    const jack = lineCircuit(
      lineOf({ kind: 'line-output', choices: { connector: 'trs635' } }, [], {
        kind: 'combo',
        choices: { feed: 'P48' },
      }),
    );
    expect(jack.junctions[0]).toMatchObject({ socket: 'trs635', fits: true });
    expect(jack.stakes.some(({ type }) => type === 'feed')).toBe(false);
    const pins = lineCircuit(lineOf({ kind: 'condenser-48' }, [], { kind: 'combo', choices: { feed: 'P48' } }));
    expect(pins.stakes.some(({ type }) => type === 'feed')).toBe(true);
  });
  test.each([
    ['ctia', 'S', 'R2'],
    ['omtp', 'R2', 'S'],
  ] as [string, Contact, Contact][])(
    'a phone jack in %s order feeds its microphone contact',
    (order, microphone, common) => {
      const circuit = lineCircuit(
        lineOf({ kind: 'plug-in-electret', choices: { connector: 'trrs35' } }, [], {
          kind: 'phone-jack',
          choices: { order },
        }),
      );
      const point = operatingPoint(circuit.netlist);
      const between = point.volts(node(circuit, 0, microphone), node(circuit, 0, common))!;
      expect(between).toBeGreaterThan(0);
      expect(circuit.channels).toHaveLength(1);
      expect(point.volts(node(circuit, 0, common))).toBeCloseTo(0, 9);
    },
  );
});
