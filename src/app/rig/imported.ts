import { DocumentError, parseDocument, type RigDocument } from '@/core/rig';
import type { KitItem } from '@/core/kit';
import { readPatchList } from '@/core/tables';
import { CsvError } from '@/core/tables/csv';
import { gridFrom, isWorkbook, readWorkbook, type Sheet } from '@/core/tables/inputList';
import { imported as texts } from './texts';

/** What a file or a pasted text is. */
export type Imported =
  | { kind: 'rig'; file: string; document: RigDocument }
  | { kind: 'patch list'; file: string; text: string }
  | { kind: 'input list'; file: string; sheets: Sheet[] }
  | { kind: 'refused'; file: string; reasons: { path: string; message: string }[] };

/** A text that is a rig, a patch list as this application writes it, or any other list. */
export function importedText(file: string, text: string, document: RigDocument, kit: readonly KitItem[]): Imported {
  try {
    if (/^\s*[{[]/.test(text) || /\.json$/i.test(file)) return { kind: 'rig', file, document: parseDocument(text) };
    if (!PATCH_LIST.test(text)) return { kind: 'input list', file, sheets: [{ name: file, grid: gridFrom(text) }] };
    readPatchList(document, kit, text);
    return { kind: 'patch list', file, text };
  } catch (problem) {
    return refused(file, problem);
  }
}

/** A patch list begins with this application's own first column. */
const PATCH_LIST = /^\uFEFF?\s*"?line"?\s*[,;]/i;

/** A file of whatever kind: a workbook, or text. */
export async function importedFile(file: File, document: RigDocument, kit: readonly KitItem[]): Promise<Imported> {
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (!isWorkbook(bytes)) return importedText(file.name, new TextDecoder().decode(bytes), document, kit);
    const sheets = await readWorkbook(bytes);
    return sheets.length
      ? { kind: 'input list', file: file.name, sheets }
      : { kind: 'refused', file: file.name, reasons: [{ path: '', message: texts.hasNothingOnItsSheets }] };
  } catch (problem) {
    return refused(file.name, problem);
  }
}

function refused(file: string, problem: unknown): Imported {
  if (problem instanceof DocumentError) return { kind: 'refused', file, reasons: problem.refusals };
  if (problem instanceof CsvError)
    return {
      kind: 'refused',
      file,
      reasons: [{ path: problem.line ? texts.line(problem.line) : '', message: problem.message }],
    };
  // The file is gone meanwhile, or may not be read.
  if (problem instanceof DOMException)
    return {
      kind: 'refused',
      file,
      reasons: [{ path: '', message: texts.cannotBeReadChoose(problem.message) }],
    };
  throw problem;
}
