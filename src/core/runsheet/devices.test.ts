import { demoRig } from '../../../tests/planning';
import { group, line, rigWith } from '../../../tests/sheets';
import type { Device, RigDocument } from '../rig/document';
import { sheetRig } from './fromRig';
import { stepWords } from './wording';

// What a sheet knows of the devices of a rig: where they stand, what they run on, what hangs beside them.
const document = demoRig();
const known = (id: string, line: string, more: Partial<RigDocument> = {}, device: Partial<Device> = {}) =>
  sheetRig({
    ...document,
    devices: document.devices.flatMap((each) => (each.id === id ? [{ ...each, ...device }] : [])),
    lines: document.lines.filter((each) => each.id === line),
    ...more,
  });

test('a device has its place, its power, and what else hangs on its strip', () => {
  const others = [
    'Stream interface',
    'Line mixer',
    'Phone charger',
    'Supply of the valve microphone',
    'Wireless receiver',
  ];
  expect(known('desk', 'announcer').devices).toEqual([
    {
      id: 'desk',
      name: 'Hold desk',
      place: 'Hold, desk end',
      power: 'mains',
      strip: { name: 'audio strip', others },
    },
  ]);
});

test('what hangs on nothing that is known has no strip', () => {
  const [desk] = known('desk', 'announcer', { units: undefined }).devices;
  expect(desk).not.toHaveProperty('strip');
  const unplugged = document.units!.map((unit) => (unit.device === 'desk' ? { ...unit, outlet: undefined } : unit));
  expect(known('desk', 'announcer', { units: unplugged }).devices[0]).not.toHaveProperty('strip');
});

test.each([
  ['on cells', {}, 'cells'],
  ['on cells and earthed: on both', { ground: 'earthed' }, 'both'],
] as const)('%s', (_, device, power) => expect(known('bag', 'guide', {}, device).devices[0].power).toBe(power));

test('how a switch is reached is said where somebody has said it', () => {
  expect(known('desk', 'announcer').groups[0].control).toBe('red button above fader 1');
  const [first, second] = document.devices.find(({ id }) => id === 'desk')!.groups;
  const groups = [{ ...first, control: undefined }, second];
  expect(known('desk', 'announcer', {}, { groups }).groups[0]).not.toHaveProperty('control');
});

test.each([
  ['minute', 60],
  ['seconds', undefined],
] as const)('sound is judged after a %s', (afterFeedOn, seconds) =>
  expect(known('desk', 'announcer', { schools: { ...document.schools, afterFeedOn } }).judging).toBe(seconds),
);

test('what nobody has said where it is heard is heard where its devices stand', () => {
  const hall = { id: 'hall', name: 'Hall', devices: ['desk'] };
  const rig = sheetRig({
    ...document,
    devices: document.devices.filter(({ id }) => id === 'desk' || id === 'bag'),
    lines: document.lines.filter(({ id }) => id === 'announcer' || id === 'guide'),
    monitors: [hall],
  });
  expect(rig.monitors).toEqual([
    { ...hall, place: 'Hold, desk end' },
    { id: 'monitors', name: '', place: 'Wheelhouse', devices: ['bag'] },
  ]);
});

test.each([
  [[], 'On strip.'],
  [['amplifier'], 'At its own switch, not at strip: amplifier hangs on that, too.'],
  [['amplifier', 'laptop'], 'At its own switch, not at strip: amplifier, laptop hang on that, too.'],
] as const)('where its power is turned on: beside %j', (others, detail) => {
  const plain = rigWith([line('mic', ['a'])], [group('a')]);
  const rig = { ...plain, devices: [{ ...plain.devices[0], strip: { name: 'strip', others: [...others] } }] };
  expect(stepWords(rig, undefined, { action: { do: 'mains', device: 'desk', on: true } }).detail).toBe(detail);
});
