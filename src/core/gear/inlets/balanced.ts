import type { Bench } from '../bench';
import type { Contact } from '../connectors';
import type { FigureSpec } from '../figures';
import { FEEDS, feedLabel, feedsOf, isPhantom, USUAL, type Feed, type FeedName } from '../../standards/feeds';
import { choice, setting } from '../shared';
import { levelFigures } from './levels';

/** Feed resistors that are there when the stated input resistance was measured: those of the 48 V feed. */
const STANDING = FEEDS[USUAL].ohms;
/** An ordinary silicon diode, as it stands behind coupling capacitors (common practice). */
const CLAMP = { saturationAmps: 1e-14, emission: 1 };

const standardFeedVolts = {
  label: 'Feed voltage, unloaded',
  unit: 'V',
  min: 0,
  max: 60,
  help: 'Leave blank to use the standard.',
} as const;

/** Coupling capacitors, and what stands behind them: from these comes the thump of a feed. */
export const couplingFigures = (microfarads: number): Record<string, FigureSpec> => ({
  coupling: {
    label: 'Coupling capacitor, each leg',
    unit: 'µF',
    min: 0.1,
    max: 4700,
    typical: { value: microfarads, basis: 'assumed' },
  },
  couplingSpread: {
    label: 'Difference between the two coupling capacitors',
    unit: '%',
    min: 0,
    max: 40,
    typical: { value: 10, basis: 'assumed' },
    help: 'Electrolytics are 10 to 20 % parts; this decides the thump when phantom comes on.',
  },
  behind: {
    label: 'Resistance after the coupling capacitors, each leg',
    unit: 'Ω',
    min: 50,
    max: 1e6,
    help: 'Leave blank to take it from the input resistance.',
  },
  clampVolts: {
    label: 'Clamp diodes after the capacitors conduct at',
    unit: 'V',
    min: 1,
    max: 60,
    typical: { value: 15, basis: 'assumed' },
    help: 'The supply they lead to, either side.',
  },
  clampOhms: {
    label: 'In series with the clamp diodes',
    unit: 'Ω',
    min: 0.1,
    max: 10e3,
    typical: { value: 10, basis: 'assumed' },
  },
});

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
    help: 'Leave blank to use the standard.',
  },
  bleeder: {
    label: 'Leakage of the feed to ground, switched off',
    unit: 'kΩ',
    min: 0.1,
    max: 10e3,
    typical: { value: 165, basis: 'assumed' },
    help: 'What empties the capacitors where the switched-off feed is not held to ground.',
  },
  ...couplingFigures(47),
  ...levelFigures(gain, fullScale),
});

export const clampChoice = choice('Clamp diodes after the capacitors', [
  ['yes', 'yes, or not known'],
  ['no', 'none'],
]);

export const offChoice = choice(
  'Phantom, switched off,',
  [
    ['floats', 'floats, or not known: it empties slowly'],
    ['held', 'is held to ground'],
  ],
  'Decides how long a line stays charged.',
);

/** The button that turns the inlet's polarity. */
export const polarityChoice = setting('Polarity button', [
  ['none', 'none'],
  ['normal', 'there is one: normal'],
  ['reversed', 'there is one: reversed'],
]);

export const feedChoice = choice(
  'Feed',
  [['off', 'off'], ...feedsOf('phantom', 'T12').map((feed): [string, string] => [feed, feedLabel(feed)])],
  'What is switched on now; lines of one switch change together.',
);

export interface Legs {
  hot: Contact;
  cold: Contact;
  reference: Contact;
}

/** Tells what an inlet hears between two nodes, as its polarity button stands. */
export function listenTo(bench: Bench, { hot, cold }: Legs, nodes: { hot: string; cold: string }): void {
  const reversed = bench.choice('polarity') === 'reversed';
  bench.listen({
    name: '',
    hot: reversed ? nodes.cold : nodes.hot,
    cold: reversed ? nodes.hot : nodes.cold,
    contacts: [hot, cold],
    balanced: true,
  });
}

/** A leg's coupling capacitor, the resistor behind it, and while things change the diodes that clamp it. */
export function buildLeg(bench: Bench, name: string, node: string, farads: number, ohms: number): string {
  const inner = bench.node(`amplifier.${name}`);
  const spread = name === 'cold' && bench.wiring.unequal ? bench.value('couplingSpread') : 0;
  bench.capacitor(`coupling.${name}`, node, inner, farads * (1 - spread));
  bench.resistor(`amplifier.${name}`, inner, bench.gnd, ohms);
  if (bench.wiring.moving && bench.choice('clamps') === 'yes') {
    const clamped = bench.node(`clamp.${name}`);
    bench.resistor(`clamp.${name}`, inner, clamped, bench.value('clampOhms'));
    for (const [side, sign] of [
      ['up', 1],
      ['down', -1],
    ] as const) {
      const rail = bench.node(`clamp.${side}.${name}`);
      bench.voltage(`clamp.${side}.${name}`, rail, bench.gnd, sign * bench.value('clampVolts'));
      const [anode, cathode] = sign > 0 ? [clamped, rail] : [rail, clamped];
      bench.diode(`clamp.diode.${side}.${name}`, anode, cathode, CLAMP.saturationAmps, CLAMP.emission);
    }
  }
  return inner;
}

/** A balanced input: coupling capacitors, a resistor from each leg, and the feed network if it has one. */
export function buildBalanced(bench: Bench, legs: Legs, feed: FeedName | 'none'): void {
  const { hot, cold, reference } = legs;
  bench.ground(bench.in(reference));
  const nodes = [
    ['hot', bench.in(hot)],
    ['cold', bench.in(cold)],
  ] as const;
  // The amplifier's share of the stated input resistance, with the feed resistors of the 48 V feed taken out of it.
  const siemens = 2 / bench.value('inputResistance') - (feed === 'none' ? 0 : 1 / STANDING);
  const amplifier = bench.optional('behind') ?? (siemens > 1e-7 ? 1 / siemens : 10e6);
  const [heard, other] = nodes.map(([name, node]) => buildLeg(bench, name, node, bench.value('coupling'), amplifier));
  const [[, plus], [, minus]] = nodes;
  const standard = feed === 'none' || feed === 'off' ? undefined : FEEDS[feed];
  if (standard?.family === 'T12')
    buildT12(bench, standard, ...(standard.reversed ? ([minus, plus] as const) : ([plus, minus] as const)));
  else if (feed !== 'none') buildPhantom(bench, feed, nodes);
  listenTo(bench, legs, { hot: heard, cold: other });
}

function buildPhantom(bench: Bench, name: FeedName, legs: readonly (readonly [string, string])[]): void {
  const feed = isPhantom(name) ? FEEDS[name] : undefined;
  const ohms = bench.optional('feedResistance') ?? feed?.ohms ?? STANDING;
  const mismatch = bench.wiring.mismatch ?? 0;
  for (const [leg, node] of legs)
    bench.resistor(`feed.${leg}`, bench.node('bus'), node, leg === 'cold' ? ohms * (1 + mismatch) : ohms);
  if (!feed) {
    bench.resistor('bleeder', bench.node('bus'), bench.gnd, bench.value('bleeder'));
    return;
  }
  bench.voltage('feed', bench.node('bus'), bench.gnd, bench.optional('feedVolts') ?? feed.volts);
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: feed.label,
    element: bench.element('feed'),
    resistors: legs.map(([leg]) => bench.element(`feed.${leg}`)),
    ...(feed.limit !== undefined && { limit: { value: feed.limit / 1e3, source: feed.source } }),
  });
}

/** 12 V between pin 2 (+) and pin 3, a resistor in each conductor. */
function buildT12(bench: Bench, { volts, ohms, limit, source, label }: Feed, plus: string, minus: string): void {
  bench.voltage('feed', bench.node('bus'), bench.gnd, bench.optional('feedVolts') ?? volts);
  bench.resistor('feed.hot', bench.node('bus'), plus, bench.optional('feedResistance') ?? ohms);
  bench.resistor('feed.cold', minus, bench.gnd, bench.optional('feedResistance') ?? ohms);
  bench.stake({
    type: 'feed',
    what: 'the inlet',
    feed: label,
    element: bench.element('feed'),
    resistors: [bench.element('feed.hot'), bench.element('feed.cold')],
    limit: { value: limit! / 1e3, source },
  });
}
