import { readFileSync } from 'node:fs';
import type { Figure } from '../../gear';
import { emptyRig, parseDocument, readDocument, type RigDocument } from '../../rig';
import { CsvError } from '../csv';
import { readMainsTable } from './read';
import { mainsTable } from './write';
import { MOST_UNITS } from '../../rig/deviceFigures';

const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const figure = (value: number, unit: Figure['unit']): Figure => ({ value, unit, basis: 'measured' });
/** Lock Nine with everything that may be said of a mains side. */
const connected = readDocument({
  ...structuredClone(rig),
  units: rig.units!.map((unit) =>
    unit.id === 'laptop'
      ? { ...unit, audioGround: 'resistor', blocks: true, chassis: figure(40, 'V'), touch: figure(0.2, 'mA') }
      : unit,
  ),
  mains: {
    ...rig.mains,
    neutral: 'free',
    balanced: true,
    fifth: figure(4, '%'),
    outlets: rig.mains!.outlets!.map((outlet) =>
      outlet.name === 'stage strip'
        ? { ...outlet, otherLeg: true, isolator: true, surge: true, backup: figure(500, 'Wh') }
        : outlet,
    ),
    connections: [
      { between: ['laptop', 'stream-interface'], kind: 'USB', isolated: true },
      { between: ['laptop', 'stream-interface'], kind: 'network' },
      { between: ['phone-charger', 'supply earth'], kind: 'bond' },
    ],
    lines: [
      {
        line: 'laptop',
        shells: figure(18, 'mV'),
        against: { value: 6.1, unit: 'mV', basis: 'assumed' },
        contact: figure(0.2, 'Ω'),
      },
      { line: 'wireless', pinOne: figure(0.01, 'Ω'), rejection: figure(60, 'dB') },
    ],
    beside: [
      {
        line: 'laptop',
        unit: 'lead-crossing',
        distance: figure(0.1, 'm'),
        length: figure(3, 'm'),
        angle: figure(90, '°'),
      },
      { line: 'wireless', unit: 'bilge-pump', distance: figure(2, 'm'), length: figure(1, 'm'), coil: true },
    ],
  },
});

const HEADING = 'what,name,kind,plug,on,line,current A,length m,rating A\n';
const read = (rows: string) => readMainsTable(rig, HEADING + rows);
const told = (rows: string) => read(rows).rows.map(({ did, what }) => `${did}: ${what}`);

test('a table that comes back unchanged changes nothing', () => {
  const { rows, document } = readMainsTable(connected, mainsTable(connected));
  expect(rows.map(({ did }) => did)).toEqual(rows.map(() => 'unchanged'));
  expect(rows).toHaveLength(1 + connected.units!.length + 3 + 3 + 2 + 2);
  expect(document).toEqual(connected);
});

test('read into a rig that has devices and lines and nothing else, everything comes back but where figures came from', () => {
  const { units: _units, mains: _mains, ...bare } = connected;
  const { rows, document } = readMainsTable(bare, mainsTable(connected));
  expect(rows.filter(({ did }) => did !== 'adds')).toEqual([]);
  expect(mainsTable(document)).toBe(mainsTable(connected));
  const values = ({ mains, units }: RigDocument): unknown =>
    JSON.parse(
      JSON.stringify({ mains, units }, (key, value) =>
        ['basis', 'where', 'id', 'between', 'unit'].includes(key) ? undefined : value,
      ),
    );
  expect(values(readDocument(structuredClone(document)))).toEqual(values(connected));
});

test('measured anew between shells, what was calculated then goes; without a new figure it stays', () => {
  const ground = (rows: string) =>
    readMainsTable(connected, `what,name,shells mV,contact ohm\n${rows}`).document.mains!.lines![0];
  expect(ground('line,"Laptop, playback",,0.3')).toMatchObject({ against: { value: 6.1 }, contact: { value: 0.3 } });
  expect(ground('line,"Laptop, playback",5,')).toEqual({
    line: 'laptop',
    shells: figure(5, 'mV'),
    contact: figure(0.2, 'Ω'),
  });
});

test('a rig of which nothing is said of the supply has no row of it', () => {
  expect(
    mainsTable({ ...emptyRig('empty'), units: [] })
      .trim()
      .split('\n'),
  ).toHaveLength(1);
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
        'supply,400 V,,,,,,,',
        'supply,230 V 50 Hz,,,,,,,',
        'supply,120 V 60 Hz,,,,,,,',
        'unit,Kettle,lamp,,,,,3,',
        'line,Nobody,,,,,,,',
        'line,"Laptop, playback",,,,,,,',
        'beside,"Laptop, playback",,,Hold desk,,,2,',
        'outlet,audio strip,,two-pin,,,,,',
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
    'refused: “what” is supply, unit, outlet, connection, line or beside, not lamp',
    expect.stringMatching(/^refused: “name” can’t be 400 V; use one of 230 V 50 Hz, /),
    'unchanged: ',
    'refused: the supply is in the file twice',
    'refused: “length m” is not for a unit; leave it empty',
    'refused: there is no line Nobody in this rig',
    'unchanged: ',
    'refused: “distance m” is missing',
    'refused: “plug” is for units; leave it empty',
    'refused: it has no name',
    expect.stringMatching(/^refused: “kind” can’t be windmill; use one of audio device, /),
    expect.stringMatching(/^refused: “plug” can’t be five-pin; use one of three-pin, /),
    'refused: there is no line Nobody in this rig',
    'refused: “current A” is much; it is a number from 0 to 63',
    expect.stringMatching(/^adds: /),
    'refused: “fan” is in the file twice',
    'refused: shore-power socket would be plugged into itself; say what is plugged into the wall',
    'refused: there is no unit Nobody',
    'refused: it joins a unit to itself',
  ]);
  expect(() => readMainsTable(rig, 'name,colour\nx,red')).toThrow(CsvError);
  expect(() => readMainsTable(rig, 'what,name,colour\nunit,x,red')).toThrow(
    /unknown column colour; .*, current A, .*, rejection dB/,
  );
});

test('settings that a row does not know are refused with those that it does', () => {
  const did = (row: string) => readMainsTable(rig, `what,name,on,settings\n${row}`).rows[0].what;
  expect(did('unit,Hold desk,,golden')).toBe(
    '“settings” of a unit can’t be golden; use one of earth-current blocker, audio ground over a resistor, audio ground lifted',
  );
  expect(did('line,"Laptop, playback",,golden')).toBe('“settings” of a line stays empty');
  expect(did('outlet,audio strip,,Isolator; SURGE PROTECTOR')).toBe('plugged into shore-power socket');
});

test('a supply without a word of its voltage sets what it does say', () => {
  const { rows, document } = readMainsTable(rig, 'what,name,settings\nsupply,,balanced');
  expect(rows[0].did).toBe('changes');
  expect(document.mains).toMatchObject({ balanced: true, supply: rig.mains!.supply });
});

test('an outlet on one that nobody has listed brings that with it, once; out of range is refused at both ends', () => {
  const { document } = read('outlet,Strip A,,,Socket by the door,,,3,10\noutlet,Strip B,,,socket by the door,,,,');
  const names = document.mains!.outlets!.map(({ name }) => name);
  expect(names.filter((name) => /by the door/i.test(name))).toEqual(['Socket by the door']);
  expect(names.slice(rig.mains!.outlets!.length)).toEqual(expect.arrayContaining(['Strip A', 'Strip B']));
  expect(document.mains!.outlets!.find(({ name }) => name === 'Strip B')!.from).toBe('Socket by the door');
  const current = (text: string) => told(`unit,Fan,motor,,,,${text},,`)[0];
  expect([current('-1'), current('64')]).toEqual([
    'refused: “current A” is -1; it is a number from 0 to 63',
    'refused: “current A” is 64; it is a number from 0 to 63',
  ]);
  expect([current('0'), current('63')]).toEqual([expect.stringMatching(/^adds/), expect.stringMatching(/^adds/)]);
});

test('two leads of one sort between different units are two; between the same, whichever end is named first, one', () => {
  const joined = (rows: string) =>
    readMainsTable(rig, `what,name,kind,on,settings\n${rows}`).document.mains!.connections;
  expect(joined('connection,Laptop,USB,Stream interface,\nconnection,Laptop,USB,Hold desk,isolated')).toHaveLength(2);
  const one = readMainsTable(rig, 'what,name,kind,on\nconnection,Laptop,USB,Stream interface').document;
  const again = readMainsTable(one, 'what,name,kind,on,settings\nconnection,Stream interface,USB,Laptop,isolated');
  expect(again.rows[0].did).toBe('changes');
  expect(again.document.mains!.connections).toEqual([{ ...one.mains!.connections![0], isolated: true }]);
  expect(told('connection,Laptop,USB,,Hold desk,,,,\nconnection,hold desk,,,LAPTOP,,,,')[1]).toMatch(
    /in the file twice/,
  );
});

test('more units than a rig takes are refused, and those that are there still change', () => {
  const units = Array.from({ length: MOST_UNITS }, (_, n) => ({
    id: `u${n}`,
    name: `Unit ${n}`,
    kind: 'lamp' as const,
  }));
  const { rows, document } = readMainsTable({ ...rig, units }, 'what,name,kind\nunit,One more,lamp\nunit,Unit 3,motor');
  expect(rows.map(({ did, what }) => [did, what])).toEqual([
    ['refused', `${MOST_UNITS} units are the most`],
    ['changes', expect.any(String)],
  ]);
  expect(document.units).toHaveLength(MOST_UNITS);
});
