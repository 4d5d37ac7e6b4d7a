'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import NextLink from 'next/link';
import type { Situation } from '@/core/testing';
import { situationAlerts as text } from './texts';

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
              {pulled ? text.theyAreInAgain : text.theyArePulled}
            </Button>
          }
        >
          {pulled ? text.pulledKeepThemOutWhile(harmed.join(' · ')) : text.theFeedOnThisSwitch(harmed.join(' · '))}
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
              {text.seeWhy}
            </Button>
          }
        >
          {text.asItIsWired(asWired.verdict, asWired.what)}
        </Alert>
      )}
    </>
  );
}
