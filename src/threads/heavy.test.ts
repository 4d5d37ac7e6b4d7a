import { readFileSync } from 'node:fs';
import { allGroupFeeds, checkRig } from '@/core/rigcheck';
import { parseDocument, type RigDocument } from '@/core/rig';
import { lineDrawing } from '@/core/check';
import { drawn } from './heavy';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));

/** The demo with its first line again and again, each with an inlet of its own. */
function long(count: number): RigDocument {
  const [line] = demo.lines;
  const inlets = Array.from({ length: count }, (_, n) => ({ id: String(n + 1), kind: 'three-pin' }));
  return {
    ...demo,
    devices: [
      ...demo.devices,
      {
        id: 'more',
        name: 'More',
        inlets,
        groups: [{ id: 'all', name: 'all', inlets: ['1'], offers: ['P48'], feed: 'off' }],
      },
    ],
    lines: inlets.map(({ id }) => ({
      ...line,
      id: `line-${id}`,
      name: `Line ${id}`,
      inlet: { device: 'more', inlet: id },
    })),
  };
}

test('what comes with a page is what the check says, with what every setting of every switch would do', () => {
  const { lines, groups, feeds } = drawn({ document: demo, floors: {} });
  const whole = checkRig(demo, lineDrawing);
  expect(lines.map(({ id, verdict }) => [id, verdict])).toEqual(whole.lines.map(({ id, verdict }) => [id, verdict]));
  expect(groups).toEqual(whole.groups);
  expect(feeds).toEqual(allGroupFeeds(demo));
  expect(feeds!.some(({ options }) => options.some(({ accepted }) => !accepted))).toBe(true);
});

test('of more than 128 lines the settings are left to the browser: the page need not wait for them', () => {
  expect(drawn({ document: long(128), floors: {} }).feeds).toHaveLength(
    demo.devices.flatMap(({ groups }) => groups).length + 1,
  );
  const { lines, feeds } = drawn({ document: long(129), floors: {} });
  expect(lines).toHaveLength(129);
  expect(feeds).toBeUndefined();
});
