import * as gear from '../../../tests/lines/gear';
import { desk } from '../../../tests/lines/lines';
import type { Part, PathLink } from '../gear';
import { emptyRig, readDocument, type Device, type RigDocument, type RigLine } from '../rig';
import { sheetRig } from './fromRig';
import { fedBy, happenings } from './happenings';
import { newSession } from './session';
import { bare, type SheetState } from './state';

const { xlr, ts, condenser, dynamic, ribbon } = gear;
const lineOf = (source: Part, links: PathLink[], inlet = '1', id = 'line'): RigLine => ({
  id,
  name: id,
  source,
  links,
  inlet: { device: 'desk', inlet },
});
const rigOf = (...lines: RigLine[]): RigDocument =>
  readDocument({ ...emptyRig('Hold'), devices: [desk(3, 'off')], lines });
const KEY = 'desk all';

describe('what a source has, not what the switch is', () => {
  test.each<[string, Part, PathLink[], boolean]>([
    ['a condenser on its cable', condenser, [xlr(10)], true],
    ['a dynamic, though no current flows', dynamic, [xlr(10)], true],
    ['a tapped ribbon that pulls the feed down', ribbon('grounded'), [xlr(10)], true],
    ['over a pad that passes', dynamic, [gear.pad(20), xlr(5)], true],
    ['over an XLR patch', condenser, [xlr(5), gear.xlrPatch, xlr(2)], true],
    ['behind an isolating transformer', ribbon('grounded'), [gear.isolator, xlr(5)], false],
    ['behind a phantom blocker', ribbon('grounded'), [gear.blocker, xlr(5)], false],
    ['behind a booster', ribbon('grounded'), [gear.booster, xlr(5)], false],
    ['behind a passive direct box', gear.guitar, [ts(3), gear.passiveBox(), xlr(10)], false],
    ['behind an active direct box', gear.guitar, [ts(3), gear.activeBox(), xlr(10)], false],
    ['a lavalier behind its adapter', gear.lavalier(), [gear.converter, xlr(5)], false],
    ['a lavalier on plain wire', gear.lavalier(), [gear.adapter('mini-to-xlr-grounded'), xlr(5)], true],
    ['behind a T12 box', gear.t12(), [gear.t12Box(), xlr(5)], false],
    ['behind a supply box', condenser, [gear.supplyBox(), xlr(5)], false],
  ])('%s', (_, source, links, expected) => {
    const rig = sheetRig(rigOf(lineOf(source, links)));
    expect(rig.lines[0].reaches).toEqual(expected ? [KEY] : []);
    expect(rig.lines[0].groups).toEqual([KEY]);
    const on: SheetState = {
      ...bare(rig),
      ends: { line: { stage: true, desk: true } },
      feeds: { [KEY]: { feed: 'P48', since: 0 } },
    };
    expect(fedBy(rig, on)).toEqual(expected ? { line: 'P48' } : {});
  });

  test('over a splitter the direct output’s switch reaches both lines, the isolated one’s none', () => {
    const stream: Device = { ...desk(1, 'off'), id: 'stream', name: 'Stream' };
    const document = readDocument({
      ...emptyRig('Split'),
      devices: [desk(1, 'off'), stream],
      lines: [
        lineOf(condenser, [{ ...gear.splitter(), id: 's' }, xlr(5)]),
        {
          id: 'away',
          name: 'away',
          source: { from: { line: 'line', link: 's', port: 'b' } },
          links: [xlr(5)],
          inlet: { device: 'stream', inlet: '1' },
        },
      ],
    });
    const rig = sheetRig(document);
    expect(rig.lines.map(({ reaches }) => reaches)).toEqual([[KEY], [KEY]]);
    expect(rig.lines.map(({ shares }) => shares)).toEqual([['away'], ['line']]);
    expect(rig.lines.map(({ key }) => key)).toEqual([KEY, 'stream all']);
  });

  test('plugged live is an incident all the same: the box behind the plug takes it', () => {
    const rig = sheetRig(rigOf(lineOf(gear.guitar, [ts(3), gear.passiveBox(), xlr(10)])));
    const on: SheetState = {
      ...bare(rig),
      ends: { line: { stage: true, desk: false } },
      feeds: { [KEY]: { feed: 'P48', since: 0 } },
    };
    const told = happenings(rig, newSession(on), { report: 'found', what: { line: 'line', end: 'desk', is: true } });
    expect(told.map(({ kind }) => kind)).toEqual(['found', 'incident']);
  });

  test('a supply that harms is known; one that its source lives on does not count', () => {
    const harmed = sheetRig(rigOf(lineOf(ribbon('grounded'), [gear.supplyBox(), xlr(5)])));
    expect(harmed.lines[0]).toMatchObject({ supply: true, supplyHarms: true });
    const fed = sheetRig(rigOf(lineOf(condenser, [gear.supplyBox(), xlr(5)])));
    expect(fed.lines[0].supply).toBe(true);
    expect(fed.lines[0].supplyHarms).toBeUndefined();
  });

  test('a box that harms does not hide what the switch would do', () => {
    // Its own box at 48 V is Stop at every setting of the switch; behind no transformer, the switch is Stop as well.
    const both = sheetRig(rigOf(lineOf(ribbon('grounded'), [xlr(5)])));
    expect(both.lines[0].stops[KEY]).toEqual(['P12', 'P24', 'P48']);
  });
});
