import type { Finding, Verdict } from './finding';
import type { Solved } from './solve';

/** A line judged: everything solved, every finding, worst first. */
export interface Checked {
  solved: Solved;
  findings: Finding[];
  verdict: Verdict;
}
