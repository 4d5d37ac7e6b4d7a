'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Telling } from './useSwitching';

interface Props {
  /** The rig has lines. */
  any: boolean;
  busy: boolean;
  onTell: (report: Telling) => void;
  /** Offered where a sheet can be gone back to. */
  onCancel?: () => void;
}

/** Before the first sheet: how the rig is now. */
export function StartView({ any, busy, onTell, onCancel }: Props) {
  if (!any)
    return (
      <Typography sx={{ px: { xs: 2, md: 4 }, py: 3 }}>
        This rig has no lines yet. Add a device and a line in the Rig place first, or open another rig there.
      </Typography>
    );
  return (
    <Box component="section" aria-label="How the rig is now" sx={{ px: { xs: 2, md: 4 }, py: 3, maxWidth: 720 }}>
      <Typography variant="h1" component="h2" sx={{ fontSize: '1.7rem', mb: 1 }}>
        What state is the rig in?
      </Typography>
      <Typography sx={{ mb: 2 }} color="textSecondary">
        From here on Inlet Check remembers which plugs are in, which feeds are on, and what is still charged.
      </Typography>
      {(
        [
          [
            'packed',
            'Everything is packed and off',
            'Only if you are sure: nothing plugged, nothing has power. Monitors, mutes and switches that come back with the power are looked at before the first plug.',
          ],
          [
            'unknown',
            'Unknown: treat everything as live',
            'Every feed counts as on, every inlet as unmuted. The first steps find out; correct at the right what you can see.',
          ],
        ] as const
      ).map(([from, title, detail]) => (
        <Box
          key={from}
          sx={{
            borderTop: 1,
            borderColor: 'divider',
            py: 2,
            display: 'flex',
            gap: 2,
            alignItems: 'center',
            flexWrap: 'wrap',
          }}
        >
          <Box sx={{ flex: '1 1 300px' }}>
            <Typography sx={{ fontWeight: 650, fontSize: '1.05rem' }}>{title}</Typography>
            <Typography variant="body2" color="textSecondary">
              {detail}
            </Typography>
          </Box>
          <Button
            variant={from === 'packed' ? 'contained' : 'outlined'}
            disabled={busy}
            onClick={() => onTell({ report: 'start', from })}
            aria-label={`Start from here: ${title}`}
            sx={{ minHeight: 48, px: 3 }}
          >
            Start from here
          </Button>
        </Box>
      ))}
      {onCancel && <Button onClick={onCancel}>Leave it as it is</Button>}
    </Box>
  );
}
