import type { SourceKind } from '../kinds';
import { UNKNOWN } from '../figures';
import { directCurrentLimit, resistance, soundFigures } from '../shared';

/** A ribbon of about a tenth of an ohm, stepped up to the line; the ratio follows from the line side's level. */
const RIBBON = { henries: 5e-3, ratio: 30 };
/** How close the windings sit: what leaks is some 17 Ω at 1 kHz (common practice: flat to 20 kHz into 1.5 kΩ). */
const [COUPLING, HALVES] = [0.9997, 0.9998];
/** Part of the impedance that each half of the winding has where nobody says more (100 of 270 Ω; common practice). */
const WINDINGS = 100 / 270;
/** Part of the impedance that the ribbon itself has at the least (assumed). */
const LEAST_RIBBON = 1 / 27;

export const passiveRibbon: SourceKind = {
  role: 'source',
  kind: 'passive-ribbon',
  label: 'Passive ribbon',
  words: ['ribbon', 'rbn'],
  summary: 'Ribbon with an output transformer and no electronics; needs no feed and may be harmed by one.',
  character: 'passive ribbon',
  level: 'sensitivity',
  figures: {
    impedance: resistance(
      'Output impedance',
      270,
      'As its sheet states it, at 1 kHz: ribbon, leakage and windings together.',
    ),
    halfWinding: resistance('Resistance of each half of the output winding', 100),
    directCurrent: {
      ...directCurrentLimit(0.1),
      help: 'Assume none: every jump on the winding kicks the ribbon through the transformer.',
    },
    ...soundFigures(1.5, 94, 140),
  },
  choices: {
    tap: {
      label: 'Centre tap of the output transformer',
      options: [
        { value: UNKNOWN, label: 'not known' },
        { value: 'none', label: 'no centre tap, or not connected' },
        { value: 'grounded', label: 'on pin 1' },
      ],
      standard: UNKNOWN,
      question: { ask: 'Is the centre tap of the output transformer connected to pin 1?', drawnAs: 'none' },
    },
    maker: {
      label: 'Maker’s advice on phantom',
      options: [
        { value: 'nothing', label: 'not found yet' },
        { value: 'safe', label: 'phantom is safe' },
        { value: 'harmful', label: 'no phantom' },
      ],
      standard: 'nothing',
    },
  },
  connector: () => 'xlr3',
  build(bench) {
    const tap = bench.choice('tap') === 'grounded' ? bench.out('1') : bench.node('tap');
    const impedance = bench.value('impedance');
    const winding = bench.limit('halfWinding');
    // A sheet that states the impedance alone leaves its usual share to the windings.
    const half = winding.basis === 'common practice' ? Math.min(winding.value, WINDINGS * impedance) : winding.value;
    const secondary = (RIBBON.henries * RIBBON.ratio ** 2) / 4;
    bench.voltage('signal', bench.node('emf'), bench.node('ribbon.end'), 0, 1 / RIBBON.ratio);
    const ribbon = Math.max(LEAST_RIBBON * impedance, impedance - 2 * half) / RIBBON.ratio ** 2;
    bench.winding('ribbon', bench.node('emf'), bench.node('ribbon.end'), RIBBON.henries, ribbon);
    bench.winding('half2', bench.out('2'), tap, secondary, half);
    // Wound on in the same sense: from the tap on to pin 3.
    bench.resistor('half3.wire', bench.node('half3.start'), bench.out('3'), half);
    bench.inductor('half3', tap, bench.node('half3.start'), secondary);
    bench.couple('ribbon', 'half2', COUPLING);
    bench.couple('ribbon', 'half3', COUPLING);
    bench.couple('half2', 'half3', HALVES);
    bench.stake({
      type: 'winding',
      what: 'the ribbon transformer',
      elements: [bench.element('half2'), bench.element('half3')],
      limit: bench.limit('directCurrent'),
    });
  },
};
