import type { Figure } from '../../gear';
import {
  CONNECTIONS,
  EARTH,
  MOST_CONNECTIONS,
  MOST_GROUNDS,
  MOST_OUTLETS,
  PLUGS,
  SUPPLIES,
  type Connection,
  type ConnectionKind,
  type LineGround,
  type Mains,
  type MainsPlug,
  type Outlet,
  type RigDocument,
  type SupplyName,
  type Unit,
  type UnitKind,
} from '../../rig';
import { UNIT_KINDS } from '../../rig/arrangement';
import {
  BESIDE_FIGURES,
  FIFTH,
  GROUND_FIGURES,
  MOST_UNITS,
  OUTLET_FIGURES,
  UNIT_FIGURES,
} from '../../rig/deviceFigures';
import { freeId } from '../../rig/rigEdits';
import { readCsv } from '../csv';
import { RowRefused, type RowReport } from '../rowReport';
import { byName, figures, named, nothingStrange, oneOf, settings, type Cells } from './cells';
import { COLUMNS, FIGURE_COLUMNS, WHATS, type What } from './columns';

export interface MainsImport {
  rows: RowReport[];
  /** The document with every row that was not refused. */
  document: RigDocument;
}

/**
 * Reads such a table into a rig. Units, outlets and lines are known by their names; what a row leaves out stays as it is.
 * Nothing is removed.
 * @throws CsvError for a file that is not such a table
 */
export function readMainsTable(start: RigDocument, file: string): MainsImport {
  const rows = readCsv(file, COLUMNS, ['what', 'name']);
  let document = start;
  const seen = new Set<string>();
  const reports = new Map<number, RowReport>();
  // Units come before what names them.
  for (const what of [...WHATS, undefined])
    for (const { line, cells } of rows) {
      if (what === undefined ? reports.has(line) : cells.what.toLowerCase() !== what) continue;
      const { name } = cells;
      const report = (did: RowReport['did'], text: string) => reports.set(line, { line, name, did, what: text });
      try {
        if (what === undefined) throw new RowRefused(`“what” is ${ANY}, not ${cells.what.toLowerCase() || 'empty'}`);
        const made = rowInto(document, what, cells, seen);
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

const ANY = new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(WHATS);

interface Made {
  document: RigDocument;
  added: boolean;
  text: string;
}

/** @param seen rows that were read before it, by what they are of */
function rowInto(document: RigDocument, what: What, cells: Cells, seen: Set<string>): Made {
  const { name, on = '', kind = '' } = cells;
  if (!name && what !== 'supply') throw new RowRefused('it has no name');
  const [own, other] = [name, on].map((each) => each.toLowerCase());
  const ends = what === 'connection' ? [own, other].toSorted() : what === 'beside' ? [own, other] : [own];
  const key = [
    what,
    ...(what === 'supply' ? [] : ends),
    what === 'connection' ? (kind || USUAL).toLowerCase() : '',
  ].join('\n');
  if (seen.has(key))
    throw new RowRefused(what === 'supply' ? 'the supply is in the file twice' : `“${name}” is in the file twice`);
  nothingStrange(cells, what);
  if (cells.plug && what !== 'unit') throw new RowRefused('“plug” is for units; leave it empty');
  const made = READERS[what](document, cells);
  seen.add(key);
  return made;
}

const READERS: Record<What, (document: RigDocument, cells: Cells) => Made> = {
  supply: readSupply,
  unit: readUnit,
  outlet: readOutlet,
  connection: readConnection,
  line: readGround,
  beside: readBeside,
};

function readSupply(document: RigDocument, cells: Cells): Made {
  const { mains = {} } = document;
  const supply = cells.name ? oneOf<SupplyName>(cells.name, labels(SUPPLIES), 'name') : mains.supply;
  const made: Mains = {
    ...mains,
    ...(supply && { supply }),
    ...settings(cells, 'supply'),
    ...figures(cells, FIGURE_COLUMNS.supply, { fifth: FIFTH }, mains),
  };
  return { document: { ...document, mains: made }, added: !mains.supply && Boolean(supply), text: supply ?? 'supply' };
}

const labels = <K extends string>(of: Readonly<Record<K, { label: string }>>): Record<K, string> =>
  Object.fromEntries(Object.entries<{ label: string }>(of).map(([key, { label }]) => [key, label])) as Record<
    K,
    string
  >;

function readUnit(document: RigDocument, cells: Cells): Made {
  const { units = [], devices } = document;
  const before = byName(units, cells.name);
  if (!before && units.length >= MOST_UNITS) throw new RowRefused(`${MOST_UNITS} units are the most`);
  const line = cells.line ? lineOf(document, cells.line) : undefined;
  const device = cells.device ? byName(devices, cells.device) : undefined;
  if (cells.device && !device) throw new RowRefused(`there is no device ${cells.device} in this rig`);
  const kind = cells.kind ? oneOf<UnitKind>(cells.kind, UNIT_KINDS, 'kind') : undefined;
  const plug = cells.plug ? oneOf<MainsPlug>(cells.plug, PLUGS, 'plug') : undefined;
  const unit: Unit = {
    ...(before ?? { id: freeId(units, cells.name), name: named(cells.name), kind: 'audio device' }),
    ...(kind && { kind }),
    ...(plug && { plug }),
    ...(cells.on && { outlet: named(cells.on) }),
    ...(line && { line: line.id }),
    ...(device && { device: device.id }),
    ...settings(cells, 'unit'),
    ...figures(cells, FIGURE_COLUMNS.unit, UNIT_FIGURES, before),
  };
  return {
    document: { ...document, units: put(units, before, unit) },
    added: !before,
    text: `${UNIT_KINDS[unit.kind]}${unit.outlet ? ` on ${unit.outlet}` : ''}`,
  };
}

function readOutlet(document: RigDocument, cells: Cells): Made {
  const { outlets = [] } = document.mains ?? {};
  const before = byName(outlets, cells.name);
  const upper = cells.on ? (byName(outlets, cells.on) ?? { name: named(cells.on) }) : undefined;
  const fresh = upper && !outlets.some(({ name }) => name === upper.name) ? [upper] : [];
  if (!before && outlets.length + fresh.length >= MOST_OUTLETS)
    throw new RowRefused(`${MOST_OUTLETS} outlets are the most`);
  for (let at: Outlet | undefined = upper; at; at = at.from === undefined ? undefined : byName(outlets, at.from))
    if (at.name.toLowerCase() === cells.name.toLowerCase())
      throw new RowRefused(`${cells.name} would be plugged into itself; say what is plugged into the wall`);
  const outlet: Outlet = {
    ...(before ?? { name: named(cells.name) }),
    ...(upper && { from: upper.name }),
    ...settings(cells, 'outlet'),
    ...figures(cells, FIGURE_COLUMNS.outlet, OUTLET_FIGURES, before),
  };
  return {
    document: withMains(document, { outlets: [...put(outlets, before, outlet), ...fresh] }),
    added: !before,
    text: outlet.from ? `plugged into ${outlet.from}` : 'plugged into the wall',
  };
}

/** What joins two units where nothing is said. */
const USUAL: ConnectionKind = 'USB';

function readConnection(document: RigDocument, cells: Cells): Made {
  const { connections = [] } = document.mains ?? {};
  const end = (name: string): string => (name.toLowerCase() === EARTH ? EARTH : unitOf(document, name).id);
  const between: [string, string] = [end(cells.name), end(cells.on ?? '')];
  if (between[0] === between[1]) throw new RowRefused('it joins a unit to itself');
  const kind = oneOf<ConnectionKind>(cells.kind || USUAL, CONNECTIONS, 'kind');
  const before = connections.find(
    (each) => each.kind === kind && each.between.toSorted().join(' ') === between.toSorted().join(' '),
  );
  if (!before && connections.length >= MOST_CONNECTIONS)
    throw new RowRefused(`${MOST_CONNECTIONS} connections are the most`);
  const made: Connection = { ...(before ?? { between, kind }), ...settings(cells, 'connection') };
  return {
    document: withMains(document, { connections: put(connections, before, made) }),
    added: !before,
    text: CONNECTIONS[kind],
  };
}

function readGround(document: RigDocument, cells: Cells): Made {
  const { lines = [] } = document.mains ?? {};
  const { id, name } = lineOf(document, cells.name);
  settings(cells, 'line');
  const before = lines.find(({ line }) => line === id);
  if (!before && lines.length >= MOST_GROUNDS) throw new RowRefused(`${MOST_GROUNDS} lines are the most`);
  const read = figures(cells, FIGURE_COLUMNS.line, GROUND_FIGURES, before);
  if (!before && Object.keys(read).length === 0) throw new RowRefused('it has no measured figure');
  const known: LineGround = before ?? { line: id };
  const { against: _then, ...left } = known;
  // What was calculated belongs to what was measured then.
  const kept = read.shells && read.shells !== known.shells ? left : known;
  return {
    document: withMains(document, { lines: put(lines, before, { ...kept, ...read }) }),
    added: !before,
    text: `measured at ${name}`,
  };
}

function readBeside(document: RigDocument, cells: Cells): Made {
  const { beside = [] } = document.mains ?? {};
  const line = lineOf(document, cells.name);
  const unit = unitOf(document, cells.on ?? '');
  const before = beside.find((each) => each.line === line.id && each.unit === unit.id);
  if (!before && beside.length >= MOST_GROUNDS) throw new RowRefused(`${MOST_GROUNDS} of these are the most`);
  const { distance, length, ...read } = figures(cells, FIGURE_COLUMNS.beside, BESIDE_FIGURES, before);
  const needed = (figure: Figure | undefined, known: Figure | undefined, column: string): Figure => {
    const value = figure ?? known;
    if (!value) throw new RowRefused(`“${column}” is missing`);
    return value;
  };
  const made = {
    ...(before ?? { line: line.id, unit: unit.id }),
    distance: needed(distance, before?.distance, 'distance m'),
    length: needed(length, before?.length, 'length m'),
    ...settings(cells, 'beside'),
    ...read,
  };
  return {
    document: withMains(document, { beside: put(beside, before, made) }),
    added: !before,
    text: `beside ${unit.name}`,
  };
}

const withMains = (document: RigDocument, more: Partial<Mains>): RigDocument => ({
  ...document,
  mains: { ...document.mains, ...more },
});

const put = <T>(list: readonly T[], before: T | undefined, made: T): T[] =>
  before ? list.map((each) => (each === before ? made : each)) : [...list, made];

function lineOf({ lines }: RigDocument, name: string): RigDocument['lines'][number] {
  const line = byName(lines, name);
  if (!line) throw new RowRefused(`there is no line ${name} in this rig`);
  return line;
}

function unitOf({ units = [] }: RigDocument, name: string): Unit {
  const unit = byName(units, name);
  if (!unit) throw new RowRefused(name ? `there is no unit ${name}` : 'the column “on” says which unit it goes to');
  return unit;
}
