import type { ConnectorId, Contact } from '../connectors';
import type { LinkKind } from '../kinds';
import type { Part } from '../part';
import { choice } from '../shared';

interface Wiring {
  label: string;
  input: ConnectorId;
  output: ConnectorId;
  /** Contact on the source's side to contact on the inlet's side; several may meet. */
  wires: readonly (readonly [Contact, Contact])[];
}

/** Adapters that are nothing but wire, named by what they join (common practice; wirings differ between makers). */
const WIRINGS: Record<string, Wiring> = {
  'mini-to-xlr-grounded': {
    label: '3.5 mm to XLR: tip to 2, sleeve to 1 and 3',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
  'mini-to-xlr-open': {
    label: '3.5 mm to XLR: tip to 2, sleeve to 1, 3 free',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
    ],
  },
  'mini-to-xlr-balanced': {
    label: '3.5 mm to XLR: tip to 2, ring to 3, sleeve to 1',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['R', '3'],
      ['S', '1'],
    ],
  },
  'mini-to-xlr-both': {
    label: '3.5 mm to XLR: tip to 2 and 3, sleeve to 1',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['T', '3'],
      ['S', '1'],
    ],
  },
  'xlr-to-mini-both': {
    label: 'XLR to 3.5 mm: 2 to tip and ring, 1 and 3 to sleeve',
    input: 'xlr3',
    output: 'trs35',
    wires: [
      ['2', 'T'],
      ['2', 'R'],
      ['1', 'S'],
      ['3', 'S'],
    ],
  },
  'xlr-to-mini-left': {
    label: 'XLR to 3.5 mm: 2 to tip, 1 and 3 to sleeve',
    input: 'xlr3',
    output: 'ts35',
    wires: [
      ['2', 'T'],
      ['1', 'S'],
      ['3', 'S'],
    ],
  },
  'xlr-to-mini-balanced': {
    label: 'XLR to 3.5 mm: 2 to tip, 3 to ring, 1 to sleeve',
    input: 'xlr3',
    output: 'trs35',
    wires: [
      ['2', 'T'],
      ['3', 'R'],
      ['1', 'S'],
    ],
  },
  'trrs-to-trs': {
    label: 'headset plug to 3.5 mm TRS: sleeve to tip and ring',
    input: 'trrs35',
    output: 'trs35',
    wires: [
      ['S', 'T'],
      ['S', 'R'],
      ['R2', 'S'],
    ],
  },
  'omtp-to-trs': {
    label: 'OMTP headset plug to 3.5 mm TRS: second ring to tip and ring',
    input: 'trrs35',
    output: 'trs35',
    wires: [
      ['R2', 'T'],
      ['R2', 'R'],
      ['S', 'S'],
    ],
  },
  'trrs-orders': {
    label: 'headset plug, CTIA to OMTP or back: second ring and sleeve swapped',
    input: 'trrs35',
    output: 'trrs35',
    wires: [
      ['T', 'T'],
      ['R1', 'R1'],
      ['R2', 'S'],
      ['S', 'R2'],
    ],
  },
  'trs-to-trrs': {
    label: '3.5 mm to headset plug: tip to sleeve',
    input: 'trs35',
    output: 'trrs35',
    wires: [
      ['T', 'S'],
      ['S', 'R2'],
    ],
  },
  'xlr-to-trs': {
    label: 'XLR to 6.35 mm TRS: 2 to tip, 3 to ring',
    input: 'xlr3',
    output: 'trs635',
    wires: [
      ['2', 'T'],
      ['3', 'R'],
      ['1', 'S'],
    ],
  },
  'trs-to-xlr': {
    label: '6.35 mm TRS to XLR: tip to 2, ring to 3',
    input: 'trs635',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['R', '3'],
      ['S', '1'],
    ],
  },
  'trs-to-xlr-unbalanced': {
    label: '6.35 mm TRS to XLR: tip to 2, sleeve to 1 and 3, ring free',
    input: 'trs635',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
  'ts-to-xlr': {
    label: '6.35 mm TS to XLR: tip to 2, sleeve to 1 and 3',
    input: 'ts635',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
  'xlr-to-ts': {
    label: 'XLR to 6.35 mm TS: 2 to tip, 1 and 3 to sleeve',
    input: 'xlr3',
    output: 'ts635',
    wires: [
      ['2', 'T'],
      ['1', 'S'],
      ['3', 'S'],
    ],
  },
  'mini-to-jack': {
    label: '3.5 mm to 6.35 mm TRS, contact for contact',
    input: 'trs35',
    output: 'trs635',
    wires: [
      ['T', 'T'],
      ['R', 'R'],
      ['S', 'S'],
    ],
  },
  'mini-to-jack-mono': {
    label: '3.5 mm stereo to 6.35 mm TS: tip and ring joined to the tip',
    input: 'trs35',
    output: 'ts635',
    wires: [
      ['T', 'T'],
      ['R', 'T'],
      ['S', 'S'],
    ],
  },
  'jack-to-mini': {
    label: '6.35 mm to 3.5 mm TRS, contact for contact',
    input: 'trs635',
    output: 'trs35',
    wires: [
      ['T', 'T'],
      ['R', 'R'],
      ['S', 'S'],
    ],
  },
  'rca-to-ts': {
    label: 'RCA to 6.35 mm TS',
    input: 'rca',
    output: 'ts635',
    wires: [
      ['T', 'T'],
      ['S', 'S'],
    ],
  },
  'ts-to-rca': {
    label: '6.35 mm TS to RCA',
    input: 'ts635',
    output: 'rca',
    wires: [
      ['T', 'T'],
      ['S', 'S'],
    ],
  },
  'rca-to-xlr': {
    label: 'RCA to XLR: centre to 2, shell to 1 and 3',
    input: 'rca',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
  'mini-xlr-to-xlr': {
    label: 'mini XLR to XLR, pin for pin',
    input: 'mini-xlr',
    output: 'xlr3',
    wires: [
      ['1', '1'],
      ['2', '2'],
      ['3', '3'],
    ],
  },
  'mini-xlr-to-mini': {
    label: 'mini XLR to 3.5 mm TRS: 3 to tip, 2 to ring, 1 to sleeve',
    input: 'mini-xlr',
    output: 'trs35',
    wires: [
      ['3', 'T'],
      ['2', 'R'],
      ['1', 'S'],
    ],
  },
  'mini-to-mini-xlr': {
    label: '3.5 mm TRS to mini XLR: tip to 3, ring to 2, sleeve to 1',
    input: 'trs35',
    output: 'mini-xlr',
    wires: [
      ['T', '3'],
      ['R', '2'],
      ['S', '1'],
    ],
  },
};

export const isPlainAdapter = ({ kind }: Pick<Part, 'kind'>): boolean => kind === plainAdapter.kind;

export const plainAdapter: LinkKind = {
  role: 'link',
  kind: 'plain-adapter',
  mends: 'adapter',
  label: 'Plain adapter',
  words: ['adapter', 'adaptor', 'barrel', 'gender changer', 'turnaround'],
  summary: 'Wire only: changes the connector, passes the phantom straight through.',
  nature: 'plain adapter',
  planning: { complexity: 2, adapts: true, plain: true, plugsIn: true, built: 'wiring' },
  figures: {},
  choices: {
    wiring: choice(
      'Wiring',
      Object.entries(WIRINGS).map(([value, { label }]): [string, string] => [value, label]),
    ),
  },
  ends: (part) => WIRINGS[part.choice('wiring')],
  build(bench) {
    for (const [from, to] of WIRINGS[bench.choice('wiring')].wires) {
      bench.join(bench.in(from), bench.out(to));
      bench.path({ from, to, look: 'wire' });
    }
  },
};
