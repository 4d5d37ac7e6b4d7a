import { readFileSync } from 'node:fs';
import { emptyRig, parseDocument, type RigDocument } from '../rig';
import { byPosition, inletText, parseKit, pullList } from '.';

const mended = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const row = (document: RigDocument, name: string) => pullList(document, kit).find((each) => each.name === name);

test('every part of every line is in the list once, and devices are too', () => {
  const rows = pullList(mended, kit);
  const parts = mended.lines.reduce((sum, { links }) => sum + links.length, 0);
  const listed = rows.filter(({ role }) => role === 'link').reduce((sum, { needed }) => sum + needed, 0);
  expect(listed).toBe(parts);
  expect(rows.filter(({ role }) => role === 'device').map(({ needed }) => needed)).toEqual(mended.devices.map(() => 1));
  for (const { needed, have, get } of rows) expect(get).toBe(Math.max(0, needed - have));
});

test('what is no item of the kit is had where the kit has one of that kind, plug and length to spare', () => {
  const line = (links: RigDocument['lines'][number]['links']): RigDocument => ({
    ...emptyRig('trial'),
    devices: mended.devices.slice(0, 1),
    lines: [
      {
        ...mended.lines.find(({ source }) => 'kind' in source)!,
        links,
        inlet: { device: mended.devices[0].id, inlet: '1' },
      },
    ],
  });
  const cable = (metres: number) => ({
    kind: 'cable',
    figures: { length: { value: metres, unit: 'm' as const, basis: 'measured' as const } },
  });
  const tens = kit.filter(({ id }) => id === 'cable-10-m').reduce((sum, { count = 1 }) => sum + count, 0);
  expect(tens).toBeGreaterThan(0);
  expect(row(line([cable(10)]), 'Cable, 10 m')).toMatchObject({ needed: 1, get: 0 });
  expect(row(line([cable(77), cable(77)]), 'Cable, 77 m')).toMatchObject({ needed: 2, have: 0, get: 2 });
});

test('left and right of one instrument are one thing to pack', () => {
  expect(row(mended, 'electric piano')?.needed).toBe(1);
});

test('by position, nobody left out; an inlet as it is called', () => {
  const groups = byPosition(mended);
  expect(groups.flatMap(({ lines }) => lines)).toHaveLength(mended.lines.length);
  expect(groups.at(-1)!.name).toBe('No position set');
  expect(inletText(mended, mended.lines[0])).toBe('Hold desk 1');
});
