'use client';

import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Exposure, LogEntry, LogFilter } from '@/core/log';
import { answerOf, whyNot } from '@/ui/shell/queries';

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

/** Waits, until it is called off. */
const pause = (milliseconds: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, milliseconds);
    signal.addEventListener('abort', () => resolve());
  });

/** A log as it was read, and when its entries and totals last came, by this page's clock in milliseconds. */
interface Read {
  log: LogView;
  at: number;
}

/** What comes before the oldest entry that is shown, of the log that it was asked for. */
interface Older {
  queryKey: string[];
  next: NonNullable<LogView['next']>;
}

/** The log of a rig as others write to it, a page at a time. */
export function useLog(rig: string, initial: LogView, filter: LogFilter) {
  const query = filterQuery(filter).toString();
  const path = `/api/rigs/${rig}/log`;
  const queries = useQueryClient();
  const queryKey = [path, query];
  const read = () => queries.getQueryData<Read>(queryKey);
  const [opened] = useState(() => ({ log: initial, at: performance.now(), date: Date.now() }));
  const asked = useQuery<Read>({
    queryKey,
    queryFn: async ({ signal }) => {
      const before = read();
      if (!before) await pause(PAUSE, signal);
      const seen =
        before && performance.now() - before.at < ANEW ? `&seen=${encodeURIComponent(before.log.state)}` : '';
      const came = await answerOf<LogView | { state: string }>(`${path}?${query}${seen}`, { signal });
      const shown = read();
      if (!('entries' in came)) return shown!;
      return { log: shown ? withNewer(shown.log, came) : came, at: performance.now() };
    },
    ...(query === '' && { initialData: opened, initialDataUpdatedAt: opened.date }),
    placeholderData: keepPreviousData,
    staleTime: LOOK,
    refetchInterval: LOOK,
  });
  const { log } = asked.data ?? { log: initial };
  const more = useMutation({
    mutationFn: ({ queryKey: [, query], next }: Older) =>
      answerOf<LogView>(`${path}?${query}&before=${encodeURIComponent(`${next.at},${next.id}`)}`),
    onSuccess: (came, { queryKey, next }) =>
      queries.setQueryData<Read>(queryKey, (shown) =>
        // Unless the log has begun anew meanwhile: a gap would lie between.
        shown?.log.next?.id === next.id
          ? { ...shown, log: { ...shown.log, entries: [...shown.log.entries, ...came.entries], next: came.next } }
          : shown,
      ),
  });
  const note = useMutation({
    mutationFn: (json: { text: string; who: string; lines: string[] }) => answerOf(path, { method: 'POST', json }),
    onSuccess: () => asked.refetch(),
  });
  const { next } = log;
  return {
    ...log,
    failed: note.error?.message ?? more.error?.message ?? whyNot(asked),
    /** @returns whether it was taken */
    add: (text: string, who: string, lines: string[]): Promise<boolean> =>
      note.mutateAsync({ text, who, lines }).then(
        () => true,
        () => false,
      ),
    older: next && !asked.isPlaceholderData ? () => more.mutate({ queryKey, next }) : undefined,
  };
}
