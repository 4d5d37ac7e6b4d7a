import type { Bench } from '../bench';
import type { LinkKind, Port } from '../kinds';
import { buildElectronics, greatestOutput, maxOutputFigure, pinFigures, stakePhantom } from '../phantom';
import {
  cellFigures,
  choice,
  coreLevel,
  inputNoise,
  noiseDensityOf,
  resistance,
  saturationLimit,
  powerSetting,
  setting,
  stakeCore,
  transformer,
} from '../shared';

const groundLift = choice(
  'Ground',
  [
    ['joined', 'sleeve joined to pin 1'],
    ['lifted', 'lifted'],
  ],
  'Lift disconnects the cable shield only. It never touches the protective earth.',
);

/** Resistance of the instrument's winding for each turn of ratio, squared: 2 kΩ at 12:1 (common practice). */
const WIRE = 14;

/** The second socket: the same wire as the input, meant for a cable on to an amplifier, not for a second source. */
const through = (): Record<string, Port> => ({
  through: { side: 'both', connector: 'ts635', label: 'thru' },
});

function buildThrough(bench: Bench): void {
  for (const contact of ['T', 'S'] as const) {
    bench.join(bench.in(contact), bench.in(contact, 'through'));
    bench.join(bench.in(contact), bench.out(contact, 'through'));
    bench.path({ port: 'through', from: contact, to: contact, look: 'wire' });
  }
}

const unlessThrough = (gain: number, exit?: string): number => (exit === 'through' ? 0 : gain);

/** A pad for line level, and a heavier one for loudspeaker level. */
const PADS: Record<string, number> = { off: 0, line: 20, loudspeaker: 40 };
const padSwitch = setting('Pad', [
  ['off', 'off'],
  ['line', '20 dB'],
  ['loudspeaker', '40 dB, for loudspeaker level'],
]);

/** The socket's tip behind the pad: a divider of high resistance. @returns the node that the box works from */
function padded(bench: Bench, ohms: number): string {
  const decibels = PADS[bench.choice('pad')];
  if (!decibels) return bench.in('T');
  const ratio = 10 ** (decibels / 20);
  bench.resistor('pad.series', bench.in('T'), bench.node('padded'), ohms * (1 - 1 / ratio));
  bench.resistor('pad.shunt', bench.node('padded'), bench.in('S'), ohms / ratio);
  return bench.node('padded');
}
/** Resistance of a passive box's pad: low enough for its transformer to hardly load it. */
const PASSIVE_PAD = 50e3;

export const passiveDirectBox: LinkKind = {
  role: 'link',
  kind: 'passive-direct-box',
  mends: 'passive box',
  label: 'Passive direct box',
  words: ['DI', 'DI box', 'direct box', 'passive DI'],
  summary: 'A transformer from an instrument or line output to a microphone inlet; needs no feed and blocks it.',
  nature: 'blocks feed',
  directBox: true,
  breaksLoops: true,
  withTwoSides: 'stereo-direct-box',
  planning: { complexity: 3, adapts: true },
  figures: {
    ratio: { label: 'Turns ratio', unit: ':1', min: 1, max: 30, typical: { value: 12, basis: 'common practice' } },
    primary: {
      label: 'Inductance of the instrument side',
      unit: 'H',
      min: 1,
      max: 5000,
      typical: { value: 800, basis: 'assumed' },
    },
    saturation: saturationLimit,
    coreLevel: { ...coreLevel(18), label: 'Maximum level at its input at 50 Hz' },
  },
  choices: { ground: groundLift, pad: padSwitch },
  ends: () => ({ input: 'ts635', output: 'xlr3' }),
  ports: through,
  gain: (part, exit) => unlessThrough(-20 * Math.log10(part.value('ratio')) - PADS[part.choice('pad')], exit),
  build(bench) {
    buildThrough(bench);
    const tip = padded(bench, PASSIVE_PAD);
    transformer(
      bench,
      { a: tip, b: bench.in('S'), henries: bench.value('primary'), ohms: WIRE * bench.value('ratio') ** 2 },
      { a: bench.out('2'), b: bench.out('3'), ohms: 20 },
      bench.value('ratio'),
    );
    stakeCore(bench, 'the direct box', ['primary', 'secondary'], [tip, bench.in('S')]);
    if (bench.choice('ground') === 'joined') {
      bench.resistor('ground', bench.in('S'), bench.out('1'), 0.01);
      bench.path({ from: 'S', to: '1', look: 'wire' });
    }
    bench.path({ from: 'T', to: '2', look: 'transformer' });
    bench.path({ from: 'S', to: '3', look: 'transformer' });
  },
};

/** Two boxes in one housing, each with its own transformer: left and right stay apart. */
export const stereoDirectBox: LinkKind = {
  ...passiveDirectBox,
  kind: 'stereo-direct-box',
  mends: 'stereo box',
  withTwoSides: undefined,
  label: 'Stereo direct box, one channel',
  words: ['stereo DI', 'stereo box'],
  summary: 'One of the two passive direct boxes in a common housing; left and right each have their own transformer.',
};

export const activeDirectBox: LinkKind = {
  role: 'link',
  kind: 'active-direct-box',
  mends: 'active box',
  label: 'Active direct box',
  words: ['active DI'],
  summary: 'An amplifier with a very high input resistance for pickups; runs on phantom, its battery, or either.',
  nature: 'blocks feed',
  directBox: true,
  planning: {
    complexity: 4,
    adapts: true,
    tried: [
      { choices: { battery: 'on' }, set: 'on its battery', feed: 'off' },
      { choices: { battery: 'off' }, set: 'on phantom', feed: 'P48' },
    ],
  },
  figures: {
    inputResistance: {
      label: 'Input resistance',
      unit: 'MΩ',
      min: 0.01,
      max: 100,
      typical: { value: 10, basis: 'common practice' },
    },
    gain: { label: 'Gain', unit: 'dB', min: -40, max: 20, typical: { value: 0, basis: 'common practice' } },
    ein: inputNoise('Noise at its input, shorted', -108, '20 Hz to 20 kHz, unweighted.'),
    outputResistance: resistance('Output resistance', 150),
    maxOutput: maxOutputFigure,
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.1,
      max: 15,
      typical: { value: 3, basis: 'common practice' },
    },
    ...pinFigures(20, 9),
    ...cellFigures(500, 9, 2),
  },
  choices: {
    battery: powerSetting('Battery', [
      ['off', 'none, or switched off'],
      ['on', 'in and switched on'],
    ]),
    ground: groundLift,
    pad: padSwitch,
  },
  ends: () => ({ input: 'ts635', output: 'xlr3' }),
  ports: through,
  gain: (part, exit) => unlessThrough(part.value('gain') - PADS[part.choice('pad')], exit),
  build(bench) {
    const pin1 = bench.out('1');
    const gain = 10 ** (bench.value('gain') / 20);
    buildThrough(bench);
    // A lifted ground leaves the instrument's sleeve on the box through some kilohms, as such boxes do.
    bench.resistor('ground', bench.in('S'), pin1, bench.choice('ground') === 'joined' ? 0.01 : 10e3);
    const tip = padded(bench, bench.value('inputResistance'));
    bench.resistor('input', bench.in('T'), bench.in('S'), bench.value('inputResistance'));
    bench.noise('noise', tip, bench.node('heard'), noiseDensityOf(bench.value('ein')));
    const rail = buildElectronics(bench, 2200, (pin, node, share) =>
      bench.amplifier(`output${pin}`, node, pin1, bench.node('heard'), bench.in('S'), share * gain),
    );
    stakePhantom(bench, 'the direct box', {
      battery: bench.choice('battery') === 'on',
      rail,
      amps: bench.value('current'),
    });
    greatestOutput(bench, 'the direct box');
    bench.path({ from: 'T', to: '2', look: 'amplifier' });
    if (bench.choice('ground') === 'joined') bench.path({ from: 'S', to: '1', look: 'wire' });
  },
};
