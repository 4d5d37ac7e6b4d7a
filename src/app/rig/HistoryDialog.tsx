'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { useCallback, useEffect, useState } from 'react';
import { differences, type RigDocument } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { KeepingField } from './KeepingField';
import { DifferenceList } from '@/ui/rig/StaleNotice';
import type { SavedRig } from '@/ui/rig/useRig';
import { clockPattern } from '@/core/units/conventions';
import { historyDialog as text } from './texts';

interface Props {
  rig: string;
  present: RigDocument;
  onClose: () => void;
  onRestore: (document: RigDocument) => void;
}

interface Entry {
  revision: number;
  savedAt: string;
  changes: string;
  kept: boolean;
}
interface Page {
  revisions: Entry[];
  /** The older ones come before this revision. */
  next?: number;
}

/** Every revision that was saved, what it differs in, and a way back to it. */
export function HistoryDialog({ rig, present, onClose, onRestore }: Props) {
  const [{ revisions: entries, next }, setPage] = useState<Page>({ revisions: [] });
  const [chosen, setChosen] = useState<SavedRig>();
  const [failed, setFailed] = useState('');
  const load = useCallback(
    (before?: number) =>
      ask<Page>(`/api/rigs/${rig}/revisions${before ? `?before=${before}` : ''}`).then(({ body, failed: why }) => {
        if (body)
          setPage(({ revisions }) => ({ ...body, revisions: [...(before ? revisions : []), ...body.revisions] }));
        setFailed(why ?? '');
      }),
    [rig],
  );
  useEffect(() => {
    void load();
  }, [load]);
  const choose = async (revision: number) => {
    const { body, failed: why } = await ask<SavedRig>(`/api/rigs/${rig}/revisions/${revision}`);
    setChosen(body);
    setFailed(why ?? '');
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{text.history}</DialogTitle>
      <DialogContent
        dividers
        sx={{
          p: 0,
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'minmax(0, 1fr) minmax(0, 1fr)' },
          minHeight: 320,
        }}
      >
        <List
          dense
          sx={{ borderRight: 1, borderColor: 'divider', maxHeight: { xs: 200, sm: 420 }, overflowY: 'auto' }}
          aria-label={text.revisions}
        >
          {entries.map(({ revision, savedAt, changes, kept }) => (
            <ListItem key={revision} disablePadding>
              <ListItemButton
                disabled={!kept}
                selected={chosen?.revision === revision}
                onClick={() => void choose(revision)}
              >
                <ListItemText
                  primary={changes || text.noDescription}
                  secondary={text.revisionSaved(
                    revision,
                    dayjs(savedAt).format(`D MMM YYYY, ${clockPattern('with seconds')}`),
                    kept ? '' : text.thinnedOut,
                  )}
                  slotProps={{ primary: { sx: { overflowWrap: 'anywhere' } } }}
                />
              </ListItemButton>
            </ListItem>
          ))}
          {next !== undefined && (
            <ListItem disablePadding>
              <ListItemButton onClick={() => void load(next)}>
                <ListItemText primary={text.showOlderRevisions} />
              </ListItemButton>
            </ListItem>
          )}
        </List>
        <Box sx={{ p: 2.5, overflowY: 'auto', maxHeight: 420 }}>
          {failed && <Typography color="error">{failed}</Typography>}
          {chosen ? (
            <DifferenceList
              title={text.goingBackToRevisionWould(chosen.revision)}
              list={differences(present, chosen.document)}
            />
          ) : (
            <Typography variant="body2" color="textSecondary">
              {text.chooseARevisionToCompare}
            </Typography>
          )}
        </Box>
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap' }}>
        <KeepingField />
        <Button onClick={onClose} color="inherit">
          {text.close}
        </Button>
        <Button variant="contained" disabled={!chosen} onClick={() => chosen && onRestore(chosen.document)}>
          {text.restore}
          {chosen ? text.revisionOf(chosen.revision) : ''}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
