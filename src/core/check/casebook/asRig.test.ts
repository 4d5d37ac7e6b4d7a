import { asRig, CASEBOOK } from '.';
import { readDocument, rigPath, type RigDocument } from '../../rig';
import {
  condenser,
  dynamic,
  passiveBox,
  splitter,
  ts,
  xlr,
  xlrIn,
  yLead,
  output,
  lineJack,
  camera,
  lavalier,
} from './parts';
import { line, shared, type Situation } from './situation';
import type { Line } from '../../gear';

const situation = (asked: Line, more: Partial<Situation> = {}): Situation => ({
  id: 'any',
  what: 'Any situation',
  line: { ...asked, id: 'any', name: 'Any situation' },
  verdict: 'Clear',
  codes: [],
  because: 'For a reason.',
  basis: 'common practice',
  ...more,
});
const opened = (asked: Line, more: Partial<Situation> = {}): RigDocument =>
  readDocument(JSON.parse(JSON.stringify(asRig(situation(asked, more)))));

test('one line, one device with the switch of its kind, as it stands', () => {
  const rig = opened(line(condenser, xlr(10), xlrIn('P48')));
  expect(rig.name).toBe('Any situation');
  expect(rig.note).toBe('For a reason.');
  expect(rig.devices).toHaveLength(1);
  expect(rig.devices[0].groups).toMatchObject([{ feed: 'P48', inlets: ['1'] }]);
  expect(rig.devices[0].groups[0].offers).toEqual(expect.arrayContaining(['P12', 'P24', 'P48']));
  expect(rig.lines[0]).toMatchObject({ id: 'line', source: condenser, inlet: { device: 'device', inlet: '1' } });
});

test('an inlet that feeds nothing has no switch', () => {
  expect(opened(line(output('ts635'), ts(3), lineJack)).devices[0].groups).toEqual([]);
  expect(opened(line(lavalier(), camera())).devices[0].groups).toMatchObject([
    { offers: ['plug-in'], feed: 'plug-in' },
  ]);
});

test('schools and grounds come along', () => {
  const rig = opened({ ...line(dynamic, xlr(10), xlrIn()), ground: 'earthed' }, { schools: { ribbonFeed: 'never' } });
  expect(rig.schools).toEqual({ ribbonFeed: 'never' });
  expect(rig.devices[0].ground).toBe('earthed');
  expect(opened(line(dynamic, xlr(10), xlrIn())).schools).toBeUndefined();
});

test('another source at a joint: a line of its own that ends there', () => {
  const rig = opened(shared(line(dynamic, yLead('sum'), xlr(5), xlrIn()), 0, { source: dynamic, links: [xlr(2)] }));
  expect(rig.lines.map(({ id }) => id)).toEqual(['line', 'other']);
  expect(rig.lines[1]).toMatchObject({ links: [xlr(2)], inlet: { into: { line: 'line', link: 'shared', port: 'b' } } });
  expect(rigPath(rig, 'line')!.line.branches).toMatchObject([{ line: 'other', port: 'b' }]);
});

test('another inlet at a joint: a device of its own, or the second inlet of the same', () => {
  const y = line(dynamic, yLead('split'), xlr(5), xlrIn());
  const apart = opened(shared(y, 0, { inlet: xlrIn('P48') }));
  expect(apart.devices.map(({ id }) => id)).toEqual(['device', 'other-device']);
  expect(apart.devices[1].groups[0].feed).toBe('P48');
  expect(apart.lines[1].source).toEqual({ from: { line: 'line', link: 'shared', port: 'b' } });
  const same = opened({ ...shared(y, 0, { inlet: xlrIn('P48'), device: 'desk' }), device: 'desk' });
  expect(same.devices).toHaveLength(1);
  expect(same.devices[0].inlets.map(({ id }) => id)).toEqual(['1', '2']);
  expect(same.devices[0].groups.map(({ inlets, feed }) => [inlets, feed])).toEqual([
    [['1'], 'off'],
    [['2'], 'P48'],
  ]);
});

test('a line that comes in at the side, and one that leaves there', () => {
  const guest = shared(line(output('ts635'), ts(3), { ...passiveBox(), entry: 'through' }, xlr(5), xlrIn()), 1, {
    source: output('ts635'),
    port: '',
  });
  const entered = opened(guest);
  expect(entered.lines.map(({ id, inlet }) => [id, 'into' in inlet])).toEqual([
    ['other', false],
    ['line', true],
  ]);
  const leaving = shared(line(condenser, { ...splitter(), exit: 'b' }, xlr(5), xlrIn('P48')), 0, {
    inlet: xlrIn(),
    port: '',
  });
  const left = opened(leaving);
  expect(left.lines.map(({ id }) => id)).toEqual(['other', 'line']);
  expect(left.lines[1].source).toEqual({ from: { line: 'other', link: 'shared', port: 'b' } });
});

test('every situation opens as a document that can be written and read again, with the line it is about', () => {
  for (const each of CASEBOOK.flatMap(({ situations }) => situations)) {
    const rig = asRig(each);
    const read = readDocument(JSON.parse(JSON.stringify(rig)));
    expect(read).toEqual(rig);
    expect(rigPath(read, 'line')!.line.links).toHaveLength(each.line.links.length);
    expect(rig.name.length).toBeLessThanOrEqual(80);
  }
});

test('themes have a title, and no two situations of one say the same', () => {
  for (const { title, situations } of CASEBOOK) {
    expect(title).toMatch(/^[A-Z].*[^.]$/);
    expect(situations.length).toBeGreaterThan(20);
  }
  const all = CASEBOOK.flatMap(({ situations }) => situations);
  const same = all.filter(
    (each, n) => all.findIndex(({ line: other }) => bare(other) === bare(each.line)) !== n && !each.schools,
  );
  expect(same.map(({ id }) => id)).toEqual([]);
});

const bare = ({ id: _id, name: _name, ...rest }: Line): string => JSON.stringify(rest);
