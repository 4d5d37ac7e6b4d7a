import type { SourceKind } from '../kinds';
import { cellFigures, connectorChoice, powerSetting, groundQuestion } from '../shared';
import { buildOutput, couplingChoice, outputFigures } from './lineOutput';

export const activeInstrument: SourceKind = {
  role: 'source',
  kind: 'active-instrument',
  belongsIn: 'instrument',
  label: 'Active instrument or pedal output',
  words: ['pedal', 'effects', 'active bass', 'modeller'],
  summary: 'Bass or guitar with a preamplifier inside, or the output of a pedal: about 1 kΩ, on a 9 V battery.',
  character: 'line output',
  level: 'output level',
  figures: {
    ...outputFigures(1000, -6, -88, 40),
    ...cellFigures(500, 9, 1),
  },
  choices: {
    coupling: couplingChoice,
    connector: connectorChoice([['ts635', '6.35 mm TS, unbalanced']]),
    battery: powerSetting('Battery or supply', [
      ['on', 'in and switched on'],
      ['off', 'missing, flat or switched off'],
    ]),
    ground: { ...groundQuestion, standard: 'floating' },
  },
  connector: () => 'ts635',
  build: buildOutput,
};
