import type { EntryKind, LogEntry } from './entry';

/** What somebody wants to see of a log; all of it where nothing is stated. */
export interface LogFilter {
  kinds?: readonly EntryKind[];
  /** Id of a line. */
  line?: string;
  /** Days as `2026-11-25`, in UTC, both included. */
  from?: string;
  to?: string;
  /** In the text, the place or the name of who, whatever the case. */
  text?: string;
}

export function filtered(entries: readonly LogEntry[], { kinds, line, from, to, text }: LogFilter): LogEntry[] {
  const wanted = text?.trim().toLowerCase();
  return entries.filter(
    (entry) =>
      (!kinds?.length || kinds.includes(entry.kind)) &&
      (!line || entry.lines.includes(line)) &&
      (!from || entry.at.slice(0, 10) >= from) &&
      (!to || entry.at.slice(0, 10) <= to) &&
      (!wanted || [entry.text, entry.place, entry.who].some((part) => part?.toLowerCase().includes(wanted))),
  );
}
