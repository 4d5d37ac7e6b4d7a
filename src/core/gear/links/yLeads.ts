import { CONNECTORS, type ConnectorId, type Contact } from '../connectors';
import type { LinkKind, Port } from '../kinds';
import { choice, connectorChoice } from '../shared';

/** A lead with three ends, all wires joined contact for contact. */
export const yLead: LinkKind = {
  role: 'link',
  kind: 'y-lead',
  label: 'Y-lead',
  words: ['Y', 'Y-cable', 'Y cable'],
  summary: 'Three plugs and wire, every contact joined: one source to two inlets, or two sources to one.',
  nature: 'passive Y',
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {
    use: choice('Joins', [
      ['split', 'one source to two inlets'],
      ['sum', 'two sources to one inlet'],
    ]),
    connector: connectorChoice([
      ['xlr3', 'XLR'],
      ['ts635', '6.35 mm TS'],
      ['trs635', '6.35 mm TRS'],
      ['trs35', '3.5 mm TRS'],
    ]),
  },
  ends: (part) => ({ input: part.choice('connector') as ConnectorId, output: part.choice('connector') as ConnectorId }),
  ports: (part): Record<string, Port> => ({
    b: {
      side: part.choice('use') === 'split' ? 'output' : 'input',
      connector: part.choice('connector') as ConnectorId,
      label: 'second end',
    },
  }),
  build(bench) {
    const split = bench.choice('use') === 'split';
    for (const contact of CONNECTORS[bench.choice('connector') as ConnectorId].contacts) {
      bench.join(bench.in(contact), bench.out(contact));
      bench.join(bench.in(contact), split ? bench.out(contact, 'b') : bench.in(contact, 'b'));
      bench.path({ from: contact, to: contact, look: 'wire' });
      if (split) bench.path({ port: 'b', from: contact, to: contact, look: 'wire' });
    }
  },
};

/** Where left and right of a stereo plug end on plugs of their own. */
const MONO: Record<string, { connector: ConnectorId; hot: Contact; grounded: Contact[] }> = {
  ts635: { connector: 'ts635', hot: 'T', grounded: ['S'] },
  ts35: { connector: 'ts35', hot: 'T', grounded: ['S'] },
  rca: { connector: 'rca', hot: 'T', grounded: ['S'] },
  xlr3: { connector: 'xlr3', hot: '2', grounded: ['1', '3'] },
};

export const stereoSplit: LinkKind = {
  role: 'link',
  kind: 'stereo-split',
  mends: 'stereo split',
  label: 'Stereo 3.5 mm lead to two plugs',
  words: ['breakout lead', 'stereo lead'],
  summary: 'Left and right of a stereo plug each on a plug of their own: jack, RCA or XLR.',
  keepsChannelsApart: true,
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {
    connector: connectorChoice([
      ['ts635', '6.35 mm TS'],
      ['ts35', '3.5 mm TS'],
      ['rca', 'RCA'],
      ['xlr3', 'XLR: signal on 2, ground on 1 and 3'],
    ]),
  },
  ends: (part) => ({ input: 'trs35', output: MONO[part.choice('connector')].connector }),
  ports: (part): Record<string, Port> => ({
    right: { side: 'output', connector: MONO[part.choice('connector')].connector, label: 'right' },
  }),
  build(bench) {
    const { hot, grounded } = MONO[bench.choice('connector')];
    for (const [from, port] of [
      ['T', undefined],
      ['R', 'right'],
    ] as const) {
      bench.join(bench.in(from), bench.out(hot, port));
      bench.path({ port, from, to: hot, look: 'wire' });
      for (const contact of grounded) {
        bench.join(bench.in('S'), bench.out(contact, port));
        bench.path({ port, from: 'S', to: contact, look: 'wire' });
      }
    }
  },
};

export const twoMonoToStereo: LinkKind = {
  role: 'link',
  kind: 'two-mono-to-stereo',
  label: 'Two mono to stereo 3.5 mm lead',
  words: ['two to stereo'],
  summary: 'Two mono 3.5 mm plugs into one stereo inlet: the first is left, the second right.',
  keepsChannelsApart: true,
  planning: { complexity: 5, leftAlone: true },
  figures: {},
  choices: {},
  ends: () => ({ input: 'ts35', output: 'trs35' }),
  ports: (): Record<string, Port> => ({ right: { side: 'input', connector: 'ts35', label: 'right' } }),
  build(bench) {
    bench.join(bench.in('T'), bench.out('T'));
    bench.join(bench.in('T', 'right'), bench.out('R'));
    bench.join(bench.in('S'), bench.out('S'));
    bench.join(bench.in('S', 'right'), bench.out('S'));
    bench.path({ from: 'T', to: 'T', look: 'wire' });
    bench.path({ from: 'S', to: 'S', look: 'wire' });
  },
};

export const fivePinSplit: LinkKind = {
  role: 'link',
  kind: 'five-pin-split',
  label: 'Five-pin to two XLR',
  words: ['five-pin split', 'stereo breakout'],
  summary: 'The lead of a stereo microphone: 2 and 3 on one XLR, 4 and 5 on the other.',
  keepsChannelsApart: true,
  planning: { complexity: 3, adapts: true },
  figures: {},
  choices: {},
  ends: () => ({ input: 'xlr5', output: 'xlr3' }),
  ports: (): Record<string, Port> => ({ right: { side: 'output', connector: 'xlr3', label: 'second XLR' } }),
  build(bench) {
    for (const [port, ...pins] of [
      [undefined, '2', '3'],
      ['right', '4', '5'],
    ] as const) {
      bench.join(bench.in('1'), bench.out('1', port));
      bench.path({ port, from: '1', to: '1', look: 'wire' });
      pins.forEach((pin, n) => {
        const to = n === 0 ? '2' : '3';
        bench.join(bench.in(pin), bench.out(to, port));
        bench.path({ port, from: pin, to, look: 'wire' });
      });
    }
  },
};
