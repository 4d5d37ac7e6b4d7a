'use client';

import { useImperativeHandle, useRef, type ComponentProps } from 'react';
import { useBackCloses } from './useBackCloses';

/** The list of any menu, that of a field among them: the browser's way back closes it, as Escape does. */
export function OverList({ ref, ...rest }: ComponentProps<'ul'>) {
  const list = useRef<HTMLUListElement>(null);
  useImperativeHandle(ref, () => list.current!);
  useBackCloses(true, () =>
    list.current?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true })),
  );
  return <ul ref={list} {...rest} />;
}
