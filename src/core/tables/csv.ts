import Papa from 'papaparse';

/** A table as rows of text by column name; `line` is where it stands in the file, counted from 1. */
export interface CsvRow {
  line: number;
  cells: Record<string, string>;
}

/** Most rows one file may have. */
const MOST_ROWS = 5000;

/** A file that cannot be read as a table; nothing of it is used. */
export class CsvError extends Error {
  constructor(
    message: string,
    readonly line?: number,
  ) {
    super(message);
    this.name = 'CsvError';
  }
}

/**
 * Reads comma- or semicolon-separated text with a heading.
 * @param known columns that may appear; their case and the space around them do not matter
 * @throws CsvError for text without the required columns, with unknown ones, or torn by quotes
 */
export function readCsv(text: string, known: readonly string[], required: readonly string[]): CsvRow[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const torn = errors.find(({ type }) => type === 'Quotes');
  if (torn) throw new CsvError(`a quotation mark is missing: ${torn.message.toLowerCase()}`, (torn.row ?? 0) + 1);
  const [heading = [], ...rows] = data;
  const columns = heading.map((name) => name.trim().toLowerCase());
  const names = known.map((name) => name.toLowerCase());
  const unknown = columns.filter((name) => name && !names.includes(name));
  if (unknown.length)
    throw new CsvError(`unknown column ${unknown.join(', ')}; the columns are ${known.join(', ')}`, 1);
  const missing = required.filter((name) => !columns.includes(name));
  if (missing.length)
    throw new CsvError(`missing columns: ${missing.join(', ')}; the columns are ${known.join(', ')}`, 1);
  if (rows.length > MOST_ROWS) throw new CsvError(`has ${rows.length} rows; ${MOST_ROWS} are the most at a time`);
  return rows.map((row, n) => ({
    line: n + 2,
    cells: Object.fromEntries(columns.map((name, k) => [name, (row[k] ?? '').trim()])),
  }));
}

/** A number as somebody writes it, with a point or a comma before its decimals. */
export const decimal = (text: string): number => Number(text.replace(',', '.'));

/** What stays a number in a spreadsheet: a sign and digits, and nothing behind them. */
const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;

/** A cell that a spreadsheet would take for a formula is written with a space before it; numbers stay numbers. */
const harmless = (cell: string): string => (/^[=+\-@\t\r\n]/.test(cell) && !NUMBER.test(cell) ? ` ${cell}` : cell);

export const writeCsv = (
  columns: readonly string[],
  rows: readonly Record<string, string>[],
  headings: readonly string[] = columns,
): string =>
  `${Papa.unparse({ fields: headings.map(harmless), data: rows.map((row) => columns.map((name) => harmless(row[name] ?? ''))) })}\r\n`;
