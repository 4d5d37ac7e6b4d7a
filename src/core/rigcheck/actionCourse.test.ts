import { demoRig } from '../../../tests/planning';
import { setFeed } from '../rig';
import { actionCourse, BEGINS, ENDS } from './actionCourse';
import { checkRigLine } from './rig';

const rig = demoRig('lock-nine-mended');
const BANK_A = { device: 'desk', group: 'bank-a', feed: 'P48' } as const;
const course = (line: string, action: 'on' | 'off', on: { device: string; group: string } = BANK_A) =>
  actionCourse(rig, line, { ...BANK_A, ...on, action })!;

test('as on the sheet the step is that of the feed coming on; its moments run over the whole time', () => {
  const { right, gain } = course('pair-a-left', 'on');
  const step = checkRigLine(setFeed(rig, 'desk', 'bank-a', 'P48'), 'pair-a-left')!.moments!.on!;
  expect(right.inlet / step.volts).toBeCloseTo(1, 1);
  expect(right.heard).toBeCloseTo(step.dbfs, 0);
  expect(right.points[0].at).toBeCloseTo(BEGINS, 9);
  expect(right.points.at(-1)!.at).toBeCloseTo(ENDS, 6);
  expect(Math.max(...right.points.map(({ inlet }) => Math.abs(inlet)))).toBeCloseTo(right.inlet, 6);
  expect(gain).toBeGreaterThan(0);
});

test.each(['pair-a-left', 'long-ribbon', 'announcer', 'valve'])('%s: done wrong is worse by far, and clips', (line) => {
  const { right, wrong } = course(line, 'on', { device: 'desk', group: line === 'pair-a-left' ? 'bank-a' : 'bank-b' });
  expect(wrong.inlet).toBeGreaterThan(10 * right.inlet);
  expect(wrong.source).toBeGreaterThan(right.source);
  expect(wrong.heard).toBeGreaterThan(0);
  // One contact before the other: for a moment almost the whole feed stands across the inlet.
  expect(wrong.inlet).toBeGreaterThan(40);
});

test('going off: nothing steps in a line that is balanced; pulled live, a ribbon gets it in full', () => {
  const { right, wrong } = course('long-ribbon', 'off', { device: 'desk', group: 'bank-b' });
  expect(right.inlet).toBeLessThan(0.01);
  expect(wrong.inlet).toBeGreaterThan(1);
});

test('a line that the feed does not reach, or that is not there, has no course', () => {
  expect(actionCourse(rig, 'wireless', { ...BANK_A, action: 'on' })).toBeUndefined();
  expect(actionCourse(rig, 'nobody', { ...BANK_A, action: 'on' })).toBeUndefined();
});
