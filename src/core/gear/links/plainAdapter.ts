import type { ConnectorId, Contact } from '../connectors';
import type { LinkKind } from '../part';
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
    label: 'mini-jack to three-pin: tip to 2, sleeve to 1 and 3',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
  'mini-to-xlr-open': {
    label: 'mini-jack to three-pin: tip to 2, sleeve to 1, 3 free',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
    ],
  },
  'mini-to-xlr-balanced': {
    label: 'mini-jack to three-pin: tip to 2, ring to 3, sleeve to 1',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['R', '3'],
      ['S', '1'],
    ],
  },
  'mini-to-xlr-both': {
    label: 'mini-jack to three-pin: tip to 2 and 3, sleeve to 1',
    input: 'trs35',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['T', '3'],
      ['S', '1'],
    ],
  },
  'xlr-to-mini-both': {
    label: 'three-pin to mini-jack: 2 to tip and ring, 1 and 3 to sleeve',
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
    label: 'three-pin to mini-jack: 2 to tip, 1 and 3 to sleeve',
    input: 'xlr3',
    output: 'ts35',
    wires: [
      ['2', 'T'],
      ['1', 'S'],
      ['3', 'S'],
    ],
  },
  'xlr-to-mini-balanced': {
    label: 'three-pin to mini-jack: 2 to tip, 3 to ring, 1 to sleeve',
    input: 'xlr3',
    output: 'trs35',
    wires: [
      ['2', 'T'],
      ['3', 'R'],
      ['1', 'S'],
    ],
  },
  'trrs-to-trs': {
    label: 'phone plug to mini-jack TRS: sleeve to tip and ring',
    input: 'trrs35',
    output: 'trs35',
    wires: [
      ['S', 'T'],
      ['S', 'R'],
      ['R2', 'S'],
    ],
  },
  'omtp-to-trs': {
    label: 'phone plug of the older order to mini-jack TRS: second ring to tip and ring',
    input: 'trrs35',
    output: 'trs35',
    wires: [
      ['R2', 'T'],
      ['R2', 'R'],
      ['S', 'S'],
    ],
  },
  'trrs-orders': {
    label: 'phone plug, one order to the other: second ring and sleeve swapped',
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
    label: 'mini-jack to phone plug: tip to sleeve',
    input: 'trs35',
    output: 'trrs35',
    wires: [
      ['T', 'S'],
      ['S', 'R2'],
    ],
  },
  'xlr-to-trs': {
    label: 'three-pin to 6.35 mm TRS: 2 to tip, 3 to ring',
    input: 'xlr3',
    output: 'trs635',
    wires: [
      ['2', 'T'],
      ['3', 'R'],
      ['1', 'S'],
    ],
  },
  'trs-to-xlr': {
    label: '6.35 mm TRS to three-pin: tip to 2, ring to 3',
    input: 'trs635',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['R', '3'],
      ['S', '1'],
    ],
  },
  'ts-to-xlr': {
    label: '6.35 mm TS to three-pin: tip to 2, sleeve to 1 and 3',
    input: 'ts635',
    output: 'xlr3',
    wires: [
      ['T', '2'],
      ['S', '1'],
      ['S', '3'],
    ],
  },
};

export const plainAdapter: LinkKind = {
  role: 'link',
  kind: 'plain-adapter',
  label: 'Plain adapter',
  summary: 'One plug, one socket and wire between them: it changes the connector and nothing else.',
  nature: 'plain adapter',
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
