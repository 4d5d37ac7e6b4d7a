'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import dayjs from 'dayjs';
import { useState } from 'react';
import { differences, type RigDocument, type SavedRig } from '@/core/rig';
import { Dialog } from '@/ui/shell/Dialog';
import { answerOf, whyNot } from '@/ui/shell/queries';
import { KeepingField } from './KeepingField';
import { DifferenceList } from '@/ui/rig/StaleNotice';
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
  const path = `/api/rigs/${rig}/revisions`;
  const list = useInfiniteQuery({
    queryKey: [path],
    queryFn: ({ pageParam, signal }) => answerOf<Page>(`${path}${pageParam ? `?before=${pageParam}` : ''}`, { signal }),
    initialPageParam: 0,
    getNextPageParam: ({ next }) => next,
  });
  const entries = list.data?.pages.flatMap(({ revisions }) => revisions) ?? [];
  const [wanted, choose] = useState<number>();
  const asked = useQuery<SavedRig>({
    queryKey: [`${path}/${wanted}`],
    enabled: wanted !== undefined,
    placeholderData: keepPreviousData,
  });
  const chosen = asked.data;
  const failed = whyNot(list) || whyNot(asked);
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
              <ListItemButton disabled={!kept} selected={wanted === revision} onClick={() => choose(revision)}>
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
          {list.hasNextPage && (
            <ListItem disablePadding>
              <ListItemButton onClick={() => void list.fetchNextPage()}>
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
            entries.length > 0 && (
              <Typography variant="body2" color="textSecondary">
                {text.chooseARevisionToCompare}
              </Typography>
            )
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
