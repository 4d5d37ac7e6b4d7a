import { FEEDS, type FeedName } from '@/core/standards/feeds';

/** A feed as a switch has it written. */
export const feedLabel = (feed: FeedName): string => (feed === 'off' ? 'off' : FEEDS[feed].label);
