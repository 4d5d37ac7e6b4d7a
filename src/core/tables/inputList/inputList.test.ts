import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { LISTS } from '../../../../tests/lists/lists';
import { parseKit } from '../../kit';
import { parseDocument, readDocument, type RigDocument } from '../../rig';
import { gridFrom, inputList, openRows, readInputList, type InputList, type InputRow } from '.';
import { gridOf } from './grid';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
/** The demo's devices with nothing plugged. */
const empty: RigDocument = {
  ...demo,
  lines: [],
  wishes: undefined,
  units: undefined,
  mains: undefined,
  note: undefined,
};
const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const read = (text: string, rig = empty, own = kit, said = {}) => readInputList(rig, own, gridFrom(text), said);

/** What a row became, written as the lists say it. */
const became = ({ becomes, lines }: InputRow): string =>
  becomes === 'open'
    ? '?'
    : lines.length === 0
      ? '-'
      : `${[...new Set(lines.map(({ source }) => ('kind' in source ? source.kind : '')))][0]}@${lines.map(({ inlet }) => ('device' in inlet ? inlet.inlet : '')).join('+')}`;

/** Everything that a list became, as text. */
const kept = ({ document, left, rows, columns }: InputList): string =>
  JSON.stringify([
    document.lines,
    document.locations,
    document.devices,
    left,
    columns.headings,
    rows.map(({ becomes, name, understood, problem, cells, feed }) =>
      becomes === 'open' || becomes === 'heading' ? [problem, name, cells] : [name, understood, feed],
    ),
  ]).toLowerCase();

describe.each(LISTS)('$habit', ({ text, means }) => {
  const list = read(text);

  test('nine rows of ten at least mean what they say, without a hand', () => {
    const wanted = means.split(' ');
    const found = list.rows.map(became);
    expect(found).toHaveLength(wanted.length);
    const right = wanted.filter((want, n) => want === found[n]).length;
    expect({ share: right / wanted.length >= 0.9, found }).toEqual({ share: true, found });
  });

  test('the rig it makes is one, and no cell is lost', () => {
    expect(() => readDocument(structuredClone(list.document))).not.toThrow();
    const all = kept(list);
    for (const row of list.rows)
      for (const [column, cell] of row.cells.entries()) {
        const role = list.columns.roles[column];
        // A number, a length and 48 V are what they became; everything else is there in its words.
        if (cell === '' || row.becomes !== 'lines' || ['number', 'cable', 'feed', 'inlet'].includes(role ?? ''))
          continue;
        // What was understood whole is what it became.
        if (role === 'source' && row.certainty === 'sure' && row.understood.length > 0) continue;
        const words = cell
          .toLowerCase()
          .split(/[^a-z0-9]+/)
          .filter((word) => word.length > 3);
        for (const word of words) expect(`${word}: ${all.includes(word)}`).toBe(`${word}: true`);
      }
  });
});

describe.each(LISTS)('handed back: $habit', ({ text }) => {
  const list = read(text);
  const back = inputList(list.document);
  const again = read(back);

  test('in its own columns, and in more only where those have no place', () => {
    const { headings } = list.columns;
    const grid = gridFrom(back);
    if (headings.length > 1 && list.ids.length) expect(grid[0].slice(0, headings.length)).toEqual(headings);
    const added = grid[0].slice(headings.length > 1 ? headings.length : 0);
    expect(
      added.filter(
        (each) => !['Ch', 'Name', 'Mic/DI', 'Via', 'Device', 'Inlet', '48V', 'Position', 'Notes'].includes(each),
      ),
    ).toEqual([]);
  });

  test('and what is read from it are the same lines', () => {
    const said = ({ document }: InputList) =>
      document.lines.map(({ name, source, inlet }) => ({
        name,
        kind: 'kind' in source ? source.kind : '',
        inlet: 'device' in inlet ? inlet.inlet : '',
      }));
    expect(said(again)).toEqual(said(list));
  });
});

test('a column that no line knows by itself comes back from the notes', () => {
  const list = read('Ch,Name,Mic,Stand,Notes\n1,Announcer,dynamic,round base,on the quay\n2,Host,dynamic,,');
  expect(inputList(list.document).trim().split('\r\n')).toEqual([
    'Ch,Name,Mic,Stand,Notes',
    '1,Announcer,"dynamic, announcer",round base,on the quay',
    expect.stringMatching(/^2,Host,"?[a-z, ]+"?,,$/),
  ]);
  const twice = 'Ch,Name,Mic,Extra,Extra\r\n1,Announcer,"dynamic, guide",red tape,=SUM(A1)\r\n';
  expect(inputList(read(twice).document)).toBe(twice.replace('=SUM(A1)', '" =SUM(A1)"'));
  expect(inputList(list.document, 'usual columns')).toMatch(/^Ch,Name,Mic\/DI,Via,/);
});

const DYNAMIC = 'Ch,Name,Mic\n1,Announcer,dynamic';

test('written and read again, the lines are the same; what another line’s link feeds is told', () => {
  const mended = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const bare: RigDocument = { ...mended, lines: [], wishes: undefined, units: undefined, mains: undefined };
  const list = readInputList(bare, kit, gridFrom(inputList(mended)));
  const said = ({ name, links, inlet, location }: RigDocument['lines'][number]) => ({
    name,
    links: links.map(({ kind }) => kind),
    inlet,
    location,
  });
  const whole = mended.lines.filter(({ source, inlet }) => 'kind' in source && 'device' in inlet);
  expect(whole.length).toBeGreaterThan(15);
  expect(list.document.lines.filter(({ name }) => whole.some((line) => line.name === name)).map(said)).toEqual(
    whole.map(said),
  );
  expect(list.document.devices).toEqual(mended.devices);
});

test('48 V is compared with what the line needs, and sets the switches of the drawing unless rows of one disagree', () => {
  const list = read('Ch,Name,Mic,48V\n1,Violin,SDC,no\n2,Cello,ribbon,yes\n9,Viola,SDC,yes');
  expect(list.rows[0].remarks.join()).toMatch(/The list says no 48 V; small condenser.* needs a feed/);
  expect(list.rows[1].remarks.join()).toMatch(/The list asks for 48 V; .*ribbon.* needs none/);
  expect(list.rows[1].remarks.join()).toMatch(/bank A: one switch/);
  const feeds = (made: InputList) =>
    made.document.devices.find(({ id }) => id === 'desk')!.groups.map(({ feed }) => feed);
  const before = empty.devices.find(({ id }) => id === 'desk')!.groups.map(({ feed }) => feed);
  expect(before).toEqual(['P48', 'P48']);
  const off: RigDocument = {
    ...empty,
    devices: empty.devices.map((device) => ({
      ...device,
      groups: device.groups.map((group) => ({ ...group, feed: 'off' as const })),
    })),
  };
  const text = 'Ch,Name,Mic,48V\n1,Violin,SDC,no\n2,Cello,ribbon,yes\n9,Viola,SDC,yes';
  expect(feeds(read(text, off))).toEqual(['off', 'P48']);
  expect(feeds(read(text, off, kit, { setFeeds: false }))).toEqual(['off', 'off']);
});

describe('a list that says no 48 V turns none on', () => {
  const off = {
    ...empty,
    devices: empty.devices.map((device) => ({
      ...device,
      groups: device.groups.map((group) => ({ ...group, feed: 'off' as const })),
    })),
  };
  const bank = (text: string) =>
    read(text, off)
      .document.devices.find(({ id }) => id === 'desk')!
      .groups.find(({ id }) => id === 'bank-a')!.feed;
  test.each([
    'Ch,Name,Mic\n1,Viola,"ribbon, phantom OFF!"',
    'Ch,Name,Mic,48V\n1,Viola,ribbon,phantom must be off',
    'Ch,Name,Mic,Notes\n1,Viola,ribbon,"keep phantom off, dry joint"',
    '1. Viola - ribbon, never phantom\n2. Host - dynamic',
  ])('%s', (text) => expect(bank(text)).toBe('off'));
  test('but what asks for it does', () => expect(bank('Ch,Name,Mic\n1,Viola,"small condenser, +48V"')).toBe('P48'));
  test('and the words stay with the line', () => {
    const [line] = read('Ch,Name,Mic\n1,Viola,"ribbon, phantom OFF!"').document.lines;
    expect(line.note).toBe('Mic: ribbon, phantom OFF!');
  });
  test('what depends is neither, and stays to be read', () => {
    const [row] = read('Ch,Name,Mic,48V\n1,Voice,SDC,48V if needed').rows;
    expect([row.feed, row.lines[0].note]).toEqual([undefined, '48V: 48V if needed']);
  });
});

describe('of several that are meant alike', () => {
  const sources = (text: string) =>
    read(text).document.lines.map(({ source }) => ('kind' in source ? source.name : undefined));
  test('the one that is called as the line is', () => {
    expect(sources('Ch,Name,Mic\n1,Bass,piezo')).toEqual(['double bass piezo']);
    expect(sources('Ch,Name,Mic\n1,Hydrophone,piezo')).toEqual(['hydrophone']);
    expect(sources('Ch,Name,Mic\n1,Announcer,dynamic\n2,Guide,dynamic')).toEqual([
      'dynamic, announcer',
      'dynamic, guide',
    ]);
    expect(sources('Ch,Name,Mic\n1,Cello right,ribbon\n2,Cello left,ribbon')).toEqual([
      'ribbon, right',
      'ribbon, left',
    ]);
  });
  test('where the name tells nothing, the first; what a cell says outweighs the name', () => {
    expect(sources('Ch,Name,Mic\n1,Viola,ribbon')).toEqual(['ribbon, left']);
    expect(sources('Ch,Name,Mic\n1,Announcer,"dynamic, guide"')).toEqual(['dynamic, guide']);
  });
});

test('a cell that is empty at the beginning of a row stays empty, with bars too', () => {
  const bare = read('Ch | Name | Mic\n1 | Host | dynamic\n | Announcer | dynamic');
  expect(bare.rows.map(({ name }) => name)).toEqual(['Host', 'Announcer']);
  const framed = read('| Ch | Name | Mic |\n|---|---|---|\n| 1 | Host | dynamic |\n| | Announcer | dynamic |');
  expect(framed.rows.map(({ name }) => name)).toEqual(['Host', 'Announcer']);
});

test('a rig without a device gets one that is large enough; another device can be said', () => {
  const list = read('Ch,Name,Mic\n1,Violin,SDC\n11,Announcer,dynamic', { ...empty, devices: [] });
  expect(list.document.devices).toMatchObject([{ name: 'Desk', inlets: { length: 16 } }]);
  expect(list.document.lines.map(({ inlet }) => inlet)).toEqual([
    { device: 'desk', inlet: '1' },
    { device: 'desk', inlet: '11' },
  ]);
  const made = read(DYNAMIC, empty, kit, { device: 'stream' });
  expect(made.document.lines[0].inlet).toEqual({ device: 'stream', inlet: '1' });
});

test('what somebody says of a row or a column goes before what the list says', () => {
  const list = read('Ch,Name,Mic\n1,Visitor,whatsit\n2,Host,dynamic');
  expect(list.rows[0]).toMatchObject({
    becomes: 'open',
    problem: expect.stringContaining('“whatsit” is not in the kit'),
  });
  const said = read('Ch,Name,Mic\n1,Visitor,whatsit\n2,Host,dynamic', empty, kit, { sources: { 2: 'ribbon' } });
  expect(said.rows[0].lines[0].note).toBe('Mic: whatsit');
  expect(became(said.rows[0])).toBe('passive-ribbon@1');
  const turned = read('Figur,Kapsel\nAnnouncer,dynamic', empty, kit, { roles: ['name', 'source'] });
  expect(turned.rows.map(became)).toEqual(['moving-coil@1']);
});

test('read twice, nothing is there twice', () => {
  const once = read(DYNAMIC);
  const twice = read(DYNAMIC, once.document);
  expect(twice.rows[0].becomes).toBe('there');
  expect(twice.document).toBe(once.document);
});

test('titles, spare channels and what comes after the list are kept in the rig’s note', () => {
  const list = read('Saturday matinee,,\nCh,Name,Mic\n1,Announcer,dynamic\n2,spare,\nsubject to change,,');
  expect(list.document.note).toBe('Saturday matinee\n2 spare\nsubject to change');
});

test.each([
  ['a torn quotation mark', 'Ch,Name,Mic\n1,"Announcer,dynamic', /quotation mark is missing/],
  ['too many rows', `Ch,Name,Mic\n${'1,a,dynamic\n'.repeat(1001)}`, /1000 is the limit/],
  ['too many columns', `Ch,Name,Mic${',x'.repeat(80)}\n1,a,b`, /60 is the limit/],
])('%s is refused with what the limit is', (_, text, why) => expect(() => gridFrom(text)).toThrow(why));

test('sixty-four rows of one device, each on its inlet', () => {
  const rows = Array.from({ length: 64 }, (_, n) => `${n + 1},Voice ${n + 1},dynamic`);
  const list = read(`Ch,Name,Mic\n${rows.join('\n')}`, { ...empty, devices: [] });
  expect(list.document.lines.map(({ inlet }) => ('device' in inlet ? inlet.inlet : ''))).toEqual(
    rows.map((_, n) => String(n + 1)),
  );
});

test('whatever is in the cells, what it makes is a rig that can be saved, and rows that wait are kept whole', () => {
  const words = [
    '',
    'Ch',
    'Name',
    'Mic',
    '48V',
    'Notes',
    '1',
    '1-2',
    'dynamic',
    'SDC',
    'DI',
    '2x ribbon',
    'spare',
    'same',
    'x',
    '30 ft',
    ' ',
    '"',
    '=1+1',
    'Desk 3',
    `${'long words '.repeat(70)}end`,
  ];
  const cell = fc.oneof(
    { weight: 4, arbitrary: fc.constantFrom(...words) },
    fc.string({ unit: 'grapheme', maxLength: 120 }),
  );
  const grids = fc.array(fc.array(cell, { minLength: 1, maxLength: 7 }), { minLength: 1, maxLength: 14 });
  fc.assert(
    fc.property(grids, fc.boolean(), (rows, bare) => {
      const list = readInputList(bare ? { ...empty, devices: [] } : empty, kit, gridOf(rows));
      expect(() => readDocument(structuredClone(list.document))).not.toThrow();
      const open = list.rows.filter(({ becomes }) => becomes === 'open').map(({ cells }) => cells);
      const rest = openRows(list);
      if (!rest) return;
      const again = readInputList(list.document, kit, rest.grid, rest.said);
      expect(again.rows.map(({ cells }) => cells)).toEqual(open);
    }),
    { numRuns: process.env.EXPLORE === 'whole' ? 5000 : 100 },
  );
});

test('rows that wait are read again as they were, by what was said of their columns', () => {
  const list = read('Figur,Kapsel\nVisitor,whatsit\nAnnouncer,dynamic', empty, kit, { roles: ['name', 'source'] });
  const rest = openRows(list)!;
  expect(rest.grid).toEqual([
    ['Figur', 'Kapsel'],
    ['Visitor', 'whatsit'],
  ]);
  const again = readInputList(list.document, kit, rest.grid, { ...rest.said, sources: { 2: 'ribbon' } });
  expect(again.rows.map(became)).toEqual(['passive-ribbon@2']);
  expect(openRows(again)).toBeUndefined();
});

test('notes that a line cannot keep go to the rig’s note; what is too much for that is told', () => {
  const long = 'under the hatch, '.repeat(40).trim();
  const list = read(`Ch,Name,Mic,Notes\n1,Announcer,dynamic,"${long}"`);
  const [line] = list.document.lines;
  expect(line.note!.length).toBeLessThanOrEqual(500);
  expect(`${line.note} ${list.document.note}`).toContain('under the hatch');
  expect(list.lost).toEqual([]);
  const titles = Array.from({ length: 12 }, (_, n) => `${n} ${long}`);
  const full = read(`${titles.map((title) => `"${title}",,`).join('\n')}\nCh,Name,Mic\n1,Announcer,dynamic`);
  expect(full.lost.length).toBeGreaterThan(0);
  expect(full.document.note!.length + full.lost.join('').length).toBeGreaterThanOrEqual(titles.join('').length);
  // Read again, nothing is noted twice.
  const again = read(
    'Title,,\nCh,Name,Mic\n2,Host,dynamic',
    read('Title,,\nCh,Name,Mic\n1,Announcer,dynamic').document,
  );
  expect(again.document.note).toBe('Title');
});
