import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import type { RowReport } from '@/core/tables';
import { Dialog } from '@/ui/shell/Dialog';
import { RowTable } from './RowTable';
import { rowImportDialog as text } from './texts';

interface Props {
  title: string;
  /** Where a file is chosen or text pasted. */
  children: ReactNode;
  /** What each row would do. */
  rows?: RowReport[];
  /** Why nothing can be taken from it. */
  refused?: { file: string; reasons: readonly string[] };
  onClose: () => void;
  onTake: () => void;
}

/** Rows from a file: what each would do is shown before anything changes. */
export function RowImportDialog({ title, children, rows, refused, onClose, onTake }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>
        {children}
        <Box sx={{ mt: 2 }} aria-live="polite">
          {refused && (
            <Alert severity="error">
              <strong>{text.cantBeImportedNothing(refused.file)}</strong>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {refused.reasons.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </Box>
            </Alert>
          )}
          {rows && <RowTable rows={rows} />}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          {text.cancel}
        </Button>
        <Button
          variant="contained"
          disabled={!rows?.some(({ did }) => did === 'adds' || did === 'changes')}
          onClick={onTake}
        >
          {text.importTheseRows}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
