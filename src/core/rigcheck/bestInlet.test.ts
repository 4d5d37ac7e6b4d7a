import { readFileSync } from 'node:fs';
import { deviceOf, rigOf } from '../../../tests/planning';
import { parseKit, overdrawn } from '../kit';
import { duplicateLine, parseDocument, setFeed, type RigLine } from '../rig';
import { bestFreeInlet } from './bestInlet';

const desk = deviceOf('desk', [
  { inlets: 2, offers: ['P48'], feed: 'P48' },
  { inlets: 2, offers: ['P48'], feed: 'off' },
]);
const bag = deviceOf('bag', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);
const on = (kind: string, device: string, inlet: string): RigLine => ({
  id: kind,
  name: kind,
  source: { kind },
  links: [{ kind: 'cable' }],
  inlet: { device, inlet },
});
const found = (line: RigLine, devices = [desk, bag]) => bestFreeInlet(rigOf(devices, [line]), line.id);

test.each<[string, RigLine, object]>([
  [
    'a ribbon on a live bank goes to one that is off',
    on('passive-ribbon', 'desk', '1'),
    { device: 'desk', inlet: '3' },
  ],
  [
    'a moving coil takes one without a feed that it does not need',
    on('moving-coil', 'desk', '1'),
    { device: 'desk', inlet: '3' },
  ],
  [
    'a condenser takes one that has its feed, on its own device',
    on('condenser-48', 'desk', '1'),
    { device: 'desk', inlet: '2' },
  ],
  ['a condenser on another device stays there', on('condenser-48', 'bag', '1'), { device: 'bag', inlet: '2' }],
])('%s', (_, line, to) => expect(found(line)).toEqual(to));

test('where every free inlet is live, the one that is there is told; where none is free, none', () => {
  const live = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);
  expect(found(on('passive-ribbon', 'desk', '1'), [live])).toEqual({ device: 'desk', inlet: '2' });
  expect(found(on('passive-ribbon', 'desk', '1'), [deviceOf('desk', [{ inlets: 1, offers: [], feed: 'off' }])])).toBe(
    undefined,
  );
});

test('what the kit has fewer of than the rig uses is named with both numbers', () => {
  const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
  const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
  const before = overdrawn(rig, kit);
  const line = rig.lines.find(({ source }) => 'item' in source && source.item === 'ribbon-left')!;
  const quiet = setFeed(rig, 'desk', 'bank-a', 'off');
  const twice = duplicateLine(quiet, line.id, bestFreeInlet(quiet, line.id)!);
  const item = kit.find(({ id }) => id === 'ribbon-left')!;
  expect(overdrawn(twice, kit)).toContainEqual({
    item: 'ribbon-left',
    name: item.name,
    has: item.count,
    uses: item.count + 1,
  });
  expect(before.some(({ item: id }) => id === 'ribbon-left')).toBe(false);
});

test('left and right of one instrument are one of it; its left twice is not, and two microphones are two', () => {
  const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
  for (const name of ['lock-nine', 'lock-nine-mended'])
    expect(overdrawn(parseDocument(readFileSync(`demo/${name}.json`, 'utf8')), kit)).toEqual([]);
  const rig = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const twice = duplicateLine(rig, 'piano-left', bestFreeInlet(rig, 'piano-left')!);
  expect(overdrawn(twice, kit)).toContainEqual(expect.objectContaining({ item: 'electric-piano', has: 1, uses: 2 }));
  const text = JSON.stringify(rig).replace('"item":"small-condenser-right"', '"item":"small-condenser-left"');
  expect(overdrawn(parseDocument(text), kit).map(({ item }) => item)).toEqual(['small-condenser-left']);
});
