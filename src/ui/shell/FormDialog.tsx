'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useId, type ReactNode } from 'react';
import { Dialog } from './Dialog';
import { formDialog as texts } from './texts';

interface Props {
  title: string;
  width?: 'xs' | 'sm' | 'md';
  /** What its main button says. */
  submit: string;
  /** Why it cannot be sent stands beside the field; the button and Enter do nothing meanwhile. */
  blocked?: boolean;
  onSubmit: () => void;
  onClose: () => void;
  /** Stands at the other end of the buttons: something other than sending or leaving it. */
  beside?: ReactNode;
  /** Further ways to send it, before the main one. */
  also?: ReactNode;
  children: ReactNode;
}

/** A dialog that is filled in: Enter in any field sends it, Escape and Cancel leave everything as it was. */
export function FormDialog({ title, width = 'xs', submit, blocked, onSubmit, onClose, beside, also, children }: Props) {
  const titleId = useId();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth={width} aria-labelledby={titleId}>
      <Box
        component="form"
        // What is long scrolls between the title and the buttons.
        sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
        onSubmit={(event) => {
          event.preventDefault();
          // A form in a dialog that stands in another form is none of that one's.
          event.stopPropagation();
          onSubmit();
        }}
      >
        <DialogTitle id={titleId}>{title}</DialogTitle>
        {/* Room for the label in the border of the first field. */}
        <DialogContent sx={{ '.MuiDialogTitle-root + &': { pt: 1 } }}>{children}</DialogContent>
        <DialogActions sx={{ flexWrap: 'wrap', rowGap: 1 }}>
          {beside && <span style={{ marginRight: 'auto' }}>{beside}</span>}
          {also}
          <Button color="inherit" onClick={onClose}>
            {texts.cancel}
          </Button>
          <Button type="submit" variant="contained" disabled={blocked}>
            {submit}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
