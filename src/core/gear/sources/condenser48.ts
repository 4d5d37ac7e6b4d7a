import type { SourceKind } from '../kinds';
import { bodySwitches, buildPhantomPowered, phantomFigures } from './phantomPowered';

export const condenser48: SourceKind = {
  role: 'source',
  kind: 'condenser-48',
  label: 'Condenser, 48 V only',
  words: ['condenser', 'large condenser', 'large diaphragm', 'LDC', 'studio condenser'],
  summary: 'Needs the full 48 V feed; lower feeds leave it noisy, quiet or dead.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 3, needs: 32, stops: 18, sensitivity: 20, selfNoise: 14 }),
  choices: bodySwitches,
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
