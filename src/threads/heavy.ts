import { checkRig, fullRigResult } from '@/core/rigcheck';
import { DocumentError, readDocument, type RigDocument } from '@/core/rig';
import { sheetRig, type SheetRig } from '@/core/runsheet';

/** What takes long enough that nobody else should wait for it. Each runs in a thread of its own. */

type Refusals = DocumentError['refusals'];

/** Checks what somebody sent. @returns the answer as JSON, or why it is no rig */
export function check({ body, brief }: { body: unknown; brief: boolean }): { json: string } | { refusals: Refusals } {
  try {
    const rig = readDocument(body);
    return { json: JSON.stringify(brief ? checkRig(rig) : fullRigResult(rig)) };
  } catch (problem) {
    if (problem instanceof DocumentError) return { refusals: problem.refusals };
    throw problem;
  }
}

/** What a run sheet must know of a rig: its circuits followed. */
export const sheet = (document: RigDocument): SheetRig => sheetRig(document);
