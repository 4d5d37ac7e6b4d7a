'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { differences, type RigDocument } from '@/core/rig';
import { readPatchList } from '@/core/tables';
import { openRows, readInputList, type InputList, type Said } from '@/core/tables/inputList';
import { Dialog } from '@/ui/shell/Dialog';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowTable } from '@/ui/files/RowTable';
import { useDraft } from '@/ui/shell/useDraft';
import { DifferenceList } from '@/ui/rig/StaleNotice';
import { importedFile, importedText, type Imported } from './imported';
import { InputListView } from './InputListView';
import { pastedKey, waitingKey } from './pasted';
import { importDialog as texts } from './texts';

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

/** Rows of earlier lists that still need an answer. */
type Waiting = readonly NonNullable<ReturnType<typeof openRows>>[];
const NONE: Waiting = [];

/** A rig, a patch list or an input list, from a file or pasted: what it would do is shown before anything changes. */
export function ImportDialog({ rig, document, kit, dropped, onClose, onReplace, onAddRig }: Props) {
  const [pasted, setPasted] = useDraft(pastedKey(rig), '');
  const [waiting, setWaiting] = useDraft(waitingKey(rig), NONE);
  const [file, setFile] = useState(dropped);
  const [answers, setAnswers] = useState<Said>(NOTHING_SAID);
  const [sheet, setSheet] = useState(0);
  const [failed, setFailed] = useState<string>();
  // What is typed is read a moment later; what is taken away is gone at once, so that no answer goes to a list that left.
  const later = useDeferredValue(pasted);
  const text = pasted && later;
  const read = useMemo(
    (): Imported | undefined =>
      file ?? (text.trim() ? importedText(texts.thePastedText, text, document, kit) : rowsLeft(waiting)),
    [file, text, waiting, document, kit],
  );
  const patch = useMemo(
    () => (read?.kind === 'patch list' ? readPatchList(document, kit, read.text) : undefined),
    [read, document, kit],
  );
  const isWaiting = !file && !text.trim() && waiting.length > 0;
  const said = useMemo(() => (isWaiting ? { ...waiting[0].said, ...answers } : answers), [isWaiting, waiting, answers]);
  const grid = read?.kind === 'input list' ? read.sheets[Math.min(sheet, read.sheets.length - 1)]?.grid : undefined;
  const list = useMemo(() => grid && readInputList(document, kit, grid, said), [document, kit, grid, said]);
  const begin = (next: Imported | undefined) => {
    setFailed(undefined);
    setAnswers(NOTHING_SAID);
    setSheet(0);
    setFile(next);
  };
  const put = (next: RigDocument) => {
    if (!file) setPasted('');
    onReplace(next);
    onClose();
  };
  /** Rows that still need an answer stay here, to be answered now or later. */
  const putList = (made: InputList) => {
    const rest = openRows(made);
    const others = isWaiting ? waiting.slice(1) : waiting;
    const still = rest ? [rest, ...others] : others;
    setWaiting(still);
    if (still.length === 0) return put(made.document);
    if (!file) setPasted('');
    begin(undefined);
    onReplace(made.document);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg">
      <DialogTitle>{texts.importWord}</DialogTitle>
      <DialogContent>
        <FileDrop
          label={texts.anInputListCsvTsv}
          accept=".json,.csv,.tsv,.txt,.xlsx,.xls,.ods,application/json,text/*"
          onFile={(from) => void importedFile(from, document, kit).then(begin)}
          onRefused={(name, message) => begin({ kind: 'refused', file: name, reasons: [{ path: '', message }] })}
        />
        <TextField
          multiline
          fullWidth
          minRows={2}
          maxRows={4}
          label={texts.orPasteAList}
          placeholder={texts.exampleList}
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
                <strong>{read.document.name}</strong>
                {texts.devicesAndLines(read.document.devices.length, read.document.lines.length)}
              </Typography>
              <DifferenceList title={texts.comparedWithThisRig} list={differences(document, read.document)} />
            </>
          )}
          {patch && <RowTable rows={patch.rows} />}
          {read?.kind === 'input list' && read.sheets.length > 1 && (
            <TextField
              select
              label={texts.sheet}
              value={sheet}
              onChange={({ target }) => {
                setAnswers(NOTHING_SAID);
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
        {list && <InputListView document={document} kit={kit} list={list} said={said} onSaid={setAnswers} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          {texts.cancel}
        </Button>
        {read?.kind === 'rig' && (
          <>
            <Button variant="outlined" onClick={() => put(read.document)}>
              {texts.replaceThisRig}
            </Button>
            <Button variant="contained" onClick={async () => setFailed(await onAddRig(read.document))}>
              {texts.addItAsANew}
            </Button>
          </>
        )}
        {patch && (
          <Button
            variant="contained"
            disabled={!patch.rows.some(({ did }) => did === 'adds' || did === 'changes')}
            onClick={() => put(patch.document)}
          >
            {texts.importTheseRows}
          </Button>
        )}
        {isWaiting && (
          <Button color="error" onClick={() => setWaiting(waiting.slice(1))} sx={{ order: -1, mr: 'auto' }}>
            {texts.discard(waiting[0].grid.length - 1)}
          </Button>
        )}
        {list && (
          <Button variant="contained" disabled={list.ids.length === 0} onClick={() => putList(list)}>
            {texts.add(list.ids.length)}
            {list.rows.some(({ becomes }) => becomes === 'open') && texts.keepTheRestHere}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

/** The first of the lists whose rows wait, as something that was read. */
const rowsLeft = ([first]: Waiting): Imported | undefined =>
  first && { kind: 'input list', file: texts.rowsLeft, sheets: [{ name: texts.rowsLeft, grid: first.grid }] };

function RefusedFile({ file, reasons }: Extract<Imported, { kind: 'refused' }>) {
  return (
    <Alert severity="error">
      <strong>{texts.cantBeImportedNothing(file)}</strong>
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
