'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';

/** Something on a page broke; what was saved is not touched by that. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <MessagePlace title="This page stopped working">
      <Typography gutterBottom>
        Everything that was saved is safe. Try again; if it breaks again, reload the page, or go to another place and
        come back.
      </Typography>
      <Typography color="textSecondary" gutterBottom>
        {error.digest ? `The server’s log has it under ${error.digest}.` : error.message}
      </Typography>
      <Button variant="contained" onClick={reset}>
        Try again
      </Button>
      <Button onClick={() => window.location.reload()}>Reload</Button>
    </MessagePlace>
  );
}
