'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Exposure, LogEntry, LogFilter } from '@/core/log';
import { ask } from '@/ui/shell/ask';

/** Part of a log, newest first, with what every source had. */
export interface LogView {
  /** Changes whenever something is written. */
  state: string;
  entries: LogEntry[];
  next?: { at: string; id: number };
  matching: number;
  total: number;
  days: string[];
  exposures: Exposure[];
}

/** How often to look whether something was written down elsewhere, in milliseconds. */
const LOOK = 4000;
/** How long to wait for further typing before the server is asked, in milliseconds. */
const PAUSE = 250;
/** After which time the log is asked for though nothing was written: what is on goes on counting. In milliseconds. */
const ANEW = 60_000;

const keyOf = ({ kind, id }: LogEntry): string => `${kind} ${id}`;

/** A log with what was written since it was read before what is shown already, however far back that goes. */
function withNewer(shown: LogView, came: LogView): LogView {
  const known = new Set(shown.entries.map(keyOf));
  const fresh = came.entries.filter((entry) => !known.has(keyOf(entry)));
  // Nothing in common: too much was written meanwhile to know what lies between.
  if (fresh.length === came.entries.length) return came;
  return { ...came, entries: [...fresh, ...shown.entries], next: shown.next };
}

export const filterQuery = ({ kinds, ...rest }: LogFilter): URLSearchParams =>
  new URLSearchParams({ ...rest, ...(kinds?.length && { kinds: kinds.join(',') }) });

/** The log of a rig as others write to it, a page at a time. */
export function useLog(rig: string, initial: LogView, filter: LogFilter) {
  const [log, setLog] = useState(initial);
  const [failed, setFailed] = useState('');
  const query = filterQuery(filter).toString();
  const shown = useRef({ query: '', state: initial.state, at: 0 });
  const look = useCallback(async () => {
    const { state, at } = shown.current;
    const same = shown.current.query === query;
    const more = new URLSearchParams(query);
    if (same && performance.now() - at < ANEW) more.set('seen', state);
    const { body, failed: why } = await ask<LogView | { state: string }>(`/api/rigs/${rig}/log?${more}`);
    setFailed(why ?? '');
    if (!body || !('entries' in body)) return;
    shown.current = { query, state: body.state, at: performance.now() };
    setLog((before) => (same ? withNewer(before, body) : body));
  }, [rig, query]);
  useEffect(() => {
    const soon = shown.current.query === query ? undefined : setTimeout(() => void look(), PAUSE);
    const timer = setInterval(() => {
      if (!document.hidden) void look();
    }, LOOK);
    return () => {
      clearTimeout(soon);
      clearInterval(timer);
    };
  }, [look, query]);
  const older = useCallback(async () => {
    if (!log.next) return;
    const more = new URLSearchParams(query);
    more.set('before', `${log.next.at},${log.next.id}`);
    const { body, failed: why } = await ask<LogView>(`/api/rigs/${rig}/log?${more}`);
    setFailed(why ?? '');
    if (!body) return;
    setLog((before) => ({ ...before, entries: [...before.entries, ...body.entries], next: body.next }));
  }, [rig, query, log.next]);
  const add = useCallback(
    async (text: string, who: string, lines: string[]): Promise<boolean> => {
      const { failed: problem } = await ask(`/api/rigs/${rig}/log`, { method: 'POST', json: { text, who, lines } });
      setFailed(problem ?? '');
      if (!problem) await look();
      return !problem;
    },
    [rig, look],
  );
  return { ...log, failed, add, older: log.next && older };
}
