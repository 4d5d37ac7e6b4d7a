import type { FeedName } from '../standards/feeds';
import type { Seconds } from '../units';
import type { LogEntry } from './entry';

/** How long a source had which feed, and what happened to it. */
export interface Exposure {
  line: string;
  /** Longest first. */
  feeds: { feed: FeedName | 'unknown'; seconds: Seconds; times: number }[];
  incidents: { at: string; text: string }[];
}

/**
 * The record of every source that had a feed, or that an incident is about, from the entries of a log in any order.
 * @param until when the last feed that is on is counted to, as ISO 8601
 */
export function exposures(entries: readonly LogEntry[], until: string): Exposure[] {
  const ordered = entries.toSorted((a, b) => a.at.localeCompare(b.at) || a.id - b.id);
  const records = new Map<string, Exposure>();
  const recordOf = (line: string): Exposure => {
    const found = records.get(line) ?? { line, feeds: [], incidents: [] };
    records.set(line, found);
    return found;
  };
  const feedOf = ({ feeds }: Exposure, feed: FeedName | 'unknown') => {
    const found = feeds.find((each) => each.feed === feed);
    if (found) return found;
    const made = { feed, seconds: 0, times: 0 };
    feeds.push(made);
    return made;
  };
  for (const { kind, lines, at, text } of ordered)
    if (kind === 'incident') for (const line of lines) recordOf(line).incidents.push({ at, text });
  const known = ordered.filter(({ fed }) => fed);
  known.forEach(({ at, fed }, n) => {
    const seconds = (Date.parse(known[n + 1]?.at ?? until) - Date.parse(at)) / 1000;
    const before = known[n - 1]?.fed ?? {};
    for (const [line, feed] of Object.entries(fed!)) {
      const own = feedOf(recordOf(line), feed);
      own.seconds += Math.max(0, seconds);
      if (before[line] !== feed) own.times++;
    }
  });
  for (const { feeds } of records.values()) feeds.sort((a, b) => b.seconds - a.seconds);
  return [...records.values()].sort((a, b) => a.line.localeCompare(b.line));
}
