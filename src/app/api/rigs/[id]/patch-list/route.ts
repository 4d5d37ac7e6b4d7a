import { patchList, readPatchList } from '@/core/tables';
import { tableDoors } from '../../../tableDoors';

export const dynamic = 'force-dynamic';

/** Who goes where, over what, with which feed. */
export const { GET, POST } = tableDoors({
  called: 'patch list',
  write: patchList,
  read: (before, kit, text) => {
    const { rows, document } = readPatchList(before, kit, text);
    return { document, answer: { rows } };
  },
});
