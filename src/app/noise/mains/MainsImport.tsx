'use client';

import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { RigDocument } from '@/core/rig';
import { readMainsTable, type MainsImport as Read } from '@/core/tables';
import { CsvError } from '@/core/tables/csv';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowImportDialog } from '@/ui/files/RowImportDialog';

interface Props {
  document: RigDocument;
  onClose: () => void;
  /** Puts a document in place of this rig's; undo brings it back. */
  onReplace: (document: RigDocument) => void;
}

type Refused = { file: string; reasons: string[] };

/** A table of units, outlets and connections, from a file or pasted: what it would do is shown before anything changes. */
export function MainsImport({ document, onClose, onReplace }: Props) {
  const [{ text, file }, setGiven] = useState({ text: '', file: 'The table' });
  const [refused, setRefused] = useState<Refused>();
  const { read, why } = useMemo((): { read?: Read; why?: Refused } => {
    if (!text.trim()) return {};
    try {
      return { read: readMainsTable(document, text) };
    } catch (problem) {
      if (problem instanceof CsvError) return { why: { file, reasons: [problem.message] } };
      throw problem;
    }
  }, [document, text, file]);
  return (
    <RowImportDialog
      title="Import a table of the mains side"
      rows={refused ? undefined : read?.rows}
      refused={refused ?? why}
      onClose={onClose}
      onTake={() => {
        onReplace(read!.document);
        onClose();
      }}
    >
      <FileDrop
        label="Units, outlets and connections (CSV)"
        accept=".csv,.txt,text/*"
        onFile={(given) => {
          setRefused(undefined);
          void given.text().then(
            (found) => setGiven({ text: found, file: given.name }),
            () => setRefused({ file: given.name, reasons: ['The file could not be opened. Choose it again.'] }),
          );
        }}
        onRefused={(name, message) => setRefused({ file: name, reasons: [message] })}
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
          setGiven({ text: target.value, file: 'The table' });
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ mt: 2 }}
      />
    </RowImportDialog>
  );
}
