import { CircuitError } from '../circuit';
import { asDrawn, choose, questions, UNKNOWN, type Line } from '../gear';
import { applyEdits, type Edit, type FreeInlet } from '../rig/edits';
import { plugging } from '../switching';
import type { Alternative, Case } from './case';
import { SEVERITIES, VERDICT_ORDER, verdictOf, type Finding, type Remedy, type Verdict } from './finding';
import { RULES } from './rules';
import type { Schools } from './schools';
import { solveLine, type Solved } from './solve';

/** A line judged: everything solved, every finding, worst first. */
export interface Checked {
  solved: Solved;
  findings: Finding[];
  verdict: Verdict;
}

/** What a line may be moved to, and whether to spend time on what only a reader of its reasons wants to know. */
export interface Around {
  /** Inlets that nothing is plugged into. */
  free?: readonly FreeInlet[];
  /** Follow over time what happens while it is plugged. */
  overTime?: boolean;
}

function judge(line: Line, schools: Schools, alternatives: Alternative[], around: Around): Checked {
  const peakTarget = Number(schools.peakTarget);
  const solve = (asked: Line) => solveLine(asDrawn(asked), peakTarget);
  const solved = solve(line);
  // Rules see the line as its owner described it, open questions included; circuits are solved as drawn.
  const at: Case = Object.assign(Object.create(solved), {
    line,
    schools,
    alternatives,
    free: around.free ?? [],
    plugged: around.overTime && (() => plugging(line)),
    solve,
    whatIf: (edits: Edit[]) => solve(applyEdits(line, edits)),
  });
  const found = RULES.flatMap((rule) => rule.judge(at));
  const findings = SEVERITIES.flatMap((severity) => found.filter((finding) => finding.severity === severity));
  return { solved, findings, verdict: verdictOf(findings) };
}

/** Solves and judges one line; remedies are suggested, not tried. */
export function judgeLine(line: Line, schools: Schools, around: Around = {}): Checked {
  const alternatives = questions(line).flatMap(({ part, choice, spec }) =>
    spec.options
      .filter(({ value }) => value !== UNKNOWN && value !== spec.question.drawnAs)
      .map(({ value, label }): Alternative => {
        const { solved, findings } = judge(choose(line, part, choice, value), schools, [], {});
        return { part, choice, value, label, ask: spec.question.ask, solved, findings };
      }),
  );
  return judge(line, schools, alternatives, around);
}

/** Solves and judges one line, and says what each remedy and each answer would give. */
export function checkLine(line: Line, schools: Schools, around: Around = {}): Checked {
  const checked = judgeLine(line, schools, around);
  const tried = new Map<string, Checked | undefined>();
  const after = (edits: Edit[]): Checked | undefined => {
    const key = JSON.stringify(edits);
    if (!tried.has(key)) tried.set(key, attempt(applyEdits(line, edits), schools));
    return tried.get(key);
  };
  const findings = checked.findings.map((finding) => ({
    ...finding,
    remedies: useful(finding, checked.verdict, finding.remedies, after),
    ...(finding.answers && {
      answers: finding.answers.map((answer) => ({ ...answer, gives: after(answer.edits)?.verdict })),
    }),
  }));
  return { ...checked, findings };
}

/** The line judged, or nothing where its circuit has no answer: what cannot be solved is no remedy. */
function attempt(line: Line, schools: Schools): Checked | undefined {
  try {
    return judgeLine(line, schools);
  } catch (error) {
    if (error instanceof CircuitError) return undefined;
    throw error;
  }
}

const rank = (verdict: Verdict) => VERDICT_ORDER.indexOf(verdict);

/** Remedies that really mend the finding without making the line worse, each once, the best first. */
function useful(
  finding: Finding,
  now: Verdict,
  remedies: Remedy[],
  after: (edits: Edit[]) => Checked | undefined,
): Remedy[] {
  const severity = SEVERITIES.indexOf(finding.severity);
  const distinct = new Map(remedies.map((remedy) => [JSON.stringify(remedy.edits), remedy]));
  const found = [...distinct.values()]
    .flatMap((remedy) => {
      const mended = after(remedy.edits);
      if (!mended) return [];
      const { verdict, findings } = mended;
      const stays = findings.some(
        (other) => other.code === finding.code && SEVERITIES.indexOf(other.severity) <= severity,
      );
      return stays || rank(verdict) < rank(now) ? [] : [{ ...remedy, gives: verdict }];
    })
    .sort((a, b) => rank(b.gives) - rank(a.gives));
  // What only leaves another Silent or Stop is told where nothing better is.
  const good = found.filter(({ gives }) => gives === 'Clear' || gives === 'Watch');
  return good.length ? good : found;
}
