'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState, type ComponentType } from 'react';
import { late as text } from './texts';

interface Props<P extends { onClose: () => void }> {
  /** Fetches the dialog; always the same function. */
  load: () => Promise<ComponentType<P>>;
  props: P;
}

/** A dialog whose script comes when it is wanted. Where it cannot be fetched that is said, and the page stays as it is. */
export function Late<P extends { onClose: () => void }>({ load, props }: Props<P>) {
  const [state, setState] = useState<{ Loaded?: ComponentType<P>; failed?: true }>({});
  useEffect(() => {
    let left = false;
    load().then(
      (Loaded) => !left && setState({ Loaded }),
      () => !left && setState({ failed: true }),
    );
    return () => {
      left = true;
    };
  }, [load]);
  const { Loaded, failed } = state;
  if (Loaded) return <Loaded {...props} />;
  if (!failed) return null;
  return (
    <Dialog open onClose={props.onClose} aria-labelledby="late-title">
      <DialogTitle id="late-title">{text.theServerDoesNotAnswer}</DialogTitle>
      <DialogContent>{text.thisDialogCould}</DialogContent>
      <DialogActions>
        <Button onClick={props.onClose}>{text.close}</Button>
      </DialogActions>
    </Dialog>
  );
}
