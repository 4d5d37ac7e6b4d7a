'use client';

import { useState } from 'react';
import { CsvError } from '@/core/tables/csv';
import { parseKit, type KitItem } from '@/core/kit';
import { readKitCsv } from '@/core/tables';
import { DocumentError } from '@/core/rig';
import { type RowReport } from '@/core/tables';
import { FileDrop } from '@/ui/files/FileDrop';
import { RowImportDialog } from '@/ui/files/RowImportDialog';
import { kitImportDialog as texts } from './texts';

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
    <RowImportDialog
      title={texts.importIntoTheKit}
      rows={read && 'rows' in read ? read.rows : undefined}
      refused={read && 'refused' in read ? { file: read.file, reasons: read.refused } : undefined}
      onClose={onClose}
      onTake={() => read && 'items' in read && onTake(read.items)}
    >
      <FileDrop
        label={texts.aKitJsonOrCsv}
        accept=".json,.csv,application/json,text/csv"
        onFile={(file) => void file.text().then((text) => setRead(readFile(file.name, text, items)))}
        onRefused={(file, why) => setRead({ file, refused: [why] })}
      />
    </RowImportDialog>
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
      what: same ? '' : before ? texts.replacesTheWholeItem : item.role,
    };
  });
  const fresh = new Map(given.map((item) => [item.id, item]));
  return {
    rows,
    items: [...items.map((item) => fresh.get(item.id) ?? item), ...given.filter(({ id }) => !known.has(id))],
  };
}
