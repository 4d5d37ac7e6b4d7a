import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';

/** What a run sheet must know of a rig: who hangs on which switch, how long things take, which feed does harm to whom. */
export interface SheetRig {
  lines: SheetLine[];
  groups: SheetGroup[];
}

export interface SheetLine {
  id: string;
  name: string;
  /** Where its source stands, and where its inlet is. */
  stage: string;
  desk: string;
  /** Switches that its conductors reach. */
  groups: string[];
  /** Feeds that would harm it, by switch. */
  stops: Record<string, FeedName[]>;
  /** It has a supply of its own between source and inlet. */
  supply: boolean;
}

export interface SheetGroup {
  key: string;
  name: string;
  device: string;
  /** Where the switch is. */
  place: string;
  offers: FeedName[];
  /** Comes back with the mains as it was. */
  latched: boolean;
  /** Mutes its inlets while it switches. */
  mutes: boolean;
  /** After it went off, before anybody plugs. */
  decay: Wait;
  /** After it came on, before anything opens. */
  settle: Wait;
}

/** A wait with both figures, and the one that counts. */
export interface Wait {
  seconds: Seconds;
  computed?: Seconds;
  school?: Seconds;
  counts: 'computed' | 'school';
}

/** Longest decay that is computed; what takes longer counts as this. */
const LONGEST: Seconds = 600;
/** A meter and an ear need this long to be sure, whatever the circuit says (common practice). */
const MOMENT: Seconds = 3;

/** The wait after a feed went off. @param computed undefined for a circuit that holds longer than ten minutes */
export function decayWait(school: string, computed: Seconds = LONGEST): Wait {
  if (school === 'computed') return { seconds: computed, computed, counts: 'computed' };
  const own = school === '120' ? 120 : 60;
  if (school === '120') return { seconds: own, computed, school: own, counts: 'school' };
  return computed > own
    ? { seconds: computed, computed, school: own, counts: 'computed' }
    : { seconds: own, computed, school: own, counts: 'school' };
}

/** The wait after a feed came on, before anything opens. Judging the sound wants a minute more where the school says so. */
export function settleWait(computed: Seconds): Wait {
  return computed > MOMENT
    ? { seconds: computed, computed, school: MOMENT, counts: 'computed' }
    : { seconds: MOMENT, computed, school: MOMENT, counts: 'school' };
}
