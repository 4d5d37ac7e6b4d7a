'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CsvError } from '@/core/tables/csv';
import type { KitItem } from '@/core/kit';
import { DocumentError, differences, parseDocument, type RigDocument } from '@/core/rig';
import { readPatchList, type PatchImport } from '@/core/tables';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowTable } from '@/ui/files/RowTable';
import { DifferenceList } from '@/ui/rig/StaleNotice';

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  onClose: () => void;
  /** Puts a document in place of this rig's; undo brings it back. */
  onReplace: (document: RigDocument) => void;
  onAddRig: (document: RigDocument) => Promise<string | undefined>;
}

type Read =
  | { kind: 'rig'; file: string; document: RigDocument }
  | { kind: 'patch list'; file: string; made: PatchImport }
  | { kind: 'refused'; file: string; reasons: { path: string; message: string }[] };

/** A rig's JSON or a patch list's CSV: what it would do is shown before anything changes. */
export function ImportDialog({ document, kit, onClose, onReplace, onAddRig }: Props) {
  const [read, setRead] = useState<Read>();
  const [failed, setFailed] = useState<string>();
  const take = (file: string, text: string) => {
    setFailed(undefined);
    setRead(readFile(file, text, document, kit));
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>Import</DialogTitle>
      <DialogContent>
        <FileDrop
          label="A rig (JSON) or a patch list (CSV)"
          accept=".json,.csv,application/json,text/csv"
          onText={take}
          onRefused={(file, message) => setRead({ kind: 'refused', file, reasons: [{ path: '', message }] })}
        />
        {failed && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {failed}
          </Alert>
        )}
        <Box sx={{ mt: 2 }} aria-live="polite">
          {read?.kind === 'refused' && (
            <Alert severity="error">
              <strong>{read.file} was refused; nothing was changed.</strong>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {read.reasons.map(({ path, message }, n) => (
                  <li key={n}>
                    {path && <code>{path}: </code>}
                    {message}
                  </li>
                ))}
              </Box>
            </Alert>
          )}
          {read?.kind === 'rig' && (
            <>
              <Typography variant="body1" gutterBottom>
                <strong>{read.document.name}</strong>: {read.document.devices.length} devices,{' '}
                {read.document.lines.length} lines.
              </Typography>
              <DifferenceList title="Against the rig that is open" list={differences(document, read.document)} />
            </>
          )}
          {read?.kind === 'patch list' && <RowTable rows={read.made.rows} />}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          Cancel
        </Button>
        {read?.kind === 'rig' && (
          <>
            <Button variant="outlined" onClick={() => onReplace(read.document)}>
              Put it in place of this rig
            </Button>
            <Button variant="contained" onClick={async () => setFailed(await onAddRig(read.document))}>
              Add it as a new rig
            </Button>
          </>
        )}
        {read?.kind === 'patch list' && (
          <Button
            variant="contained"
            disabled={!read.made.rows.some(({ did }) => did === 'adds' || did === 'changes')}
            onClick={() => onReplace(read.made.document)}
          >
            Take these rows over
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function readFile(file: string, text: string, document: RigDocument, kit: readonly KitItem[]): Read {
  try {
    if (/^\s*[{[]/.test(text) || /\.json$/i.test(file)) return { kind: 'rig', file, document: parseDocument(text) };
    return { kind: 'patch list', file, made: readPatchList(document, kit, text) };
  } catch (error) {
    if (error instanceof DocumentError) return { kind: 'refused', file, reasons: error.refusals };
    if (error instanceof CsvError)
      return {
        kind: 'refused',
        file,
        reasons: [{ path: error.line ? `line ${error.line}` : '', message: error.message }],
      };
    throw error;
  }
}
