import type { Bench } from '../bench';
import type { Contact } from '../connectors';
import type { FigureSpec } from '../figures';
import type { InletKind } from '../kinds';
import { FEEDS } from '../../standards/feeds';
import { choice } from '../shared';
import { levelChoices, levelFigures } from './levels';

const plugInFigures = (volts: number, ohms = 2200, fullScale = -6): Record<string, FigureSpec> => ({
  feedVolts: {
    label: 'Plug-in power, unloaded',
    unit: 'V',
    min: 0.5,
    max: 12,
    typical: { value: volts, basis: 'common practice' },
    help: 'Nothing connected. Some sheets state what the capsule gets instead: that is less.',
  },
  feedResistance: {
    label: 'Feed resistor',
    unit: 'Ω',
    min: 500,
    max: 20e3,
    typical: { value: ohms, basis: 'common practice' },
  },
  inputResistance: {
    label: 'Input resistance',
    unit: 'kΩ',
    min: 1,
    max: 1000,
    typical: { value: 10, basis: 'common practice' },
  },
  ...levelFigures(40, fullScale, { ein: -116, einLow: -100, range: 96 }),
});

const plugInChoice = choice('Plug-in power', [
  ['plug-in', 'on'],
  ['off', 'off'],
]);

/** One unbalanced channel with plug-in power on its contact. */
function buildPlugIn(bench: Bench, name: string, contact: Contact, common: Contact): void {
  const on = bench.choice('feed') === 'plug-in';
  bench.resistor(
    `feed.${contact}`,
    on ? bench.node('bus') : bench.gnd,
    bench.in(contact),
    bench.value('feedResistance'),
  );
  bench.capacitor(`coupling.${contact}`, bench.in(contact), bench.node(`amplifier.${contact}`), 10e-6);
  bench.resistor(`amplifier.${contact}`, bench.node(`amplifier.${contact}`), bench.gnd, bench.value('inputResistance'));
  bench.listen({
    name,
    hot: bench.node(`amplifier.${contact}`),
    cold: bench.in(common),
    contacts: [contact, common],
    balanced: false,
  });
}

/** Its own resistor limits the current of a short circuit: there is no further limit to exceed. */
function plugInBus(bench: Bench, contacts: Contact[]): void {
  if (bench.choice('feed') !== 'plug-in') return;
  bench.voltage('feed', bench.node('bus'), bench.gnd, bench.value('feedVolts'));
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: FEEDS['plug-in'].label,
    element: bench.element('feed'),
    resistors: contacts.map((contact) => bench.element(`feed.${contact}`)),
  });
}

export const miniJack: InletKind = {
  role: 'inlet',
  kind: 'mini-jack',
  label: 'Stereo 3.5 mm microphone inlet',
  summary:
    'Microphone input of a camera or pocket recorder: left on the tip, right on the ring, plug-in power on both.',
  sockets: ['trs35'],
  figures: plugInFigures(3),
  choices: { feed: plugInChoice, ...levelChoices },
  meantFor: () => 'plug-in',
  build(bench) {
    bench.ground(bench.in('S'));
    plugInBus(bench, ['T', 'R']);
    buildPlugIn(bench, 'left', 'T', 'S');
    buildPlugIn(bench, 'right', 'R', 'S');
  },
};

/** What an earphone amplifier shows at its contact (common practice: 1 to 10 Ω). */
const EARPHONE = 5;

export const phoneJack: InletKind = {
  role: 'inlet',
  kind: 'phone-jack',
  label: 'Headset socket (3.5 mm TRRS)',
  summary:
    'Headset socket of a phone or laptop: earphones on tip and first ring, microphone with its feed behind them.',
  sockets: ['trrs35'],
  figures: plugInFigures(2.5),
  choices: {
    feed: plugInChoice,
    ...levelChoices,
    order: choice('Contact order', [
      ['ctia', 'CTIA: common on the second ring, microphone on the sleeve'],
      ['omtp', 'OMTP: microphone on the second ring, common on the sleeve'],
    ]),
  },
  meantFor: () => 'plug-in',
  build(bench) {
    const [microphone, common]: Contact[] = bench.choice('order') === 'ctia' ? ['S', 'R2'] : ['R2', 'S'];
    bench.ground(bench.in(common));
    // The earphone side at rest: whatever ends here is heard by nobody.
    for (const contact of ['T', 'R1'] as const) {
      bench.capacitor(`earphone.${contact}`, bench.in(contact), bench.node(`earphone.${contact}`), 100e-6);
      bench.resistor(`earphone.load.${contact}`, bench.node(`earphone.${contact}`), bench.gnd, EARPHONE);
    }
    plugInBus(bench, [microphone]);
    buildPlugIn(bench, '', microphone, common);
  },
};

export const bodypack: InletKind = {
  role: 'inlet',
  kind: 'bodypack',
  label: 'Bodypack transmitter inlet',
  summary: 'Mono input of a bodypack: 5 V through a resistor on the audio contact, 5 V straight on the other one.',
  sockets: ['trs35', 'mini-xlr'],
  figures: plugInFigures(5, 4700, 0),
  choices: { feed: plugInChoice, ...levelChoices },
  meantFor: () => 'plug-in',
  build(bench) {
    const [audio, supply, common]: Contact[] = bench.plug === 'mini-xlr' ? ['3', '2', '1'] : ['T', 'R', 'S'];
    bench.ground(bench.in(common));
    plugInBus(bench, [audio]);
    buildPlugIn(bench, '', audio, common);
    // The straight contact, for microphones with three wires; a lead of two wires leaves it free or grounds it.
    const on = bench.choice('feed') === 'plug-in';
    bench.resistor('supply', on ? bench.node('bus') : bench.gnd, bench.in(supply), 1000);
  },
};
