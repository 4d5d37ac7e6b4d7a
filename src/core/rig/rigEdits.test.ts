import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { cable, desk } from '../../../tests/lines/lines';
import { checkRig } from '../rigcheck';
import type { Edit } from '../gear/edits';
import {
  addLine,
  applyToRig,
  differences,
  duplicateLine,
  emptyRig,
  endsInLink,
  freeId,
  freeInlets,
  freeName,
  freeSockets,
  merged,
  moveLine,
  newDevice,
  parseDocument,
  plugInto,
  readDocument,
  removeLine,
  reorderLine,
  rigPath,
  sections,
  setFeed,
  startFrom,
  startsAtLink,
  withoutDevice,
  type RigDocument,
} from '.';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const lineOf = (rig: RigDocument, id: string) => rig.lines.find((line) => line.id === id)!;
const kinds = (rig: RigDocument, id: string) => lineOf(rig, id).links.map(({ kind }) => kind);

describe('following lines', () => {
  test('a line into another one’s link goes on over the rest of that line', () => {
    const { line, inlet, owners } = rigPath(demo, 'piano-right')!;
    expect(line.links.map(({ kind }) => kind)).toEqual(['cable', 'passive-direct-box', 'cable']);
    expect(line.links[1].entry).toBe('through');
    expect(owners.map((owner) => owner.line)).toEqual(['piano-right', 'piano-left', 'piano-left']);
    expect(inlet).toEqual({ device: 'desk', inlet: '10' });
    expect(line.branches).toMatchObject([
      { line: 'piano-left', at: 1, port: '', source: { name: 'electric piano, left' } },
    ]);
  });
  test('a line from another one’s link begins at that line’s source', () => {
    const { line, source } = rigPath(demo, 'singer-stream')!;
    expect(source).toBe('singer');
    expect(line.links.map(({ kind }) => kind)).toEqual(['cable', 'splitter', 'cable']);
    expect(line.links[1].exit).toBe('b');
    expect(line.branches).toMatchObject([{ line: 'singer', at: 1, inlet: { name: 'Hold desk, inlet 11' } }]);
  });
  test('an inlet is called by its device and number, its switch says whom it reaches', () => {
    const { line } = rigPath(demo, 'ribbon-left')!;
    expect(line.inlet.name).toBe('Hold desk, inlet 3');
    expect(line.switch).toMatchObject({ name: 'Hold desk, bank A', offers: ['P48'] });
    expect(line.switch!.reaches).toContain('Announcer');
    expect(line.switch!.reaches).not.toContain('Double bass');
  });
  test('lines lie under their switch, free inlets with them', () => {
    const [bankA, bankB] = sections(demo);
    expect(bankA.lines).toHaveLength(8);
    expect(bankA.free).toEqual([]);
    expect(bankB.lines.map(({ line }) => line.id)).toContain('piano-right');
    expect(bankB.free.map(({ id }) => id)).toEqual(['15', '16']);
    expect(sections(demo).find(({ device, group }) => device.id === 'mixer' && !group)!.lines).toHaveLength(1);
  });
});

describe('edits found for one line land where they belong', () => {
  test('a link of another line, the switch of its inlet, its own links', () => {
    const over = applyToRig(demo, 'piano-right', [{ do: 'replace', part: 1, with: { kind: 'active-direct-box' } }]);
    expect(lineOf(over, 'piano-left').links[1]).toMatchObject({ kind: 'active-direct-box', id: 'box' });
    const fed = applyToRig(demo, 'ribbon-left', [{ do: 'choose', part: 'inlet', choice: 'feed', value: 'off' }]);
    expect(fed.devices.find(({ id }) => id === 'desk')!.groups[0].feed).toBe('off');
    expect(
      kinds(applyToRig(demo, 'piano-right', [{ do: 'insert', at: 0, part: { kind: 'pad' } }]), 'piano-right'),
    ).toEqual(['pad', 'cable']);
    expect(
      kinds(applyToRig(demo, 'singer-stream', [{ do: 'insert', at: 2, part: { kind: 'pad' } }]), 'singer-stream'),
    ).toEqual(['pad', 'cable']);
  });
  test('a link that others are plugged into is not taken out', () => {
    expect(kinds(applyToRig(demo, 'singer', [{ do: 'remove', at: 1 }]), 'singer')).toEqual([
      'cable',
      'splitter',
      'cable',
    ]);
    expect(kinds(applyToRig(demo, 'singer', [{ do: 'remove', at: 0 }]), 'singer')).toEqual(['splitter', 'cable']);
  });
  test('mending, renaming, figures, an inlet’s kind', () => {
    expect(lineOf(applyToRig(demo, 'announcer', [{ do: 'mend', at: 0 }]), 'announcer').links[0].faults).toBeUndefined();
    expect(lineOf(applyToRig(demo, 'announcer', [{ do: 'rename', name: 'Wheelhouse' }]), 'announcer').name).toBe(
      'Wheelhouse',
    );
    const jack = applyToRig(demo, 'announcer', [{ do: 'replace', part: 'inlet', with: { kind: 'combo' } }]);
    expect(jack.devices.find(({ id }) => id === 'desk')!.inlets[7]).toEqual({ id: '8', kind: 'combo' });
  });
  test('unknown lines change nothing', () => {
    expect(applyToRig(demo, 'nobody', [{ do: 'rename', name: 'x' }])).toBe(demo);
    expect(moveLine(demo, 'nobody', { device: 'desk', inlet: '15' })).toBe(demo);
  });
});

describe('moving and ordering', () => {
  test('to a free inlet, and against another line', () => {
    const away = moveLine(demo, 'ribbon-left', { device: 'desk', inlet: '15' });
    expect(lineOf(away, 'ribbon-left').inlet).toEqual({ device: 'desk', inlet: '15' });
    const swapped = moveLine(demo, 'ribbon-left', { device: 'bag', inlet: '1' });
    expect(lineOf(swapped, 'ribbon-left').inlet).toEqual({ device: 'bag', inlet: '1' });
    expect(lineOf(swapped, 'guide').inlet).toEqual({ device: 'desk', inlet: '3' });
  });
  test('before another one, and to the end', () => {
    const ids = (rig: RigDocument) => rig.lines.map(({ id }) => id);
    expect(ids(reorderLine(demo, 'wireless', 'pair-a-left'))[0]).toBe('wireless');
    expect(ids(reorderLine(demo, 'pair-a-left')).at(-1)).toBe('pair-a-left');
    expect(ids(reorderLine(demo, 'pair-a-left', 'nobody'))).toHaveLength(demo.lines.length);
  });
  test('free inlets are those that nothing is plugged into', () => {
    expect(freeInlets(demo).map(({ to }) => `${to.device} ${to.inlet}`)).toEqual([
      'desk 15',
      'desk 16',
      'bag 6',
      'stream 2',
      'mixer 2',
      'mixer 3',
      'mixer 4',
      'mixer 5',
      'mixer 6',
    ]);
  });
});

describe('taking lines out', () => {
  test('the line that ran over its links takes them over', () => {
    const without = removeLine(demo, 'piano-left');
    expect(lineOf(without, 'piano-right')).toMatchObject({
      links: [{ kind: 'cable' }, { kind: 'passive-direct-box' }, { kind: 'cable' }],
      inlet: { device: 'desk', inlet: '10' },
    });
    expect(readDocument(without)).toEqual(without);
    const alone = removeLine(demo, 'singer');
    expect(lineOf(alone, 'singer-stream')).toMatchObject({ source: { kind: 'active-moving-coil' } });
    expect(readDocument(alone)).toEqual(alone);
  });
  test.each(demo.devices.map(({ id }) => id))('a device goes with the lines that end in it: %s', (id) => {
    const without = withoutDevice(demo, id);
    expect(without.devices).toEqual(demo.devices.filter((device) => device.id !== id));
    expect(readDocument(without)).toEqual(without);
    const elsewhere = demo.lines.filter((line) => rigPath(demo, line.id)!.inlet.device !== id);
    expect(without.lines.map((line) => line.id)).toEqual(elsewhere.map((line) => line.id));
  });
  test('a copy stands on its own feet', () => {
    const twice = duplicateLine(demo, 'singer-stream', { device: 'desk', inlet: '15' });
    const copy = twice.lines.find(({ id }) => !demo.lines.some((line) => line.id === id))!;
    expect(startsAtLink(copy)).toBe(false);
    expect(copy.name).toBe('Guest singer, to the stream 2');
    expect(readDocument(twice)).toEqual(twice);
  });
});

describe('sockets', () => {
  test('a new line into a Y-lead, and one from a splitter’s third leg', () => {
    const start: RigDocument = {
      ...emptyRig('sockets'),
      devices: [desk(3, 'off')],
      lines: [
        {
          id: 'a',
          name: 'a',
          source: { kind: 'moving-coil' },
          links: [
            { kind: 'y-lead', choices: { use: 'sum' } },
            { kind: 'splitter', choices: { outlets: 'three' } },
          ],
          inlet: { device: 'desk', inlet: '1' },
        },
      ],
    };
    expect(freeSockets(start).map(({ port, side }) => `${port} ${side}`)).toEqual(['b input', 'b output', 'c output']);
    const two = addLine(start, {
      name: 'B',
      source: { kind: 'moving-coil' },
      links: [cable()],
      inlet: { device: 'desk', inlet: '2' },
    });
    const joined = plugInto(two, 'b', freeSockets(two)[0]);
    expect(endsInLink(lineOf(joined, 'b'))).toBe(true);
    const three = addLine(joined, {
      name: 'C',
      source: { kind: 'moving-coil' },
      links: [],
      inlet: { device: 'desk', inlet: '3' },
    });
    const whole = startFrom(
      three,
      'c',
      freeSockets(three).find(({ port }) => port === 'c')!,
    );
    expect(readDocument(whole)).toEqual(whole);
    expect(freeSockets(whole).map(({ port }) => port)).toEqual(['b']);
    expect(checkRig(whole).unsolved).toEqual([]);
  });
});

test('names and ids that nothing has yet; a device with a switch for each so many inlets', () => {
  expect(freeId([{ id: 'desk' }], 'Desk')).toBe('desk-2');
  expect(freeId([], '—')).toBe('x');
  expect(freeName([{ name: 'Desk' }, { name: 'Desk 2' }], 'Desk')).toBe('Desk 3');
  const { inlets, groups } = newDevice(demo, {
    name: 'Box',
    kind: 'three-pin',
    inlets: 5,
    perSwitch: 2,
    offers: ['P48'],
  });
  expect(inlets).toHaveLength(5);
  expect(groups.map((group) => group.inlets)).toEqual([['1', '2'], ['3', '4'], ['5']]);
  expect(
    newDevice(demo, { name: 'Mixer', kind: 'balanced-jack', inlets: 2, perSwitch: 2, offers: ['P48'] }).groups,
  ).toEqual([]);
});

describe('differences and merging', () => {
  const turned = setFeed(demo, 'desk', 'bank-a', 'off');
  const renamed = applyToRig(demo, 'guide', [{ do: 'rename', name: 'Guide at the bow' }]);
  test('are told by line and device', () => {
    expect(differences(demo, demo)).toEqual([]);
    expect(differences(demo, turned)).toEqual([{ name: 'Hold desk', what: 'changed', fields: ['switches'] }]);
    expect(differences(demo, renamed)).toEqual([{ name: 'Guide at the bow', what: 'changed', fields: ['name'] }]);
    expect(differences(demo, removeLine(demo, 'guide'))).toEqual([
      { name: "Guide's stand", what: 'removed', fields: [] },
    ]);
    expect(differences(demo, { ...demo, name: 'Other' })[0]).toEqual({ name: '', what: 'changed', fields: ['name'] });
    expect(differences(demo, reorderLine(demo, 'wireless', 'guide'))[0].fields).toEqual(['order of lines']);
  });
  test('two changes go together where they touch different things', () => {
    const both = merged(demo, turned, renamed)!;
    expect(lineOf(both, 'guide').name).toBe('Guide at the bow');
    expect(both.devices[0].groups[0].feed).toBe('off');
    expect(readDocument(both)).toEqual(both);
  });
  test('whatever either side adds, changes or takes away is there afterwards, in every field of a document', () => {
    const unit = (id: string) => ({ id, name: id, kind: 'computer' as const });
    const hears = (id: string, device: string) => ({ id, name: id, devices: [device] });
    const place = (id: string) => ({ id, name: id });
    const base: RigDocument = { ...demo, units: [unit('lamp')], monitors: [hears('hall', 'desk')] };
    const mine: RigDocument = {
      ...base,
      units: [unit('lamp'), unit('mine')],
      monitors: [hears('hall', 'desk'), hears('mine', 'bag')],
      locations: [...demo.locations!, place('mine')],
      wishes: { neighbours: [['pair-a-left', 'pair-a-right']] },
      note: 'mine',
    };
    const theirs: RigDocument = {
      ...base,
      units: [unit('theirs')],
      monitors: [{ ...hears('hall', 'desk'), name: 'Hall, main' }],
      locations: [...demo.locations!, place('theirs')],
      schools: { ribbonFeed: 'never' },
      name: 'theirs',
    };
    const both = merged(base, mine, theirs)!;
    const ids = (list: readonly { id: string }[] = []) => list.map(({ id }) => id);
    expect(ids(both.units)).toEqual(['mine', 'theirs']);
    expect(both.monitors).toEqual([{ ...hears('hall', 'desk'), name: 'Hall, main' }, hears('mine', 'bag')]);
    expect(ids(both.locations).slice(-2)).toEqual(['mine', 'theirs']);
    expect(both).toMatchObject({ wishes: mine.wishes, note: 'mine', schools: theirs.schools, name: 'theirs' });
    expect(readDocument(structuredClone(both))).toEqual(both);
    expect(differences(base, mine)[0].fields).toEqual(expect.arrayContaining(['units', 'monitors', 'wishes', 'note']));
    // The same thing changed on both sides: nothing is chosen for anybody.
    const other: RigDocument = { ...base, units: [{ ...unit('lamp'), name: 'Lamp, theirs' }] };
    expect(merged(base, { ...base, units: [{ ...unit('lamp'), name: 'Lamp, mine' }] }, other)).toBeUndefined();
    expect(merged(base, { ...base, wishes: mine.wishes }, { ...base, wishes: { pinned: [] } })).toBeUndefined();
  });
  test('but not on the same line, nor if two lines would meet on one inlet', () => {
    expect(merged(demo, applyToRig(demo, 'guide', [{ do: 'rename', name: 'x' }]), renamed)).toBeUndefined();
    const to = { device: 'desk', inlet: '15' };
    expect(merged(demo, moveLine(demo, 'guide', to), moveLine(demo, 'camera', to))).toBeUndefined();
  });
});

/** Any edit that a screen can make, at random. */
const someEdit: fc.Arbitrary<(rig: RigDocument) => RigDocument> = fc.oneof(
  fc.tuple(fc.nat(), fc.nat()).map(([a, b]) => (rig: RigDocument) => {
    const free = freeInlets(rig);
    const id = rig.lines[a % Math.max(rig.lines.length, 1)]?.id ?? '';
    return free.length ? moveLine(rig, id, free[b % free.length].to) : rig;
  }),
  fc.nat().map((a) => (rig: RigDocument) => removeLine(rig, rig.lines[a % Math.max(rig.lines.length, 1)]?.id ?? '')),
  fc
    .tuple(fc.nat(), fc.constantFrom('pad', 'cable', 'splitter', 'isolating-transformer'))
    .map(([a, kind]) => (rig: RigDocument) => {
      const line = rig.lines[a % Math.max(rig.lines.length, 1)];
      const edits: Edit[] = [{ do: 'insert', at: 0, part: { kind } }];
      return line ? applyToRig(rig, line.id, edits) : rig;
    }),
  fc.nat().map((a) => (rig: RigDocument) => {
    const line = rig.lines[a % Math.max(rig.lines.length, 1)];
    return line && line.links.length ? applyToRig(rig, line.id, [{ do: 'remove', at: 0 }]) : rig;
  }),
  fc.nat().map((a) => (rig: RigDocument) => {
    const free = freeInlets(rig)[0];
    const line = rig.lines[a % Math.max(rig.lines.length, 1)];
    return free && line ? duplicateLine(rig, line.id, free.to) : rig;
  }),
);

test('whatever is done to a rig, it stays a document, every line is followed, and the one before is untouched', () => {
  const before = structuredClone(demo);
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 1, maxLength: 12 }), (edits) => {
      const after = edits.reduce((rig, edit) => edit(rig), demo);
      expect(readDocument(JSON.parse(JSON.stringify(after)))).toEqual(JSON.parse(JSON.stringify(after)));
      expect(sections(after).flatMap(({ lines }) => lines)).toHaveLength(after.lines.length);
    }),
    { numRuns: 120 },
  );
  expect(demo).toEqual(before);
});
