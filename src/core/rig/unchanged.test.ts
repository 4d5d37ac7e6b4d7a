import { readFileSync } from 'node:fs';
import {
  addLine,
  duplicateLine,
  duplicatedTogether,
  copied,
  freeInlets,
  merged,
  moveLine,
  movedTogether,
  parseDocument,
  pasted,
  removeLine,
  reorderLine,
  rigPath,
  setFeed,
  withCable,
  withDevice,
  withLocation,
  withNames,
  withNote,
  withoutDevice,
  type RigDocument,
} from '.';

/** Whatever would change it in place throws. */
function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null) return value;
  Object.values(value).forEach(frozen);
  return Object.freeze(value);
}

const load = () => parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
const rig = frozen(load());
const [first, second, third] = rig.lines.map(({ id }) => id);
const [desk] = rig.devices;

describe('paths are looked up once a document: nothing changes one in place', () => {
  const { to } = freeInlets(rig)[0];
  const changes: Record<string, (document: RigDocument) => unknown> = {
    'add a line': (document) => addLine(document, { ...document.lines[0], inlet: to } as RigDocument['lines'][number]),
    'duplicate a line': (document) => duplicateLine(document, first, to),
    'duplicate several': (document) => duplicatedTogether(document, [first], () => to),
    'copy and paste': (document) => pasted(document, copied(document, [first, second])),
    'move a line': (document) => moveLine(document, first, to),
    'move several': (document) => movedTogether(document, [first, second], to),
    'put one before another': (document) => reorderLine(document, third, first),
    'remove a line': (document) => removeLine(document, first),
    'remove a device': (document) => withoutDevice(document, desk.id),
    'turn a switch': (document) => setFeed(document, desk.id, desk.groups[0].id, 'off'),
    'change a device': (document) => withDevice(document, desk.id, (device) => ({ ...device, name: 'Other' })),
    'another cable': (document) => withCable(document, [first, second], () => ({ kind: 'cable' })),
    'another place': (document) => withLocation(document, [first], 'Hold'),
    'a note': (document) => withNote(document, [first], 'seen', 500),
    names: (document) => withNames(document, [first, second], 'Trio #'),
    'two changes come together': (document) =>
      merged(document, removeLine(document, first), setFeed(document, desk.id, desk.groups[0].id, 'off')),
  };
  test.each(Object.entries(changes))('%s', (_, change) => {
    expect(() => change(rig)).not.toThrow(TypeError);
    expect(rig).toEqual(load());
  });

  test('a change is another document, and is followed anew', () => {
    const before = rigPath(rig, first)!;
    const after = rigPath(setFeed(rig, before.inlet.device, groupOf(before.inlet), 'off'), first)!;
    expect(after).not.toBe(before);
    expect(before.line.inlet.choices?.feed).not.toBe(after.line.inlet.choices?.feed);
    expect(rigPath(rig, first)!.line.inlet).toEqual(before.line.inlet);
  });
  const groupOf = ({ device, inlet }: { device: string; inlet: string }) =>
    rig.devices.find(({ id }) => id === device)!.groups.find(({ inlets }) => inlets.includes(inlet))!.id;
});
