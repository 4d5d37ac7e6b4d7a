import { readFileSync } from 'node:fs';
import { DocumentError, parseDocument, readDocument, type RigDocument } from '.';
import { roomOf } from './places';
import type { Unit } from './arrangement';
import { removeLine, withoutDevice } from './removal';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const changed = (change: (rig: RigDocument) => void): unknown => {
  const copy = structuredClone(demo);
  change(copy);
  return copy;
};
function refusals(value: unknown): { path: string; message: string }[] {
  try {
    readDocument(value);
    return [];
  } catch (problem) {
    if (problem instanceof DocumentError) return [...problem.refusals];
    throw problem;
  }
}
const unit = (of: Partial<Unit>): Unit => ({ id: 'new', name: 'New', kind: 'lamp', ...of });

describe('rooms', () => {
  test('belong to the place of the source, also of a line that begins at another one’s splitter', () => {
    expect(roomOf(demo, 'guide')).toEqual({ level: 24 });
    expect(roomOf(demo, 'singer-stream')).toEqual(roomOf(demo, 'singer'));
    expect(roomOf(demo, 'hydrophone')).toBeUndefined();
    expect(roomOf(demo, 'nobody')).toBeUndefined();
  });

  test('by octaves are taken before one figure', () => {
    const bands = [{ hz: 125, level: 30 }];
    const rig = readDocument(changed(({ locations }) => Object.assign(locations![0], { roomBands: bands })));
    expect(rig.locations![0].room).toBeDefined();
    expect(roomOf(rig, 'pair-a-left')).toEqual({ bands });
  });

  test.each<[string, object, RegExp]>([
    ['an octave that is none', { roomBands: [{ hz: 100, level: 30 }] }, /roomBands\[0\]\.hz$/],
    ['one octave twice', { roomBands: [63, 63].map((hz) => ({ hz, level: 30 })) }, /roomBands/],
    ['louder than anything', { roomBands: [{ hz: 63, level: 300 }] }, /roomBands\[0\]\.level$/],
    ['another unit', { room: { value: 30, unit: 'dB', basis: 'measured' } }, /room\.unit$/],
  ])('%s is refused with its path', (_, room, path) => {
    const [first] = refusals(changed(({ locations }) => Object.assign(locations![0], room)));
    expect(first.path).toMatch(path);
    expect(first.message.length).toBeGreaterThan(5);
  });
});

describe('units', () => {
  test.each<[string, Partial<Unit>, string, RegExp]>([
    ['of a device that is not there', { device: 'ghost' }, 'units[0].device', /no device ghost/],
    ['of a line that is not there', { line: 'ghost' }, 'units[0].line', /no line ghost/],
    ['of a kind that nobody knows', { kind: 'ghost' as Unit['kind'] }, 'units[0].kind', /charger/],
  ])('%s are refused', (_, of, path, message) => {
    const [first] = refusals(changed((rig) => (rig.units = [unit(of)])));
    expect(first).toMatchObject({ path, message: expect.stringMatching(message) });
  });

  test('two of one id are refused', () => {
    expect(refusals(changed((rig) => (rig.units = [unit({}), unit({})])))).not.toEqual([]);
  });

  test('stay when their line or device goes, and are no part of it any more', () => {
    const without = removeLine(demo, 'laptop');
    expect(without.units).toHaveLength(demo.units!.length);
    expect(without.units!.find(({ id }) => id === 'laptop')).not.toHaveProperty('line');
    expect(refusals(without)).toEqual([]);
    const deskless = withoutDevice(demo, 'desk');
    expect(deskless.units!.find(({ id }) => id === 'hold-desk')).not.toHaveProperty('device');
    expect(refusals(deskless)).toEqual([]);
  });
});
