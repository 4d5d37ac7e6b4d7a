'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { ask } from '@/ui/shell/ask';
import { shareEvents } from '@/ui/shell/sharedEvents';
import type { Report, Session, SheetRig } from '@/core/runsheet';
import { useSwitching as text } from './texts';

/** How far a rig's run sheet has come, as the server tells it; `now` is the sheets' clock, in seconds. */
export interface LiveSheet {
  version: number;
  revision: number;
  rig: SheetRig;
  session: Session;
  now: number;
}

export type Telling = Report | { report: 'start'; from: 'packed' | 'unknown' } | Adopt;
interface Adopt {
  report: 'adopt';
  seen: string[];
  asOnPaper: string[];
}

/** The rig that is shown, where the one that came is the same: it comes with every report. */
const kept = (shown: SheetRig, came: SheetRig): SheetRig =>
  JSON.stringify(shown) === JSON.stringify(came) ? shown : came;

const UNDONE = text.stepNotRecorded;
const UNHEARD = text.tickNotRecorded;

/**
 * A rig's run sheet, in step with every other browser that follows it; `wall` is what the clock on the wall is ahead of
 * the sheets'.
 */
export function useSwitching(id: string, initial: LiveSheet, who: string) {
  const [live, setLive] = useState(initial);
  // The page was made a moment ago; the server puts the clock right as soon as it is heard.
  const [offset, setOffset] = useState(() => initial.now - steady());
  const [wall, setWall] = useState(0);
  const [link, setLink] = useState<'joining' | 'in step' | 'lost'>('joining');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);

  const take = useCallback((sheet: LiveSheet) => {
    setOffset(sheet.now - steady());
    setWall(Date.now() / 1000 - sheet.now);
    setLive((shown) => (sheet.version >= shown.version ? { ...sheet, rig: kept(shown.rig, sheet.rig) } : shown));
  }, []);

  // Whoever reports has seen this version; the report itself stays the same function, so that nothing is drawn anew for it.
  const version = useRef(live.version);
  useEffect(() => {
    version.current = live.version;
  }, [live.version]);
  useEffect(() => {
    let asking = false;
    let wanted = 0;
    /** Fetches the sheet, with the server's clock, until it is at the version that was heard of or nobody answers. */
    const catchUp = async () => {
      if (asking) return;
      asking = true;
      for (let tries = 0; tries === 0 || (version.current < wanted && tries < 3); tries++) {
        const { body } = await ask<LiveSheet>(`/api/rigs/${id}/switching`);
        if (!body) break;
        take(body);
        version.current = Math.max(version.current, body.version);
      }
      asking = false;
    };
    const stop = shareEvents('/api/events', {
      // What happened while nobody listened is caught up with, and the clock put right.
      onLink: (to) => {
        setLink(to);
        if (to === 'in step') void catchUp();
      },
      onData: (data) => {
        wanted = Math.max(wanted, (JSON.parse(data) as Record<string, number>)[id] ?? 0);
        if (version.current < wanted) void catchUp();
      },
    });
    // Whoever comes back to this tab sees how it is now: it may have slept.
    const look = () => {
      if (!document.hidden) void catchUp();
    };
    document.addEventListener('visibilitychange', look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      stop();
    };
  }, [id, take]);

  /** Reports something about the sheet as it is shown. @returns whether it was taken */
  const tell = useCallback(
    async (report: Telling): Promise<boolean> => {
      setBusy(true);
      try {
        const response = await fetch(`/api/rigs/${id}/switching`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ version: version.current, who, report }),
        });
        const answer = await response.json();
        if (response.ok) take(answer as LiveSheet);
        else if (answer.error.current) take(answer.error.current as LiveSheet);
        // Two browsers may want to go on with a changed rig at once: one of them is enough.
        if (report.report !== 'adopt' || report.seen.length) setProblem(response.ok ? '' : answer.error.message);
        return response.ok;
      } catch {
        setProblem(report.report === 'checked' ? UNHEARD : UNDONE);
        return false;
      } finally {
        setBusy(false);
      }
    },
    [id, who, take],
  );

  return { id, live, offset, wall, link, problem, busy, tell, dismiss: useCallback(() => setProblem(''), []) };
}

export type Switching = ReturnType<typeof useSwitching>;

/** Seconds by a clock that nobody sets, since this page was opened. */
const steady = (): number => performance.now() / 1000;

/**
 * The clock of the sheets; the server puts it right whenever it says anything. Only what shows a time asks for it: whoever
 * does is drawn anew at each tick.
 * @param from the moment that the page was made with, which is shown until the first tick
 * @param every seconds between two ticks
 */
export function useServerClock(offset: number, from: number, every = 0.2): number {
  const [now, setNow] = useState(from);
  useEffect(() => {
    const look = () => setNow(steady() + offset);
    look();
    const timer = setInterval(look, every * 1000);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [offset, every]);
  return now;
}
