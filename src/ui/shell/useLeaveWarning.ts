'use client';

import { useEffect, useId } from 'react';
import { flushSync } from 'react-dom';

/** What is not saved yet, by who has it. */
const unsaved = new Set<string>();

/** The browser asks before the tab is closed for as long as anybody has something that is not saved yet. */
export function askBeforeClosing(who: string, has: boolean): void {
  if (has) unsaved.add(who);
  else unsaved.delete(who);
}

export const asksBeforeClosing = (): boolean => unsaved.size > 0;

/** The same for as long as a page is shown. */
export function useLeaveWarning(has: boolean): void {
  const who = useId();
  useEffect(() => {
    if (!has) return;
    askBeforeClosing(who, true);
    return () => askBeforeClosing(who, false);
  }, [who, has]);
}

/** A field that somebody is in is left as by Tab: what stands in it is a change then. */
function leaveField(): void {
  const field = document.activeElement;
  if (field instanceof HTMLElement && field.matches('input, textarea')) flushSync(() => field.blur());
}

/** Before a page is taken away, by the browser's way back or with its tab, what is being typed counts. Once for all pages. */
export function useFieldsLeft(): void {
  useEffect(() => {
    const close = (event: BeforeUnloadEvent) => {
      leaveField();
      if (asksBeforeClosing()) event.preventDefault();
    };
    window.addEventListener('popstate', leaveField, { capture: true });
    window.addEventListener('beforeunload', close);
    return () => {
      window.removeEventListener('popstate', leaveField, { capture: true });
      window.removeEventListener('beforeunload', close);
    };
  }, []);
}
