'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Telling } from './useSwitching';
import { startView as text } from './texts';

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
  if (!any) return <Typography sx={{ px: { xs: 2, md: 4 }, py: 3 }}>{text.thisRigHasNoLines}</Typography>;
  return (
    <Box component="section" aria-label={text.howTheRigIsNow} sx={{ px: { xs: 2, md: 4 }, py: 3, maxWidth: 720 }}>
      <Typography variant="step" component="h2" sx={{ mb: 1 }}>
        {text.whatStateIsTheRig}
      </Typography>
      <Typography sx={{ mb: 2 }} color="textSecondary">
        {text.fromHereOnInletCheck}
      </Typography>
      {(
        [
          ['packed', text.everythingIsPackedAndOff, text.onlyIfYouAreSure],
          ['unknown', text.unknownTreatEverythingAsLive, text.everyFeedCounts],
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
            <Typography sx={{ fontWeight: 650, fontSize: 'lead.fontSize' }}>{title}</Typography>
            <Typography variant="body2" color="textSecondary">
              {detail}
            </Typography>
          </Box>
          <Button
            variant={from === 'packed' ? 'contained' : 'outlined'}
            disabled={busy}
            onClick={() => onTell({ report: 'start', from })}
            aria-label={text.startFromHereAs(title)}
            sx={{ minHeight: 48, px: 3 }}
          >
            {text.startFromHere}
          </Button>
        </Box>
      ))}
      {onCancel && <Button onClick={onCancel}>{text.leaveIt}</Button>}
    </Box>
  );
}
