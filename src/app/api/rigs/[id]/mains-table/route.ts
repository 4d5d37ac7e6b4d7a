import { mainsTable, readMainsTable } from '@/core/tables';
import { tableDoors } from '../../../tableDoors';

export const dynamic = 'force-dynamic';

/** What hangs on which outlet, over which lead, and what joins grounds besides. */
export const { GET, POST } = tableDoors({
  called: 'mains',
  write: mainsTable,
  read: (before, _kit, text) => {
    const { rows, document } = readMainsTable(before, text);
    return { document, answer: { rows } };
  },
});
