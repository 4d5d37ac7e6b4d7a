import type { KitItem } from '../../kit/item';
import { type RigDocument } from '../../rig/document';
import { candidatesOf } from '../../typed';
import { columnsOf, type Columns } from './columns';
import type { Grid } from './grid';
import type { Role } from './roles';

import { deviceFor, withFeeds, withLocated } from './placing';
import { DITTO, readRow, type InputRow } from './row';

/** What an input list becomes. */
export interface InputList {
  columns: Columns;
  rows: InputRow[];
  /** What belongs to no line and is kept in the rig's note: titles, totals, spare channels. */
  left: string[];
  /** The rig with every row that could be put in. */
  document: RigDocument;
  /** Id of the device that the numbers are inlets of. */
  device: string;
  /** Ids of the lines that are new. */
  ids: string[];
}

/** What somebody says about a list where it does not say so itself. */
export interface Said {
  /** What the columns hold. */
  roles?: readonly (Role | undefined)[];
  /** Id of the device that the numbers are inlets of; `new` for one that is made for it. */
  device?: string;
  /** By row: what its source is, as somebody calls it. */
  sources?: Readonly<Record<number, string>>;
  /** Whether switches are set as the list says; they are where nothing is said. */
  setFeeds?: boolean;
}

/** A device for a rig that has none. */
export const NEW_DEVICE = 'new';
const MOST_NOTE = 2000;

/**
 * Reads an input list into a rig: each row becomes a line or several, matched with the kit and then the catalogue. Nothing
 * is lost: what no line says by itself is kept as a note on it, and what belongs to no line in the rig's note.
 */
export function readInputList(document: RigDocument, kit: readonly KitItem[], grid: Grid, said: Said = {}): InputList {
  const columns = columnsOf(grid, said.roles, {
    sources: candidatesOf('source', kit, document),
    links: candidatesOf('link', kit, document),
  });
  const { rig, device } = deviceFor(document, grid, columns, said.device);
  let next = rig;
  let section = '';
  let before = '';
  const rows: InputRow[] = [];
  const left = columns.titles.map((row) => row.filter(Boolean).join(' '));
  for (const [n, cells] of grid.entries()) {
    if (n < columns.first || cells.every((cell) => cell === '')) continue;
    const row = readRow(next, kit, {
      n,
      cells,
      columns,
      device,
      section,
      before,
      chosen: said.sources?.[n + 1],
      next: grid[n + 1],
    });
    rows.push(row);
    const own = columns.roles.flatMap((role, column) => (role === 'source' ? [cells[column]] : [])).join(' ');
    if (own && !DITTO.test(own)) before = own;
    if (row.becomes === 'heading') section = row.name;
    if (row.becomes === 'spare' || row.becomes === 'there') left.push(cells.filter(Boolean).join(' '));
    next = row.lines.reduce(withLocated, next);
  }
  // What comes after the last line is no heading of anything.
  const last = rows.findLastIndex(({ becomes }) => becomes === 'lines' || becomes === 'open');
  for (const [n, { becomes, name }] of rows.entries()) if (becomes === 'heading' && n > last) left.push(name);
  if (said.setFeeds !== false) next = withFeeds(next, rows);
  const known = new Set(document.lines.map(({ id }) => id));
  const ids = next.lines.map(({ id }) => id).filter((id) => !known.has(id));
  const note = [next.note, ...left].filter(Boolean).join('\n');
  return {
    columns,
    rows,
    left,
    device: device.id,
    document: ids.length ? { ...next, ...(note && { note: note.slice(0, MOST_NOTE) }) } : document,
    ids,
  };
}
