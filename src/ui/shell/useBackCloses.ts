'use client';

import { useEffect, useEffectEvent } from 'react';
import { flushSync } from 'react-dom';

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

/** What lies over the page, the topmost last, and how each is closed. */
const over: (() => void)[] = [];

/**
 * The address whose entry is one for what lies over its page, from the first opening until somebody goes back. Kept for the
 * page that comes, too: the router forgets what else is in an entry while it fetches that page.
 */
let kept: string | undefined;

/** What lies over the page has an entry of its own: one, however much it is, and however often. */
function keep(): void {
  if (kept === here()) return;
  window.history.pushState({ over: true } satisfies EntryState, '');
  kept = here();
}

/** Somebody went back: the topmost of what lies over the page is closed, else the page is left. */
export function wentBack(): void {
  const wasHere = kept === here();
  kept = entryState() ? here() : undefined;
  // Not by a link within the page, nor by a longer way back.
  if (kept !== undefined || !wasHere) return;
  const top = over.at(-1);
  // It had been closed by hand: the way back is the one from the page.
  if (!top) return window.history.back();
  flushSync(top);
  if (over.length > 0) keep();
}

/**
 * The browser's way back closes what lies over a page, as Escape does, instead of leaving the page under it.
 * @param open whether it lies over the page now
 */
export function useBackCloses(open: boolean, onClose: () => void): void {
  const close = useEffectEvent(() => onClose());
  useEffect(() => {
    if (!open) return;
    const own = () => close();
    over.push(own);
    keep();
    return () => {
      over.splice(over.indexOf(own), 1);
    };
  }, [open]);
}

/** A page has come: whether its entry is one for what lay over it. */
export function arrived(): void {
  if (entryState()) kept = here();
  // Somebody went on by a link.
  else if (kept !== here()) kept = undefined;
}
