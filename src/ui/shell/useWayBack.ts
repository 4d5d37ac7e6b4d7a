'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { arrived, wentBack } from './useBackCloses';

/** Follows the way back for whatever lies over a page. Once for all pages. */
export function useWayBack(): void {
  const pathname = usePathname();
  useEffect(arrived, [pathname]);
  useEffect(() => {
    window.addEventListener('popstate', wentBack);
    return () => window.removeEventListener('popstate', wentBack);
  }, []);
}
