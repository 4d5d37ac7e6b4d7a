import { useCallback, useState } from 'react';

/** Most steps that can be undone. */
const MOST = 200;

interface History<T> {
  past: readonly T[];
  present: T;
  future: readonly T[];
}

/** What a change makes of a document; the same document where nothing is to be changed. */
export type Change<T> = T | ((from: T) => T);

const isFunction = <T>(to: Change<T>): to is (from: T) => T => typeof to === 'function';

/**
 * Something being edited, with what can be undone and done again here.
 * @returns `undo` and `redo` absent where there is nothing to go to; `restart` forgets both
 */
export function useHistory<T>(first: T) {
  const [{ past, present, future }, setHistory] = useState<History<T>>({ past: [], present: first, future: [] });

  const change = useCallback((to: Change<T>) => {
    setHistory(({ past, present: from }) => {
      const next = isFunction(to) ? to(from) : to;
      return next === from
        ? { past, present: from, future: [] }
        : { past: [...past, from].slice(-MOST), present: next, future: [] };
    });
  }, []);
  const undo = useCallback(() => {
    setHistory((h) =>
      h.past.length ? { past: h.past.slice(0, -1), present: h.past.at(-1)!, future: [h.present, ...h.future] } : h,
    );
  }, []);
  const redo = useCallback(() => {
    setHistory((h) =>
      h.future.length ? { past: [...h.past, h.present], present: h.future[0], future: h.future.slice(1) } : h,
    );
  }, []);
  const restart = useCallback((from: T) => setHistory({ past: [], present: from, future: [] }), []);

  return {
    present,
    change,
    undo: past.length ? undo : undefined,
    redo: future.length ? redo : undefined,
    restart,
  };
}
