import { endsOf, type Experience, type Repair } from '@/core/testing';
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

/** At which end a thing failed before, for whoever is about to swap it; nothing where nobody has looked. */
export function endsBefore(item: string | undefined, { repairs = [] }: Experience): string {
  if (item === undefined) return '';
  const { source, inlet } = endsOf(repairs, item);
  if (source + inlet === 0) return '';
  const [end, count] = inlet >= source ? ['desk', inlet] : ['stage', source];
  return `It failed before: at the ${end} end ${count === 1 && source + inlet === 1 ? 'that time' : `${count} of ${source + inlet} times`}. Look there first.`;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What may fail, as it is headed. */
export const CLASSES: Record<Repair['class'], string> = {
  cable: 'Cable',
  adapter: 'Adapter',
  'patch point': 'Patch point',
  box: 'Box',
  source: 'Source',
  inlet: 'Inlet',
  desk: 'Forgotten, or no fault at all',
};

/** How it may fail. */
export const SORTS: Record<Repair['type'], string> = {
  open: 'a contact open',
  'open at times': 'a contact open at times',
  shorted: 'two contacts shorted',
  'shorted at times': 'two contacts shorted at times',
  resistive: 'a bad joint',
  swapped: 'two contacts swapped',
  damp: 'damp between contacts',
  dead: 'dead',
  'not home': 'plug not home',
  'feed off': 'feed off',
  'other voltage': 'feed at another voltage',
  'weak feed': 'weak feed',
  muted: 'muted, gain or fader down',
  padded: 'pad in',
  elsewhere: 'plugged into another inlet',
  'source off': 'source off, or its battery empty',
  'source dead': 'dead',
  nothing: 'nothing wrong any more',
};
