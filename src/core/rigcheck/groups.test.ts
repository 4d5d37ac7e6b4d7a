import { desk } from '../../../tests/lines/lines';
import * as gear from '../../../tests/lines/gear';
import { emptyRig, readDocument, type Device, type RigDocument, type RigLine } from '../rig';
import type { Part, PathLink } from '../gear';
import { checkRig } from '.';
import { objects } from './groups';

const { condenser, dynamic, ribbon, xlr, yLead } = gear;
const at = (id: string, source: Part, inlet: string, links: PathLink[] = [xlr(5)]): RigLine => ({
  id,
  name: id,
  source,
  links,
  inlet: { device: 'desk', inlet },
});
const rig = (device: Device, ...lines: RigLine[]): RigDocument =>
  readDocument({ ...emptyRig('Hold'), devices: [device], lines });
const group = (document: RigDocument, n = 0) => checkRig(document).groups[n];
const limited = (milliamps: number, feed: 'off' | 'P48' = 'P48') =>
  desk(4, feed, { feedLimit: { value: milliamps, unit: 'mA', basis: 'maker', where: 'sheet, page 2' } });

describe('what a switch gives', () => {
  test('the currents of all its lines, a dynamic nothing', () => {
    const both = rig(desk(4, 'P48'), at('a', condenser, '1'), at('b', condenser, '2'), at('c', dynamic, '3'));
    expect(group(both).amps * 1e3).toBeCloseTo(6, 2);
    expect(group(both).lines).toEqual(['a', 'b', 'c']);
  });

  test('two lines that meet before one inlet are fed by it once', () => {
    const met = rig(desk(2, 'P48'), at('a', condenser, '1', [{ ...yLead('sum'), id: 'y' }, xlr(5)]), {
      ...at('b', condenser, '1'),
      inlet: { into: { line: 'a', link: 'y', port: 'b' } },
    });
    // Both microphones on one pair of feed resistors: 6 mA through them, counted for one line of the two only.
    expect(group(met).amps * 1e3).toBeCloseTo(6, 1);
    expect(group(met).lines).toEqual(['a', 'b']);
  });

  test('switched off it gives nothing, and nothing is held against it', () => {
    const off = rig(limited(1, 'off'), at('a', condenser, '1'));
    expect(group(off)).toMatchObject({ amps: 0, findings: [], feed: 'off' });
  });
});

describe('the limit of the device', () => {
  const two = (milliamps: number) => rig(limited(milliamps), at('a', condenser, '1'), at('b', condenser, '2'));

  test.each([
    [6.1, undefined],
    [5.9, 'watch'],
    [4.1, 'watch'],
    [3.9, 'harm'],
  ])('6 mA against %s mA', (limit, severity) => expect(group(two(limit)).findings[0]?.severity).toBe(severity));

  test('says both figures and where the limit stands', () => {
    const [found] = group(two(5)).findings;
    expect(found.what).toBe('Desk: total phantom current over its limit');
    expect(found.why).toBe('6 mA over 1 switch; it can give 5 mA. The feed may sag on every inlet.');
    expect(found.numbers[0].limit).toEqual({
      label: 'Limit of the device',
      value: 0.005,
      basis: 'maker',
      where: 'sheet, page 2',
    });
    expect(found.remedies).toEqual([
      { label: 'Try all inlets off', note: '6 mA less', device: 'desk', group: 'all', feed: 'off' },
    ]);
  });

  test('only a switch whose going off is enough is offered', () => {
    const device: Device = {
      ...limited(7),
      groups: [
        { id: 'a', name: 'bank A', inlets: ['1', '2', '3'], offers: ['P48'], feed: 'P48' },
        { id: 'b', name: 'bank B', inlets: ['4'], offers: ['P48'], feed: 'P48' },
      ],
    };
    const all = rig(
      device,
      at('a', condenser, '1'),
      at('b', condenser, '2'),
      at('c', condenser, '3'),
      at('d', condenser, '4'),
    );
    expect(group(all).findings[0].remedies.map(({ label }) => label)).toEqual(['Try bank A off']);
    expect(group(all, 1).findings).toEqual(group(all).findings);
  });
});

describe('whom a setting is wrong for', () => {
  test('what the feed harms, and what it leaves dead', () => {
    const on = rig(desk(4, 'P48'), at('ribbon', ribbon(), '1'), at('fine', condenser, '2'));
    expect(group(on)).toMatchObject({ verdict: 'Stop', objecting: ['ribbon'] });
    const off = rig(desk(4, 'off'), at('ribbon', ribbon(), '1'), at('fine', condenser, '2'));
    expect(group(off)).toMatchObject({ verdict: 'Silent', objecting: ['fine'] });
  });

  test('a line that its cable has killed is not the switch’s doing', () => {
    const dead = rig(desk(4, 'P48'), at('dead', dynamic, '1', [xlr(5, gear.short('2', '3'))]));
    expect(group(dead)).toMatchObject({ verdict: 'Silent', objecting: [] });
  });

  test('a Watch is no objection', () => {
    const watch = rig(desk(4, 'P24'), at('low', condenser, '1'));
    expect(group(watch)).toMatchObject({ verdict: 'Watch', objecting: [] });
    expect([objects('Stop'), objects('Silent'), objects('Watch'), objects('Clear'), objects(undefined)]).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});
