import { decimal, readCsv } from '../csv';
import {
  BASES,
  kindOfPart,
  LINKS,
  SOURCES,
  type AnyKind,
  type Basis,
  type Contact,
  type Fault,
  type Figure,
  type Part,
} from '../../gear';
import { DocumentError } from '../../rig/refusals';
import { RowRefused, type RowReport } from '../rowReport';
import { emptyRig } from '../../rig/document';
import { freeId, newDevice } from '../../rig/rigEdits';
import type { FeedName } from '../../standards/feeds';
import type { KitItem, Register } from '../../kit/item';
import { readItem } from '../../kit/schema';
import { COLUMNS } from './columns';

export interface KitImport {
  rows: RowReport[];
  /** Items as they would be after every row that was not refused. */
  items: KitItem[];
}

/**
 * Reads a table into a kit. An item is known by its id, else by its name and role; what a row leaves out stays as it is.
 * @throws CsvError for a file that is not such a table
 */
export function readKitCsv(items: readonly KitItem[], file: string): KitImport {
  const next = [...items];
  const rows = readCsv(file, COLUMNS, ['name']).map(({ line, cells }): RowReport => {
    const report = (did: RowReport['did'], what: string): RowReport => ({ line, name: cells.name, did, what });
    try {
      if (!cells.name) throw new RowRefused('the item has no name');
      const at = next.findIndex((item) =>
        cells.id ? item.id === cells.id : item.name === cells.name && (!cells.role || item.role === cells.role),
      );
      const before = next[at] as KitItem | undefined;
      const made = readItem(before ? changed(before, cells) : added(next, cells));
      if (before) next[at] = made;
      else next.push(made);
      if (!before) return report('adds', `${made.role}, ${made.count} of it`);
      const differs = differences(before, made);
      return report(differs.length ? 'changes' : 'unchanged', differs.join(', '));
    } catch (error) {
      if (error instanceof RowRefused || error instanceof DocumentError) return report('refused', error.message);
      throw error;
    }
  });
  return { rows, items: next };
}

const differences = (before: KitItem, after: KitItem): string[] =>
  (['name', 'count', 'sheet', 'note', 'register', 'part', 'device'] as const).filter(
    (field) => JSON.stringify((before as never)[field]) !== JSON.stringify((after as never)[field]),
  );

type Cells = Record<string, string>;

const head = (cells: Cells, before?: KitItem) => ({
  name: cells.name,
  count: cells.count ? whole(cells.count, 'count') : (before?.count ?? 1),
  ...textOf('sheet', cells.sheet, before?.sheet),
  ...textOf('note', cells.note, before?.note),
  ...registerOf(cells, before?.register),
});

function registerOf(cells: Cells, before: Register = {}): { register?: Register } {
  const every = cells['test every (days)'];
  const register: Register = {
    ...before,
    ...(cells.bought && { bought: cells.bought }),
    ...(cells.retired && { retired: cells.retired }),
    ...(every && { testEvery: whole(every, 'test every (days)') }),
  };
  return Object.keys(register).length ? { register } : {};
}

const textOf = (field: string, cell: string | undefined, before: string | undefined) => {
  const value = cell || before;
  return value ? { [field]: value } : {};
};

function whole(cell: string, column: string): number {
  const value = Number(cell);
  if (!Number.isInteger(value) || value < 0) throw new RowRefused(`${column} must be a whole number, not “${cell}”`);
  return value;
}

function changed(before: KitItem, cells: Cells): unknown {
  if (before.role === 'device')
    return { id: before.id, role: before.role, device: before.device, ...head(cells, before) };
  const same = !cells.kind || cells.kind === before.part.kind;
  const start: Part = same ? before.part : { kind: cells.kind };
  return { id: before.id, role: before.role, part: partFrom(before.role, start, cells), ...head(cells, before) };
}

function added(items: readonly KitItem[], cells: Cells): unknown {
  const role = cells.role || roleOf(cells.kind);
  if (role !== 'source' && role !== 'link' && role !== 'device')
    throw new RowRefused(`role must be source, link or device, not “${role ?? ''}”`);
  const start = { id: cells.id || freeId(items, cells.name), role, ...head(cells) };
  if (role !== 'device') {
    if (!cells.kind) throw new RowRefused(`a new ${role} needs a kind: ${kindsOf(role)}`);
    return { ...start, part: partFrom(role, { kind: cells.kind }, cells) };
  }
  const count = whole(cells.inlets || '', 'inlets');
  const { inlets, groups } = newDevice(emptyRig('kit'), {
    name: cells.name,
    kind: cells.kind || 'three-pin',
    inlets: Math.min(Math.max(count, 1), 128),
    perSwitch: cells['per switch'] ? Math.max(whole(cells['per switch'], 'per switch'), 1) : 1,
    offers: (cells.feeds || '').split(/[\s,]+/).filter(Boolean) as Exclude<FeedName, 'off'>[],
  });
  return { ...start, device: { inlets, groups } };
}

const roleOf = (kind: string | undefined): string | undefined =>
  SOURCES.some((known) => known.kind === kind)
    ? 'source'
    : LINKS.some((known) => known.kind === kind)
      ? 'link'
      : undefined;

const kindsOf = (role: 'source' | 'link'): string =>
  (role === 'source' ? SOURCES : LINKS).map(({ kind }) => kind).join(', ');

function partFrom(role: 'source' | 'link', start: Part, cells: Cells): Part {
  const known = (role === 'source' ? SOURCES : LINKS).some(({ kind }) => kind === start.kind);
  if (!known) throw new RowRefused(`there is no ${role} of the kind “${start.kind}”; there are ${kindsOf(role)}`);
  const kind = kindOfPart(role, start.kind);
  return {
    ...start,
    ...(cells.figures && { figures: figuresFrom(kind, cells.figures) }),
    ...(cells.choices && { choices: choicesFrom(cells.choices) }),
    ...(cells.faults && { faults: cells.faults.split(';').map(faultFrom) }),
  };
}

const FIGURE = /^\s*(\w+)\s*=\s*([-+\d.,eE]+)\s*([^()]+?)\s*(?:\(([^:)]+)(?::\s*([^)]*))?\))?\s*$/;

function figuresFrom(kind: AnyKind, cell: string): Record<string, Figure> {
  const entries = cell
    .split(';')
    .filter((text) => text.trim())
    .map((text): [string, Figure] => {
      const found = FIGURE.exec(text);
      if (!found)
        throw new RowRefused(
          `“${text.trim()}” is no figure; write name=value unit (basis: where), as in current=3 mA (maker: data sheet)`,
        );
      const [, name, value, unit, basis = 'assumed', where] = found;
      const spec = kind.figures[name];
      if (!spec)
        throw new RowRefused(`${kind.kind} has no figure ${name}; it has ${Object.keys(kind.figures).join(', ')}`);
      if (unit !== spec.unit) throw new RowRefused(`${name} is given in ${spec.unit}, not ${unit}`);
      if (!BASES.includes(basis as Basis)) throw new RowRefused(`“${basis}” is no basis; use ${BASES.join(', ')}`);
      return [name, { value: decimal(value), unit: spec.unit, basis: basis as Basis, ...(where && { where }) }];
    });
  return Object.fromEntries(entries);
}

const choicesFrom = (cell: string): Record<string, string> =>
  Object.fromEntries(
    cell
      .split(';')
      .filter((text) => text.trim())
      .map((text) => {
        const [name, value] = text.split('=').map((side) => side.trim());
        if (!value) throw new RowRefused(`“${text.trim()}” is no choice; write name=value`);
        return [name, value];
      }),
  );

function faultFrom(text: string): Fault {
  const words = text.trim();
  if (words === 'shield to cold') return { type: words };
  const open = /^open (\w+)(?: at ([\d.,]+) ?m)?$/.exec(words);
  if (open) return { type: 'open', contact: open[1] as Contact, ...(open[2] && { at: decimal(open[2]) }) };
  const pair = /^(swapped|shorted|leaky) (\w+)-(\w+)(?: ([\d.,]+) ?Ω)?$/.exec(words);
  if (!pair)
    throw new RowRefused(
      `“${words}” is no fault; write open 3 at 8 m, swapped 2-3, shorted 3-1, leaky 2-1 10000 Ω or shield to cold`,
    );
  const contacts = [pair[2], pair[3]] as [Contact, Contact];
  if (pair[1] === 'leaky') return { type: 'leaky', contacts, ohms: decimal(pair[4] ?? '10000') };
  return { type: pair[1] as 'swapped' | 'shorted', contacts };
}
