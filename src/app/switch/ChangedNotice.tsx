'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { Difference } from '@/core/runsheet';

interface Props {
  /** Lines that are plugged otherwise than on paper, and about which nobody has been asked; undefined until it is known. */
  differing?: readonly Difference[];
  failed?: string;
  busy: boolean;
  onAgain: () => void;
  onLook: () => void;
  onGoOn: () => void;
}

/** In the middle of a sheet: the rig has changed on paper, and what that means for what is plugged. */
export function ChangedNotice({ differing, failed, busy, onAgain, onLook, onGoOn }: Props) {
  const names = differing?.map(({ name }) => name).join(', ');
  const [text, label, press] = failed
    ? [`The rig has changed on paper; what differs from the room is not known: ${failed}`, 'Try again', onAgain]
    : names
      ? [`The rig has changed on paper while plugged: ${names}.`, 'See what differs', onLook]
      : ['The rig has changed on paper; nothing that is plugged differs.', 'Go on with the rig as it is now', onGoOn];
  return (
    <Alert
      severity="info"
      sx={{ borderRadius: 0 }}
      action={
        <Button color="inherit" disabled={busy || (!failed && differing === undefined)} onClick={press}>
          {label}
        </Button>
      }
    >
      {failed || differing ? text : 'The rig has changed on paper; looking for what differs from the room …'}
    </Alert>
  );
}
