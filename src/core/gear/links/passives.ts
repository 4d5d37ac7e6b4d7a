import type { ConnectorId } from '../connectors';
import type { LinkKind } from '../kinds';
import { choice, coreLevel, saturationLimit, stakeCore, transformer } from '../shared';

const XLR = (): { input: ConnectorId; output: ConnectorId } => ({ input: 'xlr3', output: 'xlr3' });

export const isolatingTransformer: LinkKind = {
  role: 'link',
  kind: 'isolating-transformer',
  mends: 'isolation',
  label: 'Isolating transformer',
  words: ['transformer', 'isolator', 'iso'],
  summary: 'Passes the signal one to one, blocks every feed, and can part the shields of two devices.',
  nature: 'blocks feed',
  breaksLoops: true,
  planning: {
    complexity: 3,
    place: 'isolation',
    against: ['element-direct-current', 'ribbon-fed', 'exposed-patch', 'output-backfeed'],
  },
  figures: { saturation: saturationLimit, coreLevel: coreLevel(12) },
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
    stakeCore(bench, 'the isolating transformer', ['primary', 'secondary'], [bench.in('2'), bench.in('3')]);
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
  mends: 'pad',
  label: 'Pad',
  words: ['attenuator', '20 dB'],
  summary: 'Lowers the level between a loud source and a sensitive inlet.',
  planning: { complexity: 3, place: 'level', against: ['headroom-short', 'link-clips'] },
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
    feed: choice('Phantom through this pad', [
      ['passes', 'passes'],
      ['blocks', 'blocked by capacitors'],
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
  turnsPolarity: true,
  mends: 'polarity',
  label: 'Polarity-reverse adapter',
  words: ['phase reverse', 'polarity', 'phase flip'],
  summary: 'Swaps pins 2 and 3 and does nothing else.',
  planning: { complexity: 3, place: 'level', against: ['reversed'] },
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

/** What empties the far side of the capacitors. */
const BLEED = 100e3;

export const blockingAdapter: LinkKind = {
  role: 'link',
  kind: 'blocking-adapter',
  label: 'Phantom blocker (capacitors)',
  words: ['blocker', 'phantom blocker'],
  summary: 'Two capacitors in an XLR barrel: passes the signal, keeps phantom from what comes before it.',
  nature: 'blocks feed',
  planning: { complexity: 3, place: 'isolation', against: ['element-direct-current', 'ribbon-fed', 'output-backfeed'] },
  figures: {
    capacitor: { label: 'Capacitors', unit: 'µF', min: 0.1, max: 1000, typical: { value: 47, basis: 'assumed' } },
  },
  choices: {},
  ends: XLR,
  build(bench) {
    bench.join(bench.in('1'), bench.out('1'));
    for (const pin of ['2', '3'] as const) {
      bench.capacitor(`blocking${pin}`, bench.in(pin), bench.out(pin), bench.value('capacitor'));
      bench.resistor(`bleed${pin}`, bench.in(pin), bench.in('1'), BLEED);
      bench.path({ from: pin, to: pin, look: 'capacitor' });
    }
    bench.path({ from: '1', to: '1', look: 'wire' });
  },
};

/** For a shield that is joined at the sending end alone (common practice: about 10 nF). */
const SHIELD_CAPACITOR = 10e-9;

export const shieldCapacitor: LinkKind = {
  role: 'link',
  kind: 'shield-capacitor',
  mends: 'shield over a capacitor',
  label: 'Shield over a capacitor (XLR barrel)',
  words: ['hybrid ground', 'ground lift', 'pin 1 lift', 'shield capacitor'],
  summary:
    'Joins pin 1 over 10 nF at the receiving end of a line-level lead: keeps radio out and mains currents off, and blocks phantom.',
  onPurpose: true,
  shieldOver: SHIELD_CAPACITOR,
  planning: { complexity: 3, leftAlone: true },
  figures: {},
  choices: {},
  ends: XLR,
  build(bench) {
    bench.capacitor('shield', bench.in('1'), bench.out('1'), SHIELD_CAPACITOR);
    bench.path({ from: '1', to: '1', look: 'capacitor' });
    for (const pin of ['2', '3'] as const) {
      bench.join(bench.in(pin), bench.out(pin));
      bench.path({ from: pin, to: pin, look: 'wire' });
    }
  },
};
