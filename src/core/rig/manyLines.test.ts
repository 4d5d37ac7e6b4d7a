import { readFileSync } from 'node:fs';
import {
  copied,
  duplicatedTogether,
  emptyRig,
  movedTogether,
  parseDocument,
  pasted,
  readDocument,
  withCable,
  withLocation,
  withNames,
  withNote,
  type RigDocument,
} from '.';
import { bestFreeInlet } from '../rigcheck';
import { cableMeant, readTyped, typedText, withTyped } from '../typed';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const bare: RigDocument = { ...demo, lines: [], wishes: undefined, units: undefined, mains: undefined };
const rig = withTyped(
  bare,
  readTyped(bare, [], '3 x dynamic "Voice #" > 5 m > desk 1-3; SDC "Violin" > desk 4'),
).document;
const [one, two, three, violin] = rig.lines.map(({ id }) => id);
const line = (document: RigDocument, id: string) => document.lines.find((each) => each.id === id)!;

test('a cable: in place of the last one, before the inlet where there is none; other links stay', () => {
  const cable = { kind: 'cable', name: 'cable 20 m' };
  const next = withCable(rig, [one, violin], () => cable);
  expect(line(next, one).links).toEqual([cable]);
  expect(line(next, violin).links.at(-1)).toEqual(cable);
  expect(line(next, two)).toBe(line(rig, two));
  const boxed = { ...rig, lines: [{ ...line(rig, one), links: [{ kind: 'pad' }] }] };
  expect(withCable(boxed, [one], () => cable).lines[0].links).toEqual([{ kind: 'pad' }, cable]);
});

test('a cable that another line hangs on keeps its id', () => {
  const own = { ...rig, lines: [{ ...line(rig, one), links: [{ kind: 'cable', id: 'joint' }] }] };
  expect(withCable(own, [one], () => ({ kind: 'cable', name: 'new' })).lines[0].links).toEqual([
    { kind: 'cable', name: 'new', id: 'joint' },
  ]);
});

test('a position: the one of that name, whatever its case, else a new one', () => {
  const known = demo.locations![0];
  expect(line(withLocation(rig, [one], known.name.toUpperCase()), one).location).toBe(known.id);
  const made = withLocation(rig, [one, two], 'Foredeck');
  expect(made.locations).toHaveLength(demo.locations!.length + 1);
  expect(line(made, two).location).toBe(made.locations!.at(-1)!.id);
  expect(() => readDocument(structuredClone(made))).not.toThrow();
});

test('a note comes behind what is there; too long a one changes nothing', () => {
  const once = withNote(rig, [one], 'close', 500) as RigDocument;
  expect(line(withNote(once, [one, two], 'tall boom', 500) as RigDocument, one).note).toBe('close; tall boom');
  expect(withNote(once, [one], 'x'.repeat(499), 500)).toEqual({
    problem: 'The note of Voice 1 would have more than 500 characters.',
  });
});

test('moved together: in their order from an inlet on, among themselves too; nobody else is pushed away', () => {
  const inlets = (next: RigDocument) =>
    [one, two, three].map((id) => (line(next, id).inlet as { inlet: string }).inlet);
  expect(inlets(movedTogether(rig, [one, two, three], { device: 'desk', inlet: '9' }) as RigDocument)).toEqual([
    '9',
    '10',
    '11',
  ]);
  expect(inlets(movedTogether(rig, [three, two, one], { device: 'desk', inlet: '1' }) as RigDocument)).toEqual([
    '3',
    '2',
    '1',
  ]);
  expect(movedTogether(rig, [one, two, three], { device: 'desk', inlet: '2' })).toEqual({
    problem: 'Hold desk, inlet 4 is taken by Violin.',
  });
  expect(movedTogether(rig, [one, two, three], { device: 'stream', inlet: '1' })).toEqual({
    problem: 'Stream interface has 2 inlets from 1 on; 3 are needed.',
  });
});

test('names in a series; what another line is called is numbered on', () => {
  const named = (series: string) => [one, two].map((id) => line(withNames(rig, [one, two], series), id).name);
  expect(named('Guest #')).toEqual(['Guest 1', 'Guest 2']);
  expect(named('Guest')).toEqual(['Guest 1', 'Guest 2']);
  expect(line(withNames(rig, [one], 'Violin#'.replace('#', '')), one).name).toBe('Violin 1');
  expect(new Set(withNames(rig, [one, two], 'Voice #').lines.map(({ name }) => name)).size).toBe(4);
});

test('duplicated together, each on a free inlet; where they run out nothing is changed', () => {
  const made = duplicatedTogether(rig, [one, two], bestFreeInlet) as { document: RigDocument; ids: string[] };
  expect(made.ids).toHaveLength(2);
  expect(() => readDocument(structuredClone(made.document))).not.toThrow();
  const full = { ...rig, devices: rig.devices.map((device) => ({ ...device, inlets: device.inlets.slice(0, 4) })) };
  const many = Array.from({ length: 64 }, () => one);
  expect(duplicatedTogether(full, many, bestFreeInlet)).toEqual({
    problem: expect.stringMatching(/^Only \d+ of 64 find a free inlet/),
  });
});

test('copied into another rig: the same inlet of the device of that name, else the next free one; positions come along', () => {
  const placed = withLocation(rig, [one], 'Foredeck');
  const lines = copied(placed, [one, two]);
  const other: RigDocument = { ...bare, locations: undefined, runs: undefined };
  const same = pasted({ ...other, devices: bare.devices.map(({ location: _, ...device }) => device) }, lines);
  expect(same).toMatchObject({ ids: ['voice-1', 'voice-2'].map(() => expect.any(String)), elsewhere: 0 });
  expect((same as { document: RigDocument }).document.locations).toMatchObject([{ name: 'Foredeck' }]);
  const again = pasted(rig, lines) as { document: RigDocument; elsewhere: number };
  expect(again.elsewhere).toBe(2);
  expect(new Set(again.document.lines.map(({ name }) => name)).size).toBe(6);
  expect(() => readDocument(structuredClone(again.document))).not.toThrow();
  expect(pasted(emptyRig('empty'), lines)).toEqual({ problem: 'Only 0 of 2 find a free inlet.' });
});

test('what hangs on another line’s link is not copied by itself', () => {
  const hanging = demo.lines.filter(({ source, inlet }) => 'from' in source || 'into' in inlet).map(({ id }) => id);
  expect(hanging.length).toBeGreaterThan(0);
  expect(copied(demo, hanging)).toEqual([]);
});

test('as text, copied lines are what somebody would type: read again they are the same', () => {
  const typed = typedText(rig, [one, violin]);
  expect(typed.split('\n')[0]).toBe('Dynamic "Voice 1" > cable 5 m > Hold desk 1');
  const again = withTyped(bare, readTyped(bare, [], typed)).document.lines;
  expect(again.map(({ name, inlet, links }) => [name, inlet, links.map(({ kind }) => kind)])).toEqual(
    [one, violin]
      .map((id) => line(rig, id))
      .map(({ name, inlet, links }) => [name, inlet, links.map(({ kind }) => kind)]),
  );
});

test('a length keeps the plug that each line has there', () => {
  const keys = withTyped(bare, readTyped(bare, [], 'keyboard "Keys" > 3 m > desk 5; dynamic > 5 m > desk 6')).document;
  const cable = cableMeant([], '7 m')!;
  const plugs = withCable(
    keys,
    keys.lines.map(({ id }) => id),
    cable,
  ).lines.map(({ links }) => links[0].choices?.connector);
  expect(plugs).toEqual([expect.stringMatching(/^t/), undefined]);
  expect(cableMeant([], 'a rope')).toBeUndefined();
  expect(cableMeant([], 'pad')).toBeUndefined();
});
