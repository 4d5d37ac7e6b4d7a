import type { Figure } from '../gear';
import {
  CONNECTIONS,
  EARTH,
  MOST_CONNECTIONS,
  MOST_OUTLETS,
  PLUGS,
  type Connection,
  type ConnectionKind,
  type MainsPlug,
  type Outlet,
  type RigDocument,
  type Unit,
  type UnitKind,
} from '../rig';
import { UNIT_KINDS } from '../rig/arrangement';
import { MOST_UNITS, OUTLET_FIGURES, UNIT_FIGURES, type Range } from '../rig/deviceFigures';
import { freeId } from '../rig/rigEdits';
import { decimal, readCsv, writeCsv, type CsvRow } from './csv';
import { RowRefused, type RowReport } from './rowReport';

/** Columns of figures, by what they are of. */
const UNIT_COLUMNS = {
  'current A': 'current',
  'filter nF': 'leakage',
  'chassis V': 'chassis',
  'touch mA': 'touch',
} as const;
const OUTLET_COLUMNS = {
  'length m': 'length',
  'section mm2': 'section',
  'earth ohm': 'earth',
  'rating A': 'rating',
  'ups Wh': 'backup',
} as const;
const COLUMNS = [
  'what',
  'name',
  'kind',
  'plug',
  'on',
  'line',
  ...Object.keys(UNIT_COLUMNS),
  ...Object.keys(OUTLET_COLUMNS),
] as const;
/** Stands for a connection whose grounds an isolator parts. */
const ISOLATED = 'isolated';

const numbers = <C extends string, F extends string>(
  columns: Record<C, F>,
  of: Partial<Record<F, Figure>>,
): Record<string, string> =>
  Object.fromEntries(
    Object.entries<F>(columns).map(([column, figure]) => [column, of[figure] ? String(of[figure].value) : '']),
  );

/** The mains side as a table: units, outlets and strips, connections; one row each. */
export function mainsTable({ units = [], mains = {}, lines }: RigDocument): string {
  const nameOf = (id: string) => (id === EARTH ? EARTH : (units.find((unit) => unit.id === id)?.name ?? id));
  return writeCsv(COLUMNS, [
    ...units.map((unit) => ({
      what: 'unit',
      name: unit.name,
      kind: unit.kind,
      plug: unit.plug ?? '',
      on: unit.outlet ?? '',
      line: lines.find(({ id }) => id === unit.line)?.name ?? '',
      ...numbers(UNIT_COLUMNS, unit),
    })),
    ...(mains.outlets ?? []).map((outlet) => ({
      what: 'outlet',
      name: outlet.name,
      on: outlet.from ?? '',
      ...numbers(OUTLET_COLUMNS, outlet),
    })),
    ...(mains.connections ?? []).map(({ between: [a, b], kind, isolated }) => ({
      what: 'connection',
      name: nameOf(a),
      kind,
      plug: isolated ? ISOLATED : '',
      on: nameOf(b),
    })),
  ]);
}

export interface MainsImport {
  rows: RowReport[];
  /** The document with every row that was not refused. */
  document: RigDocument;
}

/**
 * Reads such a table into a rig. Units and outlets are known by their names; what a row leaves out stays as it is. Nothing
 * is removed.
 * @throws CsvError for a file that is not such a table
 */
export function readMainsTable(start: RigDocument, file: string): MainsImport {
  const known = COLUMNS.map((column) => column.toLowerCase());
  const rows = readCsv(file, known, ['what', 'name']);
  let document = start;
  const seen = new Set<string>();
  // Units come before what names them.
  const reports = new Map<number, RowReport>();
  for (const what of ['unit', 'outlet', 'connection', undefined] as const)
    for (const row of rows) {
      const own = row.cells.what.toLowerCase();
      if (what === undefined ? reports.has(row.line) : own !== what) continue;
      const { name } = row.cells;
      const report = (did: RowReport['did'], text: string) =>
        reports.set(row.line, { line: row.line, name, did, what: text });
      try {
        if (what === undefined) throw new RowRefused(`“what” is unit, outlet or connection, not ${own || 'empty'}`);
        if (!name) throw new RowRefused('it has no name');
        const key = `${what} ${name.toLowerCase()}${what === 'connection' ? ` ${row.cells.on.toLowerCase()}` : ''}`;
        if (seen.has(key)) throw new RowRefused(`“${name}” is in the file twice`);
        const made = READERS[what](document, row.cells);
        seen.add(key);
        const same = JSON.stringify(made.document) === JSON.stringify(document);
        document = made.document;
        report(made.added ? 'adds' : same ? 'unchanged' : 'changes', made.added || !same ? made.text : '');
      } catch (error) {
        if (!(error instanceof RowRefused)) throw error;
        report('refused', error.message);
      }
    }
  return { rows: rows.map(({ line }) => reports.get(line)!), document };
}

type Cells = CsvRow['cells'];
interface Made {
  document: RigDocument;
  added: boolean;
  text: string;
}

const READERS: Record<'unit' | 'outlet' | 'connection', (document: RigDocument, cells: Cells) => Made> = {
  unit: readUnit,
  outlet: readOutlet,
  connection: readConnection,
};

function readUnit(document: RigDocument, cells: Cells): Made {
  const { units = [], lines } = document;
  const before = units.find(({ name }) => name.toLowerCase() === cells.name.toLowerCase());
  if (!before && units.length >= MOST_UNITS) throw new RowRefused(`${MOST_UNITS} units are the most`);
  const line = cells.line ? lines.find(({ name }) => name.toLowerCase() === cells.line.toLowerCase()) : undefined;
  if (cells.line && !line) throw new RowRefused(`there is no line ${cells.line} in this rig`);
  const kind = cells.kind ? oneOf<UnitKind>(cells.kind, UNIT_KINDS, 'kind') : undefined;
  const plug = cells.plug ? oneOf<MainsPlug>(cells.plug, PLUGS, 'plug') : undefined;
  const unit: Unit = {
    ...(before ?? { id: freeId(units, cells.name), name: named(cells.name), kind: 'audio device' }),
    ...(kind && { kind }),
    ...(plug && { plug }),
    ...(cells.on && { outlet: named(cells.on) }),
    ...(line && { line: line.id }),
    ...figures(cells, UNIT_COLUMNS, UNIT_FIGURES, before),
  };
  return {
    document: { ...document, units: before ? units.map((each) => (each === before ? unit : each)) : [...units, unit] },
    added: !before,
    text: `${UNIT_KINDS[unit.kind]}${unit.outlet ? ` on ${unit.outlet}` : ''}`,
  };
}

function readOutlet(document: RigDocument, cells: Cells): Made {
  const { mains = {} } = document;
  const { outlets = [] } = mains;
  const outletOf = (name: string) => outlets.find((each) => each.name.toLowerCase() === name.toLowerCase());
  const before = outletOf(cells.name);
  const upper = cells.on ? (outletOf(cells.on) ?? { name: named(cells.on) }) : undefined;
  const fresh = upper && !outlets.some(({ name }) => name === upper.name) ? [upper] : [];
  if (!before && outlets.length + fresh.length >= MOST_OUTLETS)
    throw new RowRefused(`${MOST_OUTLETS} outlets are the most`);
  for (let at: Outlet | undefined = upper; at; at = at.from === undefined ? undefined : outletOf(at.from))
    if (at.name.toLowerCase() === cells.name.toLowerCase())
      throw new RowRefused(`${cells.name} would be plugged into itself; say what is plugged into the wall`);
  const outlet: Outlet = {
    ...(before ?? { name: named(cells.name) }),
    ...(upper && { from: upper.name }),
    ...figures(cells, OUTLET_COLUMNS, OUTLET_FIGURES, before),
  };
  const list = before ? outlets.map((each) => (each === before ? outlet : each)) : [...outlets, outlet];
  return {
    document: { ...document, mains: { ...mains, outlets: [...list, ...fresh] } },
    added: !before,
    text: outlet.from ? `plugged into ${outlet.from}` : 'plugged into the wall',
  };
}

function readConnection(document: RigDocument, cells: Cells): Made {
  const { mains = {}, units = [] } = document;
  const { connections = [] } = mains;
  const idOf = (name: string): string => {
    if (name.toLowerCase() === EARTH) return EARTH;
    const unit = units.find((each) => each.name.toLowerCase() === name.toLowerCase());
    if (!unit) throw new RowRefused(name ? `there is no unit ${name}` : 'the column “on” says which unit it goes to');
    return unit.id;
  };
  const between: [string, string] = [idOf(cells.name), idOf(cells.on)];
  if (between[0] === between[1]) throw new RowRefused('it joins a unit to itself');
  const kind = oneOf<ConnectionKind>(cells.kind || 'USB', CONNECTIONS, 'kind');
  const joins = ({ between: ends, kind: own }: Connection) =>
    own === kind && ends.toSorted().join(' ') === between.toSorted().join(' ');
  const before = connections.find(joins);
  if (!before && connections.length >= MOST_CONNECTIONS)
    throw new RowRefused(`${MOST_CONNECTIONS} connections are the most`);
  if (cells.plug && cells.plug.toLowerCase() !== ISOLATED)
    throw new RowRefused(`“plug” of a connection is empty or ${ISOLATED}`);
  const made: Connection = {
    ...(before ?? { between, kind }),
    ...(cells.plug && { isolated: true as const }),
  };
  const list = before ? connections.map((each) => (each === before ? made : each)) : [...connections, made];
  return {
    document: { ...document, mains: { ...mains, connections: list } },
    added: !before,
    text: CONNECTIONS[kind],
  };
}

/** Longest name of a unit or an outlet. */
const LONGEST = 80;
function named(text: string): string {
  if (text.length > LONGEST) throw new RowRefused(`“${text.slice(0, 20)}…” is longer than ${LONGEST} characters`);
  return text;
}

function oneOf<K extends string>(text: string, known: Readonly<Record<K, string>>, column: string): K {
  const found = (Object.keys(known) as K[]).find(
    (key) => key.toLowerCase() === text.toLowerCase() || known[key].toLowerCase() === text.toLowerCase(),
  );
  if (!found) throw new RowRefused(`“${column}” knows no ${text}; it is one of ${Object.keys(known).join(', ')}`);
  return found;
}

function figures<F extends string>(
  cells: Cells,
  columns: Record<string, F>,
  ranges: Record<F, Range>,
  before: Partial<Record<F, Figure>> = {},
): Partial<Record<F, Figure>> {
  const list = Object.entries<F>(columns).flatMap(([column, figure]): [F, Figure][] => {
    const text = cells[column.toLowerCase()];
    if (!text) return [];
    const { min, max, unit } = ranges[figure];
    const value = decimal(text);
    if (!(value >= min && value <= max))
      throw new RowRefused(`“${column}” is ${text}; it is a number from ${min} to ${max}`);
    // What is the same number keeps where it came from.
    const known = before[figure];
    return [[figure, known?.value === value ? known : { value, unit, basis: 'measured' }]];
  });
  return Object.fromEntries(list) as Partial<Record<F, Figure>>;
}
