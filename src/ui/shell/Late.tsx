'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Modal from '@mui/material/Modal';
import Typography from '@mui/material/Typography';
import type { ComponentType } from 'react';
import { Dialog } from './Dialog';
import { late as text } from './texts';
import { useLate } from './useLate';

interface Props<P> {
  /** Fetches what is shown; always the same function. */
  load: () => Promise<ComponentType<P>>;
  props: P;
}

/** A dialog whose script comes when it is wanted. Where it cannot be fetched that is said, and the page stays as it is. */
export function Late<P extends { onClose: () => void }>({ load, props }: Props<P>) {
  const { loaded: Loaded, failed } = useLate(load);
  if (Loaded) return <Loaded {...props} />;
  return failed ? <NotLoaded onClose={props.onClose} /> : <OnItsWay onClose={props.onClose} />;
}

/** Has the keys until the dialog is there: what is typed after the key that opens it must do nothing on the page. */
export function OnItsWay({ onClose }: { onClose: () => void }) {
  return (
    <Modal open hideBackdrop onClose={onClose}>
      <Box role="dialog" aria-modal="true" aria-label={text.coming} tabIndex={-1} sx={{ outline: 0 }} />
    </Modal>
  );
}

/** In the place of a dialog that could not be fetched. */
export function NotLoaded({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="late-title">
      <DialogTitle id="late-title">{text.theServerDoesNotAnswer}</DialogTitle>
      <DialogContent>{text.thisDialogCould}</DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{text.close}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** A chart, or another part of a page, whose script comes when it is wanted. @param height of its place until it is there, in pixels */
export function LateView<P extends object>({ load, props, height = 0 }: Props<P> & { height?: number }) {
  const { loaded: Loaded, failed } = useLate(load);
  if (Loaded) return <Loaded {...props} />;
  return (
    <Box sx={{ minHeight: height }}>
      {failed && (
        <Typography variant="body2" role="status" sx={{ p: 2 }}>
          {text.thisCould}
        </Typography>
      )}
    </Box>
  );
}
