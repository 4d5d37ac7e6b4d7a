import type { SourceKind } from '../kinds';
import { bodySwitches, buildPhantomPowered, phantomFigures } from './phantomPowered';

export const activeMovingCoil: SourceKind = {
  role: 'source',
  kind: 'active-moving-coil',
  label: 'Active dynamic',
  words: ['active dynamic'],
  summary: 'A dynamic with a built-in amplifier that runs on phantom; silent without it.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 3, needs: 20, stops: 14, sensitivity: 28, selfNoise: 18, loudness: 100 }),
  choices: bodySwitches,
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
