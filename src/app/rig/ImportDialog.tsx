'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { differences, type RigDocument } from '@/core/rig';
import { readInputList, type InputList, type Said } from '@/core/tables/inputList';
import { plural } from '@/core/units';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowTable } from '@/ui/files/RowTable';
import { useDraft } from '@/ui/shell/useDraft';
import { DifferenceList } from '@/ui/rig/StaleNotice';
import { importedFile, importedText, type Imported } from './imported';
import { InputListView } from './InputListView';
import { pastedKey } from './pasted';

interface Props {
  rig: string;
  document: RigDocument;
  kit: readonly KitItem[];
  /** A file that was dropped on the sheet. */
  dropped?: Imported;
  onClose: () => void;
  /** Puts a document in place of this rig's; undo brings it back. */
  onReplace: (document: RigDocument) => void;
  onAddRig: (document: RigDocument) => Promise<string | undefined>;
}

const NOTHING_SAID: Said = {};

/** A rig, a patch list or an input list, from a file or pasted: what it would do is shown before anything changes. */
export function ImportDialog({ rig, document, kit, dropped, onClose, onReplace, onAddRig }: Props) {
  const [pasted, setPasted] = useDraft(pastedKey(rig), '');
  const [file, setFile] = useState(dropped);
  const [said, setSaid] = useState<Said>(NOTHING_SAID);
  const [sheet, setSheet] = useState(0);
  const [failed, setFailed] = useState<string>();
  const read = useMemo(
    () => file ?? (pasted.trim() ? importedText('The pasted text', pasted, document, kit) : undefined),
    [file, pasted, document, kit],
  );
  const grid = read?.kind === 'input list' ? read.sheets[Math.min(sheet, read.sheets.length - 1)]?.grid : undefined;
  const list = useMemo(() => grid && readInputList(document, kit, grid, said), [document, kit, grid, said]);
  const begin = (next: Imported | undefined) => {
    setFailed(undefined);
    setSaid(NOTHING_SAID);
    setSheet(0);
    setFile(next);
  };
  const put = (next: RigDocument) => {
    setPasted('');
    onReplace(next);
    onClose();
  };
  /** Rows that still need a word stay here, to be said or to be left for later. */
  const putList = (made: InputList) => {
    const open = made.rows.filter(({ becomes }) => becomes === 'open');
    if (open.length === 0) return put(made.document);
    const kept = [made.columns.headings, ...open.map(({ cells }) => cells)].filter((row) => row.length);
    begin(undefined);
    setPasted(kept.map((row) => row.join('\t')).join('\n'));
    onReplace(made.document);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg">
      <DialogTitle>Import</DialogTitle>
      <DialogContent>
        <FileDrop
          label="An input list (CSV, TSV, XLSX, text), a rig (JSON) or a patch list (CSV)"
          accept=".json,.csv,.tsv,.txt,.xlsx,.xls,.ods,application/json,text/*"
          onFile={(from) => void importedFile(from, document, kit).then(begin)}
          onRefused={(name, message) => begin({ kind: 'refused', file: name, reasons: [{ path: '', message }] })}
        />
        <TextField
          multiline
          fullWidth
          minRows={2}
          maxRows={4}
          label="Or paste a list: from a spreadsheet, or as it came in a message"
          placeholder={'1. Announcer - dynamic\n2. Violin - SDC +48'}
          value={pasted}
          onChange={({ target }) => {
            begin(undefined);
            setPasted(target.value);
          }}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ mt: 2 }}
        />
        {failed && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {failed}
          </Alert>
        )}
        <Box sx={{ mt: 2 }} aria-live="polite">
          {read?.kind === 'refused' && <RefusedFile {...read} />}
          {read?.kind === 'rig' && (
            <>
              <Typography variant="body1" gutterBottom>
                <strong>{read.document.name}</strong>: {plural(read.document.devices.length, 'device')},{' '}
                {plural(read.document.lines.length, 'line')}.
              </Typography>
              <DifferenceList title="Compared with this rig" list={differences(document, read.document)} />
            </>
          )}
          {read?.kind === 'patch list' && <RowTable rows={read.made.rows} />}
          {read?.kind === 'input list' && read.sheets.length > 1 && (
            <TextField
              select
              label="Sheet"
              value={sheet}
              onChange={({ target }) => {
                setSaid(NOTHING_SAID);
                setSheet(Number(target.value));
              }}
              sx={{ minWidth: 200, mb: 1.5 }}
            >
              {read.sheets.map(({ name }, n) => (
                <MenuItem key={n} value={n}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
          )}
        </Box>
        {list && <InputListView document={document} kit={kit} list={list} said={said} onSaid={setSaid} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          Cancel
        </Button>
        {read?.kind === 'rig' && (
          <>
            <Button variant="outlined" onClick={() => put(read.document)}>
              Replace this rig
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
            onClick={() => put(read.made.document)}
          >
            Import these rows
          </Button>
        )}
        {list && (
          <Button variant="contained" disabled={list.ids.length === 0} onClick={() => putList(list)}>
            Add {plural(list.ids.length, 'line')}
            {list.rows.some(({ becomes }) => becomes === 'open') && ', keep the rest here'}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function RefusedFile({ file, reasons }: Extract<Imported, { kind: 'refused' }>) {
  return (
    <Alert severity="error">
      <strong>{file} can’t be imported. Nothing was changed.</strong>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {reasons.map(({ path, message }, n) => (
          <li key={n}>
            {path && <code>{path}: </code>}
            {message}
          </li>
        ))}
      </Box>
    </Alert>
  );
}
