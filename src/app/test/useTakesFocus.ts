'use client';

import { useEffect, useRef } from 'react';

/**
 * A heading that takes the focus when something else is shown and what had it is gone: whoever goes by keyboard stays
 * where the next question is. It is scrolled to where it is seen.
 * @param shown by what it is known
 */
export function useTakesFocus(shown: string) {
  const heading = useRef<HTMLHeadingElement>(null);
  const before = useRef(shown);
  useEffect(() => {
    // What is shown first, as the page opens, takes nothing away from anybody.
    if (before.current !== '' && before.current !== shown) {
      // What is asked now is seen: on a phone the choice may have been made far below it.
      heading.current?.scrollIntoView({ block: 'nearest' });
      if (document.activeElement === document.body) heading.current?.focus({ preventScroll: true });
    }
    before.current = shown;
  }, [shown]);
  return heading;
}
