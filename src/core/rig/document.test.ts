import { readFileSync } from 'node:fs';
import { validator } from '../../../tests/schemas';
import { complaints } from '../../../tests/referee/ngspice';
import type { Part } from '../gear';
import {
  DocumentError,
  emptyRig,
  jsonSchema,
  lineSpice,
  parseDocument,
  readDocument,
  MOST_LINES,
  type RigDocument,
  type RigLine,
} from '.';

const demo: RigDocument = JSON.parse(readFileSync('demo/lock-nine.json', 'utf8'));
const refusals = (value: unknown) => {
  try {
    readDocument(value);
  } catch (error) {
    if (error instanceof DocumentError) return error.refusals;
    throw error;
  }
  return [];
};
/** The demo rig with one place changed. */
const changed = (change: (rig: RigDocument) => void) => {
  const rig = structuredClone(demo);
  change(rig);
  return rig;
};

const source = (rig: RigDocument, n: number): Part => {
  const { source: found } = rig.lines[n];
  if ('from' in found) throw new Error(`line ${n} has no source of its own`);
  return found;
};

describe('what is wrong is refused with its path and what would be right', () => {
  test.each<[string, (rig: RigDocument) => void, string, RegExp]>([
    [
      'unknown field',
      (rig) => Object.assign(rig.lines[0], { colour: 'red' }),
      'lines[0].colour',
      /unknown field; allowed here: id, name, note, location, source, links, inlet/,
    ],
    [
      'unknown figure',
      (rig) => (source(rig, 0).figures!.voltage = { value: 1, unit: 'V', basis: 'maker' }),
      'lines[0].source.figures.voltage',
      /unknown field; allowed here: current, needs/,
    ],
    [
      'wrong unit',
      (rig) => (source(rig, 0).figures!.current.unit = 'V'),
      'lines[0].source.figures.current.unit',
      /must be "mA", not "V"/,
    ],
    [
      'figure out of range',
      (rig) => (source(rig, 0).figures!.current.value = 900),
      'lines[0].source.figures.current.value',
      /less than or equal to 22/,
    ],
    [
      'number as text',
      (rig) => (source(rig, 0).figures!.current.value = '3' as never),
      'lines[0].source.figures.current.value',
      /must be a number/,
    ],
    [
      'unknown kind',
      (rig) => (rig.lines[1].links[0].kind = 'hose'),
      'lines[1].links[0].kind',
      /must be "cable" or .*not "hose"/,
    ],
    [
      'kind of another role',
      (rig) => (source(rig, 1).kind = 'cable'),
      'lines[1].source.kind',
      /must be "moving-coil" or/,
    ],
    [
      'feed that no switch has',
      (rig) => (rig.devices[0].groups[0].feed = 'P49' as never),
      'devices[0].groups[0].feed',
      /must be "off" or "P48".*not "P49"/,
    ],
    [
      'feed that this switch does not offer',
      (rig) => (rig.devices[0].groups[0].feed = 'P12'),
      'devices[0].groups[0].feed',
      /one of what the switch offers: P48/,
    ],
    [
      'feed that the inlet cannot have',
      (rig) => (rig.devices[1].groups[3].offers = ['P48']),
      'devices[1].groups[3].offers',
      /cannot have 48 V/,
    ],
    [
      'a feed as a choice of the inlet',
      (rig) => (rig.devices[1].inlets[0].choices = { feed: 'P48' }),
      'devices[1].inlets[0].choices.feed',
      /unknown field; allowed here: input, .*jack/,
    ],
    [
      'switch of a missing inlet',
      (rig) => rig.devices[0].groups[0].inlets.push('99'),
      'devices[0].groups[0].inlets[8]',
      /Hold desk has no inlet 99/,
    ],
    [
      'inlet on two switches',
      (rig) => rig.devices[0].groups[0].inlets.push('9'),
      'devices[0].groups[1].inlets[0]',
      /already on the switch “bank A”/,
    ],
    [
      'fault of no type',
      (rig) => (rig.lines[0].links[0].faults = [{ type: 'frayed' } as never]),
      'lines[0].links[0].faults[0].type',
      /must be "open" or/,
    ],
    [
      'fault of a contact the cable has not',
      (rig) => (rig.lines[0].links[0].faults = [{ type: 'open', contact: 'T' }]),
      'lines[0].links[0].faults[0]',
      /speaks of contact T; this cable has 1, 2, 3/,
    ],
    ['no inlet', (rig) => delete (rig.lines[3] as Partial<RigLine>).inlet, 'lines[3].inlet', /required/],
    [
      'a missing inlet',
      (rig) => Object.assign(rig.lines[3].inlet, { inlet: '77' }),
      'lines[3].inlet.inlet',
      /Hold desk has no inlet 77; it has 1, 2/,
    ],
    [
      'a missing device',
      (rig) => Object.assign(rig.lines[3].inlet, { device: 'barge' }),
      'lines[3].inlet.device',
      /there is no device barge; there are desk, bag/,
    ],
    [
      'two lines on one inlet',
      (rig) => Object.assign(rig.lines[3].inlet, { inlet: '1' }),
      'lines[3].inlet',
      /already taken by “Trio, pair A left”/,
    ],
    [
      'a socket that the link has not',
      (rig) => Object.assign((rig.lines[10].inlet as { into: object }).into, { port: 'b' }),
      'lines[10].inlet.into.port',
      /no such socket on that side; it has through/,
    ],
    [
      'a line into one that is not there',
      (rig) => Object.assign((rig.lines[10].inlet as { into: object }).into, { line: 'nobody' }),
      'lines[10].inlet.into.line',
      /no other line nobody/,
    ],
    ['two lines of one id', (rig) => (rig.lines[4].id = rig.lines[0].id), 'lines[4]', /same id as lines\[0\]/],
    [
      'unknown school',
      (rig) => (rig.schools = { ribbonFeed: 'hope' }),
      'schools.ribbonFeed',
      /must be "avoid" or "never" or "trust-maker", not "hope"/,
    ],
    [
      'an answer without a date',
      (rig) => (source(rig, 4).facts = { tap: { who: 'maker', when: 'spring' } }),
      'lines[4].source.facts.tap.when',
      /must be a date like/,
    ],
    [
      'an answer of a day that never was',
      (rig) => (source(rig, 4).facts = { tap: { who: 'maker', when: '2026-02-30' } }),
      'lines[4].source.facts.tap.when',
      /must be a date like/,
    ],
    [
      'a part of no kind',
      (rig) => delete (source(rig, 4) as Partial<Part>).kind,
      'lines[4].source.kind',
      /kind is required: "/,
    ],
    [
      'nothing where a link should be',
      (rig) => ((rig.lines[1].links as (Part | null)[])[0] = null),
      'lines[1].links[0]',
      /^\[0\] must be of type object/,
    ],
    [
      'a fault of no sort',
      (rig) => (rig.lines[1].links[0].faults = [{ type: 'chewed' } as never]),
      'lines[1].links[0].faults[0].type',
      /must be "open" or "swapped" or "shorted" or "leaky" or "shield to cold", not "chewed"/,
    ],
    ['another version', (rig) => (rig.version = 9 as never), 'version', /must be 2, not 9/],
    [
      'ten thousand lines',
      (rig) => (rig.lines = Array.from({ length: 10_000 }, (_, n) => ({ ...demo.lines[0], id: `l${n}` }))),
      'lines',
      new RegExp(`has 10000 lines; one rig takes ${MOST_LINES}`),
    ],
  ])('%s', (_name, change, path, message) => {
    const found = refusals(changed(change));
    expect(found[0]).toMatchObject({ path, message: expect.stringMatching(message) });
  });

  test('everything that is wrong is told, each with its path', () => {
    const shape = refusals(
      changed((rig) => {
        rig.name = '';
        rig.lines[1].links[0].kind = 'hose';
        rig.version = 9 as never;
      }),
    );
    expect(shape.map(({ path }) => path)).toEqual(
      expect.arrayContaining(['name', 'lines[1].links[0].kind', 'version']),
    );
    const references = refusals(
      changed((rig) => {
        rig.devices[0].groups[0].feed = 'P12';
        rig.lines[0].inlet = { device: 'nobody', inlet: '1' };
      }),
    );
    expect(references).toHaveLength(2);
  });

  test('text that is not JSON says so', () => {
    expect(() => parseDocument('{ "format": ')).toThrow(/not JSON/);
    expect(() => parseDocument('[]')).toThrow(DocumentError);
  });

  test('two lines that end in each other are refused, not followed for ever', () => {
    const box = (id: string): Part => ({ kind: 'passive-direct-box', id });
    const into = (line: string, link: string) => ({ into: { line, link, port: 'through' } });
    const lines = [
      { id: 'a', name: 'a', source: { kind: 'line-output' }, links: [box('x')], inlet: into('b', 'y') },
      { id: 'b', name: 'b', source: { kind: 'line-output' }, links: [box('y')], inlet: into('a', 'x') },
    ];
    expect(refusals({ ...emptyRig('round'), lines })[0].message).toMatch(/loops back into itself/);
  });
});

describe('the JSON Schema', () => {
  const valid = validator(jsonSchema());
  test('is the one that is published', () => {
    expect(JSON.parse(readFileSync('docs/format/inlet-check-2.schema.json', 'utf8'))).toEqual(jsonSchema());
  });
  test('accepts the demo rig and refuses what the reader refuses', () => {
    expect(valid(demo)).toBe(true);
    expect(valid(changed((rig) => Object.assign(rig.lines[0], { colour: 'red' })))).toBe(false);
    expect(valid(changed((rig) => (source(rig, 0).figures!.current.unit = 'V')))).toBe(false);
    expect(valid(changed((rig) => (rig.lines[1].links[0].kind = 'hose')))).toBe(false);
  });
});

test.each(demo.lines.map(({ id }) => id))('ngspice accepts the netlist of %s', async (id) => {
  expect(await complaints(lineSpice(demo, id)!)).toEqual([]);
});

test('ngspice does complain of a netlist that is none', async () => {
  expect(await complaints('two sources\nV1 a 0 1\nV2 a 0 2\n.op\n.end\n')).not.toEqual([]);
});

test('a line as SPICE text has its analyses; a line that is not there has none', () => {
  expect(lineSpice(demo, 'guide')).toMatch(/\.op\n\.ac dec 10 20 20000\n\.print ac vm\(.+\)\n\.end\n$/);
  expect(lineSpice(demo, 'nobody')).toBeUndefined();
});
