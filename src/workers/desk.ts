interface Ticketed {
  ticket: number;
  ask: string;
}

type Ask<Q> = Q extends Ticketed ? Omit<Q, 'ticket'> : never;

const BROKEN = 'The worker could not be started; reload the page.';

/** Asks a worker questions; each is answered once, in the order they were asked. */
export function startDesk<Question extends Ticketed, Answer extends Ticketed>(worker: Worker) {
  const waiting = new Map<number, (answer: Answer) => void>();
  let tickets = 0;
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    waiting.get(data.ticket)?.(data);
    waiting.delete(data.ticket);
  };
  worker.onerror = () => {
    for (const [ticket, resolve] of waiting) resolve({ ticket, ask: 'failed', message: BROKEN } as unknown as Answer);
    waiting.clear();
  };
  return {
    ask(question: Ask<Question>): Promise<Answer> {
      const ticket = ++tickets;
      worker.postMessage({ ...question, ticket });
      return new Promise((resolve) => waiting.set(ticket, resolve));
    },
    stop: () => worker.terminate(),
  };
}
