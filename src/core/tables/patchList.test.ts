import { readFileSync } from 'node:fs';
import { CsvError } from './csv';
import { parseKit } from '../kit';
import { parseDocument, readDocument, type RigDocument } from '../rig';
import { patchList, readPatchList } from '.';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const read = (text: string, rig: RigDocument = demo) => readPatchList(rig, kit, text);
const line = (rig: RigDocument, name: string) => rig.lines.find((other) => other.name === name)!;

test('a patch list reads back as what it was written from', () => {
  const { rows, document } = read(patchList(demo));
  expect(new Set(rows.map(({ did }) => did))).toEqual(new Set(['unchanged']));
  expect(document).toEqual(demo);
});

test('a spreadsheet’s semicolons, its mark at the start and its capitals are taken', () => {
  const { rows } = read("\uFEFFLine;Device;Inlet\r\nGuide's stand;Bag recorder;6\r\n");
  expect(rows).toEqual([{ line: 2, name: "Guide's stand", did: 'changes', what: 'moves to Bag recorder 6' }]);
});

test('a length is taken with a comma as with a point', () => {
  const { document } = read("line;links\r\nGuide's stand;cable 12,5 m\r\n");
  expect(line(document, "Guide's stand").links).toMatchObject([
    { kind: 'cable', figures: { length: { value: 12.5, unit: 'm' } } },
  ]);
});

test('sources and links are taken as people type them; what nobody understands is refused by its words', () => {
  const { rows, document } = read(
    'line,source,links,device,inlet\nVoice,LDC,30 ft > iso,Hold desk,15\nOdd,dynamic,wobble,Hold desk,16',
  );
  expect(rows.map(({ did }) => did)).toEqual(['adds', 'refused']);
  expect(line(document, 'Voice')).toMatchObject({
    source: { kind: 'condenser-48' },
    links: [{ kind: 'cable', figures: { length: { value: 9.14 } } }, { kind: 'isolating-transformer' }],
  });
  expect(rows[1].what).toContain('“wobble”');
});

test('rows add, change and leave; each says what it does, and nothing else is touched', () => {
  const { rows, document } = read(
    [
      'line,source,links,device,inlet,feed,note',
      'Bow,"small condenser, pair A left",cable 10 m > pad of 20 dB,Hold desk,15,,for the sluice',
      "Guide's stand,,cable 15 m > Polarity reverser,,,,",
      'Wireless receiver,,,Line mixer,2,,',
      'Camera,harp,,,,,',
    ].join('\n'),
  );
  expect(rows.map(({ did }) => did)).toEqual(['adds', 'changes', 'changes', 'refused']);
  expect(line(document, 'Bow')).toMatchObject({
    source: { kind: 'condenser-9-52', item: 'small-condenser-left' },
    links: [
      { kind: 'cable', item: 'cable-10-m' },
      { kind: 'pad', item: 'pad' },
    ],
    inlet: { device: 'desk', inlet: '15' },
    note: 'for the sluice',
  });
  expect(line(document, "Guide's stand").links.map(({ kind }) => kind)).toEqual(['cable', 'polarity-reverser']);
  // An empty cell leaves what is there.
  expect(line(document, 'Wireless receiver').links).toEqual(line(demo, 'Wireless receiver').links);
  expect(line(document, 'Trio, ribbon left')).toEqual(line(demo, 'Trio, ribbon left'));
  expect(readDocument(document)).toEqual(document);
});

describe('rows that cannot be used say why; the others are', () => {
  test.each([
    [
      'nothing known',
      'line,source,device,inlet\nBow,harp,Hold desk,15',
      /“harp” is no source of the kit or the catalogue/,
    ],
    [
      'no device',
      'line,source,device,inlet\nBow,Moving coil,Barge,1',
      /no device “Barge”; there are Hold desk, Bag recorder/,
    ],
    ['no inlet', 'line,source,device,inlet\nBow,Moving coil,Hold desk,99', /has no inlet “99”; it has 1, 2/],
    ['a taken inlet', 'line,source,device,inlet\nBow,Moving coil,Hold desk,1', /taken by “Trio, pair A left”/],
    ['no source', 'line,device,inlet\nBow,Hold desk,15', /a new line needs a source/],
    ['a feed the switch has not', 'line,feed\nAnnouncer,P12', /cannot be set to “P12”; it offers off, P48/],
    ['a feed without a switch', 'line,feed\nWireless receiver,P48', /has no switch; leave the feed empty/],
    ['the same line twice', 'line,note\nAnnouncer,a\nannouncer,b', /is in the file twice/],
    ['two settings of one switch', 'line,feed\nTrio; ribbon left,off', /needs a source/],
    [
      'a box that is needed',
      'line,links\n"Electric piano, left",lead 3 m > cable 8 m',
      /another line is plugged into it/,
    ],
    ['no name', 'line,note\n,x', /has no name/],
  ])('%s', (_, text, why) => {
    const { rows } = read(text);
    const refused = rows.find(({ did }) => did === 'refused')!;
    expect(refused.what).toMatch(why);
  });
  test('one switch has one setting', () => {
    const { rows, document } = read('line,feed\n"Trio, ribbon left",off\n"Trio, ribbon right",48 V');
    expect(rows.map(({ did }) => did)).toEqual(['changes', 'refused']);
    expect(document.devices[0].groups[0].feed).toBe('off');
  });
});

test('two lines change places within one file', () => {
  const { rows, document } = read(
    'line,device,inlet\n"Trio, pair A left",Hold desk,2\n"Trio, pair A right",Hold desk,1',
  );
  expect(rows.map(({ did }) => did)).toEqual(['changes', 'changes']);
  expect(line(document, 'Trio, pair A left').inlet).toEqual({ device: 'desk', inlet: '2' });
  expect(readDocument(document)).toEqual(document);
});

test('a file that is no patch list is refused as a whole', () => {
  expect(() => read('name,where\nx,y')).toThrow(CsvError);
  expect(() => read('name,where\nx,y')).toThrow(/unknown column name, where; the columns are line, source/);
  expect(() => read('source\nx')).toThrow(/missing columns: line/);
  expect(() => read('line\n"torn')).toThrow(/quotation mark is missing/);
  expect(() => read(`line\n${'x\n'.repeat(5001)}`)).toThrow(/5001 rows/);
});

test('a cell that a spreadsheet would compute is written harmless', () => {
  const evil = { ...demo, lines: demo.lines.map((each, n) => (n ? each : { ...each, note: '=1+1' })) };
  expect(patchList(evil)).toContain(' =1+1');
});
