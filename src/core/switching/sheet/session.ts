import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';
import type { SheetRig } from './rig';
import { sequence, type Sequence, type Step, type Wanted } from './sequence';
import { after, type Action, type Known, type SheetState } from './state';

/** What a run sheet is for. */
export type SheetKind = 'set-up' | 'change-over' | 'strike';

/** What is wanted, as it is kept: lists instead of sets. */
export interface Aim {
  kind: SheetKind;
  plugged: string[];
  exchanged: string[];
  feeds: Record<string, FeedName>;
  open: string[];
}

/** A run sheet while it is followed. Moments are seconds since any fixed one; the caller's clock decides. */
export interface Session {
  state: SheetState;
  aim?: Aim;
  steps: Step[];
  /** The step that is next. */
  at: number;
  /** When the wait that is next is over. */
  until?: Seconds;
  refused: Sequence['refused'];
  disturbed: string[];
  /** Ends of exchanged lines that have been out since the sheet was begun, as `line end`. */
  pulled: string[];
}

/** What somebody reports. */
export type Report =
  | { report: 'begin'; aim: Aim }
  | { report: 'done' }
  /** Something is otherwise than the sheet takes it to be. */
  | { report: 'found'; what: Found }
  /** The step that is next cannot be done: its line, or its switch, is left as it is. */
  | { report: 'not possible' };

export type Found =
  | { feed: string; is: Known<FeedName> }
  | { line: string; end: 'stage' | 'desk'; is: Known<boolean> }
  | { muted: string; is: Known<boolean> }
  | { monitors: Known<'down' | 'open'> };

/** A report that does not go with where the sheet stands. */
export class ReportRefused extends Error {}

export const newSession = (state: SheetState): Session => ({
  state,
  steps: [],
  at: 0,
  refused: [],
  disturbed: [],
  pulled: [],
});

const wantedOf = ({ plugged, exchanged, feeds, open }: Aim): Wanted => ({
  plugged: new Set(plugged),
  exchanged: new Set(exchanged),
  feeds,
  open: new Set(open),
});

/**
 * The session after a report. Whatever is reported, the rest of the sheet is computed anew from the state as it then is.
 * @throws ReportRefused while a wait is not over, or where no step is next
 */
export function reported(rig: SheetRig, session: Session, report: Report, now: Seconds): Session {
  const state: SheetState = { ...session.state, now };
  switch (report.report) {
    case 'begin':
      return planned(rig, { ...session, state, pulled: [] }, report.aim);
    case 'done': {
      const step = session.steps[session.at];
      if (!step || !session.aim) throw new ReportRefused('No step is next.');
      if (step.action.do === 'wait') {
        const left = (session.until ?? now) - now;
        if (left > 0) throw new ReportRefused(`The wait is not over: ${Math.ceil(left)} s are left.`);
        return next(rig, { ...session, state, at: session.at + 1 });
      }
      const done = { ...session, state: after(rig, state, step.action), at: session.at + 1 };
      return next(rig, pulledBy(done, session.aim, step.action));
    }
    case 'found':
      return planned(rig, { ...session, state: corrected(state, report.what) }, session.aim);
    case 'not possible': {
      const step = session.steps[session.at];
      if (!step || !session.aim) throw new ReportRefused('No step is next.');
      return planned(rig, { ...session, state }, without(rig, session.aim, state, step.action));
    }
  }
}

/** The session with its clock started, where a wait is next. */
function next(rig: SheetRig, session: Session): Session {
  const { until: _over, ...rest } = session;
  const step = session.steps[session.at];
  if (step?.action.do !== 'wait' || !session.aim) return rest;
  // Time has passed while hands were busy: what is left of the wait is computed, not remembered.
  const again = sequence(rig, session.state, wantedOf(session.aim)).steps[0];
  const left = again?.action.do === 'wait' ? again.action.seconds : 0;
  return { ...rest, until: session.state.now + left };
}

function planned(rig: SheetRig, session: Session, aim: Aim | undefined): Session {
  if (!aim) return { ...session, steps: [], at: 0, refused: [], disturbed: [] };
  const { steps, refused, disturbed } = sequence(rig, session.state, wantedOf(aim));
  return next(rig, { ...session, aim, steps, at: 0, refused, disturbed });
}

/** A line both of whose ends have been out is exchanged: if the rest is planned anew, it only goes in. */
function pulledBy(session: Session, aim: Aim, action: Action): Session {
  if (action.do !== 'unplug') return session;
  const { line, end } = action;
  const pulled = [...session.pulled, `${line} ${end}`];
  const both = (['stage', 'desk'] as const).every((each) => pulled.includes(`${line} ${each}`));
  return { ...session, pulled, aim: both ? { ...aim, exchanged: aim.exchanged.filter((id) => id !== line) } : aim };
}

function corrected(state: SheetState, what: Found): SheetState {
  if ('feed' in what)
    // Nobody has seen when it went on or off: it may have been a moment ago.
    return { ...state, feeds: { ...state.feeds, [what.feed]: { feed: what.is, since: state.now } } };
  if ('line' in what)
    return { ...state, ends: { ...state.ends, [what.line]: { ...state.ends[what.line], [what.end]: what.is } } };
  if ('muted' in what) return { ...state, muted: { ...state.muted, [what.muted]: what.is } };
  return { ...state, monitors: what.monitors };
}

/** The aim without what cannot be done: a line stays as it is, a switch and everybody on it too. */
function without(rig: SheetRig, aim: Aim, state: SheetState, action: Action): Aim {
  const asIs = (lines: readonly string[]): Aim => {
    const isIn = (id: string) => state.ends[id].stage === true && state.ends[id].desk === true;
    const kept = new Set(lines);
    return {
      ...aim,
      plugged: [...aim.plugged.filter((id) => !kept.has(id)), ...lines.filter(isIn)],
      exchanged: aim.exchanged.filter((id) => !kept.has(id)),
      open: aim.open.filter((id) => !kept.has(id) || state.muted[id] === false),
    };
  };
  switch (action.do) {
    case 'plug':
    case 'unplug':
    case 'supply':
      return asIs([action.line]);
    case 'feed': {
      const { feed } = state.feeds[action.group];
      const on = rig.lines.filter(({ groups }) => groups.includes(action.group)).map(({ id }) => id);
      const { [action.group]: _before, ...feeds } = aim.feeds;
      return { ...asIs(on), feeds: feed === 'unknown' ? feeds : { ...feeds, [action.group]: feed } };
    }
    case 'mute':
    case 'open':
      return asIs(action.lines);
    case 'monitors':
    case 'mains':
    case 'wait':
      return { ...aim, feeds: {}, plugged: [], exchanged: [], open: [] };
  }
}
