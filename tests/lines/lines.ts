import { DEFAULT_SCHOOLS, lineResult, type Finding, type LineResult, type Schools } from '@/core/check';
import type { Fault, Line, Part } from '@/core/gear';

/** Short words for lines in tests. */
export const line = (source: Part | string, links: Part[], inlet: Part): Line => ({
  id: 'line',
  name: 'line',
  source: typeof source === 'string' ? { kind: source } : source,
  links,
  inlet,
});
export const cable = (...faults: Fault[]): Part => ({ kind: 'cable', ...(faults.length && { faults }) });
export const testedCable: Part = { kind: 'cable', choices: { tested: 'yes' } };
export const on = (feed: string): Part => ({ kind: 'three-pin', choices: { feed } });

export const judged = (asked: Line, schools: Partial<Schools> = {}): LineResult =>
  lineResult(asked, { ...DEFAULT_SCHOOLS, ...schools });
export const codes = ({ findings }: LineResult): string[] => findings.map(({ code }) => code);
export function find(result: LineResult, code: string): Finding {
  const found = result.findings.find((finding) => finding.code === code);
  if (!found) throw new Error(`no ${code} among ${codes(result).join(', ') || 'no findings'}`);
  return found;
}
/** The first number of a finding whose label holds a text. */
export const number = (finding: Finding, label: string): number => {
  const found = finding.numbers.find((entry) => entry.label.includes(label));
  if (!found) throw new Error(`no number “${label}” among ${finding.numbers.map((entry) => entry.label).join(', ')}`);
  return found.value;
};
