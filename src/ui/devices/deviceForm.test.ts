import { readFileSync } from 'node:fs';
import { parseDocument } from '@/core/rig';
import { deviceOf, formOf, nextNumber, typedNumber } from './deviceForm';

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
