import type { SourceKind } from '../kinds';
import {
  directCurrentLimit,
  lowCutFigure,
  seldomLowCut,
  powerSetting,
  resistance,
  selfNoiseFigure,
  soundFigures,
  transformer,
} from '../shared';

export const valveOwnSupply: SourceKind = {
  role: 'source',
  highVoltage: true,
  kind: 'valve-own-supply',
  ownSupply: true,
  label: 'Valve (tube) microphone',
  words: ['valve', 'tube'],
  summary: 'Lives on the box at the other end of its multi-pin cable; the line leaves that box through a transformer.',
  caution:
    'High voltage inside the supply, its cable and the microphone: off at the mains, wait for it to discharge, then touch the multi-pin cable. Never open the supply; repairs belong to a licensed technician and local code.',
  character: 'self-powered',
  level: 'sensitivity',
  figures: {
    outputResistance: resistance('Resistance between pins 2 and 3', 200),
    directCurrent: directCurrentLimit(2),
    selfNoise: selfNoiseFigure(17),
    ...soundFigures(15, 94, 130),
    lowCut: lowCutFigure(80),
  },
  choices: {
    battery: powerSetting('Its supply', [
      ['on', 'connected and on'],
      ['off', 'missing or off'],
    ]),
    ...seldomLowCut,
  },
  connector: () => 'xlr3',
  build(bench) {
    const ohms = bench.value('outputResistance');
    bench.voltage('signal', bench.node('emf'), bench.node('return'), 0, 1);
    transformer(
      bench,
      { a: bench.node('emf'), b: bench.node('return'), henries: 10, ohms: ohms / 2 },
      { a: bench.out('2'), b: bench.out('3'), ohms: ohms / 2 },
      1,
    );
    // The box is on the mains: its case and pin 1 are earthed, the winding is not.
    bench.earth(bench.out('1'), 'earthed');
    bench.stake({
      type: 'winding',
      what: 'the output transformer',
      elements: [bench.element('secondary')],
      limit: bench.limit('directCurrent'),
    });
  },
};
