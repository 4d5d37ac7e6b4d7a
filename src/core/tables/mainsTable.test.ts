import { readFileSync } from 'node:fs';
import { emptyRig, parseDocument, readDocument } from '../rig';
import { CsvError } from './csv';
import { mainsTable, readMainsTable } from './mainsTable';

const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const connected = readDocument({
  ...structuredClone(rig),
  mains: {
    ...rig.mains,
    connections: [
      { between: ['laptop', 'stream-interface'], kind: 'USB', isolated: true },
      { between: ['phone-charger', 'supply earth'], kind: 'bond' },
    ],
  },
});

const HEADING = 'what,name,kind,plug,on,line,current A,length m,rating A\n';
const read = (rows: string) => readMainsTable(rig, HEADING + rows);
const told = (rows: string) => read(rows).rows.map(({ did, what }) => `${did}: ${what}`);

test('a table that comes back unchanged changes nothing', () => {
  const { rows, document } = readMainsTable(connected, mainsTable(connected));
  expect(rows.map(({ did }) => did)).toEqual(rows.map(() => 'unchanged'));
  expect(rows).toHaveLength(connected.units!.length + 3 + 2);
  expect(document).toEqual(connected);
});

test('read into a rig that has the lines and nothing else, it says the same', () => {
  const bare = { ...connected, units: undefined, mains: { supply: connected.mains!.supply, lines: undefined } };
  const { rows, document } = readMainsTable(bare, mainsTable(connected));
  expect(rows.filter(({ did }) => did !== 'adds')).toEqual([]);
  expect(mainsTable(document)).toBe(mainsTable(connected));
  expect(() => readDocument(structuredClone({ ...document, mains: { ...document.mains, lines: [] } }))).not.toThrow();
});

test('ten units of a job with nothing but a name and an outlet', () => {
  const rows = Array.from({ length: 10 }, (_, n) => `unit,Amplifier ${n + 1},loudspeaker,,stage strip,,,,`).join('\n');
  const { document } = readMainsTable(emptyRig('empty'), HEADING + rows);
  expect(document.units).toHaveLength(10);
  expect(document.units![0]).toEqual({
    id: 'amplifier',
    name: 'Amplifier 1',
    kind: 'loudspeaker',
    outlet: 'stage strip',
  });
});

test('a row changes what it says and leaves the rest', () => {
  const { document, rows } = read('unit,HOLD DESK,,,stage strip,,"0,8",,\noutlet,Audio strip,,,,,,12,');
  expect(rows.map(({ did }) => did)).toEqual(['changes', 'changes']);
  const [desk] = document.units!;
  expect(desk).toMatchObject({ name: 'Hold desk', outlet: 'stage strip', device: 'desk', current: { value: 0.8 } });
  const strip = document.mains!.outlets!.find(({ name }) => name === 'audio strip')!;
  expect(strip).toMatchObject({ from: 'shore-power socket', length: { value: 12 }, rating: { value: 10 } });
});

test('what cannot be is refused row by row, with what would be right', () => {
  expect(
    told(
      [
        'lamp,Lamp,,,,,,,',
        'unit,,,,,,,,',
        'unit,Fan,windmill,,,,,,',
        'unit,Fan,motor,five-pin,,,,,',
        'unit,Fan,motor,,,Nobody,,,',
        'unit,Fan,motor,,,,much,,',
        'unit,Fan,motor,,,,1,,',
        'unit,fan,motor,,,,2,,',
        'outlet,shore-power socket,,,stage strip,,,,',
        'connection,Fan,USB,,Nobody,,,,',
        'connection,Fan,USB,,Fan,,,,',
      ].join('\n'),
    ),
  ).toEqual([
    'refused: “what” is unit, outlet or connection, not lamp',
    'refused: it has no name',
    expect.stringMatching(/^refused: “kind” knows no windmill; it is one of audio device, /),
    expect.stringMatching(/^refused: “plug” knows no five-pin; it is one of three-pin, /),
    'refused: there is no line Nobody in this rig',
    'refused: “current A” is much; it is a number from 0 to 63',
    expect.stringMatching(/^adds: /),
    'refused: “fan” is in the file twice',
    'refused: shore-power socket would be plugged into itself; say what is plugged into the wall',
    'refused: there is no unit Nobody',
    'refused: it joins a unit to itself',
  ]);
  expect(() => readMainsTable(rig, 'name,colour\nx,red')).toThrow(CsvError);
});
