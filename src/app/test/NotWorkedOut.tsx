'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { notWorkedOut as text } from './texts';

/** That the worker had no answer, and what to do. */
export function NotWorkedOut({ failed, onAgain }: { failed?: string; onAgain: () => void }) {
  if (!failed) return null;
  return (
    <Alert
      severity="error"
      sx={{ my: 1 }}
      action={
        <Button color="inherit" onClick={onAgain}>
          {text.tryAgain}
        </Button>
      }
    >
      {text.thisCouldNotBeWorked(failed)}
    </Alert>
  );
}
