'use client';

import { useMemo } from 'react';
import type { MeasuredTones } from '@/core/noise/budget';
import type { RigDocument } from '@/core/rig';
import { useAnswer } from '@/ui/rig/useDesk';
import type { LineFloor } from '@/workers/noiseMessages';
import type { NoiseDesk } from '@/workers/noiseWorker';

/** What every line should deliver, by its id; empty until the worker has answered. */
export function useFloors(desk: () => NoiseDesk, document: RigDocument): Map<string, LineFloor['budget']> {
  const question = useMemo(() => ({ ask: 'floors' as const, document }), [document]);
  const { answer } = useAnswer(desk, question, 'floors');
  return useMemo(() => new Map(answer?.floors.map(({ line, budget }) => [line, budget])), [answer]);
}

/** The question for one line's budget, the same object as long as nothing changes. */
export const useBudgetQuestion = (
  document: RigDocument,
  line: string | undefined,
  gain?: number,
  hum?: MeasuredTones,
) =>
  useMemo(
    () =>
      line === undefined
        ? undefined
        : { ask: 'budget' as const, document, line, ...(gain !== undefined && { gain }), ...(hum && { hum }) },
    [document, line, gain, hum],
  );
