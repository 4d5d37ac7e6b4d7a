import { strToU8, zipSync } from 'fflate';
import { Workbook } from 'exceljs';
import { isWorkbook, readWorkbook } from './spreadsheet';

/** A workbook written by another package than the one that reads it. */
async function workbook(fill: (book: Workbook) => void): Promise<Uint8Array> {
  const book = new Workbook();
  fill(book);
  return new Uint8Array(await book.xlsx.writeBuffer());
}

test('sheets with cells of every kind; a day is the pair that was typed', async () => {
  const bytes = await workbook((book) => {
    const sheet = book.addWorksheet('Saturday');
    sheet.addRow(['Meadowlark']);
    sheet.mergeCells('A1:D1');
    sheet.addRow(['Ch', 'Name', 'Mic', '48V']);
    sheet.addRow([1, 'Violin', 'SDC', true]);
    sheet.addRow([new Date(Date.UTC(2026, 1, 1)), 'Trio', 'SDC', 'x']);
    sheet.getColumn(1).numFmt = 'd-mmm';
    sheet.addRow(['', { formula: '"Announ"&"cer"', result: 'Announcer' }, 'dynamic', false]);
    book.addWorksheet('Empty');
  });
  expect(isWorkbook(bytes)).toBe(true);
  const sheets = await readWorkbook(bytes);
  expect(sheets.map(({ name }) => name)).toEqual(['Saturday']);
  expect(sheets[0].grid.slice(1)).toEqual([
    ['Ch', 'Name', 'Mic', '48V'],
    [expect.any(String), 'Violin', 'SDC', 'yes'],
    ['2026-02-01', 'Trio', 'SDC', 'x'],
    ['', 'Announcer', 'dynamic', 'no'],
  ]);
});

test.each([
  ['an old workbook', Uint8Array.of(0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1), /XLSX without a password/],
  ['a torn archive', Uint8Array.of(0x50, 0x4b, 0x03, 0x04, 1, 2, 3), /broken archive/],
  [
    'an OpenDocument file',
    zipSync({ mimetype: [strToU8('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }] }),
    /save it as XLSX or CSV/,
  ],
  ['an archive that is none', zipSync({ 'readme.txt': strToU8('hello') }), /cannot be read as XLSX/],
  [
    'one that unpacks to much more',
    zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(65 * 1024 * 1024) }),
    /unpacks to 65 MiB; 64 MiB is the limit/,
  ],
])('%s is refused with what to do', (_, bytes, why) => expect(readWorkbook(bytes)).rejects.toThrow(why));

test('text is no workbook', () => expect(isWorkbook(strToU8('Ch,Name'))).toBe(false));
