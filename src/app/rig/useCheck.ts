'use client';

import { useEffect, useRef, useState } from 'react';
import type { LineResult, ProbeTip, Schools } from '@/core/check';
import type { Line } from '@/core/gear';
import { startCheckWorker, type CheckWorker } from '@/workers/checkWorker';

/** The newest answer about a line: its result, or why there is none. */
export type LineAnswer = { line: Line; schools: Schools; result?: LineResult; failed?: string };

/** Checks every line in a worker, the selected one first, each again only when it or the schools change. */
export function useCheck(lines: Line[], schools: Schools, selected: string | undefined) {
  const worker = useRef<CheckWorker>(undefined);
  const asked = useRef(new Map<string, { line: Line; schools: Schools }>());
  const [answers, setAnswers] = useState<ReadonlyMap<string, LineAnswer>>(new Map());

  useEffect(() => {
    const started = startCheckWorker();
    const questions = asked.current;
    worker.current = started;
    return () => {
      started.stop();
      worker.current = undefined;
      questions.clear();
    };
  }, []);

  useEffect(() => {
    const first = lines.filter(({ id }) => id === selected);
    for (const line of [...first, ...lines.filter(({ id }) => id !== selected)]) {
      const before = asked.current.get(line.id);
      if (before?.line === line && before.schools === schools) continue;
      asked.current.set(line.id, { line, schools });
      void worker.current?.ask({ ask: 'check', line, schools }).then((answer) => {
        // Whatever was asked since is the better answer.
        if (asked.current.get(line.id)?.line !== line || asked.current.get(line.id)?.schools !== schools) return;
        setAnswers((all) =>
          new Map(all).set(line.id, {
            line,
            schools,
            ...(answer.ask === 'check'
              ? { result: answer.result }
              : { failed: answer.ask === 'failed' ? answer.message : 'no answer' }),
          }),
        );
      });
    }
  }, [lines, schools, selected]);

  return { answers, worker };
}

export type Probe = { red: ProbeTip; black: ProbeTip };

/** What a meter reads between two contacts of a line; undefined until the worker has answered. */
export function useProbe(
  worker: React.RefObject<CheckWorker | undefined>,
  line: Line | undefined,
  tips: Probe | undefined,
) {
  const [reading, setReading] = useState<{ tips: Probe; line: Line; volts?: number; failed?: string }>();
  useEffect(() => {
    if (!line || !tips) return;
    let stale = false;
    void worker.current?.ask({ ask: 'probe', line, ...tips }).then((answer) => {
      if (stale) return;
      setReading({
        tips,
        line,
        ...(answer.ask === 'probe'
          ? { volts: answer.volts }
          : { failed: answer.ask === 'failed' ? answer.message : '' }),
      });
    });
    return () => {
      stale = true;
    };
  }, [worker, line, tips]);
  return reading && reading.tips === tips ? reading : undefined;
}
