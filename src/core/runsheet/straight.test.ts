import { demoRig } from '../../../tests/planning';
import { aimFor, feedsOf } from './aims';
import { sheetRig } from './fromRig';
import { ReportRefused, type Report, type SheetKind } from './report';
import type { SheetLine, SheetRig } from './rig';
import { newSession, reported, type Session } from './session';
import { packed, unknown, type SheetState } from './state';
import { continued } from './takeover';
import { stepWords } from './wording';

// A microphone on its own lead, straight into the recorder: there is one plug, and nothing to plug at its source.
const document = demoRig();
const LAVALIER = 'keeper-body-worn';
const kept = [LAVALIER, 'guide'];
let rig: SheetRig;
let own: SheetLine;
let up: Session;
beforeAll(() => {
  rig = sheetRig({
    ...document,
    lines: document.lines.filter(({ id }) => kept.includes(id)),
    devices: document.devices.filter(({ id }) => id === 'bag'),
  });
  own = rig.lines.find(({ id }) => id === LAVALIER)!;
  up = followed(begun('set-up', packed(rig)));
});
const begun = (kind: SheetKind, state: SheetState, at?: 'stage' | 'desk'): Session =>
  reported(
    rig,
    newSession(state),
    { report: 'begin', aim: aimFor(kind, rig, state, feedsOf(document), [own.id], at) },
    state.now,
  );
const plugs = ({ steps }: Session) =>
  steps.flatMap((step) => {
    const { action } = step;
    const moves = (action.do === 'plug' || action.do === 'unplug') && action.line === own.id;
    return moves ? [stepWords(rig, undefined, step).title] : [];
  });
/** Everything done; a wait is waited for. */
function followed(from: Session): Session {
  let session = from;
  while (session.steps.length)
    session = reported(rig, session, { report: 'done' }, Math.max(session.state.now, session.until ?? 0) + 1);
  return session;
}
const INTO = 'Plug “Lock keeper, lavalier” into Bag recorder, mini-jack inlet';
const OUT = 'Unplug “Lock keeper, lavalier” from Bag recorder, mini-jack inlet';

test('it is plugged and pulled once, where its inlet is', () => {
  expect(own).toMatchObject({ straight: true, stage: 'Wheelhouse', desk: 'Wheelhouse' });
  expect(plugs(begun('set-up', packed(rig)))).toEqual([INTO]);
  expect(plugs(begun('set-up', unknown(rig)))).toEqual([INTO]);
  expect(up.state.ends[own.id]).toEqual({ stage: true, desk: true });
  expect(plugs(begun('strike', up.state))).toEqual([OUT]);
  expect(followed(begun('strike', up.state)).state.ends[own.id]).toEqual({ stage: false, desk: false });
});

test('its one plug says what it is', () => {
  const { steps, state } = begun('set-up', packed(rig));
  const step = steps.find(({ action }) => action.do === 'plug' && action.line === own.id)!;
  expect(stepWords(rig, state, step).detail).toMatch(/^lavalier, lock keeper/);
});

test.each(['stage', 'desk', undefined] as const)('exchanged at %s it comes out and goes in once', (at) => {
  expect(plugs(begun('change-over', up.state, at))).toEqual([OUT, INTO]);
  const end = followed(begun('change-over', up.state, at));
  expect([end.state.ends[own.id], end.aim!.exchanged]).toEqual([{ stage: true, desk: true }, []]);
});

test.each<[string, Report, boolean | 'unknown']>([
  ['found out at its source', { report: 'found', what: { line: LAVALIER, end: 'stage', is: false } }, false],
  ['nobody knows of its inlet', { report: 'found', what: { line: LAVALIER, end: 'desk', is: 'unknown' } }, 'unknown'],
])('%s: it is so at both', (_, report, is) =>
  expect(reported(rig, up, report, up.state.now).state.ends[own.id]).toEqual({ stage: is, desk: is }),
);

test('back to before it was plugged: in or not is unknown, and it is looked at once', () => {
  const at = up.done.findIndex(({ action }) => action.do === 'plug' && action.line === own.id);
  const back = reported(rig, up, { report: 'back', to: at }, up.state.now);
  expect(back.state.ends[own.id]).toEqual({ stage: 'unknown', desk: 'unknown' });
  expect(plugs(back)).toEqual([INTO]);
});

test('its source alone cannot be pulled: that is refused as what is not next', () =>
  expect(() =>
    reported(
      rig,
      begun('strike', up.state),
      { report: 'done', at: { place: 'Wheelhouse', actions: [{ do: 'unplug', line: own.id, end: 'stage' }] } },
      up.state.now,
    ),
  ).toThrow(ReportRefused));

test('a sheet that was begun when its source counted as plugged by itself goes on with the one plug', () => {
  const { straight: _one, ...two } = own;
  const before: SheetRig = { ...rig, lines: rig.lines.map((line) => (line === own ? two : line)) };
  const half: Session = { ...begun('set-up', packed(rig)) };
  const state: SheetState = { ...half.state, ends: { ...half.state.ends, [own.id]: { stage: true, desk: false } } };
  const on = continued(rig, before, { ...half, state }, new Set());
  expect(on.session.state.ends[own.id]).toEqual({ stage: false, desk: false });
  expect(plugs(on.session)).toEqual([INTO]);
  const end = followed(on.session);
  expect(end.state.ends[own.id]).toEqual({ stage: true, desk: true });
});
