import type { PlanRequest } from '@/core/plan';
import { conventions } from '@/core/units/conventions';
import { startWorker } from './workerClient';
import { silenceAfter } from './silence';
import type { PlanAnswer, PlanQuestion } from './planMessages';

const start = () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
const BROKEN = 'The planner could not be started. Try again; if that doesn’t help, reload the page.';
const LOST = 'The planner stopped without an answer. The rig is as it was; plan again.';
/** How long it may say nothing beyond the time it was given, in milliseconds: chains are judged meanwhile (assumed). */
const PATIENCE = 60_000;

/** Plans in a worker of its own; `stop` ends it at once, whatever it is doing. */
export function startPlan(request: PlanRequest, onAnswer: (answer: PlanAnswer) => void): { stop: () => void } {
  const worker = start();
  const end = () => {
    silence.stop();
    worker.terminate();
  };
  const fail = (message: string) => {
    end();
    onAnswer({ ticket: 0, ask: 'failed', message });
  };
  const silence = silenceAfter(request.seconds * 1000 + PATIENCE, () => fail(LOST));
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
    silence.heard();
    if (data.ask !== 'progress') end();
    onAnswer(data);
  };
  worker.onerror = () => fail(BROKEN);
  worker.postMessage({ ticket: 0, ask: 'plan', request, conventions: conventions() });
  return { stop: end };
}

/** Answers short questions, one after the other. */
export const startPlanWorker = () => startWorker<PlanQuestion, PlanAnswer>(start);

export type PlanWorker = ReturnType<typeof startPlanWorker>;
