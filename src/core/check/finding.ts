import type { Basis, PartRef } from '../gear';
import type { Edit } from '../rig/edits';
import type { SchoolName } from './schools';

export const SEVERITIES = ['harm', 'silent', 'watch', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

export type Verdict = 'Stop' | 'Silent' | 'Watch' | 'Clear';

const VERDICTS: Record<Severity, Verdict> = { harm: 'Stop', silent: 'Silent', watch: 'Watch', note: 'Clear' };

/** Worst first. */
export const VERDICT_ORDER: readonly Verdict[] = ['Stop', 'Silent', 'Watch', 'Clear'];

/** A computed number, with what it is held against. Values in SI units, decibels as they are. */
export interface Number {
  label: string;
  value: number;
  unit: 'V' | 'A' | 'Ω' | 'W' | 'Hz' | 'dB' | 'dBu' | 'dBFS' | 'dB SPL' | 'm';
  limit?: { label: string; value: number; basis: Basis; where?: string };
}

/** A change that mends a finding, and the verdict the line has after it. */
export interface Remedy {
  label: string;
  note?: string;
  edits: Edit[];
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

/** One statement about a line. */
export interface Finding {
  code: string;
  severity: Severity;
  part: PartRef;
  what: string;
  why: string;
  numbers: Number[];
  remedies: Remedy[];
  /** What the statement rests on. */
  basis: string;
  school?: { name: SchoolName; choice: string };
  answers?: Answer[];
}

/** The verdict of the worst finding; no finding at all is Clear. */
export function verdictOf(findings: readonly Pick<Finding, 'severity'>[]): Verdict {
  const worst = SEVERITIES.find((severity) => findings.some((finding) => finding.severity === severity));
  return worst ? VERDICTS[worst] : 'Clear';
}
