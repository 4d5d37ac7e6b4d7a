import { gridFrom, inputList, readInputList } from '@/core/tables/inputList';
import { tableDoors } from '../../../tableDoors';

export const dynamic = 'force-dynamic';

/** Input lists of any habit: what each row becomes, and what no line or note could keep. */
export const { GET, POST } = tableDoors({
  called: 'input list',
  write: (document, query) => inputList(document, query.get('columns') === 'usual' ? 'usual columns' : undefined),
  read: (before, kit, text) => {
    const { columns, rows, left, lost, document } = readInputList(before, kit, gridFrom(text));
    return { document, answer: { columns: columns.roles.map((role) => role ?? null), rows, left, lost } };
  },
});
