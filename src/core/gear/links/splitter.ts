import type { LinkKind, Port } from '../part';
import { choice } from '../shared';

/** The transformer of an isolated leg (common practice). */
const TRANSFORMER = { henries: 20, ohms: 40, coupling: 0.9999 };

const outlet = (label: string): Port => ({ side: 'output', connector: 'xlr3', label });

export const splitter: LinkKind = {
  role: 'link',
  kind: 'splitter',
  label: 'Splitter',
  summary: 'One source to two or three inlets: the direct leg passes the feed, isolated legs do not.',
  nature: 'splitter',
  figures: {},
  choices: {
    outlets: choice('Outlets', [
      ['two', 'direct and one isolated'],
      ['three', 'direct and two isolated'],
    ]),
    ground: choice('Pin 1 of the isolated legs', [
      ['lifted', 'lifted'],
      ['joined', 'joined'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  ports: (part) => ({
    b: outlet('isolated leg B'),
    ...(part.choice('outlets') === 'three' && { c: outlet('isolated leg C') }),
  }),
  build(bench) {
    for (const pin of ['1', '2', '3'] as const) {
      bench.join(bench.in(pin), bench.out(pin));
      bench.path({ from: pin, to: pin, look: 'wire' });
    }
    const { henries, ohms, coupling } = TRANSFORMER;
    bench.winding('primary', bench.in('2'), bench.in('3'), henries, ohms);
    const legs = bench.choice('outlets') === 'three' ? ['b', 'c'] : ['b'];
    for (const leg of legs) {
      bench.winding(`secondary.${leg}`, bench.out('2', leg), bench.out('3', leg), henries, ohms);
      bench.couple('primary', `secondary.${leg}`, coupling);
      bench.path({ port: leg, from: '2', to: '2', look: 'transformer' });
      bench.path({ port: leg, from: '3', to: '3', look: 'transformer' });
      if (bench.choice('ground') === 'joined') {
        bench.join(bench.in('1'), bench.out('1', leg));
        bench.path({ port: leg, from: '1', to: '1', look: 'wire' });
      }
    }
    if (legs.length === 2) bench.couple('secondary.b', 'secondary.c', coupling);
  },
};
