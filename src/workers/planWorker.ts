import type { PlanRequest } from '@/core/plan';
import type { PlanAnswer, PlanQuestion } from './planMessages';

type Ask = PlanQuestion extends infer Q ? (Q extends PlanQuestion ? Omit<Q, 'ticket'> : never) : never;

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
export function startPlanDesk() {
  const worker = start();
  const waiting = new Map<number, (answer: PlanAnswer) => void>();
  let tickets = 0;
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
    waiting.get(data.ticket)?.(data);
    waiting.delete(data.ticket);
  };
  worker.onerror = () => {
    for (const [ticket, resolve] of waiting) resolve({ ticket, ask: 'failed', message: BROKEN });
    waiting.clear();
  };
  return {
    ask(question: Ask): Promise<PlanAnswer> {
      const ticket = ++tickets;
      worker.postMessage({ ...question, ticket });
      return new Promise((resolve) => waiting.set(ticket, resolve));
    },
    stop: () => worker.terminate(),
  };
}

export type PlanDesk = ReturnType<typeof startPlanDesk>;
