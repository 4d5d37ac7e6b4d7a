'use client';

import MuiDialog, { type DialogProps } from '@mui/material/Dialog';
import { useBackCloses } from './useBackCloses';

interface Props extends Omit<DialogProps, 'onClose'> {
  onClose: () => void;
}

/** A dialog over the page: Escape, a press beside it and the browser's way back close it. */
export function Dialog({ open, onClose, ...rest }: Props) {
  useBackCloses(open, onClose);
  return <MuiDialog open={open} onClose={onClose} {...rest} />;
}
