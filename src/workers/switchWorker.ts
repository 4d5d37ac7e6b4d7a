import { startWorker } from './workerClient';
import type { SwitchAnswer, SwitchQuestion } from './switchMessages';

/** Starts the worker that follows switching actions and looks for ways to change lines over. */
export const startSwitchWorker = () =>
  startWorker<SwitchQuestion, SwitchAnswer>(
    () => new Worker(new URL('./switch.worker.ts', import.meta.url), { type: 'module' }),
  );

export type SwitchWorker = ReturnType<typeof startSwitchWorker>;
