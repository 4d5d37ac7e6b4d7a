import type { Exposure } from '@/core/log';
import { feedLabel } from '@/core/standards/feeds';

/** Seconds as people say them of an exposure: `42 s`, `12 min`, `3 h 05 min`. */
function durationText(seconds: number): string {
  if (seconds < 100) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 100
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

/** What a source had, in a few words. */
export const exposureText = ({ feeds }: Exposure): string =>
  feeds
    .map(
      ({ feed, seconds, times }) =>
        `${feed === 'unknown' ? 'unknown feed' : feedLabel(feed)} for ${durationText(seconds)}${times > 1 ? `, ${times} times` : ''}`,
    )
    .join('; ') || 'no feed';
