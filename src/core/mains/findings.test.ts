import { readFileSync } from 'node:fs';
import { EARTH, parseDocument, readDocument, type RigDocument, type Unit } from '../rig';
import { withMainsEdit } from './edits';
import { mainsReport } from './findings';
import { mainsAnswer } from './answer';

const rigOf = (name: string) => parseDocument(readFileSync(`demo/${name}.json`, 'utf8'));
const lockNine = rigOf('lock-nine');
const mended = rigOf('lock-nine-mended');
const codes = (document: RigDocument) => mainsReport(document).findings.map(({ code }) => code);
const withUnits = (units: Unit[], more: Partial<RigDocument> = {}): RigDocument => ({ ...lockNine, units, ...more });
const of = (document: RigDocument, line: string) =>
  mainsReport(document).readings.lines.find((each) => each.line === line)!;

/** The electric piano straight into a line input: nothing but a lead with one conductor and a shield. */
const straight: RigDocument = {
  ...lockNine,
  schools: { ...lockNine.schools, noiseFloor: '-110' },
  mains: {
    outlets: [
      { name: 'stage strip', length: { value: 40, unit: 'm', basis: 'measured' } },
      { name: 'audio strip', length: { value: 5, unit: 'm', basis: 'measured' } },
    ],
  },
  devices: lockNine.devices.map((device) =>
    device.id === 'desk'
      ? {
          ...device,
          inlets: device.inlets.map((inlet) => (inlet.id === '10' ? { id: '10', kind: 'balanced-jack' } : inlet)),
          groups: device.groups.map((group) => ({ ...group, inlets: group.inlets.filter((id) => id !== '10') })),
        }
      : device,
  ),
  lines: lockNine.lines
    .filter(({ inlet }) => 'device' in inlet)
    .map((line) =>
      line.id === 'piano-left'
        ? {
            ...line,
            inlet: { device: 'desk', inlet: '10' },
            links: line.links.slice(0, 1),
          }
        : line,
    ),
  units: lockNine.units!.map((unit) =>
    unit.id === 'hold-lamps' ? { ...unit, current: { value: 8, unit: 'A', basis: 'measured' } } : unit,
  ),
};

describe('the mains side of the demo', () => {
  test('the stage strip’s earth is out of use until repaired; mended there is nothing to mend', () => {
    expect(codes(lockNine)[0]).toBe('earth-path');
    expect(mainsReport(lockNine).findings[0].severity).toBe('harm');
    expect(codes(mended)).toEqual(['nothing-to-mend']);
  });

  test('the laptop closes a ring with the desk, and its shield carries milliamperes', () => {
    const { loops } = mainsReport(lockNine).readings;
    const loop = loops.find(({ ties }) => ties[0] === 'laptop')!;
    expect(loop.units.toSorted()).toEqual(['hold-desk', 'laptop']);
    expect(loop.amps).toBeGreaterThan(1e-3);
  });

  test('on its battery it closes none', () => {
    const quiet = withMainsEdit(lockNine, { do: 'plug', unit: 'laptop', plug: 'cells' });
    expect(mainsReport(quiet).readings.loops.some(({ ties }) => ties[0] === 'laptop')).toBe(false);
  });

  test('as programs get it: everything by name, and each line by harmonic', () => {
    const answer = mainsAnswer(lockNine);
    expect(answer).toMatchObject({ format: 'inlet-check-mains', version: 1 });
    expect(answer.lines.map(({ id }) => id)).toContain('piano-left');
    expect(answer.lines[0].byHarmonic[0].hz).toBe(50);
    expect(answer.loads.find(({ outlet }) => outlet === 'shore-power socket')!.amps).toBeGreaterThan(5);
  });
});

describe('an unbalanced lead between two strips, heavy loads beside one of them', () => {
  const report = mainsReport(straight);
  const hum = report.findings.find(({ code, line }) => code === 'hum' && line === 'piano-left');

  test('is heard, with who gives most of it and how sure that is', () => {
    expect(of(straight, 'piano-left').how).toBe('unbalanced');
    expect(hum?.why).toContain('± 12 dB');
    expect(hum?.why).toContain('Electric piano');
    expect(of(straight, 'piano-left').shares.map(({ unit }) => unit)).toContain('hold-lamps');
  });

  test('the cheapest remedies come first, each solved: same strip, the load elsewhere', () => {
    const [first] = hum!.remedies;
    expect(first.what).toBe('Plug Electric piano into audio strip, with Hold desk');
    for (const { before, after, edit } of hum!.remedies.filter(({ unknown }) => !unknown)) {
      expect(after!).toBeLessThan(before! - 1);
      if (edit) expect(of(withMainsEdit(straight, edit), 'piano-left')?.reads['as-set'] ?? -200).toBeCloseTo(after!, 6);
    }
  });

  test('the same way over a direct box is far quieter', () => {
    const boxed = { ...straight, lines: lockNine.lines, devices: lockNine.devices };
    expect(of(boxed, 'piano-left').reads['a-weighted']).toBeLessThan(
      of(straight, 'piano-left').reads['a-weighted'] - 12,
    );
  });
});

describe('what is dangerous is told whatever it sounds like', () => {
  const units = lockNine.units!;
  test('an earth that is taken away is Stop, and no remedy says to take one away', () => {
    const lifted = withMainsEdit(mended, { do: 'plug', unit: 'hold-desk', plug: 'earth lifted' });
    const [first] = mainsReport(lifted).findings;
    expect(first).toMatchObject({ code: 'earth-lifted', severity: 'harm' });
    for (const rig of [lockNine, straight, lifted])
      for (const { remedies } of mainsReport(rig).findings)
        for (const { edit } of remedies) expect(JSON.stringify(edit ?? {})).not.toContain('earth lifted');
  });

  test('a strip that carries more than its rating', () => {
    const heavy = withUnits(
      units.map((unit) =>
        unit.id === 'hold-lamps'
          ? { ...unit, outlet: 'stage strip', current: { value: 12, unit: 'A', basis: 'measured' } }
          : unit,
      ),
    );
    const told = mainsReport(heavy).findings.filter(({ code }) => code === 'overloaded');
    expect(told.map(({ what, severity }) => [what.split(' is ')[0].split(' may ')[0], severity])).toEqual([
      ['stage strip', 'harm'],
      // What is over its rating by usual currents only is to be looked at, and stops nobody.
      ['shore-power socket', 'watch'],
    ]);
  });

  test('an earth path that may be a long lead stops nobody until its length is said; what no lead has does', () => {
    const earth = (ohms: number, more: object = {}): RigDocument => ({
      ...mended,
      mains: { outlets: [{ name: 'audio strip', earth: { value: ohms, unit: 'Ω', basis: 'measured' }, ...more }] },
    });
    const told = (rig: RigDocument) => mainsReport(rig).findings.map(({ code, severity }) => `${code} ${severity}`);
    const length = {
      length: { value: 5, unit: 'm', basis: 'measured' },
      section: { value: 1.5, unit: 'mm²', basis: 'maker' },
    };
    expect(told(earth(0.1))).not.toContainEqual(expect.stringContaining('earth-path'));
    expect(told(earth(0.4))).toContain('earth-path watch');
    expect(told(earth(0.4, length))).toContain('earth-path harm');
    expect(told(earth(0.15, length))).not.toContainEqual(expect.stringContaining('earth-path'));
    expect(told(earth(1.6))).toContain('earth-path harm');
  });

  test('joined units without any earth: their voltage, what they give, and a lead to the earth of the supply', () => {
    const free = withUnits(units.map((unit) => ({ ...unit, plug: 'two-pin' as const })));
    const floating = mainsReport(free).findings.find(({ code }) => code === 'floating')!;
    expect(floating.why).toMatch(/give 0\.\d+ mA/);
    const bonded = withMainsEdit(free, floating.remedies[0].edit!);
    expect(mainsReport(bonded).readings.floating?.units ?? []).not.toContain('hold-desk');
  });
});

test('units are added, said to be a source, and removed, and the document stays one that can be saved', () => {
  const added = withMainsEdit(mended, { do: 'add', name: 'Projector', kind: 'display' });
  const { id } = added.units!.at(-1)!;
  const told = withMainsEdit(withMainsEdit(added, { do: 'source', unit: id, line: 'wireless' }), {
    do: 'connect',
    between: [id, EARTH],
    kind: 'bond',
  });
  expect(readDocument(structuredClone(told)).units!.at(-1)).toMatchObject({ name: 'Projector', line: 'wireless' });
  expect(withMainsEdit(told, { do: 'disconnect', at: 0 }).mains?.connections).toEqual([]);
  const gone = withMainsEdit(told, { do: 'remove', unit: id });
  expect(gone.mains?.connections).toEqual([]);
  // Somebody may call a unit what the supply's earth is called.
  const rod = withMainsEdit(mended, { do: 'add', name: 'Supply earth', kind: 'supply' });
  expect(rod.units!.at(-1)!.id).not.toBe(EARTH);
  expect(readDocument(structuredClone(gone)).units).toHaveLength(mended.units!.length);
});

test('what the rig says of a ground is how its unit is plugged, until the unit itself says it', () => {
  const plugs = (ground: 'earthed' | 'floating' | undefined, plug?: Unit['plug']) => {
    const devices = mended.devices.map((device) => (device.id === 'desk' ? { ...device, ground } : device));
    const units = mended.units!.map((unit) => (unit.device === 'desk' && plug ? { ...unit, plug } : unit));
    return mainsReport({ ...mended, devices, units } as RigDocument).system.units.find(({ id }) => id === 'hold-desk')!
      .plug;
  };
  expect([plugs('earthed'), plugs('floating'), plugs(undefined), plugs('floating', 'three-pin')]).toEqual([
    'three-pin',
    'two-pin',
    'three-pin',
    'three-pin',
  ]);
});

test('a device that nobody has listed becomes a unit when it is bonded', () => {
  const bare = { ...mended, units: undefined };
  const bonded = withMainsEdit(bare, { do: 'connect', between: ['device desk', EARTH], kind: 'bond' });
  expect(readDocument(structuredClone(bonded)).mains!.connections).toEqual([
    { between: ['desk', 'supply earth'], kind: 'bond' },
  ]);
  expect(bonded.units).toMatchObject([{ id: 'desk', device: 'desk' }]);
});

test('eighteen or twenty units of 120 V: an interrupter of 4 mA, told from 4 mA on', () => {
  const units = (count: number): Unit[] =>
    Array.from({ length: count }, (_, n) => ({ id: `u${n}`, name: `u${n}`, kind: 'audio device' }));
  const at = (count: number) =>
    codes({ ...mended, devices: [], lines: [], units: units(count), mains: { supply: '120 V 60 Hz' } });
  expect(at(18)).not.toContain('residual');
  expect(at(19)).toContain('residual');
});

test('a job of ten units with nothing but outlets is judged', () => {
  const ten = withUnits(
    lockNine.units!.slice(0, 10).map(({ plug: _plug, current: _current, ...unit }) => unit),
    { mains: undefined },
  );
  expect(mainsReport(ten).findings.length).toBeGreaterThan(0);
  expect(mainsReport({ ...ten, units: undefined }).findings.length).toBeGreaterThan(0);
});

test('a dynamic near a transformer is told; a condenser over a balanced line beside it is not', () => {
  const near = (line: string): RigDocument => ({
    ...lockNine,
    mains: {
      ...lockNine.mains,
      beside: [
        {
          line,
          unit: 'hold-lamps',
          coil: true,
          distance: { value: 0.5, unit: 'm', basis: 'measured' },
          length: { value: 1, unit: 'm', basis: 'measured' },
        },
      ],
    },
  });
  expect(codes(near('announcer'))).toContain('too-near');
  expect(codes(near('pair-a-left'))).not.toContain('too-near');
});

test('an outlet on a strip of the other leg is on that leg, and each leg has its load', () => {
  const split = (otherLeg?: true): RigDocument => ({
    ...lockNine,
    mains: {
      ...lockNine.mains,
      supply: '120 V 60 Hz',
      outlets: [
        { name: 'far', ...(otherLeg && { otherLeg }) },
        { name: 'strip', from: 'far' },
      ],
    },
    units: lockNine.units!.map((unit) => ({ ...unit, outlet: unit.id === 'laptop' ? 'strip' : 'other' })),
  });
  const { readings, system } = mainsReport(split(true));
  expect(system.units.find(({ id }) => id === 'laptop')!.leg).toBe(-1);
  expect(readings.legs.find(({ leg }) => leg === -1)!.amps).toBeCloseTo(0.4, 6);
  expect(mainsReport(split()).readings.legs).toEqual([]);
});
