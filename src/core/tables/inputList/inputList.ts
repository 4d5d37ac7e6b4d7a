import type { KitItem } from '../../kit/item';
import type { RigDocument } from '../../rig/document';
import { LONGEST_HEADING, type ListColumn } from '../../rig/listColumns';
import { withLocation } from '../../rig/manyLines';
import { addLine } from '../../rig/rigEdits';
import { candidatesOf } from '../../typed';
import { columnsOf, type Columns, type SaidOfColumns } from './columns';
import type { Grid } from './grid';
import { deviceFor, withFeeds } from './placing';
import { DITTO, readRow, type InputRow } from './row';

/** What an input list becomes. */
export interface InputList {
  columns: Columns;
  rows: InputRow[];
  /** What belongs to no line and is kept in the rig's note: titles, totals, spare channels. */
  left: string[];
  /** Of that, what does not fit into the rig's note any more. */
  lost: string[];
  /** The rig with every row that could be put in. */
  document: RigDocument;
  /** Id of the device that the numbers are inlets of. */
  device: string;
  /** Ids of the lines that are new. */
  ids: string[];
}

/** What somebody says about a list where it does not say so itself. */
export interface Said extends SaidOfColumns {
  /** Id of the device that the numbers are inlets of; `new` for one that is made for it. */
  device?: string;
  /** By row: what its source is, as somebody calls it. */
  sources?: Readonly<Record<number, string>>;
  /** Whether switches are set as the list says; they are where nothing is said. */
  setFeeds?: boolean;
}

/** A device for a rig that has none. */
export const NEW_DEVICE = 'new';
/** Longest note of a rig. */
const MOST_NOTE = 2000;

/**
 * Reads an input list into a rig: each row becomes a line or several, matched with the kit and then the catalogue. Nothing
 * is lost: what no line says by itself is kept as a note on it, and what belongs to no line in the rig's note.
 */
export function readInputList(document: RigDocument, kit: readonly KitItem[], grid: Grid, said: Said = {}): InputList {
  const columns = columnsOf(grid, said, {
    sources: candidatesOf('source', kit, document),
    links: candidatesOf('link', kit, document),
  });
  const { rig, device } = deviceFor(document, grid, columns, said.device);
  let next = rig;
  let section = '';
  let before = '';
  const rows: InputRow[] = [];
  const ids: string[] = [];
  const left = columns.titles.map((row) => row.filter(Boolean).join(' '));
  for (const [n, cells] of grid.entries()) {
    if (n < columns.first || cells.every((cell) => cell === '')) continue;
    const chosen = said.sources?.[n + 1];
    const row = readRow(next, kit, { n, cells, columns, device, section, before, chosen });
    rows.push(row);
    const own = columns.roles.flatMap((role, column) => (role === 'source' ? [cells[column]] : [])).join(' ');
    if (own && !DITTO.test(own)) before = own;
    if (row.becomes === 'heading') section = row.name;
    if (row.becomes === 'spare') left.push(cells.filter(Boolean).join(' '));
    if (row.over) left.push(`${row.name}: ${row.over}`);
    next = row.lines.reduce(addLine, next);
    const made = row.lines.length ? next.lines.slice(-row.lines.length).map(({ id }) => id) : [];
    if (row.position) next = withLocation(next, made, row.position);
    ids.push(...made);
  }
  // What comes after the last line is no heading of anything.
  const last = rows.findLastIndex(({ becomes }) => becomes === 'lines' || becomes === 'open');
  for (const [n, { becomes, name }] of rows.entries()) if (becomes === 'heading' && n > last) left.push(name);
  if (said.setFeeds !== false) next = withFeeds(next, rows);
  const { note, lost } = noteWith(document.note, left);
  return {
    columns,
    rows,
    left,
    lost,
    device: device.id,
    document: ids.length
      ? { ...next, ...(note && { note }), ...(columns.headings.length > 1 && { listColumns: listColumnsOf(columns) }) }
      : document,
    ids,
  };
}

/** The columns as they are kept, so that the list can be handed back as it came. */
const listColumnsOf = ({ headings, roles }: Columns): ListColumn[] =>
  headings.map((heading, column) => ({
    heading: heading.slice(0, LONGEST_HEADING).trim(),
    ...(roles[column] && { holds: roles[column] }),
  }));

/** The rig's note with what belongs to no line, each once; what is too much for it is told. */
function noteWith(before: string | undefined, left: readonly string[]): { note?: string; lost: string[] } {
  let note = before;
  const lost: string[] = [];
  for (const each of left) {
    if (note?.split('\n').includes(each)) continue;
    const longer: string = [note, each].filter(Boolean).join('\n');
    if (longer.length > MOST_NOTE) lost.push(each);
    else note = longer;
  }
  return { ...(note && { note }), lost };
}

/** Rows that still need an answer, as a list of their own under its headings, with what is known of its columns. */
export function openRows({ columns: { roles, headings }, rows }: InputList): { grid: Grid; said: Said } | undefined {
  const open = rows.filter(({ becomes }) => becomes === 'open').map(({ cells }) => cells);
  if (open.length === 0) return undefined;
  return { grid: [open[0].map((_, n) => headings[n] ?? ''), ...open], said: { roles, headed: true } };
}
