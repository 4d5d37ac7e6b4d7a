'use client';

import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import ListItemText from '@mui/material/ListItemText';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import dayjs from 'dayjs';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Dialog } from '@/ui/shell/Dialog';
import { ask } from '@/ui/shell/ask';
import { whyNot } from '@/ui/shell/queries';
import { clockPattern } from '@/core/units/conventions';
import { removedDialog as text } from './texts';

interface Removed {
  id: string;
  name: string;
  revision: number;
  removedAt: string;
}

/** Rigs that were removed, each with a way back; its log, measurements and history come with it. */
export function RemovedDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const asked = useQuery<{ rigs: Removed[] }>({ queryKey: ['/api/rigs?removed=1'] });
  const rigs = asked.data?.rigs;
  const [refused, setRefused] = useState('');
  const failed = refused || whyNot(asked);
  const putBack = async (id: string) => {
    const { failed: why, status } = await ask(`/api/rigs/${id}/restore`, { method: 'POST' });
    // Somebody else may have put it back already.
    if (why && status !== 404) return setRefused(why);
    onClose();
    router.push(`/rig?rig=${id}`);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{text.removedRigs}</DialogTitle>
      <DialogContent dividers>
        {failed && <Typography color="error">{failed}</Typography>}
        {rigs?.length === 0 && <Typography>{text.noRigWasRemoved}</Typography>}
        <List disablePadding aria-label={text.removedRigs}>
          {rigs?.map(({ id, name, revision, removedAt }) => (
            <ListItem
              key={id}
              disableGutters
              secondaryAction={
                <Button aria-label={text.putBackOf(name)} onClick={() => void putBack(id)}>
                  {text.putBack}
                </Button>
              }
            >
              <ListItemText
                primary={name}
                secondary={text.revisionRemoved(revision, dayjs(removedAt).format(`D MMM YYYY, ${clockPattern()}`))}
              />
            </ListItem>
          ))}
        </List>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{text.close}</Button>
      </DialogActions>
    </Dialog>
  );
}
