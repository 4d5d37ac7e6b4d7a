import type { SourceKind } from '../kinds';
import { choice } from '../shared';
import { bodySwitches, buildPhantomPowered, phantomFigures } from './phantomPowered';

export const condenserWide: SourceKind = {
  role: 'source',
  kind: 'condenser-9-52',
  label: 'Condenser, 9 to 52 V',
  words: ['condenser', 'small condenser', 'small diaphragm', 'SDC', 'pencil', 'overhead', 'OH'],
  summary: 'Runs on any phantom voltage; converts it inside.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 4, needs: 8, stops: 6, sensitivity: 20, selfNoise: 16, pickOff: 680 }),
  choices: {
    ...bodySwitches,
    supply: choice(
      'Its current at other voltages',
      [
        ['steady', 'the same'],
        ['converts', 'more at less: it takes the same power'],
      ],
      'The supply current above is the one on a standard 48 V feed.',
    ),
  },
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
