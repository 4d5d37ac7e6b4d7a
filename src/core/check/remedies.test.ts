import { lineResult, type LineResult } from '.';
import { DEFAULT_SCHOOLS } from '../schools';
import type { FreeInlet } from '../gear/edits';
import type { FeedSwitch, Line, Part } from '../gear';
import type { Spare } from './case';
import {
  adapter,
  booster,
  camera,
  condenser,
  dynamic,
  guitar,
  isolator,
  lavalier,
  lineJack,
  output,
  passiveBox,
  quietDynamic,
  short,
  supplyBox,
  swap,
  t12Box,
  ts,
  xlr,
  xlrIn,
  comboIn,
} from './casebook/parts';
import { line } from './casebook/situation';
import { withFloor } from './floor';
import { sparesOf } from './spares';

/** What an engineer would try first stands first (common practice). */
const own = (reaches: string[] = []): FeedSwitch => ({ name: 'bank', offers: ['P48'], reaches });
const free = (id: string, inlet: Part, more: Partial<FreeInlet> = {}): FreeInlet => ({
  to: { device: 'device', inlet: id },
  inlet: { ...inlet, name: `inlet ${id}` },
  ...more,
});
const judged = (asked: Line, around: { free?: FreeInlet[]; kit?: Spare[] } = {}): LineResult =>
  lineResult(asked, DEFAULT_SCHOOLS, around);
const remediesOf = (result: LineResult, code: string) =>
  result.findings.find((finding) => finding.code === code)!.remedies;
const first = (asked: Line, code: string, around = {}) => remediesOf(judged(asked, around), code)[0];

test('what should not be in the way is taken out', () => {
  const shared = { ...line(condenser, booster, xlr(10), xlrIn('P48')), switch: own(['other']) };
  expect(first(shared, 'unpowered')).toMatchObject({ by: 'take out', label: 'Remove Inline booster', gives: 'Clear' });
  expect(first(line(condenser, isolator, xlr(10), xlrIn('P48')), 'unpowered').by).toBe('take out');
  expect(first(line(condenser, t12Box(), xlr(10), xlrIn('P48')), 'unpowered').label).toBe('Remove T12 supply box');
});

test('the socket that is meant for it comes before anything that is added', () => {
  const found = first(line(output('ts635'), ts(3), comboIn('instrument')), 'headroom-short', {
    free: [free('7', lineJack)],
  });
  expect(found).toMatchObject({ by: 'right socket', label: 'Move to inlet 7' });
  const quiet = first(line(dynamic, xlr(3), adapter('xlr-to-trs'), lineJack), 'gain-short', {
    free: [free('3', xlrIn(), { switch: own() })],
  });
  expect(quiet).toMatchObject({ by: 'right socket', gives: 'Clear' });
});

test('a lavalier goes into a free plug-in inlet on its own lead, if that reaches', () => {
  const plain = line(lavalier(), adapter('mini-to-xlr-grounded'), xlr(2), xlrIn('P48'));
  const near = first(plain, 'capsule-overvoltage', { free: [free('camera', camera())] });
  expect(near).toMatchObject({ by: 'right socket', note: expect.stringContaining('on its own lead') });
  const far = remediesOf(judged(plain, { free: [free('camera', camera(), { run: 20 })] }), 'capsule-overvoltage');
  expect(far.map(({ by }) => by)).not.toContain('right socket');
});

test('the switch on the box in hand: a supply box is set to 48 V, a pad goes out, a direct box gets its pad', () => {
  expect(first(line(condenser, supplyBox('off'), xlr(5), xlrIn()), 'unpowered')).toMatchObject({
    by: 'setting',
    label: 'Set Supply box to 48 V',
    gives: 'Clear',
  });
  const padded = judged(line(quietDynamic, xlr(5), xlrIn('off', { pad: 'on' })));
  expect(remediesOf(padded, 'gain-short').map(({ label }) => label)).not.toContain('Add a pad');
  const loud = line(output('ts635'), ts(2), { kind: 'active-direct-box' }, xlr(10), xlrIn('P48'));
  expect(first(loud, 'headroom-short')).toMatchObject({ by: 'setting', label: 'Pad in: Active direct box (20 dB)' });
});

test('a switch that reaches nobody else is in hand; a shared one comes last', () => {
  expect(first({ ...line(condenser, xlr(5), xlrIn()), switch: own() }, 'unpowered').label).toBe('Try bank at 48 V');
  const shared = remediesOf(judged({ ...line(condenser, xlr(5), xlrIn()), switch: own(['ribbon']) }), 'unpowered');
  expect(shared.at(-1)).toMatchObject({ by: 'shared switch', label: 'Try bank at 48 V' });
});

describe('with a kit', () => {
  const spare = (part: Part, name: string, count = 1): Spare => ({ part: { ...part, name }, name, count });
  test('another cable comes out of it, long enough and good', () => {
    const kit = [spare(xlr(5), 'cable 5 m'), spare(xlr(15), 'cable 15 m')];
    const found = first(line(dynamic, xlr(10, short('3', '1')), xlrIn('P48')), 'element-direct-current', { kit });
    expect(found).toMatchObject({
      by: 'cable',
      label: 'Replace Cable with cable 15 m',
      note: 'from your kit',
      owned: true,
    });
  });
  test('without one that serves it says so', () => {
    const found = first(line(dynamic, xlr(10, swap('2', '3')), xlrIn()), 'reversed', {
      kit: [spare(xlr(5), 'cable 5 m')],
    });
    expect(found).toMatchObject({ label: 'Replace Cable with a good one', owned: false });
  });
  test('what lies in it comes before what would have to be bought', () => {
    const asked = { ...line({ kind: 'passive-ribbon' }, xlr(5), xlrIn('P48')), switch: own(['other']) };
    const adds = remediesOf(
      judged(asked, { kit: [spare({ kind: 'inline-booster' }, 'booster A')] }),
      'ribbon-fed',
    ).filter(({ by }) => by === 'add');
    expect(adds[0]).toMatchObject({ label: 'Add booster A', owned: true });
    expect(adds.at(-1)).toMatchObject({ note: expect.stringContaining('not in your kit'), owned: false });
  });
  test('what a line of the rig uses is not there to be added', () => {
    const kit = sparesOf(
      [
        { id: 'iso', name: 'transformer', count: 1, role: 'link', part: { kind: 'isolating-transformer' } },
        { id: 'pad', name: 'pad', count: 2, role: 'link', part: { kind: 'pad' } },
      ],
      {
        lines: [
          {
            id: 'a',
            name: 'a',
            source: { kind: 'moving-coil' },
            links: [
              { kind: 'isolating-transformer', item: 'iso' },
              { kind: 'pad', item: 'pad' },
            ],
            inlet: { device: 'd', inlet: '1' },
          },
        ],
      },
    );
    expect(kit.map(({ count }) => count)).toEqual([0, 1]);
  });
});

test('no plug-in-power adapter behind anything that is no electret', () => {
  const laptop = judged(line(output('trs35', 'direct', -2), adapter('mini-to-xlr-open'), xlr(3), xlrIn('P48')));
  const labels = laptop.findings.flatMap(({ remedies }) => remedies.map(({ label }) => label));
  expect(labels.length).toBeGreaterThan(0);
  expect(labels.join()).not.toMatch(/plug-in-power/);
});

test('a laptop’s cancelling plug: a stereo box or a dual-mono lead', () => {
  const found = judged(line(output('trs35', 'direct', -2), adapter('mini-to-xlr-balanced'), xlr(3), xlrIn()));
  const labels = remediesOf(found, 'mono-cancelled').map(({ label }) => label);
  expect(labels).toEqual(expect.arrayContaining(['Use a dual-mono lead (3.5 mm to two XLR)']));
  expect(labels.join()).not.toMatch(/plug-in-power/);
});

test('two steps where one is not enough', () => {
  const asked = { ...line(condenser, isolator, xlr(5), xlrIn()), switch: own(['ribbon']) };
  const both = remediesOf(judged(asked), 'unpowered');
  expect(both.some(({ gives }) => gives === 'Clear')).toBe(true);
  // The box in hand, and what it lives on.
  const box = line(guitar, ts(3), { kind: 'active-direct-box' }, xlr(10), { kind: 'xlr-line' });
  expect(remediesOf(judged(box), 'unpowered')[0].label).toMatch(/Battery of Active direct box switched on/);
});

test('a lead that the stage does not allow is not offered', () => {
  const long = line(output('ts635'), ts(8), lineJack);
  const labels = (asked: Line) => remediesOf(judged(asked), 'long-unbalanced').map(({ label }) => label);
  expect(labels({ ...long, run: 20 })).not.toContain('Use a lead of 3 m');
  expect(labels(long)).not.toContain('Use a lead of 3 m');
  expect(labels({ ...long, run: 2.5 })).toContain('Use a lead of 3 m');
});

test('a box belongs at the player’s end', () => {
  const found = first(line(output('ts635'), ts(10), passiveBox(), xlr(2), xlrIn()), 'long-unbalanced');
  expect(found).toMatchObject({ by: 'take out', label: "Put Passive direct box at the player's end", gives: 'Clear' });
});

test('over two adapters and a TRS lead: one XLR cable instead', () => {
  const asked = line(
    dynamic,
    adapter('xlr-to-trs'),
    { kind: 'cable', choices: { connector: 'trs635' } },
    adapter('trs-to-xlr'),
    xlrIn('P48'),
  );
  expect(first(asked, 'exposed-patch')).toMatchObject({ label: 'Run one XLR cable straight through', gives: 'Clear' });
});

test('where nothing mends it, it says what to look at', () => {
  const party = judged(line(dynamic, xlr(10), { kind: 'two-wire-intercom', choices: { feed: 'intercom' } }));
  const finding = party.findings.find(({ code }) => code === 'intercom-line')!;
  if (finding.remedies.length === 0) expect(finding.look).toMatch(/\.$/);
  for (const { remedies, look } of party.findings)
    expect(remedies.length > 0 || look === undefined || look.length > 5).toBe(true);
});

const every = (dbfs: number) => ({ 'as-set': dbfs, 'cut-80': dbfs, 'a-weighted': dbfs });

describe('the noise floor takes part in the verdict where it is known', () => {
  const quiet = judged(line(dynamic, xlr(5), xlrIn()));
  test('above the target it is Watch, with both figures', () => {
    const heard = withFloor(quiet, DEFAULT_SCHOOLS, { dbfs: every(-52), from: 'measured' });
    expect(heard.verdict).toBe('Watch');
    expect(heard.findings[0]).toMatchObject({ code: 'noise-floor', what: 'Noise floor 8 dB over your target' });
  });
  test('at the target, unknown, or on a dead line it says nothing', () => {
    expect(withFloor(quiet, DEFAULT_SCHOOLS, { dbfs: every(-60.5), from: 'measured' })).toBe(quiet);
    expect(withFloor(quiet, DEFAULT_SCHOOLS, undefined)).toBe(quiet);
    const dead = judged(line(condenser, xlr(5), xlrIn()));
    expect(withFloor(dead, DEFAULT_SCHOOLS, { dbfs: every(-20), from: 'measured' })).toBe(dead);
  });
  test('a figure typed in for the target counts', () => {
    expect(
      withFloor(quiet, { ...DEFAULT_SCHOOLS, noiseFloor: '-45' }, { dbfs: every(-52), from: 'measured' }).verdict,
    ).toBe('Clear');
  });
});
