'use client';

import { useEffect, useState } from 'react';

/** What has just come under the finger is not pressed by the second half of a double tap, in milliseconds (assumed). */
const SETTLES = 500;

/** Whether what is shown has been there for a moment. @param shown by what it is known */
export function useSettled(shown: string): boolean {
  const [settled, setSettled] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setSettled(shown), SETTLES);
    return () => clearTimeout(timer);
  }, [shown]);
  return settled === shown;
}
