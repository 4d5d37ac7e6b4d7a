'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { RigDocument } from '@/core/rig';
import { readMainsTable, type MainsImport as Read } from '@/core/tables';
import { CsvError } from '@/core/tables/csv';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowTable } from '@/ui/files/RowTable';

interface Props {
  document: RigDocument;
  onClose: () => void;
  /** Puts a document in place of this rig's; undo brings it back. */
  onReplace: (document: RigDocument) => void;
}

/** A table of units, outlets and connections, from a file or pasted: what it would do is shown before anything changes. */
export function MainsImport({ document, onClose, onReplace }: Props) {
  const [text, setText] = useState('');
  const [refused, setRefused] = useState<string>();
  const { read, why } = useMemo((): { read?: Read; why?: string } => {
    if (!text.trim()) return {};
    try {
      return { read: readMainsTable(document, text) };
    } catch (problem) {
      if (problem instanceof CsvError) return { why: problem.message };
      throw problem;
    }
  }, [document, text]);
  const problem = refused ?? why;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>Read a table of the mains side</DialogTitle>
      <DialogContent>
        <FileDrop
          label="Units, outlets and connections (CSV)"
          accept=".csv,.txt,text/*"
          onFile={(file) => {
            setRefused(undefined);
            void file.text().then(setText, () => setRefused(`${file.name} could not be read`));
          }}
          onRefused={(name, message) => setRefused(`${name}: ${message}`)}
        />
        <TextField
          multiline
          fullWidth
          minRows={2}
          maxRows={6}
          label="Or paste it"
          placeholder={'what,name,kind,on\nunit,Hold desk,audio device,audio strip'}
          value={text}
          onChange={({ target }) => {
            setRefused(undefined);
            setText(target.value);
          }}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ mt: 2 }}
        />
        <Box sx={{ mt: 2 }} aria-live="polite">
          {problem && (
            <Alert severity="error">
              <strong>This can’t be read. Nothing was changed.</strong> {problem}
            </Alert>
          )}
          {read && <RowTable rows={read.rows} />}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          Cancel
        </Button>
        <Button
          variant="contained"
          disabled={!read?.rows.some(({ did }) => did === 'adds' || did === 'changes')}
          onClick={() => {
            onReplace(read!.document);
            onClose();
          }}
        >
          Take these rows over
        </Button>
      </DialogActions>
    </Dialog>
  );
}
