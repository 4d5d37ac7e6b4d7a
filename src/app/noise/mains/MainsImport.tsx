'use client';

import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { RigDocument } from '@/core/rig';
import { readMainsTable, type MainsImport as Read } from '@/core/tables';
import { CsvError } from '@/core/tables/csv';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowImportDialog } from '@/ui/files/RowImportDialog';
import { mainsImport as texts } from './texts';

interface Props {
  document: RigDocument;
  onClose: () => void;
  /** Puts a document in place of this rig's; undo brings it back. */
  onReplace: (document: RigDocument) => void;
}

type Refused = { file: string; reasons: string[] };

/** A table of units, outlets and connections, from a file or pasted: what it would do is shown before anything changes. */
export function MainsImport({ document, onClose, onReplace }: Props) {
  const [{ text, file }, setGiven] = useState({ text: '', file: texts.theTable });
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
      title={texts.importATable}
      rows={refused ? undefined : read?.rows}
      refused={refused ?? why}
      onClose={onClose}
      onTake={() => {
        onReplace(read!.document);
        onClose();
      }}
    >
      <FileDrop
        label={texts.unitsOutletsAndConnectionsCsv}
        accept=".csv,.txt,text/*"
        onFile={(given) => {
          setRefused(undefined);
          void given.text().then(
            (found) => setGiven({ text: found, file: given.name }),
            () => setRefused({ file: given.name, reasons: [texts.theFileCould] }),
          );
        }}
        onRefused={(name, message) => setRefused({ file: name, reasons: [message] })}
      />
      <TextField
        multiline
        fullWidth
        minRows={2}
        maxRows={6}
        label={texts.orPaste}
        placeholder={texts.whatNameKindOnUnit}
        value={text}
        onChange={({ target }) => {
          setRefused(undefined);
          setGiven({ text: target.value, file: texts.theTable });
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ mt: 2 }}
      />
    </RowImportDialog>
  );
}
