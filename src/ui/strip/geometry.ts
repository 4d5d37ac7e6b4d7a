import { CONNECTORS, mate, type ConnectorId, type Contact } from '@/core/gear';
import type { LineResult } from '@/core/check';

/** Where a strip draws what, in pixels. Contacts lie in rows: hot on top, the reference at the bottom. */
const ROWS = { top: 9, gap: 15 };
export const HEIGHT = ROWS.top + 2 * ROWS.gap + 10;
/** Width in which a plug's contacts lead over to the socket's. */
export const JOINT = 12;

const ORDER: Record<ConnectorId, readonly Contact[]> = {
  xlr3: ['2', '3', '1'],
  xlr5: ['2', '3', '4', '5', '1'],
  'mini-xlr': ['3', '2', '1'],
  rca: ['T', 'S'],
  ts635: ['T', 'S'],
  ts35: ['T', 'S'],
  trs635: ['T', 'R', 'S'],
  trs35: ['T', 'R', 'S'],
  trrs35: ['T', 'R1', 'R2', 'S'],
};

/** Height of a contact's rail. */
export function rowOf(connector: ConnectorId, contact: Contact): number {
  const order = ORDER[connector];
  return ROWS.top + (order.indexOf(contact) / (order.length - 1)) * 2 * ROWS.gap;
}

export interface Columns {
  /** Width at either end for what the source and the inlet have to show. */
  end: number;
  /** Left edge of junction n. */
  junction: (n: number) => number;
  /** Left edge and width of link n. */
  link: (n: number) => { x: number; width: number };
  width: number;
}

/** The least width in which a strip can be read; narrower places scroll it. */
export const leastWidth = (links: number): number => 2 * 62 + JOINT + links * (54 + JOINT);

/** Divides a width among the source, the links and the inlet. */
export function columns(width: number, links: number): Columns {
  const end = 62;
  const each = links ? (width - 2 * end - (links + 1) * JOINT) / links : 0;
  const middle = links ? 0 : width - 2 * end - JOINT;
  return {
    end,
    junction: (n) => end + n * (JOINT + each) + (links ? 0 : middle / 2),
    link: (n) => ({ x: end + JOINT + n * (JOINT + each), width: each }),
    width,
  };
}

/** Voltages of the contacts of the socket at a junction, by way of the plug that sits in it. */
export function socketVolts({
  plug,
  socket,
  contacts,
}: LineResult['readings']['junctions'][number]): Map<Contact, number | null> {
  const touching = mate(plug, socket) ?? {};
  const plugVolts = new Map(contacts.map(({ contact, volts }) => [contact, volts]));
  return new Map(
    CONNECTORS[socket].contacts.map((contact) => [
      contact,
      touching[contact] ? (plugVolts.get(touching[contact]!) ?? null) : null,
    ]),
  );
}
