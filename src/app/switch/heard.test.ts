import type { Session, SheetRig } from '@/core/runsheet';
import { newest, type Heard } from './heard';

const sheet = (version: number, offset = 100, wall = 1000): Heard => ({
  version,
  revision: 1,
  now: 5,
  rig: { lines: [{ id: 'a' }] } as unknown as SheetRig,
  session: { steps: [version], done: [] } as unknown as Session,
  offset,
  wall,
});

test('what is heard twice, as an answer and over the stream, is the same object: nothing is drawn anew for it', () => {
  const shown = sheet(3);
  const again = newest(shown, sheet(3, 100.012, 999.99));
  expect(again.session).toBe(shown.session);
  expect(again.rig).toBe(shown.rig);
  expect([again.offset, again.wall]).toEqual([100, 1000]);
});

test('an answer that was overtaken changes nothing but the clock', () => {
  const shown = sheet(3);
  const late = newest(shown, sheet(2, 107));
  expect(late).toEqual({ ...shown, offset: 107 });
});

test.each([
  [0.019, 0],
  [0.021, 0.021],
  [-0.019, 0],
  [-0.021, -0.021],
  [3600, 3600],
])('a clock that is off by %d s is moved by %d s', (off, moved) => {
  const { offset, wall } = newest(sheet(3), sheet(4, 100 + off, 1000 + off));
  expect(offset).toBeCloseTo(100 + moved, 9);
  expect(wall).toBeCloseTo(1000 + moved, 9);
});

test('small errors do not add up: each is held against the clock that is shown', () => {
  let shown = sheet(1);
  for (let n = 1; n <= 10; n++) shown = newest(shown, sheet(n, 100 + n * 0.009));
  expect(Math.abs(shown.offset - 100.09)).toBeLessThan(0.02);
});

test('a report that was taken brings another session, and the rig as it was', () => {
  const shown = sheet(3);
  const next = newest(shown, sheet(4));
  expect(next.session).toEqual({ steps: [4], done: [] });
  expect(next.rig).toBe(shown.rig);
});
