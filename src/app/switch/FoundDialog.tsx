'use client';

import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { rulesOf, type Found, type SheetRig, type SheetState, type Step } from '@/core/runsheet';
import { Dialog } from '@/ui/shell/Dialog';
import { foundDialog as texts } from './texts';

interface Props {
  rig: SheetRig;
  state: SheetState;
  step: Step;
  onFound: (what: Found) => void;
  onOther: () => void;
  onClose: () => void;
}

/** What is most likely otherwise than a step takes it to be; everything else is put right beside the sheet. */
export function FoundDialog({ rig, state, step, onFound, onOther, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="found-title">
      <DialogTitle id="found-title">{texts.whatDidYouFind}</DialogTitle>
      <DialogContent>
        <Stack spacing={1}>
          {rulesOf(step.action)
            .likely(rig, state, step.action, step.reasons)
            .map(({ text, what }) => (
              <Button
                key={text}
                variant="outlined"
                onClick={() => onFound(what)}
                sx={{ minHeight: 48, justifyContent: 'flex-start', textAlign: 'left' }}
              >
                {text}
              </Button>
            ))}
          <Button onClick={onOther} sx={{ minHeight: 48, justifyContent: 'flex-start' }}>
            {texts.somethingElse}
          </Button>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{texts.cancel}</Button>
      </DialogActions>
    </Dialog>
  );
}
