'use client';

import { useEffect, useEffectEvent } from 'react';

/** What an entry of the browser's history has where something lay over its page. */
interface EntryState {
  over?: true;
}

/** What the entry that is shown keeps when its address is changed. */
export function entryState(): EntryState | null {
  const { over }: EntryState = window.history.state ?? {};
  return over ? { over } : null;
}

const here = (): string => window.location.pathname + window.location.hash;

/**
 * The address whose entry is one for what lies over its page, from the first opening until somebody goes back. Kept for the
 * page that comes, too: the router forgets what else is in an entry while it fetches that page.
 */
let kept: string | undefined;

/**
 * The browser's way back closes what lies over a page, instead of leaving the page under it. One for each page.
 * @param open whether it lies over the page now
 */
export function useBackCloses(open: boolean, onClose: () => void): void {
  useEffect(() => {
    const own = here();
    if (entryState()) kept = own;
    // Somebody goes on by a link; who goes back has another address kept by now, and a page drawn anew is still here.
    return () => {
      if (kept === own && here() !== own) kept = undefined;
    };
  }, []);
  useEffect(() => {
    if (!open || kept === here()) return;
    window.history.pushState({ over: true } satisfies EntryState, '');
    kept = here();
  }, [open]);
  const gone = useEffectEvent(() => {
    const wasHere = kept === here();
    kept = entryState() ? here() : undefined;
    // Not by a link within the page, nor by a longer way back.
    if (kept !== undefined || !wasHere) return;
    if (open) onClose();
    // It had been closed by hand: the way back is the one from the page.
    else window.history.back();
  });
  useEffect(() => {
    window.addEventListener('popstate', gone);
    return () => window.removeEventListener('popstate', gone);
  }, []);
}
