'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ask } from '@/ui/shell/ask';
import { notices as text } from './texts';

/** Where the panel is not beside the sheet: that lines are marked, and the way to what can be done with them. */
export const Marked = ({ count, onChange, onClear }: { count: number; onChange: () => void; onClear: () => void }) => (
  <Box
    role="status"
    sx={{
      display: { xs: 'flex', lg: 'none' },
      alignItems: 'center',
      gap: 1,
      px: 2,
      py: 0.5,
      bgcolor: 'action.selected',
    }}
  >
    <Typography variant="body2" sx={{ mr: 'auto', fontWeight: 650 }}>
      {text.marked(count)}
    </Typography>
    <Button onClick={onChange} sx={{ minHeight: 44 }}>
      {text.change(count)}
    </Button>
    <Button color="inherit" onClick={onClear} sx={{ minHeight: 44 }}>
      {text.unmark}
    </Button>
  </Box>
);

/** The verdicts that are shown, if any, are not those of the rig as it is now. */
export function OutOfDate({ why, any, onAgain }: { why: string; any: boolean; onAgain: () => void }) {
  return (
    <Alert
      severity="error"
      sx={{ borderRadius: 0, py: 0, alignItems: 'center' }}
      action={
        <Button color="inherit" onClick={onAgain}>
          {text.checkAgain}
        </Button>
      }
    >
      <strong>{any ? text.verdictsOutOfDate : text.noVerdicts}</strong>
      {any ? text.doNotRelyOnThem(why) : ` ${why}`}
    </Alert>
  );
}

/** The rig that was open before is off the list; one press brings it back. */
export function RemovedNotice({ rig }: { rig: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(true);
  const restore = async () => {
    const { failed } = await ask(`/api/rigs/${rig}/restore`, { method: 'POST' });
    if (!failed) router.push(`/rig?rig=${rig}`);
  };
  return (
    <Snackbar
      open={open}
      onClose={(_, reason) => reason !== 'clickaway' && setOpen(false)}
      message={text.theRigWasRemoved}
      action={
        <Button color="inherit" onClick={() => void restore()}>
          {text.bringItBack}
        </Button>
      }
    />
  );
}
