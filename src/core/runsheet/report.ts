import type { FeedName } from '../standards/feeds';
import { monitorsOf, type SheetRig } from './rig';
import type { LineCheckName } from './lineCheck';
import type { Known } from './state';
import type { Action } from './actions/action';

/** What a run sheet is for. */
export type SheetKind = 'set-up' | 'change-over' | 'strike';

/** What is wanted, as it is kept: lists instead of sets. */
export interface Aim {
  kind: SheetKind;
  plugged: string[];
  exchanged: string[];
  /** The end at which a line is exchanged, by line; both where none is named. */
  exchangedAt?: Record<string, 'stage' | 'desk'>;
  feeds: Record<string, FeedName>;
  open: string[];
  /** Devices that lose their power in the end. */
  unpowered: string[];
  /** Lines whose plugs, and switches that stay as they are, because something was not possible. */
  left: string[];
  stuck: string[];
  /** Lines whose settings at the source stay as they are, because it was not possible to change them. */
  asIs?: string[];
  /** Ends that cannot be moved, as `line end`. */
  fixed?: string[];
  /** How harm that a switch or a supply does is ended where it cannot be turned off; by its key, or by its line. */
  ending?: Record<string, Ending>;
  order?: SheetOrder;
}

/** The least waiting, everywhere quiet before the first plug moves; or the fewest walks, one part of the rig finished before the next. */
export type SheetOrder = 'time' | 'walks';

/** By the power of its device, by pulling the source, or by nothing that anybody here can do. */
export type Ending = 'mains' | 'pull' | 'none';

/** What somebody reports. */
export type Report =
  | { report: 'begin'; aim: Aim }
  /** The steps that are next are done, everywhere or at one place; more than one only where none of them is a wait. */
  | { report: 'done'; count?: number; at?: AtPlace }
  /** Something is otherwise than the sheet takes it to be. */
  | { report: 'found'; what: Found }
  /** The step that is next cannot be done: its line, or its switch, is left as it is; with the id of a photo, where one was taken. */
  | { report: 'not possible'; why?: string; photo?: string; at?: AtPlace }
  /** What could not be done is to be tried again; counted among what was left out. */
  | { report: 'retry'; left: number }
  /** A line was listened to: what of it was not as it should be. */
  | { report: 'checked'; line: string; bad: LineCheckName[]; note?: string }
  /** A step that is left is to be done earlier or later; counted from the next one. */
  | { report: 'move'; from: number; to: number }
  /** Some of the last steps are to be done again. */
  | { report: 'back'; to: number }
  | { report: 'end' };

/** What somebody at one place has seen as next there: what others have done elsewhere meanwhile does not matter. */
export interface AtPlace {
  place: string;
  actions: Action[];
}

export type Found =
  | { feed: string; is: Known<FeedName> }
  | { line: string; end: 'stage' | 'desk'; is: Known<boolean> }
  | { muted: string; is: Known<boolean> }
  | { supply: string; is: Known<boolean> }
  | { mains: string; is: Known<boolean> }
  | { monitors: string; is: Known<'down' | 'open'> };

/** A report that does not go with where the sheet stands. */
export class ReportRefused extends Error {}

/** @throws ReportRefused for a report about a line, switch or device that the rig does not have */
export function refuseUnknown(rig: SheetRig, report: Report): void {
  const missing = (ids: readonly string[], has: readonly { id: string }[]) =>
    ids.find((id) => !has.some((each) => each.id === id));
  const switches = rig.groups.map(({ key }) => ({ id: key }));
  const refuse = (what: string, id: string | undefined) => {
    if (id !== undefined) throw new ReportRefused(`There is no ${what} ${id} in this sheet; load it again.`);
  };
  if (report.report === 'begin') {
    const { plugged, exchanged, open, left, stuck, feeds, unpowered } = report.aim;
    refuse('line', missing([...plugged, ...exchanged, ...open, ...left], rig.lines));
    refuse('switch', missing([...Object.keys(feeds), ...stuck], switches));
    refuse('device', missing(unpowered, rig.devices));
    const odd = rig.groups.find(
      ({ key, offers }) => feeds[key] && feeds[key] !== 'off' && !offers.includes(feeds[key]),
    );
    if (odd)
      throw new ReportRefused(`${odd.name} has no setting ${feeds[odd.key]}; it has off, ${odd.offers.join(', ')}.`);
  }
  if (report.report === 'checked') refuse('line', missing([report.line], rig.lines));
  if (report.report !== 'found') return;
  const { what } = report;
  if ('feed' in what) refuse('switch', missing([what.feed], switches));
  if ('line' in what) refuse('line', missing([what.line], rig.lines));
  if ('muted' in what) refuse('line', missing([what.muted], rig.lines));
  const supplied = rig.lines.filter(({ supply }) => supply);
  if ('supply' in what) refuse('supply of its own on line', missing([what.supply], supplied));
  if ('mains' in what) refuse('device', missing([what.mains], rig.devices));
  if ('monitors' in what) refuse('group of monitors', missing([what.monitors], monitorsOf(rig)));
}
