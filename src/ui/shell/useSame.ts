'use client';

import { useState } from 'react';

/** The one before where both say the same. @param now what JSON can say */
export const unlessSame = <T>(before: T, now: T): T =>
  before === now || JSON.stringify(before) === JSON.stringify(now) ? before : now;

/** The same value as long as it says the same: what is asked with it is not asked again. */
export function useSame<T>(now: T): T {
  const [before, setBefore] = useState(now);
  const same = unlessSame(before, now);
  if (same !== before) setBefore(same);
  return same;
}
