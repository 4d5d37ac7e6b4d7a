'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { differences, type Difference, type RigDocument } from '@/core/rig';
import { Dialog } from '@/ui/shell/Dialog';
import type { Saving } from './useRig';
import { staleNotice as text } from './texts';

interface Props {
  saving: Extract<Saving, { state: 'stale' | 'newer' }>;
  base: RigDocument;
  mine: RigDocument;
  both?: RigDocument;
  onSettle: (keep: 'theirs' | 'mine' | 'both') => void;
}

/** Somebody else saved this rig: nothing is lost, both sides can be compared. */
export function StaleNotice({ saving, base, mine, both, onSettle }: Props) {
  const [comparing, setComparing] = useState(false);
  const stale = saving.state === 'stale';
  const { current } = saving;
  return (
    <>
      <Alert
        severity="warning"
        sx={{ borderRadius: 0, py: 0, alignItems: 'center', '& .MuiAlert-action': { flexWrap: 'wrap' } }}
        action={
          <>
            <Button color="inherit" onClick={() => setComparing(true)}>
              {text.compare}
            </Button>
            {both && (
              <Button color="inherit" onClick={() => onSettle('both')}>
                {text.keepBoth}
              </Button>
            )}
            <Button color="inherit" onClick={() => onSettle('theirs')}>
              {text.useTheOtherTabsVersion}
            </Button>
            {stale && (
              <Button color="inherit" onClick={() => onSettle('mine')}>
                {text.useMine}
              </Button>
            )}
          </>
        }
      >
        {text.thisRigWasChanged(current.revision, stale)}
      </Alert>
      <Dialog open={comparing} onClose={() => setComparing(false)} fullWidth maxWidth="sm">
        <DialogTitle>{text.whatWasChangedWhere}</DialogTitle>
        <DialogContent>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 3 }}>
            <DifferenceList title={text.inTheOtherTab} list={differences(base, current.document)} />
            <DifferenceList title={text.hereNotSaved} list={differences(base, mine)} />
          </Box>
          {stale && !both && (
            <Typography variant="body2" sx={{ mt: 2 }}>
              {text.bothSidesChangedTheSame}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setComparing(false)}>{text.close}</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** Differences between two documents, one a row. */
export function DifferenceList({ title, list }: { title: string; list: Difference[] }) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" component="h3" gutterBottom>
        {title}
      </Typography>
      {list.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.nothingDiffers}
        </Typography>
      )}
      <Stack component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }} spacing={0.5}>
        {list.map(({ name, what, fields }, n) => (
          <Typography component="li" variant="body2" key={n}>
            <strong>{name || text.theRig}</strong> {what}
            {fields.length > 0 && `: ${fields.join(', ')}`}
          </Typography>
        ))}
      </Stack>
    </Box>
  );
}
