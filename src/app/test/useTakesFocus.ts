'use client';

import { useEffect, useRef } from 'react';

/**
 * A heading that takes the focus when something else is shown and what had it is gone: whoever goes by keyboard stays
 * where the next question is.
 * @param shown by what it is known
 */
export function useTakesFocus(shown: string) {
  const heading = useRef<HTMLHeadingElement>(null);
  const before = useRef(shown);
  useEffect(() => {
    // What is shown first, as the page opens, takes nothing away from anybody.
    if (before.current !== '' && before.current !== shown && document.activeElement === document.body)
      heading.current?.focus({ preventScroll: true });
    before.current = shown;
  }, [shown]);
  return heading;
}
