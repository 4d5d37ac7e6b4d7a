import type { SourceKind } from '../kinds';
import {
  choice,
  directCurrentLimit,
  lowCutFigure,
  seldomLowCut,
  resistance,
  soundFigures,
  transformer,
} from '../shared';

export const movingCoil: SourceKind = {
  role: 'source',
  kind: 'moving-coil',
  label: 'Dynamic',
  words: ['dynamic', 'dyn', 'moving coil', 'vocal', 'handheld', 'stage'],
  summary: 'Moving-coil microphone without electronics; needs no feed.',
  character: 'moving coil',
  level: 'sensitivity',
  figures: {
    coil: resistance('Resistance between pins 2 and 3', 200),
    directCurrent: directCurrentLimit(3),
    ...soundFigures(1.8, 100, 150),
    lowCut: lowCutFigure(80),
  },
  choices: {
    output: choice('Output', [
      ['coil', 'coil straight to the pins'],
      ['transformer', 'through a transformer'],
    ]),
    ...seldomLowCut,
  },
  connector: () => 'xlr3',
  build(bench) {
    const [pin2, pin3] = [bench.out('2'), bench.out('3')];
    const ohms = bench.value('coil');
    if (bench.choice('output') === 'coil') {
      bench.voltage('signal', bench.node('emf'), pin3, 0, 1);
      bench.winding('coil', pin2, bench.node('emf'), 0.5e-3, ohms);
    } else {
      // A coil of 30 Ω steps up 1:2.2; the stated resistance is what the pins show, both sides added.
      const ratio = 2.2;
      const coil = ohms / 4 / ratio ** 2;
      bench.voltage('signal', bench.node('emf'), bench.node('coil.end'), 0, 1 / ratio);
      bench.resistor('coil', bench.node('emf'), bench.node('coil.start'), coil);
      transformer(
        bench,
        { a: bench.node('coil.start'), b: bench.node('coil.end'), henries: 1, ohms: coil },
        { a: pin2, b: pin3, ohms: ohms / 2 },
        1 / ratio,
      );
    }
    const element = bench.choice('output') === 'coil' ? 'coil' : 'secondary';
    bench.stake({
      type: 'winding',
      what: element === 'coil' ? 'the coil' : 'the output transformer',
      elements: [bench.element(element)],
      limit: bench.limit('directCurrent'),
    });
  },
};
