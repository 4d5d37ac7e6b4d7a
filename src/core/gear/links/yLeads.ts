import { CONNECTORS, type ConnectorId } from '../connectors';
import type { LinkKind, Port } from '../part';
import { choice, connectorChoice } from '../shared';

/** A lead with three ends, all wires joined contact for contact. */
export const yLead: LinkKind = {
  role: 'link',
  kind: 'y-lead',
  label: 'Y-lead',
  summary: 'Three plugs and wire, every contact joined: one source to two inlets, or two sources to one.',
  figures: {},
  choices: {
    use: choice('Joins', [
      ['split', 'one source to two inlets'],
      ['sum', 'two sources to one inlet'],
    ]),
    connector: connectorChoice([
      ['xlr3', 'three-pin'],
      ['ts635', '6.35 mm TS'],
      ['trs635', '6.35 mm TRS'],
      ['trs35', 'mini-jack TRS'],
    ]),
  },
  ends: (part) => ({ input: part.choice('connector') as ConnectorId, output: part.choice('connector') as ConnectorId }),
  ports: (part): Record<string, Port> => ({
    b: {
      side: part.choice('use') === 'split' ? 'output' : 'input',
      connector: part.choice('connector') as ConnectorId,
      label: 'second leg',
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

const mono = connectorChoice([
  ['ts635', '6.35 mm TS'],
  ['ts35', 'mini-jack TS'],
]);

export const stereoSplit: LinkKind = {
  role: 'link',
  kind: 'stereo-split',
  label: 'Stereo mini-jack to two mono',
  summary: 'Left and right of a stereo mini-jack on a plug of their own each.',
  figures: {},
  choices: { connector: mono },
  ends: (part) => ({ input: 'trs35', output: part.choice('connector') as ConnectorId }),
  ports: (part): Record<string, Port> => ({
    right: { side: 'output', connector: part.choice('connector') as ConnectorId, label: 'right' },
  }),
  build(bench) {
    bench.join(bench.in('T'), bench.out('T'));
    bench.join(bench.in('R'), bench.out('T', 'right'));
    bench.join(bench.in('S'), bench.out('S'));
    bench.join(bench.in('S'), bench.out('S', 'right'));
    bench.path({ from: 'T', to: 'T', look: 'wire' });
    bench.path({ from: 'S', to: 'S', look: 'wire' });
    bench.path({ port: 'right', from: 'R', to: 'T', look: 'wire' });
    bench.path({ port: 'right', from: 'S', to: 'S', look: 'wire' });
  },
};

export const twoMonoToStereo: LinkKind = {
  role: 'link',
  kind: 'two-mono-to-stereo',
  label: 'Two mono to stereo mini-jack',
  summary: 'Two mono mini-jacks into one stereo inlet: the first is left, the second right.',
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
