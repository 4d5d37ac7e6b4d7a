import type { Bench } from '../bench';
import type { InletKind } from '../kinds';
import type { Reader } from '../reader';
import type { FeedName } from '../../standards/feeds';
import { choice, setting } from '../shared';
import {
  buildBalanced,
  clampChoice,
  couplingFigures,
  feedChoice,
  listenTo,
  microphoneFigures,
  offChoice,
  polarityChoice,
} from './balanced';
import { buildJack, jackResistance, LINE_LEVELS } from './line';
import { figureOfSocket, figuresOf, levelChoices, levelFigures } from './levels';

const XLR = { hot: '2', cold: '3', reference: '1' } as const;

const inputChoice = setting(
  'XLR set to',
  [
    ['none', 'microphone; it has no switch'],
    ['microphone', 'there is a switch: microphone'],
    ['line', 'there is a switch: line, no feed, more headroom'],
  ],
  'The microphone/line switch or menu of this inlet.',
);

const choices = {
  feed: feedChoice,
  input: inputChoice,
  polarity: polarityChoice,
  ...levelChoices,
  clamps: clampChoice,
  switchedOff: offChoice,
};

/** Set to line the feed is off and the input is one for line level (common practice; devices differ). */
function buildXlr(bench: Bench): void {
  if (bench.choice('input') === 'line') buildJack(bench, XLR, bench.value('lineResistance'));
  else buildBalanced(bench, XLR, bench.choice('feed') as FeedName);
}

const lineFigures = {
  lineResistance: jackResistance('Input resistance set to line', 10),
  ...figuresOf('line', 'set to line', LINE_LEVELS),
};

export const threePin: InletKind = {
  role: 'inlet',
  kind: 'three-pin',
  label: 'XLR microphone inlet',
  summary: 'Balanced microphone input with a selectable feed; many can be set to line.',
  sockets: ['xlr3'],
  figures: { ...microphoneFigures(2000), ...lineFigures },
  choices,
  meantFor: (part) => (part.choice('input') === 'line' ? 'line' : 'microphone'),
  figureFor: (part, _, figure) => figureOfSocket(part.choice('input') === 'line' ? 'line' : undefined, figure),
  build: buildXlr,
};

/** The jack of a combination socket is an input of its own: what it is set to names its figures. */
const jackOf = (part: Reader): 'jack' | 'instrument' => (part.choice('jack') === 'instrument' ? 'instrument' : 'jack');

export const combo: InletKind = {
  role: 'inlet',
  kind: 'combo',
  label: 'Combo inlet (XLR and jack)',
  summary: 'Takes an XLR with feed or a 6.35 mm plug without; the jack is a line or instrument input.',
  sockets: ['xlr3', 'trs635'],
  figures: {
    ...microphoneFigures(2000),
    ...lineFigures,
    jackResistance: jackResistance('Input resistance of the jack', 20),
    ...figuresOf('jack', 'jack as line input', LINE_LEVELS),
    ...figuresOf(
      'instrument',
      'jack as instrument input',
      levelFigures(50, 12, { ein: -112, einLow: -98, range: 112 }),
    ),
  },
  choices: {
    ...choices,
    jack: setting('Jack set to', [
      ['line', 'line'],
      ['instrument', 'instrument, 1 MΩ'],
    ]),
  },
  meantFor(part, plug) {
    if (plug === 'xlr3' || plug === undefined) return part.choice('input') === 'line' ? 'line' : 'microphone';
    return jackOf(part) === 'instrument' ? 'instrument' : 'line';
  },
  figureFor(part, plug, figure) {
    if (plug === 'xlr3' || plug === undefined)
      return figureOfSocket(part.choice('input') === 'line' ? 'line' : undefined, figure);
    return figureOfSocket(jackOf(part), figure);
  },
  build(bench) {
    if (bench.plug === undefined || bench.plug === 'xlr3') return buildXlr(bench);
    buildJack(
      bench,
      { hot: 'T', cold: 'R', reference: 'S' },
      bench.choice('jack') === 'instrument' ? 2e6 : bench.value('jackResistance'),
    );
  },
};

export const plugOnTransmitter: InletKind = {
  ...threePin,
  kind: 'plug-on-transmitter',
  plugsOn: true,
  label: 'Plug-on transmitter',
  summary: 'A wireless transmitter that plugs straight onto a microphone, with a feed from its own batteries.',
  figures: { ...microphoneFigures(5000, 45, 6), ...lineFigures },
};

/** What a two-wire party line carries, and what its station shows a microphone (common practice). */
const INTERCOM = { volts: 30, ohms: 200, supply: 20 };

export const intercomLine: InletKind = {
  role: 'inlet',
  kind: 'two-wire-intercom',
  intercom: true,
  label: 'Two-wire intercom line on XLR',
  summary: 'Looks like a microphone inlet and carries some 30 V on pin 2 alone: never for a microphone.',
  caution: 'Never plug a microphone into a party line: 30 V stand on one pin only.',
  sockets: ['xlr3'],
  figures: {
    feedVolts: {
      label: 'Voltage on pin 2',
      unit: 'V',
      min: 5,
      max: 48,
      typical: { value: INTERCOM.volts, basis: 'common practice' },
    },
    ...couplingFigures(47),
    ...levelFigures(30, 4, { ein: -90, einLow: -85, range: 80 }),
  },
  choices: {
    feed: choice('Power', [
      ['off', 'off'],
      ['intercom', '30 V on pin 2'],
    ]),
    polarity: polarityChoice,
    ...levelChoices,
    clamps: clampChoice,
  },
  meantFor: () => 'line',
  build(bench) {
    bench.ground(bench.in('1'));
    if (bench.choice('feed') === 'intercom') {
      bench.voltage('feed', bench.node('bus'), bench.gnd, bench.value('feedVolts'));
      bench.resistor('feed.hot', bench.node('bus'), bench.in('2'), INTERCOM.supply);
      bench.stake({
        type: 'feed',
        what: 'the intercom',
        feed: 'intercom',
        element: bench.element('feed'),
        resistors: [bench.element('feed.hot')],
      });
    } else bench.resistor('bleeder', bench.in('2'), bench.gnd, 10e3);
    bench.resistor('line', bench.in('3'), bench.gnd, INTERCOM.ohms);
    listenTo(bench, { ...XLR, hot: '3', cold: '1' }, { hot: bench.in('3'), cold: bench.in('1') });
  },
};
