import type { LinkKind } from '../kinds';
import { FEEDS } from '../../standards/feeds';
import { groundQuestion, inputNoise, noiseDensityOf, resistance, powerSetting, setting } from '../shared';

/** What a microphone and a line output deliver for the same sound: 50 dB apart (common practice). */
const MICROPHONE_OUT = 50;

export const preamplifier: LinkKind = {
  role: 'link',
  kind: 'preamplifier',
  label: 'Preamplifier or field mixer',
  words: ['preamp', 'field mixer'],
  summary:
    'Amplifies before the recorder; its settings decide what arrives: input on microphone or line, output level.',
  nature: 'supply',
  onPurpose: true,
  planning: { complexity: 5, leftAlone: true },
  figures: {
    gain: { label: 'Gain set on it', unit: 'dB', min: -20, max: 90, typical: { value: 40, basis: 'assumed' } },
    inputResistance: resistance('Input resistance', 2000),
    outputResistance: resistance('Output resistance', 100),
    ein: inputNoise('EIN at the gain that is set', -126, '20 Hz to 20 kHz, unweighted.'),
    maxOutput: {
      label: 'Maximum output level set to line',
      unit: 'dBu',
      min: -20,
      max: 30,
      typical: { value: 20, basis: 'common practice' },
    },
    stands: {
      label: 'Rating of its output capacitors',
      unit: 'V',
      min: 1,
      max: 100,
      typical: { value: 63, basis: 'assumed' },
      help: 'Its output must not be fed; set the inlet to line.',
    },
  },
  choices: {
    input: setting('Input set to', [
      ['microphone', 'microphone'],
      ['line', 'line: 40 dB less sensitive, no feed'],
    ]),
    feed: powerSetting('Phantom of its own', [
      ['off', 'off'],
      ['P48', '48 V'],
    ]),
    output: setting('Output set to', [
      ['line', 'line level'],
      ['microphone', 'microphone level: 50 dB less'],
    ]),
    ground: groundQuestion,
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  gain: (part) =>
    part.value('gain') -
    (part.choice('input') === 'line' ? 40 : 0) -
    (part.choice('output') === 'microphone' ? MICROPHONE_OUT : 0),
  build(bench) {
    const [pin1, pin2, pin3] = [bench.in('1'), bench.in('2'), bench.in('3')];
    bench.join(pin1, bench.out('1'));
    bench.earth(pin1, bench.choice('ground'));
    const line = bench.choice('input') === 'line';
    const fed = bench.choice('feed') === 'P48' && !line;
    const { volts, ohms, limit, label, source } = FEEDS.P48;
    bench.resistor('feed2', bench.node('bus'), pin2, ohms);
    bench.resistor('feed3', bench.node('bus'), pin3, ohms);
    if (fed) {
      bench.voltage('feed', bench.node('bus'), pin1, volts);
      bench.stake({
        type: 'feed',
        what: 'the preamplifier',
        feed: label,
        element: bench.element('feed'),
        resistors: [bench.element('feed2'), bench.element('feed3')],
        limit: { value: limit! / 1e3, source },
      });
    } else bench.resistor('bleeder', bench.node('bus'), pin1, 165e3);
    const half = line ? 5000 : bench.value('inputResistance') / 2;
    for (const [pin, node] of [
      ['2', pin2],
      ['3', pin3],
    ] as const) {
      bench.capacitor(`coupling${pin}`, node, bench.node(`in${pin}`), 47e-6);
      bench.resistor(`input${pin}`, bench.node(`in${pin}`), pin1, half);
    }
    bench.noise('noise', bench.node('in2'), bench.node('heard'), noiseDensityOf(bench.value('ein')));
    const low = bench.choice('output') === 'microphone' ? MICROPHONE_OUT : 0;
    const gain = 10 ** ((bench.value('gain') - (line ? 40 : 0) - low) / 20);
    for (const [pin, share] of [
      ['2', 0.5],
      ['3', -0.5],
    ] as const) {
      bench.amplifier(
        `drive${pin}`,
        bench.node(`drive${pin}`),
        pin1,
        bench.node('heard'),
        bench.node('in3'),
        share * gain,
      );
      bench.resistor(
        `output${pin}`,
        bench.node(`drive${pin}`),
        bench.node(`coupled${pin}`),
        bench.value('outputResistance') / 2,
      );
      bench.capacitor(`out${pin}`, bench.node(`coupled${pin}`), bench.out(pin), 100e-6);
      bench.path({ from: pin, to: pin, look: 'amplifier' });
    }
    bench.path({ from: '1', to: '1', look: 'wire' });
    bench.stake({
      type: 'output capacitor',
      what: 'the output of the preamplifier',
      stands: bench.limit('stands'),
      between: (['2', '3'] as const).map((pin) => [bench.node(`coupled${pin}`), bench.out(pin)]),
    });
    const most = bench.limit('maxOutput');
    bench.stake({
      type: 'greatest output',
      what: 'the preamplifier',
      between: [bench.out('2'), bench.out('3')],
      volts: Math.SQRT2 * Math.sqrt(0.6) * 10 ** ((most.value - low) / 20),
      because: 'as its sheet says',
      basis: most.basis,
      where: most.where,
    });
  },
};
