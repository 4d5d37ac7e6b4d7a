'use client';

import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
  type RefObject,
} from 'react';
import { flushSync } from 'react-dom';

/** As many rows are drawn at once, wherever they are: a screen and a half of them. */
export const FIRST_ROWS = 12;
/** Of no more than these all are drawn, one after the other, once the page can be used. */
const ALL_ROWS = 64;
/** How far beyond what is in sight rows are drawn, in parts of the height that is in sight: a few, above and below. */
const MARGIN = '25% 0px';

interface Nearness {
  /** Every row is drawn, near or not. */
  all: boolean;
  /** Tells whether an element is near what is in sight, now and whenever that changes. @returns how to stop */
  watch: (element: Element, tell: (near: boolean) => void) => () => void;
}

const Near = createContext<Nearness>({ all: true, watch: () => () => undefined });

/**
 * Knows which rows are near what is in sight: of a large rig those alone are drawn whole. A page that is printed has all.
 * @param scroller what the rows are scrolled in; undefined for the window
 */
export function NearProvider({
  scroller,
  rows,
  children,
}: {
  scroller: RefObject<Element | null> | undefined;
  rows: number;
  children: ReactNode;
}) {
  const [all, setAll] = useState(false);
  const small = rows <= ALL_ROWS;
  useEffect(() => startTransition(() => setAll(small)), [small]);
  useEffect(() => {
    const before = () => flushSync(() => setAll(true));
    const after = () => setAll(small);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, [small]);

  const told = useRef(new Map<Element, (near: boolean) => void>());
  const observer = useRef<IntersectionObserver>(undefined);
  useEffect(() => {
    observer.current = new IntersectionObserver(
      (entries) => {
        for (const { target, isIntersecting } of entries) told.current.get(target)?.(isIntersecting);
      },
      { root: scroller?.current ?? null, rootMargin: MARGIN },
    );
    // Rows came before whoever watches them.
    for (const element of told.current.keys()) observer.current.observe(element);
    return () => observer.current?.disconnect();
  }, [scroller]);
  const watch = useCallback<Nearness['watch']>((element, tell) => {
    told.current.set(element, tell);
    observer.current?.observe(element);
    return () => {
      told.current.delete(element);
      observer.current?.unobserve(element);
    };
  }, []);
  return <Near value={useMemo(() => ({ all, watch }), [all, watch])}>{children}</Near>;
}

/**
 * Whether a row is to be drawn whole, and what its element is to be given to.
 * @param first whether it is drawn before anybody knows what is in sight
 */
export function useNear(first: boolean) {
  const { all, watch } = useContext(Near);
  const [near, setNear] = useState(first);
  const keep = useCallback(
    (element: Element | null) =>
      element
        ? watch(element, (is) =>
            // What has the keyboard, or is being carried, stays.
            startTransition(() => setNear((was) => is || (was && element.contains(document.activeElement)))),
          )
        : undefined,
    [watch],
  );
  return { near: near || all, keep };
}
