import { readFileSync } from 'node:fs';
import { cable, desk } from '../../../tests/lines/lines';
import { applyToRig, emptyRig, parseDocument, setFeed, type Device, type RigDocument, type RigLine } from '../rig';
import { type LineResult } from '../check';
import { allGroupFeeds, checkRig, checkRigLine, fullRigResult, groupFeeds } from '.';

const lockNine = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const line = (id: string, source: string, inlet: string, more: Partial<RigLine> = {}): RigLine =>
  ({ id, name: id, source: { kind: source }, links: [cable()], inlet: { device: 'desk', inlet }, ...more }) as RigLine;
const rig = (lines: RigLine[], feed: 'off' | 'P48' = 'P48', device: Partial<Device> = {}): RigDocument => ({
  ...emptyRig('trial'),
  devices: [desk(8, feed, device)],
  lines,
});
const verdicts = ({ lines }: { lines: LineResult[] }) =>
  Object.fromEntries(lines.map(({ id, verdict }) => [id, verdict]));

describe('bank A of the hold desk, on and off', () => {
  const off = setFeed(lockNine, 'desk', 'bank-a', 'off');
  const bank = (document: RigDocument) => checkRig(document).groups.find(({ group }) => group === 'bank-a')!;
  test('the ribbons’ verdicts and the condensers’ change together', () => {
    const [now, then] = [verdicts(checkRig(lockNine)), verdicts(checkRig(off))];
    expect([now['ribbon-left'], now['ribbon-right'], now['pair-a-left'], now['active-ribbon']]).toEqual([
      'Stop',
      'Stop',
      'Clear',
      'Clear',
    ]);
    expect([then['ribbon-left'], then['ribbon-right'], then['pair-a-left'], then['active-ribbon']]).toEqual([
      'Clear',
      'Clear',
      'Silent',
      'Silent',
    ]);
    // Nobody on another switch is touched.
    for (const id of ['double-bass', 'large-condenser', 'guide']) expect(then[id]).toBe(now[id]);
  });
  test('the group says who objects, and what its feed gives', () => {
    expect(bank(lockNine).objecting).toEqual(['ribbon-left', 'ribbon-right', 'long-ribbon', 'guide-body-worn']);
    expect(bank(off).objecting).toEqual(['pair-a-left', 'pair-a-right', 'active-ribbon', 'guide-body-worn']);
    expect(bank(off).amps).toBeCloseTo(0, 6);
    // Two condensers of 3.6 mA, two half windings of some 6.95 mA, an active ribbon of 4 mA, 7.36 mA into the electret's lead.
    expect(bank(lockNine).amps * 1e3).toBeCloseTo(2 * 3.6 + 2 * 6.946 + 4 + 7.36, 0);
  });
  test('each setting: who rules it out, and who objects whatever the switch', () => {
    const [without, with48] = groupFeeds(lockNine, 'desk', 'bank-a');
    expect(without).toMatchObject({ feed: 'off', accepted: false });
    const against = ({ lines }: typeof without) =>
      lines.filter(({ because, regardless }) => because && !regardless).map(({ line: id }) => id);
    expect(against(without)).toEqual(['pair-a-left', 'pair-a-right', 'active-ribbon', 'guide-body-worn']);
    expect(against(with48)).toEqual(['ribbon-left', 'ribbon-right', 'long-ribbon', 'guide-body-worn']);
    // At Stop with 48 V, without power at off: it needs an adapter at either, and neither setting is said to suit it.
    expect(with48.accepted).toBe(false);
    expect(with48.lines.find(({ line: id }) => id === 'guide-body-worn')).toMatchObject({
      verdict: 'Stop',
      everywhere: true,
    });
    expect(with48.lines.find(({ line: id }) => id === 'announcer')).toMatchObject({
      verdict: 'Silent',
      regardless: true,
      because: expect.stringMatching(/Dead cable/),
    });
  });
  test('turning it off for the ribbon says what becomes of the others', () => {
    const { findings } = checkRigLine(lockNine, 'ribbon-left')!;
    const remedy = findings[0].remedies.find(({ label }) => label === 'Try Hold desk, bank A off')!;
    expect(remedy).toMatchObject({ gives: 'Clear', others: '3 lines lose power or signal' });
    // What leaves the others alone comes first.
    expect(findings[0].remedies[0].others).toBeUndefined();
  });
});

test('settings that every line accepts: a pair with one that wants more', () => {
  const bag = groupFeeds(lockNine, 'bag', 'pair-3-4');
  expect(bag.map(({ feed, accepted }) => [feed, accepted])).toEqual([
    ['off', false],
    ['P12', false],
    ['P24', true],
    ['P48', true],
  ]);
  expect(groupFeeds(lockNine, 'nobody', 'x')).toEqual([]);
});

describe('what a device can feed', () => {
  const lines = ['1', '2', '3', '4'].map((inlet) => line(`condenser-${inlet}`, 'condenser-48', inlet));
  const limit = (value: number) => ({ feedLimit: { value, unit: 'mA' as const, basis: 'maker' as const } });
  // Four condensers of 3 mA.
  test.each([
    [12.5, undefined],
    [11, 'watch'],
    [7.5, 'harm'],
  ])('four condensers of 3 mA against %d mA: %s', (most, severity) => {
    const [group] = checkRig(rig(lines, 'P48', limit(most))).groups;
    expect(group.amps * 1e3).toBeCloseTo(12, 3);
    expect(group.findings[0]?.severity).toBe(severity);
    if (severity === 'harm') expect(group.verdict).toBe('Stop');
  });
  test('a switch that is off has nothing to answer for', () => {
    const pairs: Partial<Device> = {
      ...limit(5),
      groups: [
        { id: 'a', name: 'a', inlets: ['1', '2'], offers: ['P48'], feed: 'P48' },
        { id: 'b', name: 'b', inlets: ['3', '4'], offers: ['P48'], feed: 'off' },
      ],
    };
    const [a, b] = checkRig(rig(lines, 'P48', pairs)).groups;
    expect(a.findings[0]).toMatchObject({ code: 'feed-overload', remedies: [{ group: 'a', feed: 'off' }] });
    expect(b.findings).toEqual([]);
  });
});

describe('lines that share conductors', () => {
  const split = (feeds: ['P48' | 'off', 'P48' | 'off'], kind: string): RigDocument => ({
    ...emptyRig('split'),
    devices: [
      { ...desk(1, feeds[0]), id: 'desk' },
      { ...desk(1, feeds[1]), id: 'stream', name: 'Stream' },
    ],
    lines: [
      line('direct', 'condenser-48', '1', { links: [{ kind, id: 'split' }, cable()] }),
      {
        id: 'second',
        name: 'second',
        source: { from: { line: 'direct', link: 'split', port: 'b' } },
        links: [cable()],
        inlet: { device: 'stream', inlet: '1' },
      },
    ],
  });
  const volts = (document: RigDocument, id: string) =>
    checkRig(document)
      .lines.find((each) => each.id === id)!
      .readings.junctions[0].contacts.find(({ contact }) => contact === '2')!.volts!;
  test('a splitter: the direct leg feeds, the isolated one does not; both lines know', () => {
    expect(volts(split(['P48', 'P48'], 'splitter'), 'second')).toBeCloseTo(37.8, 1);
    expect(volts(split(['P48', 'off'], 'splitter'), 'second')).toBeCloseTo(37.8, 1);
    expect(volts(split(['off', 'P48'], 'splitter'), 'direct')).toBeCloseTo(0, 3);
    expect(verdicts(checkRig(split(['off', 'P48'], 'splitter')))).toEqual({ direct: 'Silent', second: 'Silent' });
    expect(verdicts(checkRig(split(['P48', 'P48'], 'splitter')))).toEqual({ direct: 'Clear', second: 'Clear' });
  });
  test('a Y-lead: two feeds in parallel halve their resistance, 48 V - 3 mA · 3.4 kΩ / 2', () => {
    expect(volts(split(['P48', 'P48'], 'y-lead'), 'direct')).toBeCloseTo(48 - 3 * 3.4 * 0.5, 2);
    expect(checkRigLine(split(['P48', 'P48'], 'y-lead'), 'direct')!.findings[0].code).toBe('shared-feeds');
  });
  test('the signal divides by what both inlets load', () => {
    const level = (document: RigDocument) => checkRig(document).lines[0].readings.signal.channels[0].level!;
    // 150 Ω into 2 kΩ and into two of them: 20·log(1000/1150) - 20·log(2000/2150).
    expect(level(split(['P48', 'off'], 'y-lead')) - level(rig([line('alone', 'condenser-48', '1')]))).toBeCloseTo(
      -0.58,
      1,
    );
  });
  test('electric piano in both sockets of one box: the stereo box takes them apart, on a free inlet', () => {
    const found = checkRigLine(lockNine, 'piano-left')!;
    const fight = found.findings.find(({ code }) => code === 'through-as-input')!;
    // +2 dBu peaks at 1.379 V; twice that across 2 · 600 Ω (leads and box hardly count).
    expect(fight.numbers[0].value * 1e3).toBeCloseTo((2 * 1000 * Math.SQRT2 * 0.9752) / 1200, 1);
    const [box] = fight.remedies;
    expect(box).toMatchObject({ label: 'Use a stereo direct box', gives: 'Clear' });
    const mended = applyToRig(lockNine, 'piano-left', box.edits);
    const after = verdicts(checkRig(mended));
    expect([after['piano-left'], after['piano-right']]).toEqual(['Clear', 'Clear']);
    expect(mended.lines.find(({ id }) => id === 'piano-right')!.inlet).toEqual({
      device: 'desk',
      inlet: '15',
    });
  });
  test('a link-through on to an amplifier’s inlet is no fight, and both hear the source', () => {
    const box = { kind: 'passive-direct-box', id: 'box' };
    const document: RigDocument = {
      ...rig([line('direct', 'line-output', '1', { links: [box, cable()] })], 'off'),
      devices: [
        desk(1, 'off'),
        { id: 'mixer', name: 'Mixer', inlets: [{ id: '1', kind: 'balanced-jack' }], groups: [] },
      ],
    };
    document.lines.push({
      id: 'on',
      name: 'on',
      source: { from: { line: 'direct', link: 'box', port: 'through' } },
      links: [],
      inlet: { device: 'mixer', inlet: '1' },
    });
    const { lines } = checkRig(document);
    for (const { findings } of lines) expect(findings.map(({ code }) => code)).not.toContain('through-as-input');
    // 150 Ω into 20 kΩ beside the box's 288 kΩ.
    expect(lines[1].readings.signal.channels[0].level!).toBeGreaterThan(-0.2);
  });
});

test('a line that cannot be solved is told by itself; the others are judged', () => {
  const broken = rig([line('fine', 'moving-coil', '1'), line('broken', 'moving-coil', '2')], 'off');
  const { lines, unsolved } = fullRigResult(broken);
  expect(lines.map(({ id }) => id)).toEqual(['fine', 'broken']);
  expect(unsolved).toEqual([]);
});

test('every switch can be asked at once', () => {
  expect(allGroupFeeds(lockNine)).toHaveLength(lockNine.devices.flatMap(({ groups }) => groups).length);
});

test('the same rig gives the same answer twice, and a summary the verdict of the whole', () => {
  expect(checkRig(lockNine)).toEqual(checkRig(structuredClone(lockNine)));
  const brief = verdicts(checkRig(lockNine));
  for (const { id, verdict } of fullRigResult(lockNine).lines) expect(brief[id]).toBe(verdict);
});
