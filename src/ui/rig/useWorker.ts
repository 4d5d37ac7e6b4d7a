'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

interface AnyWorkerClient<Question, Answer> {
  ask: (question: Question) => Promise<Answer>;
  stop: () => void;
}

/** Where short questions are asked of a worker; it starts with the first one. @param start always the same function */
export function useWorker<D extends { stop: () => void }>(start: () => D): () => D {
  const worker = useRef<D>(undefined);
  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
    },
    [],
  );
  return useCallback(() => (worker.current ??= start()), [start]);
}

/** The answer to a question, asked again whenever that changes; the last one stands until the next has come. */
export function useAnswer<Question, Answer extends { ask: string }, A extends Answer['ask']>(
  worker: () => AnyWorkerClient<Question, Answer>,
  question: Question | undefined,
  as: A,
): { answer?: Extract<Answer, { ask: A }>; failed?: string; busy: boolean; again: () => void } {
  const [tries, setTries] = useState(0);
  const [state, setState] = useState<{ question?: Question; answer?: Answer }>({});
  useEffect(() => {
    if (!question) return;
    let stale = false;
    void worker()
      .ask(question)
      .then((answer) => {
        if (!stale) setState({ question, answer });
      });
    return () => {
      stale = true;
    };
  }, [worker, question, tries]);
  const { answer } = state;
  return {
    ...(answer?.ask === as && { answer: answer as Extract<Answer, { ask: A }> }),
    ...(answer?.ask === 'failed' && { failed: (answer as unknown as { message: string }).message }),
    busy: state.question !== question,
    again: useCallback(() => setTries((before) => before + 1), []),
  };
}
