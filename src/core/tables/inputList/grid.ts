import Papa from 'papaparse';
import { CsvError } from '../csv';
import { MOST_COLUMNS } from '../../rig/listColumns';
import { headingsIn } from './roles';
import { numbersIn, tidy, withoutFeed } from './cells';

/** A table as rows of cells, trimmed; all rows are as long as the longest. */
export type Grid = string[][];

/** Most rows of an input list. */
const MOST_ROWS = 1000;
const DELIMITERS = ['\t', ';', ',', '|'];

/** @throws CsvError where it is larger than an input list can be */
export function gridOf(rows: readonly (readonly unknown[])[]): Grid {
  const width = rows.reduce((widest, row) => Math.max(widest, row.length), 0);
  if (rows.length > MOST_ROWS) throw new CsvError(`has ${rows.length} rows; ${MOST_ROWS} is the limit`);
  if (width > MOST_COLUMNS) throw new CsvError(`has ${width} columns; ${MOST_COLUMNS} is the limit`);
  return rows.map((row) => Array.from({ length: width }, (_, n) => cellText(row[n])));
}

function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().replace('T00:00:00.000Z', '');
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
  const text = String(cell).replaceAll(/\s+/g, ' ').trim();
  return /^[-–—=_*]{2,}$/.test(text) ? '' : text;
}

/**
 * Reads a list from text: separated by commas, semicolons, tabs or bars, or as somebody types it in a message.
 * @throws CsvError for a torn quotation mark, or more than a list can be
 */
export function gridFrom(text: string): Grid {
  const clean = text.replace(/^\uFEFF/, '').replaceAll('\r\n', '\n');
  const tables = DELIMITERS.map((delimiter) => parsed(clean, delimiter)).sort((a, b) => b.worth - a.worth);
  const [best] = tables;
  if (best.worth < 1 || (best.worth < 10 && isMessage(clean))) return fromMessage(clean);
  if (best.torn)
    throw new CsvError(`a quotation mark is missing: ${best.torn.message.toLowerCase()}`, (best.torn.row ?? 0) + 1);
  return best.grid;
}

/** A text cut at a delimiter, and how much speaks for that: headings, else rows that are equally long. */
function parsed(text: string, delimiter: string) {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
  // A table with bars around it, and not one whose first cell is empty here and there.
  const barred = delimiter === '|' && data.filter(([first]) => first.trim() === '').length > data.length / 2;
  const grid = gridOf(barred ? data.map((row) => (row[0].trim() === '' ? row.slice(1) : row)) : data);
  const headings = Math.max(0, ...grid.slice(0, 20).map(headingsIn));
  const lengths = data.map((row) => row.length);
  const usual = lengths.toSorted((a, b) => a - b)[lengths.length >> 1] ?? 1;
  const alike = lengths.filter((length) => length === usual).length / Math.max(lengths.length, 1);
  const regular = usual > 1 && lengths.length > 1 && alike > 0.9 ? 1 + usual / 100 : 0;
  return {
    grid,
    torn: errors.find(({ type }) => type === 'Quotes'),
    worth: headings >= 2 ? 10 + headings : regular,
  };
}

const NUMBERED =
  /^\s*(?:[-*•]\s*)?((?:in(?:puts?|lets?)?|ch(?:an(?:nels?)?)?|tracks?)?[\s.#]*\d{1,3}(?:\s*(?:-|–|\/|&|\+)\s*\d{1,3})?)\s*(?:[.):=|\t]|\s[-–—]|\s)\s*(.+)$/i;

/** Whether most lines begin with a number and a point, a bracket or a colon. */
function isMessage(text: string): boolean {
  const lines = text.split('\n').filter((line) => line.trim());
  return (
    lines.filter((line) =>
      /^\s*(?:[-*•]\s*)?(?:ch(?:an(?:nel)?)?|in(?:put|let)?|track)?\s*\d{1,3}\s*[.):]\s*\D/i.test(line),
    ).length >
    lines.length / 2
  );
}

/** Lines of a message: "1. Announcer - dynamic, 10 m". The first words are the name, what follows says what it is. */
function fromMessage(text: string): Grid {
  const rows = text
    .split(/\n|;\s*(?=\S*\d)/)
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line): string[] => {
      const found = NUMBERED.exec(line);
      if (!found || !numbersIn(found[1])) return [line, '', '', '', ''];
      const { rest, feed } = withoutFeed(found[2]);
      const [name, ...more] = rest
        .split(/\s+[-–—]\s+|\s*[:,|\t]\s*|\s*\(|\)\s*/)
        .map(tidy)
        .filter(Boolean);
      return [found[1], name ?? '', more.join(', '), feed === undefined ? '' : feed === 'on' ? 'yes' : 'no', ''];
    });
  return gridOf([['Ch', 'Name', 'Mic/DI', '48V', 'Note'], ...rows]);
}
