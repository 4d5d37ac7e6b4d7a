import type { SourceKind } from '../kinds';
import { cellFigures, powerSetting } from '../shared';
import { bodySwitches, buildPhantomPowered, phantomFigures } from './phantomPowered';

export const batteryOrPhantom: SourceKind = {
  role: 'source',
  kind: 'battery-or-phantom-condenser',
  label: 'Condenser, battery or phantom',
  words: ['shotgun', 'short shotgun', 'gun', 'boom'],
  summary: 'Runs on its own battery or on phantom; a switch on the body turns the battery on.',
  character: 'powered',
  level: 'sensitivity',
  figures: {
    ...phantomFigures({ milliamps: 2, needs: 8, stops: 6, sensitivity: 25, selfNoise: 16 }),
    ...cellFigures(2500, 1.5, 1),
  },
  choices: {
    battery: powerSetting('Battery', [
      ['off', 'none, or switched off'],
      ['on', 'in and switched on'],
    ]),
    ...bodySwitches,
  },
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench, bench.choice('battery') === 'on'),
};
