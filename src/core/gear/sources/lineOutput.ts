import type { ConnectorId, Contact } from '../connectors';
import type { SourceKind } from '../part';
import {
  choice,
  connectorChoice,
  directCurrentLimit,
  inputNoise,
  lowestFigure,
  resistance,
  transformer,
} from '../shared';

export const lineOutput: SourceKind = {
  role: 'source',
  kind: 'line-output',
  label: 'Line output',
  summary: 'Keyboard, wireless receiver, laptop interface: a driven output that wants no feed.',
  character: 'line output',
  level: 'output level',
  figures: {
    outputResistance: resistance('Output resistance', 150),
    outputLevel: {
      label: 'Peak output level',
      unit: 'dBu',
      min: -60,
      max: 30,
      typical: { value: 4, basis: 'common practice' },
    },
    outputNoise: inputNoise('Noise at its output, nothing playing', -90, '20 Hz to 20 kHz, unweighted.'),
    directCurrent: { ...directCurrentLimit(1), label: 'Current into its output it stands' },
    capacitor: { label: 'Output capacitor', unit: 'µF', min: 0.1, max: 4700, typical: { value: 47, basis: 'assumed' } },
    stands: {
      label: 'Rating of the output capacitor',
      unit: 'V',
      min: 1,
      max: 100,
      typical: { value: 25, basis: 'assumed' },
    },
    lowest: lowestFigure(30),
  },
  choices: {
    coupling: choice('Coupling', [
      ['capacitor', 'through a capacitor'],
      ['transformer', 'through a transformer'],
      ['direct', 'directly'],
    ]),
    connector: connectorChoice([
      ['ts635', '6.35 mm TS, unbalanced'],
      ['trs635', '6.35 mm TRS, balanced'],
      ['xlr3', 'three-pin, balanced'],
      ['trs35', 'mini-jack TRS, left on the tip'],
    ]),
  },
  connector: (part) => part.choice('connector') as ConnectorId,
  build(bench) {
    const connector = bench.choice('connector');
    const [hot, cold, reference] = (
      {
        ts635: ['T', 'S', 'S'],
        trs35: ['T', 'S', 'S'],
        trs635: ['T', 'R', 'S'],
        xlr3: ['2', '3', '1'],
      } as Record<string, Contact[]>
    )[connector].map((contact) => bench.out(contact));
    const balanced = cold !== reference;
    const ohms = bench.value('outputResistance');
    // The right channel of a stereo plug plays nothing here; it has an output of its own all the same.
    if (connector === 'trs35') bench.resistor('right', bench.out('R'), reference, ohms);

    if (bench.choice('coupling') === 'transformer') {
      bench.voltage('signal', bench.node('emf'), bench.node('return'), 0, 1);
      transformer(
        bench,
        { a: bench.node('emf'), b: bench.node('return'), henries: 10, ohms: ohms / 2 },
        { a: hot, b: cold, ohms: ohms / 2 },
        1,
      );
      return;
    }
    const legs: [name: string, end: string, share: number][] = balanced
      ? [
          ['hot', hot, 0.5],
          ['cold', cold, -0.5],
        ]
      : [['hot', hot, 1]];
    for (const [name, end, share] of legs) {
      bench.voltage(`signal.${name}`, bench.node(`${name}.drive`), reference, 0, share);
      const inner = bench.choice('coupling') === 'capacitor' ? bench.node(`${name}.coupled`) : end;
      bench.resistor(`${name}.output`, bench.node(`${name}.drive`), inner, balanced ? ohms / 2 : ohms);
      if (inner !== end) bench.capacitor(`${name}.coupling`, end, inner, bench.value('capacitor'));
    }
    if (bench.choice('coupling') === 'capacitor')
      bench.stake({
        type: 'output capacitor',
        what: 'the output capacitor',
        stands: bench.limit('stands'),
        between: legs.map(([name, end]) => [end, bench.node(`${name}.coupled`)]),
      });
    else
      bench.stake({
        type: 'output',
        what: 'the directly coupled output',
        limit: bench.limit('directCurrent'),
        elements: legs.map(([name]) => bench.element(`${name}.output`)),
      });
  },
};
