import type { SourceKind } from '../part';
import { buildPhantomPowered, phantomFigures } from './phantomPowered';

export const condenserWide: SourceKind = {
  role: 'source',
  kind: 'condenser-9-52',
  label: 'Condenser, 9 to 52 V',
  summary: 'Makes its own inner voltages and runs on any phantom feed.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 4, needs: 8, stops: 6, sensitivity: 20, selfNoise: 16, pickOff: 680 }),
  choices: {},
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
