import type { TestAnswer, TestQuestion } from './testMessages';
import { startWorker } from './workerClient';

/** Starts the worker that finds faults. */
export const startTestWorker = () =>
  startWorker<TestQuestion, TestAnswer>(
    () => new Worker(new URL('./test.worker.ts', import.meta.url), { type: 'module' }),
  );
export type TestWorker = ReturnType<typeof startTestWorker>;
