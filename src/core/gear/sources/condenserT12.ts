import type { SourceKind } from '../kinds';
import { reverseFigure } from '../phantom';
import { choice, lowCutFigure, seldomLowCut, resistance, selfNoiseFigure, soundFigures } from '../shared';

export const condenserT12: SourceKind = {
  role: 'source',
  kind: 'condenser-t12',
  label: 'Condenser for T12',
  words: ['T12', 'A-B power', 'parallel power'],
  summary: 'Older film-set microphone fed with 12 V between pins 2 and 3; phantom does not run it.',
  character: 'powered',
  level: 'sensitivity',
  figures: {
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.5,
      max: 20,
      typical: { value: 5, basis: 'common practice' },
    },
    needs: {
      label: 'Minimum supply voltage, pin 2 to pin 3',
      unit: 'V',
      min: 2,
      max: 14,
      typical: { value: 9, basis: 'common practice' },
    },
    stops: {
      label: 'Stops working below',
      unit: 'V',
      min: 1,
      max: 14,
      typical: { value: 6, basis: 'common practice' },
    },
    stands: {
      label: 'Maximum supply voltage, pin 2 to pin 3',
      unit: 'V',
      min: 5,
      max: 60,
      typical: { value: 16, basis: 'common practice' },
    },
    reverse: reverseFigure(1),
    outputResistance: resistance('Output resistance', 30),
    selfNoise: selfNoiseFigure(16),
    ...soundFigures(20, 94, 125),
    lowCut: lowCutFigure(80),
  },
  choices: {
    polarity: choice('Wired', [
      ['normal', 'pin 2 positive, as standardised'],
      ['reversed', 'pin 3 positive'],
    ]),
    ...seldomLowCut,
  },
  connector: () => 'xlr3',
  build(bench) {
    const [pin2, pin3] = [bench.out('2'), bench.out('3')];
    const reversed = bench.choice('polarity') === 'reversed';
    const [plus, minus] = reversed ? [pin3, pin2] : [pin2, pin3];
    bench.load('electronics', plus, minus, bench.value('current'), 0.5, bench.value('stops'));
    bench.voltage('signal', bench.node('drive'), pin3, 0, 1);
    bench.resistor('output', bench.node('drive'), bench.node('coupled'), bench.value('outputResistance'));
    bench.capacitor('coupling', bench.node('coupled'), pin2, 220e-6);
    bench.stake({
      type: 'supply',
      what: 'the microphone',
      wants: 'T12',
      contacts: reversed ? 'pin 3 over pin 2' : 'pin 2 over pin 3',
      between: [[plus, minus]],
      needs: bench.limit('needs'),
      stops: bench.limit('stops'),
      stands: bench.limit('stands'),
      reverse: bench.limit('reverse'),
      battery: false,
    });
  },
};
