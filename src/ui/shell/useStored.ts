'use client';

import { useCallback, useSyncExternalStore } from 'react';

const CHANGED = 'inlet-check-stored';

/** What this browser would not remember: full, or forbidden. */
const here = new Map<string, string>();

function subscribe(changed: () => void): () => void {
  window.addEventListener('storage', changed);
  window.addEventListener(CHANGED, changed);
  return () => {
    window.removeEventListener('storage', changed);
    window.removeEventListener(CHANGED, changed);
  };
}

/** A choice that this browser remembers. Where it may not remember anything, the choice lasts until the page is left. */
export function useStored(key: string, otherwise: string): [string, (to: string) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => {
      const unsaved = here.get(key);
      if (unsaved !== undefined) return unsaved;
      try {
        return window.localStorage.getItem(key) ?? otherwise;
      } catch {
        return otherwise;
      }
    },
    () => otherwise,
  );
  const set = useCallback(
    (to: string) => {
      try {
        window.localStorage.setItem(key, to);
        here.delete(key);
      } catch {
        here.set(key, to);
      }
      window.dispatchEvent(new Event(CHANGED));
    },
    [key],
  );
  return [value, set];
}
