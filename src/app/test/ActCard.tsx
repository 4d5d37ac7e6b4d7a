'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { RefObject } from 'react';
import type { ActNow } from '@/core/testing';
import { about, percent } from './words';

interface Props {
  act: ActNow;
  /** The inlet has a feed: what is plugged has it off first. */
  fed: boolean;
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
export function ActCard({ act, fed, shared, busy, heading, onHelped, onNoHelp, onBack }: Props) {
  return (
    <Box component="section" aria-label="Do this">
      <Typography
        ref={heading}
        tabIndex={-1}
        variant="h1"
        component="h2"
        sx={{ fontSize: { xs: '1.7rem', md: '2rem' }, lineHeight: 1.15, mb: 0.5, textWrap: 'balance' }}
      >
        {act.text}
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {percent(act.probability)} likely to help; about {about(act.seconds)}.{cautionOf(act, fed, shared)}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button
          variant="contained"
          aria-disabled={busy || undefined}
          onClick={() => !busy && onHelped()}
          sx={{ flex: '1 1 200px', minHeight: 64, fontSize: '1.1rem' }}
        >
          It helped
        </Button>
        <Button
          variant="outlined"
          aria-disabled={busy || undefined}
          onClick={() => !busy && onNoHelp()}
          sx={{ flex: '1 1 200px', minHeight: 64, fontSize: '1.1rem' }}
        >
          It didn’t help
        </Button>
      </Box>
      {onBack && (
        <Button onClick={onBack} sx={{ mt: 1, minHeight: 44 }}>
          Ask on instead
        </Button>
      )}
    </Box>
  );
}

/** Acts that turn a feed on, or to another voltage. */
const TURNS_FEED: ReadonlySet<string> = new Set(['feed on', 'feed voltage']);

/** What has to be done before, for ears and for whatever else hangs on the switch. */
function cautionOf({ id, part }: ActNow, fed: boolean, shared: string): string {
  if (TURNS_FEED.has(id))
    return ` Mute, monitors down, headphones off; unmute when it has settled. ${shared} Look in Rig first that this feed harms nobody on the switch.`;
  if (part === 'desk') return '';
  if (!fed) return ' Mute before you unplug.';
  return ` Mute, feed off, wait; then unplug. ${shared} Headphones off, monitors down while you switch.`;
}
