import { startDesk } from './desk';
import type { Answer, Question } from './messages';

/** Starts the check worker. */
export const startCheckWorker = () =>
  startDesk<Question, Answer>(new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' }));

export type CheckWorker = ReturnType<typeof startCheckWorker>;
