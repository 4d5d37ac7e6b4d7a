'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { CsvError } from '@/core/tables/csv';
import { parseKit, type KitItem } from '@/core/kit';
import { readKitCsv } from '@/core/tables';
import { DocumentError } from '@/core/rig';
import { type RowReport } from '@/core/tables';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowTable } from '@/ui/files/RowTable';

interface Props {
  items: readonly KitItem[];
  onClose: () => void;
  onTake: (items: KitItem[]) => void;
}

type Read = { rows: RowReport[]; items: KitItem[] } | { file: string; refused: string[] };

/** A kit as JSON or CSV: what each row would do is shown before anything changes. */
export function KitImportDialog({ items, onClose, onTake }: Props) {
  const [read, setRead] = useState<Read>();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>Import into the kit</DialogTitle>
      <DialogContent>
        <FileDrop
          label="A kit (JSON or CSV)"
          accept=".json,.csv,application/json,text/csv"
          onFile={(file) => void file.text().then((text) => setRead(readFile(file.name, text, items)))}
          onRefused={(file, why) => setRead({ file, refused: [why] })}
        />
        <Box sx={{ mt: 2 }} aria-live="polite">
          {read && 'refused' in read && (
            <Alert severity="error">
              <strong>{read.file} can’t be imported. Nothing was changed.</strong>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {read.refused.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </Box>
            </Alert>
          )}
          {read && 'rows' in read && <RowTable rows={read.rows} />}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} color="inherit">
          Cancel
        </Button>
        {read && 'rows' in read && (
          <Button
            variant="contained"
            disabled={!read.rows.some(({ did }) => did === 'adds' || did === 'changes')}
            onClick={() => onTake(read.items)}
          >
            Import these rows
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function readFile(file: string, text: string, items: readonly KitItem[]): Read {
  try {
    return /^\s*[{[]/.test(text) ? fromJson(text, items) : readKitCsv(items, text);
  } catch (error) {
    if (error instanceof DocumentError)
      return { file, refused: error.refusals.map(({ path, message }) => (path ? `${path}: ${message}` : message)) };
    if (error instanceof CsvError) return { file, refused: [error.message] };
    throw error;
  }
}

/** Each item of a file as a row: known ids are replaced, others added. */
function fromJson(text: string, items: readonly KitItem[]): Read {
  const given = parseKit(text).items;
  const known = new Map(items.map((item) => [item.id, item]));
  const rows = given.map((item, n): RowReport => {
    const before = known.get(item.id);
    const same = before && JSON.stringify(before) === JSON.stringify(item);
    return {
      line: n + 1,
      name: item.name,
      did: same ? 'unchanged' : before ? 'changes' : 'adds',
      what: same ? '' : before ? 'replaces the whole item' : item.role,
    };
  });
  const fresh = new Map(given.map((item) => [item.id, item]));
  return {
    rows,
    items: [...items.map((item) => fresh.get(item.id) ?? item), ...given.filter(({ id }) => !known.has(id))],
  };
}
