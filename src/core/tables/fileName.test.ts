import { fileName } from './fileName';

test.each([
  ['Lock Nine', 'json', 'lock-nine.json'],
  ['  Lock   Nine\t', 'csv', 'lock-nine.csv'],
  ['Lock Nine: mended / "again"?', 'json', 'lock-nine-mended-again.json'],
  ['Schleuse Nöun_2 - Öl', 'xlsx', 'schleuse-nöun_2---öl.xlsx'],
  ['..\\..//', 'json', 'rig.json'],
  ['', 'txt', 'rig.txt'],
])('%j as %s: %s', (name, ending, file) => expect(fileName(name, ending)).toBe(file));
