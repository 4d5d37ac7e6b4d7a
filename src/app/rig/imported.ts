import { DocumentError, parseDocument, type RigDocument } from '@/core/rig';
import type { KitItem } from '@/core/kit';
import { readPatchList, type PatchImport } from '@/core/tables';
import { CsvError } from '@/core/tables/csv';
import { gridFrom, isWorkbook, readWorkbook, type Sheet } from '@/core/tables/inputList';

/** What a file or a pasted text is. */
export type Imported =
  | { kind: 'rig'; file: string; document: RigDocument }
  | { kind: 'patch list'; file: string; made: PatchImport }
  | { kind: 'input list'; file: string; sheets: Sheet[] }
  | { kind: 'refused'; file: string; reasons: { path: string; message: string }[] };

/** A text that is a rig, a patch list as this application writes it, or any other list. */
export function importedText(file: string, text: string, document: RigDocument, kit: readonly KitItem[]): Imported {
  try {
    if (/^\s*[{[]/.test(text) || /\.json$/i.test(file)) return { kind: 'rig', file, document: parseDocument(text) };
    return (
      patchListIn(file, text, document, kit) ?? {
        kind: 'input list',
        file,
        sheets: [{ name: file, grid: gridFrom(text) }],
      }
    );
  } catch (problem) {
    return refused(file, problem);
  }
}

/** A file of whatever kind: a workbook, or text. */
export async function importedFile(file: File, document: RigDocument, kit: readonly KitItem[]): Promise<Imported> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!isWorkbook(bytes)) return importedText(file.name, new TextDecoder().decode(bytes), document, kit);
  try {
    const sheets = await readWorkbook(bytes);
    return sheets.length
      ? { kind: 'input list', file: file.name, sheets }
      : { kind: 'refused', file: file.name, reasons: [{ path: '', message: 'has nothing on its sheets' }] };
  } catch (problem) {
    return refused(file.name, problem);
  }
}

/** Only with this application's own headings is it a patch list; torn quotes and the like are told as what they are. */
function patchListIn(file: string, text: string, document: RigDocument, kit: readonly KitItem[]): Imported | undefined {
  if (!/^\uFEFF?\s*"?line"?\s*[,;]/i.test(text)) return undefined;
  return { kind: 'patch list', file, made: readPatchList(document, kit, text) };
}

function refused(file: string, problem: unknown): Imported {
  if (problem instanceof DocumentError) return { kind: 'refused', file, reasons: problem.refusals };
  if (problem instanceof CsvError)
    return {
      kind: 'refused',
      file,
      reasons: [{ path: problem.line ? `line ${problem.line}` : '', message: problem.message }],
    };
  throw problem;
}
