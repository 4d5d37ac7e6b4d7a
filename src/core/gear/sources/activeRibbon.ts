import type { SourceKind } from '../kinds';
import { bodySwitches, buildPhantomPowered, phantomFigures } from './phantomPowered';

export const activeRibbon: SourceKind = {
  role: 'source',
  kind: 'active-ribbon',
  label: 'Active ribbon',
  words: ['active ribbon'],
  summary: 'Needs phantom for its amplifier; the ribbon is isolated from it.',
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
  choices: bodySwitches,
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
