import type { SourceKind } from '../kinds';
import { buildPhantomPowered, phantomFigures } from './phantomPowered';

export const hydrophone: SourceKind = {
  role: 'source',
  kind: 'hydrophone-preamplifier',
  label: 'Hydrophone with preamplifier',
  words: ['hydrophone', 'underwater'],
  summary: 'A piezo element with its preamplifier at the wet end of the cable; runs on phantom.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 3, needs: 20, stops: 10, sensitivity: 10, selfNoise: 30, loudness: 110 }),
  choices: {},
  connector: () => 'xlr3',
  build: (bench) => buildPhantomPowered(bench),
};
