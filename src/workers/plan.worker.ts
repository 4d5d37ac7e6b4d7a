import loadHighs from 'highs';
import { highsSolver, planRig, type Plan, type PlanProgress, type PlanRequest } from '@/core/plan';

/** What the plan worker sends: how far it is, and in the end the plan or what went wrong. */
export type PlanMessage =
  | { told: 'progress'; progress: PlanProgress }
  | { told: 'plan'; plan: Plan; seconds: number }
  | { told: 'failed'; message: string };

const clock = () => performance.now() / 1000;
const tell = (message: PlanMessage) => self.postMessage(message);

self.onmessage = async ({ data }: MessageEvent<PlanRequest>) => {
  const began = clock();
  try {
    const solver = highsSolver(await loadHighs());
    const plan = planRig(data, { solver, clock, onProgress: (progress) => tell({ told: 'progress', progress }) });
    tell({ told: 'plan', plan, seconds: clock() - began });
  } catch (error) {
    tell({ told: 'failed', message: (error as Error).message });
  }
};
