'use client';

import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent } from 'react';
import { Dialog } from '@/ui/shell/Dialog';
import { PhotoField } from '@/ui/photo/PhotoField';
import { notPossibleDialog as texts } from './texts';

interface Props {
  /** Id of the rig. */
  rig: string;
  title: string;
  /** What the sheet leaves out then, in words. */
  drops: string;
  onWhy: (why: string, photo?: string) => void;
  onClose: () => void;
}

const REASONS = [
  texts.cantGetThere,
  texts.itIsBroken,
  texts.theCableDoesntReach,
  texts.somethingIsMissing,
  texts.somebodyNeeds,
];

/** Why a step cannot be done: one press, or words of one's own, with a photo if wanted; it stays in the sheet as left out, and in the log. */
export function NotPossibleDialog({ rig, title, drops, onWhy, onClose }: Props) {
  const [text, setText] = useState('');
  const [photo, setPhoto] = useState<string>();
  const [sending, setSending] = useState(false);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() && !sending) onWhy(text.trim(), photo);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="not-possible-title">
      <DialogTitle id="not-possible-title">{texts.whyCantYouDo}</DialogTitle>
      <DialogContent>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
          {title.replace(/\.$/, '')}. {drops}
        </Typography>
        <PhotoField rig={rig} photo={photo} onPhoto={setPhoto} sending={sending} onSending={setSending} />
        <Stack spacing={1} component="form" onSubmit={submit}>
          {REASONS.map((why) => (
            <Button
              key={why}
              variant="outlined"
              onClick={() => onWhy(why, photo)}
              disabled={sending}
              sx={{ minHeight: 48, justifyContent: 'flex-start', textAlign: 'left', textTransform: 'none' }}
            >
              {why.charAt(0).toUpperCase() + why.slice(1)}
            </Button>
          ))}
          <Stack direction="row" spacing={1}>
            <TextField
              label={texts.anotherReason}
              value={text}
              onChange={(event) => setText(event.target.value.slice(0, 200))}
              fullWidth
            />
            <Button type="submit" disabled={!text.trim() || sending} sx={{ minHeight: 48 }}>
              {texts.leaveItOut}
            </Button>
          </Stack>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{texts.cancel}</Button>
      </DialogActions>
    </Dialog>
  );
}
