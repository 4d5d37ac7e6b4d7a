import * as gear from '../../../../tests/lines/gear';
import { checked, codes, desk, find, number } from '../../../../tests/lines/lines';
import { checkRigLine } from '../../rigcheck';
import { emptyRig, readDocument, type RigDocument } from '../../rig';
import { applyToRig } from '../../rig/rigEdits';
import type { Branch, Line, Part } from '../../gear';

const { line, shared, xlr, xlrIn, dynamic, condenser, output, yLead, splitter } = gear;

const two = (source: Part, other: Part, joint: Part, feed = 'off', more: Partial<Branch> = {}): Line =>
  shared(line(source, joint, xlr(5), xlrIn(feed)), 0, { source: other, ...more });
const away = (source: Part, joint: Part, feed: string, more: Partial<Branch>): Line => ({
  ...shared(line(source, joint, xlr(5), xlrIn(feed)), 0, { name: 'Stream', inlet: xlrIn(), device: 'stream', ...more }),
  device: 'desk',
});

describe('two sources on the same wires', () => {
  test.each([
    ['a Y-lead', yLead('sum')],
    ['a splitter used backwards', splitter('combine')],
  ])('%s: both lines are told, with the other by its name', (_, joint) => {
    const found = find(checked(two(dynamic, dynamic, joint)), 'outputs-meet');
    expect(found).toMatchObject({ severity: 'watch', part: 0 });
    expect(found.what).toBe('Two sources on the same wires: “the other line”');
    expect(number(found, 'Level lost')).toBeLessThan(-5);
  });

  test('the current is that of both at their peaks: two outputs of 150 Ω and 4 dBu', () => {
    // Each drives 2 · √2 · 1.228 V across twice 150 Ω and its half of the cable's load.
    const found = find(checked(two(output('xlr3'), output('xlr3'), yLead('sum'))), 'outputs-meet');
    expect(number(found, 'Peak current') * 1e3).toBeGreaterThan(11);
    expect(number(found, 'Peak current') * 1e3).toBeLessThan((2 * Math.SQRT2 * 1228) / 300);
  });

  test('a directly coupled one is harmed above what it is rated for', () => {
    expect(checked(two(output('xlr3', 'direct'), output('xlr3'), yLead('sum'))).verdict).toBe('Stop');
    const rated = {
      ...output('xlr3', 'direct'),
      figures: { ...output('xlr3').figures, directCurrent: { value: 20, unit: 'mA', basis: 'maker' } },
    } as Part;
    expect(find(checked(two(rated, output('xlr3'), yLead('sum'))), 'outputs-meet').severity).toBe('watch');
  });

  test.each([
    ['two microphones left and right', line(gear.lavalier('ts35'), gear.twoMono, gear.camera()), 'right'],
    ['a stereo box', line(output('ts635'), gear.stereoBox, xlr(5), xlrIn()), 'right'],
  ])('%s are kept apart: nothing meets', (_, host, port) => {
    const asked = { ...shared(host, 0, { source: host.source }) };
    asked.branches![0].port = port;
    expect(codes(checked(asked))).not.toContain('outputs-meet');
  });
});

describe('an inlet of its own for each source', () => {
  /** Two dynamics on one joint into inlet 1 of a desk with so many inlets. */
  const rig = (joint: Part, inlets: number): RigDocument =>
    readDocument({
      ...emptyRig('Wheelhouse'),
      devices: [desk(inlets, 'off')],
      lines: [
        {
          id: 'guide',
          name: 'Guide',
          source: dynamic,
          links: [{ ...joint, id: 'joint' }, xlr(5)],
          inlet: { device: 'desk', inlet: '1' },
        },
        {
          id: 'keeper',
          name: 'Lock keeper',
          source: dynamic,
          links: [xlr(2)],
          inlet: { into: { line: 'guide', link: 'joint', port: 'b' } },
        },
      ],
    });
  const remedies = (document: RigDocument, id: string) =>
    checkRigLine(document, id)!.findings.find(({ code }) => code === 'outputs-meet')!.remedies;

  test.each([
    ['Y-lead', yLead('sum')],
    ['Splitter', splitter('combine')],
  ])('%s: the guest moves, whichever of the two lines is asked, and both are Clear', (name, joint) => {
    const document = rig(joint, 3);
    for (const id of ['guide', 'keeper']) {
      const [move, ...others] = remedies(document, id);
      // Any other inlet of the same device would do as well: one is named.
      expect(others.filter(({ label }) => label.startsWith('Move “'))).toEqual([]);
      expect(move).toMatchObject({
        label: 'Move “Lock keeper” to Desk, inlet 2',
        note: `without ${name}`,
        gives: 'Clear',
      });
      const apart = readDocument(applyToRig(document, id, move.edits));
      expect(apart.lines.map(({ inlet }) => inlet)).toEqual([
        { device: 'desk', inlet: '1' },
        { device: 'desk', inlet: '2' },
      ]);
      expect(apart.lines[0].links).toEqual([xlr(5)]);
      for (const each of ['guide', 'keeper']) expect(checkRigLine(apart, each)!.verdict).toBe('Clear');
    }
  });

  test('where no inlet is free it says what to look for', () => {
    const found = checkRigLine(rig(yLead('sum'), 1), 'guide')!.findings.find(({ code }) => code === 'outputs-meet')!;
    expect(found.remedies).toEqual([]);
    expect(found.look).toBe('Give each source an inlet, or a box with two inputs.');
  });

  test('a Y-lead that a third one is plugged into stays', () => {
    const document = rig(splitter('combine'), 4);
    const three: RigDocument = {
      ...document,
      lines: [
        {
          ...document.lines[0],
          links: [{ ...splitter('combine'), id: 'joint', choices: { use: 'combine', outlets: 'three' } }, xlr(5)],
        },
        document.lines[1],
        {
          ...document.lines[1],
          id: 'third',
          name: 'Third',
          inlet: { into: { line: 'guide', link: 'joint', port: 'c' } },
        },
      ],
    };
    const free = { to: { device: 'desk', inlet: '2' }, inlet: xlrIn() };
    const apart = readDocument(applyToRig(three, 'guide', [{ do: 'separate', at: 0, line: 'keeper', ...free }]));
    expect(apart.lines[0].links).toHaveLength(2);
    expect(apart.lines[1].inlet).toEqual({ device: 'desk', inlet: '2' });
    expect(apart.lines[2].inlet).toEqual({ into: { line: 'guide', link: 'joint', port: 'c' } });
  });
});

describe('one source on two inlets', () => {
  test('a passive Y to two devices is named, with the school that minds it', () => {
    const found = find(checked(away(dynamic, yLead('split'), 'off', { port: 'b' })), 'passive-y');
    expect(found).toMatchObject({ severity: 'watch', part: 0, school: { name: 'twoDesks', choice: 'transformer' } });
    expect(found.why).toMatch(
      /a hum loop if both are on mains earth, twice the load, and either switch feeds the source/,
    );
    expect(found.remedies[0]).toMatchObject({ label: 'Use a splitter', gives: 'Clear' });
  });

  test('two inlets of one device: a note', () => {
    const same = away(dynamic, yLead('split'), 'off', { port: 'b', device: 'desk' });
    expect(find(checked(same), 'passive-y').severity).toBe('note');
    expect(checked(same).verdict).toBe('Clear');
  });

  test('the other school takes it where both float, and only there', () => {
    const grounds = (own: Line['ground'], other: Line['ground']) => ({
      ...away(dynamic, yLead('split'), 'off', { port: 'b', ground: other }),
      ground: own,
    });
    const school = { twoDesks: 'passive-y' } as const;
    expect(checked(grounds('floating', 'floating'), school).verdict).toBe('Clear');
    expect(checked(grounds('floating', 'earthed'), school).verdict).toBe('Watch');
    expect(checked(grounds('floating', 'unknown'), school).verdict).toBe('Watch');
    expect(checked(grounds('floating', 'floating')).verdict).toBe('Watch');
  });

  test('two feeds in parallel: each gives half, and what is left when either goes off', () => {
    const both = away(condenser, yLead('split'), 'P48', { port: 'b', inlet: xlrIn('P48') });
    const found = find(checked(both), 'shared-feeds');
    expect(found.severity).toBe('watch');
    expect(number(found, 'Feed current from this inlet') * 1e3).toBeCloseTo(1.5, 2);
    expect(number(found, 'with this inlet off')).toBeGreaterThan(35);
    expect(found.remedies[0]).toMatchObject({ label: 'Try the feed off' });
  });

  test.each([
    ['off', 'P48', undefined],
    ['P48', 'off', undefined],
    ['P48', 'P48', 'watch'],
  ])('this feed %s, the other %s', (own, other, expected) => {
    const asked = away(condenser, yLead('split'), own, { port: 'b', inlet: xlrIn(other) });
    expect(checked(asked).findings.find(({ code }) => code === 'shared-feeds')?.severity).toBe(expected);
  });

  test('on the isolated output of a splitter the second feed is a note', () => {
    const asked = away(condenser, splitter(), 'P48', { port: 'b', inlet: xlrIn('P48') });
    expect(find(checked(asked), 'shared-feeds').severity).toBe('note');
    expect(checked(asked).verdict).toBe('Clear');
  });

  test('the other desk’s 48 V reaches a ribbon over a Y-lead as well', () => {
    const asked = away(gear.ribbon('unknown'), yLead('split'), 'off', { port: 'b', inlet: xlrIn('P48') });
    expect(checked(asked).verdict).toBe('Stop');
    const isolated = away(gear.ribbon('unknown'), splitter(), 'off', { port: 'b', inlet: xlrIn('P48') });
    expect(checked(isolated).verdict).toBe('Clear');
  });
});
