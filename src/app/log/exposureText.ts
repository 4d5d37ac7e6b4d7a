import type { Exposure } from '@/core/log';
import { feedLabel } from '@/core/standards/feeds';
import { exposureText as text } from './texts';

/** Seconds as people say them of an exposure: `42 s`, `12 min`, `3 h 05 min`. */
function durationText(seconds: number): string {
  if (seconds < 100) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 100 ? text.min(minutes) : text.hMin(Math.floor(minutes / 60), String(minutes % 60).padStart(2, '0'));
}

/** What a source had, in a few words. */
export const exposureText = ({ feeds }: Exposure): string =>
  feeds
    .map(({ feed, seconds, times }) =>
      text.forWord(
        feed === 'unknown' ? text.unknownFeed : feedLabel(feed),
        durationText(seconds),
        times > 1 ? text.times(times) : '',
      ),
    )
    .join('; ') || text.noFeed;
