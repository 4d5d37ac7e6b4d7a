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
import { words as texts } from './texts';

/** Every text of the Test place that more than one part of it says. */

/** A share as people say it: `68 %`, `under 1 %`. */
export const percent = (share: number): string =>
  share >= 0.995 ? texts.over99 : share < 0.01 ? texts.under1 : `${Math.round(100 * share)} %`;

/** A time as people say it: `40 s`, `2 min`. */
export const about = (seconds: number): string =>
  seconds < 100 ? `${Math.max(5, Math.round(seconds / 5) * 5)} s` : texts.min(Math.round(seconds / 30) / 2);

/** Information as a number to compare. */
export const bitsOf = (bits: number): string => `${quantity(bits, '')}`.trim();

/** Who else hangs on a switch, for whoever is about to turn it; nothing where nobody does. */
export function alsoFed(feed: FeedSwitch | undefined): string {
  if (!feed || feed.reaches.length === 0) return '';
  const [first, ...more] = feed.reaches;
  const who = more.length === 0 ? first : texts.andMore(first, more.length);
  return texts.feedsAsWellMuteThem(feed.name, who);
}

/** Where it is done. */
export const WHERE = { source: texts.atTheStageEnd, desk: texts.atTheDesk, both: texts.atBothEnds } as const;

/** At which end a thing failed before, for whoever is about to swap it; nothing where nobody has looked. */
export function endsBefore(item: string | undefined, { repairs = [] }: Experience): string {
  if (item === undefined) return '';
  const { source, inlet } = endsOf(repairs, item);
  if (source + inlet === 0) return '';
  const [end, count] = inlet >= source ? ['desk', inlet] : ['stage', source];
  return texts.itFailedBefore(end, count, source + inlet);
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What may fail, as it is headed. */
export const CLASSES: Record<Repair['class'], string> = {
  cable: texts.cable,
  adapter: texts.adapter,
  'patch point': texts.patchPoint,
  box: texts.box,
  source: texts.source,
  inlet: texts.inlet,
  desk: texts.forgottenOrNoFault,
};

/** How it may fail. */
export const SORTS: Record<Repair['type'], string> = {
  open: texts.aContactOpen,
  'open at times': texts.aContactOpenAtTimes,
  shorted: texts.twoContactsShorted,
  'shorted at times': texts.twoContactsShortedAtTimes,
  resistive: texts.aBadJoint,
  swapped: texts.twoContactsSwapped,
  damp: texts.dampBetweenContacts,
  dead: texts.dead,
  'not home': texts.plugNotHome,
  'feed off': texts.feedOff,
  'other voltage': texts.feedAtAnotherVoltage,
  'weak feed': texts.weakFeed,
  muted: texts.mutedGainOrFaderDown,
  padded: texts.padIn,
  elsewhere: texts.pluggedIntoAnotherInlet,
  'source off': texts.sourceOffOrItsBattery,
  'source dead': texts.dead,
  nothing: texts.nothingWrongAnyMore,
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
  if (bad) return texts.bad(found);
  if (suspect) return texts.suspect(found);
  return tested ? texts.noBreakNoShortNothing : texts.nothingFoundWrongNotEverything;
}

export const REGISTER_WORDS: Record<RegisterState, string> = {
  bad: texts.badState,
  suspect: texts.suspectState,
  due: texts.dueForATest,
  untested: texts.neverTested,
  partly: texts.notAllSeen,
  good: texts.tested,
  retired: texts.retired,
};

/** How a cable stands, with since when where that matters. */
export const stateText = ({ state, item, due }: RegisterRow): string =>
  state === 'retired'
    ? texts.retiredOn(dateOf(item.register!.retired!))
    : state === 'due'
      ? texts.dueSince(dateOf(due!))
      : REGISTER_WORDS[state];

/** How often a thing failed, and where. */
export function failedText({ count, source, inlet }: RegisterRow['failures']): string {
  const often = count === 1 ? texts.itFailedOnce : texts.itFailedTimes(count);
  const where = [...(inlet ? [texts.atTheDeskEnd(inlet)] : []), ...(source ? [texts.timesAtTheStageEnd(source)] : [])];
  return where.length ? `${often}: ${where.join(', ')}.` : `${often}.`;
}

/** What somebody typed as a number; undefined where it is none. */
export const numberIn = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() !== '' && Number.isFinite(value) ? value : undefined;
};

/** Lamps of the stick, as short as a button. */
export const LAMP_WORDS: Record<Lamps, string> = {
  both: texts.both,
  'only 2': texts.only2,
  'only 3': texts.only3,
  neither: texts.neither,
};

export const findingText = ({ what, sure }: InletFigures['findings'][number]): string =>
  sure ? capital(what) : texts.tooCloseToSay(what);
