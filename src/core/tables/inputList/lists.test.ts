import { readFileSync } from 'node:fs';
import { parseKit } from '../../kit';
import { parseDocument, type RigDocument, type RigLine } from '../../rig';
import { MOST_LINES } from '../../rig/document';
import { gridFrom, inputList, readInputList, type InputList } from '.';
import { isSpare, metresIn, numbersIn } from './cells';
import { columnsOf } from './columns';
import { gridOf } from './grid';
import { isHeading, rolesOf } from './roles';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
/** The demo's devices with nothing plugged. */
const empty: RigDocument = { ...demo, lines: [], wishes: undefined, units: undefined, mains: undefined };
const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const read = (text: string, rig = empty, said = {}) => readInputList(rig, kit, gridFrom(text), said);
const NOBODY = { sources: [], links: [] };

const kinds = ({ document }: InputList) =>
  document.lines.map(({ source }) => ('kind' in source ? source.kind : undefined));
const noteOf = (cells: string) => read(`Ch,Name,Mic,Via,Inlet\n${cells}`).document.lines[0].note;

describe('how a text is cut into cells (lists as people send them: common practice)', () => {
  test('1,000 rows are taken, one more is not; cells with nothing in them are empty', () => {
    expect(gridOf(Array.from({ length: 1000 }, () => ['1', null, undefined])).at(-1)).toEqual(['1', '', '']);
    expect(() => gridOf(Array.from({ length: 1001 }, () => ['1']))).toThrow('has 1001 rows; 1000 is the limit');
  });

  test('bars around a table are no column', () => {
    const grid = gridFrom('| Ch | Name | Mic |\n| 1 | Announcer | dynamic |\n| 2 | Trio | SDC |');
    expect(grid.map((row) => row.slice(0, 3))).toEqual([
      ['Ch', 'Name', 'Mic'],
      ['1', 'Announcer', 'dynamic'],
      ['2', 'Trio', 'SDC'],
    ]);
  });

  test.each([
    ['numbered and bulleted', '* 1) Announcer, dynamic, 10 m\n* 2) Trio, SDC, 20 m'],
    ['with its channels called so', '- ch 1. Announcer, dynamic, 10 m\n- ch 2. Trio, SDC, 20 m'],
    ['by inlets', 'Inlet 1: Announcer, dynamic, 10 m\nInlet 2: Trio, SDC, 20 m'],
    ['with empty lines', '1. Announcer - dynamic, 10 m\n\n2. Trio - SDC, 20 m\n'],
    ['on one line', '1. Announcer: dynamic, 10 m; 2. Trio: SDC, 20 m'],
  ])('a message, %s', (_, text) => {
    const [headings, ...rows] = gridFrom(text);
    expect(headings).toEqual(['Ch', 'Name', 'Mic/DI', '48V', 'Note']);
    expect(rows.map(([number, name, source]) => [numbersIn(number), name, source])).toEqual([
      [[1], 'Announcer', 'dynamic, 10 m'],
      [[2], 'Trio', 'SDC, 20 m'],
    ]);
  });

  test('in a message 48 V is a column of its own: yes, no, or nothing said', () => {
    const rows = gridFrom('1. Announcer - dynamic, no 48V\n2. Trio - SDC +48V\n3. Guest (ribbon)').slice(1);
    expect(rows.map((row) => row.slice(1, 4))).toEqual([
      ['Announcer', 'dynamic', 'no'],
      ['Trio', 'SDC', 'yes'],
      ['Guest', 'ribbon', ''],
    ]);
  });

  test('names one under the other are a message; numbers with a point and a nought are a table', () => {
    expect(gridFrom('Announcer\nTrio').map(([first]) => first)).toEqual(['Ch', 'Announcer', 'Trio']);
    expect(gridFrom('1.0,Announcer,dynamic\n2.0,Trio,SDC')[0]).toEqual(['1.0', 'Announcer', 'dynamic']);
  });

  test('headings are looked for in the first twenty rows', () => {
    const message = Array.from({ length: 21 }, (_, n) => `${n + 1}. Guest ${n + 1} - dynamic`);
    expect(gridFrom([...message, 'Name; Mic; Phantom'].join('\n'))[0][0]).toBe('Ch');
    const rows = Array.from({ length: 21 }, (_, n) => [`${n + 1}`, `Guest ${n + 1}`, 'dynamic']);
    expect(columnsOf([...rows, ['Ch', 'Name', 'Mic']], {}, NOBODY)).toMatchObject({ first: 0, headings: [] });
    expect(columnsOf([...rows.slice(0, 19), ['Ch', 'Name', 'Mic']], {}, NOBODY).first).toBe(20);
  });
});

describe('what columns hold', () => {
  test.each([
    [
      ['Ch', 'Input', 'Mic'],
      ['number', 'name', 'source'],
    ],
    [
      ['Input', 'Mic'],
      ['number', 'source'],
    ],
    [
      ['Source', 'Mic'],
      ['name', 'source'],
    ],
    [
      ['Name', 'Source', 'Mic'],
      ['name', 'source', undefined],
    ],
    [
      ['Source', 'Position'],
      ['source', 'location'],
    ],
    [
      ['Microphone used', 'Phantom?'],
      ['source', 'feed'],
    ],
    [
      ['Colour', 'Shape'],
      [undefined, undefined],
    ],
  ])('%j', (headings, roles) => expect(rolesOf(headings)).toEqual(roles));

  test('a heading is short, and one that people use', () => {
    expect(['Mic', 'Phantom 48V', 'Stage position'].map(isHeading)).toEqual([true, true, true]);
    expect(['', 'Zebra', 'Mic 3', 'Microphone of the one who sings on the left'].map(isHeading)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });

  test('a column of microphones is found by what is in it, however few; colours are none', () => {
    const few = read('Ch,Name,Gear\n1,Announcer,dynamic\n2,Lead,\n3,Back,\n4,Left,\n');
    expect(few.columns.roles[2]).toBe('source');
    expect(read('Ch,Name,Colour\n1,Announcer,red\n2,Trio,blue').columns.roles[2]).toBeUndefined();
  });

  test('a column without a heading that counts up is the number; one with a heading of its own is what that says', () => {
    expect(read(',Name,Mic\n1,Announcer,dynamic\n2,Trio,SDC').columns.roles[0]).toBe('number');
    const ordered = read('Order,Name,Mic\n1,Announcer,dynamic\n2,Trio,SDC');
    expect(ordered.columns.roles[0]).toBeUndefined();
    expect(ordered.document.lines[0].note).toBe('Order: 1');
  });

  test.each([
    ['1,Announcer,dynamic,10 m,yes\n2,Trio,SDC,20 m,no\n3,Guest,ribbon,5 m,', 'number name source cable feed'],
    ['Announcer;dynamic;1\nTrio;SDC;2', 'name source number'],
    ['Announcer,isolating transformer\nTrio,dynamic', 'name source'],
    ['7,Announcer,dynamic\n5,Trio,SDC\n6,Guest,ribbon', 'number name source'],
    ['Announcer,dynamic,10\nTrio,SDC,10\nGuest,ribbon,5', 'name source –'],
    ['1,dynamic\n2,SDC', 'number source'],
  ])('without headings, by what is in them: %j', (text, roles) =>
    expect(
      read(text)
        .columns.roles.map((role) => role ?? '–')
        .join(' '),
    ).toBe(roles),
  );

  test('where somebody has said what the columns are, a first row with a source is a row', () => {
    const first = (grid: string[][], roles: ('name' | 'source')[]) =>
      readInputList(empty, kit, grid, { roles }).columns.first;
    expect(
      first(
        [
          ['Announcer', 'dynamic'],
          ['Trio', 'SDC'],
        ],
        ['name', 'source'],
      ),
    ).toBe(0);
    expect(
      first(
        [
          ['Who', 'Thing'],
          ['Trio', 'SDC'],
        ],
        ['name', 'source'],
      ),
    ).toBe(1);
    expect(first([['Announcer'], ['Trio']], ['name'])).toBe(0);
  });

  test('one column alone is no layout to hand back', () => {
    const list = readInputList(empty, kit, [['Mic'], ['dynamic']], { roles: ['source'], headed: true });
    expect(list.ids).toHaveLength(1);
    expect(list.document.listColumns).toBeUndefined();
  });
});

describe('which inlets', () => {
  const desk = empty.devices.find(({ id }) => id === 'desk')!;
  const renamed = (id: string): RigDocument['devices'][number] => ({
    ...desk,
    id: 'other',
    name: 'Other desk',
    inlets: [...desk.inlets, { ...desk.inlets[0], id: '17' }].map((inlet) => ({ ...inlet, id: `${id}${inlet.id}` })),
    groups: desk.groups.map((group) => ({ ...group, inlets: group.inlets.map((inlet) => `${id}${inlet}`) })),
  });

  test('of the device that has most of the numbers, though another is larger and comes first', () => {
    const list = read('Ch,Name,Mic\n1,Announcer,dynamic\n2,Trio,SDC', { ...empty, devices: [renamed('x'), desk] });
    expect(list.device).toBe('desk');
    expect(list.rows.map(({ remarks }) => remarks)).toEqual([[], []]);
  });

  test('a device that is made for a list is as large as devices come', () => {
    const size = (numbers: number[]) =>
      read(`Ch,Name,Mic\n${numbers.map((n) => `${n},Guest ${n},dynamic`).join('\n')}`, { ...empty, devices: [] })
        .document.devices[0].inlets.length;
    expect([size([1, 2]), size([3]), size([20]), size([1, 130])]).toEqual([2, 4, 24, 128]);
  });

  test('48 V for an inlet without a switch changes no switch', () => {
    const list = read('Ch,Name,Mic,48V\n1,Trio,SDC,yes', { ...empty, devices: [{ ...desk, groups: [] }] });
    expect(list.document.devices[0].groups).toEqual([]);
    expect(list.ids).toHaveLength(1);
    const off = { ...desk, groups: desk.groups.map((group) => ({ ...group, feed: 'off' as const })) };
    const on = read('Ch,Name,Mic,48V\n1,Trio,SDC,yes', { ...empty, devices: [off] });
    expect(on.document.devices[0].groups.map(({ feed }) => feed)).toEqual(['P48', 'off']);
  });

  test('two inlets for the last line that a rig takes are one too many', () => {
    const lines = Array.from({ length: MOST_LINES - 1 }, (_, n): RigLine => ({
      id: `line-${n}`,
      name: `Line ${n}`,
      source: { kind: 'moving-coil' },
      links: [],
      inlet: { device: 'elsewhere', inlet: String(n) },
    }));
    const [row] = read('Ch,Name,Mic\n1-2,Pair,SDC', { ...empty, lines }).rows;
    expect(row).toMatchObject({ becomes: 'open', problem: expect.stringContaining('512 lines') });
    expect(read('Ch,Name,Mic\n1,Single,SDC', { ...empty, lines }).rows[0].becomes).toBe('lines');
  });
});

describe('what a row says', () => {
  test('nothing more than there is to say', () => {
    const [dynamic, condenser] = read(
      'Ch,Name,Mic,48V\n1,Announcer,dynamic,no\n9,Trio,"small condenser, pair A left",yes',
    ).rows;
    expect([dynamic.remarks, condenser.remarks]).toEqual([[], []]);
    expect(dynamic.understood.at(-1)).toBe('Hold desk, inlet 1');
    expect(dynamic.understood.length).toBeGreaterThan(1);
    expect(noteOf('1,Announcer,dynamic,isolating transformer,3')).toBeUndefined();
  });

  test('what is not understood stays in its words, under its heading', () => {
    expect(noteOf('1,Announcer,"dynamic, zebra",,')).toBe('Mic: dynamic, zebra');
    expect(noteOf('1,Announcer,dynamic,grandad’s isolating transformer,')).toBe('Via: grandad’s isolating transformer');
    expect(noteOf('1,Announcer,dynamic + ribbon,,')).toBe('Mic: dynamic + ribbon');
    expect(noteOf('1,Announcer,dynamic,,behind the curtain')).toBe('Inlet: behind the curtain');
  });

  test('one known word among others is likely what is meant', () => {
    const list = read('Ch,Name,Mic\n1,Announcer,dynamic xyzzy plugh');
    expect(kinds(list)).toEqual(['moving-coil']);
    expect(list.rows[0]).toMatchObject({ certainty: 'likely' });
    expect(list.rows[0].others.every((each) => typeof each === 'string')).toBe(true);
  });

  test('what it may be instead is told by name', () => {
    const others = read('Ch,Name,Mic\n1,Trio,condenser').rows[0].others;
    expect(others.length).toBeGreaterThan(0);
    expect(others).toEqual(others.map(() => expect.any(String)));
  });

  test('“same” is as sure as the row before it, again and again', () => {
    const list = read('Ch,Name,Mic\n1,Announcer,dynamic\n2,Host,same\n3,Guest,ditto');
    expect(kinds(list)).toEqual(['moving-coil', 'moving-coil', 'moving-coil']);
    expect(list.rows.map(({ certainty }) => certainty)).toEqual(['sure', 'sure', 'sure']);
  });

  test('two sources on two inlets are one each', () => {
    const list = read('Ch,Name,Mic\n1-2,Guests,dynamic + passive ribbon');
    expect(kinds(list)).toHaveLength(2);
    expect(new Set(kinds(list)).size).toBe(2);
  });

  test('a channel that is kept free is called so, or as the list calls it', () => {
    const rows = read('Ch,Name,Mic\n1,Announcer,dynamic\n5,,spare\n6,spare 3,').rows;
    expect(rows.slice(1).map(({ becomes, name }) => [becomes, name])).toEqual([
      ['spare', 'spare'],
      ['spare', 'spare 3'],
    ]);
  });

  test('no line has more links than a line can have', () => {
    const via = Array.from({ length: 9 }, () => 'isolating transformer > pad').join(' > ');
    expect(read(`Ch,Name,Mic,Via\n1,Announcer,dynamic,${via}`).document.lines[0].links).toHaveLength(16);
  });
});

describe('single cells', () => {
  test.each(['10 m', '10 metre', '10 metres', '10 meter', '10 meters', '10 mtr', '~10m', 'about 10 m xlr', 'ca. 10'])(
    '“%s” are ten metres',
    (cell) => expect(metresIn(cell, '')).toBe(10),
  );
  test.each([
    'inlet 5',
    'Inlets 5',
    'ch. 5',
    'chan 5',
    'Channel 5',
    'Input #5',
    'in 5',
    'tracks 5',
    'no. 5',
    'Number 5',
    '5.',
    '5)',
  ])('“%s” is number five', (cell) => expect(numbersIn(cell)).toEqual([5]));
  test.each(['spare', 'SPARE 12', 'spare #3', '(spare 123)', 'reserve', 'reserved 1', 'spare?', 'n/a', 'N.C.', 'tbc'])(
    '“%s” is kept free',
    (cell) => expect(isSpare(cell)).toBe(true),
  );
  test.each(['spares', 'spare x', 'spare 1234', 'a spare', 'open back headphones'])('“%s” is not', (cell) =>
    expect(isSpare(cell)).toBe(false),
  );
});

describe('handed back', () => {
  const rig = read('Ch,Name,Mic\n1,Announcer,dynamic').document;
  const headings = (document: RigDocument) => inputList(document).split('\r\n')[0].split(',');
  const withColumns = (more: Partial<RigDocument>): RigDocument => ({
    ...rig,
    listColumns: [{ heading: 'Ch', holds: 'number' }],
    ...more,
  });
  test('a list without a column for names or microphones gets one', () => {
    expect(headings(withColumns({}))).toEqual(['Ch', 'Name', 'Mic/DI']);
  });
  test('devices, notes and positions have a column where there is something to say', () => {
    const [line] = rig.lines;
    const there = { ...line, id: 'there', name: 'There', inlet: { device: 'stream', inlet: '1' } };
    expect(headings(withColumns({ lines: [line, there] }))).toContain('Device');
    expect(headings(withColumns({ lines: [{ ...line, note: 'on the quay' }] }))).toContain('Notes');
  });
});
