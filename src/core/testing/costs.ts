import type { Seconds } from '../units';
import { WALK } from '../rig/places';
import { waitAfterOff, type Schools } from '../schools/schools';
import type { Subject } from './subject';

/** Where only the calculated discharge counts, most lines take about so long (assumed; the run sheet calculates it). */
const DISCHARGE: Seconds = 10;

/** From feed off until something may be unplugged, for how long a look takes. */
export const waitOf = ({ afterFeedOff }: Schools): Seconds => waitAfterOff(afterFeedOff) ?? DISCHARGE;

/** Mute the inlet and turn the monitors down; the feed off (assumed, as the run sheet has them). */
const MUTE_AND_OFF: Seconds = 9;
const FEED_ON: Seconds = 6;
const UNMUTE: Seconds = 3;
/** Plug or unplug one end (assumed). */
export const PLUG: Seconds = 15;

/** Where somebody stands, and whether the line is muted with its feed off and its wait over. */
export interface Standing {
  where: 'source' | 'desk';
  off: boolean;
}

/** Until a line may be unplugged: what is left of mute, feed off, wait. */
export const untilOff = ({ fedBy, wait }: Subject, { off }: Standing): Seconds =>
  off ? 0 : MUTE_AND_OFF + (fedBy === 'nothing' ? 0 : wait);

/** The feed on again, if there is one, and the line opened. */
export const onAgain = ({ fedBy }: Subject): Seconds => (fedBy === 'nothing' ? UNMUTE : FEED_ON + UNMUTE);

/** An instrument fitted where the feed is on afterwards: fitted, on, read, off, its wait over again. @param read seconds to read it */
export const fittedFor = (subject: Subject, read: Seconds): Seconds =>
  PLUG + FEED_ON + read + MUTE_AND_OFF + subject.wait;

/** From where somebody stands to where they have to be; `both`: one end after the other. */
export const walkTo = (where: 'source' | 'desk' | 'both', { where: from }: Standing): Seconds =>
  where === from ? 0 : WALK;
