import type { Fault, Part } from '../../gear';
import type { KitItem } from '../../kit';
import { CsvError } from '../csv';
import { kitCsv, readKitCsv } from '..';

/** A kit's table: each cell on its own, what it leaves as it is, and what it refuses with what would be right. */
const cable: KitItem & { part: Part } = {
  id: 'lead',
  role: 'link',
  name: 'lead',
  count: 3,
  sheet: 'shelf 2',
  note: 'blue',
  register: { bought: '2020-05-01', testEvery: 90 },
  part: { kind: 'cable', figures: { length: { value: 5, unit: 'm', basis: 'measured', where: 'tape' } } },
};
const withFault = (...faults: Fault[]): KitItem => ({ ...cable, part: { ...cable.part, faults } });
const table = (head: string, ...rows: string[]) => [head, ...rows].join('\n');
const one = (items: KitItem[], head: string, row: string) => {
  const { rows, items: after } = readKitCsv(items, table(head, row));
  return { ...rows[0], items: after, item: after.find(({ name }) => name === rows[0].name) };
};

test.each<[Fault, string]>([
  [{ type: 'open', contact: '3', at: 8.5 }, 'open 3 at 8.5 m'],
  [{ type: 'open', contact: '1' }, 'open 1'],
  [{ type: 'swapped', contacts: ['2', '3'] }, 'swapped 2-3'],
  [{ type: 'shorted', contacts: ['3', '1'] }, 'shorted 3-1'],
  [{ type: 'leaky', contacts: ['2', '1'], ohms: 4700 }, 'leaky 2-1 4700 Ω'],
  [{ type: 'shield to cold' }, 'shield to cold'],
])('%o is written as “%s” and read again', (fault, text) => {
  const file = kitCsv([withFault(fault)]);
  expect(file).toContain(text);
  expect(readKitCsv([], file).items[0]).toMatchObject({ part: { faults: [fault] } });
});

test('two faults, two figures and two choices stand beside each other, spaces or not', () => {
  const { item } = one(
    [],
    'name,kind,figures,choices,faults',
    'odd,cable,"length=5 m (measured: tape) ;capacitance=60 pF/m","connector=xlr3;tested = yes ;","open 3;swapped 2-1"',
  );
  expect(item).toMatchObject({
    part: {
      kind: 'cable',
      figures: {
        length: { value: 5, unit: 'm', basis: 'measured', where: 'tape' },
        capacitance: { value: 60, unit: 'pF/m', basis: 'assumed' },
      },
      choices: { connector: 'xlr3', tested: 'yes' },
      faults: [
        { type: 'open', contact: '3' },
        { type: 'swapped', contacts: ['2', '1'] },
      ],
    },
  });
  expect(item).not.toHaveProperty('part.figures.capacitance.where');
});

test('a leak without a figure is taken as 10 kΩ', () =>
  expect(one([], 'name,kind,faults', 'leak,cable,leaky 2-1').item).toMatchObject({
    part: { faults: [{ ohms: 10_000 }] },
  }));

describe('what a row leaves out stays as it is', () => {
  const same = (head: string, row: string) => one([cable], head, row);
  test('its name alone changes nothing', () => {
    expect(same('name', 'lead')).toMatchObject({ did: 'unchanged', what: '', items: [cable] });
  });
  test.each<[head: string, row: string, what: string, change: Partial<KitItem>]>([
    ['id,name', 'lead,blue lead', 'name', { name: 'blue lead' }],
    ['name,count', 'lead,4', 'count', { count: 4 }],
    ['name,count', 'lead,0', 'count', { count: 0 }],
    ['name,sheet', 'lead,shelf 3', 'sheet', { sheet: 'shelf 3' }],
    ['name,note', 'lead,green', 'note', { note: 'green' }],
    ['name,bought', 'lead,2021-01-31', 'register', { register: { bought: '2021-01-31', testEvery: 90 } }],
    [
      'name,retired,test every (days)',
      'lead,2026-11-01,30',
      'register',
      { register: { bought: '2020-05-01', retired: '2026-11-01', testEvery: 30 } },
    ],
  ])('%s: %s', (head, row, what, change) => {
    const { did, what: said, items } = same(head, row);
    expect({ did, said }).toEqual({ did: 'changes', said: what });
    expect(items).toEqual([{ ...cable, ...change }]);
  });
  test('another figure leaves kind and choices; another kind begins anew', () => {
    expect(same('name,faults', 'lead,open 2').item).toEqual(withFault({ type: 'open', contact: '2' }));
    expect(same('name,kind', 'lead,multicore').item).toEqual({ ...cable, part: { kind: 'multicore' } });
    expect(same('name,kind', 'lead,cable')).toMatchObject({ did: 'unchanged' });
  });
  test('a device changes its name and count only', () => {
    const [box] = readKitCsv([], table('role,kind,name,inlets,feeds', 'device,three-pin,box,2,P48')).items;
    const { did, what, items } = one([box], 'name,role,count,inlets', 'box,device,2,8');
    expect({ did, what, items }).toEqual({ did: 'changes', what: 'count', items: [{ ...box, count: 2 }] });
  });
});

test('an item is known by its id, else by name and role: of two of one name the role decides', () => {
  const source: KitItem = { id: 'lead-2', role: 'source', name: 'lead', count: 1, part: { kind: 'moving-coil' } };
  const count = (head: string, row: string) =>
    readKitCsv([cable, source], table(head, row)).items.map((item) => item.count);
  expect(count('name,role,count', 'lead,source,9')).toEqual([3, 9]);
  expect(count('name,role,count', 'lead,link,9')).toEqual([9, 1]);
  expect(count('name,count', 'lead,9')).toEqual([9, 1]);
  expect(count('id,name,count', 'lead-2,lead,9')).toEqual([3, 9]);
  expect(readKitCsv([cable, source], table('name,role,kind,count', 'lead,device,three-pin,9')).items).toHaveLength(3);
});

test('a new item is one of it, of the role that its kind has, under an id that is free', () => {
  const added = one([cable], 'name,kind', 'Voice,moving-coil');
  expect(added).toMatchObject({ did: 'adds', what: 'source, 1 of it' });
  expect(added.item).toEqual({ id: 'voice', role: 'source', name: 'Voice', count: 1, part: { kind: 'moving-coil' } });
  expect(one([], 'id,name,kind,count', 'mine,Pad,pad,2')).toMatchObject({
    what: 'link, 2 of it',
    item: { id: 'mine', role: 'link' },
  });
});

test('a device: so many inlets of a kind, so many on a switch, and what they offer', () => {
  const made = (row: string) => one([], 'role,kind,name,inlets,per switch,feeds', `device,${row}`).item;
  expect(made('three-pin,box,8,4,P48 P12')).toMatchObject({
    role: 'device',
    device: {
      inlets: Array.from({ length: 8 }, () => ({ kind: 'three-pin' })),
      groups: [
        { inlets: { length: 4 }, offers: ['P48', 'P12'] },
        { inlets: { length: 4 }, offers: ['P48', 'P12'] },
      ],
    },
  });
  expect(made('three-pin,own,2,,"P48, P12"')).toMatchObject({
    device: { groups: [{ inlets: { length: 1 }, offers: ['P48', 'P12'] }, { inlets: { length: 1 } }] },
  });
  expect(made(',plain,0,0,P48')).toMatchObject({ device: { inlets: [{ kind: 'three-pin' }], groups: { length: 1 } } });
  expect(made('three-pin,large,1000,500,P48')).toMatchObject({ device: { inlets: { length: 128 } } });
});

test.each([
  ['name,kind', ',cable', /the item has no name/],
  ['name,kind', 'x,hose', /role must be source, link or device, not “”/],
  ['name,role,kind', 'x,toy,cable', /role must be source, link or device, not “toy”/],
  ['name,role', 'x,source', /a new source needs a kind: .*moving-coil/],
  ['name,role,kind', 'x,link,moving-coil', /there is no link of the kind “moving-coil”; there are .*cable/],
  ['name,kind,count', 'x,cable,1.5', /count must be a whole number, not “1.5”/],
  ['name,kind,count', 'x,cable,-1', /count must be a whole number, not “-1”/],
  ['name,role,inlets', 'x,device,some', /inlets must be a whole number, not “some”/],
  ['name,kind,test every (days)', 'x,cable,often', /test every \(days\) must be a whole number/],
  ['name,kind,figures', 'x,cable,long', /“long” is no figure; write name=value unit/],
  ['name,kind,figures', 'x,cable,girth=2 m', /cable has no figure girth; it has .*length/],
  ['name,kind,figures', 'x,cable,length=2 V', /length is given in m, not V/],
  ['name,kind,figures', 'x,cable,length=2 m (guess)', /“guess” is no basis; use published, maker/],
  ['name,kind,choices', 'x,cable,tested', /“tested” is no choice; write name=value/],
  ['name,kind,faults', 'x,cable,frayed', /“frayed” is no fault; write open 3 at 8 m/],
  ['name,kind,faults', 'x,cable,open 3 at the end', /is no fault/],
])('%s: %s is refused, and the kit stays as it is', (head, row, why) => {
  const { did, what, items } = one([cable], head, row);
  expect(did).toBe('refused');
  expect(what).toMatch(why);
  expect(items).toEqual([cable]);
});

test('one bad row refuses itself only; a file without names is no such table', () => {
  const { rows, items } = readKitCsv([], table('name,kind', 'a,cable', 'b,hose', 'c,pad'));
  expect(rows.map(({ line, did }) => [line, did])).toEqual([
    [2, 'adds'],
    [3, 'refused'],
    [4, 'adds'],
  ]);
  expect(items.map(({ name }) => name)).toEqual(['a', 'c']);
  expect(() => readKitCsv([], table('kind,count', 'cable,1'))).toThrow(CsvError);
});
