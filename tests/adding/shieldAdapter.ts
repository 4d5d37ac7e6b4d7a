import type { LinkKind } from '@/core/gear';

/** A link kind: the short adapter that leaves the shield of a line open, marked so by its owner. */
export const shieldAdapter: LinkKind = {
  role: 'link',
  kind: 'open-shield-adapter',
  label: 'Adapter with an open shield',
  summary: 'An XLR barrel that passes pins 2 and 3 and leaves pin 1 open, against a loop between two devices.',
  planning: { complexity: 3, place: 'isolation', leftAlone: true },
  figures: {},
  choices: {},
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build(bench) {
    for (const pin of ['2', '3'] as const) {
      bench.join(bench.in(pin), bench.out(pin));
      bench.path({ from: pin, to: pin, look: 'wire' });
    }
  },
};
