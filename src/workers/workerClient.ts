import { conventions } from '@/core/units/conventions';

interface Ticketed {
  ticket: number;
  ask: string;
}

type Ask<Q> = Q extends Ticketed ? Omit<Q, 'ticket'> : never;

/** What is told when a worker was lost over a question, started again, and lost once more. */
export const LOST = 'The solver stopped twice while working on this.';

/** How long a question may take before its worker is given up, in milliseconds: more than a slow phone needs (assumed). */
const LIMIT = 60_000;
/** How often a question is asked of a new worker before it is given up. */
const TRIES = 2;

interface Supervision<Question> {
  /** Milliseconds that a question may take. */
  limit?: (question: Question) => number;
  /** Whether what is asked later rests on it: after a restart it is asked again first. */
  primes?: (question: Question) => boolean;
}

interface Waiting<Question, Answer> {
  question: Question;
  resolve: (answer: Answer) => void;
  tries: number;
}

/**
 * Asks a worker questions; each is answered once, in the order they were asked. A worker that dies, or does not answer in
 * time, is replaced, and what it owed is asked again; what two workers were lost over is answered with `failed`.
 */
export function startWorker<Question extends Ticketed, Answer extends Ticketed>(
  start: () => Worker,
  { limit = () => LIMIT, primes = () => false }: Supervision<Question> = {},
) {
  let waiting: Waiting<Question, Answer>[] = [];
  let primer: Question | undefined;
  let tickets = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let worker = supervised();

  function supervised(): Worker | undefined {
    try {
      const made = start();
      made.onmessage = ({ data }: MessageEvent<Answer>) => {
        const at = waiting.findIndex(({ question }) => question.ticket === data.ticket);
        if (at < 0 || made !== worker) return;
        const [{ question, resolve }] = waiting.splice(at, 1);
        if (primes(question)) primer = question;
        watch();
        resolve(data);
      };
      made.onerror = made.onmessageerror = () => {
        if (made === worker) replace();
      };
      return made;
    } catch {
      return undefined;
    }
  }

  const post = (question: Question) => worker?.postMessage({ ...question, conventions: conventions() });

  /** Begins to count the time of whatever is answered next. */
  function watch(more = 0) {
    clearTimeout(timer);
    const [head] = waiting;
    timer = head && setTimeout(replace, limit(head.question) + more);
  }

  /** Starts a worker and tells it all that it has to know. */
  function revive() {
    worker = supervised();
    const missing = primer && !waiting.some(({ question }) => primes(question)) ? primer : undefined;
    if (worker) {
      // Its answer is known already: nobody waits for it.
      if (missing) post({ ...missing, ticket: 0 });
      for (const { question } of waiting) post(question);
    } else {
      for (const each of waiting.splice(0)) fail(each);
    }
    watch(missing && limit(missing));
  }

  function replace() {
    worker?.terminate();
    worker = undefined;
    const [head] = waiting;
    if (head && ++head.tries >= TRIES) {
      waiting.shift();
      fail(head);
    }
    // Where nobody waits, the next question starts one: what breaks as it starts is not started over and over.
    if (waiting.length) revive();
    else clearTimeout(timer);
  }

  const fail = ({ question: { ticket }, resolve }: Waiting<Question, Answer>) =>
    resolve({ ticket, ask: 'failed', message: LOST } as unknown as Answer);

  return {
    ask(asked: Ask<Question>): Promise<Answer> {
      const question = { ...asked, ticket: ++tickets } as unknown as Question;
      return new Promise((resolve) => {
        waiting.push({ question, resolve, tries: 0 });
        if (!worker) return revive();
        post(question);
        if (waiting.length === 1) watch();
      });
    },
    stop() {
      clearTimeout(timer);
      worker?.terminate();
      waiting = [];
    },
  };
}
