import type { Bench } from '../bench';
import type { FigureSpec } from '../figures';
import type { InletKind } from '../kinds';
import { clampChoice, couplingFigures, listenTo, buildLeg, polarityChoice, type Legs } from './balanced';
import { levelChoices, levelFigures } from './levels';

const JACK = { hot: 'T', cold: 'R', reference: 'S' } as const;

export const LINE_LEVELS = levelFigures(20, 20, { ein: -100, einLow: -92, range: 110 });

export const jackResistance = (label: string, kiloohms: number): FigureSpec => ({
  label,
  unit: 'kΩ',
  min: 1,
  max: 10e3,
  typical: { value: kiloohms, basis: 'common practice' },
});

/** A balanced line input: each leg has half of the input resistance to ground. */
export function buildJack(bench: Bench, legs: Legs, ohms: number): void {
  bench.ground(bench.in(legs.reference));
  const [hot, cold] = (['hot', 'cold'] as const).map((leg) =>
    buildLeg(bench, leg, bench.in(legs[leg]), 10e-6, ohms / 2),
  );
  listenTo(bench, legs, { hot, cold });
}

const choices = { ...levelChoices, polarity: polarityChoice, clamps: clampChoice };

export const balancedJack: InletKind = {
  role: 'inlet',
  kind: 'balanced-jack',
  label: 'Balanced line inlet, 6.35 mm jack',
  summary: '6.35 mm line input without a feed, as on a line mixer.',
  sockets: ['trs635'],
  figures: { jackResistance: jackResistance('Input resistance', 20), ...couplingFigures(10), ...LINE_LEVELS },
  choices,
  meantFor: () => 'line',
  build: (bench) => buildJack(bench, JACK, bench.value('jackResistance')),
};

export const xlrLine: InletKind = {
  role: 'inlet',
  kind: 'xlr-line',
  label: 'Balanced line inlet, XLR',
  summary: 'XLR input for line level: no feed, little gain, plenty of headroom.',
  sockets: ['xlr3'],
  figures: { jackResistance: jackResistance('Input resistance', 20), ...couplingFigures(10), ...LINE_LEVELS },
  choices,
  meantFor: () => 'line',
  build: (bench) => buildJack(bench, { hot: '2', cold: '3', reference: '1' }, bench.value('jackResistance')),
};

/** One unbalanced contact and its ground. */
function buildUnbalanced(bench: Bench, contact: 'T' | 'R'): void {
  bench.ground(bench.in('S'));
  const heard = buildLeg(bench, contact, bench.in(contact), 10e-6, bench.value('jackResistance'));
  bench.listen({ name: '', hot: heard, cold: bench.in('S'), contacts: [contact, 'S'], balanced: false });
}

export const rcaLine: InletKind = {
  role: 'inlet',
  kind: 'rca-line',
  label: 'Line inlet, RCA',
  summary: 'Unbalanced line input for players and mixers of the household sort.',
  sockets: ['rca'],
  figures: {
    jackResistance: jackResistance('Input resistance', 22),
    ...couplingFigures(10),
    ...levelFigures(12, 8, { ein: -96, einLow: -90, range: 100 }),
  },
  choices: { ...levelChoices, clamps: clampChoice },
  meantFor: () => 'line',
  build: (bench) => buildUnbalanced(bench, 'T'),
};

export const insert: InletKind = {
  role: 'inlet',
  kind: 'insert',
  label: 'Insert socket (tip send, ring return)',
  summary: 'Line send on the tip, return on the ring of one 6.35 mm TRS socket; only the return is an input.',
  sockets: ['trs635'],
  figures: {
    jackResistance: jackResistance('Input resistance of the return', 10),
    ...couplingFigures(10),
    ...LINE_LEVELS,
  },
  choices: { ...levelChoices, clamps: clampChoice },
  meantFor: () => 'line',
  build(bench) {
    buildUnbalanced(bench, 'R');
    // The send is an output: it has a low resistance and plays what the channel plays.
    bench.resistor('send', bench.in('T'), bench.gnd, 100);
  },
};
