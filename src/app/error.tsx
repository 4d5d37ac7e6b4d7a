'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';
import { error as text } from './texts';

/** Something on a page broke; what was saved is not touched by that. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <MessagePlace title={text.thisPageStoppedWorking}>
      <Typography gutterBottom>{text.everythingThatWasSaved}</Typography>
      <Typography color="textSecondary" gutterBottom>
        {error.digest ? text.theServersLog(error.digest) : error.message}
      </Typography>
      <Button variant="contained" onClick={reset}>
        {text.tryAgain}
      </Button>
      <Button onClick={() => window.location.reload()}>{text.reload}</Button>
    </MessagePlace>
  );
}
