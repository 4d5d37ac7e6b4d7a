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
    ['a note that is too long', `line,note\nAnnouncer,${'x'.repeat(501)}`, /note has 501 characters; 500 are the most/],
    [
      'a name that is too long',
      `line,source,device,inlet\n${'x'.repeat(81)},Moving coil,Hold desk,15`,
      /name of the line has 81 characters; 80 are the most/,
    ],
    ['too many links', `line,links\nAnnouncer,${Array(17).fill('pad').join(' > ')}`, /has 17 links; 16 are the most/],
    ['a switch that is none', 'line,feed\nAnnouncer,T12', /Hold desk, .* cannot be set to “T12”/],
    ['no inlet at all', 'line,source,device\nBow,Moving coil,Hold desk', /has no inlet “”/],
    ['no device and no inlet', 'line,source\nBow,Moving coil', /there is no device/],
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

test('what is as it was is left alone, a note too; another place on the same device names the inlet', () => {
  const noted = { ...demo, lines: demo.lines.map((each, n) => (n ? each : { ...each, note: 'by the door' })) };
  const [first] = noted.lines;
  const file = (cells: string) => read(`line,device,inlet,note,links\n"${first.name}",${cells}`, noted);
  expect(file(',,by the door,').rows[0]).toMatchObject({ did: 'unchanged', what: '' });
  expect(file('Hold desk,1,,').rows[0]).toMatchObject({ did: 'unchanged' });
  expect(file('HOLD DESK,15,,').rows[0]).toMatchObject({ did: 'changes', what: 'moves to HOLD DESK 15' });
  expect(file(',15,,').rows[0]).toMatchObject({ did: 'changes', what: 'moves to 15' });
  expect(file(',,by the window,').rows[0]).toMatchObject({ did: 'changes', what: 'note' });
  const bare = file(',,,NONE');
  expect(bare.rows[0]).toMatchObject({ did: 'changes', what: 'links: NONE' });
  expect(line(bare.document, first.name).links).toEqual([]);
  expect(patchList(bare.document)).toMatch(/^"Trio, pair A left",[^\n]*,none,/m);
  expect(read('line,links\n' + `"${first.name}",none`, bare.document).rows[0]).toMatchObject({ did: 'unchanged' });
});

test('a link that the line has already stays what it is, whatever its figures; of two alike each is taken once', () => {
  const [first] = demo.lines;
  const own = {
    ...first.links[0],
    name: 'lead',
    figures: { length: { value: 7, unit: 'm' as const, basis: 'measured' as const } },
  };
  const rig = { ...demo, lines: [{ ...first, links: [own] }, ...demo.lines.slice(1)] };
  const { document } = read(`line,links\n"${first.name}",LEAD > cable 5 m`, rig);
  expect(line(document, first.name).links).toEqual([own, expect.objectContaining({ kind: 'cable' })]);
  expect(line(document, first.name).links[1]).not.toEqual(own);
});

test('lines that begin or end at another line’s link are written with where, and not moved by a table', () => {
  const text = patchList(demo);
  expect(text).toMatch(/from [^,]+, [a-z0-9-]+, /);
  const hanging = demo.lines.find((each) => !('kind' in each.source) || 'from' in each.source)!;
  const { rows } = read(`line,source\n"${hanging.name}",Moving coil`);
  expect(rows[0]).toMatchObject({ did: 'refused', what: expect.stringMatching(/begins at another line's link/) });
  const into = read('line,device\nAnnouncer,into Camera').rows[0];
  expect(into).toMatchObject({ did: 'refused', what: expect.stringMatching(/plug it in on the sheet/) });
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

test('each line is told with its inlet and the setting of its switch; one without a switch without', () => {
  const rows = patchList(demo).split('\r\n');
  expect(rows.find((row) => row.startsWith('"Trio, ribbon left"'))).toMatch(/,Hold desk,\d+,P48,/);
  expect(rows.find((row) => row.startsWith('Wireless receiver'))).toMatch(/,Line mixer,1,,/);
  // Who is plugged into another line's box is told so.
  const inBox = demo.lines.find(({ inlet }) => 'into' in inlet);
  if (inBox) expect(rows.find((row) => row.includes(inBox.name))).toMatch(/into /);
});

test('the same number on another device is another inlet', () => {
  const { rows, document } = read('line,device\n"Wheelhouse, short shotgun",Line mixer');
  const there = line(document, 'Wheelhouse, short shotgun').inlet;
  const was = line(demo, 'Wheelhouse, short shotgun').inlet;
  expect('device' in there && 'device' in was && [there.inlet === was.inlet, there.device]).toEqual([true, 'mixer']);
  expect(rows[0]).toMatchObject({ did: 'changes', what: expect.stringMatching(/^moves to Line mixer/) });
});

test('a name of the kit is that item, in either role', () => {
  const microphone = kit.find(({ role }) => role === 'source')!;
  const cable = kit.find(({ role }) => role === 'link')!;
  const { document } = read(
    `line,source,links,device,inlet\nNew one,"${microphone.name}","${cable.name}",Hold desk,15`,
  );
  expect(line(document, 'New one')).toMatchObject({ source: { item: microphone.id }, links: [{ item: cable.id }] });
  // What is both is what its column asks for.
  const both = [
    { ...cable, id: 'lead', name: 'twin' },
    { ...microphone, id: 'mic', name: 'twin' },
  ] as typeof kit;
  const made = readPatchList(demo, both, 'line,source,links,device,inlet\nNew one,twin,twin,Hold desk,15').document;
  expect(line(made, 'New one')).toMatchObject({ source: { item: 'mic' }, links: [{ item: 'lead' }] });
});
