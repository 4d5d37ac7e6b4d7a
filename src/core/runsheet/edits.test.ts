import { group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { breach } from './actions';
import { ownId, type SheetRig } from './rig';
import { firstBreach } from './sequence';
import { newSession, reported, type Session } from './session';
import { continued } from './takeover';
import { bare, type SheetState } from './state';

/** The rig is changed on paper between any two steps of a sheet: every way in which that can go on a small rig. */

const groups = [group('a', { latched: true }), group('b')];
const mic = line('mic', ['a']);
const ribbonOn = (key: string, way = `over ${key}`) =>
  line('ribbon', [key], { way, stops: { a: ['P48'], b: ['P48'] } });
const PAPERS: Record<string, SheetRig> = {
  'as begun': rigWith([mic, ribbonOn('b')], groups),
  'the ribbon on the other bank': rigWith([mic, ribbonOn('a')], groups),
  'an adapter in it': rigWith([mic, ribbonOn('b', 'over b and an adapter')], groups),
  'the ribbon gone': rigWith([mic], groups),
  'the microphone and its bank gone': rigWith([ribbonOn('b')], [groups[1]]),
};

interface Here {
  rig: SheetRig;
  session: Session;
}
type Adopt = typeof continued;

/** What somebody would see of it, without its times. */
const seen = ({ rig, session: { state, steps } }: Here): string =>
  JSON.stringify([
    rig.lines.map(({ id, way, was }) => [
      was === undefined ? id : `${was} as it was`,
      way,
      state.ends[id],
      state.muted[id],
    ]),
    rig.groups.map(({ key }) => [key, state.feeds[key].feed]),
    state.monitors.monitors,
    steps.map(({ action }) => action.do),
  ]);
/** Sources that are in somewhere. */
const inRoom = (rig: SheetRig, { ends }: SheetState): string[] =>
  [...new Set(rig.lines.filter(({ id }) => ends[id].stage !== false || ends[id].desk !== false).map(ownId))].toSorted();

/** The first thing that goes wrong however steps and changes on paper follow each other, and how many situations there are. */
function everyEdit(adopt: Adopt): { wrong?: string; situations: number } {
  const rig = PAPERS['as begun'];
  const aim = aimFor('set-up', rig, bare(rig), { a: 'P48', b: 'off' }, ['mic', 'ribbon']);
  const begun: Here = { rig, session: reported(rig, newSession(bare(rig)), { report: 'begin', aim }, 1000) };
  const known = new Set([seen(begun)]);
  const open = [begun];
  const visit = (next: Here) => {
    if (known.has(seen(next))) return;
    known.add(seen(next));
    open.push(next);
  };
  for (let here = open.pop(); here; here = open.pop()) {
    const { state, steps } = here.session;
    const found = firstBreach(here.rig, { ...state, now: Math.max(state.now, here.session.until ?? 0) }, steps);
    // A wait that is running is counted by its clock.
    if (found && steps[0]?.action.do !== 'wait')
      return { wrong: `${found.breach.invariant}: ${found.breach.why}`, situations: known.size };
    const harmed = here.rig.lines.find(
      ({ id, stops, key }) =>
        key &&
        state.ends[id].stage === true &&
        state.ends[id].desk === true &&
        stops[key]?.includes(state.feeds[key].feed as 'P48'),
    );
    if (harmed) return { wrong: `${harmed.name} is harmed`, situations: known.size };
    if (steps.length) {
      const now = Math.max(state.now + 1, here.session.until ?? 0);
      const broken = steps[0].action.do === 'wait' ? undefined : breach(here.rig, { ...state, now }, steps[0].action);
      if (broken) return { wrong: `${broken.invariant}: ${broken.why}`, situations: known.size };
      visit({ rig: here.rig, session: reported(here.rig, here.session, { report: 'done' }, now) });
    }
    for (const paper of Object.values(PAPERS)) {
      const next = adopt(paper, here.rig, { ...here.session, state: { ...state, now: state.now + 1 } }, new Set());
      const [before, after] = [inRoom(here.rig, state), inRoom(next.rig, next.session.state)];
      if (before.join() !== after.join())
        return { wrong: `in the room were ${before.join()}, now ${after.join()}`, situations: known.size };
      visit(next);
    }
  }
  return { situations: known.size };
}

test('no step breaks an invariant, nothing is harmed, and what is in the room stays known', () => {
  const { wrong, situations } = everyEdit(continued);
  expect(wrong).toBeUndefined();
  expect(situations).toBeGreaterThan(200);
});

test.each<[string, Adopt]>([
  [
    'takes the paper for the room',
    (paper, room, session) => {
      const ends = Object.fromEntries(
        paper.lines.map(({ id }) => [id, session.state.ends[id] ?? { stage: false, desk: false }]),
      );
      const own = <T>(all: Record<string, T>, otherwise: T) =>
        Object.fromEntries(paper.lines.map(({ id }) => [id, all[id] ?? otherwise]));
      const made = continued(paper, room, session, new Set(room.lines.map(({ id }) => id)));
      const state = { ...made.session.state, ends, muted: own(session.state.muted, true) };
      return { rig: paper, session: { ...made.session, state, steps: session.steps } };
    },
  ],
  [
    'forgets what has left the document',
    (paper, room, session) => {
      const made = continued(paper, room, session, new Set());
      const ends = Object.fromEntries(
        made.rig.lines.map((each) => [
          each.id,
          each.was ? { stage: false, desk: false } : made.session.state.ends[each.id],
        ]),
      );
      return { ...made, session: { ...made.session, state: { ...made.session.state, ends } } };
    },
  ],
])('a takeover that %s is found out', (_, broken) => {
  let wrong: string | undefined;
  try {
    ({ wrong } = everyEdit(broken));
  } catch (error) {
    wrong = String(error);
  }
  expect(wrong).toBeDefined();
});
