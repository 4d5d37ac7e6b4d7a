import type { LinkKind } from '../part';
import { resistance } from '../shared';

export const inlineBooster: LinkKind = {
  role: 'link',
  kind: 'inline-booster',
  label: 'Inline booster',
  summary: 'Clean gain for moving coils and ribbons; takes phantom from the inlet and does not pass it on.',
  nature: 'blocks feed',
  figures: {
    gain: { label: 'Gain', unit: 'dB', min: 3, max: 40, typical: { value: 25, basis: 'common practice' } },
    inputResistance: resistance('Input resistance', 20e3),
    outputResistance: resistance('Output resistance', 150),
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.1,
      max: 15,
      typical: { value: 3, basis: 'common practice' },
    },
    needs: {
      label: 'Voltage at its pins it is specified from',
      unit: 'V',
      min: 3,
      max: 52,
      typical: { value: 28, basis: 'common practice' },
    },
    stops: {
      label: 'Voltage at its pins below which it falls silent',
      unit: 'V',
      min: 1,
      max: 52,
      typical: { value: 16, basis: 'common practice' },
    },
    stands: {
      label: 'Most voltage at its pins',
      unit: 'V',
      min: 12,
      max: 60,
      typical: { value: 52, basis: 'common practice' },
    },
  },
  choices: {},
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  gain: (part) => part.value('gain'),
  build(bench) {
    const [pin1, pin2, pin3] = [bench.out('1'), bench.out('2'), bench.out('3')];
    bench.join(bench.in('1'), pin1);
    bench.resistor('input2', bench.in('2'), pin1, bench.value('inputResistance') / 2);
    bench.resistor('input3', bench.in('3'), pin1, bench.value('inputResistance') / 2);
    bench.resistor('leg2', pin2, bench.node('supply'), 1500);
    bench.resistor('leg3', pin3, bench.node('supply'), 1500);
    bench.load('electronics', bench.node('supply'), pin1, bench.value('current'), 0.5);
    bench.capacitor('filter', bench.node('supply'), pin1, 100e-6);
    const half = bench.value('outputResistance') / 2;
    const gain = 0.5 * 10 ** (bench.value('gain') / 20) * (1 + half / 1500);
    for (const [pin, sign] of [
      ['2', 1],
      ['3', -1],
    ] as const) {
      bench.amplifier(`output${pin}`, bench.node(`drive${pin}`), pin1, bench.in('2'), bench.in('3'), sign * gain);
      bench.resistor(`series${pin}`, bench.node(`drive${pin}`), bench.node(`coupled${pin}`), half);
      bench.capacitor(`coupling${pin}`, bench.node(`coupled${pin}`), bench.out(pin), 100e-6);
      bench.path({ from: pin, to: pin, look: 'amplifier' });
    }
    bench.path({ from: '1', to: '1', look: 'wire' });
    bench.stake({
      type: 'supply',
      what: 'the booster',
      wants: 'phantom',
      contacts: 'pins 2 and 3',
      between: [
        [pin2, pin1],
        [pin3, pin1],
      ],
      needs: bench.limit('needs'),
      stops: bench.limit('stops'),
      stands: bench.limit('stands'),
      battery: false,
    });
  },
};
