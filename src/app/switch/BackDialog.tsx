'use client';

import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { backMeans, stepWords, type Session, type SheetRig } from '@/core/runsheet';
import { Dialog } from '@/ui/shell/Dialog';
import { backDialog as texts } from './texts';

interface Props {
  rig: SheetRig;
  session: Session;
  to: number;
  onBack: () => void;
  onClose: () => void;
}

/** What it means to go back to a step, before it is done. */
export function BackDialog({ rig, session, to, onBack, onClose }: Props) {
  const undone = session.done.slice(to);
  if (!undone[0]) return null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="back-title">
      <DialogTitle id="back-title">{texts.backTo(stepWords(rig, undefined, undone[0]).title)}</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>{texts.unconfirmedGoingBackMovesNothing(undone.length)}</Typography>
        <ul>
          {backMeans(rig, undone).map((text) => (
            <Typography component="li" key={text} sx={{ mb: 0.5 }}>
              {text}
            </Typography>
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{texts.stayHere}</Button>
        <Button variant="contained" onClick={onBack}>
          {texts.goBack}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
