import { readFileSync } from 'node:fs';
import { parseDocument } from '@/core/rig';
import { DocumentError, readDocument } from '@/core/rig';
import {
  PATTERNS,
  commonFigures,
  deviceOf,
  fieldAt,
  formOf,
  mended,
  nextNumber,
  shaped,
  typedNumber,
  withFigures,
  withinDevice,
} from './deviceForm';

const { devices } = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));

test.each(devices.map((device) => [device.name, device] as const))(
  '%s comes out of its form as it went in',
  (_, device) => {
    expect(deviceOf(device, formOf(device))).toEqual(device);
  },
);

test('a figure that is typed anew is the maker’s; one that stays keeps where it came from', () => {
  const [desk] = devices;
  const form = formOf(desk);
  expect(deviceOf(desk, { ...form, feedLimit: '120,5' }).feedLimit).toEqual({
    value: 120.5,
    unit: 'mA',
    basis: 'maker',
  });
  expect(deviceOf(desk, form).feedLimit).toBe(desk.feedLimit);
  expect(deviceOf(desk, { ...form, feedLimit: ' ' }).feedLimit).toBeUndefined();
});

test('a switch that no longer offers what it is set to goes off', () => {
  const [desk] = devices;
  const form = formOf(desk);
  const groups = form.groups.map((group) => ({ ...group, offers: ['P12' as const] }));
  expect(deviceOf(desk, { ...form, groups }).groups.map(({ feed }) => feed)).toEqual(['off', 'off']);
});

test('an inlet of another kind leaves the figures of the former behind', () => {
  const [desk] = devices;
  const form = formOf(desk);
  const inlets = form.inlets.map((inlet, n) => (n ? inlet : { ...inlet, kind: 'combo' }));
  expect(deviceOf(desk, { ...form, inlets }).inlets[0]).toEqual({ id: '1', kind: 'combo' });
});

test('numbers: the next one, and what is none', () => {
  expect(nextNumber([{ id: '2' }, { id: 'mini' }, { id: '7' }])).toBe('8');
  expect(nextNumber([])).toBe('1');
  expect(typedNumber('1,5')).toBe(true);
  expect(typedNumber('')).toBe(true);
  expect(typedNumber('many')).toMatch(/Type a number/);
});

const plain = formOf({ id: 'x', name: 'x', inlets: [{ id: '1', kind: 'three-pin', name: 'vocal' }], groups: [] });

test.each(PATTERNS.map(({ value }) => value))('switches: %s', (pattern) => {
  const { inlets, groups } = shaped(plain, 16, 'three-pin', pattern);
  expect(inlets.map(({ id }) => id)).toEqual(Array.from({ length: 16 }, (_, n) => String(n + 1)));
  expect(inlets[0].name).toBe('vocal');
  const counts = { all: 1, each: 16, pairs: 8, 'banks of 4': 4, 'banks of 8': 2, none: 0 };
  expect(groups).toHaveLength(counts[pattern]);
  // Every inlet is on one switch and no more, or on none at all.
  expect(groups.flatMap((group) => group.inlets).toSorted((a, b) => Number(a) - Number(b))).toEqual(
    pattern === 'none' ? [] : inlets.map(({ id }) => id),
  );
  expect(new Set(groups.map(({ id }) => id)).size).toBe(groups.length);
});

test('line inlets have no feed switch whatever is asked for; fewer inlets leave fewer switches', () => {
  expect(shaped(plain, 6, 'balanced-jack', 'each').groups).toEqual([]);
  const eight = shaped(plain, 8, 'three-pin', 'pairs');
  expect(shaped(eight, 3, 'three-pin', 'pairs').groups.map(({ inlets }) => inlets)).toEqual([['1', '2'], ['3']]);
});

test('an inlet that goes takes itself out of its switch; a switch that feeds nothing goes too', () => {
  const { inlets, groups } = shaped(plain, 3, 'three-pin', 'pairs');
  const mendedFrom = (gone: string[]) =>
    mended(
      groups,
      inlets.filter(({ id }) => !gone.includes(id)),
    ).map((group) => group.inlets);
  expect(mendedFrom(['2'])).toEqual([['1'], ['3']]);
  expect(mendedFrom(['3'])).toEqual([['1', '2']]);
});

const limit = { value: 10, unit: 'mA', basis: 'maker' } as const;

test('a figure of all inlets of a kind is set on each of them, and on no other; taken back it is the catalogue’s', () => {
  const bag = devices.find(({ id }) => id === 'bag')!;
  const kind = bag.inlets[0].kind;
  const own = bag.inlets.filter((inlet) => inlet.kind === kind);
  expect(own.length).toBeLessThan(bag.inlets.length);
  const made = withFigures(bag, { [kind]: { feedLimit: limit } });
  for (const [n, inlet] of made.inlets.entries())
    expect(inlet.figures?.feedLimit).toEqual(inlet.kind === kind ? limit : bag.inlets[n].figures?.feedLimit);
  expect(commonFigures(made, kind).feedLimit).toEqual(limit);
  const [first, ...rest] = made.inlets;
  const uneven = { ...made, inlets: [{ ...first, figures: { feedLimit: { ...limit, value: 7 } } }, ...rest] };
  expect(commonFigures(uneven, kind)).not.toHaveProperty('feedLimit');
  expect(commonFigures(withFigures(made, { [kind]: { feedLimit: undefined } }), kind)).not.toHaveProperty('feedLimit');
});

test('what is wrong with a device is told at the field that causes it', () => {
  const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
  const told = (change: (device: (typeof devices)[number]) => object): (string | undefined)[] => {
    const changed = { ...rig, devices: rig.devices.map((each, n) => (n === 1 ? change(each) : each)), lines: [] };
    try {
      readDocument({ ...changed, wishes: undefined, units: undefined, monitors: undefined, mains: undefined });
    } catch (problem) {
      return withinDevice((problem as DocumentError).refusals, 'devices[1]').map(({ path }) => fieldAt(path));
    }
    return [];
  };
  expect(told((device) => device)).toEqual([]);
  expect(told((device) => ({ ...device, name: '' }))).toEqual(['name']);
  expect(told((device) => ({ ...device, feedLimit: { value: -1, unit: 'mA', basis: 'maker' } }))).toContain(
    'feedLimit',
  );
  expect(
    told(({ inlets: [a, b, ...more], ...device }) => ({ ...device, inlets: [a, { ...b, id: a.id }, ...more] })),
  ).toContain('inlets.1.id');
  expect(
    told(({ groups: [a, ...more], ...device }) => ({
      ...device,
      groups: [{ ...a, feed: 'off', offers: ['P49'] }, ...more],
    })),
  ).toContain('groups.0.offers');
  expect(fieldAt('batteries.cells')).toBe('cells');
  expect(fieldAt('batteries.capacity.value')).toBe('capacity');
  expect(fieldAt('groups[2].feed')).toBe('groups.2.name');
  expect(fieldAt('lines[0]')).toBeUndefined();
});
