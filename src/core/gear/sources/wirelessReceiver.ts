import type { SourceKind } from '../kinds';
import { connectorChoice } from '../shared';
import { lineOutput } from './lineOutput';

export const wirelessReceiver: SourceKind = {
  ...lineOutput,
  kind: 'wireless-receiver',
  belongsIn: 'line',
  label: 'Wireless receiver',
  words: ['wireless', 'radio mic', 'receiver', 'RX', 'RF'],
  summary: 'The output of a receiver: microphone or line level by its menu; it must not be fed.',
  byHand: {
    before: 'Transmitter: fresh battery, on. Receiver: on, output level as planned',
    after: 'Transmitter: off, battery out. Receiver: off',
  },
  figures: {
    ...lineOutput.figures,
    outputLevel: {
      ...lineOutput.figures.outputLevel,
      typical: { value: -10, basis: 'common practice' },
      help: 'Its menu sets it: about −30 dBu for microphone level, −10 to +4 dBu for line level.',
    },
    // Meant for microphone inlets as well, so most take a feed (common practice); the rating itself nobody states.
    stands: { ...lineOutput.figures.stands, typical: { value: 63, basis: 'assumed' } },
    lowest: { ...lineOutput.figures.lowest, typical: { value: 60, basis: 'assumed' } },
  },
  choices: {
    ...lineOutput.choices,
    connector: connectorChoice([
      ['xlr3', 'XLR, balanced'],
      ['trs635', '6.35 mm TRS, balanced'],
      ['ts635', '6.35 mm TS, unbalanced'],
      ['trs35', '3.5 mm TRS, stereo: left on the tip, right on the ring'],
      ['trs35-balanced', '3.5 mm TRS, balanced mono'],
      ['trs35-dual', '3.5 mm TRS, the same mono signal on tip and ring'],
    ]),
  },
};
