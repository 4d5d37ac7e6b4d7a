import { demoRig } from '../../../tests/planning';
import type { SwitchGroup } from '../rig';
import { fedAlone } from './feedsOnLines';

const rig = demoRig('lock-nine-mended');
const alone = (...offers: SwitchGroup['offers']) => {
  const [device] = rig.devices;
  const group = { ...device.groups[0], offers };
  const offering = {
    ...rig,
    devices: rig.devices.map((each) =>
      each.id === device.id ? { ...each, groups: [group, ...each.groups.slice(1)] } : each,
    ),
  };
  return fedAlone(offering, device.id, group).devices.flatMap(({ groups }) => groups.map(({ feed }) => feed));
};

test('what a switch leaves behind is followed from the highest feed that it offers, whichever is named first', () => {
  expect(alone('P12', 'P24', 'P48')[0]).toBe('P48');
  expect(alone('P12', 'P24')[0]).toBe('P24');
  expect(alone('P12')[0]).toBe('P12');
});

test('every other switch is off meanwhile', () => {
  expect(new Set(alone('P48').slice(1))).toEqual(new Set(['off']));
});
