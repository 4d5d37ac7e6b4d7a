import type { Bench } from '../bench';
import type { LinkKind } from '../kinds';

function straight(bench: Bench): void {
  for (const pin of ['1', '2', '3'] as const) {
    bench.join(bench.in(pin), bench.out(pin));
    bench.path({ from: pin, to: pin, look: 'wire' });
  }
}

export const patchPoint: LinkKind = {
  role: 'link',
  kind: 'trs-patch-point',
  label: 'TRS patch point',
  words: ['TRS patch', 'patchbay', 'patch bay'],
  summary:
    'A patchbay with 6.35 mm sockets in an XLR line; its plugs slide the feed across the source when patched live.',
  nature: 'TRS patch point',
  byHand: { before: 'plugs in and pushed home', unfed: true },
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {},
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build: straight,
};

export const threePinPatchPoint: LinkKind = {
  role: 'link',
  kind: 'three-pin-patch-point',
  label: 'XLR patch point',
  words: ['patch', 'XLR patch', 'wall box', 'tie line', 'panel'],
  summary: 'A patchbay or wall box with XLR sockets, pin for pin; ground makes first.',
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {},
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build: straight,
};
