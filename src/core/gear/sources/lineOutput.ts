import type { Bench } from '../bench';
import type { ConnectorId, Contact } from '../connectors';
import type { FigureSpec } from '../figures';
import type { SourceKind } from '../kinds';
import {
  choice,
  connectorChoice,
  directCurrentLimit,
  groundQuestion,
  inputNoise,
  lowestFigure,
  resistance,
  transformer,
} from '../shared';

/** Which contacts of a plug an output drives: one pair, or left and right. */
interface Drives {
  reference: Contact;
  hot: Contact;
  /** Driven against the hot one; the reference where the output is not balanced. */
  cold?: Contact;
  right?: Contact;
  /** The same signal once more. */
  also?: Contact;
}

const DRIVES: Record<string, Drives> = {
  ts635: { reference: 'S', hot: 'T' },
  ts35: { reference: 'S', hot: 'T' },
  rca: { reference: 'S', hot: 'T' },
  trs635: { reference: 'S', hot: 'T', cold: 'R' },
  'trs635-stereo': { reference: 'S', hot: 'T', right: 'R' },
  xlr3: { reference: '1', hot: '2', cold: '3' },
  trs35: { reference: 'S', hot: 'T', right: 'R' },
  'trs35-balanced': { reference: 'S', hot: 'T', cold: 'R' },
  'trs35-dual': { reference: 'S', hot: 'T', also: 'R' },
};

export const outputFigures = (
  ohms: number,
  level: number,
  noise: number,
  lowest: number,
): Record<string, FigureSpec> => ({
  outputResistance: resistance('Output resistance', ohms),
  outputLevel: {
    label: 'Peak output level',
    unit: 'dBu',
    min: -60,
    max: 30,
    typical: { value: level, basis: 'common practice' },
  },
  outputNoise: inputNoise('Noise at its output, nothing playing', noise, '20 Hz to 20 kHz, unweighted.'),
  directCurrent: { ...directCurrentLimit(1), label: 'Maximum DC into its output' },
  capacitor: { label: 'Output capacitor', unit: 'µF', min: 0.1, max: 4700, typical: { value: 47, basis: 'assumed' } },
  stands: {
    label: 'Rating of the output capacitor',
    unit: 'V',
    min: 1,
    max: 100,
    typical: { value: 25, basis: 'assumed' },
  },
  lowest: lowestFigure(lowest),
});

export const couplingChoice = choice('Coupling', [
  ['capacitor', 'through a capacitor'],
  ['transformer', 'through a transformer'],
  ['direct', 'directly'],
]);

export const lineOutput: SourceKind = {
  role: 'source',
  kind: 'line-output',
  belongsIn: 'line',
  label: 'Line output',
  words: [
    'line out',
    'keyboard',
    'keys',
    'kbd',
    'synth',
    'piano',
    'laptop',
    'computer',
    'playback',
    'player',
    'mixer output',
  ],
  summary: 'Keyboard, wireless receiver, laptop interface: an active output that must not be fed.',
  character: 'line output',
  level: 'output level',
  byHand: { before: 'Its volume at zero', after: 'Its volume at zero, then off' },
  figures: outputFigures(150, 4, -90, 30),
  choices: {
    coupling: couplingChoice,
    connector: connectorChoice([
      ['ts635', '6.35 mm TS, unbalanced'],
      ['trs635', '6.35 mm TRS, balanced'],
      ['xlr3', 'XLR, balanced'],
      ['trs35', '3.5 mm TRS, stereo: left on the tip, right on the ring'],
      ['trs35-balanced', '3.5 mm TRS, balanced mono'],
      ['trs35-dual', '3.5 mm TRS, the same mono signal on tip and ring'],
      ['trs635-stereo', '6.35 mm TRS, stereo (earphones)'],
      ['ts35', '3.5 mm TS, mono'],
      ['rca', 'RCA, unbalanced'],
    ]),
    ground: groundQuestion,
  },
  connector: (part) => part.choice('connector').replace(/-(balanced|dual|stereo)$/, '') as ConnectorId,
  stereo: (part) => DRIVES[part.choice('connector')].right !== undefined,
  pair(part) {
    const { hot, cold, reference } = DRIVES[part.choice('connector')];
    return [hot, cold ?? reference];
  },
  build: buildOutput,
};

/** One or two driven channels, coupled as they are. */
export function buildOutput(bench: Bench): void {
  const drives = DRIVES[bench.choice('connector')];
  const reference = bench.out(drives.reference);
  bench.earth(reference, bench.choice('ground'));
  const only = bench.wiring.only;
  const channels = [
    { name: '', hot: drives.hot, cold: drives.cold, plays: only !== 'right' },
    ...(drives.right ? [{ name: 'right.', hot: drives.right, cold: undefined, plays: only !== 'left' }] : []),
  ];
  if (drives.also) bench.join(bench.out(drives.also), bench.out(drives.hot));
  const outer: [string, string][] = [];
  const direct: string[] = [];
  for (const { name, hot, cold, plays } of channels) {
    const made = buildChannel(bench, name, bench.out(hot), cold && bench.out(cold), reference, plays ? 1 : 0);
    outer.push(...made.capacitors);
    direct.push(...made.outputs);
  }
  if (outer.length)
    bench.stake({
      type: 'output capacitor',
      what: 'the output capacitor',
      stands: bench.limit('stands'),
      between: outer,
    });
  if (direct.length)
    bench.stake({
      type: 'output',
      what: 'the directly coupled output',
      limit: bench.limit('directCurrent'),
      elements: direct.map((name) => bench.element(name)),
    });
}

/** @returns the capacitors and the directly coupled legs that a feed from outside would reach */
function buildChannel(
  bench: Bench,
  channel: string,
  hot: string,
  cold: string | undefined,
  reference: string,
  signal: number,
): { capacitors: [string, string][]; outputs: string[] } {
  const ohms = bench.value('outputResistance');
  const named = (name: string) => `${channel}${name}`;
  if (bench.choice('coupling') === 'transformer') {
    const [emf, back] = [bench.node(named('emf')), bench.node(named('return'))];
    bench.voltage(named('signal'), emf, back, 0, signal);
    transformer(
      bench,
      { a: emf, b: back, henries: 10, ohms: ohms / 2 },
      { a: hot, b: cold ?? reference, ohms: ohms / 2 },
      1,
      channel,
    );
    return { capacitors: [], outputs: [] };
  }
  const legs: [name: string, end: string, share: number][] = cold
    ? [
        [named('hot'), hot, 0.5],
        [named('cold'), cold, -0.5],
      ]
    : [[named('hot'), hot, 1]];
  const capacitors: [string, string][] = [];
  const outputs: string[] = [];
  for (const [name, end, share] of legs) {
    bench.voltage(`signal.${name}`, bench.node(`${name}.drive`), reference, 0, signal * share);
    const behind = bench.choice('coupling') === 'capacitor';
    const inner = behind ? bench.node(`${name}.coupled`) : end;
    bench.resistor(`${name}.output`, bench.node(`${name}.drive`), inner, cold ? ohms / 2 : ohms);
    if (behind) {
      bench.capacitor(`${name}.coupling`, end, inner, bench.value('capacitor'));
      capacitors.push([end, inner]);
    } else outputs.push(`${name}.output`);
  }
  return { capacitors, outputs };
}
