import { checkRig } from '../rigcheck';
import { readDocument, rigPath } from '.';

/** A document as version 1 had it: every line with an inlet of its own. */
const first = {
  format: 'inlet-check',
  version: 1,
  name: 'Old rig',
  schools: { peakTarget: '-18' },
  lines: [
    {
      id: 'condenser',
      name: 'Condenser',
      source: { kind: 'condenser-48' },
      links: [{ kind: 'cable' }],
      inlet: { kind: 'combo', name: 'recorder 1', choices: { feed: 'P48', jack: 'instrument' } },
    },
    { id: 'wireless', name: 'Wireless', source: { kind: 'moving-coil' }, links: [], inlet: { kind: 'balanced-jack' } },
    {
      id: 'piano',
      name: 'Piano',
      source: { kind: 'line-output' },
      links: [
        {
          kind: 'passive-direct-box',
          choices: { through: 'driven', ground: 'lifted' },
          figures: { throughResistance: { value: 300, unit: 'Ω', basis: 'maker' } },
        },
      ],
      inlet: { kind: 'three-pin' },
    },
  ],
};

test('a document of version 1 becomes one of version 2: each inlet a device, each feed a switch', () => {
  const rig = readDocument(first);
  expect(rig.version).toBe(2);
  expect(rig.schools).toEqual({ peakTarget: '-18' });
  expect(rig.devices[0]).toMatchObject({
    name: 'recorder 1',
    inlets: [{ id: '1', kind: 'combo', choices: { jack: 'instrument' } }],
    groups: [{ feed: 'P48', inlets: ['1'] }],
  });
  expect(rig.devices[1].groups).toEqual([]);
  expect(rig.lines[0].inlet).toEqual({ device: 'device-condenser', inlet: '1' });
  expect(checkRig(rig).lines.find(({ id }) => id === 'condenser')!.verdict).toBe('Clear');
});

test('a second output noted on a box becomes a line of its own', () => {
  const rig = readDocument(first);
  const second = rigPath(rig, 'piano-through')!.line;
  expect(second.source).toMatchObject({ kind: 'line-output', figures: { outputResistance: { value: 300 } } });
  const piano = checkRig(rig).lines.find(({ id }) => id === 'piano')!;
  expect(piano.findings.map(({ code }) => code)).toContain('through-as-input');
});

test('what was wrong in version 1 is named, not guessed', () => {
  expect(() => readDocument({ ...first, lines: [{ id: 'x' }] })).toThrow(/version: must be 2, not 1/);
  expect(() => readDocument({ ...first, lines: [{ ...first.lines[0], source: { kind: 'harp' } }] })).toThrow(
    /lines\[0\]\.source\.kind: must be "moving-coil" or/,
  );
  expect(() => readDocument({ ...first, lines: [{ ...first.lines[0], links: [null] }] })).toThrow(
    /lines\[0\]\.links\[0\]/,
  );
});
