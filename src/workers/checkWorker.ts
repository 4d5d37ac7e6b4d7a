import type { Answer, Question } from './messages';

type Ask = Question extends infer Q ? (Q extends Question ? Omit<Q, 'ticket'> : never) : never;

/** Starts the check worker; questions are answered in the order they are asked. */
export function startCheckWorker() {
  const worker = new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
  const waiting = new Map<number, (answer: Answer) => void>();
  let tickets = 0;
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    waiting.get(data.ticket)?.(data);
    waiting.delete(data.ticket);
  };
  return {
    ask(question: Ask): Promise<Answer> {
      const ticket = ++tickets;
      worker.postMessage({ ...question, ticket });
      return new Promise((resolve) => waiting.set(ticket, resolve));
    },
    stop: () => worker.terminate(),
  };
}

export type CheckWorker = ReturnType<typeof startCheckWorker>;
