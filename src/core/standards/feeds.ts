import type { Milliamps, Ohms, Volts } from '../units';

/** Feeds that serve the same sources. */
export type FeedFamily = 'phantom' | 'T12' | 'plug-in' | 'intercom';

interface FeedStandard {
  label: string;
  family: FeedFamily;
  /** Open-circuit voltage; the tolerance is either way. */
  volts: Volts;
  tolerance: Volts;
  /** In series with each signal conductor. */
  ohms: Ohms;
  /** Most current for one line; absent where its own resistor limits it. */
  limit?: Milliamps;
  /** The positive pole is on the cold conductor. */
  reversed?: true;
  source: string;
}

const IEC = 'IEC 61938, from memory';

/** Feeds by name. Every value is from memory of the page named and wants verifying before somebody relies on it. */
const STANDARDS = {
  P48: { label: '48 V', family: 'phantom', volts: 48, tolerance: 4, ohms: 6800, limit: 10, source: IEC },
  P24: { label: '24 V', family: 'phantom', volts: 24, tolerance: 4, ohms: 1200, limit: 10, source: IEC },
  P12: { label: '12 V', family: 'phantom', volts: 12, tolerance: 1, ohms: 680, limit: 15, source: IEC },
  SP48: {
    label: '48 V high current',
    family: 'phantom',
    volts: 48,
    tolerance: 4,
    ohms: 2200,
    limit: 22,
    source: IEC,
  },
  T12: {
    label: 'T12',
    family: 'T12',
    volts: 12,
    tolerance: 1,
    ohms: 180,
    limit: 8,
    source: 'DIN 45595, from memory',
  },
  T12R: {
    label: 'T12 reversed',
    family: 'T12',
    volts: 12,
    tolerance: 1,
    ohms: 180,
    limit: 8,
    reversed: true,
    source: 'DIN 45595 with polarity reversed: common practice on some film sets',
  },
  'plug-in': {
    label: 'plug-in power',
    family: 'plug-in',
    volts: 3,
    tolerance: 2,
    ohms: 2200,
    source: 'common practice',
  },
  intercom: {
    label: 'intercom, 30 V on pin 2',
    family: 'intercom',
    volts: 30,
    tolerance: 4,
    ohms: 20,
    source: 'common practice',
  },
} as const satisfies Record<string, FeedStandard>;

type Standards = typeof STANDARDS;
/** What an inlet or a supply box can put on a line. */
export type FeedName = keyof Standards | 'off';
export type PhantomName = {
  [N in keyof Standards]: Standards[N]['family'] extends 'phantom' ? N : never;
}[keyof Standards];

export interface Feed extends FeedStandard {
  name: FeedName;
}

export const FEEDS = Object.fromEntries(
  Object.entries<FeedStandard>(STANDARDS).map(([name, feed]) => [name, { name, ...feed }]),
) as Record<Exclude<FeedName, 'off'>, Feed>;

/** The feed that everybody expects of a microphone inlet. */
export const USUAL = 'P48' satisfies PhantomName;

/** Feeds of a family, as they are listed. */
export const feedsOf = (...families: FeedFamily[]): Exclude<FeedName, 'off'>[] =>
  (Object.keys(STANDARDS) as Exclude<FeedName, 'off'>[]).filter((name) => families.includes(FEEDS[name].family));

/** The feed of the highest voltage among some; undefined where there is none. */
export const highestOf = (feeds: readonly Exclude<FeedName, 'off'>[]): Exclude<FeedName, 'off'> | undefined =>
  feeds.toSorted((a, b) => FEEDS[b].volts - FEEDS[a].volts)[0];

/** The phantom voltages, highest first; of two of one voltage the one that gives more. */
export const PHANTOMS = (feedsOf('phantom') as PhantomName[]).toSorted(
  (a, b) => FEEDS[b].volts - FEEDS[a].volts || FEEDS[a].ohms - FEEDS[b].ohms,
);

export const isPhantom = (feed: FeedName): feed is PhantomName => feed !== 'off' && FEEDS[feed].family === 'phantom';

/** A live feed counts as reaching a contact from this voltage on. */
export const LIVE: Volts = 1;

/** A setting of a switch as people say it. */
export const feedLabel = (feed: FeedName): string => (feed === 'off' ? 'off' : FEEDS[feed].label);
