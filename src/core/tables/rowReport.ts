/** What one row of a file did, or would do. */
export interface RowReport {
  /** Where the row stands in the file, counted from 1. */
  line: number;
  name: string;
  did: 'adds' | 'changes' | 'unchanged' | 'refused';
  /** In words: what is added or changed, or why it is refused and what would be right. */
  what: string;
}

/** A row that cannot be used; the others can. */
export class RowRefused extends Error {}
