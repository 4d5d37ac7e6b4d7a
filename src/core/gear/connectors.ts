/** Connectors, their contacts, and what touches what when one goes into another. */

export type ConnectorId = 'xlr3' | 'xlr5' | 'mini-xlr' | 'ts635' | 'trs635' | 'ts35' | 'trs35' | 'trrs35' | 'rca';
export type Contact = '1' | '2' | '3' | '4' | '5' | 'T' | 'R' | 'R1' | 'R2' | 'S';

export interface Connector {
  id: ConnectorId;
  label: string;
  contacts: readonly Contact[];
  /** What everything else is measured against. */
  reference: Contact;
  /** Pairs that carry a signal, hot before cold; the first is the main one. */
  pairs: readonly (readonly [Contact, Contact])[];
  /** Family of plugs that go into each other's sockets. */
  size: 'xlr' | 'xlr5' | 'mini-xlr' | '6.35 mm' | '3.5 mm' | 'rca';
}

export const CONNECTORS: Record<ConnectorId, Connector> = {
  xlr3: { id: 'xlr3', label: 'XLR', contacts: ['1', '2', '3'], reference: '1', pairs: [['2', '3']], size: 'xlr' },
  xlr5: {
    id: 'xlr5',
    label: 'five-pin XLR',
    contacts: ['1', '2', '3', '4', '5'],
    reference: '1',
    pairs: [
      ['2', '3'],
      ['4', '5'],
    ],
    size: 'xlr5',
  },
  'mini-xlr': {
    id: 'mini-xlr',
    label: 'mini XLR',
    contacts: ['1', '2', '3'],
    reference: '1',
    pairs: [['3', '1']],
    size: 'mini-xlr',
  },
  rca: { id: 'rca', label: 'RCA', contacts: ['T', 'S'], reference: 'S', pairs: [['T', 'S']], size: 'rca' },
  ts635: {
    id: 'ts635',
    label: '6.35 mm TS',
    contacts: ['T', 'S'],
    reference: 'S',
    pairs: [['T', 'S']],
    size: '6.35 mm',
  },
  trs635: {
    id: 'trs635',
    label: '6.35 mm TRS',
    contacts: ['T', 'R', 'S'],
    reference: 'S',
    pairs: [['T', 'R']],
    size: '6.35 mm',
  },
  ts35: {
    id: 'ts35',
    label: '3.5 mm TS',
    contacts: ['T', 'S'],
    reference: 'S',
    pairs: [['T', 'S']],
    size: '3.5 mm',
  },
  trs35: {
    id: 'trs35',
    label: '3.5 mm TRS',
    contacts: ['T', 'R', 'S'],
    reference: 'S',
    pairs: [
      ['T', 'S'],
      ['R', 'S'],
    ],
    size: '3.5 mm',
  },
  trrs35: {
    id: 'trrs35',
    label: '3.5 mm TRRS',
    contacts: ['T', 'R1', 'R2', 'S'],
    reference: 'R2',
    pairs: [
      ['S', 'R2'],
      ['T', 'R2'],
      ['R1', 'R2'],
    ],
    size: '3.5 mm',
  },
};

/**
 * Which plug contact each socket contact touches, by contact count of plug and socket. A short plug's sleeve reaches
 * every contact behind it. A four-contact plug's sleeve stays outside a shorter socket (common practice; sockets differ).
 */
const JACKS: Record<string, Partial<Record<Contact, Contact>>> = {
  'TS>TS': { T: 'T', S: 'S' },
  'TS>TRS': { T: 'T', R: 'S', S: 'S' },
  'TS>TRRS': { T: 'T', R1: 'S', R2: 'S', S: 'S' },
  'TRS>TS': { T: 'T', S: 'S' },
  'TRS>TRS': { T: 'T', R: 'R', S: 'S' },
  'TRS>TRRS': { T: 'T', R1: 'R', R2: 'S', S: 'S' },
  'TRRS>TS': { T: 'T', S: 'R2' },
  'TRRS>TRS': { T: 'T', R: 'R1', S: 'R2' },
  'TRRS>TRRS': { T: 'T', R1: 'R1', R2: 'R2', S: 'S' },
};

const shape = (id: ConnectorId) => ['', '', 'TS', 'TRS', 'TRRS'][CONNECTORS[id].contacts.length];

/** Which plug contact each contact of a socket touches; others touch nothing. */
export type Touching = Readonly<Partial<Record<Contact, Contact>>>;

function touchingOf(plug: ConnectorId, socket: ConnectorId): Touching | undefined {
  if (CONNECTORS[plug].size !== CONNECTORS[socket].size) return undefined;
  if (!/^(ts|trs|trrs)/.test(plug))
    return Object.fromEntries(CONNECTORS[plug].contacts.map((contact) => [contact, contact]));
  return JACKS[`${shape(plug)}>${shape(socket)}`];
}

const ALL = Object.keys(CONNECTORS) as ConnectorId[];
const MATES = Object.fromEntries(
  ALL.map((plug) => [plug, Object.fromEntries(ALL.map((socket) => [socket, touchingOf(plug, socket)]))]),
) as Record<ConnectorId, Record<ConnectorId, Touching | undefined>>;

/** Socket contact to plug contact, or undefined if the plug does not go in. */
export const mate = (plug: ConnectorId, socket: ConnectorId): Touching | undefined => MATES[plug][socket];
