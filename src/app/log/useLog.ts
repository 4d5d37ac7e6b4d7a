'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Exposure, LogEntry } from '@/core/log';
import { ask } from '@/ui/shell/ask';

interface Log {
  entries: LogEntry[];
  exposures: Exposure[];
}

/** How often to look whether something was written down elsewhere, in milliseconds. */
const LOOK = 4000;

/** The log of a rig, as others write to it. */
export function useLog(rig: string, initial: Log) {
  const [log, setLog] = useState(initial);
  const [failed, setFailed] = useState('');
  const look = useCallback(async () => {
    const { body } = await ask<Log>(`/api/rigs/${rig}/log`);
    if (body) setLog(body);
  }, [rig]);
  useEffect(() => {
    const timer = setInterval(() => {
      if (!document.hidden) void look();
    }, LOOK);
    return () => clearInterval(timer);
  }, [look]);
  const add = useCallback(
    async (text: string, who: string, lines: string[]): Promise<boolean> => {
      const { failed: problem } = await ask(`/api/rigs/${rig}/log`, { method: 'POST', json: { text, who, lines } });
      setFailed(problem ?? '');
      if (!problem) await look();
      return !problem;
    },
    [rig, look],
  );
  return { ...log, failed, add };
}
