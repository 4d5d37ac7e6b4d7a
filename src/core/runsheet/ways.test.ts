import { demoRig } from '../../../tests/planning';
import { carriedOut } from '../../../tests/sheets';
import { aimFor } from './aims';
import { sheetRig } from './fromRig';
import { sheetKey } from './rig';
import { preview } from './session';
import { packed } from './state';
import { changeOverWays } from './ways';

/** A demo rig with every line set up that its switches do not harm. */
function setUp(id: string) {
  const document = demoRig(id);
  const rig = sheetRig(document);
  const feeds = Object.fromEntries(
    document.devices.flatMap((device) =>
      device.groups.map(({ id: group, feed }) => [sheetKey(device.id, group), feed]),
    ),
  );
  const fit = rig.lines.filter(({ stops }) => !Object.entries(stops).some(([key, list]) => list.includes(feeds[key])));
  const aim = aimFor(
    'set-up',
    rig,
    packed(rig),
    feeds,
    fit.map((line) => line.id),
  );
  return { document, rig, state: carriedOut(rig, packed(rig), preview(rig, packed(rig), aim).steps) };
}

test('the announcer on bank A while the trio plays: who is disturbed there, and the way that disturbs nobody', () => {
  const { document, rig, state } = setUp('lock-nine');
  const ways = changeOverWays(document, rig, state, 'announcer');
  const own = ways.find(({ to }) => !to)!;
  const others = rig.lines.filter(({ id, groups }) => id !== 'announcer' && groups.includes('desk bank-a'));
  const playing = others.filter(({ id }) => state.ends[id].desk === true).map(({ id }) => id);
  expect(own.disturbed).toEqual(playing);
  expect(playing).toEqual(expect.arrayContaining(['pair-a-left', 'pair-a-right']));
  const [best] = ways;
  expect(best).toMatchObject({ to: expect.anything(), disturbed: [] });
  expect(['Clear', 'Watch']).toContain(best.verdict);
  // The way that is proposed is one: with the second line in the rig, no other line is muted.
  expect(ways.map(({ disturbed }) => disturbed.length)).toEqual(
    ways.map(({ disturbed }) => disturbed.length).toSorted((a, b) => a - b),
  );
});

test('a line on a switch that is off is changed over on its own inlet: nobody is disturbed', () => {
  const { document, rig, state } = setUp('lock-nine-mended');
  const ways = changeOverWays(document, rig, state, 'announcer');
  expect(ways).toHaveLength(1);
  expect(ways[0]).toMatchObject({ name: 'Hold desk, inlet 12', disturbed: [] });
});

test('a line that others hang on is changed over where it is', () => {
  const { document, rig, state } = setUp('lock-nine-mended');
  expect(changeOverWays(document, rig, state, 'singer').map(({ to }) => to)).toEqual([undefined]);
  expect(changeOverWays(document, rig, state, 'nobody')).toEqual([]);
});
