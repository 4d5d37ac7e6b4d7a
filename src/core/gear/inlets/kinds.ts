import type { Bench } from '../bench';
import type { Contact } from '../connectors';
import type { FigureSpec } from '../figures';
import type { InletKind } from '../part';
import { FEEDS, type FeedName } from '../../standards/feeds';
import { choice } from '../shared';
import { buildBalanced, einWeighting, feedChoice, levelFigures, microphoneFigures } from './balanced';

const XLR = { hot: '2', cold: '3', reference: '1' } as const;
const JACK = { hot: 'T', cold: 'R', reference: 'S' } as const;

export const threePin: InletKind = {
  role: 'inlet',
  kind: 'three-pin',
  label: 'Three-pin microphone inlet',
  summary: 'Balanced microphone input with a selectable feed.',
  sockets: ['xlr3'],
  figures: microphoneFigures(2000),
  choices: { feed: feedChoice, einWeighting },
  build: (bench) => buildBalanced(bench, XLR, bench.choice('feed') as FeedName),
};

export const combo: InletKind = {
  role: 'inlet',
  kind: 'combo',
  label: 'Three-pin and jack combination',
  summary: 'Takes a three-pin plug with feed or a 6.35 mm plug without; the jack part is a line or instrument input.',
  sockets: ['xlr3', 'trs635'],
  figures: {
    ...microphoneFigures(2000),
    jackResistance: {
      label: 'Input resistance of the jack',
      unit: 'kΩ',
      min: 1,
      max: 10e3,
      typical: { value: 20, basis: 'common practice' },
    },
  },
  choices: {
    feed: feedChoice,
    einWeighting,
    jack: choice('Jack set to', [
      ['line', 'line'],
      ['instrument', 'instrument, 1 MΩ'],
    ]),
  },
  build(bench) {
    if (bench.plug === undefined || bench.plug === 'xlr3')
      return buildBalanced(bench, XLR, bench.choice('feed') as FeedName);
    buildJack(bench, bench.choice('jack') === 'instrument' ? 2e6 : bench.value('jackResistance'));
  },
};

export const balancedJack: InletKind = {
  role: 'inlet',
  kind: 'balanced-jack',
  label: 'Balanced jack inlet',
  summary: '6.35 mm line input without a feed, as on a line mixer.',
  sockets: ['trs635'],
  figures: {
    jackResistance: {
      label: 'Input resistance',
      unit: 'kΩ',
      min: 1,
      max: 10e3,
      typical: { value: 20, basis: 'common practice' },
    },
    ...levelFigures(20, 20, { ein: -100, einLow: -92, range: 110 }),
  },
  choices: { einWeighting },
  build: (bench) => buildJack(bench, bench.value('jackResistance')),
};

/** A balanced jack: each leg has half of the input resistance to ground. */
function buildJack(bench: Bench, ohms: number): void {
  bench.ground(bench.in(JACK.reference));
  for (const contact of [JACK.hot, JACK.cold] as const) {
    bench.capacitor(`coupling.${contact}`, bench.in(contact), bench.node(`amplifier.${contact}`), 10e-6);
    bench.resistor(`amplifier.${contact}`, bench.node(`amplifier.${contact}`), 'gnd', ohms / 2);
  }
  bench.listen({
    name: '',
    hot: bench.node('amplifier.T'),
    cold: bench.node('amplifier.R'),
    contacts: ['T', 'R'],
    balanced: true,
  });
}

export const plugOnTransmitter: InletKind = {
  ...threePin,
  kind: 'plug-on-transmitter',
  label: 'Plug-on transmitter',
  summary: 'A wireless transmitter that plugs straight onto a microphone, with a feed from its own cells.',
  figures: microphoneFigures(5000, 45, 6),
};

const plugInFigures = (volts: number): Record<string, FigureSpec> => ({
  feedVolts: {
    label: 'Plug-in power, open',
    unit: 'V',
    min: 0.5,
    max: 12,
    typical: { value: volts, basis: 'common practice' },
    help: 'Nothing connected. Some sheets state what the capsule gets instead: that is less.',
  },
  feedResistance: {
    label: 'In series with it',
    unit: 'Ω',
    min: 500,
    max: 20e3,
    typical: { value: 2200, basis: 'common practice' },
  },
  inputResistance: {
    label: 'Input resistance',
    unit: 'kΩ',
    min: 1,
    max: 1000,
    typical: { value: 10, basis: 'common practice' },
  },
  ...levelFigures(40, -6, { ein: -116, einLow: -100, range: 96 }),
});

const plugInChoice = choice('Plug-in power', [
  ['plug-in', 'on'],
  ['off', 'off'],
]);

/** One unbalanced channel with plug-in power on its contact. */
function buildPlugIn(bench: Bench, name: string, contact: Contact, common: Contact): void {
  const on = bench.choice('feed') === 'plug-in';
  bench.resistor(`feed.${contact}`, on ? bench.node('bus') : 'gnd', bench.in(contact), bench.value('feedResistance'));
  bench.capacitor(`coupling.${contact}`, bench.in(contact), bench.node(`amplifier.${contact}`), 10e-6);
  bench.resistor(`amplifier.${contact}`, bench.node(`amplifier.${contact}`), 'gnd', bench.value('inputResistance'));
  bench.listen({
    name,
    hot: bench.node(`amplifier.${contact}`),
    cold: bench.in(common),
    contacts: [contact, common],
    balanced: false,
  });
}

function plugInBus(bench: Bench, contacts: Contact[]): void {
  if (bench.choice('feed') !== 'plug-in') return;
  bench.voltage('feed', bench.node('bus'), 'gnd', bench.value('feedVolts'));
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: FEEDS['plug-in'].label,
    element: bench.element('feed'),
    resistors: contacts.map((contact) => bench.element(`feed.${contact}`)),
    limit: { value: (FEEDS['plug-in'].limit / 1e3) * contacts.length, source: FEEDS['plug-in'].source },
  });
}

export const miniJack: InletKind = {
  role: 'inlet',
  kind: 'mini-jack',
  label: 'Stereo mini-jack inlet',
  summary:
    'Microphone input of a camera or pocket recorder: left on the tip, right on the ring, plug-in power on both.',
  sockets: ['trs35'],
  figures: plugInFigures(3),
  choices: { feed: plugInChoice, einWeighting },
  build(bench) {
    bench.ground(bench.in('S'));
    plugInBus(bench, ['T', 'R']);
    buildPlugIn(bench, 'left', 'T', 'S');
    buildPlugIn(bench, 'right', 'R', 'S');
  },
};

export const phoneJack: InletKind = {
  role: 'inlet',
  kind: 'phone-jack',
  label: 'Four-contact phone jack',
  summary:
    'Headset socket of a phone or laptop: earphones on tip and first ring, microphone with its feed behind them.',
  sockets: ['trrs35'],
  figures: plugInFigures(2.5),
  choices: {
    feed: plugInChoice,
    einWeighting,
    order: choice('Contact order', [
      ['ctia', 'CTIA: common on the second ring, microphone on the sleeve'],
      ['omtp', 'OMTP: microphone on the second ring, common on the sleeve'],
    ]),
  },
  build(bench) {
    const [microphone, common]: Contact[] = bench.choice('order') === 'ctia' ? ['S', 'R2'] : ['R2', 'S'];
    bench.ground(bench.in(common));
    // The earphone side at rest: whatever ends here is heard by nobody.
    for (const contact of ['T', 'R1'] as const) {
      bench.capacitor(`earphone.${contact}`, bench.in(contact), bench.node(`earphone.${contact}`), 100e-6);
      bench.resistor(`earphone.load.${contact}`, bench.node(`earphone.${contact}`), 'gnd', 10e3);
    }
    plugInBus(bench, [microphone]);
    buildPlugIn(bench, '', microphone, common);
  },
};
