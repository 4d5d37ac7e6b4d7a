'use client';

import { notifyManager, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { ask } from '@/ui/shell/ask';
import { answerOf } from '@/ui/shell/queries';
import { shareEvents } from '@/ui/shell/sharedEvents';
import type { Report } from '@/core/runsheet';
import { heard, newest, steady, type Heard, type LiveSheet } from './heard';
import { useSwitching as text } from './texts';

export type Telling = Report | { report: 'start'; from: 'packed' | 'unknown' } | Adopt;
interface Adopt {
  report: 'adopt';
  seen: string[];
  asOnPaper: string[];
}

/** What is told from here comes over the stream and as an answer, which may be a moment later; in milliseconds. */
const ANSWERED = 300;

const UNDONE = text.stepNotRecorded;
const UNHEARD = text.tickNotRecorded;

/**
 * A rig's run sheet, in step with every other browser that follows it; `wall` is what the clock on the wall is ahead of
 * the sheets'.
 */
export function useSwitching(id: string, initial: LiveSheet, who: string) {
  const path = `/api/rigs/${id}/switching`;
  const queries = useQueryClient();
  const queryKey = useMemo(() => [path], [path]);
  // The page was made a moment ago; the server puts the clock right as soon as it is heard.
  const [opened] = useState(() => heard(initial, 0));
  const { data: live, refetch } = useQuery<Heard>({
    queryKey,
    queryFn: async ({ signal }) => heard(await answerOf<LiveSheet>(path, { signal })),
    structuralSharing: newest,
    initialData: opened,
    // What happens is told; whoever comes back to this tab sees how it is now: it may have slept.
    staleTime: Infinity,
    // The stream tells when the server is back.
    retry: false,
    refetchOnWindowFocus: 'always',
  });
  const [link, setLink] = useState<'joining' | 'in step' | 'lost'>('joining');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  /** Reports that are on their way. */
  const telling = useRef(0);

  /** The version that whoever reports has seen; a report stays the same function, so that nothing is drawn anew for it. */
  const version = useCallback(
    // Once the place is left there is no sheet, and nothing to catch up with.
    () => queries.getQueryData<Heard>(queryKey)?.version ?? Infinity,
    [queries, queryKey],
  );
  useEffect(() => {
    let asking = false;
    let wanted = 0;
    /** Fetches the sheet, with the server's clock, until it is at the version that was heard of or nobody answers. */
    const catchUp = async () => {
      if (asking) return;
      asking = true;
      for (let tries = 0; tries === 0 || (version() < wanted && tries < 3); tries++) {
        const { isError } = await refetch();
        if (isError) break;
      }
      asking = false;
    };
    const follow = () => {
      if (version() < wanted) void catchUp();
    };
    return shareEvents('/api/events', {
      // What happened while nobody listened is caught up with, and the clock put right.
      onLink: (to) => {
        setLink(to);
        if (to === 'in step') void catchUp();
      },
      onData: (data) => {
        wanted = Math.max(wanted, (JSON.parse(data) as Record<string, number>)[id] ?? 0);
        if (telling.current > 0) setTimeout(follow, ANSWERED);
        else follow();
      },
    });
  }, [id, refetch, version]);

  /** Reports something about the sheet as it is shown. @returns whether it was taken */
  const tell = useCallback(
    async (report: Telling): Promise<boolean> => {
      setBusy(true);
      telling.current++;
      const { body, failed, status, error } = await ask<LiveSheet>(path, {
        method: 'POST',
        json: { version: version(), who, report },
      });
      telling.current--;
      const now = body ?? (error?.current as LiveSheet | undefined);
      // Nothing can be pressed again before what it is about is seen.
      notifyManager.batch(() => {
        if (now) queries.setQueryData(queryKey, heard(now));
        notifyManager.schedule(() => setBusy(false));
      });
      if (status === undefined) setProblem(report.report === 'checked' ? UNHEARD : UNDONE);
      // Two browsers may want to go on with a changed rig at once: one of them is enough.
      else if (report.report !== 'adopt' || report.seen.length) setProblem(failed ?? '');
      return body !== undefined;
    },
    [path, who, version, queries, queryKey],
  );

  return {
    id,
    live,
    offset: live.offset,
    wall: live.wall,
    link,
    problem,
    busy,
    tell,
    dismiss: useCallback(() => setProblem(''), []),
  };
}

export type Switching = ReturnType<typeof useSwitching>;

/**
 * The clock of the sheets; the server puts it right whenever it says anything. Only what shows a time asks for it: whoever
 * does is drawn anew at each tick.
 * @param from the moment that the page was made with, which is shown until the first tick
 * @param every seconds between two ticks
 * @param stands whether nothing that is shown changes with the time, as last drawn: then it does not tick
 */
export function useServerClock(offset: number, from: number, every = 0.2, stands?: RefObject<boolean>): number {
  const [now, setNow] = useState(from);
  useEffect(() => {
    const look = () => setNow(steady() + offset);
    look();
    const timer = setInterval(() => !stands?.current && look(), every * 1000);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [offset, every, stands]);
  return now;
}
