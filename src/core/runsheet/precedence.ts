import { joined, lineOf, type SheetRig } from './rig';
import type { Action } from './actions';
import type { Job } from './tour';

/** Things of one kind that are done at one place. */
export interface SheetJob extends Job {
  kind: Kind;
  actions: Action[];
}

const KINDS = [
  'harm off',
  'harm mains',
  'harm pull',
  'monitors down',
  'mains first',
  'mute',
  'feed off',
  'supply off',
  'mains cut',
  'unplug',
  'hand off',
  'mains between',
  'late mute',
  'late feed off',
  'hand',
  'plug',
  'mains off',
  'supply on',
  'feed on',
  'open',
  'hush',
  'monitors open',
] as const;
export type Kind = (typeof KINDS)[number];

/** What ends harm that is running. */
const ENDING: readonly Kind[] = ['harm off', 'harm mains', 'harm pull'];
/** What has to be done before any plug is pulled. */
const QUIETENING: readonly Kind[] = ['monitors down', 'mains first', 'mute', 'feed off', 'supply off', 'mains cut'];
/** What has to be done besides before any plug goes in. */
const LOOKING: readonly Kind[] = ['mains between', 'late mute', 'late feed off'];

/** A job before it is known what comes before it; `part` is the part of the rig that it concerns, where others need not wait for it. */
export interface Made extends Omit<SheetJob, 'after'> {
  part?: string;
}

/** Whether one job has to be done before another. */
export function precedes(rig: SheetRig, a: Made, b: Made): boolean {
  const [first, second] = [a.kind, b.kind];
  if (KINDS.indexOf(first) >= KINDS.indexOf(second)) return false;
  if (ENDING.includes(first)) return true;
  if (second === 'monitors open') return true;
  if (first === 'monitors down') return second !== 'mute';
  // Parts of the rig that have nothing in common do not wait for each other.
  if (a.part !== b.part) return false;
  if (QUIETENING.includes(first)) {
    if (!QUIETENING.includes(second)) return true;
    if (first === 'mains first') return a.place === b.place;
    return second === 'mains cut' || ((second === 'feed off' || second === 'supply off') && first === 'mute');
  }
  // An inlet opens when every plug on its conductors has moved, wherever that is.
  if (second === 'open' && (first === 'unplug' || first === 'plug' || first === 'supply on'))
    return shareConductors(rig, a.actions, b.actions);
  switch (first) {
    case 'hand':
      return second === 'plug' && a.place === b.place && shareLine(a.actions, b.actions);
    case 'hand off':
      return second === 'hand' && shareLine(a.actions, b.actions);
    case 'unplug':
      // Each end is exchanged by itself: what comes out at one place need not wait for the other, but for what was
      // plugged before its line changed on paper.
      return second === 'plug'
        ? a.place === b.place || formerOf(rig, a.actions, b.actions)
        : second === 'hand off'
          ? a.place === b.place && shareLine(a.actions, b.actions)
          : second === 'feed on' || LOOKING.includes(second) || shareLine(a.actions, b.actions);
    case 'mains between':
    case 'late mute':
    case 'late feed off':
      return !LOOKING.includes(second) || a.place === b.place;
    case 'plug':
      return second === 'feed on' || shareLine(a.actions, b.actions);
    case 'feed on':
      return second === 'open' && reaches(rig, a.actions, b.actions);
    default:
      return false;
  }
}

const linesOf = (actions: readonly Action[]): string[] =>
  actions.flatMap((action) => ('lines' in action ? action.lines : 'line' in action ? [action.line] : []));

const shareLine = (a: readonly Action[], b: readonly Action[]): boolean => {
  const lines = linesOf(b);
  return linesOf(a).some((id) => lines.includes(id));
};

const shareConductors = (rig: SheetRig, a: readonly Action[], b: readonly Action[]): boolean => {
  const lines = linesOf(b);
  return linesOf(a).some((id) => joined(rig, lineOf(rig, id)).some((each) => lines.includes(each.id)));
};

/** Whether some lines are what others were before the paper changed. */
const formerOf = (rig: SheetRig, former: readonly Action[], now: readonly Action[]): boolean => {
  const were = linesOf(former).flatMap((id) => lineOf(rig, id).was ?? []);
  return linesOf(now).some((id) => were.includes(id));
};

/** Whether switches reach any of the lines that others speak of. */
const reaches = (rig: SheetRig, switches: readonly Action[], others: readonly Action[]): boolean => {
  const lines = linesOf(others);
  const keys = switches.flatMap((action) => (action.do === 'feed' ? [action.group] : []));
  return rig.lines.some(({ id, groups }) => lines.includes(id) && groups.some((key) => keys.includes(key)));
};
