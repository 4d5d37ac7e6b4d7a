import { strFromU8, unzipSync } from 'fflate';
import readSheets from 'read-excel-file/universal';
import { CsvError } from '../csv';
import { gridOf, type Grid } from './grid';

/** One sheet of a workbook. */
export interface Sheet {
  name: string;
  grid: Grid;
}

/** Most that a workbook may hold unpacked, in bytes: a small file can unpack to gigabytes. */
const MOST_UNPACKED = 64 * 1024 * 1024;

const begins = (bytes: Uint8Array, ...magic: number[]): boolean => magic.every((byte, n) => bytes[n] === byte);

/** Whether a file is a workbook of a spreadsheet, of whatever kind: they are archives, or of the older binary format. */
export const isWorkbook = (bytes: Uint8Array): boolean =>
  begins(bytes, 0x50, 0x4b, 0x03, 0x04) || begins(bytes, 0xd0, 0xcf, 0x11, 0xe0);

/**
 * Reads the sheets of an XLSX workbook that have anything on them. Formulas are not evaluated: what the spreadsheet last
 * showed is read.
 * @throws CsvError for another kind of workbook, a broken or locked one, or one that unpacks to more than 64 MiB
 */
export async function readWorkbook(bytes: Uint8Array): Promise<Sheet[]> {
  if (begins(bytes, 0xd0, 0xcf, 0x11, 0xe0))
    throw new CsvError('is an old XLS file or one with a password; save it as XLSX without a password, or as CSV');
  look(bytes);
  let sheets;
  try {
    sheets = await readSheets(bytes.slice().buffer);
  } catch (error) {
    throw new CsvError(`cannot be read as XLSX (${(error as Error).message}); save it as CSV`);
  }
  return sheets
    .map(({ sheet, data }) => ({ name: sheet, grid: gridOf(data) }))
    .filter(({ grid }) => grid.some((row) => row.some(Boolean)));
}

/** What is in the archive, before any of it is unpacked. */
function look(bytes: Uint8Array): void {
  let unpacked = 0;
  let mimetype: Uint8Array | undefined;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpacked += originalSize;
        return name === 'mimetype' && originalSize < 200;
      },
    });
    mimetype = files.mimetype;
  } catch {
    throw new CsvError('is a broken archive; save it again as XLSX or CSV');
  }
  if (unpacked > MOST_UNPACKED)
    throw new CsvError(
      `unpacks to ${Math.round(unpacked / 1024 / 1024)} MiB; ${MOST_UNPACKED / 1024 / 1024} MiB is the limit`,
    );
  if (mimetype && strFromU8(mimetype).includes('opendocument'))
    throw new CsvError('is an OpenDocument file; save it as XLSX or CSV');
}
