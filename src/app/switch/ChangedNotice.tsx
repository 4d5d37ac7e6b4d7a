'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { Difference } from '@/core/runsheet';
import { changedNotice as texts } from './texts';

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
    ? [texts.differencesNotKnown(failed), texts.tryAgain, onAgain]
    : names
      ? [texts.changedWhilePlugged(names), texts.seeWhatDiffers, onLook]
      : [texts.nothingPluggedDiffers, texts.goOnWithTheRig, onGoOn];
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
      {failed || differing ? text : texts.lookingForDifferences}
    </Alert>
  );
}
