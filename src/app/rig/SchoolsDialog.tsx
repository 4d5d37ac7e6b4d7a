'use client';

import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { SCHOOLS, SCHOOL_NAMES, type SchoolName, type Schools } from '@/core/schools';
import { Dialog } from '@/ui/shell/Dialog';
import { SchoolField } from '@/ui/rig/SchoolField';
import { schoolsDialog as text } from './texts';

interface Props {
  open: boolean;
  schools: Schools;
  onChange: (name: SchoolName, value: string) => void;
  onClose: () => void;
}

/** The schools a rig follows where good engineers disagree. */
export function SchoolsDialog({ open, schools, onChange, onClose }: Props) {
  const field = (name: SchoolName) => (
    <SchoolField key={name} name={name} value={schools[name]} onChange={(value) => onChange(name, value)} />
  );
  const deciding = SCHOOL_NAMES.filter((name) => SCHOOLS[name].decides === 'verdict');
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{text.schools}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Typography variant="body2" color="textSecondary">
            {text.goodEngineersDifferHere}
          </Typography>
          {deciding.map(field)}
          <Typography variant="h3" component="h3">
            {text.keptWithTheRig}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {text.theseDoNotChange}
          </Typography>
          {SCHOOL_NAMES.filter((name) => !deciding.includes(name)).map(field)}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{text.done}</Button>
      </DialogActions>
    </Dialog>
  );
}
