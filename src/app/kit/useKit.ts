'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { ask } from '@/ui/shell/ask';
import { useLeaveWarning } from '@/ui/shell/useLeaveWarning';

export type KitSaving = { state: 'saved' | 'saving' } | { state: 'failed'; message: string };

/** How long to wait before what was not saved is sent again, in milliseconds. */
const RETRY = 3000;

interface History {
  past: KitItem[][];
  present: KitItem[];
  future: KitItem[][];
}

/** A kit being edited: undo and redo, every changed item saved by itself. */
export function useKit(items: KitItem[]) {
  const [history, setHistory] = useState<History>({ past: [], present: items, future: [] });
  const [saving, setSaving] = useState<KitSaving>({ state: 'saved' });
  const onServer = useRef(items);
  const busy = useRef(false);
  const { present } = history;
  const wanted = useRef(present);
  const [tries, setTries] = useState(0);

  const change = useCallback((to: (from: KitItem[]) => KitItem[]) => {
    setHistory(({ past, present: from }) => {
      const next = to(from);
      return next === from
        ? { past, present: from, future: [] }
        : { past: [...past, from].slice(-200), present: next, future: [] };
    });
  }, []);
  /** Takes over what the server has already saved. */
  const adopt = useCallback((saved: KitItem[]) => {
    onServer.current = saved;
    setHistory(({ past, present: from }) => ({ past: [...past, from].slice(-200), present: saved, future: [] }));
  }, []);
  const undo = useCallback(
    () =>
      setHistory((h) =>
        h.past.length ? { past: h.past.slice(0, -1), present: h.past.at(-1)!, future: [h.present, ...h.future] } : h,
      ),
    [],
  );
  const redo = useCallback(
    () =>
      setHistory((h) =>
        h.future.length ? { past: [...h.past, h.present], present: h.future[0], future: h.future.slice(1) } : h,
      ),
    [],
  );

  useEffect(() => {
    wanted.current = present;
    if (busy.current) return;
    void save();

    async function save() {
      busy.current = true;
      for (;;) {
        const step = nextStep(onServer.current, wanted.current);
        if (!step) break;
        setSaving({ state: 'saving' });
        const { failed, status } = await ask(
          `/api/kit/${step.id}`,
          step.item ? { method: 'PUT', json: step.item } : { method: 'DELETE' },
        );
        // What somebody else has removed already is removed.
        const gone = !step.item && status === 404;
        if (failed && !gone) {
          setSaving({ state: 'failed', message: failed });
          busy.current = false;
          return;
        }
        const rest = onServer.current.filter(({ id }) => id !== step.id);
        onServer.current = step.item ? [...rest, step.item] : rest;
      }
      setSaving({ state: 'saved' });
      busy.current = false;
    }
  }, [present, tries]);

  useLeaveWarning(saving.state !== 'saved');

  // What the server did not take is sent again; nothing is lost while it is away.
  useEffect(() => {
    if (saving.state !== 'failed') return;
    const timer = setTimeout(() => setTries((before) => before + 1), RETRY);
    return () => clearTimeout(timer);
  }, [saving]);

  return {
    items: present,
    saving,
    change,
    adopt,
    undo: history.past.length ? undo : undefined,
    redo: history.future.length ? redo : undefined,
  };
}

/** The next item that the server does not have as it is wanted. */
function nextStep(server: KitItem[], wanted: KitItem[]): { id: string; item?: KitItem } | undefined {
  const known = new Map(server.map((item) => [item.id, item]));
  const changed = wanted.find((item) => known.get(item.id) !== item);
  if (changed) return { id: changed.id, item: changed };
  const ids = new Set(wanted.map(({ id }) => id));
  const gone = server.find(({ id }) => !ids.has(id));
  return gone && { id: gone.id };
}
