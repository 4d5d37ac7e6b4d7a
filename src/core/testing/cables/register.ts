import { figureOf, isCable, linkKind, reader, type ConnectorId, type Part } from '../../gear';
import { countOf, type KitItem } from '../../kit/item';
import type { RigDocument } from '../../rig/document';
import type { Metres } from '../../units';
import { endsOf, type Repair } from '../hypotheses/priors';
import { cableState, cableTable, type CableState } from './cableTest';
import type { KeptCableTest } from './kept';

/** A cable of the kit. */
export type CableItem = Extract<KitItem, { part: Part }>;

/** A test with when it was. */
export interface DatedTest extends KeptCableTest {
  /** As ISO 8601. */
  at: string;
}

/** Worst first: what has to be seen to is at the top. */
const REGISTER_STATES = ['bad', 'suspect', 'due', 'untested', 'partly', 'good', 'retired'] as const;
export type RegisterState = (typeof REGISTER_STATES)[number];

export interface RegisterRow {
  item: CableItem;
  connector: ConnectorId;
  length: Metres;
  state: RegisterState;
  /** Newest first. */
  tests: { at: string; state: CableState }[];
  /** Day on which it should be tested again; absent where nobody has set an interval. */
  due?: string;
  failures: { count: number; source: number; inlet: number };
}

const DAY = 24 * 3600 * 1000;
const dayOf = (at: string): string => at.slice(0, 10);
const later = (day: string, days: number): string =>
  dayOf(new Date(Date.parse(`${dayOf(day)}T00:00:00Z`) + days * DAY).toISOString());

export const isCableItem = (item: KitItem): item is CableItem => item.role === 'link' && isCable(item.part);
/** One thing with a label on it, not so many of a sort. */
export const isOwn = (item: KitItem): item is CableItem => isCableItem(item) && item.count === 1;

export const connectorOf = ({ part }: Pick<CableItem, 'part'>): ConnectorId =>
  reader(linkKind(part.kind), part).choice('connector') as ConnectorId;
export const lengthOf = ({ part }: Pick<CableItem, 'part'>): Metres =>
  figureOf(linkKind(part.kind), part, 'length')!.value;

/** What tests say, each sort of reading worked out once. */
function states() {
  const tables = new Map<ConnectorId, ReturnType<typeof cableTable>>();
  const known = new Map<string, CableState>();
  return ({ connector, observations }: KeptCableTest): CableState => {
    const key = JSON.stringify([connector, observations]);
    const table = tables.get(connector) ?? cableTable(connector);
    tables.set(connector, table);
    const found = known.get(key) ?? cableState(table, observations);
    known.set(key, found);
    return found;
  };
}

function stateOf(item: CableItem, last: CableState | undefined, due: string | undefined, today: string): RegisterState {
  if (item.register?.retired !== undefined) return 'retired';
  if (last?.bad) return 'bad';
  if (last?.suspect) return 'suspect';
  if (due !== undefined && due <= today) return 'due';
  if (!last) return 'untested';
  return last.tested ? 'good' : 'partly';
}

/**
 * Every cable that is one of its own, with what is known of it; what has to be seen to first.
 * @param tests newest first, known by their item, else by what they are labelled
 * @param today as 2026-05-01
 */
export function registerRows(
  items: readonly KitItem[],
  tests: readonly DatedTest[],
  repairs: readonly Repair[],
  today: string,
): RegisterRow[] {
  const stateBy = states();
  const rows = items.filter(isOwn).map((item): RegisterRow => {
    const own = tests
      .filter((test) => test.item === item.id || (test.item === undefined && test.label === item.name))
      .map((test) => ({ at: test.at, state: stateBy(test) }));
    // What a test found stands until another one rules it out: one that would have missed it changes nothing.
    const decides = own.find(({ state }) => state.tested || state.bad || state.suspect) ?? own[0];
    const { testEvery, bought } = item.register ?? {};
    const due =
      testEvery === undefined
        ? undefined
        : decides
          ? later(decides.at, testEvery)
          : (bought && later(bought, 0)) || today;
    return {
      item,
      connector: connectorOf(item),
      length: lengthOf(item),
      state: stateOf(item, decides?.state, due, today),
      tests: own,
      ...(due !== undefined && { due }),
      failures: { count: repairs.filter((each) => each.item === item.id).length, ...endsOf(repairs, item.id) },
    };
  });
  const rank = ({ state }: RegisterRow) => REGISTER_STATES.indexOf(state);
  return rows.toSorted((a, b) => rank(a) - rank(b) || a.item.name.localeCompare(b.item.name, 'en', { numeric: true }));
}

export interface LengthRow {
  connector: ConnectorId;
  length: Metres;
  have: number;
  /** On the rig. */
  used: number;
  failed: number;
}

/** Cables by connector and length: how many there are, how many a rig uses, how many failed; the shortest first. */
export function lengthRows(
  items: readonly KitItem[],
  { lines }: Pick<RigDocument, 'lines'>,
  repairs: readonly Repair[],
): LengthRow[] {
  const rows = new Map<string, LengthRow>();
  const rowOf = (part: CableItem['part']): LengthRow => {
    const [connector, length] = [connectorOf({ part }), lengthOf({ part })];
    const key = `${connector} ${length}`;
    const row = rows.get(key) ?? { connector, length, have: 0, used: 0, failed: 0 };
    rows.set(key, row);
    return row;
  };
  for (const item of items.filter(isCableItem)) {
    const row = rowOf(item.part);
    row.have += countOf(item);
    row.failed += repairs.filter((each) => each.item === item.id).length;
  }
  for (const { links } of lines) for (const part of links) if (isCable(part)) rowOf(part).used++;
  return [...rows.values()].toSorted((a, b) => a.connector.localeCompare(b.connector) || a.length - b.length);
}
