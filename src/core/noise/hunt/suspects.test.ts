import { readFileSync } from 'node:fs';
import { parseDocument } from '../../rig';
import { suspectsOf } from './suspects';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const fixed = (document: typeof demo) =>
  suspectsOf(document, 'pair-a-left')
    .filter((suspect) => suspect.fixed)
    .map(({ name }) => name)
    .sort();

test('the desk in use, pumps, refrigeration and the supply of a valve microphone are not switched off for a noise', () => {
  expect(fixed(demo)).toEqual([
    'Bilge pump',
    'Hold desk',
    'Refrigerator in the galley',
    'Supply of the valve microphone',
  ]);
});

test('a desk whose switches keep their state stays on too: it would come back with its feeds on', () => {
  const stream = demo.units!.find(({ device }) => device === 'stream')!;
  const latched = (on: boolean) => ({
    ...demo,
    devices: demo.devices.map((device) =>
      device.id === 'stream'
        ? { ...device, groups: device.groups.map((group) => ({ ...group, latched: on })) }
        : device,
    ),
  });
  expect(fixed(latched(true))).toContain(stream.name);
  expect(fixed(latched(false))).not.toContain(stream.name);
});

test('without a valve microphone its supply is one like any other', () => {
  const without = {
    ...demo,
    lines: demo.lines.filter(({ source }) => !('kind' in source) || source.kind !== 'valve-own-supply'),
  };
  expect(fixed(without)).toEqual(['Bilge pump', 'Hold desk', 'Refrigerator in the galley']);
});

test('a charger, a lamp or a laptop may go', () => {
  const suspects = suspectsOf(demo, 'pair-a-left');
  for (const name of ['Phone charger', 'Lamps in the hold', 'Laptop'])
    expect([name, suspects.find((each) => each.name === name)?.fixed]).toEqual([name, undefined]);
});
