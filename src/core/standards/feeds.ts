import type { Milliamps, Ohms, Volts } from '../units';

/** What an inlet or a supply box can put on a line. */
export type PhantomName = 'P48' | 'P24' | 'P12' | 'SP48';
export type FeedName = PhantomName | 'T12' | 'T12R' | 'plug-in' | 'intercom' | 'off';

/** Feeds that serve the same sources. */
export type FeedFamily = 'phantom' | 'T12' | 'plug-in' | 'intercom';

export interface Feed {
  name: FeedName;
  label: string;
  family: FeedFamily;
  /** Open-circuit voltage; the tolerance is either way. */
  volts: Volts;
  tolerance: Volts;
  /** In series with each signal conductor. */
  ohms: Ohms;
  /** Most current for one line; absent where its own resistor limits it. */
  limit?: Milliamps;
  source: string;
}

const IEC = 'IEC 61938, from memory';

/** Feeds by name. Every value is from memory of the page named and wants verifying before somebody relies on it. */
export const FEEDS: Record<Exclude<FeedName, 'off'>, Feed> = {
  P48: { name: 'P48', label: '48 V', family: 'phantom', volts: 48, tolerance: 4, ohms: 6800, limit: 10, source: IEC },
  P24: { name: 'P24', label: '24 V', family: 'phantom', volts: 24, tolerance: 4, ohms: 1200, limit: 10, source: IEC },
  P12: { name: 'P12', label: '12 V', family: 'phantom', volts: 12, tolerance: 1, ohms: 680, limit: 15, source: IEC },
  SP48: {
    name: 'SP48',
    label: '48 V high current',
    family: 'phantom',
    volts: 48,
    tolerance: 4,
    ohms: 2200,
    limit: 22,
    source: IEC,
  },
  T12: {
    name: 'T12',
    label: 'T12',
    family: 'T12',
    volts: 12,
    tolerance: 1,
    ohms: 180,
    limit: 8,
    source: 'DIN 45595, from memory',
  },
  T12R: {
    name: 'T12R',
    label: 'T12 reversed',
    family: 'T12',
    volts: 12,
    tolerance: 1,
    ohms: 180,
    limit: 8,
    source: 'DIN 45595 with polarity reversed: common practice on some film sets',
  },
  'plug-in': {
    name: 'plug-in',
    label: 'plug-in power',
    family: 'plug-in',
    volts: 3,
    tolerance: 2,
    ohms: 2200,
    source: 'common practice',
  },
  intercom: {
    name: 'intercom',
    label: 'intercom, 30 V on pin 2',
    family: 'intercom',
    volts: 30,
    tolerance: 4,
    ohms: 20,
    source: 'common practice',
  },
};

export const isPhantom = (feed: FeedName): feed is PhantomName => feed !== 'off' && FEEDS[feed].family === 'phantom';

/** A live feed counts as reaching a contact from this voltage on. */
export const LIVE: Volts = 1;

/** A setting of a switch as people say it. */
export const feedLabel = (feed: FeedName): string => (feed === 'off' ? 'off' : FEEDS[feed].label);
