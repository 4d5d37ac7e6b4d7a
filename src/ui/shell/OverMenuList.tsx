'use client';

import MenuList, { type MenuListProps } from '@mui/material/MenuList';
import { useForkRef } from '@mui/material/utils';
import { useRef } from 'react';
import { useBackCloses } from './useBackCloses';

/** The list of any menu, that of a field among them: the browser's way back closes it, as Escape does. */
export function OverMenuList({ ref, ...rest }: MenuListProps) {
  const own = useRef<HTMLUListElement>(null);
  const both = useForkRef(own, ref ?? null);
  useBackCloses(true, () => own.current?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true })));
  return <MenuList ref={both} {...rest} />;
}
