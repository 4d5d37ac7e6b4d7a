import type { PlanRequest } from '@/core/plan';
import { startDesk } from './desk';
import type { PlanAnswer, PlanQuestion } from './planMessages';

const start = () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
const BROKEN = 'The planner could not be started; reload the page.';

/** Plans in a worker of its own; `stop` ends it at once, whatever it is doing. */
export function startPlan(request: PlanRequest, onAnswer: (answer: PlanAnswer) => void): { stop: () => void } {
  const worker = start();
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
    onAnswer(data);
    if (data.ask !== 'progress') worker.terminate();
  };
  worker.onerror = () => onAnswer({ ticket: 0, ask: 'failed', message: BROKEN });
  worker.postMessage({ ticket: 0, ask: 'plan', request } satisfies PlanQuestion);
  return { stop: () => worker.terminate() };
}

/** Answers short questions, one after the other. */
export const startPlanDesk = () => startDesk<PlanQuestion, PlanAnswer>(start());

export type PlanDesk = ReturnType<typeof startPlanDesk>;
