'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { MessagePlace } from './MessagePlace';
import { troublePlace as text } from './texts';

interface Props {
  what: string;
  safe: string;
  todo: string;
  path: string;
  /** The newest copy that is sound. */
  copy?: { path: string; at: string };
}

/** The database cannot be used: which trouble, what is safe, what to do. */
export function TroublePlace({ what, safe, todo, path, copy }: Props) {
  return (
    <MessagePlace title={what}>
      <Typography gutterBottom>{safe}</Typography>
      <Typography gutterBottom>{todo}</Typography>
      {copy && (
        <Typography gutterBottom>
          {text.theNewestUndamagedCopy(copy.at)}
          <code>{copy.path}</code>
        </Typography>
      )}
      <Typography color="textSecondary" sx={{ mb: 2, overflowWrap: 'anywhere' }}>
        {text.theFile}
        <code>{path}</code>
      </Typography>
      <Button variant="contained" onClick={() => window.location.reload()}>
        {text.tryAgain}
      </Button>
    </MessagePlace>
  );
}
