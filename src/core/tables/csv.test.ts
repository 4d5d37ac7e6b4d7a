import { readCsv, writeCsv } from './csv';

const written = (cell: string) =>
  writeCsv(['what'], [{ what: cell }])
    .split('\r\n')[1]
    .replaceAll('"', '');

test.each(['=1+1', '@SUM(A1)', '+1+cmd', '-1+1', '-2+3*A1', '+A1', '-A1', '\t=1', '-1-1', '+1e5+A1', '--1'])(
  'a spreadsheet takes %j for text',
  (cell) => expect(written(cell)).toBe(` ${cell}`),
);

test.each(['-1', '+1', '-38.5', '-.5', '+3e-5', '-1,5', '1-1', 'bank A', ''])('%j is written as it is', (cell) =>
  expect(written(cell)).toBe(cell),
);

test('read again, a number is a number and a guarded cell is what it was', () => {
  const rows = readCsv(writeCsv(['what'], [{ what: '-38.5' }, { what: '-2+3' }]), ['what'], ['what']);
  expect(rows.map(({ cells }) => cells.what)).toEqual(['-38.5', '-2+3']);
});
