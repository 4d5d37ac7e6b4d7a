'use client';

import { useRouter } from 'next/navigation';
import { useMemo, type RefObject } from 'react';
import { emptyRig, type RigDocument } from '@/core/rig';
import { patchList } from '@/core/tables';
import { fileName } from '@/core/tables/fileName';
import { inputList } from '@/core/tables/inputList/written';
import { ask } from '@/ui/shell/ask';
import { saveFile } from '@/ui/shell/files';
import type { OpenDialog } from './openDialog';
import { useRigMenu as text } from './texts';

interface Given {
  rigId: string;
  /** The document as it is when something is pressed. */
  now: RefObject<{ document: RigDocument }>;
  openDialog: (dialog: OpenDialog) => void;
  setPicking: (on: boolean) => void;
  addRig: (document: RigDocument) => Promise<unknown>;
  say: (message: string) => void;
}

/** What the rig's menu does: dialogs, files in and out, other rigs. */
export function useRigMenu({ rigId, now, openDialog, setPicking, addRig, say }: Given) {
  const router = useRouter();
  return useMemo(
    () => ({
      rename: () => openDialog({ dialog: 'rename' }),
      newLine: () => openDialog({ dialog: 'new line' }),
      newDevice: () => openDialog({ dialog: 'new device' }),
      monitors: () => openDialog({ dialog: 'monitors' }),
      pickLines: () => setPicking(true),
      importFile: () => openDialog({ dialog: 'import' }),
      history: () => openDialog({ dialog: 'history' }),
      exportRig: () => {
        const { document: all } = now.current;
        saveFile(fileName(all.name, 'json'), 'application/json', JSON.stringify(all, null, 2));
      },
      exportPatchList: () => {
        const { document: all } = now.current;
        saveFile(fileName(text.patchList(all.name), 'csv'), 'text/csv', patchList(all));
      },
      exportInputList: (as?: 'usual columns') => {
        const { document: all } = now.current;
        saveFile(fileName(text.inputList(all.name), 'csv'), 'text/csv', inputList(all, as));
      },
      removedRigs: () => openDialog({ dialog: 'removed' }),
      newRig: () => void addRig(emptyRig(text.newRig)),
      removeRig: () => {
        void ask(`/api/rigs/${rigId}`, { method: 'DELETE' }).then(({ failed }) =>
          failed ? say(failed) : router.push(`/rig?removed=${rigId}`),
        );
      },
    }),
    [rigId, router, now, openDialog, setPicking, addRig, say],
  );
}
