import { startDesk } from './desk';
import type { SwitchAnswer, SwitchQuestion } from './switchMessages';

/** Starts the worker that follows switching actions and looks for ways to change lines over. */
export const startSwitchDesk = () =>
  startDesk<SwitchQuestion, SwitchAnswer>(
    () => new Worker(new URL('./switch.worker.ts', import.meta.url), { type: 'module' }),
  );

export type SwitchDesk = ReturnType<typeof startSwitchDesk>;
