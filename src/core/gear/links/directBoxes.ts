import type { Bench } from '../bench';
import type { LinkKind } from '../part';
import { buildElectronics, pinFigures, stakePhantom } from '../phantom';
import { choice, resistance, transformer } from '../shared';

const groundLift = choice(
  'Ground',
  [
    ['joined', 'sleeve joined to pin 1'],
    ['lifted', 'lifted'],
  ],
  'Lifting breaks the shield, never the protective earth.',
);

/** Resistance of the instrument's winding for each turn of ratio, squared: 2 kΩ at 12:1 (common practice). */
const WIRE = 14;

/** The second socket: joined to the input, meant for a cable on to an amplifier. */
const throughSocket = choice('Link-through socket', [
  ['free', 'free, or feeding an amplifier'],
  ['driven', 'another output is plugged into it'],
]);
const throughFigure = resistance('Output resistance of what is plugged into the link-through', 600);

/** Another output on the link-through socket: its resistance, silent at the moment that is looked at. */
function buildThrough(bench: Bench): void {
  if (bench.choice('through') === 'driven')
    bench.resistor('through', bench.in('T'), bench.in('S'), bench.value('throughResistance'));
}

export const passiveDirectBox: LinkKind = {
  role: 'link',
  kind: 'passive-direct-box',
  label: 'Passive direct box',
  summary: 'A transformer from an instrument or line output to a microphone inlet; needs no feed and blocks it.',
  nature: 'blocks feed',
  figures: {
    ratio: { label: 'Turns ratio', unit: ':1', min: 1, max: 30, typical: { value: 12, basis: 'common practice' } },
    primary: {
      label: 'Inductance of the instrument side',
      unit: 'H',
      min: 1,
      max: 5000,
      typical: { value: 800, basis: 'assumed' },
    },
    throughResistance: throughFigure,
  },
  choices: { ground: groundLift, through: throughSocket },
  ends: () => ({ input: 'ts635', output: 'xlr3' }),
  gain: (part) => -20 * Math.log10(part.value('ratio')),
  build(bench) {
    buildThrough(bench);
    transformer(
      bench,
      { a: bench.in('T'), b: bench.in('S'), henries: bench.value('primary'), ohms: WIRE * bench.value('ratio') ** 2 },
      { a: bench.out('2'), b: bench.out('3'), ohms: 20 },
      bench.value('ratio'),
    );
    if (bench.choice('ground') === 'joined') {
      bench.resistor('ground', bench.in('S'), bench.out('1'), 0.01);
      bench.path({ from: 'S', to: '1', look: 'wire' });
    }
    bench.path({ from: 'T', to: '2', look: 'transformer' });
    bench.path({ from: 'S', to: '3', look: 'transformer' });
  },
};

export const activeDirectBox: LinkKind = {
  role: 'link',
  kind: 'active-direct-box',
  label: 'Active direct box',
  summary: 'An amplifier with a very high input resistance for pickups; runs on phantom, its battery, or either.',
  nature: 'blocks feed',
  figures: {
    inputResistance: {
      label: 'Input resistance',
      unit: 'MΩ',
      min: 0.01,
      max: 100,
      typical: { value: 10, basis: 'common practice' },
    },
    gain: { label: 'Gain', unit: 'dB', min: -40, max: 20, typical: { value: 0, basis: 'common practice' } },
    outputResistance: resistance('Output resistance', 150),
    throughResistance: throughFigure,
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.1,
      max: 15,
      typical: { value: 3, basis: 'common practice' },
    },
    ...pinFigures(20, 9),
  },
  choices: {
    battery: choice('Battery', [
      ['off', 'none, or switched off'],
      ['on', 'in and switched on'],
    ]),
    ground: groundLift,
    through: throughSocket,
  },
  ends: () => ({ input: 'ts635', output: 'xlr3' }),
  gain: (part) => part.value('gain'),
  build(bench) {
    const pin1 = bench.out('1');
    const gain = 10 ** (bench.value('gain') / 20);
    buildThrough(bench);
    // A lifted ground leaves the instrument's sleeve on the box through some kilohms, as such boxes do.
    bench.resistor('ground', bench.in('S'), pin1, bench.choice('ground') === 'joined' ? 0.01 : 10e3);
    bench.resistor('input', bench.in('T'), bench.in('S'), bench.value('inputResistance'));
    buildElectronics(bench, 2200, (pin, node, share) =>
      bench.amplifier(`output${pin}`, node, pin1, bench.in('T'), bench.in('S'), share * gain),
    );
    stakePhantom(bench, 'the direct box', bench.choice('battery') === 'on');
    bench.path({ from: 'T', to: '2', look: 'amplifier' });
    if (bench.choice('ground') === 'joined') bench.path({ from: 'S', to: '1', look: 'wire' });
  },
};
