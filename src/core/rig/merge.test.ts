import { readFileSync } from 'node:fs';
import { parseDocument, type RigDocument } from '.';
import { merged } from './differences';

const base = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const [first, second] = base.lines.map(({ id }) => id);
const at = { device: base.devices[0].id, inlet: base.devices[0].inlets[0].id };

type Field = Exclude<keyof RigDocument, 'format' | 'version'>;
/** One change of every field of a document; a field that is forgotten does not compile. */
const CHANGES: { [F in Field]-?: RigDocument[F] } = {
  name: 'Lock Nine, second day',
  note: 'Changed by somebody',
  schools: { ribbonFeed: 'never' },
  devices: base.devices.map((device, n) => (n === 0 ? { ...device, note: 'moved to the other side' } : device)),
  lines: base.lines.map((line, n) => (n === 0 ? { ...line, note: 'a new capsule' } : line)),
  locations: [...(base.locations ?? []), { id: 'bow', name: 'Bow' }],
  runs: [{ between: ['bow', 'stern'], length: { value: 12, unit: 'm', basis: 'measured' } }],
  wishes: { neighbours: [[first, second]], pinned: [{ line: first, to: at }] },
  monitors: [{ id: 'hall', name: 'Hall', devices: [base.devices[0].id] }],
  units: [...(base.units ?? []), { id: 'kettle', name: 'Kettle', kind: 'motor' }],
  directCurrent: { supplies: [], loads: [] },
  listColumns: [{ heading: 'Ch', holds: 'number' }],
  mains: { supply: '230 V 50 Hz' },
};
const fields = Object.keys(CHANGES) as Field[];
const withField = (field: Field): RigDocument => ({ ...base, [field]: CHANGES[field] });

describe('two changes of one rig are put together', () => {
  test.each(fields)('what one side did to %s is there afterwards, whichever side it was', (field) => {
    const other: Field = field === 'note' ? 'name' : 'note';
    const locations = field === 'runs' ? { locations: [...(base.locations ?? []), ...PLACES] } : {};
    const [from, one, two] = [base, withField(field), withField(other)].map((rig) => ({ ...rig, ...locations }));
    for (const both of [merged(from, one, two), merged(from, two, one)]) {
      expect(both?.[field]).toEqual(CHANGES[field]);
      expect(both?.[other]).toEqual(CHANGES[other]);
    }
  });

  test('what one side took away is gone', () => {
    const from = { ...base, note: 'there' };
    const { note: _note, ...without } = from;
    expect(merged(from, without, { ...from, name: 'Other' })).toEqual({ ...without, name: 'Other' });
  });

  test.each(fields.filter((field) => !['devices', 'lines', 'locations', 'units', 'monitors'].includes(field)))(
    'what both did to %s, each otherwise, is put to whoever looks',
    (field) => {
      const mine = withField(field);
      const theirs = { ...base, [field]: typeof CHANGES[field] === 'string' ? 'Something else' : undefined };
      const from = { ...base, [field]: typeof CHANGES[field] === 'string' ? 'Before' : BEFORE[field as 'runs'] };
      expect(merged(from as RigDocument, mine, theirs as RigDocument)).toBeUndefined();
    },
  );
});

const PLACES = [
  { id: 'bow', name: 'Bow' },
  { id: 'stern', name: 'Stern' },
];
/** What was there before both changed it. */
const BEFORE: Partial<RigDocument> = {
  schools: { ribbonFeed: 'trust-maker' },
  runs: [{ between: ['bow', 'stern'], length: { value: 3, unit: 'm', basis: 'measured' } }],
  wishes: { pinned: [{ line: second, to: at }] },
  listColumns: [{ heading: 'Name', holds: 'name' }],
  mains: { supply: '120 V 60 Hz' },
  directCurrent: {
    supplies: [],
    loads: [
      {
        id: 'pedal',
        name: 'Pedal',
        centre: 'negative',
        ground: 'negative',
        digital: false,
        lowest: { value: 9, unit: 'V', basis: 'maker' },
        highest: { value: 9, unit: 'V', basis: 'maker' },
        current: { value: 10, unit: 'mA', basis: 'maker' },
      },
    ],
  },
};
