'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { RefObject } from 'react';
import type { ActNow } from '@/core/testing';
import { LargeHeading } from './LargeHeading';
import { about, percent } from './words';
import { actCard as texts } from './texts';

interface Props {
  act: ActNow;
  /** At which end it failed before. */
  before: string;
  /** Who else hangs on the switch. */
  shared: string;
  busy: boolean;
  heading: RefObject<HTMLHeadingElement | null>;
  onHelped: () => void;
  onNoHelp: () => void;
  /** Asks on instead, where there is anything left to ask. */
  onBack?: () => void;
}

/** What to do now; and whether it helped. */
export function ActCard({ act, before, shared, busy, heading, onHelped, onNoHelp, onBack }: Props) {
  return (
    <Box component="section" aria-label={texts.doThis}>
      <LargeHeading ref={heading}>{act.text}</LargeHeading>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {texts.likelyToHelpAbout(percent(act.probability), about(act.seconds), act.how)}
        {(act.unplugs || act.feedOn) && shared} {before}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button
          variant="contained"
          aria-disabled={busy || undefined}
          onClick={() => !busy && onHelped()}
          sx={{ flex: '1 1 200px', minHeight: 64, fontSize: 'large.fontSize' }}
        >
          {texts.itHelped}
        </Button>
        <Button
          variant="outlined"
          aria-disabled={busy || undefined}
          onClick={() => !busy && onNoHelp()}
          sx={{ flex: '1 1 200px', minHeight: 64, fontSize: 'large.fontSize' }}
        >
          {texts.itDidntHelp}
        </Button>
      </Box>
      {onBack && (
        <Button onClick={onBack} sx={{ mt: 1, minHeight: 44 }}>
          {texts.askOnInstead}
        </Button>
      )}
    </Box>
  );
}
