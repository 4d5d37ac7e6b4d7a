'use client';

import { useMemo } from 'react';
import type { MeasuredTones } from '@/core/noise/budget';
import { lastHums, type KeptMeasurement } from '@/core/noise/kept';
import type { RigDocument } from '@/core/rig';
import { useAnswer } from '@/ui/rig/useWorker';
import { useSame } from '@/ui/shell/useSame';
import type { LineFloor } from '@/workers/noiseMessages';
import type { NoiseWorker } from '@/workers/noiseWorker';

/**
 * What every line should deliver, with the hum that was measured on it last, by its id; empty until the worker has
 * answered, or why it cannot.
 */
export function useFloors(worker: () => NoiseWorker, document: RigDocument, measurements: readonly KeptMeasurement[]) {
  const hums = useSame(useMemo(() => lastHums(measurements), [measurements]));
  const question = useMemo(() => ({ ask: 'floors' as const, document, hums }), [document, hums]);
  const { answer, failed, again } = useAnswer(worker, question, 'floors');
  const floors = useMemo(
    () => new Map<string, LineFloor['budget']>(answer?.floors.map(({ line, budget }) => [line, budget])),
    [answer],
  );
  return { floors, failed, again };
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
