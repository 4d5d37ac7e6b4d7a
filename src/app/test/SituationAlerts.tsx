'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import NextLink from 'next/link';
import type { Situation } from '@/core/testing';

interface Props {
  /** Id of the rig. */
  rig: string;
  line: string;
  situation: Situation;
  /** What the feed would harm is not plugged in any more. */
  pulled: boolean;
  onPulled: (pulled: boolean) => void;
}

/** What has to be known before anything is touched: whom the feed harms, and what is wrong without any fault. */
export function SituationAlerts({ rig, line, situation, pulled, onPulled }: Props) {
  const { harmed, asWired } = situation;
  return (
    <>
      {harmed.length > 0 && (
        <Alert
          severity={pulled ? 'info' : 'error'}
          sx={{ my: 1 }}
          action={
            <Button color="inherit" onClick={() => onPulled(!pulled)} sx={{ minHeight: 44, whiteSpace: 'nowrap' }}>
              {pulled ? 'They are in again' : 'They are pulled'}
            </Button>
          }
        >
          {pulled
            ? `Pulled: ${harmed.join(' · ')}. Keep them out while the feed is on.`
            : `The feed on this switch harms ${harmed.join(' · ')}. Turn it off first. Nothing that needs it on is asked until they are pulled.`}
        </Alert>
      )}
      {asWired && (
        <Alert
          severity="warning"
          sx={{ my: 1 }}
          action={
            <Button
              color="inherit"
              component={NextLink}
              prefetch={false}
              href={`/rig?rig=${encodeURIComponent(rig)}&line=${encodeURIComponent(line)}`}
              sx={{ minHeight: 44, whiteSpace: 'nowrap' }}
            >
              See why
            </Button>
          }
        >
          {asWired.verdict} as it is wired, with good cables: {asWired.what}. Mend that first.
        </Alert>
      )}
    </>
  );
}
