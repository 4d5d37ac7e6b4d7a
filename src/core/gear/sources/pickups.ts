import type { FigureSpec } from '../figures';
import type { SourceKind } from '../kinds';
import { lowestFigure, resistance } from '../shared';

const level = (millivolts: number): FigureSpec => ({
  label: 'Peak output',
  unit: 'mV',
  min: 0.1,
  max: 20e3,
  typical: { value: millivolts, basis: 'common practice' },
});

export const piezoPickup: SourceKind = {
  role: 'source',
  kind: 'piezo-pickup',
  belongsIn: 'instrument',
  label: 'Piezo pickup',
  words: ['piezo', 'contact microphone', 'acoustic guitar', 'double bass', 'violin'],
  summary: 'Bridge or contact pickup, hydrophone: a tiny capacitor that needs a load of 1 to 10 MΩ.',
  character: 'pickup',
  level: 'output level',
  figures: {
    capacitance: {
      label: 'Capacitance',
      unit: 'nF',
      min: 0.05,
      max: 1000,
      typical: { value: 1, basis: 'common practice' },
    },
    outputLevel: level(300),
    lowest: lowestFigure(40),
  },
  choices: {},
  connector: () => 'ts635',
  build(bench) {
    bench.voltage('signal', bench.node('emf'), bench.out('S'), 0, 1);
    bench.capacitor('element', bench.out('T'), bench.node('emf'), bench.value('capacitance'));
  },
};

export const magneticPickup: SourceKind = {
  role: 'source',
  kind: 'magnetic-pickup',
  belongsIn: 'instrument',
  label: 'Magnetic pickup',
  words: ['electric guitar', 'guitar', 'electric bass', 'bass guitar', 'bass'],
  summary: 'Coil pickup of a guitar or bass: needs about 1 MΩ, loses its treble into less.',
  character: 'pickup',
  level: 'output level',
  figures: {
    capacitance: {
      label: 'Winding capacitance',
      unit: 'nF',
      min: 0.01,
      max: 10,
      typical: { value: 0.12, basis: 'common practice' },
      help: '80 to 150 pF.',
    },
    inductance: { label: 'Inductance', unit: 'H', min: 0.01, max: 50, typical: { value: 4, basis: 'common practice' } },
    windingResistance: resistance('Winding resistance', 8000),
    outputLevel: level(200),
    lowest: lowestFigure(40),
  },
  choices: {},
  connector: () => 'ts635',
  build(bench) {
    bench.voltage('signal', bench.node('emf'), bench.out('S'), 0, 1);
    bench.winding(
      'coil',
      bench.out('T'),
      bench.node('emf'),
      bench.value('inductance'),
      bench.value('windingResistance'),
    );
    bench.capacitor('winding', bench.out('T'), bench.out('S'), bench.value('capacitance'));
  },
};
