'use client';

import { useCallback, useSyncExternalStore } from 'react';

/** Counted up when what is written down changes its shape: what an older page has left is not taken for it. */
const SHAPE = 2;

/** What is begun and not kept yet, as this tab has it; a reload finds what can be written down in the session's storage. */
const drafts = new Map<string, unknown>();
const listeners = new Set<() => void>();

const subscribe = (changed: () => void): (() => void) => {
  listeners.add(changed);
  return () => listeners.delete(changed);
};

function read<T>(key: string, otherwise: T): T {
  if (drafts.has(key)) return drafts.get(key) as T;
  try {
    const text = window.sessionStorage.getItem(key);
    const value = text === null ? otherwise : (JSON.parse(text) as T);
    drafts.set(key, value);
    return value;
  } catch {
    return otherwise;
  }
}

function write(key: string, value: unknown): void {
  drafts.set(key, value);
  try {
    // Sound and the like is not written down: it lasts until the page is loaded anew.
    if (value === undefined) window.sessionStorage.removeItem(key);
    else
      window.sessionStorage.setItem(
        key,
        JSON.stringify(value, (_, each: unknown) => (each instanceof Blob ? undefined : each)),
      );
  } catch {
    // Full, or forbidden: an older state must not come back in its place.
    try {
      window.sessionStorage.removeItem(key);
    } catch {
      // It lasts until the page is left.
    }
  }
  for (const changed of listeners) changed();
}

/**
 * State of something begun that is not kept yet: it survives a change of place and a reload of this tab.
 * @param key of this draft among all; with the rig in it
 * @param initial the same object every time
 */
export function useDraft<T>(key: string, initial: T): [T, (to: T | ((from: T) => T)) => void] {
  const name = `inlet-check-draft-${SHAPE} ${key}`;
  const value = useSyncExternalStore(
    subscribe,
    () => read(name, initial),
    () => initial,
  );
  const set = useCallback(
    (to: T | ((from: T) => T)) =>
      write(name, typeof to === 'function' ? (to as (from: T) => T)(read(name, initial)) : to),
    [name, initial],
  );
  return [value, set];
}
