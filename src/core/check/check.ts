import { asDrawn, choose, questions, UNKNOWN, type Line, type Wiring } from '../gear';
import { once } from '../units/once';
import { applyEdits, type Edit } from '../gear/edits';
import { attempt, type Attempt } from './attempts';
import type { Alternative, Case } from './case';
import { SEVERITIES, verdictOf, type Finding } from './finding';
import { foldFaults, foldKnown } from './fold';
import { RULES } from './rules';
import { peakTargetOf, type Schools } from '../schools/schools';
import { searchRemedies } from './search';
import { solveLine, type Solved } from './solve';
import type { Checked } from './checked';
import type { CheckOptions } from './options';
import { keptIn, likeness, sharedByLines } from './shared';

/** A shield above this at mains frequency leaves it to the grounds of the devices what happens. */
const SHIELD_OPEN = 100;

function caseOf(
  line: Line,
  schools: Schools,
  alternatives: Alternative[],
  options: CheckOptions,
  solved?: Solved,
): Case {
  const target = peakTargetOf(schools);
  const solve = (asked: Line, wiring?: Wiring) => solveLine(asDrawn(asked), target, wiring);
  // Rules see the line as its owner described it, open questions included; circuits are solved as drawn.
  return Object.assign(Object.create(solved ?? solve(line)), {
    line,
    schools,
    alternatives,
    free: options.free ?? [],
    kit: options.kit,
    plugged: options.plugged,
    solve,
    whatIf: (edits: Edit[]) => solve(applyEdits(line, edits)),
  });
}

/** Everything the rules find, worst first, what follows from something else under that. */
function found(at: Case): Finding[] {
  const all = RULES.flatMap((rule) => rule.judge(at));
  return foldKnown(SEVERITIES.flatMap((severity) => all.filter((finding) => finding.severity === severity)));
}

/** The line with every open question answered in each way that is not drawn, others like it the same way, judged. */
function alternativesOf(line: Line, schools: Schools, drawn: Solved): Alternative[] {
  const asked = questions(line).filter(
    ({ spec }) => spec.question.matters === undefined || drawn.signal.shields.some((ohms) => ohms > SHIELD_OPEN),
  );
  return asked.flatMap((question) => {
    const { part, choice, spec } = question;
    const answers = spec.options.filter(({ value }) => value !== UNKNOWN);
    return answers
      .filter(({ value }) => value !== spec.question.drawnAs)
      .map(({ value, label }): Alternative => {
        const others = asked.filter((other) => other !== question && other.choice === choice);
        // Two grounds that nobody knows may both be on mains earth, and only both together join anything.
        const asAnswered = [question, ...others].reduce(
          (known, other) => choose(known, other.part, other.choice, value),
          line,
        );
        const at = caseOf(asAnswered, schools, [], {});
        return { part, choice, value, label, ask: spec.question.ask, answers, solved: at, findings: found(at) };
      });
  });
}

/** A line solved as it is drawn, and what the rules find if that is how it is. */
interface Drawn {
  solved: Solved;
  /** Whatever the answers to its open questions may be. */
  findings: () => Finding[];
}

function drawnOf(line: Line, schools: Schools): Drawn {
  const solved = solveLine(asDrawn(line), peakTargetOf(schools));
  return { solved, findings: once(() => found(caseOf(line, schools, [], {}, solved))) };
}

/** Alternatives with only those findings that the line as drawn does not have. */
function worseThan(alternatives: Alternative[], { findings }: Drawn): Alternative[] {
  if (alternatives.every(({ choice }) => choice === 'tap')) return alternatives;
  const known = new Set(findings().map(({ code }) => code));
  return alternatives.map((alternative) => ({
    ...alternative,
    findings: alternative.findings.filter(({ code }) => !known.has(code)),
  }));
}

function judged(
  line: Line,
  schools: Schools,
  options: CheckOptions,
  drawn = drawnOf(line, schools),
): { at: Case; checked: Checked } {
  const { solved } = drawn;
  const alternatives = worseThan(alternativesOf(line, schools, solved), drawn);
  const at = caseOf(line, schools, alternatives, options, solved);
  const mended = (links: number[]): Finding[] => {
    const good = applyEdits(
      line,
      links.map((n) => ({ do: 'mend', at: n })),
    );
    return found(caseOf(good, schools, at.alternatives, {}));
  };
  // Without an open question, and nothing around it, that is what the line is as drawn.
  const plain = alternatives.length === 0 && Object.keys(options).length === 0;
  const findings = foldFaults(at, plain ? drawn.findings() : found(at), mended);
  return { at, checked: { solved: at, findings, verdict: verdictOf(findings) } };
}

/** Solves and judges one line; no remedies. */
export const judgeLine = (line: Line, schools: Schools, options: CheckOptions = {}): Checked =>
  judged(line, schools, options).checked;

/**
 * As `judgeLine`, in less time for what is refused anyway: a line that is Stop or Silent as it is drawn is not judged once
 * more for every way in which its open questions may be answered.
 */
export function judgeAsDrawn(line: Line, schools: Schools): Checked {
  const drawn = drawnOf(line, schools);
  const findings = drawn.findings();
  const verdict = verdictOf(findings);
  return verdict === 'Stop' || verdict === 'Silent'
    ? { solved: drawn.solved, findings, verdict }
    : judged(line, schools, {}, drawn).checked;
}

/** Solves and judges one line, and says what each remedy and each answer would give. */
export function checkLine(line: Line, schools: Schools, options: CheckOptions = {}): Checked {
  const { at, checked } = judged(line, schools, options);
  const { attempts } = options.shared ?? sharedByLines();
  const after = (edits: Edit[]): Attempt => {
    const edited = applyEdits(line, edits);
    return keptIn(attempts, likeness(edited, schools), () => attempt(() => judgeLine(edited, schools)));
  };
  const remedies = searchRemedies(at, checked, after);
  const findings = checked.findings.map((finding, n) => {
    const { look, ...rest } = finding;
    const answers = finding.answers?.map((answer) => ({ ...answer, gives: after(answer.edits)?.verdict }));
    return {
      ...rest,
      remedies: remedies[n],
      ...(answers && { answers }),
      // Where nothing mends it, it says what to look at instead.
      ...(look && remedies[n].length === 0 && !answers?.length && { look }),
    };
  });
  return { ...checked, findings };
}
