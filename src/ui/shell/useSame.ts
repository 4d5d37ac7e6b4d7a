'use client';

import { useState } from 'react';

/** The same value as long as it says the same: what it is asked with is not asked again. @param now what JSON can say */
export function useSame<T>(now: T): T {
  const [before, setBefore] = useState(now);
  if (before === now || JSON.stringify(before) === JSON.stringify(now)) return before;
  setBefore(now);
  return now;
}
