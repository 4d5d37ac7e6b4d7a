import type { LinkKind } from '../kinds';
import { buildElectronics, greatestOutput, maxOutputFigure, pinFigures, stakePhantom } from '../phantom';
import { inputNoise, noiseDensityOf, resistance } from '../shared';

const PICK_OFF = 1500;

export const inlineBooster: LinkKind = {
  role: 'link',
  kind: 'inline-booster',
  mends: 'booster',
  label: 'Inline booster',
  words: ['booster', 'inline preamp'],
  summary: 'Clean gain for dynamics and ribbons; takes phantom from the inlet and does not pass it on.',
  nature: 'blocks feed',
  planning: { complexity: 4, place: 'booster', against: ['gain-short'], tried: [{ set: '', feed: 'P48' }] },
  figures: {
    gain: { label: 'Gain', unit: 'dB', min: 3, max: 40, typical: { value: 25, basis: 'common practice' } },
    inputResistance: resistance('Input resistance', 20e3),
    ein: inputNoise('EIN, input shorted', -131, '20 Hz to 20 kHz, unweighted.'),
    outputResistance: resistance('Output resistance', 150),
    maxOutput: maxOutputFigure,
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.1,
      max: 15,
      typical: { value: 3, basis: 'common practice' },
    },
    ...pinFigures(28, 16),
  },
  choices: {},
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  gain: (part) => part.value('gain'),
  build(bench) {
    const pin1 = bench.out('1');
    const gain = 10 ** (bench.value('gain') / 20);
    bench.join(bench.in('1'), pin1);
    bench.resistor('input2', bench.in('2'), pin1, bench.value('inputResistance') / 2);
    bench.resistor('input3', bench.in('3'), pin1, bench.value('inputResistance') / 2);
    bench.noise('noise', bench.in('2'), bench.node('heard'), noiseDensityOf(bench.value('ein')));
    const rail = buildElectronics(bench, PICK_OFF, (leg, node, share) =>
      bench.amplifier(`output${leg}`, node, pin1, bench.node('heard'), bench.in('3'), share * gain),
    );
    bench.path({ from: '1', to: '1', look: 'wire' });
    bench.path({ from: '2', to: '2', look: 'amplifier' });
    bench.path({ from: '3', to: '3', look: 'amplifier' });
    stakePhantom(bench, 'the booster', { rail, amps: bench.value('current') });
    greatestOutput(bench, 'the booster');
  },
};
