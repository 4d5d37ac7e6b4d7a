'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import PhotoCameraOutlinedIcon from '@mui/icons-material/PhotoCameraOutlined';
import { useRef, useState, type ChangeEvent } from 'react';
import { PhotoThumb } from './PhotoThumb';
import { sendPhoto } from './sendPhoto';
import { photoField as text } from './texts';

interface Props {
  rig: string;
  /** Id of the photo that is kept. */
  photo?: string;
  onPhoto: (photo: string | undefined) => void;
  /** One is on its way. */
  sending: boolean;
  onSending: (sending: boolean) => void;
}

/** Takes a photo, or picks one, and keeps it with the rig. */
export function PhotoField({ rig, photo, onPhoto, sending, onSending }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [failed, setFailed] = useState('');
  const pick = async ({ target }: ChangeEvent<HTMLInputElement>) => {
    const file = target.files?.[0];
    // The same file may be picked again.
    target.value = '';
    if (!file) return;
    onSending(true);
    setFailed('');
    const sent = await sendPhoto(rig, file);
    onSending(false);
    if ('photo' in sent) onPhoto(sent.photo);
    else setFailed(sent.failed);
  };
  return (
    <Stack spacing={0.5} sx={{ mb: 1.5 }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'center', minHeight: 48 }}>
        {photo && <PhotoThumb rig={rig} photo={photo} of={text.goesWithTheReason} size={48} />}
        <Button
          startIcon={<PhotoCameraOutlinedIcon />}
          onClick={() => input.current?.click()}
          disabled={sending}
          sx={{ minHeight: 48 }}
        >
          {sending ? text.sendingThePhoto : photo ? text.anotherPhoto : text.addAPhoto}
        </Button>
        {photo && (
          <Button color="inherit" onClick={() => onPhoto(undefined)} sx={{ minHeight: 48 }}>
            {text.removePhoto}
          </Button>
        )}
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          hidden
          aria-label={text.photo}
          onChange={(event) => void pick(event)}
        />
      </Stack>
      {photo && (
        <Typography variant="caption" color="textSecondary">
          {text.itGoesWithTheReason}
        </Typography>
      )}
      {failed && <Alert severity="warning">{text.theReasonAloneIsEnough(failed)}</Alert>}
    </Stack>
  );
}
