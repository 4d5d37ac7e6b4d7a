import { desk } from '../../../tests/lines/lines';
import * as gear from '../../../tests/lines/gear';
import type { Branch, Line } from '../gear';
import { emptyRig, readDocument, type RigDocument } from '.';
import { applyEdits, type Edit, type FreeInlet } from '../gear/edits';
import { applyToRig } from './rigEdits';

const { line, xlr, ts, xlrIn, dynamic, output, passiveBox, yLead } = gear;
const free: FreeInlet = {
  to: { device: 'desk', inlet: '3' },
  inlet: { ...xlrIn('P48'), name: 'Desk 3' },
  device: 'desk',
  ground: 'earthed',
  run: 12,
  switch: { name: 'Desk, all inlets', offers: ['P48'], reaches: ['Guide'] },
};
const other = (more: Partial<Branch>): Branch => ({
  line: 'other',
  name: 'Other',
  at: 0,
  port: 'b',
  links: [],
  ...more,
});
const separate = (at: number, second: string): Edit => ({ do: 'separate', at, line: second, ...free });

describe('one line of two that meet', () => {
  const host: Line = { ...line(dynamic, yLead('sum'), xlr(5), xlrIn()), branches: [other({ source: dynamic })] };

  test('the host loses its guest and the Y-lead, and keeps its inlet', () => {
    const alone = applyEdits(host, [separate(0, 'other')]);
    expect(alone.links).toEqual([xlr(5)]);
    expect(alone.branches).toEqual([]);
    expect(alone.inlet).toEqual(xlrIn());
  });

  test('the guest keeps what it had before the joint, and gets the inlet with its switch, ground and run', () => {
    const guest: Line = {
      ...line(dynamic, xlr(2), { ...yLead('sum'), entry: 'b' }, xlr(5), xlrIn()),
      id: 'line',
      branches: [other({ at: 1, port: '', source: dynamic })],
    };
    const moved = applyEdits(guest, [separate(1, 'line')]);
    expect(moved).toMatchObject({ links: [xlr(2)], inlet: free.inlet, device: 'desk', ground: 'earthed', run: 12 });
    expect(moved.switch).toEqual(free.switch);
    expect(moved.branches).toEqual([]);
  });

  test('what hangs further on moves up by the link that is gone', () => {
    const long: Line = {
      ...line(dynamic, yLead('sum'), xlr(5), gear.splitter(), xlr(2), xlrIn()),
      branches: [other({ source: dynamic }), other({ line: 'third', at: 2, inlet: xlrIn() })],
    };
    const alone = applyEdits(long, [separate(0, 'other')]);
    expect(alone.branches).toMatchObject([{ line: 'third', at: 1 }]);
  });

  test('a third one that meets there keeps the link', () => {
    const three: Line = {
      ...host,
      branches: [...host.branches!, other({ line: 'third', port: 'c', source: dynamic })],
    };
    const left = applyEdits(three, [separate(0, 'other')]);
    expect(left.links).toHaveLength(2);
    expect(left.branches!.map(({ line: id }) => id)).toEqual(['third']);
  });

  test('on the thru of a direct box each gets a side of a stereo box', () => {
    const piano: Line = {
      ...line(output('ts635'), ts(3), passiveBox(), xlr(5), xlrIn()),
      branches: [other({ at: 1, port: 'through', source: output('ts635') })],
    };
    expect(applyEdits(piano, [separate(1, 'other')]).links.map(({ kind }) => kind)).toEqual([
      'cable',
      'stereo-direct-box',
      'cable',
    ]);
  });
});

describe('in the rig', () => {
  const rig = (): RigDocument =>
    readDocument({
      ...emptyRig('Wheelhouse'),
      devices: [desk(3, 'off')],
      lines: [
        {
          id: 'guide',
          name: 'Guide',
          source: dynamic,
          links: [{ ...yLead('sum'), id: 'y' }, xlr(5)],
          inlet: { device: 'desk', inlet: '1' },
        },
        {
          id: 'keeper',
          name: 'Keeper',
          source: dynamic,
          links: [],
          inlet: { into: { line: 'guide', link: 'y', port: 'b' } },
        },
      ],
    });

  test('the same document whichever line the edit was found for; the one before is untouched', () => {
    const before = rig();
    const kept = structuredClone(before);
    const edits = (at: number): Edit[] => [separate(at, 'keeper')];
    const byHost = applyToRig(before, 'guide', edits(0));
    const byGuest = applyToRig(before, 'keeper', edits(0));
    expect(byHost).toEqual(byGuest);
    expect(before).toEqual(kept);
    expect(byHost.lines).toMatchObject([{ links: [xlr(5)] }, { links: [], inlet: { device: 'desk', inlet: '3' } }]);
    expect(readDocument(JSON.parse(JSON.stringify(byHost)))).toEqual(byHost);
  });

  test('a line that does not end in a link, or is not there, changes nothing', () => {
    const before = rig();
    expect(applyToRig(before, 'guide', [separate(0, 'guide')])).toBe(before);
    expect(applyToRig(before, 'guide', [separate(0, 'nobody')])).toBe(before);
  });

  test('a device’s ground is said of the device, whichever of its lines is asked', () => {
    const said = applyToRig(rig(), 'keeper', [{ do: 'choose', part: 'inlet', choice: 'ground', value: 'floating' }]);
    expect(said.devices[0].ground).toBe('floating');
    expect(said.lines).toEqual(rig().lines);
  });
});
