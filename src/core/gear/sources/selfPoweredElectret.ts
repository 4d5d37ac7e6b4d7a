import type { SourceKind } from '../kinds';
import {
  cellFigures,
  lowCutFigure,
  seldomLowCut,
  powerSetting,
  resistance,
  selfNoiseFigure,
  soundFigures,
} from '../shared';
import { electretConnectors, electretContacts, electretPlug } from './electret';

export const selfPoweredElectret: SourceKind = {
  role: 'source',
  kind: 'self-powered-electret',
  belongsIn: 'plug-in',
  usualLoss: 6.5,
  label: 'Lavalier or electret with a battery',
  words: ['battery lavalier', 'battery lav', 'self-powered lavalier'],
  summary: 'Lavalier or hand microphone with a battery inside; its output comes through a capacitor.',
  character: 'self-powered',
  level: 'sensitivity',
  figures: {
    outputResistance: resistance('Output resistance', 1000),
    capacitor: {
      label: 'Output capacitor',
      unit: 'µF',
      min: 0.01,
      max: 1000,
      typical: { value: 10, basis: 'assumed' },
    },
    stands: {
      label: 'Rating of the output capacitor',
      unit: 'V',
      min: 1,
      max: 100,
      typical: { value: 16, basis: 'assumed' },
    },
    ...cellFigures(1000, 1.5, 0.5),
    selfNoise: selfNoiseFigure(26),
    ...soundFigures(6, 100, 120),
    lowCut: lowCutFigure(80),
  },
  choices: {
    connector: electretConnectors,
    battery: powerSetting('Battery', [
      ['on', 'in and switched on'],
      ['off', 'missing, flat or switched off'],
    ]),
    ...seldomLowCut,
  },
  connector: (part) => electretPlug(part.choice('connector')),
  build(bench) {
    const { hot, common } = electretContacts(bench.choice('connector'));
    const output = bench.out(hot[0]);
    hot.slice(1).forEach((contact) => bench.join(bench.out(contact), output));
    bench.voltage('signal', bench.node('drive'), bench.out(common), 0, 1);
    bench.resistor('output', bench.node('drive'), bench.node('coupled'), bench.value('outputResistance'));
    bench.capacitor('coupling', output, bench.node('coupled'), bench.value('capacitor'));
    bench.stake({
      type: 'output capacitor',
      what: 'the output capacitor',
      between: [[output, bench.node('coupled')]],
      stands: bench.limit('stands'),
    });
  },
};
