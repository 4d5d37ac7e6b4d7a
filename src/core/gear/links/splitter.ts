import type { Bench } from '../bench';
import type { LinkKind, Port } from '../kinds';
import { FEEDS } from '../../standards/feeds';
import { choice, coreLevel, saturationLimit, powerSetting, stakeCore } from '../shared';

/** The transformer of an isolated output (common practice). */
const TRANSFORMER = { henries: 20, ohms: 40, coupling: 0.9999 };

const outputs = choice('Outputs', [
  ['two', 'direct + 1 isolated'],
  ['three', 'direct + 2 isolated'],
]);

const letters = (part: { choice(name: string): string }): ('b' | 'c')[] =>
  part.choice('outlets') === 'three' ? ['b', 'c'] : ['b'];

export const splitter: LinkKind = {
  role: 'link',
  kind: 'splitter',
  mends: 'split',
  label: 'Splitter',
  words: ['split', 'passive split'],
  summary: 'One source to two or three inlets: the direct output passes phantom, isolated outputs do not.',
  nature: 'splitter',
  planning: { complexity: 5, leftAlone: true },
  figures: { saturation: saturationLimit, coreLevel: coreLevel(12) },
  choices: {
    outlets: outputs,
    ground: choice('Pin 1 on the isolated outputs', [
      ['lifted', 'lifted'],
      ['joined', 'joined'],
    ]),
    use: choice('Used', [
      ['split', 'as a splitter: one source in'],
      ['combine', 'backwards: sources in at its outputs'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  ports: (part): Record<string, Port> =>
    Object.fromEntries(
      letters(part).map((letter) => [
        letter,
        {
          side: part.choice('use') === 'combine' ? 'input' : 'output',
          connector: 'xlr3',
          label: `isolated output ${letter.toUpperCase()}`,
        },
      ]),
    ),
  build(bench) {
    for (const pin of ['1', '2', '3'] as const) {
      bench.join(bench.in(pin), bench.out(pin));
      bench.path({ from: pin, to: pin, look: 'wire' });
    }
    const { henries, ohms, coupling } = TRANSFORMER;
    const far = (pin: '1' | '2' | '3', letter: string) =>
      bench.choice('use') === 'combine' ? bench.in(pin, letter) : bench.out(pin, letter);
    bench.winding('primary', bench.in('2'), bench.in('3'), henries, ohms);
    const used = letters(bench);
    for (const letter of used) {
      bench.winding(`secondary.${letter}`, far('2', letter), far('3', letter), henries, ohms);
      bench.couple('primary', `secondary.${letter}`, coupling);
      bench.path({ port: letter, from: '2', to: '2', look: 'transformer' });
      bench.path({ port: letter, from: '3', to: '3', look: 'transformer' });
      if (bench.choice('ground') === 'joined') {
        bench.join(bench.in('1'), far('1', letter));
        bench.path({ port: letter, from: '1', to: '1', look: 'wire' });
      }
    }
    if (used.length === 2) bench.couple('secondary.b', 'secondary.c', coupling);
    const windings = ['primary', ...used.map((letter) => `secondary.${letter}`)];
    stakeCore(bench, 'the splitter', windings, [bench.in('2'), bench.in('3')]);
  },
};

/** One output of an active splitter: a driver of its own behind a transformer. */
function buildDriver(bench: Bench, letter: string | undefined): void {
  const name = letter ?? 'a';
  const node = (what: string) => bench.node(`${name}.${what}`);
  bench.amplifier(`${name}.drive`, node('drive'), bench.in('1'), bench.node('in2'), bench.node('in3'), 1);
  bench.resistor(`${name}.output`, node('drive'), node('start'), 50);
  bench.winding(`${name}.primary`, node('start'), bench.in('1'), 10, 30);
  bench.winding(`${name}.secondary`, bench.out('2', letter), bench.out('3', letter), 10, 30);
  bench.couple(`${name}.primary`, `${name}.secondary`, 0.9999);
  for (const pin of ['2', '3'] as const) bench.path({ port: letter, from: pin, to: pin, look: 'amplifier' });
}

export const activeSplitter: LinkKind = {
  role: 'link',
  kind: 'active-splitter',
  label: 'Active splitter',
  words: ['active split', 'distribution amplifier'],
  summary: 'Feeds the microphone itself and drives two isolated outputs; no desk sees the other.',
  nature: 'supply',
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {
    feed: powerSetting('Its phantom', [
      ['off', 'off'],
      ['P48', '48 V'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  ports: (): Record<string, Port> => ({ b: { side: 'output', connector: 'xlr3', label: 'output B' } }),
  build(bench) {
    const { volts, ohms, limit, label, source } = FEEDS.P48;
    for (const pin of ['2', '3'] as const) {
      bench.resistor(`feed${pin}`, bench.node('bus'), bench.in(pin), ohms);
      bench.capacitor(`coupling${pin}`, bench.in(pin), bench.node(`in${pin}`), 47e-6);
      bench.resistor(`input${pin}`, bench.node(`in${pin}`), bench.in('1'), 2000);
    }
    if (bench.choice('feed') === 'P48') {
      bench.voltage('feed', bench.node('bus'), bench.in('1'), volts);
      bench.stake({
        type: 'feed',
        what: 'the splitter',
        feed: label,
        element: bench.element('feed'),
        resistors: [bench.element('feed2'), bench.element('feed3')],
        limit: { value: limit! / 1e3, source },
      });
    } else bench.resistor('bleeder', bench.node('bus'), bench.in('1'), 165e3);
    bench.join(bench.in('1'), bench.out('1'));
    bench.path({ from: '1', to: '1', look: 'wire' });
    buildDriver(bench, undefined);
    buildDriver(bench, 'b');
  },
};
