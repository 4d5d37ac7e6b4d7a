import { lineDrawing, type Verdict } from '@/core/check';
import { heardRig, type FirstResult, type Floors } from '@/core/noise/heard';
import { allGroupFeeds, checkRig, fullRigResult, remembering } from '@/core/rigcheck';
import { electricianBrief, mainsAnswer, mainsReport, type Brief, type MainsAnswer } from '@/core/mains';
import { DocumentError, readDocument, type RigDocument } from '@/core/rig';
import { sheetRig, type SheetRig } from '@/core/runsheet';
import { rigPath, schoolsOf } from '@/core/rig';
import {
  cableTable,
  cableTest,
  diagnose,
  ObservationError,
  readObservations,
  reportOf,
  situationOf,
  waitOf,
  type OwnPriors,
} from '@/core/testing';
import type { ConnectorId } from '@/core/gear';

/** What takes long enough that nobody else should wait for it. Each runs in a thread of its own. */

type Refusals = DocumentError['refusals'];

/** Checks what somebody sent. @returns the answer as JSON, or why it is no rig */
export function check({ body, brief }: { body: unknown; brief: boolean }): { json: string } | { refusals: Refusals } {
  try {
    const rig = readDocument(body);
    return { json: JSON.stringify(brief ? checkRig(rig) : fullRigResult(rig)) };
  } catch (problem) {
    if (problem instanceof DocumentError) return { refusals: problem.refusals };
    throw problem;
  }
}

/** The verdict of every line of a rig that could be solved, by its id. */
export const verdicts = (document: RigDocument): Record<string, Verdict> =>
  Object.fromEntries(checkRig(document).lines.map(({ id, verdict }) => [id, verdict]));

/** Most lines for which the page waits for the settings of their switches too: they take as long again. */
const SWITCHES_OF = 128;

/** A rig as its page shows it first. */
export function drawn({ document, floors }: { document: RigDocument; floors: Floors }): FirstResult {
  const judge = remembering(lineDrawing);
  const { lines, unsolved, groups } = heardRig(document, floors, judge);
  const few = document.lines.length <= SWITCHES_OF;
  return { lines, unsolved, groups, ...(few && { feeds: allGroupFeeds(document, judge) }) };
}

/** The mains side of a rig, as programs get it. */
export const mains = (document: RigDocument): MainsAnswer => mainsAnswer(document);

/** What a licensed electrician has to know of a rig. */
export const brief = (document: RigDocument): Brief => electricianBrief(document, mainsReport(document));

/** What a run sheet must know of a rig: its circuits followed. */
export const sheet = (document: RigDocument): SheetRig => sheetRig(document);

/** What is wrong with a line or a cable, or what is wrong with the question. */
type Diagnosed =
  { json: string } | { refusals: Refusals } | { missing: string } | { observation: { path: string; message: string } };

/** Follows the circuit of a line, or of a cable, with every fault that it may have. */
export function diagnosed(given: {
  rig?: unknown;
  line?: string;
  cable?: ConnectorId;
  observations: unknown;
  priors?: OwnPriors;
}): Diagnosed {
  const { rig, line = '', cable, priors } = given;
  try {
    const observations = readObservations(given.observations);
    if (cable) {
      const found = cableTest(cableTable(cable, undefined, { priors }), observations);
      const { line: connector, cautions: _none, ...report } = reportOf(cable, found);
      return { json: JSON.stringify({ connector, tested: found.tested, bad: found.bad, ...report }) };
    }
    const document = readDocument(rig);
    const path = rigPath(document, line);
    if (!path)
      return {
        missing: `there is no line ${line}; this rig has ${document.lines.map(({ id }) => id).join(', ') || 'none'}`,
      };
    const wait = waitOf(schoolsOf(document));
    const situation = situationOf(document, line)!;
    const found = diagnose(path.line, observations, { wait, priors, feedStaysOff: situation.harmed.length > 0 });
    return { json: JSON.stringify(reportOf(line, found, situation)) };
  } catch (problem) {
    if (problem instanceof DocumentError) return { refusals: problem.refusals };
    if (problem instanceof ObservationError) return { observation: { path: problem.path, message: problem.message } };
    throw problem;
  }
}
