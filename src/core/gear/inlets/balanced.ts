import type { Bench } from '../bench';
import type { Contact } from '../connectors';
import type { FigureSpec } from '../figures';
import { FEEDS, isPhantom, type FeedName } from '../../standards/feeds';
import { choice, inputNoise } from '../shared';

/** Feed resistors that are there when the stated input resistance was measured: those of the 48 V feed. */
const STANDING = FEEDS.P48.ohms;

/** How quiet an inlet is: its amplifier's noise at most and at least gain in dBu, its converter's range in dB. */
interface Quiet {
  ein: number;
  einLow: number;
  range: number;
}
const MICROPHONE: Quiet = { ein: -128, einLow: -103, range: 112 };

export const levelFigures = (
  gain: number,
  fullScale: number,
  { ein, einLow, range }: Quiet = MICROPHONE,
): Record<string, FigureSpec> => ({
  gainMin: { label: 'Least gain', unit: 'dB', min: -40, max: 60, typical: { value: 0, basis: 'common practice' } },
  gainMax: { label: 'Most gain', unit: 'dB', min: 0, max: 100, typical: { value: gain, basis: 'common practice' } },
  fullScale: {
    label: 'Level for 0 dBFS at 0 dB gain',
    unit: 'dBu',
    min: -60,
    max: 40,
    typical: { value: fullScale, basis: 'common practice' },
    help: 'Peak of a sine; the sheet may call it maximum input level at least gain.',
  },
  ein: inputNoise('Equivalent input noise at most gain', ein, '20 Hz to 20 kHz, with the resistance below across it.'),
  einLow: inputNoise('Equivalent input noise at least gain', einLow, 'It rises as the gain falls.'),
  einResistance: {
    label: 'Source resistance for the equivalent input noise',
    unit: 'Ω',
    min: 0,
    max: 10e3,
    typical: { value: 150, basis: 'common practice' },
    help: '0 for a shorted input.',
  },
  dynamicRange: {
    label: 'Dynamic range of the converter, A-weighted',
    unit: 'dB',
    min: 60,
    max: 150,
    typical: { value: range, basis: 'common practice' },
  },
});

/** How the sheet states the equivalent input noise. */
export const einWeighting = choice('Equivalent input noise is stated', [
  ['unweighted', 'unweighted'],
  ['a-weighted', 'A-weighted'],
]);

const standardFeedVolts = {
  label: 'Feed measured with nothing connected',
  unit: 'V',
  min: 0,
  max: 60,
  help: 'Leave open to use the standard.',
} as const;

export const microphoneFigures = (ohms: number, gain = 60, fullScale = 10): Record<string, FigureSpec> => ({
  inputResistance: {
    label: 'Input resistance',
    unit: 'Ω',
    min: 100,
    max: 1e6,
    typical: { value: ohms, basis: 'common practice' },
    help: 'As the sheet states it, feed resistors included.',
  },
  feedVolts: standardFeedVolts,
  feedResistance: {
    label: 'Feed resistor of each leg',
    unit: 'Ω',
    min: 50,
    max: 50e3,
    help: 'Leave open to use the standard.',
  },
  ...levelFigures(gain, fullScale),
});

export const feedChoice = choice(
  'Feed',
  [
    ['off', 'off'],
    ['P48', '48 V'],
    ['P24', '24 V'],
    ['P12', '12 V'],
    ['SP48', '48 V high current'],
    ['T12', 'T12'],
    ['T12R', 'T12 reversed'],
  ],
  'What is switched on now; lines of one switch change together.',
);

export interface Legs {
  hot: Contact;
  cold: Contact;
  reference: Contact;
}

/** A balanced input: coupling capacitors, a resistor from each leg, and the feed network if it has one. */
export function buildBalanced(bench: Bench, { hot, cold, reference }: Legs, feed: FeedName | 'none'): void {
  bench.ground(bench.in(reference));
  const legs = [
    ['hot', bench.in(hot)],
    ['cold', bench.in(cold)],
  ] as const;
  // The amplifier's share of the stated input resistance, with the feed resistors of the 48 V feed taken out of it.
  const siemens = 2 / bench.value('inputResistance') - (feed === 'none' ? 0 : 1 / STANDING);
  const amplifier = siemens > 1e-7 ? 1 / siemens : 10e6;
  for (const [name, node] of legs) {
    bench.capacitor(`coupling.${name}`, node, bench.node(`amplifier.${name}`), 47e-6);
    bench.resistor(`amplifier.${name}`, bench.node(`amplifier.${name}`), 'gnd', amplifier);
  }
  if (feed === 'T12') buildT12(bench, legs[0][1], legs[1][1]);
  else if (feed === 'T12R') buildT12(bench, legs[1][1], legs[0][1]);
  else if (feed !== 'none') buildPhantom(bench, feed, legs);
  bench.listen({
    name: '',
    hot: bench.node('amplifier.hot'),
    cold: bench.node('amplifier.cold'),
    contacts: [hot, cold],
    balanced: true,
  });
}

function buildPhantom(bench: Bench, name: FeedName, legs: readonly (readonly [string, string])[]): void {
  const feed = isPhantom(name) ? FEEDS[name] : undefined;
  const ohms = bench.optional('feedResistance') ?? feed?.ohms ?? STANDING;
  for (const [leg, node] of legs)
    bench.resistor(`feed.${leg}`, bench.node('bus'), node, leg === 'cold' ? ohms * (1 + bench.mismatch) : ohms);
  if (!feed) {
    bench.resistor('bleeder', bench.node('bus'), 'gnd', 100e3);
    return;
  }
  bench.voltage('feed', bench.node('bus'), 'gnd', bench.optional('feedVolts') ?? feed.volts);
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: feed.label,
    element: bench.element('feed'),
    resistors: legs.map(([leg]) => bench.element(`feed.${leg}`)),
    limit: { value: feed.limit / 1e3, source: feed.source },
  });
}

/** 12 V between pin 2 (+) and pin 3, a resistor in each conductor. */
function buildT12(bench: Bench, plus: string, minus: string): void {
  const { ohms, limit, source, label } = FEEDS.T12;
  bench.voltage('feed', bench.node('bus'), 'gnd', bench.optional('feedVolts') ?? FEEDS.T12.volts);
  bench.resistor('feed.hot', bench.node('bus'), plus, bench.optional('feedResistance') ?? ohms);
  bench.resistor('feed.cold', minus, 'gnd', bench.optional('feedResistance') ?? ohms);
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: label,
    element: bench.element('feed'),
    resistors: [bench.element('feed.hot'), bench.element('feed.cold')],
    limit: { value: limit / 1e3, source },
  });
}
