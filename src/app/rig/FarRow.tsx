'use client';

import { useEffect, useLayoutEffect, useRef, type RefObject } from 'react';
import type { DrawnProps } from './row';
import { farRow as text } from './texts';

/** What is drawn in the place of another takes the keyboard over from it. */
export function useFocusOf(focusedRef: RefObject<boolean>, row: RefObject<HTMLElement | null>): void {
  useLayoutEffect(() => {
    const own = row.current;
    if (focusedRef.current) own?.querySelector<HTMLElement>('[data-name]')?.focus({ preventScroll: true });
    focusedRef.current = false;
    return () => {
      focusedRef.current = own?.contains(document.activeElement) ?? false;
    };
  }, [focusedRef, row]);
}

/** So that the keyboard, the browser's search and whoever reads aloud come to a line that is out of sight. */
export function FarRow({ id, name, inlet, marked, result, unsolved, actions, keep, focusedRef }: DrawnProps) {
  const row = useRef<HTMLLIElement>(null);
  useFocusOf(focusedRef, row);
  useEffect(() => keep(row.current), [keep]);
  return (
    <li ref={row} className="far" data-line={id}>
      <button type="button" data-name aria-pressed={false} onClick={() => actions.select(id)}>
        {name}
      </button>
      {[result?.verdict ?? (unsolved ? text.noResult : '…'), inlet, ...(marked ? [text.marked] : [])].join(' · ')}
    </li>
  );
}

/** How lines that are out of sight stand in their list: as high as they are with everything. */
export const farRows = {
  '& > .far': {
    display: 'flex',
    justifyContent: 'space-between',
    alignItems: 'center',
    minHeight: { xs: 132, md: 68 },
    pl: 3.5,
    pr: 1.5,
    fontSize: 'body2.fontSize',
    borderBottom: 1,
    borderColor: 'divider',
    contentVisibility: 'auto',
    containIntrinsicSize: { xs: 'auto 132px', md: 'auto 68px' },
    scrollMarginTop: 48,
  },
  '& > .far > button': {
    minHeight: 44,
    p: 0,
    border: 0,
    font: 'inherit',
    fontWeight: 650,
    color: 'inherit',
    textAlign: 'left',
    background: 'none',
  },
} as const;
