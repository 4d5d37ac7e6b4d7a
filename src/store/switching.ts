import {
  continued,
  fedBy,
  happenings,
  MONITORS,
  newSession,
  packed,
  differences,
  reported,
  ReportRefused,
  sheetRig,
  takenOver,
  unknown,
  unseen,
  type Difference,
  type Known,
  type Report,
  type Session,
  type SheetRig,
  type SheetState,
  type Step,
} from '@/core/runsheet';
import { computedSheet, keepComputed } from './computed';
import type { Store } from './store';
import { addEntries } from './log';
import { hasPhoto } from './photos';
import { loadRig } from './rigs';
import { Refused } from './refused';

/** How far a rig's run sheet has come. Moments of the session are seconds of the sheets' clock. */
export interface Switching {
  /** Counted up with every report. */
  version: number;
  /** The revision of the rig that `rig` was computed from. */
  revision: number;
  rig: SheetRig;
  session: Session;
}

/**
 * The sheet goes on with the rig as it is on paper now. Nothing is taken over unseen: every line that is plugged
 * otherwise than on paper is named, and of some of them somebody says that they are as on paper, or out.
 */
interface Adopt {
  report: 'adopt';
  seen: string[];
  asOnPaper: string[];
}

/** What is reported of a sheet: by whom, about what version of it, and what. */
export interface SheetReport {
  version: number;
  who: string;
  report: Report | { report: 'start'; from: 'packed' | 'unknown' } | Adopt;
}

/** A report about a sheet that has gone on meanwhile; nothing of it was done. */
export class StaleSheet extends Refused {
  constructor(readonly current: Switching) {
    super(409, 'stale-sheet', 'Someone else has moved the sheet on. Read the step again before you act.', {
      current: { ...current, now: Date.now() / 1000 },
    });
  }
}

/**
 * Whether what a run sheet must know of a rig is wanted and still to be computed.
 * @param report that is going to be made; none where somebody only looks
 */
export function needsRig(store: Store, id: string, report?: SheetReport['report']): boolean {
  const wanted = report ? NEEDS_RIG.includes(report.report) : sheetVersion(store, id) === 0;
  const saved = wanted ? loadRig(store, id) : undefined;
  return saved !== undefined && computedSheet(saved) === undefined;
}

/** What a run sheet must know of a rig at its newest revision; takes seconds the first time. */
function rigNow(store: Store, id: string): { rig: SheetRig; revision: number } | undefined {
  const saved = loadRig(store, id);
  if (!saved) return undefined;
  const rig = computedSheet(saved) ?? keepComputed(saved, sheetRig(saved.document));
  return { rig, revision: saved.revision };
}

interface Row {
  version: number;
  revision: number;
  sheet: string;
  session: string;
}

/** How far a sheet has come, as it was kept; undefined where none was ever started. */
export function keptSwitching(store: Store, id: string): Switching | undefined {
  const row = store.prepare('SELECT version, revision, sheet, session FROM switching WHERE rig_id = ?').get(id) as
    Row | undefined;
  return (
    row && {
      version: row.version,
      revision: row.revision,
      rig: readSheet(JSON.parse(row.sheet) as SheetRig),
      session: readSession(JSON.parse(row.session) as Session),
    }
  );
}

/** A sheet of an older version did not say what its lines are made of: nobody knows, and the page asks. */
const readSheet = (sheet: SheetRig): SheetRig => ({
  ...sheet,
  lines: sheet.lines.map((line: Partial<SheetRig['lines'][number]> & SheetRig['lines'][number]) => ({
    ...line,
    shares: line.shares ?? [],
    reaches: line.reaches ?? line.groups,
    way: line.way ?? '',
    parts: line.parts ?? [line.source, line.inlet],
  })),
  devices: sheet.devices.map((device: Partial<SheetRig['devices'][number]> & SheetRig['devices'][number]) => ({
    ...device,
    power: device.power ?? ('cells' in device && device.cells ? 'cells' : 'mains'),
  })),
});

/** What differs between the rig on paper and the rig in the room, where the paper has changed since; takes seconds the first time. */
export function differsNow(store: Store, id: string): { revision: number; differences: Difference[] } | undefined {
  const kept = loadSwitching(store, id);
  const now = rigNow(store, id);
  if (!kept || !now) return undefined;
  const same = kept.revision === now.revision;
  return {
    revision: now.revision,
    differences: same ? [] : differences(now.rig, kept.rig, kept.session.state),
  };
}

/** A sheet of an older version knew one sort of monitors. */
function readSession(session: Session): Session {
  const { monitors } = session.state as { monitors: Known<'down' | 'open'> | SheetState['monitors'] };
  if (typeof monitors !== 'string') return session;
  const named = <T extends Step>(step: T): T =>
    step.action.do === 'monitors' ? { ...step, action: { ...step.action, group: MONITORS } } : step;
  return {
    ...session,
    state: { ...session.state, monitors: { [MONITORS]: monitors } },
    steps: session.steps.map(named),
    done: session.done.map(named),
    ...(session.leftOut && { leftOut: session.leftOut.map(named) }),
  };
}

/** The version a sheet is at; zero where none was ever started. */
export const sheetVersion = (store: Store, id: string): number =>
  (store.prepare('SELECT version FROM switching WHERE rig_id = ?').pluck().get(id) as number | undefined) ?? 0;

/** The sheet of a rig; one that was never started is at version 0, with nothing known. Undefined if there is no such rig. */
export function loadSwitching(store: Store, id: string): Switching | undefined {
  const kept = keptSwitching(store, id);
  if (kept) return kept;
  const now = rigNow(store, id);
  return now && { version: 0, ...now, session: newSession(unknown(now.rig)) };
}

/**
 * Carries a report out and writes it down. When this returns, both survive a killed process.
 * @param at milliseconds since 1970 in UTC, for the log
 * @param moment of the sheet's clock, in seconds
 * @returns undefined if there is no such rig
 * @throws StaleSheet if the sheet has gone on meanwhile; ReportRefused for a report that does not go with it
 */
export function reportSwitching(
  store: Store,
  id: string,
  { version, who, report }: SheetReport,
  at: number,
  moment: number = at / 1000,
): Switching | undefined {
  // Following the circuits takes its time: nobody waits for it with a lock.
  const fresh = NEEDS_RIG.includes(report.report) ? rigNow(store, id) : undefined;
  return store
    .transaction((): Switching | undefined => {
      const current = loadSwitching(store, id);
      if (!current) return undefined;
      if ('photo' in report && report.photo !== undefined && !hasPhoto(store, id, report.photo))
        throw new ReportRefused('The photo is not kept with this rig. Add it again, or report without it.');
      // What is done at one place is held against what is next there: others may have gone on elsewhere meanwhile.
      // So does what is heard of one line.
      const own = report.report === 'checked' || ('at' in report && report.at !== undefined);
      if (current.version !== version && !own) throw new StaleSheet(current);
      const { rig, before, after } = carriedOut(fresh?.rig, current, report, moment);
      const revision = fresh?.revision ?? current.revision;
      const next: Switching = { version: current.version + 1, revision, rig, session: after };
      store
        .prepare(
          `INSERT INTO switching (rig_id, version, revision, sheet, session, saved_at) VALUES (@id, @version, @revision, @sheet, @session, @savedAt)
           ON CONFLICT (rig_id) DO UPDATE SET
             version = excluded.version, revision = excluded.revision, sheet = excluded.sheet,
             session = excluded.session, saved_at = excluded.saved_at`,
        )
        .run({
          id,
          version: next.version,
          revision,
          sheet: JSON.stringify(rig),
          session: JSON.stringify(after),
          savedAt: new Date(at).toISOString(),
        });
      addEntries(
        store,
        id,
        { at: new Date(at).toISOString(), who, fed: fedBy(rig, after.state) },
        toldOf(rig, before, report),
      );
      return next;
    })
    .immediate();
}

/** Reports after which a sheet speaks of the rig as it was last saved. */
const NEEDS_RIG: readonly SheetReport['report']['report'][] = ['start', 'begin', 'adopt'];

interface Carried {
  rig: SheetRig;
  before: Session;
  after: Session;
}

/** @param paper the rig as it was last saved, for reports after which the sheet speaks of that */
function carriedOut(
  paper: SheetRig | undefined,
  current: Switching,
  report: SheetReport['report'],
  now: number,
): Carried {
  const { rig: room, session } = current;
  const timed = { ...session, state: { ...session.state, now } };
  switch (report.report) {
    case 'start': {
      // Packed, nothing is left in the room; otherwise what was plugged and is not on paper any more may still be there.
      const rig = report.from === 'packed' ? paper! : takenOver(paper!, room, session.state).rig;
      const state = report.from === 'packed' ? packed(rig) : unknown(rig);
      return { rig, before: session, after: newSession({ ...state, now }) };
    }
    case 'adopt': {
      const missed = unseen(paper!, room, session.state).filter(({ line }) => !report.seen.includes(line));
      refuseUnseen(missed);
      return { before: session, ...after(continued(paper!, room, timed, new Set(report.asOnPaper))) };
    }
    case 'begin': {
      refuseUnseen(unseen(paper!, room, session.state));
      const { rig, state } = takenOver(paper!, room, session.state);
      const before = { ...session, state };
      return { rig, before, after: reported(rig, before, report, now) };
    }
    default:
      return { rig: room, before: session, after: reported(room, session, report, now) };
  }
}

const after = ({ rig, session }: { rig: SheetRig; session: Session }) => ({ rig, after: session });

/** @throws ReportRefused for lines that are plugged otherwise than on paper, and about which nobody has been asked */
function refuseUnseen(missed: readonly Difference[]): void {
  if (missed.length === 0) return;
  const names = missed.map(({ name }) => name);
  const some = names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
  throw new ReportRefused(
    `The rig has changed on paper while these are plugged: ${some}. Say first how they are plugged now.`,
  );
}

function toldOf(rig: SheetRig, before: Session, report: SheetReport['report']): ReturnType<typeof happenings> {
  switch (report.report) {
    case 'start':
      return [
        {
          kind: 'sheet',
          text: report.from === 'packed' ? 'Started: nothing plugged, everything off' : 'Started: state unknown',
          lines: [],
        },
      ];
    case 'adopt':
      return adoptedOf(rig, report);
    default:
      return happenings(rig, before, report);
  }
}

/** What it means for the log that a sheet goes on with the rig as it was last saved. */
function adoptedOf(rig: SheetRig, { asOnPaper }: Adopt): ReturnType<typeof happenings> {
  const former = rig.lines.filter(({ was }) => was !== undefined);
  const names = former.map(({ name }) => name).join(', ');
  return [
    {
      kind: 'sheet',
      text: `Sheet updated to the saved rig${names ? `; still in the room: ${names}` : ''}${asOnPaper.length ? `; ${asOnPaper.length} said to be as on paper` : ''}`,
      lines: former.map(({ was }) => was!),
    },
  ];
}
