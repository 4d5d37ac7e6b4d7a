import type { Seconds } from '../units';
import { corrected } from './corrected';
import { INVARIANTS } from './invariants';
import { breach, after, type Action, doubtful, without } from './actions';
import { checkable, type LineChecked } from './lineCheck';
import { refuseUnknown, ReportRefused, type Aim, type AtPlace, type Report } from './report';
import { endsOf, lineOf, type SheetRig } from './rig';
import { reordered, sequence, type Sequence } from './sequence';
import type { Wanted } from './wanted';
import type { Step } from './step';
import { standingAt, steppedOver, type Standing } from './stations';
import type { SheetState } from './state';
import { reasonsFor, waitFor } from './waiting';
import { stepWords } from './wording';

/** A step that was done, and when. */
export interface DoneStep extends Step {
  at: Seconds;
}

/** A step that could not be done: why, and what was wanted before. */
export interface LeftOut extends Step {
  at: Seconds;
  why: string;
  /** Id of a photo that was taken of it. */
  photo?: string;
  aim: Aim;
}

/** A run sheet while it is followed. Moments are seconds since any fixed one; the caller's clock decides. */
export interface Session {
  state: SheetState;
  aim?: Aim;
  /** What has been done since the sheet was begun. */
  done: DoneStep[];
  /** What is left to do; the first is next. */
  steps: Step[];
  /** When the wait that is next is over. */
  until?: Seconds;
  refused: Sequence['refused'];
  disturbed: string[];
  fewest: boolean;
  /** What could not be done, in order. */
  leftOut?: LeftOut[];
  /** What was found of lines that were listened to since they were plugged, by line. */
  checked?: Record<string, LineChecked>;
  /** Ends of exchanged lines that have been out since the sheet was begun, as `line end`. */
  pulled: string[];
}

export const newSession = (state: SheetState): Session => ({
  state,
  done: [],
  steps: [],
  refused: [],
  disturbed: [],
  fewest: true,
  pulled: [],
});

const wantedOf = ({
  plugged,
  exchanged,
  exchangedAt,
  feeds,
  open,
  unpowered,
  left,
  stuck,
  asIs,
  fixed,
  ending,
  order,
}: Aim): Wanted => ({
  plugged: new Set(plugged),
  exchanged: new Set(exchanged),
  ...(exchangedAt && { exchangedAt }),
  ...(order && { order }),
  feeds,
  open: new Set(open),
  unpowered: new Set(unpowered),
  left: new Set(left),
  stuck: new Set(stuck),
  fixed: new Set(fixed),
  asIs: new Set(asIs),
  ...(ending && { ending }),
});

/**
 * The session after a report. Whatever is found, the rest of the sheet is computed anew from the state as it then is.
 * @throws ReportRefused for what the rig does not have, while a wait is not over, where no step is next, or where an order would break an invariant
 */
export function reported(rig: SheetRig, session: Session, report: Report, now: Seconds): Session {
  refuseUnknown(rig, report);
  const current: Session = { ...session, state: { ...session.state, now } };
  switch (report.report) {
    case 'begin':
      return planned(rig, { ...current, done: [], pulled: [], leftOut: [] }, report.aim);
    case 'done':
      return report.at ? doneAt(rig, current, report.at) : done(rig, current, report.count ?? 1);
    case 'found':
      return planned(rig, stillHeard({ ...current, state: corrected(rig, current.state, report.what) }), session.aim);
    case 'not possible': {
      const { aim, step } = report.at ? seenAt(rig, current, report.at) : nextOf(session);
      const leftOut = [
        ...(session.leftOut ?? []),
        { ...step, at: now, why: report.why?.trim() ?? '', ...(report.photo && { photo: report.photo }), aim },
      ];
      return planned(rig, { ...current, leftOut }, without(rig, aim, current.state, step.action));
    }
    case 'retry':
      return retried(rig, current, report.left);
    case 'checked':
      return checked(rig, current, report);
    case 'move':
      return moved(rig, current, report.from, report.to);
    case 'back':
      return back(rig, current, report.to);
    case 'end':
      return { ...newSession(current.state), ...(current.checked && { checked: current.checked }) };
  }
}

/** What a sheet would be, without beginning it. */
export const preview = (rig: SheetRig, state: SheetState, aim: Aim): Sequence => sequence(rig, state, wantedOf(aim));

function nextOf({ steps, aim }: Session): { step: Step; aim: Aim } {
  if (!steps[0] || !aim) throw new ReportRefused('No step is next.');
  return { step: steps[0], aim };
}

function done(rig: SheetRig, from: Session, count: number): Session {
  let session = from;
  for (let n = 0; n < count; n++) {
    const { step, aim } = nextOf(session);
    const { now } = session.state;
    if (step.action.do === 'wait') {
      const left = (session.until ?? now) - now;
      if (left > 0) throw new ReportRefused(`Still waiting: ${Math.ceil(left)} s left.`);
      if (count > 1) throw new ReportRefused('A wait is reported by itself.');
    }
    const broken = breach(rig, session.state, step.action);
    if (broken) throw new ReportRefused(`${INVARIANTS[broken.invariant]} ${broken.why}`);
    session = carriedOut(rig, session, aim, 0);
  }
  return next(rig, session);
}

/** What somebody has seen as next at a place. @throws ReportRefused where something else is next there */
function seenAt(rig: SheetRig, session: Session, { place, actions }: AtPlace): Standing & { aim: Aim } {
  const standing = standingAt(rig, session, place, session.state.now);
  if (!session.aim || !standing || !actions[0] || !sameAction(standing.step.action, actions[0]))
    throw new ReportRefused(`Something else is next at ${place}; the sheet has changed meanwhile.`);
  return { ...standing, aim: session.aim };
}

/** Steps of one place, done before what is left elsewhere. */
function doneAt(rig: SheetRig, from: Session, { place, actions }: AtPlace): Session {
  let session = from;
  for (const [n] of actions.entries()) {
    const { aim, index, ready, wait, behind } = seenAt(rig, session, { place, actions: actions.slice(n) });
    if (wait) throw new ReportRefused(`Still waiting: ${Math.ceil(wait.seconds)} s left.`);
    if (behind) throw new ReportRefused(`First, at ${behind.place}: ${stepWords(rig, session.state, behind).title}`);
    if (!ready) throw new ReportRefused('It can’t be done yet.');
    session = carriedOut(rig, session, aim, index);
  }
  return next(rig, session);
}

const sameAction = (a: Action, b: Action): boolean => inOrder(a) === inOrder(b);
const inOrder = (action: Action): string => JSON.stringify(Object.entries(action).toSorted());

/** The session with its clock started, where a wait is next; what is left of the wait is computed, not remembered. */
function next(rig: SheetRig, session: Session): Session {
  const { until: _over, ...rest } = session;
  const [step, ...later] = session.steps;
  if (step?.action.do !== 'wait') return rest;
  // Time has passed while hands were busy.
  const { state } = session;
  const seconds = waitFor(rig, state, later);
  if (seconds === 0 && !(later[0] && breach(rig, state, later[0].action))) return next(rig, { ...rest, steps: later });
  const reasons = reasonsFor(rig, state, later, seconds);
  return {
    ...rest,
    steps: [{ action: { do: 'wait', seconds }, reasons: reasons.length ? reasons : step.reasons }, ...later],
    until: state.now + seconds,
  };
}

/** The session with the rest of its sheet computed anew. @param aim what is wanted; nothing, where no sheet was begun */
export function planned(rig: SheetRig, session: Session, aim: Aim | undefined): Session {
  if (!aim) return { ...session, steps: [], refused: [], disturbed: [] };
  const here = session.done.findLast(({ place }) => place !== undefined)?.place;
  const { steps, refused, disturbed, fewest } = sequence(rig, session.state, wantedOf(aim), here);
  return next(rig, { ...session, aim, steps, refused, disturbed, fewest });
}

/** @throws ReportRefused for a line that is not plugged through */
function checked(
  rig: SheetRig,
  session: Session,
  { line, bad, note }: Extract<Report, { report: 'checked' }>,
): Session {
  if (!checkable(rig, session.state).some(({ id }) => id === line))
    throw new ReportRefused(`“${lineOf(rig, line).name}” is not plugged through: nothing can be heard of it.`);
  const result: LineChecked = { at: session.state.now, bad, ...(note?.trim() && { note: note.trim() }) };
  return { ...session, checked: { ...session.checked, [line]: result } };
}

/** The session with one of its steps done. A line whose ends have been out as asked is exchanged: from then on it only goes in. */
function carriedOut(rig: SheetRig, session: Session, aim: Aim, index: number): Session {
  const step = session.steps[index];
  const { action } = step;
  const state = action.do === 'wait' ? session.state : after(rig, session.state, action);
  const made: Session = {
    ...session,
    state,
    done: [...session.done, { ...step, at: session.state.now }],
    steps: index === 0 ? session.steps.slice(1) : steppedOver(rig, state, session.steps, index),
  };
  if (action.do !== 'unplug') return made;
  const { line, end } = action;
  const pulled = [...session.pulled, `${line} ${end}`];
  const own = lineOf(rig, line);
  const asked = aim.exchangedAt?.[line];
  const ends = endsOf(own).filter((each) => !asked || own.straight || each === asked);
  const out = ends.every((each) => pulled.includes(`${line} ${each}`));
  const exchanged = out ? aim.exchanged.filter((id) => id !== line) : aim.exchanged;
  return { ...stillHeard(made), pulled, aim: { ...aim, exchanged } };
}

/** Without what was heard of lines that are not plugged through any more: plugged anew, they are listened to anew. */
export function stillHeard(session: Session): Session {
  const { checked, state } = session;
  if (!checked) return session;
  const isIn = (id: string) => state.ends[id]?.stage === true && state.ends[id].desk === true;
  return { ...session, checked: Object.fromEntries(Object.entries(checked).filter(([id]) => isIn(id))) };
}

/** The sheet with something tried again that could not be done: whatever else was left out stays so. */
function retried(rig: SheetRig, session: Session, left: number): Session {
  const leftOut = session.leftOut ?? [];
  if (!leftOut[left]) throw new ReportRefused('Nothing like that was left out; the sheet has changed meanwhile.');
  const rest = leftOut.toSpliced(left, 1);
  const aim = rest.reduce((wanted, { action }) => without(rig, wanted, session.state, action), leftOut[0].aim);
  // Steps that are kept know what was wanted before them.
  const kept = rest.map((each, n) => ({
    ...each,
    aim: rest.slice(0, n).reduce((wanted, { action }) => without(rig, wanted, session.state, action), leftOut[0].aim),
  }));
  return planned(rig, { ...session, leftOut: kept }, aim);
}

function moved(rig: SheetRig, session: Session, from: number, to: number): Session {
  const { steps, state } = session;
  if (![from, to].every((at) => Number.isInteger(at) && at >= 0 && at < steps.length))
    throw new ReportRefused('There is no such step; the sheet has changed meanwhile.');
  const outcome = reordered(rig, state, steps, from, to);
  if ('refused' in outcome) throw new ReportRefused(outcome.refused);
  return next(rig, { ...session, steps: outcome.steps });
}

/**
 * Goes back to a step that was done. Nobody can say any more what of it and of the later ones is really so: all they
 * touched is unknown, and the rest of the sheet begins by making it known.
 */
function back(rig: SheetRig, session: Session, to: number): Session {
  if (!session.done[to]) throw new ReportRefused('There is no such step; the sheet has changed meanwhile.');
  const undone = session.done.slice(to);
  const state = undone.reduce((doubted, { action }) => doubtful(rig, doubted, action), session.state);
  return planned(rig, { ...session, state, done: session.done.slice(0, to) }, session.aim);
}
