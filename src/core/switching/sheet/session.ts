import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';
import { breach, INVARIANTS } from './invariants';
import type { SheetRig } from './rig';
import { reordered, sequence, type Sequence, type Step, type Wanted } from './sequence';
import { after, takenOver, type Action, type Known, type SheetState } from './state';
import { reasonsFor, waitFor } from './waiting';

/** What a run sheet is for. */
export type SheetKind = 'set-up' | 'change-over' | 'strike';

/** What is wanted, as it is kept: lists instead of sets. */
export interface Aim {
  kind: SheetKind;
  plugged: string[];
  exchanged: string[];
  feeds: Record<string, FeedName>;
  open: string[];
  /** Devices that lose their power in the end. */
  unpowered: string[];
  /** Lines whose plugs stay as they are, because something was not possible. */
  left: string[];
}

/** A step that was done, and when. */
export interface DoneStep extends Step {
  at: Seconds;
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
  /** Ends of exchanged lines that have been out since the sheet was begun, as `line end`. */
  pulled: string[];
}

/** What somebody reports. */
export type Report =
  | { report: 'begin'; aim: Aim }
  /** The steps that are next are done; more than one only where none of them is a wait. */
  | { report: 'done'; count?: number }
  /** Something is otherwise than the sheet takes it to be. */
  | { report: 'found'; what: Found }
  /** The step that is next cannot be done: its line, or its switch, is left as it is. */
  | { report: 'not possible' }
  /** A step that is left is to be done earlier or later; counted from the next one. */
  | { report: 'move'; from: number; to: number }
  /** Some of the last steps are to be done again. */
  | { report: 'back'; to: number }
  | { report: 'end' };

export type Found =
  | { feed: string; is: Known<FeedName> }
  | { line: string; end: 'stage' | 'desk'; is: Known<boolean> }
  | { muted: string; is: Known<boolean> }
  | { supply: string; is: Known<boolean> }
  | { mains: string; is: Known<boolean> }
  | { monitors: Known<'down' | 'open'> };

/** A report that does not go with where the sheet stands. */
export class ReportRefused extends Error {}

export const newSession = (state: SheetState): Session => ({
  state,
  done: [],
  steps: [],
  refused: [],
  disturbed: [],
  fewest: true,
  pulled: [],
});

const wantedOf = ({ plugged, exchanged, feeds, open, unpowered, left }: Aim): Wanted => ({
  plugged: new Set(plugged),
  exchanged: new Set(exchanged),
  feeds,
  open: new Set(open),
  unpowered: new Set(unpowered),
  left: new Set(left),
});

/**
 * The session after a report. Whatever is found, the rest of the sheet is computed anew from the state as it then is.
 * @throws ReportRefused while a wait is not over, where no step is next, or where an order would break an invariant
 */
export function reported(rig: SheetRig, session: Session, report: Report, now: Seconds): Session {
  const current: Session = { ...session, state: { ...session.state, now } };
  switch (report.report) {
    case 'begin':
      return planned(rig, { ...current, done: [], pulled: [] }, report.aim);
    case 'done':
      return done(rig, current, report.count ?? 1);
    case 'found':
      return planned(rig, { ...current, state: corrected(rig, current.state, report.what) }, session.aim);
    case 'not possible': {
      const { aim, step } = nextOf(session);
      return planned(rig, current, without(rig, aim, current.state, step.action));
    }
    case 'move':
      return moved(rig, current, report.from, report.to);
    case 'back':
      return back(rig, current, report.to);
    case 'end':
      return { ...newSession(current.state) };
  }
}

/** A session that goes on after its rig has changed: the rest is computed anew for what is still there. */
export function continued(rig: SheetRig, session: Session): Session {
  const has = (id: string) => rig.lines.some((line) => line.id === id);
  const { aim } = session;
  const kept = aim && {
    ...aim,
    plugged: aim.plugged.filter(has),
    exchanged: aim.exchanged.filter(has),
    open: aim.open.filter(has),
  };
  return planned(rig, { ...session, state: takenOver(rig, session.state) }, kept);
}

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
      if (left > 0) throw new ReportRefused(`The wait is not over: ${Math.ceil(left)} s are left.`);
      if (count > 1) throw new ReportRefused('A wait is reported by itself.');
    }
    const broken = breach(rig, session.state, step.action);
    if (broken) throw new ReportRefused(`${INVARIANTS[broken.invariant]} ${broken.why}`);
    session = {
      ...session,
      state: step.action.do === 'wait' ? session.state : after(rig, session.state, step.action),
      done: [...session.done, { ...step, at: now }],
      steps: session.steps.slice(1),
    };
    session = pulledBy(session, aim, step.action);
  }
  return next(rig, session);
}

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

function planned(rig: SheetRig, session: Session, aim: Aim | undefined): Session {
  if (!aim) return { ...session, steps: [], refused: [], disturbed: [] };
  const here = session.done.findLast(({ place }) => place !== undefined)?.place;
  const { steps, refused, disturbed, fewest } = sequence(rig, session.state, wantedOf(aim), here);
  return next(rig, { ...session, aim, steps, refused, disturbed, fewest });
}

/** A line both of whose ends have been out is exchanged: if the rest is planned anew, it only goes in. */
function pulledBy(session: Session, aim: Aim, action: Action): Session {
  if (action.do !== 'unplug') return session;
  const { line, end } = action;
  const pulled = [...session.pulled, `${line} ${end}`];
  const both = (['stage', 'desk'] as const).every((each) => pulled.includes(`${line} ${each}`));
  return { ...session, pulled, aim: both ? { ...aim, exchanged: aim.exchanged.filter((id) => id !== line) } : aim };
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

/** A state in which nobody knows whether an action was carried out. */
export function doubtful(rig: SheetRig, state: SheetState, action: Action): SheetState {
  switch (action.do) {
    case 'plug':
    case 'unplug': {
      const ends = { ...state.ends[action.line], [action.end]: 'unknown' as const };
      return { ...state, ends: { ...state.ends, [action.line]: ends } };
    }
    case 'feed':
      return { ...state, feeds: { ...state.feeds, [action.group]: { feed: 'unknown', since: 'unknown' } } };
    case 'mute':
    case 'open':
      return {
        ...state,
        muted: { ...state.muted, ...Object.fromEntries(action.lines.map((id) => [id, 'unknown' as const])) },
      };
    case 'supply':
      return { ...state, supplies: { ...state.supplies, [action.line]: { on: 'unknown', since: 'unknown' } } };
    case 'monitors':
      return { ...state, monitors: 'unknown' };
    case 'mains':
      return {
        ...state,
        mains: { ...state.mains, [action.device]: 'unknown' },
        feeds: {
          ...state.feeds,
          ...Object.fromEntries(
            rig.groups
              .filter(({ device, key }) => device === action.device && state.feeds[key].feed !== 'off')
              .map(({ key }) => [key, { feed: 'unknown' as const, since: 'unknown' as const }]),
          ),
        },
      };
    case 'wait':
      // What had waited has waited: time does not go back.
      return state;
  }
}

function corrected(rig: SheetRig, state: SheetState, what: Found): SheetState {
  if ('feed' in what)
    // Nobody has seen when it went on or off: it may have been a moment ago.
    return { ...state, feeds: { ...state.feeds, [what.feed]: { feed: what.is, since: state.now } } };
  if ('line' in what)
    return { ...state, ends: { ...state.ends, [what.line]: { ...state.ends[what.line], [what.end]: what.is } } };
  if ('muted' in what) return { ...state, muted: { ...state.muted, [what.muted]: what.is } };
  if ('supply' in what)
    return { ...state, supplies: { ...state.supplies, [what.supply]: { on: what.is, since: state.now } } };
  if ('mains' in what)
    return what.is === 'unknown'
      ? doubtful(rig, state, { do: 'mains', device: what.mains, on: true })
      : after(rig, state, { do: 'mains', device: what.mains, on: what.is });
  return { ...state, monitors: what.monitors };
}

/** The aim without what cannot be done: a line's plugs stay as they are, a switch too and everybody on it. */
function without(rig: SheetRig, aim: Aim, state: SheetState, action: Action): Aim {
  const asIs = (lines: readonly string[]): Aim => {
    const kept = new Set(lines);
    const mayBeIn = (id: string) => state.ends[id].stage !== false || state.ends[id].desk !== false;
    return {
      ...aim,
      plugged: [...aim.plugged.filter((id) => !kept.has(id)), ...lines.filter(mayBeIn)],
      exchanged: aim.exchanged.filter((id) => !kept.has(id)),
      open: aim.open.filter((id) => !kept.has(id) || state.muted[id] === false),
      left: [...aim.left.filter((id) => !kept.has(id)), ...lines],
    };
  };
  /** Switches as they are, and every line that they reach. */
  const switchesAsTheyAre = (keys: readonly string[]): Aim => {
    const on = rig.lines.filter(({ groups }) => groups.some((key) => keys.includes(key)));
    const feeds = Object.fromEntries(
      keys.flatMap((key) => {
        const { feed } = state.feeds[key];
        return feed === 'unknown' ? [] : [[key, feed]];
      }),
    );
    return { ...asIs(on.map(({ id }) => id)), feeds: { ...aim.feeds, ...feeds } };
  };
  switch (action.do) {
    case 'plug':
    case 'unplug':
    case 'supply':
      return asIs([action.line]);
    case 'feed':
      return switchesAsTheyAre([action.group]);
    case 'mute': {
      const reached = rig.lines.filter(({ id }) => action.lines.includes(id)).flatMap(({ groups }) => groups);
      const own = switchesAsTheyAre(reached);
      const loose = action.lines.filter((id) => !own.left.includes(id));
      return loose.length ? without(rig, own, state, { do: 'open', lines: loose }) : own;
    }
    case 'open':
      return asIs(action.lines);
    case 'mains': {
      const on = rig.groups.filter(({ device }) => device === action.device).map(({ key }) => key);
      const lines = rig.lines.filter(({ device }) => device === action.device).map(({ id }) => id);
      return {
        ...aim,
        feeds: Object.fromEntries(Object.entries(aim.feeds).filter(([key]) => !on.includes(key))),
        open: aim.open.filter((id) => !lines.includes(id)),
        unpowered: aim.unpowered.filter((id) => id !== action.device),
      };
    }
    case 'monitors':
    case 'wait':
      return { ...switchesAsTheyAre(rig.groups.map(({ key }) => key)), open: [], unpowered: [] };
  }
}
