import type { SourceKind } from '../part';
import { buildPhantomPowered, phantomFigures } from './phantomPowered';

export const activeRibbon: SourceKind = {
  role: 'source',
  kind: 'active-ribbon',
  label: 'Active ribbon',
  summary: 'A ribbon with a built-in amplifier: it needs phantom, the ribbon itself never sees it.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({
    milliamps: 4,
    needs: 30,
    stops: 18,
    sensitivity: 15,
    selfNoise: 18,
    loudness: 90,
    pickOff: 1500,
  }),
  choices: {},
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
