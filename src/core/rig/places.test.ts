import { readFileSync } from 'node:fs';
import { parseDocument, readDocument, removeLine, runLength, withoutDevice, type RigDocument } from '.';

const demo = () => parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const refused = (change: (rig: RigDocument) => object): string[] => {
  try {
    readDocument({ ...demo(), ...change(demo()) });
    return [];
  } catch (error) {
    return (error as { refusals: { path: string; message: string }[] }).refusals.map(
      ({ path, message }) => `${path}: ${message}`,
    );
  }
};

test('a run is the same either way, and none within a place', () => {
  expect(runLength(demo(), 'stage', 'desk')).toBe(6);
  expect(runLength(demo(), 'desk', 'stage')).toBe(6);
  expect(runLength(demo(), 'desk', 'desk')).toBe(0);
  expect(runLength(demo(), 'desk', 'nowhere')).toBeUndefined();
});

describe('what a document says of things that are not in it is refused with its path', () => {
  test.each<[string, (rig: RigDocument) => object, RegExp]>([
    [
      'a location',
      (rig) => ({ devices: rig.devices.map((device) => ({ ...device, location: 'attic' })) }),
      /^devices\[0\]\.location: there is no location attic/,
    ],
    [
      'a run to nowhere',
      (rig) => ({ runs: [{ ...rig.runs![0], between: ['stage', 'attic'] }] }),
      /^runs\[0\]\.between\[1\]/,
    ],
    [
      'a run stated twice',
      (rig) => ({ runs: [rig.runs![0], { ...rig.runs![0], between: ['desk', 'stage'] }] }),
      /^runs\[1\]: .*already stated/,
    ],
    [
      'a pin of no line',
      () => ({ wishes: { pinned: [{ line: 'x', to: { device: 'desk', inlet: '1' } }] } }),
      /^wishes\.pinned\[0\]\.line/,
    ],
    [
      'a pin to no inlet',
      () => ({ wishes: { pinned: [{ line: 'guide', to: { device: 'desk', inlet: '99' } }] } }),
      /^wishes\.pinned\[0\]\.to\.inlet: Hold desk has no inlet 99/,
    ],
    [
      'two pins to one inlet',
      () => ({
        wishes: { pinned: ['guide', 'valve'].map((line) => ({ line, to: { device: 'desk', inlet: '1' } })) },
      }),
      /is pinned to this inlet already/,
    ],
    [
      'a forbidden inlet of no device',
      () => ({ wishes: { forbidden: [{ to: { device: 'x', inlet: '1' } }] } }),
      /^wishes\.forbidden\[0\]\.to\.device/,
    ],
    [
      'a neighbour that is not there',
      () => ({ wishes: { neighbours: [['guide', 'x']] } }),
      /^wishes\.neighbours\[0\]\[1\]/,
    ],
    [
      'an outlet that the supply does not have',
      (rig) => ({
        directCurrent: {
          ...rig.directCurrent!,
          loads: [{ ...rig.directCurrent!.loads[0], on: { supply: 'five-way', outlet: 6 } }],
        },
      }),
      /on\.outlet: Five-way supply has 5 outlets/,
    ],
    [
      'a supply that is not there',
      (rig) => ({ directCurrent: { ...rig.directCurrent!, supplies: [] } }),
      /on\.supply: there is no supply five-way/,
    ],
    [
      'limits the wrong way round',
      (rig) => ({
        directCurrent: {
          ...rig.directCurrent!,
          loads: [
            {
              ...rig.directCurrent!.loads[0],
              lowest: rig.directCurrent!.loads[0].highest,
              highest: rig.directCurrent!.loads[0].lowest,
            },
          ],
        },
      }),
      /lowest: must not be above the highest/,
    ],
    ['an unknown field', () => ({ wishes: { wanted: [] } }), /^wishes\.wanted/],
  ])('%s', (_, change, message) => {
    const all = refused(change);
    expect(all.some((each) => message.test(each)) || all).toBe(true);
  });
});

describe('wishes go with what they speak of', () => {
  const wishes = {
    pinned: [{ line: 'guide', to: { device: 'bag', inlet: '6' } }],
    forbidden: [{ to: { device: 'bag', inlet: '1' } }, { to: { device: 'desk', inlet: '1' }, line: 'guide' }],
    neighbours: [['pair-a-left', 'pair-a-right'] as [string, string]],
  };
  const rig = () => readDocument({ ...demo(), wishes });

  test('a line that is taken out', () => {
    const { wishes: left } = removeLine(rig(), 'guide');
    expect(left).toEqual({ forbidden: [wishes.forbidden[0]], neighbours: wishes.neighbours });
  });

  test('a device that is taken out, with its lines', () =>
    expect(withoutDevice(rig(), 'bag').wishes).toEqual({ neighbours: wishes.neighbours }));

  test('none are left as an empty list', () => {
    const only = readDocument({ ...demo(), wishes: { neighbours: wishes.neighbours } });
    expect(removeLine(only, 'pair-a-left')).not.toHaveProperty('wishes');
  });
});
