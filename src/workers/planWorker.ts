import type { PlanRequest } from '@/core/plan';
import type { PlanMessage } from './plan.worker';

/** Starts planning in a worker; `stop` ends it at once, whatever it is doing. */
export function startPlan(request: PlanRequest, onMessage: (message: PlanMessage) => void): { stop: () => void } {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<PlanMessage>) => {
    onMessage(data);
    if (data.told !== 'progress') worker.terminate();
  };
  worker.onerror = () => onMessage({ told: 'failed', message: 'The planner could not be started; reload the page.' });
  worker.postMessage(request);
  return { stop: () => worker.terminate() };
}
