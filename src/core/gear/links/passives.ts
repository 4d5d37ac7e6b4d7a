import type { ConnectorId } from '../connectors';
import type { LinkKind } from '../part';
import { choice, transformer } from '../shared';

const XLR = (): { input: ConnectorId; output: ConnectorId } => ({ input: 'xlr3', output: 'xlr3' });

export const isolatingTransformer: LinkKind = {
  role: 'link',
  kind: 'isolating-transformer',
  label: 'Isolating transformer',
  summary: 'Passes the signal one to one, blocks every feed, and can part the shields of two devices.',
  nature: 'blocks feed',
  figures: {},
  choices: {
    ground: choice('Pin 1', [
      ['joined', 'joined'],
      ['lifted', 'lifted'],
    ]),
  },
  ends: XLR,
  build(bench) {
    transformer(
      bench,
      { a: bench.in('2'), b: bench.in('3'), henries: 20, ohms: 40 },
      { a: bench.out('2'), b: bench.out('3'), ohms: 40 },
      1,
    );
    if (bench.choice('ground') === 'joined') {
      bench.join(bench.in('1'), bench.out('1'));
      bench.path({ from: '1', to: '1', look: 'wire' });
    }
    bench.path({ from: '2', to: '2', look: 'transformer' });
    bench.path({ from: '3', to: '3', look: 'transformer' });
  },
};

/** Shunt of the pad; small against any inlet, so that the inlet hardly changes the attenuation. */
const SHUNT = 150;

export const pad: LinkKind = {
  role: 'link',
  kind: 'pad',
  label: 'Pad',
  summary: 'Lowers the level between a loud source and a sensitive inlet.',
  figures: {
    attenuation: {
      label: 'Attenuation',
      unit: 'dB',
      min: 3,
      max: 60,
      typical: { value: 20, basis: 'common practice' },
    },
  },
  choices: {
    feed: choice('Direct current', [
      ['passes', 'passes it'],
      ['blocks', 'blocks it with capacitors'],
    ]),
  },
  ends: XLR,
  gain: (part) => -part.value('attenuation'),
  build(bench) {
    const series = (SHUNT * (10 ** (bench.value('attenuation') / 20) - 1)) / 2;
    bench.join(bench.in('1'), bench.out('1'));
    bench.resistor('shunt', bench.node('end2'), bench.node('end3'), SHUNT);
    for (const pin of ['2', '3'] as const) {
      bench.resistor(`series${pin}`, bench.in(pin), bench.node(`end${pin}`), series);
      if (bench.choice('feed') === 'passes') bench.join(bench.node(`end${pin}`), bench.out(pin));
      else bench.capacitor(`blocking${pin}`, bench.node(`end${pin}`), bench.out(pin), 100e-6);
      bench.path({ from: pin, to: pin, look: bench.choice('feed') === 'passes' ? 'resistor' : 'capacitor' });
    }
    bench.path({ from: '1', to: '1', look: 'wire' });
  },
};

export const polarityReverser: LinkKind = {
  role: 'link',
  kind: 'polarity-reverser',
  label: 'Polarity reverser',
  summary: 'Swaps pins 2 and 3 and does nothing else.',
  figures: {},
  choices: {},
  ends: XLR,
  build(bench) {
    for (const [from, to] of [
      ['1', '1'],
      ['2', '3'],
      ['3', '2'],
    ] as const) {
      bench.join(bench.in(from), bench.out(to));
      bench.path({ from, to, look: 'wire' });
    }
  },
};
