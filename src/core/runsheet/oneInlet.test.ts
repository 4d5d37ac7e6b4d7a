import { demoRig } from '../../../tests/planning';
import { line, rigWith } from '../../../tests/sheets';
import { rulesOf } from './actions';
import { aimFor, feedsOf } from './aims';
import { sheetRig } from './fromRig';
import type { Aim } from './report';
import type { SheetRig } from './rig';
import { newSession, preview, reported } from './session';
import { packed } from './state';
import { checkedText } from './lineCheck';
import type { Step } from './step';
import { stepWords } from './wording';

// Both sides of the electric piano in one box: one inlet hears them, and a box has no mute.
const LINES = ['piano-left', 'piano-right', 'double-bass'];
const document = demoRig();
let rig: SheetRig;
let aim: Aim;
let steps: Step[];
beforeAll(() => {
  rig = sheetRig({
    ...document,
    lines: document.lines.filter(({ id }) => LINES.includes(id)),
    devices: document.devices.filter(({ id }) => id === 'desk'),
  });
  aim = aimFor('set-up', rig, packed(rig), feedsOf(document), LINES);
  steps = preview(rig, packed(rig), aim).steps;
});
const muted = (state: ReturnType<typeof packed>) => [state.muted['piano-left'], state.muted['piano-right']];

test('two lines on one inlet are muted and unmuted once, by the name of that inlet', () => {
  const titles = steps.map((step) => stepWords(rig, undefined, step).title);
  expect(titles).toContain('Mute 2 inlets');
  expect(titles.filter((title) => title.startsWith('Unmute'))).toEqual([
    'Unmute Hold desk, inlet 9',
    'Unmute Hold desk, inlet 10',
  ]);
  expect(steps.filter(({ action }) => action.do === 'open').map(({ action }) => action)).toContainEqual({
    do: 'open',
    lines: ['piano-left', 'piano-right'],
  });
});

test('what is found of one of them is so for both', () => {
  const begun = reported(rig, newSession(packed(rig)), { report: 'begin', aim }, 0);
  expect(muted(begun.state)).toEqual(['unknown', 'unknown']);
  const found = reported(rig, begun, { report: 'found', what: { muted: 'piano-right', is: true } }, 1);
  expect(muted(found.state)).toEqual([true, true]);
  const open = reported(rig, found, { report: 'found', what: { muted: 'piano-left', is: false } }, 2);
  expect(muted(open.state)).toEqual([false, false]);
  expect(open.state.muted['double-bass']).toBe('unknown');
});

test('one of them is set up by itself: what it shares an inlet with is not muted again after it was unmuted', () => {
  const one = aimFor('set-up', rig, packed(rig), feedsOf(document), ['piano-left']);
  const last = preview(rig, packed(rig), one).steps.findLast(
    ({ action }) => action.do === 'open' || action.do === 'mute',
  );
  expect(last?.action).toEqual({ do: 'open', lines: ['piano-left'] });
});

test('the line check says where it is heard', () =>
  expect(
    checkedText(
      rig.lines.find(({ id }) => id === 'piano-right')!,
      { bad: [] },
    ),
  ).toBe('Line check: Electric piano, right on Hold desk, inlet 10: good'));

test('what is plugged between the ends of a line is its own, and not what it goes on through', () => {
  const step = steps.find(
    ({ action }) => action.do === 'plug' && action.line === 'piano-right' && action.end === 'stage',
  )!;
  expect(stepWords(rig, undefined, step).detail).toBe('electric piano, right. Through lead 3 m');
});

test('what may have been found instead comes in the order of the inlets, each of them once', () => {
  const mute = { do: 'mute', lines: ['double-bass', 'piano-left', 'piano-right'] } as const;
  expect(
    rulesOf(mute)
      .likely(rig, packed(rig), mute)
      .map(({ text }) => text),
  ).toEqual(['Hold desk, inlet 9 is already muted', 'Hold desk, inlet 10 is already muted']);
});

test('inlets of two devices with one name are two', () => {
  const two = rigWith(
    [line('one', [], { inlet: 'Desk, inlet 1' }), line('other', [], { inlet: 'Desk, inlet 1', device: 'second' })],
    [],
  );
  expect(stepWords(two, undefined, { action: { do: 'mute', lines: ['one', 'other'] } }).title).toBe('Mute 2 inlets');
});
