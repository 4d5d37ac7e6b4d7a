'use client';

import { useEffect, useState } from 'react';

/** How long a page must have been there before what it may want later is fetched, in milliseconds: opening it is over. */
export const SETTLED = 2000;

/** Whether opening the page is over. */
export function useOpened(): boolean {
  const [opened, setOpened] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setOpened(true), SETTLED);
    return () => clearTimeout(timer);
  }, []);
  return opened;
}

/**
 * What a script brings, once it is there. Where it could not be fetched when it was wanted, that is told; it is tried again
 * when it is wanted anew.
 * @param load always the same function
 * @param when ahead: in case it is wanted, and nobody is told where that fails
 */
export function useLate<T>(
  load: () => Promise<T>,
  when: 'not yet' | 'ahead' | 'now' = 'now',
): { loaded?: T; failed?: boolean } {
  const [state, setState] = useState<{ loaded?: T; failed?: boolean }>({});
  const there = state.loaded !== undefined;
  useEffect(() => {
    if (there || when === 'not yet') return;
    let left = false;
    load().then(
      (loaded) => !left && setState({ loaded }),
      () => !left && setState({ failed: when === 'now' }),
    );
    return () => {
      left = true;
    };
  }, [load, when, there]);
  return state;
}
