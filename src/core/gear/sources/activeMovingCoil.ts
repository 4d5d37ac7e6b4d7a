import type { SourceKind } from '../part';
import { buildPhantomPowered, phantomFigures } from './phantomPowered';

export const activeMovingCoil: SourceKind = {
  role: 'source',
  kind: 'active-moving-coil',
  label: 'Moving coil with built-in amplifier',
  summary: 'A moving coil whose amplifier lives on phantom; without feed it is silent.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 3, needs: 20, stops: 14, sensitivity: 28, selfNoise: 18, loudness: 100 }),
  choices: {},
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
