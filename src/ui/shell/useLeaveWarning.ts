'use client';

import { useEffect, useId } from 'react';

/** What is not saved yet, by who has it. */
const unsaved = new Set<string>();
const warn = (event: BeforeUnloadEvent) => event.preventDefault();

/** The browser asks before the tab is closed for as long as anybody has something that is not saved yet. */
export function askBeforeClosing(who: string, has: boolean): void {
  if (has) unsaved.add(who);
  else unsaved.delete(who);
  window[unsaved.size > 0 ? 'addEventListener' : 'removeEventListener']('beforeunload', warn);
}

/** The same for as long as a page is shown. */
export function useLeaveWarning(has: boolean): void {
  const who = useId();
  useEffect(() => {
    if (!has) return;
    askBeforeClosing(who, true);
    return () => askBeforeClosing(who, false);
  }, [who, has]);
}
