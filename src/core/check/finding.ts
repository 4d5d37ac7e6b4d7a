import type { Basis, PartRef } from '../gear';
import type { Edit } from '../gear/edits';
import type { SchoolName } from '../schools/schools';

export const SEVERITIES = ['harm', 'silent', 'watch', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

export type Verdict = 'Stop' | 'Silent' | 'Watch' | 'Clear';

const VERDICTS: Record<Severity, Verdict> = { harm: 'Stop', silent: 'Silent', watch: 'Watch', note: 'Clear' };

/** Worst first. */
export const VERDICT_ORDER: readonly Verdict[] = ['Stop', 'Silent', 'Watch', 'Clear'];

/** How good a verdict is: 0 for the worst. */
export const rankOf = (verdict: Verdict): number => VERDICT_ORDER.indexOf(verdict);

/** A computed number, with what it is held against. Values in SI units, decibels as they are. */
export interface Quantity {
  label: string;
  value: number;
  unit: 'V' | 'A' | 'Ω' | 'W' | 'Hz' | 'dB' | 'dBu' | 'dBFS' | 'dB SPL' | 'm';
  limit?: { label: string; value: number; basis: Basis; where?: string };
}

/** Remedies in an engineer's order: take out, right socket, the switch in hand, another cable, add, move, a shared switch. */
export const REMEDY_ORDER = ['take out', 'right socket', 'setting', 'cable', 'add', 'move', 'shared switch'] as const;
export type RemedyClass = (typeof REMEDY_ORDER)[number];

/** A change that mends a finding, and the verdict the line has after it. */
export interface Remedy {
  label: string;
  note?: string;
  edits: Edit[];
  by?: RemedyClass;
  /** What it adds is in the kit, or would have to be bought or borrowed; absent where nothing is added. */
  owned?: boolean;
  gives?: Verdict;
  /** What it does to other lines of the same switch: "2 lines fall silent". */
  others?: string;
}

/** An answer from a maker or a manual that would change the judgement. */
export interface Answer {
  label: string;
  edits: Edit[];
  gives?: Verdict;
}

/** What a finding brings about besides: it goes when its cause goes. */
export interface Consequence {
  code: string;
  severity: Severity;
  what: string;
}

/** One statement about a line. */
export interface Finding {
  code: string;
  severity: Severity;
  part: PartRef;
  what: string;
  why: string;
  numbers: Quantity[];
  remedies: Remedy[];
  /** What the statement rests on. */
  basis: string;
  school?: { name: SchoolName; choice: string };
  answers?: Answer[];
  /** Told under it: one cause is one finding. */
  consequences?: Consequence[];
  /** What to look at where nothing on the list mends it. */
  look?: string;
  /** It turns on a figure that is only assumed: which. */
  assumed?: string;
}

/** The verdict of the worst finding; no finding at all is Clear. */
export function verdictOf(findings: readonly Pick<Finding, 'severity'>[]): Verdict {
  const worst = SEVERITIES.find((severity) => findings.some((finding) => finding.severity === severity));
  return worst ? VERDICTS[worst] : 'Clear';
}
