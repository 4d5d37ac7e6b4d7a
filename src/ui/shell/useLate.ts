'use client';

import { useEffect, useState } from 'react';

/** How long a page must have been there before what it may want later is fetched, in milliseconds: opening it is over. */
export const SETTLED = 2000;

/** How long a script may take before somebody who waits for it is told, in milliseconds; where it comes later, it is shown. */
const LIMIT = 10_000;

/** Whether opening the page is over. */
export function useOpened(): boolean {
  const [opened, setOpened] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setOpened(true), SETTLED);
    return () => clearTimeout(timer);
  }, []);
  return opened;
}

/** What came of fetching: `load` is what fetched it. */
interface Fetched<T> {
  load?: () => Promise<T>;
  loaded?: T;
  failed?: boolean;
}

/**
 * What a script brings, once it is there. Where it could not be fetched when it was wanted, that is told; it is tried again
 * when it is wanted anew.
 * @param load the same function each time, for the same script
 * @param when ahead: in case it is wanted, and nobody is told where that fails
 */
export function useLate<T>(load: () => Promise<T>, when: 'not yet' | 'ahead' | 'now' = 'now'): Fetched<T> {
  const [state, setState] = useState<Fetched<T>>({});
  const own = state.load === load ? state : {};
  const there = own.loaded !== undefined;
  useEffect(() => {
    if (there || when === 'not yet') return;
    let left = false;
    const failed = () => {
      if (!left) setState({ load, failed: when === 'now' });
    };
    const timer = setTimeout(failed, LIMIT);
    load()
      .then((loaded) => {
        if (!left) setState({ load, loaded });
      }, failed)
      .finally(() => clearTimeout(timer));
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [load, when, there]);
  return own;
}

/** Fetches what may be wanted later once opening the page is over, so that it is there where the server has gone. @param load always the same function */
export function useAhead(load: () => Promise<unknown>): void {
  useLate(load, useOpened() ? 'ahead' : 'not yet');
}
