'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';

/** That the worker had no answer, and what to do. */
export function NotWorkedOut({ failed, onAgain }: { failed?: string; onAgain: () => void }) {
  if (!failed) return null;
  return (
    <Alert
      severity="error"
      sx={{ my: 1 }}
      action={
        <Button color="inherit" onClick={onAgain}>
          Try again
        </Button>
      }
    >
      This could not be worked out: {failed} Undo the last answer, or try again.
    </Alert>
  );
}
