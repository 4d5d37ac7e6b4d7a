import type { Seconds } from '../../units';
import { waitAfterOff, type Schools } from '../../schools/schools';
import type { Subject } from '../subject';

/** From one end of a line to the other (assumed). */
export const WALK: Seconds = 45;
/** Where only the calculated discharge counts, most lines take about so long (assumed; the run sheet calculates it). */
const DISCHARGE: Seconds = 10;

/** From feed off until something may be unplugged, for how long a look takes. */
export const waitOf = ({ afterFeedOff }: Schools): Seconds => waitAfterOff(afterFeedOff) ?? DISCHARGE;

/** Mute the inlet and turn the monitors down; the feed off (assumed, as the run sheet has them). */
const MUTE_AND_OFF: Seconds = 9;
const FEED_ON: Seconds = 6;
/** Plug or unplug one end (assumed). */
export const PLUG: Seconds = 15;

/** Where somebody stands, and whether the line is muted with its feed off and its wait over. */
export interface Standing {
  where: 'source' | 'desk';
  off: boolean;
}

/** Until a line may be unplugged: what is left of mute, feed off, wait. */
export const untilOff = ({ feed, wait }: Subject, { off }: Standing): Seconds =>
  off ? 0 : MUTE_AND_OFF + (feed === 'off' ? 0 : wait);

/** The feed on again, if there is one, and the line opened. */
export const onAgain = ({ feed }: Subject): Seconds => (feed === 'off' ? 3 : FEED_ON + 3);

/** An instrument fitted where the feed is on afterwards: fitted, on, read, off, its wait over again. @param read seconds to read it */
export const fittedFor = (subject: Subject, read: Seconds): Seconds =>
  PLUG + FEED_ON + read + MUTE_AND_OFF + subject.wait;

/** From where somebody stands to where they have to be; `both`: one end after the other. */
export const walkTo = (where: 'source' | 'desk' | 'both', { where: from }: Standing): Seconds =>
  where === 'both' ? WALK : where === from ? 0 : WALK;
