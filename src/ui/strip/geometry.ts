import { CONNECTORS, mate, type ConnectorId, type Contact } from '@/core/gear';
import type { LineResult } from '@/core/check';

/** Where a strip draws what, in pixels. Contacts lie in rows: hot on top, the reference at the bottom. */
const ROWS = { top: 26, gap: 42 };
export const HEIGHT = ROWS.top + 2 * ROWS.gap + 22;
/** Width in which a plug's contacts lead over to the socket's. */
export const JOINT = 22;

const ORDER: Record<ConnectorId, readonly Contact[]> = {
  xlr3: ['2', '3', '1'],
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
  source: number;
  /** Left edge of junction n. */
  junction: (n: number) => number;
  /** Left edge and width of link n. */
  link: (n: number) => { x: number; width: number };
  inlet: number;
  width: number;
}

/** The least width in which the names of all parts can be read; narrower screens scroll the strip. */
export const leastWidth = (links: number): number => 2 * 104 + JOINT + links * (68 + JOINT);

/** Divides a width among the source, the links and the inlet. */
export function columns(width: number, links: number): Columns {
  const ends = Math.min(Math.max(width * 0.16, 84), 132);
  const each = links ? (width - 2 * ends - (links + 1) * JOINT) / links : 0;
  const middle = links ? 0 : width - 2 * ends - JOINT;
  return {
    source: ends,
    junction: (n) => ends + n * (JOINT + each) + (links ? 0 : middle / 2),
    link: (n) => ({ x: ends + JOINT + n * (JOINT + each), width: each }),
    inlet: ends,
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
