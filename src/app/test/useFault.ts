'use client';

import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { RigDocument } from '@/core/rig';
import type { Experience, Observation, Repair } from '@/core/testing';
import { useAnswer } from '@/ui/rig/useWorker';
import { useDraft } from '@/ui/shell/useDraft';
import type { TestWorker } from '@/workers/testWorker';

/** How far somebody has come with a line; it survives a change of place and a reload. */
export interface Fault {
  observations: Observation[];
  /** Looks that cannot be made. */
  cannot: string[];
  /** The look that was asked for instead of the best one. */
  chosen?: string;
  /** The act that is being done. */
  acting?: string;
  /** Somebody wants to ask on though an act is likely enough. */
  on?: boolean;
  /** What the feed would harm is not plugged in any more. */
  pulled?: boolean;
  /** What somebody came here for though answers from before are still here. */
  came?: string;
  /** What is typed of a reading that is not taken yet, and of which look. */
  typed?: { of: string; values: Record<string, string> };
  /** What helped, and by what number it is kept. */
  solved?: { act: string; what: string; repair: number; counts: Repair };
}

const NOTHING: Fault = { observations: [], cannot: [] };
const HEARD: Record<string, Fault> = {};
/** A fault of which nothing is known but what is heard; the same object every time. */
export const begun = (heard: string | undefined): Fault =>
  heard === undefined
    ? NOTHING
    : (HEARD[heard] ??= { observations: [{ instrument: 'listening', at: 'desk', seen: heard }], cannot: [] });

const isHeard = ({ observations }: Fault, heard: string): boolean =>
  observations.some(({ instrument, seen }) => instrument === 'listening' && seen === heard);

interface About {
  rig: string;
  document: RigDocument;
  line: string;
  heard?: string;
  experience: Experience;
  only?: string[];
}

/** What is known of a line's fault, and what changes it. */
export function useFault(worker: () => TestWorker, { rig, document, line, heard, experience, only }: About) {
  const [fault, setFault] = useDraft<Fault>(`test ${rig} ${line}`, begun(heard));
  const taken = useRef(false);
  // Somebody who comes with what is heard begins with it; where answers wait here, who came is asked. Neither a reload nor
  // the way back from another line comes with it again.
  useEffect(() => {
    if (heard === undefined || taken.current) return;
    taken.current = true;
    setFault((from) => {
      if (from.observations.length === 0 || from.solved) return begun(heard);
      return isHeard(from, heard) ? from : { ...from, came: heard };
    });
    const { pathname, searchParams } = new URL(window.location.href);
    searchParams.delete('heard');
    window.history.replaceState(null, '', `${pathname}?${searchParams}`);
  }, [heard, setFault]);
  const question = useMemo(
    () => ({
      ask: 'line' as const,
      document,
      line,
      observations: fault.observations,
      experience,
      only,
      cannot: fault.cannot,
      pulled: fault.pulled ?? false,
    }),
    [document, line, fault.observations, fault.cannot, fault.pulled, experience, only],
  );
  const { answer, failed, busy, again } = useAnswer(worker, question, 'line');
  const observe = useCallback(
    (seen: Observation) =>
      setFault((from) => ({
        observations: [...from.observations, seen],
        cannot: from.cannot,
        on: from.on,
        pulled: from.pulled,
      })),
    [setFault],
  );
  return { fault, setFault, observe, found: answer?.found, situation: answer?.situation, failed, busy, again };
}
