import { startWorker } from './workerClient';
import type { Answer, Question } from './messages';

/** Time for one question, and for each line of a rig, in milliseconds: 512 lines took 30 s on a slow machine (measured). */
const EACH = 20_000;
const LINE = 250;

/** Starts the check worker. */
export const startCheckWorker = () =>
  startWorker<Question, Answer>(() => new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' }), {
    limit: (question) => EACH + (question.ask === 'rig' ? LINE * question.document.lines.length : 0),
    primes: ({ ask }) => ask === 'rig',
  });

export type CheckWorker = ReturnType<typeof startCheckWorker>;
