import dayjs from 'dayjs';
import { linkKind, type ConnectorId } from '@/core/gear';
import {
  endsOf,
  type CableState,
  type InletFigures,
  type Lamps,
  type Experience,
  type RegisterRow,
  type RegisterState,
  type Repair,
} from '@/core/testing';
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

/** A day as people say it. @param at a day of the calendar, or a moment */
export const dateOf = (at: string): string => dayjs(at).format('D MMM YYYY');

/** The day that it is here. */
export const today = (): string => dayjs().format('YYYY-MM-DD');

export const connectorLabel = (connector: ConnectorId): string =>
  linkKind('cable').choices.connector.options.find(({ value }) => value === connector)!.label;

/** A cable by what it is: `XLR3, 10 m`. */
export const sortOf = ({ connector, length }: { connector: ConnectorId; length: number }): string =>
  `${connectorLabel(connector)}, ${length} m`;

/** What a test says in a few words. */
export function resultText({ bad, suspect, tested, worst }: CableState): string {
  const found = `${worst.what.replace(/^.*?: /, '')} (${percent(worst.probability)})`;
  if (bad) return `bad: ${found}`;
  if (suspect) return `suspect: ${found}`;
  return tested ? 'no break, no short, nothing swapped' : 'nothing found wrong, not everything seen';
}

export const REGISTER_WORDS: Record<RegisterState, string> = {
  bad: 'Bad',
  suspect: 'Suspect',
  due: 'Due for a test',
  untested: 'Never tested',
  partly: 'Not all seen',
  good: 'Tested',
  retired: 'Retired',
};

/** How a cable stands, with since when where that matters. */
export const stateText = ({ state, item, due }: RegisterRow): string =>
  state === 'retired'
    ? `Retired ${dateOf(item.register!.retired!)}`
    : state === 'due'
      ? `Due since ${dateOf(due!)}`
      : REGISTER_WORDS[state];

/** How often a thing failed, and where. */
export function failedText({ count, source, inlet }: RegisterRow['failures']): string {
  const often = count === 1 ? 'It failed once' : `It failed ${count} times`;
  const where = [...(inlet ? [`${inlet} at the desk end`] : []), ...(source ? [`${source} at the stage end`] : [])];
  return where.length ? `${often}: ${where.join(', ')}.` : `${often}.`;
}

/** What somebody typed as a number; undefined where it is none. */
export const numberIn = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() !== '' && Number.isFinite(value) ? value : undefined;
};

/** Lamps of the stick, as short as a button. */
export const LAMP_WORDS: Record<Lamps, string> = {
  both: 'Both',
  'only 2': 'Only 2',
  'only 3': 'Only 3',
  neither: 'Neither',
};

export const findingText = ({ what, sure }: InletFigures['findings'][number]): string =>
  sure ? capital(what) : `Too close to say: ${what}`;
