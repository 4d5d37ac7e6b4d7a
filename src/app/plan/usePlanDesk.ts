'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { startPlanDesk, type PlanDesk } from '@/workers/planWorker';

/** Where short questions about plans are asked; the worker starts with the first one. */
export function usePlanDesk(): () => PlanDesk {
  const desk = useRef<PlanDesk>(undefined);
  useEffect(
    () => () => {
      desk.current?.stop();
      desk.current = undefined;
    },
    [],
  );
  return useCallback(() => (desk.current ??= startPlanDesk()), []);
}

type Question = Parameters<PlanDesk['ask']>[0];
type Answer = Awaited<ReturnType<PlanDesk['ask']>>;

/** The answer to a question, asked again whenever that changes; the last one stands until the next has come. */
export function useAnswer<A extends Answer['ask']>(
  desk: () => PlanDesk,
  question: Question | undefined,
  as: A,
): { answer?: Extract<Answer, { ask: A }>; failed?: string; busy: boolean } {
  const [state, setState] = useState<{ question?: Question; answer?: Answer }>({});
  useEffect(() => {
    if (!question) return;
    let stale = false;
    void desk()
      .ask(question)
      .then((answer) => {
        if (!stale) setState({ question, answer });
      });
    return () => {
      stale = true;
    };
  }, [desk, question]);
  const { answer } = state;
  return {
    ...(answer?.ask === as && { answer: answer as Extract<Answer, { ask: A }> }),
    ...(answer?.ask === 'failed' && { failed: answer.message }),
    busy: state.question !== question,
  };
}
