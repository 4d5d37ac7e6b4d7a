import type { SourceKind } from '../kinds';
import { choice, seldomLowCut } from '../shared';
import { buildElectronics, stakePhantom } from '../phantom';
import { phantomFigures } from './phantomPowered';

export const stereoCondenser: SourceKind = {
  role: 'source',
  kind: 'stereo-condenser',
  label: 'Stereo or mid-side condenser, five-pin',
  words: ['stereo mic', 'stereo condenser', 'mid-side', 'MS', 'XY'],
  summary: 'Two systems in one microphone on a five-pin plug: 2 and 3 left or mid, 4 and 5 right or side.',
  character: 'powered',
  level: 'sensitivity',
  figures: phantomFigures({ milliamps: 3, needs: 32, stops: 18, sensitivity: 20, selfNoise: 15 }),
  choices: {
    systems: choice('Systems', [
      ['left-right', 'left and right'],
      ['mid-side', 'mid and side'],
    ]),
    ...seldomLowCut,
  },
  connector: () => 'xlr5',
  build(bench) {
    const pickOff = bench.value('pickOff');
    const drive = (leg: string, node: string, share: number) =>
      bench.voltage(`signal${leg}`, node, bench.out('1'), 0, share);
    const rail = buildElectronics(bench, pickOff, drive);
    buildElectronics(bench, pickOff, drive, { pins: ['4', '5'], prefix: 'second.' });
    stakePhantom(bench, 'the microphone', { rail, amps: bench.value('current') });
  },
};
