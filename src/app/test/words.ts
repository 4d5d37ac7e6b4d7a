import type { FeedSwitch } from '@/core/gear';
import { quantity } from '@/core/units/format';

/** Every text of the Test place that more than one part of it says. */

/** A share as people say it: `68 %`, `under 1 %`. */
export const percent = (share: number): string =>
  share >= 0.995 ? 'over 99 %' : share < 0.01 ? 'under 1 %' : `${Math.round(100 * share)} %`;

/** A time as people say it: `40 s`, `2 min`. */
export const about = (seconds: number): string =>
  seconds < 100 ? `${Math.max(5, Math.round(seconds / 5) * 5)} s` : `${Math.round(seconds / 30) / 2} min`;

/** Information as a number to compare. */
export const bitsOf = (bits: number): string => `${quantity(bits, '')}`.trim();

/** Who else hangs on a switch, for whoever is about to turn it; nothing where nobody does. */
export function alsoFed(feed: FeedSwitch | undefined): string {
  if (!feed || feed.reaches.length === 0) return '';
  const [first, ...more] = feed.reaches;
  const who = more.length === 0 ? first : `${first} and ${more.length} more`;
  return `${feed.name} feeds ${who} as well: mute them too.`;
}

/** Where it is done. */
export const WHERE = { source: 'at the stage end', desk: 'at the desk', both: 'at both ends' } as const;

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
