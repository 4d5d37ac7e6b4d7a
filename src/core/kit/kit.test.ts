import { readFileSync } from 'node:fs';
import { validator } from '../../../tests/schemas';
import { DocumentError, parseDocument } from '../rig';
import {
  answered,
  itemOfDevice,
  kitSchema,
  openPoints,
  parseKit,
  partOf,
  readItem,
  readKit,
  usesOf,
  withAnswer,
  type KitItem,
} from '.';
import { kitCsv, readKitCsv } from '../tables';

const kit = parseKit(readFileSync('demo/kit.json', 'utf8'));
const item = (id: string) => kit.items.find((known) => known.id === id)!;
const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const fact = { who: 'maker', when: '2026-05-01', where: 'letter' };

describe('an answer', () => {
  test('becomes a fact wherever the item is used', () => {
    const { document, places } = answered(rig, 'ribbon-left', { fact, choice: 'tap', value: 'none' });
    expect(places).toBe(1);
    const changed = document.lines.find(({ id }) => id === 'ribbon-left')!;
    expect(changed.source).toMatchObject({ choices: { tap: 'none' }, facts: { tap: fact } });
    expect(document.lines.filter((line, n) => line !== rig.lines[n]).map(({ id }) => id)).toContain('ribbon-left');
  });
  test('about a box counts on every line that has one', () => {
    const value = { value: 10, unit: ':1' as const, basis: 'maker' as const };
    expect(answered(rig, 'passive-direct-box', { fact, figure: 'ratio', value }).places).toBe(2);
  });
  test('about nothing that is used leaves the document as it is', () => {
    expect(answered(rig, 'nobody', { fact, choice: 'tap', value: 'none' }).document).toBe(rig);
  });
  test('replaces the assumption and says whose it is', () => {
    const value = { value: 0.5, unit: 'mA' as const, basis: 'maker' as const };
    const part = withAnswer({ kind: 'passive-ribbon' }, { fact, figure: 'directCurrent', value });
    expect(part).toEqual({ kind: 'passive-ribbon', figures: { directCurrent: value }, facts: { directCurrent: fact } });
  });
});

test('what is open: questions and assumed figures, fewer once they are answered', () => {
  const before = openPoints(item('ribbon-left'));
  expect(before.map(({ what }) => what).join()).toMatch(/centre tap/);
  const ribbon = item('ribbon-left') as Extract<KitItem, { part: object }>;
  const after = openPoints({ ...ribbon, part: withAnswer(ribbon.part, { fact, choice: 'tap', value: 'none' }) });
  expect(after).toHaveLength(before.length - 1);
  for (const { leaves } of before) expect(leaves.length).toBeGreaterThan(10);
  expect(openPoints(item('hold-desk'))).toEqual([]);
});

test('uses are told by line and by device; a part taken from the kit carries its name', () => {
  expect(usesOf(rig, 'passive-direct-box')).toEqual(['Double bass', 'Electric piano, left']);
  expect(usesOf(rig, 'hold-desk')).toEqual(['Hold desk']);
  const box = item('pad') as Extract<KitItem, { part: object }>;
  expect(partOf(box)).toEqual({ kind: 'pad', name: 'pad of 20 dB', item: 'pad' });
});

describe('as a file', () => {
  test('JSON is accepted by reader and published schema alike', () => {
    const valid = validator(kitSchema());
    expect(valid(kit)).toBe(true);
    expect(JSON.parse(readFileSync('docs/format/inlet-check-kit-1.schema.json', 'utf8'))).toEqual(kitSchema());
    const wrong = { ...kit, items: [{ ...kit.items[0], colour: 'red' }] };
    expect(valid(wrong)).toBe(false);
    expect(() => readKit(wrong)).toThrow(/items\[0\]\.colour: unknown field/);
  });
  test.each<[string, unknown, RegExp]>([
    [
      'a wrong unit',
      {
        ...item('small-condenser-left'),
        part: { kind: 'moving-coil', figures: { coil: { value: 1, unit: 'V', basis: 'maker' } } },
      },
      /must be "Ω", not "V"/,
    ],
    ['an unknown kind', { ...item('pad'), part: { kind: 'hose' } }, /must be "cable" or/],
    ['a source among the links', { ...item('pad'), part: { kind: 'moving-coil' } }, /must be "cable" or/],
    ['a negative count', { ...item('pad'), count: -1 }, /greater than or equal to 0/],
    ['a role there is not', { ...item('pad'), role: 'lamp' }, /must be "source" or "link" or "device"/],
    [
      'a switch of no inlet',
      {
        ...item('camera'),
        device: { inlets: [], groups: [{ id: 'a', name: 'a', inlets: ['1'], offers: [], feed: 'off' }] },
      },
      /has no inlet 1/,
    ],
  ])('%s is refused with what would be right', (_, value, why) => {
    expect(() => readItem(value)).toThrow(DocumentError);
    expect(() => readItem(value)).toThrow(why);
  });
});

describe('as a table', () => {
  test('reads back as it was written', () => {
    const { rows, items } = readKitCsv(kit.items, kitCsv(kit.items));
    expect(new Set(rows.map(({ did }) => did))).toEqual(new Set(['unchanged']));
    expect(items).toEqual(kit.items);
  });
  test('into an empty kit: everything but the answers and the names of switches comes back', () => {
    const { rows, items } = readKitCsv([], kitCsv(kit.items));
    expect(rows.filter(({ did }) => did === 'refused')).toEqual([]);
    expect(items.map(({ id, name, count }) => ({ id, name, count }))).toEqual(
      kit.items.map(({ id, name, count }) => ({ id, name, count })),
    );
    const again = items.find(({ id }) => id === 'cable-20-m-old')!;
    expect(again).toMatchObject({ part: { faults: [{ type: 'open', contact: '3', at: 8 }] } });
  });
  test('decimals are taken with a comma too: figures, and where and how a cable is bad', () => {
    const { items } = readKitCsv(
      [],
      [
        'kind,name,count,figures,faults',
        'cable,old one,1,"length=12,5 m (measured)","open 3 at 8,5 m"',
        'cable,older one,1,,"leaky 2-1 4700,5 Ω"',
      ].join('\n'),
    );
    expect(items[0]).toMatchObject({
      part: { figures: { length: { value: 12.5 } }, faults: [{ type: 'open', contact: '3', at: 8.5 }] },
    });
    expect(items[1]).toMatchObject({ part: { faults: [{ type: 'leaky', ohms: 4700.5 }] } });
  });
  test('a changed figure, a new item, and what cannot be', () => {
    const { rows, items } = readKitCsv(
      kit.items,
      [
        'id,role,kind,name,count,figures,choices,faults,inlets,per switch,feeds',
        'large-condenser,,,large condenser,2,current=4.5 mA (maker: new sheet),,,,,',
        ',,splitter,second splitter,1,,outlets=three,,,,',
        ',device,three-pin,stage box,1,,,,16,8,P48 P12',
        ',,moving-coil,worn one,1,coil=200 V (maker),,,,,',
        ',,moving-coil,other,1,weight=2 kg,,,,,',
        ',,hose,hose,1,,,,,,',
        ',,cable,patched,some,,,,,,',
        ',,cable,bad fault,1,,,frayed,,,',
      ].join('\n'),
    );
    expect(rows.map(({ did }) => did)).toEqual([
      'changes',
      'adds',
      'adds',
      'refused',
      'refused',
      'refused',
      'refused',
      'refused',
    ]);
    expect(items.find(({ id }) => id === 'large-condenser')).toMatchObject({
      count: 2,
      part: { figures: { current: { value: 4.5, unit: 'mA', basis: 'maker', where: 'new sheet' } } },
    });
    expect(items.find(({ name }) => name === 'stage box')).toMatchObject({ device: { inlets: { length: 16 } } });
    expect(rows.slice(3).map(({ what }) => what)).toEqual([
      expect.stringMatching(/coil is given in Ω, not V/),
      expect.stringMatching(/has no figure weight; it has/),
      expect.stringMatching(/role must be source, link or device|no source of the kind/),
      expect.stringMatching(/count must be a whole number/),
      expect.stringMatching(/is no fault; write open 3/),
    ]);
  });
});

test('a device of a rig becomes an item: without what is its own there, every feed off, under an id that is free', () => {
  const { devices } = rig;
  expect(devices.some(({ groups }) => groups.some(({ feed }) => feed !== 'off'))).toBe(true);
  for (const device of devices) {
    const [first, second] = [itemOfDevice([], device), itemOfDevice([itemOfDevice([], device)], device)];
    expect(readItem(first)).toEqual(first);
    expect(second.id).not.toBe(first.id);
    if (first.role !== 'device') throw new Error('no device');
    expect(first.device.inlets).toEqual(device.inlets);
    expect(first.device.groups.map(({ feed }) => feed)).toEqual(device.groups.map(() => 'off'));
    expect(first.device).not.toHaveProperty('location');
  }
});
